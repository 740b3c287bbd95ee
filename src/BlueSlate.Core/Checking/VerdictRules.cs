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
    private readonly WholeDrawingRules whole;
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
    private readonly Dictionary<string, string> modelNameOf;
    private readonly ImmutableArray<Specialisation> modelSets;
    private readonly ImmutableArray<UnionType> modelUnions;
    private readonly ImmutableArray<ExclusiveConstraint> modelExclusions;

    public VerdictRules(Reading model, Reading answer, Correspondence correspondence, bool showsLittle)
    {
        (this.answer, this.correspondence) = (answer, correspondence);
        whole = new WholeDrawingRules(model.Model, answer, correspondence, showsLittle);
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
        modelNameOf = correspondence.Attributes.Where(pair => modelAttributes.ContainsKey(pair.Key)).ToDictionary(pair => pair.Value.AnswerId, pair => modelAttributes[pair.Key].Attribute.Name, StringComparer.Ordinal);
        modelSets = model.Model.Specialisations;
        modelUnions = model.Model.Unions;
        modelExclusions = model.Model.Exclusions;
        restated = correspondence.Restated.SelectMany(match => match.Holding).ToHashSet(StringComparer.Ordinal);
    }

    public Verdict On(Fact fact)
    {
        var verdict = Judge(fact);
        return verdict.Kind == VerdictKind.AbsentWithOwner || verdict.PartlyRight ? verdict with { OwnerId = verdict.OwnerId ?? OwnerOf(fact.ConceptId) } : verdict;
    }

    private string? OwnerOf(string conceptId) =>
        modelAttributes.TryGetValue(conceptId, out var attribute) ? attribute.Owner.Id
        : modelRoles.TryGetValue(conceptId, out var relationship) ? relationship.Id
        : modelEntities.Values.FirstOrDefault(entity => entity.Operations.Any(operation => operation.Id == conceptId))?.Id;

    private Verdict Judge(Fact fact) => fact.Aspect switch
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
        Aspect.Part => OnPart(fact),
        Aspect.Type => OnMemberText(fact, attribute => attribute.Type, null, TypeFamily.Same),
        Aspect.Visibility => OnMemberText(fact, attribute => attribute.Visibility, operation => operation.Visibility, Equal),
        Aspect.Scope => OnMemberText(fact, attribute => attribute.ClassScope ? "class scope" : "", operation => operation.ClassScope ? "class scope" : "", Equal),
        Aspect.Abstract when !modelEntities.ContainsKey(fact.ConceptId) => OnMemberText(fact, _ => "", operation => IsAbstract(operation) ? "abstract" : "", Equal),
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
        Aspect.PartialKey => OnPartialKey(fact),
        _ => whole.On(fact),
    };

    private Verdict OnEntity(Fact fact) =>
        correspondence.Entities.TryGetValue(fact.ConceptId, out var match)
            ? new Verdict(fact, VerdictKind.Holds, match.AnswerId, answerEntities[match.AnswerId].Name)
            : RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);

    private Verdict OnKind(Fact fact)
    {
        if (restated.Contains(fact.ConceptId) || CounterpartOf(fact.ConceptId) is not { } entity)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        var wanted = modelEntities[fact.ConceptId].Kind;
        var holds = entity.Kind == wanted
            || (wanted == EntityKind.Associative && LinksItsParents(fact.ConceptId))
            || (wanted == EntityKind.Weak && entity.Primary is { Partial: false } && HangsOnItsOwner(entity));
        return new Verdict(fact, holds ? VerdictKind.Holds : VerdictKind.Wrong, entity.Id, entity.Kind.ToString().ToLowerInvariant());
    }

    // With an identifying line to one owner an entity is seen to be weak, whatever its key is marked as.
    private bool HangsOnItsOwner(EntityType entity) =>
        answer.Model.RelationshipsOf(entity.Id).Any(relationship => relationship is { Identifying: true, Roles.Length: 2, IsRecursive: false, DependentRoleId: { } dependent }
            && relationship.Roles.First(role => role.Id == dependent) is var own && own.EntityId == entity.Id && relationship.Other(own).CoOccurrence.Max == 1);

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
            return new Verdict(fact, Inherits(wanted, key) ? VerdictKind.Tolerated : VerdictKind.Absent, entity.Id, text);
        }

        if (SameSet(key, drawn) || SwappedWithAlternate(wanted, entity, drawn))
        {
            return new Verdict(fact, VerdictKind.Holds, entity.Id, text);
        }

        // A number invented in place of the owners' keys, which are still there.
        if (drawn.AttributeIds is [var only] && correspondence.Surrogates.Contains(only) && key.AttributeIds.All(id => correspondence.Attributes.ContainsKey(id)))
        {
            return new Verdict(fact, VerdictKind.HoldsByRestatement, entity.Id, text);
        }

        var mapped = Map(key);
        var superfluous = mapped.Count == key.AttributeIds.Length && mapped.IsProperSubsetOf(drawn.AttributeIds);
        return new Verdict(fact, VerdictKind.Wrong, entity.Id, text, superfluous)
        {
            InModelTerms = KeyText.Of(drawn.AttributeIds.Select(id => modelNameOf.GetValueOrDefault(id, answerAttributes[id].Name))),
        };
    }

    // A subtype may leave its supertype's key to be inherited.
    private bool Inherits(EntityType wanted, Identifier key) =>
        modelSets.Any(set => set.Subtypes.Any(link => link.EntityId == wanted.Id && correspondence.Subtypes.ContainsKey(link.Id)))
        && key.AttributeIds.All(id => modelAttributes[id].Attribute.ForeignKey is not null);

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

        if (restated.Contains(fact.ConceptId))
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
        }

        if (!modelAttributes.TryGetValue(fact.ConceptId, out var pair))
        {
            var relationship = modelRelationships.Values.First(candidate => candidate.Attributes.Any(attribute => attribute.Id == fact.ConceptId));
            return (AnswerRelationship(relationship.Id)?.Id ?? RestatedBy(relationship.Id)) is { } drawn
                ? new Verdict(fact, VerdictKind.Absent, drawn, "")
                : RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        return (CounterpartOf(pair.Owner.Id)?.Id ?? RestatedBy(pair.Owner.Id)) is { } entity
            ? new Verdict(fact, VerdictKind.Absent, entity, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
    }

    // What is drawn in an owner's stead, and can hold attributes.
    private string? RestatedBy(string ownerId) =>
        correspondence.Restated.SelectMany(match => match.Owners).Where(owner => owner.Model == ownerId).Select(owner => owner.Answer).FirstOrDefault();

    private Verdict OnForm(Fact fact, Func<ConceptAttribute, bool> shown)
    {
        if (!correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        // In a box of its own, which need not be there, a value that may be absent is always present.
        if (fact.Aspect == Aspect.Optional && !match.Moved && correspondence.Restated.Any(used => used.Owners.Any(owner => owner.Answer == match.AnswerOwnerId)))
        {
            return new Verdict(fact, VerdictKind.HoldsByRestatement, match.AnswerId, fact.Value);
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

        var (owner, column) = modelAttributes[fact.ConceptId];
        if (restated.Contains(fact.ConceptId) || CounterpartOf(owner.Id) is not { } entity)
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        if (owner.Primary is { } key && key.AttributeIds.Contains(fact.ConceptId) && Inherits(owner, key))
        {
            return new Verdict(fact, VerdictKind.Tolerated, entity.Id, "");
        }

        // Without the relationship there is nothing for it to refer along.
        var along = column.ForeignKey!.RelationshipId;
        return along is not null && AnswerRelationship(along) is not null ? new Verdict(fact, VerdictKind.Absent, entity.Id, "")
            : new Verdict(fact, VerdictKind.AbsentWithOwner, entity.Id, "") { OwnerId = along ?? modelSets.SelectMany(set => set.Subtypes).FirstOrDefault(link => link.EntityId == owner.Id)?.Id };
    }

    private Verdict OnRelationship(Fact fact)
    {
        if (correspondence.Relationships.TryGetValue(fact.ConceptId, out var match))
        {
            // Between two boxes for one thing it is not what was wanted.
            var atDuplicate = answerRelationships[match.AnswerId].Roles.Any(role => correspondence.Duplicates.ContainsKey(role.EntityId));
            return new Verdict(fact, atDuplicate ? VerdictKind.Wrong : VerdictKind.Holds, match.AnswerId, "");
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
            // A line to a linking entity needs no name: that entity is the name.
            var needsNone = drawn.Roles.Any(role => answerEntities[role.EntityId].Kind == EntityKind.Associative);
            return new Verdict(fact, drawn.IsNamed || needsNone ? VerdictKind.Holds : VerdictKind.Absent, drawn.Id, "");
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

        if (restated.Contains(fact.ConceptId))
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        // The values may be right though the line ends at the wrong entity.
        return AnswerRole(fact.ConceptId) is not { } role ? new Verdict(fact, VerdictKind.AbsentWithOwner, null, "")
            : Judge(role.Id, value(role.CoOccurrence), VerdictKind.Holds) is { IsGood: true } good && !correspondence.Relationships.ContainsKey(modelRoles[fact.ConceptId].Id) ? good with { PartlyRight = true }
            : Judge(role.Id, value(role.CoOccurrence), VerdictKind.Holds);

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

        if (restated.Contains(fact.ConceptId))
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
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

        if (restated.Contains(fact.ConceptId))
        {
            return RestatedOr(fact, fact.ConceptId, VerdictKind.Absent);
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
        return new Verdict(fact, parameters && returns ? VerdictKind.Holds : VerdictKind.Wrong, match.AnswerId, FactList.SignatureOf(drawn), parameters != returns);
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
        return restated.Contains(fact.ConceptId) ? RestatedOr(fact, fact.ConceptId, VerdictKind.Absent)
            : new Verdict(fact, drawn is null ? VerdictKind.AbsentWithOwner : VerdictKind.Absent, drawn, "");
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
        if (text.Length == 0 && links.All(match => match.Reversed))
        {
            // With one subtype beneath each nothing can be said of it.
            return new Verdict(fact, VerdictKind.Holds, id, "");
        }

        var verdict = Judge(fact, id, text, Equal);
        return fact.Aspect == Aspect.Disjoint && verdict.IsBad && restated.Contains(fact.ConceptId) ? RestatedOr(fact, fact.ConceptId, VerdictKind.Wrong) with { Drawn = text } : verdict;
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

    private Verdict OnPartialKey(Fact fact)
    {
        if (!correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");
        }

        var owner = answerEntities.GetValueOrDefault(match.AnswerOwnerId);
        var shown = owner?.Primary is { Partial: true } key && key.AttributeIds.Contains(match.AnswerId);
        return new Verdict(fact, shown ? VerdictKind.Holds : VerdictKind.Wrong, match.AnswerId, shown ? fact.Value : "not shown");
    }

    // An interface's operations are abstract without any mark.
    private bool IsAbstract(Operation operation) =>
        operation.Abstract || answer.Model.Entities.Any(entity => entity.Kind == EntityKind.Interface && entity.Operations.Contains(operation));

    private Verdict RestatedOr(Fact fact, string conceptId, VerdictKind otherwise)
    {
        if (!restated.Contains(conceptId))
        {
            return new Verdict(fact, otherwise, null, "");
        }

        var by = correspondence.Restated.First(match => match.Holding.Contains(conceptId));
        return by.IsShort(conceptId)
            ? new Verdict(fact, VerdictKind.Wrong, by.Uses[0], "", PartlyRight: true) { RestatedBy = by }
            : new Verdict(fact, VerdictKind.HoldsByRestatement, by.Uses[0], "");
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
