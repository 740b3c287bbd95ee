using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class VisibilityNotShown : ConceptFindingKind
{
    public override string Code => "visibility";

    public override string Title => "Visibility missing or another";

    public override string Help =>
        "A sign before a member says who may use it: + everybody, - the class, # its subclasses, ~ its package.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Visibility)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var (owner, name) = evidence.ModelMember(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{Phrasing.Capital(name)} of {Phrasing.InText(owner.Name)} has {Wrong(verdict, "visibility")}.",
                    there: verdict.Drawn.Length > 0
                        ? $"Drawn at {name} of {Phrasing.InText(owner.Name)}: {verdict.Drawn}."
                        : $"No sign stands before {name} of {Phrasing.InText(owner.Name)}.",
                    wanted: $"“{verdict.Fact.Value}” before {name} of {Phrasing.InText(owner.Name)}.",
                    why: $"Whoever builds {Phrasing.InText(owner.Name)} as drawn lets the wrong ones use {name}."
                );
            });
}
