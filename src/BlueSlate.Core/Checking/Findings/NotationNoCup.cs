using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationNoCup : NotationFault
{
    public override string Code => "notation-no-cup";

    public override string Title => "Subset symbol missing";

    public override string Help => "The cup on a line between circle and subtype says which way round it is: its open side is to the supertype.";

    public override FindingExample Example => new(
        ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing(),
        ExampleDrawings.People().Shape(Form.Circle, "d", Outline.Single).Tie("Person", "d").Tie("d", "Visitor").Tie("d", "Fixer").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.NoCup;

    private protected override string Wants => "A cup on every line to a subtype, open to the supertype.";

    private protected override string Headline(int places) => places == 1 ? "The lines at a circle carry no cup." : $"The lines at {places} circles carry no cup.";
}
