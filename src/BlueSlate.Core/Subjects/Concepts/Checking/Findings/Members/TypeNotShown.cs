using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Members;

internal sealed class TypeNotShown : ConceptFindingKind
{
    public override string Code => "type";

    public override string Title => "Type missing or another";

    public override string Help => "A type after the colon says what values an attribute has.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Type)
            .Where(verdict => verdict.AnswerId is not null)
            .Select(verdict =>
            {
                var (owner, name) = evidence.ModelMember(verdict.Fact.ConceptId);
                return AboutFact(
                    verdict,
                    Tag.Differs,
                    headline: $"{Phrasing.Capital(name)} of {Phrasing.InText(owner.Name)} has {Wrong(verdict, "type")}.",
                    there: verdict.Drawn.Length > 0
                        ? $"Drawn at {name} of {Phrasing.InText(owner.Name)}: {verdict.Drawn}."
                        : $"No type follows {name} of {Phrasing.InText(owner.Name)}.",
                    wanted: $"{Phrasing.Capital(verdict.Fact.Value)} after the colon of {name} of {Phrasing.InText(owner.Name)}.",
                    why: $"Whoever builds {Phrasing.InText(owner.Name)} as drawn keeps another sort of value in {name}."
                );
            });
}
