using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationSolidUnderlineAtWeak : NotationFault
{
    public override string Code => "notation-solid-underline-at-weak";

    public override string Title => "Partial key underlined as a full one";

    public override string Help => "What tells a weak entity apart only within its owner has a dashed underline.";

    public override FindingExample Example => new(
        ExampleDrawings.Repairs(Outline.Double, Underline.Dashed).ToDrawing(),
        ExampleDrawings.Repairs(Outline.Double, Underline.Solid).ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.SolidUnderlineAtWeak;

    private protected override string Wants => "A dashed underline.";

    private protected override string Headline(int places) => places == 1 ? "A partial key is underlined like a full one." : $"{places} partial keys are underlined like full ones.";
}
