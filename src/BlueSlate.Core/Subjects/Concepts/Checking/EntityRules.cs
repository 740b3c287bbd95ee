using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When an entity, its kind and what a class says of itself are as wanted.</summary>
internal sealed class EntityRules(VerdictLookup look)
{
    public Verdict OnEntity(Fact fact) =>
        look.Correspondence.Entities.TryGetValue(fact.ConceptId, out var match)
            ? new Verdict(fact, VerdictKind.Holds, match.AnswerId, look.Answer.Entities[match.AnswerId].Name)
            : look.RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);

    public Verdict OnKind(Fact fact)
    {
        if (look.Restated.Contains(fact.ConceptId) || look.CounterpartOf(fact.ConceptId) is not { } entity)
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = look.Model.Entities[fact.ConceptId].Kind;
        var holds =
            entity.Kind == wanted
            || (wanted == EntityKind.Associative && LinksItsParents(fact.ConceptId))
            || (wanted == EntityKind.Weak && entity.Primary is { Partial: false } && HangsOnItsOwner(entity));
        return new Verdict(fact, holds ? VerdictKind.Holds : VerdictKind.Wrong, entity.Id, FactList.KindOf(entity.Kind));
    }

    // With an identifying line to one owner an entity is seen to be weak, whatever its key is marked as.
    private bool HangsOnItsOwner(EntityType entity) =>
        look
            .Answer.Model.RelationshipsOf(entity.Id)
            .Any(relationship =>
                relationship is { Identifying: true, Roles.Length: 2, IsRecursive: false, DependentRoleId: { } dependent }
                && relationship.Roles.First(role => role.Id == dependent) is var own
                && own.EntityId == entity.Id
                && relationship.Other(own).CoOccurrence.Max == 1
            );

    // An entity that is joined to both parents as wanted is seen to link them, whatever its corners look like.
    private bool LinksItsParents(string modelEntityId) =>
        look.Model.Relationships.Values.Where(relationship => relationship.Roles.Any(role => role.EntityId == modelEntityId))
            .Count(relationship => look.Correspondence.Relationships.ContainsKey(relationship.Id)) >= 2;

    public Verdict OnClassText(Fact fact, Func<EntityType, string> said) =>
        look.CounterpartOf(fact.ConceptId) is { } entity
            ? VerdictLookup.Judge(fact, entity.Id, said(entity), VerdictLookup.Equal)
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
}
