using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// All subtypes of a supertype folded into it: none of them is drawn, and what they have of their own stands there, or an
/// attribute says of which kind a thing is. What is tied to a subtype may be tied to the supertype.
/// </summary>
internal sealed class SubtypesByKindAttribute : Restatement
{
    private static readonly HashSet<string> KindWords = new(StringComparer.Ordinal)
    {
        "kind",
        "type",
        "category",
        "class",
        "sort",
        "variety",
        "form",
        "role",
    };

    public override string Code => "subtypes-by-kind-attribute";

    public override string Title => "Subtypes, as a kind attribute of their supertype";

    public override Standing Usual => Standing.InPart;

    public override Stage Stage => Stage.Entities;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var set in leftovers.Model.Model.Specialisations)
        {
            var super = leftovers.AnswerOf(leftovers.Model.IndexOf(set.SupertypeId));
            var subtypes = set.Subtypes.Select(link => leftovers.Model.IndexOf(link.EntityId)).ToList();
            if (
                super < 0
                || subtypes.Count < 2
                || subtypes.Exists(index => leftovers.AnswerOf(index) >= 0)
                || subtypes.Exists(index => IsSuper(index, leftovers.Model))
            )
            {
                continue;
            }

            var drawn = leftovers.Answer.Entities[super];
            var free = drawn.Attributes.Where(leftovers.Attributes.IsFreeAnswer).ToList();
            var kind = free.Find(attribute => SaysKind(attribute, set, subtypes, leftovers.Model));
            var own = subtypes.ConvertAll(index =>
                leftovers
                    .Model.Entities[index]
                    .Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && !attribute.InKey)
                    .ToList()
            );
            var there = own.Sum(attributes =>
                attributes.Count(attribute => free.Exists(candidate => candidate != kind && attribute.IsAlike(candidate)))
            );
            var wanted = own.Sum(attributes => attributes.Count);
            if (
                there * 2 < wanted
                || (
                    kind is null
                    && (
                        there == 0
                        || own.Exists(attributes =>
                            attributes.Count > 0
                            && !attributes.Exists(attribute => free.Exists(candidate => attribute.IsAlike(candidate)))
                        )
                    )
                )
            )
            {
                continue;
            }

            var names = Phrasing.List([
                .. subtypes.Select(index => Phrasing.InText(leftovers.Model.Entities[index].Entity.Name)),
            ]);
            var above = leftovers.Model.Model.Entity(set.SupertypeId).Name;
            yield return new RestatedMatch(
                Code,
                kind is null
                    ? $"{Phrasing.Capital(names)} are folded into {drawn.Entity.Name}."
                    : $"{Phrasing.Capital(names)} are folded into {drawn.Entity.Name}, told apart by "
                        + $"{Phrasing.InText(kind.Attribute.Name)}.",
                [.. subtypes.Select(index => leftovers.Model.Entities[index].Entity.Id), .. set.Subtypes.Select(link => link.Id)],
                ImmutableDictionary<string, RestatedCount>.Empty,
                [drawn.Entity.Id, .. kind is null ? [] : new[] { kind.Attribute.Id }]
            )
            {
                Following = [set.Id],
                Owners = [.. subtypes.Select(index => (leftovers.Model.Entities[index].Entity.Id, drawn.Entity.Id))],
                StandIns = [.. subtypes.Select(index => (index, super))],
                Wanted = $"{Phrasing.Capital(names)} as subtypes of {above}.",
                Why = $"As drawn, every {Phrasing.InText(above)} has what belongs to {names} alone.",
            };
        }
    }

    private static bool IsSuper(int index, Side model) => model.Trees.Any(tree => tree.Super == index);

    // A word for kinds, the discriminator, or a subtype by name: "is guide".
    private static bool SaysKind(NamedAttribute attribute, Specialisation set, List<int> subtypes, Side model) =>
        (attribute.Bare.Words.Length > 0 && KindWords.Contains(attribute.Bare.Words[^1]))
        || (attribute.Name.Words.Length > 1 && KindWords.Contains(attribute.Name.Words[0]))
        || (set.Name.Length > 0 && NameSimilarity.Of(attribute.Name, Name.Of(set.Name)).Value >= AttributeMatcher.Sureness)
        || subtypes.Exists(index => NameSimilarity.Mentions(attribute.Name, model.Entities[index].Name));
}
