using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationTotality : ConceptFindingKind
{
    public override string Code => "specialisation-totality";

    public override string Title => "Total and partial mixed up";

    public override string Help =>
        "Ask: is there one that is none of the subtypes? If not, the specialisation is total; if so, it is partial.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Total)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var set = evidence.ModelSet(verdict.Fact.ConceptId);
                var super = evidence.ModelEntity(set.SupertypeId).Name;
                var one = Phrasing.One(super);
                var subs = Phrasing.List([
                    .. set.Subtypes.Select(link => Phrasing.InText(evidence.ModelEntity(link.EntityId).Name)),
                ]);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: set.Total == true
                        ? $"Every {Phrasing.InText(super)} is one of {subs}."
                        : $"{Phrasing.Capital(one)} may be none of {subs}.",
                    there: verdict.Drawn.Length > 0
                        ? $"The division of {Phrasing.InText(super)} into {subs} is drawn as {verdict.Drawn}."
                        : $"Nothing says whether {one} must be one of the subtypes.",
                    wanted: $"A {verdict.Fact.Value} division of {Phrasing.InText(super)}.",
                    why: set.Total == true
                        ? $"As drawn, {one} that is none of {subs} could be kept."
                        : $"As drawn, {one} that is none of {subs} could not be kept."
                );
            });
}
