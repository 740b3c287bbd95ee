using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationLooseEnd : NotationFault
{
    public override string Code => "notation-loose-end";

    public override string Title => "Line with a loose end";

    public override string Help => "A line joins two boxes. An end that is tied to nothing says nothing.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(Attachment.Nothing, [])).ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.LooseEnd;

    private protected override string Wants => "Both ends at a box.";

    private protected override string Headline(int places) => places == 1 ? "A line ends in the open." : $"{places} lines end in the open.";
}
