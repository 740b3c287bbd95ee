using BlueSlate.Core.Concepts;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class NotationSolidTieOfClass : NotationFault
{
    public override string Code => "notation-solid-tie-of-class";

    public override string Title => "Association class tied by a solid line";

    public override string Help => "The line between an association and its class is dashed.";

    public override FindingExample Example => new(
        ExampleDrawings.Associated().Class("Handover", ["time"]).Line(new LineEnd(Attachment.ToShape("b3"), []), new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []), Stroke.Dashed).ToDrawing(),
        ExampleDrawings.Associated().Class("Handover", ["time"]).Line(new LineEnd(Attachment.ToShape("b3"), []), new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []), Stroke.Solid).ToDrawing())
    { Options = ExampleDrawings.Uml };

    private protected override RemarkKind Sort => RemarkKind.SolidTieOfClass;

    private protected override string Wants => "A dashed line.";

    private protected override string Headline(int places) => places == 1 ? "An association class is tied by a solid line." : $"{places} association classes are tied by a solid line.";
}
