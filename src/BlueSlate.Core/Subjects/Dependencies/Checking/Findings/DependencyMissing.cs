using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyMissing : DependencyFindingKind
{
    public override string Code => "dependency-missing";

    public override string Title => "Dependency missing";

    public override string Help =>
        "An attribute is determined by others, and no arrow says so, nor does it follow from the arrows that "
        + "are there. Ask of every attribute "
        + "what one has to know to know it.";

    public override int Rank => 45;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from bad in comparison.BadArrows
        where bad.Verdict.Kind != VerdictKind.AbsentWithOwner
        let determinant = comparison.Say(bad.Arrow.From)
        let to = comparison.Say(bad.Arrow.To)
        let there = comparison
            .Drawn.Arrows.Where(arrow => arrow.To == bad.Arrow.To && !arrow.IsTrivial)
            .Select(arrow => comparison.Say(arrow.From))
            .ToList()
        select new Finding
        {
            Id = IdFor(bad.Arrow.Id),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"Nothing says that {determinant} {bad.Arrow.Verb} {to}.",
            There =
                there.Count == 0 ? $"No arrow leads to {to}."
                : there.Count == 1 ? $"To {to} there is an arrow from {there[0]}."
                : $"To {to} there are arrows from {Phrasing.List(there)}.",
            Wanted = $"{Phrasing.Capital(determinant)} {bad.Arrow.Verb} {to}.",
            Why = bad.Arrow.IsMultivalued
                ? $"The {Phrasing.Several(to)} that stand with one {determinant} have nothing to do with the rest of its rows."
                : $"As drawn, two rows with the same {determinant} could differ in {to}.",
            Claims = [bad.Verdict.Fact.Id],
            ModelElements = [bad.Arrow.Id],
            AnswerElements = [.. ElementsOf(comparison, bad.Arrow.From.Append(bad.Arrow.To))],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => Rows(comparison, finding);

    /// <summary>Rows that the answer allows and the dependency that a finding shows rules out.</summary>
    internal static Example? Rows(DependencyComparison comparison, Finding finding)
    {
        var arrow = comparison.Drawn.Model.Dependencies.FirstOrDefault(one =>
            !one.IsMultivalued && finding.ModelElements.Contains(ConceptId.Of(one.Id).Element)
        );
        var agree = comparison.Drawn.SoundClosure(arrow?.From ?? AttributeSet.Empty);
        return arrow is null || agree.Contains(arrow.To)
            ? null
            : MadeRows.Agreeing(
                ExampleKind.AllowedAsDrawn,
                agree,
                arrow.From | AttributeSet.Of(arrow.To),
                comparison,
                $"two rows with the same {comparison.Say(arrow.From)} that differ in {comparison.Say(arrow.To)}."
            );
    }
}
