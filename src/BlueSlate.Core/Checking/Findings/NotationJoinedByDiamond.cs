using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationJoinedByDiamond : NotationFault
{
    public override string Code => "notation-joined-by-diamond";

    public override string Title => "Diamond";

    public override string Help => "Crow's foot notation has no diamonds: a relationship is a line, and one of three entities becomes an entity between them.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").Shape(Form.Diamond, "").ToDrawing());

    private protected override RemarkKind Sort => RemarkKind.JoinedByDiamond;

    private protected override string Wants => "A line, or an entity between.";

    private protected override string Headline(int places) => places == 1 ? "A diamond is drawn." : $"{places} diamonds are drawn.";
}
