using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationNoDiamond : NotationFault
{
    public override string Code => "notation-no-diamond";

    public override string Title => "Relationship without its diamond";

    public override string Help => "In Chen's notation a relationship is a diamond with a line to each entity that takes part.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Ovals().Tie("Visit", "Item", Stroke.Double, "brings in", "1", "N").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.NoDiamond;

    private protected override string Wants => "A diamond, with a line to each of the entities.";

    private protected override string Headline(int places) => places == 1 ? "A relationship is drawn without its diamond." : $"{places} relationships are drawn without their diamonds.";
}
