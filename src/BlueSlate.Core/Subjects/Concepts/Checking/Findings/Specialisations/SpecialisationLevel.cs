using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationLevel : ConceptFindingKind
{
    public override string Code => "specialisation-level";

    public override string Title => "Subtype at another level";

    public override string Help =>
        "Subtypes can have subtypes of their own. Each hangs directly beneath the nearest thing that all of its "
        + "instances are: not beneath the most general one, nor beneath a narrower one.";

    public override int Rank => 40;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        WrongSupertype
            .In(evidence)
            .Where(wrong => wrong.IsOfTheSameLine(evidence))
            .Select(wrong =>
                wrong.ToFinding(
                    this,
                    $"{wrong.SubtypesAre(evidence, "hangs", "hang")} directly beneath "
                        + $"{Phrasing.InText(wrong.Supertype.Name)}, not beneath {Phrasing.InText(wrong.Drawn.Name)}.",
                    $"Whoever builds this would not know of {wrong.SubtypesAre(evidence, "exactly", "exactly")} what is "
                        + $"known of {Phrasing.One(wrong.Supertype.Name)}.",
                    evidence
                )
            );
}
