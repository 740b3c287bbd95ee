namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class PartialLeft : DependencyLeft
{
    public override string Code => "partial-dependency-left";

    public override string Title => "Partial dependency left";

    public override string Help =>
        "In a table stands something that a part of its key determines. It is written again for every row with that part of the key; "
        + "in second normal form it has a table of its own, whose key is that part.";

    public override int Rank => 77;

    protected override bool IsKind(AgainstForm against, JudgedTable table, DependencyComparison comparison) => against.IsPartial;

    protected override string Because(string from, AttributeSet set, JudgedTable table) =>
        $"{from}, only a part of a key of {table.Drawn.Said},";
}
