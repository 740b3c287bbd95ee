using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DeterminantTooLarge : DependencyFindingKind
{
    public override string Code => "determinant-too-large";

    public override string Title => "Attribute too many in the determinant";

    public override string Help =>
        "The arrow starts from more attributes than it needs: a part of them determines as much. Take one "
        + "away after the other, and ask each "
        + "time whether the rest still determines.";

    public override int Rank => 23;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from bad in comparison.BadArrows
        let large = comparison.Drawn.Arrows.FirstOrDefault(arrow =>
            arrow is { IsSound: true, IsMultivalued: false }
            && arrow.To == bad.Arrow.To
            && bad.Arrow.From.IsProperSubsetOf(arrow.From)
        )
        where large is not null
        let to = comparison.Say(bad.Arrow.To)
        let more = large.From - bad.Arrow.From
        select new Finding
        {
            Id = IdFor(bad.Arrow.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(comparison.Say(more))} {Verb(more, "is", "are")} too much in what determines {to}.",
            There = $"{Phrasing.Capital(comparison.Say(large.From))} together determine {to}.",
            Wanted = $"{Phrasing.Capital(comparison.Say(bad.Arrow.From))} {Verb(bad.Arrow.From)} {to}.",
            Why = $"As drawn, the same {comparison.Say(bad.Arrow.From)} could differ in {to}.",
            Claims = [bad.Verdict.Fact.Id],
            Extras = comparison.Extras.Any(extra => extra.AnswerId == large.Id) ? [large.Id] : [],
            ModelElements = [bad.Arrow.Id],
            AnswerElements = [large.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) =>
        DependencyMissing.Rows(comparison, finding);
}
