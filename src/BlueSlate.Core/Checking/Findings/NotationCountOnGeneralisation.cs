using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationCountOnGeneralisation : NotationFault
{
    public override string Code => "notation-count-on-generalisation";

    public override string Title => "Multiplicity on a generalisation";

    public override string Help => "A generalisation says what something is, not how many there are.";

    public override FindingExample Example => new(
        ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.Triangle).Tie("Fixer", "Person", markTo: EndMark.Triangle).ToDrawing(),
        ExampleDrawings.Persons().Tie("Visitor", "Person", atTo: "1", markTo: EndMark.Triangle).Tie("Fixer", "Person", markTo: EndMark.Triangle).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.CountOnGeneralisation;

    private protected override string Wants => "No multiplicity.";

    private protected override string Headline(int places) => places == 1 ? "A generalisation carries a multiplicity." : $"{places} ends of generalisations carry a multiplicity.";
}
