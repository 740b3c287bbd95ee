using BlueSlate.Core.Concepts;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationSharedAttribute : NotationFault
{
    public override string Code => "notation-shared-attribute";

    public override string Title => "Attribute tied to two owners";

    public override string Help => "An attribute belongs to one entity or relationship. What two have in common is an entity, or is said of what joins them.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Chained().Tie("Item", "date").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.SharedAttribute;

    private protected override string Wants => "One line, to its one owner.";

    private protected override string Headline(int places) => places == 1 ? "An attribute is tied to two owners." : $"{places} attributes are tied to two owners.";
}
