using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Ends;

internal sealed class EndsSwapped : ConceptFindingKind
{
    public override string Code => "ends-swapped";

    public override string Title => "Ends swapped";

    public override string Help =>
        "The values are right, at the wrong ends. What stands at a box says how many of that box go with one of the other.";

    public override int Rank => 10;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        foreach (
            var relationship in evidence.Comparison.Model.Model.Relationships.Where(relationship =>
                relationship.Roles.Length == 2
            )
        )
        {
            RelationshipRole first = relationship.Roles[0],
                second = relationship.Roles[1];
            if (
                first.CoOccurrence == second.CoOccurrence
                || !evidence.Comparison.Correspondence.Relationships.TryGetValue(relationship.Id, out var match)
            )
            {
                continue;
            }

            var drawn = evidence.AnswerRelationship(match.AnswerId);
            Count atFirst = Drawn(first.Id),
                atSecond = Drawn(second.Id);
            var bad = evidence
                .BadFactsOf(first.Id, second.Id)
                .Where(id => id.StartsWith("min:", StringComparison.Ordinal) || id.StartsWith("max:", StringComparison.Ordinal))
                .ToList();
            // Letters say the maximum alone: exchanged, they leave the strokes, which say the minimum, where they are.
            var swapped =
                (
                    atFirst == second.CoOccurrence
                    && atSecond == first.CoOccurrence
                    && first.CoOccurrence.Max != second.CoOccurrence.Max
                )
                || LeastsSwapped(first.CoOccurrence, second.CoOccurrence, atFirst, atSecond)
                || (
                    evidence.Comparison.Options.WritesMaximaOnly
                    && atFirst.Max == second.CoOccurrence.Max
                    && atSecond.Max == first.CoOccurrence.Max
                    && bad.All(id => id.StartsWith("max:", StringComparison.Ordinal))
                );
            if (bad.Count >= 2 && swapped)
            {
                var (one, other) = (evidence.Wording(second.Id), evidence.Wording(first.Id));
                yield return new Finding
                {
                    Id = IdFor(relationship.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"The ends between {Phrasing.InText(one.Other)} and {Phrasing.InText(one.Here)} are swapped.",
                    There = $"At {one.Here} {Phrasing.Amount(atSecond)}, at {one.Other} {Phrasing.Amount(atFirst)}.",
                    Wanted =
                        $"The other way round: at {one.Here} {Phrasing.Amount(second.CoOccurrence)}, at {one.Other} "
                        + $"{Phrasing.Amount(first.CoOccurrence)}.",
                    Why =
                        $"As drawn, {one.OneOther} {one.Verb} {Phrasing.Counted(atSecond, one.Here)}, and "
                        + $"{other.OneOther} {other.Verb} {Phrasing.Counted(atFirst, other.Here)}.",
                    Claims = [.. bad],
                    ModelElements = [first.Id, second.Id],
                    AnswerElements = [match.Roles[first.Id], match.Roles[second.Id]],
                };
            }

            Count Drawn(string roleId) => drawn.Roles.First(role => role.Id == match.Roles[roleId]).CoOccurrence;
        }
    }

    // Where several go with several, only the leasts tell the ends apart.
    private static bool LeastsSwapped(Count first, Count second, Count atFirst, Count atSecond) =>
        new[] { first, second, atFirst, atSecond }.All(count => count.Max > 1)
        && first.Min != second.Min
        && (atFirst.Min, atSecond.Min) == (second.Min, first.Min);
}
