using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class TiedToRelationship : FormRule
{
    public override string Code => "tied-to-relationship";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options) =>
        reading
            .Remarks.Where(remark => remark.Kind is RemarkKind.DiamondToDiamond or RemarkKind.LineToLine)
            .Select(remark => Say("A relationship is tied to a relationship; it ties things.", remark.ElementId));
}
