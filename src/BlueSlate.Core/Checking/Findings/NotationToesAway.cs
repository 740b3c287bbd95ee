using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationToesAway : NotationFault
{
    public override string Code => "notation-toes-away";

    public override string Title => "Foot turned away from the box";

    public override string Help => "The toes of a crow's foot rest on the box of which there may be many.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.FootOutward, EndMark.Bar));

    private protected override RemarkKind Sort => RemarkKind.ToesAway;

    private protected override string Wants => "The toes on the box.";

    private protected override string Headline(int places) => places == 1 ? "A foot has its toes turned away from the box." : $"{places} feet have their toes turned away from the box.";
}
