using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationUnreadableCount : NotationFault
{
    public override string Code => "notation-unreadable-count";

    public override string Title => "Number at an end that cannot be read";

    public override string Help => "What is written at the end is none of the spellings in use, so the end says nothing.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line(new LineEnd(Attachment.ToShape("b1"), [.. Ends.One], "brings in"), new LineEnd(Attachment.ToShape("b2"), [], "comes in on", Count: "some")).ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.UnreadableCount;

    private protected override string Wants => "Marks, or at least a count such as 1..n.";

    private protected override string Headline(int places) => places == 1 ? "What is written at an end cannot be read as a count." : $"What is written at {places} ends cannot be read as counts.";
}
