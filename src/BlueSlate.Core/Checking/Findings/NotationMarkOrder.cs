using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationMarkOrder : NotationFault
{
    public override string Code => "notation-mark-order";

    public override string Title => "Marks of an end in the wrong order";

    public override string Help => "Nearest the box stands the maximum, behind it the minimum. A ring nearest the box is read as the minimum all the same.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Bar, EndMark.Foot));

    private protected override RemarkKind Sort => RemarkKind.MarkOrder;

    private protected override string Wants => "Nearest the box the most, behind it the least.";

    private protected override string Headline(int places) => places == 1 ? "An end has its marks in the wrong order." : $"{places} ends have their marks in the wrong order.";
}
