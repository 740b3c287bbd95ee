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
                var names = set.Subtypes.Select(link => Phrasing.InText(evidence.ModelEntity(link.EntityId).Name)).ToList();
                var subs = Phrasing.List(names);
                var none = names.Count == 2 ? $"neither {names[0]} nor {names[1]}" : $"none of {subs}";
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: verdict.Drawn.Length == 0 ? $"Nothing says whether there is {one} that is {none}."
                        : set.Total == true ? $"There could be {one} that is {none}."
                        : $"{Phrasing.Capital(one)} that is {none} is ruled out.",
                    there: verdict.Drawn.Length > 0
                        ? $"The division of {Phrasing.InText(super)} into {subs} is drawn as {verdict.Drawn}."
                        : $"Nothing says whether {one} must be one of the subtypes.",
                    wanted: $"A {verdict.Fact.Value} division of {Phrasing.InText(super)}.",
                    why: set.Total == true
                        ? $"As drawn, {one} that is {none} could be kept."
                        : $"As drawn, {one} that is {none} could not be kept."
                );
            });
}
