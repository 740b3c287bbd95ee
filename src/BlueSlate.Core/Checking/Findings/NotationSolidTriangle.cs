using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationSolidTriangle : NotationFault
{
    public override string Code => "notation-solid-triangle";

    public override string Title => "Solid triangle";

    public override string Help => "The triangle of a generalisation is hollow.";

    public override FindingExample Example => new(
        ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.Triangle).Tie("Fixer", "Person", markTo: EndMark.Triangle).ToDrawing(),
        ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.SolidTriangle).Tie("Fixer", "Person", markTo: EndMark.Triangle).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.SolidTriangle;

    private protected override string Wants => "A hollow triangle at the general end.";

    private protected override string Headline(int places) => places == 1 ? "A generalisation has a solid triangle." : $"{places} generalisations have a solid triangle.";
}
