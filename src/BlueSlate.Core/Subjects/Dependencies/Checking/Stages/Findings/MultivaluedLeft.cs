namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class MultivaluedLeft : DependencyLeft
{
    public override string Code => "multivalued-dependency-left";

    public override string Title => "Multivalued dependency left";

    public override string Help =>
        "Two sets of values that have nothing to do with each other stand in one table, each of one with each "
        + "of the other. In fourth normal "
        + "form each of them has a table of its own.";

    public override int Rank => 79;

    protected override bool IsKind(AgainstForm against, JudgedTable table, DependencyComparison comparison) =>
        against.IsMultivalued;

    protected override string Because(string from, AttributeSet set, JudgedTable table) =>
        $"{from}, which {Verb(set, "is", "are")} no key of {table.Drawn.Said},";
}
