using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyReversed : DependencyFindingKind
{
    public override string Code => "dependency-reversed";

    public override string Title => "Arrow the wrong way round";

    public override string Help =>
        "The arrow goes from what is determined to what determines it. Ask: if two rows agree on the first, do they always agree on the "
        + "second? The arrow starts at the attribute for which the answer is yes.";

    public override int Rank => 20;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from arrow in comparison.Drawn.Arrows
        where arrow is { IsSound: false, IsTrivial: false, IsMultivalued: false } && arrow.From.Count == 1
        let head = AttributeSet.Of(arrow.To)
        where arrow.From.IsSubsetOf(comparison.Drawn.Model.Set.Implied.ClosureOf(head))
        let claims = comparison
            .BadArrows.Where(bad => bad.Arrow.From == head && arrow.From.Contains(bad.Arrow.To))
            .Select(bad => bad.Verdict.Fact.Id)
            .ToList()
        let determinant = comparison.Say(arrow.From)
        let to = comparison.Say(arrow.To)
        select new Finding
        {
            Id = IdFor(arrow.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The arrow between {determinant} and {to} is the wrong way round.",
            There = $"{Phrasing.Capital(determinant)} determines {to}.",
            Wanted = $"{Phrasing.Capital(to)} determines {determinant}.",
            Why =
                $"Two rows with the same {determinant} may differ in {to}; with the same {to} they always have "
                + $"the same {determinant}.",
            Claims = [.. claims, .. comparison.Contradicted(arrow)],
            Extras = [arrow.Id],
            ModelElements =
            [
                .. comparison.BadArrows.Where(bad => claims.Contains(bad.Verdict.Fact.Id)).Select(bad => bad.Arrow.Id),
            ],
            AnswerElements = [arrow.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => NotImplied.Rows(comparison, finding);
}
