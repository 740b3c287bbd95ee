using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>Overlapping subtypes drawn as disjoint ones, with a third for those that are both.</summary>
internal sealed class OverlapByThirdSubtype : Restatement
{
    public override string Code => "overlap-by-third-subtype";

    public override string Title => "Overlapping subtypes, as disjoint ones with a third for both";

    public override Standing Usual => Standing.InPart;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var set in leftovers.Model.Model.Specialisations.Where(set => set.Disjoint == false && set.Subtypes.Length >= 2))
        {
            var subtypes = set.Subtypes.Select(link => leftovers.AnswerOf(leftovers.Model.IndexOf(link.EntityId))).ToList();
            var drawn = subtypes.Contains(-1)
                ? null
                : leftovers.Answer.Model.Specialisations.FirstOrDefault(candidate =>
                    candidate.Disjoint != false
                    && subtypes.TrueForAll(index =>
                        candidate.Subtypes.Any(link => leftovers.Answer.IndexOf(link.EntityId) == index)
                    )
                );
            var both = drawn?.Subtypes.FirstOrDefault(link =>
                !leftovers.IsMatched(leftovers.Answer.IndexOf(link.EntityId))
                && IsBoth(
                    leftovers.Answer.Entities[leftovers.Answer.IndexOf(link.EntityId)],
                    subtypes.ConvertAll(index => leftovers.Answer.Entities[index].Name)
                )
            );
            if (both is not null)
            {
                var names = Phrasing.List([
                    .. set.Subtypes.Select(link => Phrasing.InText(leftovers.Model.Model.Entity(link.EntityId).Name)),
                ]);
                var third = leftovers.Answer.Model.Entity(both.EntityId).Name;
                yield return new RestatedMatch(
                    Code,
                    $"What is both of {names} is drawn as a subtype of its own, {third}.",
                    [set.Id],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [drawn!.Id, both.EntityId, both.Id]
                )
                {
                    Wanted = $"Overlapping: {names} are enough.",
                    Why = $"As drawn, what belongs to {names} would have to be repeated at {third}.",
                };
            }
        }
    }

    private static bool IsBoth(NamedEntity third, List<Name> subtypes) =>
        third.Name.Words.Contains("both") || subtypes.Count(name => NameSimilarity.Mentions(third.Name, name)) >= 2;
}
