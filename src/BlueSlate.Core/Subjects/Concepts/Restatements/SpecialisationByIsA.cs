using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A subtype tied to its supertype by a relationship of one to one, where the model answer has nothing else between the two.
/// </summary>
internal sealed class SpecialisationByIsA : Restatement
{
    private static readonly HashSet<string> Being = new(StringComparer.Ordinal)
    {
        "is",
        "is a",
        "is an",
        "can be",
        "may be",
        "be",
        "is one of",
        "is kind of",
        "is a kind of",
        "type of",
        "kind of",
        "isa",
    };

    public override string Code => "specialisation-by-is-a";

    public override string Title => "A specialisation, as one-to-one relationships";

    public override Standing Usual => Standing.InPart;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var free = leftovers.AnswerLinks.ToList();
        foreach (var set in leftovers.Model.Model.Specialisations)
        {
            var super = leftovers.AnswerOf(leftovers.Model.IndexOf(set.SupertypeId));
            var found = new List<(SubtypeLink Wanted, Link Drawn)>();
            foreach (var subtype in set.Subtypes)
            {
                var sub = leftovers.AnswerOf(leftovers.Model.IndexOf(subtype.EntityId));
                var drawn =
                    super < 0
                    || sub < 0
                    || sub == super
                    || leftovers.Answer.Trees.Contains((sub, super))
                    || leftovers.Answer.Trees.Contains((super, sub))
                        ? null
                        : free.Find(link => link.Joins(sub, super) && SaysBeing(link.Relationship));
                if (drawn is not null)
                {
                    free.Remove(drawn);
                    found.Add((subtype, drawn));
                }
            }

            if (found.Count > 0)
            {
                var (above, below) = (
                    leftovers.Model.Model.Entity(set.SupertypeId).Name,
                    Phrasing.List([
                        .. found.Select(pair => Phrasing.InText(leftovers.Model.Model.Entity(pair.Wanted.EntityId).Name)),
                    ])
                );
                yield return new RestatedMatch(
                    Code,
                    $"That {below} {(found.Count == 1 ? "is" : "are")} a kind of {Phrasing.InText(above)} is drawn as "
                        + $"{(found.Count == 1 ? "a relationship" : "relationships")} of one to one.",
                    [.. found.Select(pair => pair.Wanted.Id)],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [.. found.Select(pair => pair.Drawn.Relationship.Id)]
                )
                {
                    Following = [set.Id],
                    Wanted = $"A specialisation of {above}.",
                    Why =
                        $"Whoever builds this would keep {below} as things of their own beside {Phrasing.One(above)}, "
                        + "and tie one to the other each time.",
                };
            }
        }
    }

    // One to one, or called being where nothing is said.
    private static bool SaysBeing(RelationshipType relationship)
    {
        var most = relationship.Roles.Select(role => role.CoOccurrence.Max).ToList();
        var called = relationship
            .Roles.Select(role => role.Verb)
            .Append(relationship.Name)
            .Any(text => Being.Contains(text.Trim().ToLowerInvariant()));
        return most.TrueForAll(count => count == 1) || (called && most.TrueForAll(count => count is null or 1));
    }
}
