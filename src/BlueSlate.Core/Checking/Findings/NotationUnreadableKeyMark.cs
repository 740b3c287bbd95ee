using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationUnreadableKeyMark : NotationFault
{
    public override string Code => "notation-unreadable-key-mark";

    public override string Title => "Key mark that cannot be read";

    public override string Help => "Before a name stand PK, FK, AK with a number, or PPK. Anything else says nothing.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, new Sketch().Box("Visit", ExampleDrawings.Visit).Box("Item", "PK item no", "XX description", "fault").Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.UnreadableKeyMark;

    private protected override string Wants => "PK, FK, AK1, PPK, or nothing.";

    private protected override string Headline(int places) => places == 1 ? "A mark before a name cannot be read." : $"{places} marks before names cannot be read.";
}
