using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipMissing : ConceptFindingKind
{
    public override string Code => "relationship-missing";

    public override string Title => "Relationship missing";

    public override string Help => "Two things that the scenario ties together have no line between them.";

    public override int Rank => 45;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Relationship)
            .Where(verdict => verdict.Kind != VerdictKind.Wrong)
            .Select(verdict =>
            {
                var relationship = evidence.ModelRelationship(verdict.Fact.ConceptId);
                var names = relationship.Roles.Select(role => evidence.ModelEntity(role.EntityId).Name).ToList();
                var absent = relationship.Roles.FirstOrDefault(role =>
                    evidence.Comparison.On(FactKinds.Entity, role.EntityId) is { IsBad: true }
                );
                var isNamed = relationship.Name.Length > 0 || relationship.Roles.Any(role => role.Verb.Length > 0);
                var between = relationship.IsRecursive ? $"from {names[0]} to itself" : $"between {Phrasing.List(names)}";
                return new Finding
                {
                    Id = IdFor(relationship.Id),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline = isNamed
                        ? $"{Phrasing.Capital(evidence.Named(relationship))} is missing."
                        : $"A line {between} is missing.",
                    There =
                        "No line joins "
                        + $"{Phrasing.List([.. names.Distinct(StringComparer.Ordinal)])}{(relationship.IsRecursive ? " to itself" : "")}.",
                    Wanted = isNamed ? $"A relationship: {evidence.Named(relationship)}." : $"A relationship {between}.",
                    Why =
                        $"As drawn, nothing says which {Phrasing.Several(names[^1])} {Phrasing.One(names[0])} "
                        + $"{Phrasing.Verb(relationship, relationship.Roles[0])}.",
                    Claims = evidence.BadFactsOf(evidence.OwnIdsOf(relationship)),
                    ModelElements = [relationship.Id],
                    AnswerElements =
                    [
                        .. relationship
                            .Roles.Select(role => evidence.CounterpartOf(role.EntityId)?.Id)
                            .OfType<string>()
                            .Distinct(StringComparer.Ordinal),
                    ],
                    ConsequenceOf = absent is null ? null : evidence.RootOfMissing(absent.EntityId),
                };
            });
}
