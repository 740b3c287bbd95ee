using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationOtherCountStyle : NotationFault
{
    public override string Code => "notation-other-count-style";

    public override string Title => "Letters and pairs mixed up";

    public override string Help => "A class uses letters or pairs at the lines of a diamond; the other is read, but not what was asked for.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Ovals().Diamond("brings in", Outline.Single, ("Visit", "(1,n)", true), ("Item", "(1,1)", true)).ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.OtherCountStyle;

    private protected override string Wants => "What the class has learned: a letter, or a pair.";

    private protected override string Headline(int places) => places == 1 ? "A count is written in the other style." : $"{places} counts are written in the other style.";
}
