using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationForeignEndSymbol : NotationFault
{
    public override string Code => "notation-foreign-end-symbol";

    public override string Title => "Line end of another notation";

    public override string Help => "Triangles, diamonds and crosses at a line's end belong to other notations and say nothing here.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Foot, EndMark.Bar, EndMark.Diamond));

    private protected override RemarkKind Sort => RemarkKind.ForeignEndSymbol;

    private protected override string Wants => "Bars, rings and feet only.";

    private protected override string Headline(int places) => places == 1 ? "An end carries a symbol of another notation." : $"{places} ends carry symbols of another notation.";
}
