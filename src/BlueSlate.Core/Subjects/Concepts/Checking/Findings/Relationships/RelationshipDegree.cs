using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class RelationshipDegree : ConceptFindingKind
{
    private const double AlikeVerb = 0.8;

    public override string Code => "relationship-degree";

    public override string Title => "Relationship of several drawn as relationships of two";

    public override string Help =>
        "Where one fact holds three things together, three lines between two at a time do not say it: put together "
        + "again, they make facts that never were.";

    public override int Rank => 18;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.Relationship)
            .Where(verdict => verdict.Kind == VerdictKind.Absent)
            .Select(verdict => evidence.ModelRelationship(verdict.Fact.ConceptId))
            .Where(relationship => relationship.Roles.Length > 2)
            .Select(relationship => (Wanted: relationship, Drawn: Between(relationship, evidence)))
            .Where(pair => pair.Drawn.Count > 1 || pair.Drawn is [var one] && SaysTheSame(evidence, pair.Wanted, one))
            .Select(pair =>
            {
                var names = pair.Wanted.Roles.Select(role => evidence.ModelEntity(role.EntityId).Name).ToList();
                var drawn = pair.Drawn.ConvertAll(evidence.NamedAsDrawn);
                return new Finding
                {
                    Id = IdFor(pair.Wanted.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline =
                        $"{Phrasing.Capital(Phrasing.List([.. names.Select(Phrasing.InText)]))} go together in one "
                        + "relationship, not two at a time.",
                    There =
                        drawn.Count == 1
                            ? $"One relationship of two: {drawn[0]}."
                            : $"{drawn.Count} relationships of two: {Phrasing.List(drawn)}.",
                    Wanted = $"One relationship of {names.Count}: {evidence.Named(pair.Wanted)}.",
                    Why =
                        "As drawn, two at a time are kept together, but not which "
                        + $"{Phrasing.List([.. names.Select(Phrasing.InText)])} belong to one and the same fact.",
                    Claims = evidence.BadFactsOf([pair.Wanted.Id, .. pair.Wanted.Roles.Select(role => role.Id)]),
                    Extras = [.. pair.Drawn.Select(relationship => relationship.Id)],
                    ModelElements = [pair.Wanted.Id],
                    AnswerElements = [.. pair.Drawn.Select(relationship => relationship.Id)],
                };
            });

    // Under the same verb, with one of the others left out.
    private static bool SaysTheSame(Evidence evidence, RelationshipType wanted, RelationshipType drawn) =>
        NameSimilarity.Of(Name.Of(wanted.Name), Name.Of(drawn.Name)).Value >= AlikeVerb;

    // The extra lines that join two of those that belong together.
    private static List<RelationshipType> Between(RelationshipType wanted, Evidence evidence)
    {
        var ends = wanted.Roles.Select(role => evidence.CounterpartOf(role.EntityId)?.Id).ToList();
        return
        [
            .. evidence
                .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Relationship)
                .Select(extra => evidence.AnswerRelationship(extra.AnswerId))
                .Where(relationship =>
                    relationship.Roles.Length == 2
                    && !relationship.IsRecursive
                    && relationship.Roles.All(role => ends.Contains(role.EntityId))
                ),
        ];
    }
}
