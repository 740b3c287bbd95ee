using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignShape : NotationFault
{
    public override string Code => "notation-foreign-shape";

    public override string Title => "Shape of another notation";

    public override string Help => "Crow's foot notation has boxes, lines and notes. Ovals, circles and diamonds in boxes belong to others.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Shape(Form.Oval, "colour").ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.ForeignShape;

    private protected override string Wants => "Boxes with lines of attributes.";

    private protected override string Headline(int places) => places == 1 ? "A shape of another notation is drawn." : $"{places} shapes of another notation are drawn.";
}
