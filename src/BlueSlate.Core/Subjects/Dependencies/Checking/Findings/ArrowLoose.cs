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
        let meant = Meant(comparison, remark)
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
            Claims = meant is null ? [] : [meant.Value.Verdict.Fact.Id],
            ModelElements = meant is null ? [] : [meant.Value.Arrow.Id],
            AnswerElements = [remark.ElementId],
        };

    // What it would have said: of what nothing says at the attributes where it is held, one for each arrow that is loose there.
    private static (Verdict Verdict, DrawnDependency Arrow)? Meant(DependencyComparison comparison, DependencyRemark remark)
    {
        var held = AttributeSet.Of(remark.Between.Select(comparison.Drawn.ModelOf).OfType<int>());
        var before = comparison.Drawn.Answer.Remarks.TakeWhile(other => other != remark);
        return held.IsEmpty
            ? null
            : comparison
                .BadArrows.Where(bad =>
                    bad.Verdict.Drawn.Length == 0 && (bad.Arrow.From == held || AttributeSet.Of(bad.Arrow.To) == held)
                )
                .Skip(before.Count(other => other.Kind != DependencyRemarkKind.NoHead && other.Between == remark.Between))
                .Select(bad => ((Verdict, DrawnDependency)?)bad)
                .FirstOrDefault();
    }
}
