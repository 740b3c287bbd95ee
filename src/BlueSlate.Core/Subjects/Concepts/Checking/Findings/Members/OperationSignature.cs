using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class OperationSignature : ConceptFindingKind
{
    public override string Code => "operation-signature";

    public override string Title => "Wrong parameters or return type";

    public override string Help => "A signature lists what the operation is given and the type of what it gives back.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Signature)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .Select(verdict =>
            {
                var (owner, operation) = evidence.ModelOperation(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"“{operation.Name}” of {Phrasing.InText(owner.Name)} has another signature.",
                    there: $"Drawn at {owner.Name}: {operation.Name}{verdict.Drawn}.",
                    wanted: $"“{operation.Name}{verdict.Fact.Value}” at {owner.Name}.",
                    why: $"Whoever calls {operation.Name} as drawn gives it the wrong things, or expects the wrong thing "
                        + $"back from {Phrasing.One(owner.Name)}."
                );
            });
}
