using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationDiamondToDiamond : NotationFault
{
    public override string Code => "notation-diamond-to-diamond";

    public override string Title => "Line between two relationships";

    public override string Help => "Relationships join entities. Where one depends on another, the other is to be an associative entity.";

    public override FindingExample Example => new(
        new Sketch().Box("Visit").Oval("Visit", "visit no", Underline.Solid).Box("Item").Oval("Item", "item no", Underline.Solid).Box("Fixer").Oval("Fixer", "badge no", Underline.Solid)
            .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true)).Diamond("looks at", Outline.Single, ("Fixer", "1", false), ("Item", "N", false)).ToDrawing(),
        new Sketch().Box("Visit").Oval("Visit", "visit no", Underline.Solid).Box("Item").Oval("Item", "item no", Underline.Solid).Box("Fixer").Oval("Fixer", "badge no", Underline.Solid)
            .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true)).Diamond("looks at", Outline.Single, ("Fixer", "1", false), ("Item", "N", false)).Tie("brings in", "looks at").ToDrawing())
    { Options = ExampleDrawings.Chen };

    private protected override RemarkKind Sort => RemarkKind.DiamondToDiamond;

    private protected override string Wants => "Lines to entities only.";

    private protected override string Headline(int places) => places == 1 ? "A line joins two relationships." : $"{places} lines join two relationships.";
}
