using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When keys are as wanted: a key is a set of attributes and of owners, and an entity may have several.</summary>
internal sealed class KeyRules(VerdictLookup look)
{
    /// <summary>What stands among the accepted values of a key where any number of its own will do.</summary>
    public const string OwnNumber = "own number";

    public Verdict OnKey(Fact fact)
    {
        if (look.CounterpartOf(fact.ConceptId) is not { } entity)
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = look.Model.Entities[fact.ConceptId];
        var key = wanted.Primary!;
        var drawn = entity.Primary;
        var text = drawn is null ? "" : MembersText(entity, drawn);
        if (key.AttributeIds.IsEmpty)
        {
            var whole = drawn is null || drawn.AttributeIds.All(id => look.Answer.Attribute(id).Attribute.ForeignKey is not null);
            return new Verdict(fact, whole ? VerdictKind.Holds : VerdictKind.Wrong, entity.Id, text);
        }

        if (drawn is null || drawn.AttributeIds.IsEmpty)
        {
            return new Verdict(fact, Inherits(wanted, key) ? VerdictKind.Tolerated : VerdictKind.Absent, entity.Id, text);
        }

        if (SameSet(key, drawn) || SwappedWithAlternate(wanted, entity, drawn))
        {
            return new Verdict(fact, VerdictKind.Holds, entity.Id, text);
        }

        // A number invented in place of the owners' keys, which are still there: the same where they are an alternate key, else
        // half of it.
        if (
            drawn.AttributeIds is [var only]
            && look.Correspondence.Surrogates.Contains(only)
            && key.AttributeIds.All(id => look.Correspondence.Attributes.ContainsKey(id))
        )
        {
            return entity.Identifiers.Any(identifier => identifier.Kind == IdentifierKind.Alternate && SameSet(key, identifier))
                ? new Verdict(fact, VerdictKind.HoldsByRestatement, entity.Id, text)
                : new Verdict(fact, VerdictKind.Wrong, entity.Id, text, PartlyRight: true) { Manner = new KeyOfOwnNumber() };
        }

        var mapped = Map(key);
        var superfluous = mapped.Count == key.AttributeIds.Length && mapped.IsProperSubsetOf(drawn.AttributeIds);
        return new Verdict(fact, VerdictKind.Wrong, entity.Id, text, superfluous)
        {
            Manner =
                drawn.AttributeIds is [var invented]
                && !look.ModelNameOf.ContainsKey(invented)
                && mapped.Count == key.AttributeIds.Length
                    ? new KeyOfOwnNumber()
                    : null,
            InModelTerms = KeyText.Of(
                drawn.AttributeIds.Select(id => look.ModelNameOf.GetValueOrDefault(id, look.Answer.Attribute(id).Attribute.Name))
            ),
        };
    }

    /// <summary>Whether a subtype leaves its supertype's key to be inherited.</summary>
    public bool Inherits(EntityType wanted, Identifier key) =>
        look.Model.Model.Specialisations.Any(set =>
            set.Subtypes.Any(link => link.EntityId == wanted.Id && look.Correspondence.Subtypes.ContainsKey(link.Id))
        ) && key.AttributeIds.All(id => look.Model.AttributesOfEntities[id].Attribute.ForeignKey is not null);

    // Primary and alternate key are interchangeable when both are drawn.
    private bool SwappedWithAlternate(EntityType wanted, EntityType entity, Identifier drawn) =>
        wanted.Identifiers.Any(identifier => identifier.Kind == IdentifierKind.Alternate && SameSet(identifier, drawn))
        && entity.Identifiers.Any(identifier =>
            identifier.Kind == IdentifierKind.Alternate && SameSet(wanted.Primary!, identifier)
        );

    public Verdict OnAlternateKey(Fact fact)
    {
        var owner = look.Model.AttributesOfEntities[fact.ConceptId].Owner;
        if (look.CounterpartOf(owner.Id) is not { } entity)
        {
            return look.RestatedOr(fact, owner.Id, VerdictKind.AbsentWithOwner);
        }

        var wanted = owner.AlternateBy(fact.ConceptId);
        var holds = entity.Identifiers.Any(identifier => SameSet(wanted, identifier));
        var absentWithAttribute = !holds && Map(wanted).Count < wanted.AttributeIds.Length;
        return new Verdict(
            fact,
            holds ? VerdictKind.Holds
                : absentWithAttribute ? VerdictKind.AbsentWithOwner
                : VerdictKind.Absent,
            entity.Id,
            ""
        );
    }

    public Verdict OnPartialKey(Fact fact)
    {
        if (!look.Correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var owner = look.Answer.Entities.GetValueOrDefault(match.AnswerOwnerId);
        var shown = owner?.Primary is { Partial: true } key && key.AttributeIds.Contains(match.AnswerId);
        return new Verdict(
            fact,
            shown ? VerdictKind.Holds : VerdictKind.Wrong,
            match.AnswerId,
            shown ? fact.Value : VerdictLookup.NotShown
        );
    }

    private HashSet<string> Map(Identifier identifier) =>
        identifier
            .AttributeIds.Select(id => look.Correspondence.Attributes.GetValueOrDefault(id))
            .Where(match => match is { Moved: false })
            .Select(match => match!.AnswerId)
            .ToHashSet(StringComparer.Ordinal);

    private bool SameSet(Identifier model, Identifier drawn) =>
        model.AttributeIds.Length == drawn.AttributeIds.Length && Map(model).SetEquals(drawn.AttributeIds);

    private static string MembersText(EntityType entity, Identifier identifier) =>
        string.Join(
            " + ",
            entity
                .Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id))
                .Select(attribute => attribute.Name)
        );
}
