namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class DeterminantLeft : DependencyLeft
{
    public override string Code => "determinant-no-key";

    public override string Title => "Determinant that is no key";

    public override string Help =>
        "In a table a part of a key is determined by what is no key of it. That is allowed in third normal form and not in Boyce-Codd "
        + "normal form, in which every determinant is a key.";

    public override int Rank => 80;

    protected override bool IsKind(AgainstForm against, JudgedTable table, DependencyComparison comparison) =>
        against is { IsPartial: false, IsMultivalued: false } && IsOfKey(against, table, comparison);

    protected override string Because(string from, AttributeSet set, JudgedTable table) =>
        $"{from}, which {Verb(set, "is", "are")} no key of {table.Drawn.Said},";

    /// <summary>Whether everything that is determined is in a key of the table.</summary>
    internal static bool IsOfKey(AgainstForm against, JudgedTable table, DependencyComparison comparison) =>
        Projection.On(table.All, comparison.Drawn.Model.Stored) is { } cover
        && against.To.IsSubsetOf(CandidateKeys.Of(table.All, cover).Prime);
}
