using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When attributes, their forms and their parts are as wanted.</summary>
internal sealed class AttributeRules(VerdictLookup look)
{
    public Verdict OnAttribute(Fact fact)
    {
        if (look.Correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(
                fact,
                match.Moved ? VerdictKind.Wrong : VerdictKind.Holds,
                match.AnswerId,
                look.Answer.Attribute(match.AnswerId).Attribute.Name
            );
        }

        if (look.Restated.Contains(fact.ConceptId))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
        }

        // In a box of its own it is there, though not as what it is.
        if (look.Correspondence.Promoted.TryGetValue(fact.ConceptId, out var box))
        {
            return new Verdict(fact, VerdictKind.Wrong, box, look.Answer.Entities[box].Name, PartlyRight: true);
        }

        if (!look.Model.AttributesOfEntities.TryGetValue(fact.ConceptId, out var pair))
        {
            var relationship = look.Model.Relationships.Values.First(candidate =>
                candidate.Attributes.Any(attribute => attribute.Id == fact.ConceptId)
            );
            return (look.AnswerRelationship(relationship.Id)?.Id ?? RestatedBy(relationship.Id)) is { } drawn
                ? new Verdict(fact, VerdictKind.Absent, drawn, "")
                : look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        return (look.CounterpartOf(pair.Owner.Id)?.Id ?? RestatedBy(pair.Owner.Id)) is { } entity
            ? new Verdict(fact, VerdictKind.Absent, entity, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }

    // What is drawn in an owner's stead, and can hold attributes.
    private string? RestatedBy(string ownerId) =>
        look
            .Correspondence.Restated.SelectMany(match => match.Owners)
            .Where(owner => owner.Model == ownerId)
            .Select(owner => owner.Answer)
            .FirstOrDefault();

    public Verdict OnForm(Fact fact, Func<ConceptAttribute, bool> shown)
    {
        if (!look.Correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        // In a box of its own, which need not be there, a value that may be absent is always present.
        if (
            fact.Kind == FactKinds.Optional
            && !match.Moved
            && look.Correspondence.Restated.Any(used => used.Owners.Any(owner => owner.Answer == match.AnswerOwnerId))
        )
        {
            return new Verdict(fact, VerdictKind.HoldsByRestatement, match.AnswerId, fact.Value);
        }

        var holds = shown(look.Answer.Attribute(match.AnswerId).Attribute);
        return new Verdict(
            fact,
            holds ? VerdictKind.Holds : VerdictKind.Wrong,
            match.AnswerId,
            holds ? fact.Value : VerdictLookup.NotShown
        );
    }

    public Verdict OnPart(Fact fact)
    {
        if (look.Correspondence.Parts.TryGetValue(fact.ConceptId, out var part))
        {
            return new Verdict(fact, VerdictKind.Holds, part, fact.Value);
        }

        if (look.Restated.Contains(fact.ConceptId))
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
        }

        var whole = look.Model.Part(fact.ConceptId).Whole;
        return look.Correspondence.Attributes.TryGetValue(whole.Id, out var match)
            ? new Verdict(fact, VerdictKind.Absent, match.AnswerId, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }
}
