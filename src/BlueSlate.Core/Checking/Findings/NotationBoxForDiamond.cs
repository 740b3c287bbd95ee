using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationBoxForDiamond : NotationFault
{
    public override string Code => "notation-box-for-diamond";

    public override string Title => "Box in place of a diamond";

    public override string Help => "A box is an entity. What ties two entities together is a diamond.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Ovals().Box("brings in").Tie("Visit", "brings in", Stroke.Double, "", "1").Tie("Item", "brings in", Stroke.Double, "", "N").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.BoxForDiamond;

    private protected override string Wants => "A diamond.";

    private protected override string Headline(int places) => places == 1 ? "A relationship is drawn as a box." : $"{places} relationships are drawn as boxes.";
}
