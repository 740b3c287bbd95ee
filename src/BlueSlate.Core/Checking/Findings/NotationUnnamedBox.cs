using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationUnnamedBox : NotationFault
{
    public override string Code => "notation-unnamed-box";

    public override string Title => "Box without a name";

    public override string Help => "Every entity has a name, a singular noun.";

    public override FindingExample Example => new(Named("Item"), Named(""));

    private static Drawing Named(string name) => new Sketch().Box("Visit", ExampleDrawings.Visit).Box(name, ExampleDrawings.Item)
        .Line("Visit", Ends.One, name, Ends.OneOrMore, "brings in", "comes in on").ToDrawing();

    private protected override RemarkKind Sort => RemarkKind.UnnamedBox;

    private protected override string Wants => "A singular noun.";

    private protected override string Headline(int places) => places == 1 ? "A box has no name." : $"{places} boxes have no name.";
}
