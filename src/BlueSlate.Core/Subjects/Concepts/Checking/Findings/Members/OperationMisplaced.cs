using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class OperationMisplaced : ConceptFindingKind
{
    public override string Code => "operation-misplaced";

    public override string Title => "Operation at the wrong class";

    public override string Help => "An operation belongs to the class whose instances are to do it.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Operation)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .Select(verdict =>
            {
                var (owner, operation) = evidence.ModelOperation(verdict.Fact.ConceptId);
                var there = evidence.AnswerEntity(evidence.Comparison.Correspondence.Members[operation.Id].AnswerOwnerId).Name;
                return AboutFact(
                    verdict,
                    Tag.Moved,
                    headline: $"“{operation.Name}” belongs to {Phrasing.InText(owner.Name)}.",
                    there: $"“{operation.Name}” is drawn at {there}.",
                    wanted: $"{owner.Name} with {operation.Name}.",
                    why: $"As drawn, {Phrasing.One(there)} is asked for {operation.Name}, which only {Phrasing.One(owner.Name)} can answer."
                );
            });
}
