using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignStereotype : NotationFault
{
    public override string Code => "notation-foreign-stereotype";

    public override string Title => "Stereotype that is not in use";

    public override string Help => "The part lists the stereotypes that may be used.";

    public override FindingExample Example => new(
        ExampleDrawings.Associated().ToDrawing(),
        new Sketch().Class("Visit", ["visitNo", "date"]).Class("«screen» Item", ["itemNo", "fault"]).Tie("Visit", "«screen» Item", Stroke.Solid, "brings in", "1", "1..*").ToDrawing())
    { Options = ExampleDrawings.Uml with { Stereotypes = ["boundary", "control"] } };

    private protected override RemarkKind Sort => RemarkKind.ForeignStereotype;

    private protected override string Wants => "One of the stereotypes of this exercise, or none.";

    private protected override string Headline(int places) => places == 1 ? "A class has a stereotype that is not in use here." : $"{places} classes have stereotypes that are not in use here.";
}
