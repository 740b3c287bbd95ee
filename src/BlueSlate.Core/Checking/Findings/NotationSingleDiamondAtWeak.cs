using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationSingleDiamondAtWeak : NotationFault
{
    public override string Code => "notation-single-diamond-at-weak";

    public override string Title => "Single diamond at a weak entity";

    public override string Help => "The relationship through which a weak entity is told apart has a double outline, as the weak entity itself has.";

    public override FindingExample Example => new(
        ExampleDrawings.Repairs(Outline.Double, Underline.Dashed).ToDrawing(),
        ExampleDrawings.Repairs(Outline.Single, Underline.Dashed).ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.SingleDiamondAtWeak;

    private protected override string Wants => "A diamond with a double outline.";

    private protected override string Headline(int places) => places == 1 ? "The diamond of a weak entity has a single outline." : $"{places} diamonds of weak entities have a single outline.";
}
