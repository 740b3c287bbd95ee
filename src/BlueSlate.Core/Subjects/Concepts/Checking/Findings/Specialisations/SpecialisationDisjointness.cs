using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationDisjointness : ConceptFindingKind
{
    public override string Code => "specialisation-disjointness";

    public override string Title => "Disjoint and overlapping mixed up";

    public override string Help => "Ask: can one thing be both at once? If not, the subtypes are disjoint; if so, they overlap.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Disjoint)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var set = evidence.ModelSet(verdict.Fact.ConceptId);
                var super = evidence.ModelEntity(set.SupertypeId).Name;
                var one = Phrasing.One(super);
                var subs = Phrasing.List([
                    .. set.Subtypes.Select(link => Phrasing.InText(evidence.ModelEntity(link.EntityId).Name)),
                ]);
                var several = set.Subtypes.Length == 2 ? $"both {subs}" : $"several of {subs}";
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: verdict.Drawn.Length == 0 ? $"Nothing says whether {one} may be {several}."
                        : set.Disjoint == true ? $"There could be {one} that is {several}."
                        : $"{Phrasing.Capital(one)} that is {several} is ruled out.",
                    there: verdict.Drawn.Length > 0
                        ? $"{Phrasing.Capital(subs)} are drawn as {verdict.Drawn}."
                        : $"Nothing says whether the subtypes of {Phrasing.InText(super)} overlap.",
                    wanted: $"{Phrasing.Capital(verdict.Fact.Value)} beneath {super}.",
                    why: set.Disjoint == true
                        ? $"As drawn, {one} could be kept as {several} at once."
                        : $"As drawn, {one} that is {several} at once could not be kept as such."
                );
            });
}
