using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Checking;

/// <summary>The rule for each aspect: when its fact holds, and what is said otherwise.</summary>
internal sealed class VerdictRules
{
    private readonly Reading answer;
    private readonly Correspondence correspondence;
    private readonly bool showsLittle;
    private readonly Dictionary<string, EntityType> modelEntities;
    private readonly Dictionary<string, (EntityType Owner, ConceptAttribute Attribute)> modelAttributes;
    private readonly Dictionary<string, RelationshipType> modelRelationships;
    private readonly Dictionary<string, RelationshipType> modelRoles;
    private readonly Dictionary<string, EntityType> answerEntities;
    private readonly Dictionary<string, ConceptAttribute> answerAttributes;
    private readonly Dictionary<string, RelationshipType> answerRelationships;
    private readonly Dictionary<string, RelationshipRole> answerRoles;
    private readonly HashSet<string> restated;
    private readonly Dictionary<string, Operation> answerOperations;
    private readonly Dictionary<string, string> answerNames;
    private readonly ImmutableArray<Specialisation> modelSets;
    private readonly ImmutableArray<UnionType> modelUnions;
    private readonly ImmutableArray<ExclusiveConstraint> modelExclusions;

    public VerdictRules(Reading model, Reading answer, Correspondence correspondence, bool showsLittle)
    {
        (this.answer, this.correspondence, this.showsLittle) = (answer, correspondence, showsLittle);
        modelEntities = model.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        modelAttributes = model.Model.Entities.SelectMany(entity => entity.Attributes.Select(attribute => (Owner: entity, Attribute: attribute)))
            .ToDictionary(pair => pair.Attribute.Id, StringComparer.Ordinal);
        modelRelationships = model.Model.Relationships.ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        modelRoles = model.Model.Relationships.SelectMany(relationship => relationship.Roles.Select(role => (role.Id, relationship)))
            .ToDictionary(pair => pair.Id, pair => pair.relationship, StringComparer.Ordinal);
        answerEntities = answer.Model.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        answerAttributes = answer.Model.Entities.SelectMany(entity => entity.Attributes).Concat(answer.Model.Relationships.SelectMany(relationship => relationship.Attributes)).ToDictionary(attribute => attribute.Id, StringComparer.Ordinal);
        answerRelationships = answer.Model.Relationships.ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        answerRoles = answer.Model.Relationships.SelectMany(relationship => relationship.Roles).ToDictionary(role => role.Id, StringComparer.Ordinal);
        answerOperations = answer.Model.Entities.SelectMany(entity => entity.Operations).ToDictionary(operation => operation.Id, StringComparer.Ordinal);
        answerNames = answer.Model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        modelSets = model.Model.Specialisations;
        modelUnions = model.Model.Unions;
        modelExclusions = model.Model.Exclusions;
        restated = correspondence.Restated.SelectMany(match => match.Holding).ToHashSet(StringComparer.Ordinal);
    }

