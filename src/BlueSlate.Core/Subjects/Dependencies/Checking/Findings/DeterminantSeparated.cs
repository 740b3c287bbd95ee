using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DeterminantSeparated : DependencyFindingKind
{
    public override string Code => "determinant-separated";

    public override string Title => "Arrows from each where only all together determine";

    public override string Help =>
        "Several attributes determine another only together, and the diagram has an arrow from each of them alone. Gather them first, "
        + "and draw one arrow from there: two arrows say that either one would do.";

    public override int Rank => 18;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from bad in comparison.BadArrows
        where bad.Arrow.From.Count > 1
        let alone = comparison
            .Drawn.Arrows.Where(arrow =>
                arrow is { IsSound: false, From.Count: 1 } && arrow.To == bad.Arrow.To && arrow.From.IsSubsetOf(bad.Arrow.From)
            )
            .ToList()
        where alone.Count > 1
        let to = comparison.Say(bad.Arrow.To)
        select new Finding
        {
            Id = IdFor(bad.Arrow.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(comparison.Say(bad.Arrow.From))} determine {to} only together, not each alone.",
            There = $"There are {alone.Count} arrows to {to}, each from one attribute.",
            Wanted = $"One arrow to {to}, from {comparison.Say(bad.Arrow.From)} gathered.",
            Why =
                $"As drawn, the same {comparison.Say(alone[0].From)} always has the same {to}, whatever the "
                + $"{comparison.Say(bad.Arrow.From - alone[0].From)}.",
            Claims = [.. alone.SelectMany(comparison.Contradicted).Prepend(bad.Verdict.Fact.Id).Distinct(StringComparer.Ordinal)],
            Extras = [.. alone.Select(arrow => arrow.Id)],
            ModelElements = [bad.Arrow.Id],
            AnswerElements = [.. alone.Select(arrow => arrow.Id)],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => NotImplied.Rows(comparison, finding);
}
