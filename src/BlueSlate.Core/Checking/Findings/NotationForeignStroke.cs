using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignStroke : NotationFault
{
    public override string Code => "notation-foreign-stroke";

    public override string Title => "Double line";

    public override string Help => "Crow's foot notation has solid and dashed lines only.";

    private static Sketch Solid => new Sketch().Box("Item", ExampleDrawings.Item).Box("Repair", "PPK repair no", "outcome");

    public override FindingExample Example => new(Solid.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid).ToDrawing(), Solid.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Double).ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.ForeignStroke;

    private protected override string Wants => "A solid or a dashed line.";

    private protected override string Headline(int places) => places == 1 ? "A line is drawn double." : $"{places} lines are drawn double.";
}
