using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Attributes;

internal sealed class AttributeMissing : ConceptFindingKind
{
    public override string Code => "attribute-missing";

    public override string Title => "Attribute missing";

    public override string Help =>
        "A fact that the scenario wants kept has no line in its box. Read the scenario again for every value that is "
        + "noted, recorded or given.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Attribute)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var (owner, attribute) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var drawn = evidence.AnswerEntity(verdict.AnswerId!);
                // What stands for a relationship is called as that reads.
                var drawnAs = drawn.Name.Trim().Contains(' ', StringComparison.Ordinal) ? $"“{drawn.Name}”" : drawn.Name;
                var lines = drawn.Attributes.Select(line => Phrasing.InText(line.Name)).ToList();
                return new Finding
                {
                    Id = IdFor(attribute.Id),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline =
                        $"{Phrasing.Capital(Phrasing.InText(attribute.Name))} of {Phrasing.InText(owner.Name)} is missing.",
                    There = lines.Count == 0 ? $"{drawnAs} has no attributes." : $"{drawnAs} has {Phrasing.List(lines)}.",
                    Wanted = $"{Phrasing.Capital(Phrasing.One(attribute.Name))} as well.",
                    Why = $"As drawn, there is nowhere to keep {Phrasing.One(owner.Name)}'s {Phrasing.InText(attribute.Name)}.",
                    Claims = evidence.BadFactsOf(attribute.OwnIds),
                    ModelElements = [attribute.Id],
                    AnswerElements = [drawn.Id],
                    ConsequenceOf = RootOf(evidence, owner, attribute),
                };
            });

    // Without the attribute that is the key there is no key; that is one mistake.
    private static string? RootOf(Evidence evidence, EntityType owner, ConceptAttribute attribute) =>
        owner.Primary?.AttributeIds.Contains(attribute.Id) != true ? null
        : evidence.Comparison.On(FactKinds.Key, owner.Id) is { Kind: VerdictKind.Absent } ? $"key-missing:{owner.Id}"
        : null;
}
