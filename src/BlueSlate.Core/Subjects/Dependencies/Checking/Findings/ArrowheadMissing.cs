using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ArrowheadMissing : DependencyFindingKind
{
    public override string Code => "arrowhead-missing";

    public override string Title => "Line without an arrowhead";

    public override string Help =>
        "A line between attributes has no arrowhead, so it does not say which of them determines the other. The head stands at what is "
        + "determined.";

    public override int Rank => 15;

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from remark in comparison.Drawn.Answer.Remarks
        where remark.Kind == DependencyRemarkKind.NoHead
        let between = AttributeSet.Of(remark.Between.Select(comparison.Drawn.ModelOf).OfType<int>())
        let meant = comparison
            .BadArrows.Where(bad =>
                between.Count == 2 && (bad.Arrow.From | AttributeSet.Of(bad.Arrow.To)) == between && bad.Verdict.Drawn.Length == 0
            )
            .ToList()
        select new Finding
        {
            Id = IdFor(remark.ElementId),
            Code = Code,
            Tag = Tag.Notation,
            Headline = $"The line between {comparison.Drawn.Answer.Say(remark.Between)} has no arrowhead.",
            There = $"A line joins {comparison.Drawn.Answer.Say(remark.Between)} and points to neither.",
            Wanted = $"An arrowhead at the one of {comparison.Drawn.Answer.Say(remark.Between)} that is determined.",
            Why = $"Without it nobody can tell which of {comparison.Drawn.Answer.Say(remark.Between)} determines the other.",
            Claims = [.. meant.Select(bad => bad.Verdict.Fact.Id)],
            AnswerElements = [remark.ElementId],
        };
}
