using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationLineToLine : NotationFault
{
    public override string Code => "notation-line-to-line";

    public override string Title => "Line that ends on a line";

    public override string Help => "A relationship joins entities. If a relationship itself takes part in another one, it wants an entity of its own.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(new Attachment(AttachmentKind.Line, "r1"), [])).ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.LineToLine;

    private protected override string Wants => "A linking entity to which the line can go.";

    private protected override string Headline(int places) => places == 1 ? "A line ends on another line." : $"{places} lines end on other lines.";
}
