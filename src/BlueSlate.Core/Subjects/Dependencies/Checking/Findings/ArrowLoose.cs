using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ArrowLoose : DependencyFindingKind
{
    public override string Code => "arrow-loose";

    public override string Title => "Arrow that ends at no attribute";

    public override string Help =>
        "An arrow starts or ends where no attribute is, so it says nothing. Bring its end to the box of the "
        + "attribute, or to what gathers a "
        + "determinant.";

    public override int Rank => 15;

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from remark in comparison.Drawn.Answer.Remarks
        where remark.Kind != DependencyRemarkKind.NoHead
        let at = remark.Between.IsEmpty ? "" : $" at {comparison.Drawn.Answer.Say(remark.Between)}"
        select new Finding
        {
            Id = IdFor(remark.ElementId),
            Code = Code,
            Tag = Tag.Notation,
            Headline = $"One end of an arrow{at} is at no attribute.",
            There =
                remark.Kind == DependencyRemarkKind.EmptyGather
                    ? $"An arrow{at} starts where attributes would be gathered, and none are led there."
                    : $"A line{at} ends where no attribute is.",
            Wanted = $"Both ends of the arrow{at} at attributes, or at what gathers them.",
            Why = $"As drawn, the arrow{at} says nothing.",
            AnswerElements = [remark.ElementId],
        };
}
