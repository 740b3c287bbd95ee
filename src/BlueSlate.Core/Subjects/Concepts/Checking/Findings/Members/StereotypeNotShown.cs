using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class StereotypeNotShown : ConceptFindingKind
{
    public override string Code => "stereotype-not-shown";

    public override string Title => "Stereotype missing or another";

    public override string Help => "A stereotype in guillemets above the name says what sort of class this is.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Stereotype)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var name = evidence.ModelEntity(verdict.Fact.ConceptId).Name;
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{name} has {Wrong(verdict, "stereotype")}.",
                    there: verdict.Drawn.Length > 0
                        ? $"{name} has “{verdict.Drawn}”."
                        : $"Nothing stands in guillemets above {name}.",
                    wanted: $"“{verdict.Fact.Value}” in guillemets above {name}.",
                    why: $"Whoever builds this would not know what sort of class {name} is."
                );
            });
}