    public Verdict On(Fact fact) => fact.Aspect switch
    {
        Aspect.Entity => OnEntity(fact),
        Aspect.Kind => OnKind(fact),
        Aspect.Key => OnKey(fact),
        Aspect.AlternateKey => OnAlternateKey(fact),
        Aspect.Attribute => OnAttribute(fact),
        Aspect.Multivalued => OnForm(fact, attribute => attribute.Multivalued),
        Aspect.Derived => OnForm(fact, attribute => attribute.Derived),
        Aspect.Optional => OnForm(fact, attribute => attribute.Optional),
        Aspect.ForeignKey => OnForeignKey(fact),
        Aspect.Relationship => OnRelationship(fact),
        Aspect.Identifying => OnIdentifying(fact),
        Aspect.Named => OnNamed(fact),
        Aspect.RoleName => OnRoleName(fact),
        Aspect.Min => OnEnd(fact, count => count.Min),
        Aspect.Max => OnEnd(fact, count => count.Max),
        Aspect.NoForeignKeys => OnNoForeignKeys(fact),
        Aspect.OwnNotation => OnOwnNotation(fact),
        Aspect.Part => OnPart(fact),
        Aspect.Type => OnMemberText(fact, attribute => attribute.Type, null, TypeFamily.Same),
        Aspect.Visibility => OnMemberText(fact, attribute => attribute.Visibility, operation => operation.Visibility, Equal),
        Aspect.Scope => OnMemberText(fact, attribute => attribute.ClassScope ? "class scope" : "", operation => operation.ClassScope ? "class scope" : "", Equal),
        Aspect.Abstract => OnClassText(fact, entity => entity.Abstract ? "abstract" : ""),
        Aspect.Stereotype => OnClassText(fact, entity => entity.Stereotype),
        Aspect.Operation or Aspect.Literal => OnMember(fact),
        Aspect.Signature => OnSignature(fact),
        Aspect.LinkKind => OnLinkKind(fact),
        Aspect.Subtype => OnSubtype(fact),
        Aspect.Disjoint => OnSet(fact, (set, _) => set.Disjoint, "disjoint", "overlapping"),
        Aspect.Total => OnSet(fact, (set, super) => set.Total ?? (super.Abstract ? true : null), "total", "partial"),
        Aspect.Union => OnUnion(fact),
        Aspect.Exclusion => OnExclusion(fact),
        _ => throw new ArgumentOutOfRangeException(nameof(fact)),
    };

