using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class ScopeNotShown : ConceptFindingKind
{
    public override string Code => "class-scope-not-shown";

    public override string Title => "Class scope not shown";

    public override string Help => "A member that belongs to the class as a whole, not to each instance, is underlined.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Scope)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var (owner, name) = evidence.ModelMember(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{Phrasing.Capital(name)} is not shown as belonging to {Phrasing.InText(owner.Name)} as a whole.",
                    there: verdict.Drawn.Length > 0
                        ? $"Drawn at {name}: {verdict.Drawn}."
                        : $"{Phrasing.Capital(name)} of {Phrasing.InText(owner.Name)} is not underlined.",
                    wanted: $"The line of {name} of {Phrasing.InText(owner.Name)} underlined.",
                    why: $"As drawn, every {Phrasing.InText(owner.Name)} would have {name} of its own."
                );
            });
}
