using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationWrongSupertype : ConceptFindingKind
{
    public override string Code => "specialisation-wrong-supertype";

    public override string Title => "Subtype beneath the wrong supertype";

    public override string Help =>
        "A subtype hangs beneath what each of its instances also is. Ask of every one: is each of these one of those?";

    public override int Rank => 40;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        WrongSupertype
            .In(evidence)
            .Where(wrong => !wrong.IsOfTheSameLine(evidence))
            .Select(wrong =>
                wrong.ToFinding(
                    this,
                    $"{wrong.SubtypesAre(evidence, "is", "are")} "
                        + $"{Said(wrong, wrong.Supertype)}, not {Said(wrong, wrong.Drawn)}.",
                    $"As drawn, {wrong.SubtypesAre(evidence, "would have", "would have")} all that "
                        + $"{Phrasing.One(wrong.Drawn.Name)} has, and nothing of what every "
                        + $"{Phrasing.InText(wrong.Supertype.Name)} has.",
                    evidence
                )
            );

    private static string Said(WrongSupertype wrong, EntityType entity) =>
        wrong.Missing.Length == 1 ? Phrasing.One(entity.Name) : Phrasing.Several(entity.Name);
}
