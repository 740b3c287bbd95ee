using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationTooManyMarks : NotationFault
{
    public override string Code => "notation-too-many-marks";

    public override string Title => "Too many marks at an end";

    public override string Help => "An end has two marks: one for the most, one for the least.";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Foot, EndMark.Bar, EndMark.Ring));

    private protected override RemarkKind Sort => RemarkKind.TooManyMarks;

    private protected override string Wants => "One mark for the most, one for the least.";

    private protected override string Headline(int places) => places == 1 ? "An end has more marks than it can say." : $"{places} ends have more marks than they can say.";
}
