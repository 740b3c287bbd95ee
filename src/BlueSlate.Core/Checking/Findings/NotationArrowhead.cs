using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationArrowhead : NotationFault
{
    public override string Code => "notation-arrowhead";

    public override string Title => "Arrowhead on a line";

    public override string Help => "Crow's foot notation has no arrowheads; many is shown by a foot.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Arrow, EndMark.Bar));

    private protected override RemarkKind Sort => RemarkKind.Arrowhead;

    private protected override string Wants => "A foot.";

    private protected override string Headline(int places) => places == 1 ? "A line has an arrowhead in place of a foot." : $"{places} ends have an arrowhead in place of a foot.";
}
