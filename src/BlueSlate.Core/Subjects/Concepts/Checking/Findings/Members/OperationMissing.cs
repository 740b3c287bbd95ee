using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class OperationMissing : ConceptFindingKind
{
    public override string Code => "operation-missing";

    public override string Title => "Operation missing";

    public override string Help => "What the scenario wants a thing to do is an operation of its class.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Operation)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var (owner, operation) = evidence.ModelOperation(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Missing,
                    headline: $"“{operation.Name}” of {Phrasing.InText(owner.Name)} is missing.",
                    there: $"{owner.Name} has no operation {operation.Name}.",
                    wanted: $"{owner.Name} with {operation.Name}{FactList.SignatureOf(operation)}.",
                    why: $"As drawn, nobody can call {operation.Name} of {Phrasing.One(owner.Name)}."
                ) with
                {
                    Claims = evidence.BadFactsOf(operation.Id),
                };
            });
}
