using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributeFormNotShown : ConceptFindingKind
{
    public override string Code => "attribute-form-not-shown";

    public override string Title => "Several values, derived or optional not shown";

    public override string Help =>
        "The attribute is drawn, but not that it may have several values, that it is worked out from others, or that it may be absent.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Verdicts.Where(verdict =>
                verdict.Kind == VerdictKind.Wrong
                && verdict.Fact.Kind is MultivaluedFact or DerivedFact or OptionalFact
                && verdict.IsBad
                && verdict.AnswerId is not null
            )
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var (name, one) = (Phrasing.InText(attribute.Name), Phrasing.One(owner.Name));
                var at = $"{name} of {Phrasing.InText(owner.Name)}";
                var (form, headline, why) = verdict.Fact.Kind switch
                {
                    MultivaluedFact => (
                        AttributeForm.Several,
                        $"{Phrasing.Capital(at)} is not shown as having several values.",
                        $"As drawn, a second one of {one}'s {Phrasing.Several(attribute.Name)} could not be kept."
                    ),
                    DerivedFact => (
                        AttributeForm.Derived,
                        $"{Phrasing.Capital(at)} is not shown as derived.",
                        $"Whoever builds this would store the {name} of {one}, and it would go stale."
                    ),
                    _ => (
                        AttributeForm.Optional,
                        $"{Phrasing.Capital(at)} is not shown as optional.",
                        $"As drawn, nobody without {Phrasing.One(attribute.Name)} could be kept as {one}."
                    ),
                };
                return new Finding
                {
                    Id = IdFor(verdict.Fact.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = headline,
                    There = $"{Phrasing.Capital(at)} is drawn as one plain value.",
                    Wanted = $"{Notation.Of(evidence.Comparison.Options.Notation).SignOf(form)} {at}.",
                    Why = why,
                    Claims = [verdict.Fact.Id],
                    ModelElements = [attribute.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });
}
