using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>A supertype pushed down into its subtypes: it is not drawn, and each of them has what it has.</summary>
internal sealed class SupertypeBySubtypes : Restatement
{
    public override string Code => "supertype-by-subtypes";

    public override string Title => "A supertype, as what each of its subtypes has";

    public override Standing Usual => Standing.InPart;

    public override Stage Stage => Stage.Entities;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var set in leftovers.Model.Model.Specialisations)
        {
            var super = leftovers.Model.IndexOf(set.SupertypeId);
            var subtypes = set.Subtypes.Select(link => leftovers.AnswerOf(leftovers.Model.IndexOf(link.EntityId))).ToList();
            var wanted = leftovers
                .Model.Entities[super]
                .Attributes.Where(attribute => attribute.Attribute.ForeignKey is null)
                .ToList();
            if (leftovers.AnswerOf(super) >= 0 || subtypes.Count < 2 || subtypes.Contains(-1) || wanted.Count == 0)
            {
                continue;
            }

            NamedAttribute? CopyIn(int index, NamedAttribute attribute) =>
                leftovers
                    .Answer.Entities[index]
                    .Attributes.FirstOrDefault(candidate =>
                        leftovers.Attributes.IsFreeAnswer(candidate) && attribute.IsAlike(candidate)
                    );
            var copies = subtypes.ConvertAll(index =>
                wanted.Select(attribute => CopyIn(index, attribute)).OfType<NamedAttribute>().ToList()
            );
            if (copies.Exists(found => found.Count * 2 < wanted.Count))
            {
                continue;
            }

            // The first has what the supertype has; the others repeat it.
            var first = leftovers.Answer.Entities[subtypes[0]].Entity;
            var around = leftovers
                .Model.Neighbours[super]
                .Select(leftovers.AnswerOf)
                .Where(index => index >= 0 && !subtypes.Contains(index))
                .ToHashSet();
            var repeated = leftovers.Answer.Links.Where(link =>
                subtypes
                    .Skip(1)
                    .Any(index =>
                        (link.From == index && around.Contains(link.To)) || (link.To == index && around.Contains(link.From))
                    )
            );
            var names = Phrasing.List([.. subtypes.Select(index => leftovers.Answer.Entities[index].Entity.Name)]);
            var name = leftovers.Model.Entities[super].Entity.Name;
            yield return new RestatedMatch(
                Code,
                $"What every {Phrasing.InText(name)} has is drawn at each of {names}.",
                [set.SupertypeId, .. set.Subtypes.Select(link => link.Id)],
                ImmutableDictionary<string, RestatedCount>.Empty,
                [
                    first.Id,
                    .. copies.Skip(1).SelectMany(found => found).Select(attribute => attribute.Attribute.Id),
                    .. repeated.Where(link => !IsWanted(link, leftovers)).Select(link => link.Relationship.Id),
                ]
            )
            {
                Following = [set.Id],
                Owners = [(set.SupertypeId, first.Id)],
                StandIns = [(super, subtypes[0])],
                Wanted = $"{name} once, with {names} as its subtypes.",
                Why = $"Whoever builds this would look for {Phrasing.One(name)} in {subtypes.Count} places.",
            };
        }
    }

    // What the model answer has between the two themselves is no copy.
    private static bool IsWanted(Link drawn, Leftovers leftovers) =>
        leftovers.Model.Links.Any(link =>
            (leftovers.AnswerOf(link.From) == drawn.From && leftovers.AnswerOf(link.To) == drawn.To)
            || (leftovers.AnswerOf(link.From) == drawn.To && leftovers.AnswerOf(link.To) == drawn.From)
        );
}
