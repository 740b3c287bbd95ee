using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationLoneDiamond : NotationFault
{
    public override string Code => "notation-lone-diamond";

    public override string Title => "Diamond that joins nothing";

    public override string Help => "A relationship joins at least two, or one with itself by two lines.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Chained().Shape(Form.Diamond, "pays", Outline.Single).Tie("Visit", "pays").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.LoneDiamond;

    private protected override string Wants => "A line to every entity that takes part.";

    private protected override string Headline(int places) => places == 1 ? "A diamond joins fewer than two entities." : $"{places} diamonds join fewer than two entities.";
}
