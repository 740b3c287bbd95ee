using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class AbstractMissing : ConceptFindingKind
{
    public override string Code => "abstract-missing";

    public override string Title => "Abstract class not shown as such";

    public override string Help =>
        "A class that has no instances but those of its subclasses is abstract: its name is in italics.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Abstract)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                if (!evidence.IsModelEntity(verdict.Fact.ConceptId))
                {
                    return OfOperation(evidence, verdict);
                }

                var name = evidence.ModelEntity(verdict.Fact.ConceptId).Name;
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{name} is not shown as abstract.",
                    there: $"{name} is drawn as if there were some that are nothing more.",
                    wanted: $"The name {name} in italics, or {{abstract}} beside it.",
                    why: $"Whoever builds this could make {Phrasing.One(name)} that is of no subclass."
                );
            });

    private Finding OfOperation(Evidence evidence, Verdict verdict)
    {
        var (owner, operation) = evidence.ModelOperation(verdict.Fact.ConceptId);
        return AboutFact(
            verdict,
            Tag.Differs,
            headline: $"The operation {operation.Name} of {Phrasing.InText(owner.Name)} is not shown as abstract.",
            there: $"{Phrasing.Capital(operation.Name)} is drawn as if {Phrasing.InText(owner.Name)} itself did it.",
            wanted: $"The line of {operation.Name} of {Phrasing.InText(owner.Name)} in italics.",
            why: $"Whoever builds this would write one {operation.Name} for every {Phrasing.InText(owner.Name)}."
        );
    }
}
