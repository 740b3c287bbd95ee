using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationLooseAttribute : NotationFault
{
    public override string Code => "notation-loose-attribute";

    public override string Title => "Attribute tied to nothing";

    public override string Help => "An oval says something of what its line leads to.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        ExampleDrawings.Chained().Shape(Form.Oval, "colour", Outline.Single).ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.LooseAttribute;

    private protected override string Wants => "A line to the entity or relationship that it describes.";

    private protected override string Headline(int places) => places == 1 ? "An attribute is tied to nothing." : $"{places} attributes are tied to nothing.";
}
