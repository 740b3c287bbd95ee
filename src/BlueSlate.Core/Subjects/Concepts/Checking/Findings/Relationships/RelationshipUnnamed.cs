using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipUnnamed : ConceptFindingKind
{
    public override string Code => "relationship-unnamed";

    public override string Title => "Relationship without a name";

    public override string Help =>
        "A line says that two things go together but not how. Give it a verb that reads in both directions.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Named)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var names = relationship.Roles.Select(role => Phrasing.InText(evidence.ModelEntity(role.EntityId).Name)).ToList();
                return new Finding
                {
                    Id = IdFor(relationship.Id),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline = $"The line between {names[0]} and {names[^1]} has no name.",
                    There = $"A line without a text between {names[0]} and {names[^1]}.",
                    Wanted = $"A verb, such as “{Phrasing.Verb(relationship, relationship.Roles[0])}”.",
                    Why = $"A reader would have to guess what {Phrasing.One(names[0])} has to do with {Phrasing.One(names[^1])}.",
                    Claims = [verdict.Fact.Id],
                    ModelElements = [relationship.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });
}
