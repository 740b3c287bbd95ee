using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationOpenTriangle : NotationFault
{
    public override string Code => "notation-open-triangle";

    public override string Title => "Open arrowhead on a generalisation";

    public override string Help => "A generalisation ends in a closed, hollow triangle at the general class. An open arrowhead on a solid line says that an association can be followed that way.";

    public override FindingExample Example => new(
        ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.Triangle, text: "{complete, disjoint}").Tie("Fixer", "Person", markTo: EndMark.Triangle).ToDrawing(),
        ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.OpenArrow, text: "{complete, disjoint}").Tie("Fixer", "Person", markTo: EndMark.OpenArrow).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.OpenTriangle;

    private protected override string Wants => "A hollow triangle at the general end.";

    private protected override string Headline(int places) => places == 1 ? "A generalisation has an open arrowhead." : $"{places} generalisations have open arrowheads.";
}
