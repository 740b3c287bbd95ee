using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationListedAttributes : NotationFault
{
    public override string Code => "notation-listed-attributes";

    public override string Title => "Attributes listed in the box";

    public override string Help => "In Chen's notation an attribute is an oval of its own, tied to its entity.";

    public override FindingExample Example => new(
        ExampleDrawings.Chained().ToDrawing(),
        new Sketch().Box("Visit").Oval("Visit", "visit no", Underline.Solid).Oval("Visit", "date").Box("Item", "fault").Oval("Item", "item no", Underline.Solid)
            .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true)).ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.ListedAttributes;

    private protected override string Wants => "An oval for each attribute.";

    private protected override string Headline(int places) => places == 1 ? "A box lists its attributes inside." : $"{places} boxes list their attributes inside.";
}
