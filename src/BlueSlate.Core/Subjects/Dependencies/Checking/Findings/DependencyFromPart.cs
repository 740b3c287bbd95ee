using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyFromPart : DependencyFindingKind
{
    public override string Code => "dependency-from-part";

    public override string Title => "Arrow from a part of the determinant";

    public override string Help =>
        "The arrow leaves out an attribute without which the rest does not determine. Look for two rows that "
        + "agree on what the arrow starts "
        + "from and differ in what it points to.";

    public override int Rank => 22;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from bad in comparison.BadArrows
        let part = comparison.Drawn.Arrows.FirstOrDefault(arrow =>
            arrow is { IsSound: false, IsMultivalued: false }
            && arrow.To == bad.Arrow.To
            && arrow.From.IsProperSubsetOf(bad.Arrow.From)
        )
        where part is not null
        let to = comparison.Say(bad.Arrow.To)
        let left = comparison.Say(bad.Arrow.From - part.From)
        select new Finding
        {
            Id = IdFor(bad.Arrow.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(comparison.Say(part.From))} alone {Verb(part.From, "does", "do")} not determine {to}.",
            There = $"{Phrasing.Capital(comparison.Say(part.From))} {Verb(part.From)} {to}.",
            Wanted = $"{Phrasing.Capital(comparison.Say(bad.Arrow.From))} together determine {to}.",
            Why = $"With the same {comparison.Say(part.From)} and another {left} there may be another {to}.",
            Claims = [.. comparison.Contradicted(part).Prepend(bad.Verdict.Fact.Id).Distinct(StringComparer.Ordinal)],
            Extras = [part.Id],
            ModelElements = [bad.Arrow.Id],
            AnswerElements = [part.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => NotImplied.Rows(comparison, finding);
}
