using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// The rules about an answer's drawing as a whole: what holds all over it, and what must not be there. A drawing that shows
/// little of the exercise neither keeps nor breaks them.
/// </summary>
internal sealed class WholeDrawingRules(ConceptModel model, Reading answer, Correspondence correspondence, bool showsLittle)
{
    private const double AlikeName = 0.85;

    private readonly ConceptModel drawn = answer.Model;

    // One breach is half of keeping a rule.
    public Verdict OnBreaches(Fact fact, IReadOnlyList<string> breaches) =>
        breaches.Count > 0
            ? new Verdict(fact, VerdictKind.Wrong, breaches[0], "", breaches.Count == 1 && !showsLittle)
            : Kept(fact);

    public Verdict OnAbsence(Fact fact, string? found) =>
        found is { } at ? new Verdict(fact, VerdictKind.Wrong, at, "") : Kept(fact);

    private Verdict Kept(Fact fact) => new(fact, showsLittle ? VerdictKind.Absent : VerdictKind.Holds, null, "");

    public Verdict OnNoForeignKeys(Fact fact)
    {
        var keys = drawn
            .Entities.SelectMany(entity => entity.Attributes)
            .Where(attribute => attribute.ForeignKey is not null || correspondence.InDisguise.Contains(attribute.Id))
            .ToList();
        return keys.Count > 0
            ? new Verdict(fact, VerdictKind.Wrong, keys[0].Id, string.Join(", ", keys.Select(attribute => attribute.Name)))
            : Kept(fact);
    }

    public Verdict OnOwnNotation(Fact fact)
    {
        var faults = answer.Remarks.Select(remark => remark.Kind).Distinct().Count();
        return faults > 0
            ? new Verdict(fact, VerdictKind.Wrong, answer.Remarks[0].ElementId, $"{faults} kinds of fault", faults == 1)
            : Kept(fact);
    }

    // Diamonds, arrows and lines to a linking entity need no name.
    public IReadOnlyList<string> Unnamed() =>
        Ids(
            drawn.Relationships.Where(relationship =>
                !relationship.IsNamed
                && relationship.Kind == RelationshipKind.Association
                && relationship.EntityId is null
                && !relationship.Roles.Any(role => drawn.Entity(role.EntityId).Kind == EntityKind.Associative)
            )
        );

    public IReadOnlyList<string> Incomplete() =>
        [
            .. drawn
                .Relationships.Where(relationship =>
                    relationship.Kind
                        is RelationshipKind.Association
                            or RelationshipKind.Aggregation
                            or RelationshipKind.Composition
                )
                .SelectMany(relationship =>
                    relationship.Roles.Where(role =>
                        role.CoOccurrence.Max is null || (relationship.Roles.Length == 2 && role.CoOccurrence.Min is null)
                    )
                )
                .Select(role => role.Id),
        ];

    public IReadOnlyList<string> WrongStroke() =>
        Ids(
            drawn.Relationships.Where(relationship =>
                relationship.Identifying == false && drawn.Entities.Any(entity => WantsIdentifying(entity, relationship))
            )
        );

    // A weak entity with a partial key that hangs on this relationship, and that none identifies.
    private bool WantsIdentifying(EntityType entity, RelationshipType relationship) =>
        entity.Kind == EntityKind.Weak
        && entity.Identifiers.Any(identifier => identifier.Partial)
        && relationship.DependentRoleId is { } dependent
        && relationship.Roles.Any(role => role.Id == dependent && role.EntityId == entity.Id)
        && !drawn.RelationshipsOf(entity.Id).Any(other => other.Identifying == true);

    public IReadOnlyList<string> Untyped() =>
        [
            .. drawn
                .Entities.SelectMany(entity => entity.Attributes)
                .Where(attribute => attribute.Type.Length == 0)
                .Select(attribute => attribute.Id),
        ];

    public IReadOnlyList<string> OtherVisibilities() => VisibilityText.Breaches(model, drawn);

    private static List<string> Ids(IEnumerable<RelationshipType> relationships) =>
        [.. relationships.Select(relationship => relationship.Id)];

    public string? FurtherBetween(string pair)
    {
        var ends = pair.Split('+').Select(CounterpartOf).ToList();
        var used = correspondence
            .Relationships.Values.Select(match => match.AnswerId)
            .Concat(correspondence.Restated.SelectMany(match => match.Uses))
            .ToHashSet(StringComparer.Ordinal);
        return ends.Contains(null)
            ? null
            : drawn
                .Relationships.FirstOrDefault(relationship =>
                    !used.Contains(relationship.Id)
                    && ends.All(end => relationship.Roles.Any(role => role.EntityId == end))
                    && (ends[0] != ends[1] || relationship.IsRecursive)
                )
                ?.Id;
    }

    public string? AttributeLike(Fact fact)
    {
        if (CounterpartOf(fact.ConceptId) is not { } id)
        {
            return null;
        }

        var (entity, wanted) = (drawn.Entity(id), Name.Of(fact.Value));
        var owner = Name.Of(entity.Name);
        return entity
            .Attributes.FirstOrDefault(attribute =>
                NameSimilarity.OfAttributes(wanted, owner, Name.Of(attribute.Name), owner).Value >= AlikeName
            )
            ?.Id;
    }

    private string? CounterpartOf(string modelEntityId) => correspondence.Entities.GetValueOrDefault(modelEntityId)?.AnswerId;
}
