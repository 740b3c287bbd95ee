using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignUnderline : NotationFault
{
    public override string Code => "notation-foreign-underline";

    public override string Title => "Underlined key";

    public override string Help => "Crow's foot notation marks a key with PK before its name; a solid underline belongs to another notation.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, Underlined());

    private static Drawing Underlined()
    {
        var sheet = ExampleDrawings.Conceptual.Sheets[0];
        var box = sheet.Shapes[0];
        var key = box.Compartments[0][0] with { Mark = "", Underline = Underline.Solid };
        return new Drawing([sheet with { Shapes = sheet.Shapes.SetItem(0, box with { Compartments = [box.Compartments[0].SetItem(0, key)] }) }]);
    }

    private protected override RemarkKind Sort => RemarkKind.ForeignUnderline;

    private protected override string Wants => "PK before the name.";

    private protected override string Headline(int places) => places == 1 ? "A key is underlined in place of its mark." : $"{places} keys are underlined in place of their marks.";
}
