using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class NeverPopulated : FormRule
{
    public override string Code => "never-populated";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options)
    {
        var never = FinitePopulation.Of(reading.Model).Never;
        return reading
            .Model.Entities.Where(entity => never.Contains(entity.Id))
            .Select(entity =>
                Say(
                    $"As drawn there can never be a single {NameOf(entity)}: what its lines demand cannot all hold of a "
                        + "finite number of things.",
                    entity.Id
                )
            );
    }
}
