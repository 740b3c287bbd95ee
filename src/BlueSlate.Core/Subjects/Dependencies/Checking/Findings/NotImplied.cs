using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class NotImplied : DependencyFindingKind
{
    public override string Code => "dependency-not-implied";

    public override string Title => "Arrow that does not hold";

    public override string Help =>
        "The diagram says that one attribute determines another, and it does not: there can be two rows that "
        + "agree on the first and differ in "
        + "the second. Before drawing an arrow, try to think of two such rows.";

    public override int Rank => 40;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from arrow in comparison.Drawn.Arrows
        where arrow is { IsSound: false, IsTrivial: false }
        let determinant = comparison.Say(arrow.From)
        let to = comparison.Say(arrow.To)
        let verb = arrow.IsMultivalued ? "multidetermine" : "determine"
        let bad = comparison.BadArrows.Where(bad => bad.Arrow.To == arrow.To && bad.Verdict.Kind == VerdictKind.Wrong).ToList()
        select new Finding
        {
            Id = IdFor(arrow.Id),
            Code = Code,
            Tag = Tag.Extra,
            Headline = $"{Phrasing.Capital(determinant)} {Verb(arrow.From, "does", "do")} not {verb} {to}.",
            There = $"There is an arrow from {determinant} to {to}.",
            Wanted =
                bad.Count > 0
                    ? $"An arrow to {to} from {comparison.Say(bad[0].Arrow.From)} alone."
                    : $"No arrow from {determinant} to {to}.",
            Why = $"Two rows with the same {determinant} may differ in {to}.",
            Claims = [.. bad.Select(one => one.Verdict.Fact.Id)],
            Extras = [arrow.Id],
            ModelElements = [.. bad.Select(one => one.Arrow.Id)],
            AnswerElements = [arrow.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => Rows(comparison, finding);

    /// <summary>Rows that the model answer allows and the first arrow that a finding shows rules out.</summary>
    internal static Example? Rows(DependencyComparison comparison, Finding finding)
    {
        var arrow = comparison.Drawn.Arrows.FirstOrDefault(one =>
            one is { IsSound: false, IsMultivalued: false } && finding.AnswerElements.Contains(ConceptId.Of(one.Id).Element)
        );
        return arrow is null
            ? null
            : MadeRows.Agreeing(
                ExampleKind.RuledOutAsDrawn,
                comparison.Drawn.Model.Set.Implied.ClosureOf(arrow.From),
                arrow.From | AttributeSet.Of(arrow.To),
                comparison,
                $"two rows with the same {comparison.Say(arrow.From)} that differ in {comparison.Say(arrow.To)}."
            );
    }
}
