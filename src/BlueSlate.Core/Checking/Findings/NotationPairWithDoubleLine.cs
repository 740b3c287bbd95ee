using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationPairWithDoubleLine : NotationFault
{
    public override string Code => "notation-pair-with-double-line";

    public override string Title => "Double line with a minimum of 0";

    public override string Help => "A double line says that all take part; a pair that begins with 0 says that some may not.";

    public override FindingExample Example => new(
        ExampleDrawings.Ovals().Diamond("brings in", Outline.Single, ("Visit", "(0,n)", false), ("Item", "(1,1)", false)).ToDrawing(),
        ExampleDrawings.Ovals().Diamond("brings in", Outline.Single, ("Visit", "(0,n)", true), ("Item", "(1,1)", false)).ToDrawing())
    { Options = ExampleDrawings.Chen with { Counts = Notations.CountStyle.Pairs } };

    private protected override RemarkKind Sort => RemarkKind.PairWithDoubleLine;

    private protected override string Wants => "A single line, or a minimum of 1.";

    private protected override string Headline(int places) => places == 1 ? "A double line carries a minimum of 0." : $"{places} double lines carry a minimum of 0.";
}
