namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class TransitiveLeft : DependencyLeft
{
    public override string Code => "transitive-dependency-left";

    public override string Title => "Transitive dependency left";

    public override string Help =>
        "In a table stands something that is determined by what is no key of it. It is written again in every "
        + "row with that value; in third "
        + "normal form it has a table of its own, whose key is what determines it.";

    public override int Rank => 78;

    protected override bool IsKind(AgainstForm against, JudgedTable table, DependencyComparison comparison) =>
        against is { IsPartial: false, IsMultivalued: false } && !DeterminantLeft.IsOfKey(against, table, comparison);

    protected override string Because(string from, AttributeSet set, JudgedTable table) =>
        $"{from}, which {Verb(set, "is", "are")} no key of {table.Drawn.Said},";
}
