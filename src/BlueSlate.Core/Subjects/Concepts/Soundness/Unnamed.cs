using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class Unnamed : FormRule
{
    public override string Code => "unnamed";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options) =>
        reading
            .Model.Entities.Where(entity => entity.Name.Trim().Length == 0)
            .Select(entity => Say("This box has no name.", entity.Id));
}
