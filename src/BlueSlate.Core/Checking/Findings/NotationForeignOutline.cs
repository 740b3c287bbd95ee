using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignOutline : NotationFault
{
    public override string Code => "notation-foreign-outline";

    public override string Title => "Double or dashed outline";

    public override string Help => "Crow's foot notation has boxes with one plain outline; what is weak is shown by its key and its line.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, WithOutline(Outline.Dashed));

    private static Drawing WithOutline(Outline outline)
    {
        var sheet = ExampleDrawings.Conceptual.Sheets[0];
        return new Drawing([sheet with { Shapes = sheet.Shapes.SetItem(1, sheet.Shapes[1] with { Outline = outline }) }]);
    }

    private protected override RemarkKind Sort => RemarkKind.ForeignOutline;

    private protected override string Wants => "One plain outline.";

    private protected override string Headline(int places) => places == 1 ? "A box has an outline of another notation." : $"{places} boxes have an outline of another notation.";
}
