using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyRedundant : DependencyFindingKind
{
    public override string Code => "dependency-redundant";

    public override string Title => "Arrow that follows from others";

    public override string Help =>
        "The arrow is true, and follows from others that are drawn. A diagram from which tables are made has "
        + "only those that do not follow; "
        + "otherwise a transitive dependency looks like a direct one.";

    public override int Rank => 60;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from arrow in comparison.Drawn.Arrows
        where comparison.Drawn.IsRedundant(arrow)
        let determinant = comparison.Say(arrow.From)
        let to = comparison.Say(arrow.To)
        select new Finding
        {
            Id = IdFor(arrow.Id),
            Code = Code,
            Tag = Tag.Extra,
            Headline = $"That {determinant} {Verb(arrow.From)} {to} follows from other arrows.",
            There = $"There is an arrow from {determinant} to {to}.",
            Wanted = $"No arrow from {determinant} to {to}.",
            Why = Why(comparison, arrow),
            Extras = [arrow.Id],
            AnswerElements = [arrow.Id],
        };

    // The arrows by which one gets there, one after the other.
    private static string Why(DependencyComparison comparison, JudgedArrow arrow)
    {
        var others = comparison
            .Drawn.Arrows.Where(other => other is { IsSound: true, IsMultivalued: false } && other.Id != arrow.Id)
            .Select(other => other.Dependency);
        var given = new DependencySet(comparison.Drawn.Model.Set.Attributes, [.. others], []);
        var steps = Derivation.Of(arrow.From, AttributeSet.Of(arrow.To), given.Implied) ?? [];
        return steps.IsEmpty
            ? $"The other arrows lead from {comparison.Say(arrow.From)} to {comparison.Say(arrow.To)} already."
            : Phrasing.Capital(
                string.Join(
                    ", and ",
                    steps.Select(step => $"{comparison.Say(step.From)} {Verb(step.From)} {comparison.Say(step.To)}")
                )
            ) + ".";
    }
}
