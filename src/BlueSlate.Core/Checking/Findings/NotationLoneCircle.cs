using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationLoneCircle : NotationFault
{
    public override string Code => "notation-lone-circle";

    public override string Title => "Circle that joins nothing";

    public override string Help => "A circle stands between a supertype and its subtypes.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Chained().Shape(Form.Circle, "d", Outline.Single).Tie("Visit", "d").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.LoneCircle;

    private protected override string Wants => "A line to the supertype and one to each subtype.";

    private protected override string Headline(int places) => places == 1 ? "A circle joins fewer than two entities." : $"{places} circles join fewer than two entities.";
}
