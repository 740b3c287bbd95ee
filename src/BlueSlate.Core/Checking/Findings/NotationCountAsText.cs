using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationCountAsText : NotationFault
{
    public override string Code => "notation-count-as-text";

    public override string Title => "Numbers in place of marks";

    public override string Help => "Crow's foot notation shows least and most by marks at the end, not by numbers or letters.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line(new LineEnd(Attachment.ToShape("b1"), [.. Ends.One], "brings in"), new LineEnd(Attachment.ToShape("b2"), [], "comes in on", Count: "1..n")).ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.CountAsText;

    private protected override string Wants => "The marks for it.";

    private protected override string Headline(int places) => places == 1 ? "An end says in writing what marks should show." : $"{places} ends say in writing what marks should show.";
}
