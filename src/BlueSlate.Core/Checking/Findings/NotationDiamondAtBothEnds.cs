using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationDiamondAtBothEnds : NotationFault
{
    public override string Code => "notation-diamond-at-both-ends";

    public override string Title => "Diamond at both ends";

    public override string Help => "One of two is the whole: the diamond stands at it alone.";

    public override FindingExample Example => new(
        ExampleDrawings.Associated().ToDrawing(),
        ExampleDrawings.Classes().Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*", EndMark.Diamond, EndMark.Diamond).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.DiamondAtBothEnds;

    private protected override string Wants => "A diamond at the whole only, or none.";

    private protected override string Headline(int places) => places == 1 ? "An association has a diamond at both ends." : $"{places} associations have a diamond where none can be.";
}
