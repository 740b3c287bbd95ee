using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class LooseLine : FormRule
{
    public override string Code => "loose-line";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options) =>
        reading.Remarks.SelectMany(remark =>
            remark.Kind switch
            {
                RemarkKind.LooseEnd => [Say("This line ends at nothing.", remark.ElementId)],
                RemarkKind.LoneDiamond => [Say("This relationship ties fewer than two.", remark.ElementId)],
                RemarkKind.LooseAttribute => [Say("This attribute belongs to nothing.", remark.ElementId)],
                RemarkKind.LoneCircle => new[] { Say("This circle ties no supertype with a subtype.", remark.ElementId) },
                _ => [],
            }
        );
}
