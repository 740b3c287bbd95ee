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
        let over = Over(comparison.Drawn, arrow)
        let between = comparison.Say(over)
        select new Finding
        {
            Id = IdFor(arrow.Id),
            Code = Code,
            Tag = Tag.Extra,
            Headline = $"That {determinant} {Verb(arrow.From)} {to} follows from other arrows.",
            There = $"There is an arrow from {determinant} to {to}.",
            Wanted = $"No arrow from {determinant} to {to}.",
            Why = over.IsEmpty
                ? $"The other arrows lead from {determinant} to {to} already."
                : $"{Phrasing.Capital(determinant)} {Verb(arrow.From)} {between}, and {between} {Verb(over)} {to}.",
            Extras = [arrow.Id],
            AnswerElements = [arrow.Id],
        };

    // The determinant over which one gets there, where one arrow more is enough.
    private static AttributeSet Over(DrawnAgainst drawn, JudgedArrow arrow)
    {
        var others = drawn
            .Arrows.Where(other => other is { IsSound: true, IsMultivalued: false } && other.Id != arrow.Id)
            .ToList();
        var reached = new Closure(others.Select(other => other.Dependency)).Of(arrow.From);
        return others
            .Where(other => other.To == arrow.To && other.From.IsSubsetOf(reached) && !other.From.IsSubsetOf(arrow.From))
            .Select(other => other.From)
            .FirstOrDefault();
    }
}
