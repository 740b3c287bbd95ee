using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When a relationship, its kind and its ends are as wanted.</summary>
internal sealed class RelationshipRules(VerdictLookup look)
{
    public Verdict OnRelationship(Fact fact)
    {
        if (look.Correspondence.Relationships.TryGetValue(fact.ConceptId, out var match))
        {
            // Between two boxes for one thing it is not what was wanted.
            var atDuplicate = look
                .Answer.Relationships[match.AnswerId]
                .Roles.Any(role => look.Correspondence.Duplicates.ContainsKey(role.EntityId));
            return new Verdict(fact, atDuplicate ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, "");
        }

        if (look.Correspondence.Misdirected.TryGetValue(fact.ConceptId, out var misdirected))
        {
            return new Verdict(fact, VerdictKind.Wrong, misdirected.AnswerId, "");
        }

        var ownersDrawn = look
            .Model.Relationships[fact.ConceptId]
            .Roles.All(role => look.CounterpartOf(role.EntityId) is not null);
        return look.RestatedOr(fact, fact.ConceptId, ownersDrawn ? VerdictKind.Absent : VerdictKind.AbsentWithOwner);
    }

    public Verdict OnIdentifying(Fact fact)
    {
        if (look.AnswerRelationship(fact.ConceptId) is not { } drawn)
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        // A line that does not claim to identify does not.
        var wanted = look.Model.Relationships[fact.ConceptId].Identifying;
        var said = drawn.Identifying switch
        {
            true => "identifying",
            false => "not identifying",
            null => "unsaid",
        };
        var kind =
            drawn.Identifying == wanted || (drawn.Identifying is null && wanted == false) ? VerdictKind.Holds
            : drawn.Identifying is null ? VerdictKind.Absent
            : VerdictKind.Wrong;
        return new Verdict(fact, kind, drawn.Id, said);
    }

    public Verdict OnNamed(Fact fact)
    {
        if (look.AnswerRelationship(fact.ConceptId) is { } drawn)
        {
            // A line to a linking entity needs no name: that entity is the name.
            var needsNone = drawn.Roles.Any(role => look.Answer.Entities[role.EntityId].Kind == EntityKind.Associative);
            return new Verdict(fact, drawn.IsNamed || needsNone ? VerdictKind.Holds : VerdictKind.Absent, drawn.Id, "");
        }

        return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
    }

    public Verdict OnRoleName(Fact fact)
    {
        if (look.AnswerRole(fact.ConceptId) is { } role)
        {
            var said = role.Role.Length > 0 || role.Verb.Length > 0;
            return new Verdict(fact, said ? VerdictKind.Holds : VerdictKind.Absent, role.Id, role.Role);
        }

        return look.RestatedOr(fact, look.Model.Roles[fact.ConceptId].Relationship.Id, VerdictKind.AbsentWithOwner);
    }

    public Verdict OnEnd(Fact fact, Func<Count, int?> value)
    {
        var byRestatement = look.Correspondence.Restated.FirstOrDefault(match => match.Counts.ContainsKey(fact.ConceptId));
        if (byRestatement is not null)
        {
            var count = byRestatement.Counts[fact.ConceptId];
            return Judge(count.AnswerRoleId, value(count.CoOccurrence), VerdictKind.HoldsByRestatement);
        }

        if (look.Restated.Contains(fact.ConceptId))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        // The values may be right though the line ends at the wrong entity.
        return look.AnswerRole(fact.ConceptId) is not { } role ? new Verdict(fact, VerdictKind.AbsentWithOwner, null, "")
            : Judge(role.Id, value(role.CoOccurrence), VerdictKind.Holds) is { IsGood: true } good
            && !look.Correspondence.Relationships.ContainsKey(look.Model.Roles[fact.ConceptId].Relationship.Id)
                ? good with
                {
                    PartlyRight = true,
                }
            : Judge(role.Id, value(role.CoOccurrence), VerdictKind.Holds);

        Verdict Judge(string answerId, int? drawn, VerdictKind good)
        {
            var text = Count.Spell(drawn);
            var kind =
                text == fact.Value ? good
                : drawn is null ? VerdictKind.Absent
                : VerdictKind.Wrong;
            return new Verdict(fact, kind, answerId, text);
        }
    }

    public Verdict OnLinkKind(Fact fact)
    {
        if (look.AnswerRelationship(fact.ConceptId) is not { } drawn)
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = look.Model.Relationships[fact.ConceptId];
        var text = FactList.KindOf(drawn, look.Answer.Names);
        var right = wanted.Kind == drawn.Kind && (wanted.Kind == RelationshipKind.Association || DirectedAlike(wanted, drawn));
        return new Verdict(fact, right ? VerdictKind.Holds : VerdictKind.Wrong, drawn.Id, text)
        {
            InModelTerms = Drawings.Hyphens.Of(drawn.Kind),
        };
    }

    // The whole, or the target of an arrow, is at the same end.
    private bool DirectedAlike(RelationshipType wanted, RelationshipType drawn)
    {
        var head = wanted.WholeRoleId ?? wanted.Roles[1].Id;
        return look.AnswerRole(head)?.Id == (drawn.WholeRoleId ?? drawn.Roles[1].Id);
    }

    public Verdict OnExclusion(Fact fact)
    {
        var wanted = look
            .Model.Model.Exclusions.First(exclusion => exclusion.Id == fact.ConceptId)
            .RelationshipIds.Select(id => look.AnswerRelationship(id)?.Id)
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        var drawn = look.Answer.Model.Exclusions.FirstOrDefault(exclusion =>
            wanted.Count > 1 && wanted.SetEquals(exclusion.RelationshipIds)
        );
        return new Verdict(
            fact,
            drawn is not null ? VerdictKind.Holds
                : wanted.Count < 2 ? VerdictKind.AbsentWithOwner
                : VerdictKind.Absent,
            drawn?.Id ?? wanted.Order(StringComparer.Ordinal).FirstOrDefault(),
            ""
        );
    }
}