    private Verdict OnEntity(Fact fact) =>
        correspondence.Entities.TryGetValue(fact.ConceptId, out var match)
            ? new Verdict(fact, VerdictKind.Holds, match.AnswerId, answerEntities[match.AnswerId].Name)
            : RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);

    private Verdict OnKind(Fact fact)
    {
        if (CounterpartOf(fact.ConceptId) is not { } entity)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = modelEntities[fact.ConceptId].Kind;
        var holds = entity.Kind == wanted
            || (wanted == EntityKind.Associative && LinksItsParents(fact.ConceptId));
        return new Verdict(fact, holds ? VerdictKind.Holds : VerdictKind.Wrong, entity.Id, entity.Kind.ToString().ToLowerInvariant());
    }

    // An entity that is joined to both parents as wanted is seen to link them, whatever its corners look like.
    private bool LinksItsParents(string modelEntityId) =>
        modelRelationships.Values
            .Where(relationship => relationship.Roles.Any(role => role.EntityId == modelEntityId))
            .Count(relationship => correspondence.Relationships.ContainsKey(relationship.Id)) >= 2;

    private Verdict OnKey(Fact fact)
    {
        if (CounterpartOf(fact.ConceptId) is not { } entity)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = modelEntities[fact.ConceptId];
        var key = wanted.Primary!;
        var drawn = entity.Primary;
        var text = drawn is null ? "" : MembersText(entity, drawn);
        if (key.AttributeIds.IsEmpty)
        {
            var whole = drawn is null || drawn.AttributeIds.All(id => answerAttributes[id].ForeignKey is not null);
            return new Verdict(fact, whole ? VerdictKind.Holds : VerdictKind.Wrong, entity.Id, text);
        }

        if (drawn is null || drawn.AttributeIds.IsEmpty)
        {
            return new Verdict(fact, VerdictKind.Absent, entity.Id, text);
        }

        if (SameSet(key, drawn) || SwappedWithAlternate(wanted, entity, drawn))
        {
            return new Verdict(fact, VerdictKind.Holds, entity.Id, text);
        }

        var mapped = Map(key);
        var superfluous = mapped.Count == key.AttributeIds.Length && mapped.IsProperSubsetOf(drawn.AttributeIds);
        return new Verdict(fact, VerdictKind.Wrong, entity.Id, text, superfluous);
    }

    // Primary and alternate key are interchangeable when both are drawn.
    private bool SwappedWithAlternate(EntityType wanted, EntityType entity, Identifier drawn) =>
        wanted.Identifiers.Any(identifier => identifier.Kind == IdentifierKind.Alternate && SameSet(identifier, drawn))
        && entity.Identifiers.Any(identifier => identifier.Kind == IdentifierKind.Alternate && SameSet(wanted.Primary!, identifier));

    private Verdict OnAlternateKey(Fact fact)
    {
        var owner = modelAttributes[fact.ConceptId].Owner;
        if (CounterpartOf(owner.Id) is not { } entity)
        {
            return RestatedOr(fact, owner.Id, VerdictKind.AbsentWithOwner);
        }

        var wanted = owner.Identifiers.First(identifier => identifier.Kind == IdentifierKind.Alternate && identifier.AttributeIds[0] == fact.ConceptId);
        var holds = entity.Identifiers.Any(identifier => SameSet(wanted, identifier));
        var absentWithAttribute = !holds && Map(wanted).Count < wanted.AttributeIds.Length;
        return new Verdict(fact, holds ? VerdictKind.Holds : absentWithAttribute ? VerdictKind.AbsentWithOwner : VerdictKind.Absent, entity.Id, "");
    }

    private Verdict OnAttribute(Fact fact)
    {
        if (correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, match.Moved ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, answerAttributes[match.AnswerId].Name);
        }

        if (!modelAttributes.TryGetValue(fact.ConceptId, out var pair))
        {
            var relationship = modelRelationships.Values.First(candidate => candidate.Attributes.Any(attribute => attribute.Id == fact.ConceptId));
            return AnswerRelationship(relationship.Id) is { } drawn
                ? new Verdict(fact, VerdictKind.Absent, drawn.Id, "")
                : RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        return CounterpartOf(pair.Owner.Id) is { } entity
            ? new Verdict(fact, VerdictKind.Absent, entity.Id, "")
            : RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
    }

    private Verdict OnForm(Fact fact, Func<ConceptAttribute, bool> shown)
    {
        if (!correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var holds = shown(answerAttributes[match.AnswerId]);
        return new Verdict(fact, holds ? VerdictKind.Holds : VerdictKind.Wrong, match.AnswerId, holds ? fact.Value : "not shown");
    }

    private Verdict OnForeignKey(Fact fact)
    {
        if (correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            var drawn = answerAttributes[match.AnswerId];
            return new Verdict(fact, drawn.ForeignKey is not null ? VerdictKind.Holds : VerdictKind.Wrong, match.AnswerId, drawn.Name);
        }

        var owner = modelAttributes[fact.ConceptId].Owner.Id;
        return CounterpartOf(owner) is { } entity
            ? new Verdict(fact, VerdictKind.Absent, entity.Id, "")
            : RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
    }

    private Verdict OnRelationship(Fact fact)
    {
        if (correspondence.Relationships.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, VerdictKind.Holds, match.AnswerId, "");
        }

        if (correspondence.Misdirected.TryGetValue(fact.ConceptId, out var misdirected))
        {
            return new Verdict(fact, VerdictKind.Wrong, misdirected.AnswerId, "");
        }

        var ownersDrawn = modelRelationships[fact.ConceptId].Roles.All(role => CounterpartOf(role.EntityId) is not null);
        return RestatedOr(fact, fact.ConceptId, ownersDrawn ? VerdictKind.Absent : VerdictKind.AbsentWithOwner);
    }

    private Verdict OnIdentifying(Fact fact)
    {
        if (AnswerRelationship(fact.ConceptId) is not { } drawn)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = modelRelationships[fact.ConceptId].Identifying;
        var said = drawn.Identifying switch { true => "identifying", false => "not identifying", null => "unsaid" };
        var kind = drawn.Identifying == wanted ? VerdictKind.Holds : drawn.Identifying is null ? VerdictKind.Absent : VerdictKind.Wrong;
        return new Verdict(fact, kind, drawn.Id, said);
    }

    private Verdict OnNamed(Fact fact)
    {
        if (AnswerRelationship(fact.ConceptId) is { } drawn)
        {
            return new Verdict(fact, drawn.IsNamed ? VerdictKind.Holds : VerdictKind.Absent, drawn.Id, "");
        }

        return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
    }

    private Verdict OnRoleName(Fact fact)
    {
        if (AnswerRole(fact.ConceptId) is { } role)
        {
            var said = role.Role.Length > 0 || role.Verb.Length > 0;
            return new Verdict(fact, said ? VerdictKind.Holds : VerdictKind.Absent, role.Id, role.Role);
        }

        return RestatedOr(fact, modelRoles[fact.ConceptId].Id, VerdictKind.AbsentWithOwner);
    }

    private Verdict OnEnd(Fact fact, Func<Count, int?> value)
    {
        var byRestatement = correspondence.Restated.FirstOrDefault(match => match.Counts.ContainsKey(fact.ConceptId));
        if (byRestatement is not null)
        {
            var count = byRestatement.Counts[fact.ConceptId];
            return Judge(count.AnswerRoleId, value(count.CoOccurrence), VerdictKind.HoldsByRestatement);
        }

        return AnswerRole(fact.ConceptId) is { } role
            ? Judge(role.Id, value(role.CoOccurrence), VerdictKind.Holds)
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");

        Verdict Judge(string answerId, int? drawn, VerdictKind good)
        {
            var text = Count.Spell(drawn);
            var kind = text == fact.Value ? good : drawn is null ? VerdictKind.Absent : VerdictKind.Wrong;
            return new Verdict(fact, kind, answerId, text);
        }
    }

    private Verdict OnPart(Fact fact)
    {
        if (correspondence.Parts.TryGetValue(fact.ConceptId, out var part))
        {
            return new Verdict(fact, VerdictKind.Holds, part, fact.Value);
        }

        var whole = modelAttributes.Values.First(pair => pair.Attribute.Parts.Any(candidate => candidate.Id == fact.ConceptId)).Attribute;
        return correspondence.Attributes.TryGetValue(whole.Id, out var match)
            ? new Verdict(fact, VerdictKind.Absent, match.AnswerId, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }

    // A text of an attribute or operation; nothing written is absent, something else wrong.
    private Verdict OnMemberText(Fact fact, Func<ConceptAttribute, string> ofAttribute, Func<Operation, string>? ofOperation, Func<string, string, bool> same)
    {
        var (id, drawn) = correspondence.Attributes.TryGetValue(fact.ConceptId, out var attribute) ? (attribute.AnswerId, ofAttribute(answerAttributes[attribute.AnswerId]))
            : ofOperation is not null && correspondence.Members.TryGetValue(fact.ConceptId, out var member) ? (member.AnswerId, ofOperation(answerOperations[member.AnswerId]))
            : (null, "");
        return id is null ? new Verdict(fact, VerdictKind.AbsentWithOwner, null, "") : Judge(fact, id, drawn, same);
    }

    private Verdict OnClassText(Fact fact, Func<EntityType, string> said) =>
        CounterpartOf(fact.ConceptId) is { } entity ? Judge(fact, entity.Id, said(entity), Equal) : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");

    private static bool Equal(string wanted, string drawn) => string.Equals(wanted, drawn, StringComparison.OrdinalIgnoreCase);

    private static Verdict Judge(Fact fact, string answerId, string drawn, Func<string, string, bool> same) =>
        new(fact, drawn.Length == 0 ? VerdictKind.Absent : same(fact.Value, drawn) ? VerdictKind.Holds : VerdictKind.Wrong, answerId, drawn);

    private Verdict OnMember(Fact fact)
    {
        if (correspondence.Members.TryGetValue(fact.ConceptId, out var match))
        {
            var name = answerOperations.TryGetValue(match.AnswerId, out var operation) ? operation.Name : fact.Value;
            return new Verdict(fact, match.Moved ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, name);
        }

        var owner = modelEntities.Values.First(entity => entity.Operations.Any(operation => operation.Id == fact.ConceptId) || entity.Literals.Any(literal => literal.Id == fact.ConceptId));
        return CounterpartOf(owner.Id) is { } drawn
            ? new Verdict(fact, VerdictKind.Absent, drawn.Id, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }

    // The same number of parameters with the same families of types, and the return type; names of parameters are free.
    private Verdict OnSignature(Fact fact)
    {
        if (!correspondence.Members.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var wanted = modelEntities.Values.SelectMany(entity => entity.Operations).First(operation => operation.Id == fact.ConceptId);
        var drawn = answerOperations[match.AnswerId];
        var parameters = wanted.Parameters.Length == drawn.Parameters.Length
            && wanted.Parameters.Zip(drawn.Parameters).All(pair => TypeFamily.Same(pair.First.Type, pair.Second.Type));
        var returns = TypeFamily.Same(wanted.Returns, drawn.Returns);
        return new Verdict(fact, parameters && returns ? VerdictKind.Holds : VerdictKind.Wrong, match.AnswerId, FactList.SignatureOf(drawn), parameters || returns);
    }

    private Verdict OnLinkKind(Fact fact)
    {
        if (AnswerRelationship(fact.ConceptId) is not { } drawn)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = modelRelationships[fact.ConceptId];
        var text = FactList.KindOf(drawn, answerNames);
        var right = wanted.Kind == drawn.Kind && (wanted.Kind == RelationshipKind.Association || DirectedAlike(wanted, drawn));
        return new Verdict(fact, right ? VerdictKind.Holds : VerdictKind.Wrong, drawn.Id, text);
    }

    // The whole, or the target of an arrow, is at the same end.
    private bool DirectedAlike(RelationshipType wanted, RelationshipType drawn)
    {
        var head = wanted.WholeRoleId ?? wanted.Roles[1].Id;
        return AnswerRole(head)?.Id == (drawn.WholeRoleId ?? drawn.Roles[1].Id);
    }

    private Verdict OnSubtype(Fact fact)
    {
        if (correspondence.Subtypes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, match.Reversed ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, match.Reversed ? "the other way round" : fact.Value);
        }

        var set = modelSets.First(candidate => candidate.Subtypes.Any(link => link.Id == fact.ConceptId));
        var link = set.Subtypes.First(candidate => candidate.Id == fact.ConceptId);
        var drawn = CounterpartOf(set.SupertypeId) is not null && CounterpartOf(link.EntityId) is { } subtype ? subtype.Id : null;
        return new Verdict(fact, drawn is null ? VerdictKind.AbsentWithOwner : VerdictKind.Absent, drawn, "");
    }

    // Said of the answer's set that holds most of the wanted links, whichever way they lead.
    private Verdict OnSet(Fact fact, Func<Specialisation, EntityType, bool?> said, string yes, string no)
    {
        var links = modelSets.First(set => set.Id == fact.ConceptId).Subtypes
            .Select(link => correspondence.Subtypes.GetValueOrDefault(link.Id)).OfType<SubtypeMatch>().ToList();
        if (links.Count == 0)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var id = links.GroupBy(match => match.AnswerSetId, StringComparer.Ordinal).OrderByDescending(group => group.Count()).First().Key;
        var set = answer.Model.Specialisations.First(candidate => candidate.Id == id);
        var text = said(set, answerEntities[set.SupertypeId]) switch { true => yes, false => no, null => "" };
        return Judge(fact, id, text, Equal);
    }

    private Verdict OnUnion(Fact fact)
    {
        var wanted = modelUnions.First(union => union.Id == fact.ConceptId);
        var category = CounterpartOf(wanted.CategoryId);
        var supers = wanted.Supertypes.Select(super => CounterpartOf(super.EntityId)?.Id).OfType<string>().ToHashSet(StringComparer.Ordinal);
        if (category is null || supers.Count == 0)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var drawn = answer.Model.Unions.FirstOrDefault(union => union.CategoryId == category.Id);
        var holds = drawn is not null && supers.SetEquals(drawn.Supertypes.Select(super => super.EntityId));
        return new Verdict(fact, holds ? VerdictKind.Holds : drawn is null ? VerdictKind.Absent : VerdictKind.Wrong, drawn?.Id ?? category.Id, "");
    }

    private Verdict OnExclusion(Fact fact)
    {
        var wanted = modelExclusions.First(exclusion => exclusion.Id == fact.ConceptId).RelationshipIds
            .Select(id => AnswerRelationship(id)?.Id).OfType<string>().ToHashSet(StringComparer.Ordinal);
        var drawn = answer.Model.Exclusions.FirstOrDefault(exclusion => wanted.Count > 1 && wanted.SetEquals(exclusion.RelationshipIds));
        return new Verdict(fact, drawn is not null ? VerdictKind.Holds : wanted.Count < 2 ? VerdictKind.AbsentWithOwner : VerdictKind.Absent, drawn?.Id ?? wanted.Order(StringComparer.Ordinal).FirstOrDefault(), "");
    }

    private Verdict OnNoForeignKeys(Fact fact)
    {
        var drawn = answer.Model.Entities.SelectMany(entity => entity.Attributes).Where(attribute => attribute.ForeignKey is not null).ToList();
        return drawn.Count > 0 ? new Verdict(fact, VerdictKind.Wrong, drawn[0].Id, string.Join(", ", drawn.Select(attribute => attribute.Name)))
            : new Verdict(fact, showsLittle ? VerdictKind.Absent : VerdictKind.Holds, null, "");
    }

    private Verdict OnOwnNotation(Fact fact)
    {
        var faults = answer.Remarks.Select(remark => remark.Kind).Distinct().Count();
        return faults > 0 ? new Verdict(fact, VerdictKind.Wrong, answer.Remarks[0].ElementId, $"{faults} kinds of fault", faults == 1)
            : new Verdict(fact, showsLittle ? VerdictKind.Absent : VerdictKind.Holds, null, "");
    }

    private Verdict RestatedOr(Fact fact, string conceptId, VerdictKind otherwise)
    {
        if (!restated.Contains(conceptId))
        {
            return new Verdict(fact, otherwise, null, "");
        }

        var used = correspondence.Restated.First(match => match.Holding.Contains(conceptId)).Uses[0];
        return new Verdict(fact, VerdictKind.HoldsByRestatement, used, "");
    }

    private EntityType? CounterpartOf(string modelEntityId) =>
        correspondence.Entities.TryGetValue(modelEntityId, out var match) ? answerEntities[match.AnswerId] : null;

    private RelationshipType? AnswerRelationship(string modelId) =>
        correspondence.Relationships.TryGetValue(modelId, out var match) ? answerRelationships[match.AnswerId]
        : correspondence.Misdirected.TryGetValue(modelId, out var misdirected) ? answerRelationships[misdirected.AnswerId]
        : null;

    private RelationshipRole? AnswerRole(string modelRoleId)
    {
        var relationship = modelRoles[modelRoleId].Id;
        var roles = correspondence.Relationships.GetValueOrDefault(relationship)?.Roles ?? correspondence.Misdirected.GetValueOrDefault(relationship)?.Roles;
        return roles is not null && roles.TryGetValue(modelRoleId, out var id) ? answerRoles[id] : null;
    }

    private HashSet<string> Map(Identifier identifier) =>
        identifier.AttributeIds
            .Select(id => correspondence.Attributes.GetValueOrDefault(id))
            .Where(match => match is { Moved: false })
            .Select(match => match!.AnswerId)
            .ToHashSet(StringComparer.Ordinal);

    private bool SameSet(Identifier model, Identifier drawn) =>
        model.AttributeIds.Length == drawn.AttributeIds.Length && Map(model).SetEquals(drawn.AttributeIds);

    private static string MembersText(EntityType entity, Identifier identifier) =>
        string.Join(" + ", entity.Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id)).Select(attribute => attribute.Name));
}
