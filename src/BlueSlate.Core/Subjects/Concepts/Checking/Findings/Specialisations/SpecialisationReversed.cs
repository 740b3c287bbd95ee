using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Specialisations;

internal sealed class SpecialisationReversed : ConceptFindingKind
{
    public override string Code => "specialisation-reversed";

    public override string Title => "Specialisation the wrong way round";

    public override string Help =>
        "The triangle, and the open side of the cup, are at the supertype: the more general of the two.";

    public override int Rank => 12;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Subtype)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .GroupBy(verdict => evidence.ModelSet(verdict.Fact.ConceptId).Id)
            .Select(group =>
            {
                var (verdict, set) = (group.First(), evidence.ModelSet(group.Key));
                var super = evidence.ModelEntity(set.SupertypeId).Name;
                var sub = evidence.ModelEntity(set.Subtypes.First(link => link.Id == verdict.Fact.ConceptId).EntityId).Name;
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{Phrasing.Capital(Phrasing.One(sub))} is {Phrasing.One(super)}, not the other way round.",
                    there: $"Drawn so that every {Phrasing.InText(super)} is {Phrasing.One(sub)}.",
                    wanted: $"The general end at {super}.",
                    why: $"As drawn, {Phrasing.One(super)} that is no {Phrasing.InText(sub)} could not be kept."
                ) with
                {
                    Claims = [.. group.Select(one => one.Fact.Id), .. evidence.BadFactsOf(set.Id)],
                    ModelElements = [.. group.Select(one => one.Fact.ConceptId)],
                    AnswerElements = [.. group.Select(one => one.AnswerId!)],
                };
            });
}
