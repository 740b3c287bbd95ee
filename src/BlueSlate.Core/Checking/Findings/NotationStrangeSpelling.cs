using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationStrangeSpelling : NotationFault
{
    public override string Code => "notation-strange-spelling";

    public override string Title => "Multiplicity in another spelling";

    public override string Help => "The standard writes 0..1, 1, 1..* and *.";

    public override FindingExample Example => new(
        ExampleDrawings.Associated().ToDrawing(),
        ExampleDrawings.Classes().Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..n").ToDrawing())
    { Options = ExampleDrawings.Uml with { StrictCounts = true } };

    private protected override RemarkKind Sort => RemarkKind.StrangeSpelling;

    private protected override string Wants => "The standard's spelling.";

    private protected override string Headline(int places) => places == 1 ? "A multiplicity is not spelled as the standard does." : $"{places} multiplicities are not spelled as the standard does.";
}
