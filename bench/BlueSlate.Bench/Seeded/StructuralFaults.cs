using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Faults in what hangs on what: a line too much or at the wrong thing, a thing drawn as a word, subtypes upside down, what belongs
/// to the whole drawn at each kind, keys that hold too much or refer where no keys are drawn.
/// </summary>
internal sealed partial class Faults
{
    private (ConceptModel, Seed)? RelationshipExtra(ConceptModel model)
    {
        if (options.Level != Level.Conceptual || PickTwoApart(model) is not (var one, var other))
        {
            return null;
        }

        var id = $"idle{++fresh}";
        var line = new RelationshipType(
            id,
            "admires",
            [
                new RelationshipRole($"{id}/from", one.Id, "", "", new Count(0, Count.Many), new Count(0, Count.Many)),
                new RelationshipRole($"{id}/to", other.Id, "", "", new Count(0, Count.Many), new Count(0, Count.Many)),
            ],
            null,
            null
        );
        return (
            model with
            {
                Relationships = model.Relationships.Add(line),
            },
            new Seed("relationship-extra", id, [id, one.Id + " line", other.Id + " line"])
        );
    }

    private (ConceptModel, Seed)? RelationshipAstray(ConceptModel model)
    {
        if (
            PickRelationship(model, relationship =>
                IsLoose(model, relationship) && !relationship.IsRecursive && relationship.Name.Length > 0
            )
            is not { } at
        )
        {
            return null;
        }

        var (stays, goes) = random.Next(2) == 0 ? (at.Roles[0], at.Roles[1]) : (at.Roles[1], at.Roles[0]);
        if (
            Pick(
                model.Entities.Where(entity =>
                    entity is { Kind: EntityKind.Strong }
                    && !IsPutIn(entity.Id)
                    && AreJoined(model, entity.Id, goes.EntityId)
                    && !AreJoined(model, entity.Id, stays.EntityId)
                    && !AreKin(model, entity.Id, goes.EntityId)
                    && entity.Id != stays.EntityId
                )
            )
            is not { } wrong
        )
        {
            return null;
        }

        return (
            model with
            {
                Relationships = model.Relationships.Replace(
                    at,
                    at with
                    {
                        Roles = at.Roles.Replace(goes, goes with { EntityId = wrong.Id }),
                    }
                ),
            },
            new Seed("relationship-wrong-entity", at.Id, [.. Parts(at), wrong.Id + " line"])
        );
    }

    private (ConceptModel, Seed)? EntityAsAttribute(ConceptModel model)
    {
        if (
            options.Level != Level.Conceptual
            || Pick(
                model.Entities.Where(entity =>
                    entity is { Kind: EntityKind.Strong, Operations.IsEmpty: true }
                    && !IsPutIn(entity.Id)
                    && model.RelationshipsOf(entity.Id).ToList() is [var only]
                    && IsLoose(model, only)
                    && !only.IsRecursive
                    && !model.Specialisations.Any(set =>
                        set.SupertypeId == entity.Id || set.Subtypes.Any(link => link.EntityId == entity.Id)
                    )
                    && model.Unions.IsEmpty
                )
            )
                is not { } gone
        )
        {
            return null;
        }

        var line = model.RelationshipsOf(gone.Id).Single();
        var owner = model.Entities.First(entity => entity.Id == line.Roles.First(role => role.EntityId != gone.Id).EntityId);
        var id = $"word{++fresh}";
        var attribute = Text(id, gone.Name);
        var without = Put(model, owner, owner with { Attributes = owner.Attributes.Add(attribute) });
        return (
            without with
            {
                Entities = [.. without.Entities.Where(entity => entity.Id != gone.Id)],
                Relationships = without.Relationships.Remove(line),
            },
            new Seed(
                "entity-as-attribute",
                gone.Id,
                ["entities", .. Parts(gone), gone.Id + " line", .. Parts(line), owner.Id, owner.Id + " attributes"]
            )
        );
    }

    private (ConceptModel, Seed)? SpecialisationReversed(ConceptModel model)
    {
        if (
            Pick(
                model.Specialisations.Where(set =>
                    model.Specialisations.Count(other => other.SupertypeId == set.SupertypeId) == 1
                    && !model.Specialisations.Any(other => other.Subtypes.Any(link => link.EntityId == set.SupertypeId))
                    && set.Subtypes.All(link => !model.Specialisations.Any(other => other.SupertypeId == link.EntityId))
                )
            )
            is not { } at
        )
        {
            return null;
        }

        var turned = at.Subtypes.Select(
            (link, i) =>
                at with
                {
                    Id = $"{at.Id}turned{i}",
                    SupertypeId = link.EntityId,
                    Subtypes = [link with { EntityId = at.SupertypeId }],
                    Total = at.Total is null ? null : false,
                    Disjoint = null,
                }
        );
        return (
            model with
            {
                Specialisations = [.. model.Specialisations.Remove(at), .. turned],
            },
            new Seed(
                "specialisation-reversed",
                at.Subtypes[0].Id,
                [at.Id, at.SupertypeId, "entities", .. at.Subtypes.SelectMany(link => new[] { link.Id, link.EntityId })]
            )
        );
    }

    private (ConceptModel, Seed)? RepeatedInSubtypes(ConceptModel model)
    {
        if (
            Pick(
                model.Specialisations.Where(set =>
                    set.Subtypes.Length > 1
                    && model.Entities.First(entity => entity.Id == set.SupertypeId) is var super
                    && super.Attributes.Any(attribute => IsPlain(super, attribute))
                )
            )
            is not { } at
        )
        {
            return null;
        }

        var whole = model.Entities.First(entity => entity.Id == at.SupertypeId);
        var moved = Pick(whole.Attributes.Where(attribute => IsPlain(whole, attribute)))!;
        var changed = Put(model, whole, whole with { Attributes = whole.Attributes.Remove(moved) });
        foreach (var link in at.Subtypes)
        {
            var kind = changed.Entities.First(entity => entity.Id == link.EntityId);
            changed = Put(
                changed,
                kind,
                kind with
                {
                    Attributes = kind.Attributes.Add(moved with { Id = $"{moved.Id}again{++fresh}" }),
                }
            );
        }

        return (
            changed,
            new Seed(
                "attribute-repeated-in-subtypes",
                moved.Id,
                [
                    moved.Id,
                    whole.Id + " attributes",
                    at.Id,
                    .. at.Subtypes.SelectMany(link => new[] { link.EntityId, link.EntityId + " attributes" }),
                ]
            )
        );
    }

    private (ConceptModel, Seed)? KeyNotMinimal(ConceptModel model)
    {
        if (PickSingleKeyed(model) is not { } at)
        {
            return null;
        }

        var more = Pick(at.Attributes.Where(attribute => IsPlain(at, attribute)))!;
        var key = at.Primary! with { AttributeIds = at.Primary.AttributeIds.Add(more.Id) };
        return (
            Put(model, at, at with { Identifiers = [key] }),
            new Seed("key-not-minimal", at.Primary.AttributeIds[0], [at.Id, at.Id + " key", at.Id + " attributes", more.Id])
        );
    }

    private (ConceptModel, Seed)? ForeignKeyInConceptual(ConceptModel model)
    {
        if (
            options.Notation == NotationNames.Uml
            || options.Level != Level.Conceptual
            || PickRelationship(model, relationship =>
                IsLoose(model, relationship)
                && !relationship.IsRecursive
                && relationship.Roles.Count(role => role.CoOccurrence.Max == 1) == 1
                && KeyOf(model, relationship.Roles.First(role => role.CoOccurrence.Max == 1).EntityId) is not null
                && !IsPutIn(relationship.Roles[0].EntityId)
                && !IsPutIn(relationship.Roles[1].EntityId)
            )
                is not { } at
        )
        {
            return null;
        }

        var one = at.Roles.First(role => role.CoOccurrence.Max == 1);
        var parent = model.Entities.First(entity => entity.Id == one.EntityId);
        var child = model.Entities.First(entity => entity.Id == at.Other(one).EntityId);
        var id = $"column{++fresh}";
        var key = KeyOf(model, parent.Id)!.Name;
        var name = key.Split(' ').Length > 1 ? key : $"{parent.Name.ToLowerInvariant()} {key}";
        return child.Kind != EntityKind.Strong
            ? null
            : (
                Put(model, child, child with { Attributes = child.Attributes.Add(ConceptAttribute.Plain(id, name)) }),
                new Seed(
                    "foreign-key-in-conceptual",
                    id,
                    [id, child.Id, child.Id + " attributes", parent.Id + " key", parent.Id + " attributes", .. Parts(at)]
                )
            );
    }

    private (ConceptModel, Seed)? OperationMisplaced(ConceptModel model)
    {
        if (
            PickOperation(model, entity => entity.Kind == EntityKind.Strong) is not (var owner, var at)
            || Pick(
                model.Entities.Where(entity =>
                    entity.Kind == EntityKind.Strong
                    && entity.Id != owner.Id
                    && !IsPutIn(entity.Id)
                    && !AreKin(model, entity.Id, owner.Id)
                    && !entity.Operations.Any(operation => operation.Name == at.Name)
                )
            )
                is not { } elsewhere
        )
        {
            return null;
        }

        var without = Put(model, owner, owner with { Operations = owner.Operations.Remove(at) });
        return (
            Put(without, elsewhere, elsewhere with { Operations = elsewhere.Operations.Add(at) }),
            new Seed("operation-misplaced", at.Id, [at.Id, owner.Id, elsewhere.Id])
        );
    }

    private (ConceptModel, Seed)? ClassScope(ConceptModel model) =>
        PickOperation(model, entity => entity.Operations.Any(operation => operation.ClassScope))
            is not
            (var owner, { ClassScope: true } at)
            ? null
            : (
                Put(model, owner, owner with { Operations = owner.Operations.Replace(at, at with { ClassScope = false }) }),
                new Seed("class-scope-not-shown", at.Id, [at.Id])
            );

    private (ConceptModel, Seed)? RelationshipRedundant(ConceptModel model)
    {
        var paths = model
            .Relationships.Where(first => options.Level == Level.Conceptual && IsLoose(model, first) && !first.IsRecursive)
            .SelectMany(first => model.Relationships.Select(second => (First: first, Second: second)))
            .Where(path => path.First != path.Second && IsLoose(model, path.Second) && !path.Second.IsRecursive)
            .SelectMany(path => path.First.Roles.Select(start => (path.First, path.Second, Start: start)))
            .Where(path =>
                path.Start.CoOccurrence.Max == 1
                && path.First.Other(path.Start) is var middle
                && path.Second.Roles.SingleOrDefault(role => role.EntityId == middle.EntityId) is { CoOccurrence.Max: 1 } again
                && path.Second.Other(again).EntityId is var end
                && end != path.Start.EntityId
                && !AreJoined(model, path.Start.EntityId, end)
                && !AreKin(model, path.Start.EntityId, end)
                && !IsPutIn(path.Start.EntityId)
                && !IsPutIn(end)
            )
            .ToList();
        if (paths.Count == 0)
        {
            return null;
        }

        var (one, other, start) = paths[random.Next(paths.Count)];
        var middle = one.Other(start).EntityId;
        var end = other.Roles.Single(role => role.EntityId != middle).EntityId;
        var id = $"again{++fresh}";
        var line = new RelationshipType(
            id,
            "knows of",
            [
                new RelationshipRole($"{id}/from", start.EntityId, "", "", new Count(1, 1), new Count(0, Count.Many)),
                new RelationshipRole($"{id}/to", end, "", "", new Count(0, Count.Many), new Count(1, 1)),
            ],
            null,
            null
        );
        return (
            model with
            {
                Relationships = model.Relationships.Add(line),
            },
            new Seed("relationship-redundant", id, [id, .. Parts(one), .. Parts(other)])
        );
    }

    private (ConceptModel, Seed)? AttributesExchanged(ConceptModel model)
    {
        bool IsTold(EntityType entity, ConceptAttribute attribute) =>
            entity.Kind == EntityKind.Strong
            && IsPlain(entity, attribute)
            && !attribute.Name.Split(' ').Any(word => Everyday.Contains(word, StringComparer.OrdinalIgnoreCase));
        if (
            PickAttribute(model, IsTold) is not (var one, var ours)
            || PickAttribute(model, (entity, attribute) =>
                IsTold(entity, attribute)
                && entity.Id != one.Id
                && attribute.Name != ours.Name
                && !AreKin(model, entity.Id, one.Id)
            )
                is not
                (var other, var theirs)
        )
        {
            return null;
        }

        var changed = Put(model, one, one with { Attributes = one.Attributes.Replace(ours, theirs) });
        return (
            Put(changed, other, other with { Attributes = other.Attributes.Replace(theirs, ours) }),
            new Seed(
                "attributes-exchanged",
                ours.Id,
                [ours.Id, theirs.Id, one.Id + " attributes", other.Id + " attributes", one.Id, other.Id]
            )
        );
    }

    private (ConceptModel, Seed)? WeakAsStrong(ConceptModel model)
    {
        if (
            options.Notation == NotationNames.Uml
            || options.Level != Level.Conceptual
            || Pick(
                model.Entities.Where(entity =>
                    entity is { Kind: EntityKind.Weak, Primary: { Partial: true, OwnerRelationshipIds: [var along] } }
                    && model.Relationships.Any(line =>
                        line.Id == along && line is { EntityId: null, Roles.Length: 2, Attributes.IsEmpty: true }
                    )
                )
            )
                is not { } at
        )
        {
            return null;
        }

        var line = model.Relationships.First(line => line.Id == at.Primary!.OwnerRelationshipIds[0]);
        var key = at.Primary! with { Partial = false, OwnerRelationshipIds = [] };
        var strong = at with { Kind = EntityKind.Strong, Identifiers = at.Identifiers.Replace(at.Primary, key) };
        return (
            Put(model, at, strong) with
            {
                Relationships = model.Relationships.Replace(line, line with { Identifying = false }),
            },
            new Seed(
                "entity-kind-not-shown",
                at.Id,
                [at.Id, at.Id + " key", at.Id + " attributes", .. key.AttributeIds, .. Parts(line)]
            )
        );
    }

    private (ConceptModel, Seed)? EntityDuplicate(ConceptModel model)
    {
        if (
            options.Level != Level.Conceptual
            || PickRelationship(model, relationship =>
                IsLoose(model, relationship)
                && !relationship.IsRecursive
                && relationship.Roles.All(role =>
                    !IsPutIn(role.EntityId)
                    && model.Entities.First(entity => entity.Id == role.EntityId).Kind == EntityKind.Strong
                )
            )
                is not { } line
        )
        {
            return null;
        }

        var (kept, twice) = random.Next(2) == 0 ? (line.Roles[0], line.Roles[1]) : (line.Roles[1], line.Roles[0]);
        var whole = model.Entities.First(entity => entity.Id == twice.EntityId);
        if (model.RelationshipsOf(whole.Id).Count() < 2)
        {
            return null;
        }

        var id = $"needless{++fresh}";
        return (
            model with
            {
                Entities = model.Entities.Add(new EntityType(id, whole.Name, EntityKind.Strong, [], [])),
                Relationships = model.Relationships.Replace(
                    line,
                    line with
                    {
                        Roles = line.Roles.Replace(twice, twice with { EntityId = id }),
                    }
                ),
            },
            new Seed("entity-duplicate", id, [id, "entities", .. Parts(whole), kept.EntityId, .. Parts(line)])
        );
    }

    private (ConceptModel, Seed)? StereotypeNotShown(ConceptModel model) =>
        Pick(model.Entities.Where(entity => entity.Stereotype.Length > 0 && !IsPutIn(entity.Id))) is not { } at
            ? null
            : (Put(model, at, at with { Stereotype = "" }), new Seed("stereotype-not-shown", at.Id, [at.Id]));

    private (ConceptModel, Seed)? ForeignKeyMissing(ConceptModel model) =>
        PickAttribute(model, (entity, attribute) => IsWholeReference(entity, attribute) && !IsKey(entity, attribute))
            is not
            (var owner, var at)
        || options.Level == Level.Conceptual
            ? null
            : (
                Put(model, owner, owner with { Attributes = owner.Attributes.Remove(at) }),
                new Seed(
                    "foreign-key-missing",
                    at.Id,
                    [at.Id, owner.Id + " attributes", .. at.ForeignKeys.Select(key => key.RelationshipId).OfType<string>()]
                )
            );

    // The only column that refers along its relationship.
    private static bool IsWholeReference(EntityType entity, ConceptAttribute attribute) =>
        attribute.ForeignKey?.RelationshipId is { } along && entity.Attributes.Count(other => other.RefersAlong(along)) == 1;

    // Two that nothing ties, directly or over a third.
    private (EntityType One, EntityType Other)? PickTwoApart(ConceptModel model)
    {
        var strong = model.Entities.Where(entity => entity is { Kind: EntityKind.Strong } && !IsPutIn(entity.Id)).ToList();
        var pairs = strong
            .SelectMany(one => strong.Select(other => (One: one, Other: other)))
            .Where(pair =>
                string.CompareOrdinal(pair.One.Id, pair.Other.Id) < 0
                && !AreJoined(model, pair.One.Id, pair.Other.Id)
                && !AreKin(model, pair.One.Id, pair.Other.Id)
                && !model.Entities.Any(third =>
                    AreJoined(model, third.Id, pair.One.Id) && AreJoined(model, third.Id, pair.Other.Id)
                )
            )
            .ToList();
        return pairs.Count == 0 ? null : pairs[random.Next(pairs.Count)];
    }

    private static ConceptAttribute? KeyOf(ConceptModel model, string entityId) =>
        model.Entities.First(entity => entity.Id == entityId)
            is { Kind: EntityKind.Strong, Primary: { Partial: false, AttributeIds: [var only] } } entity
            ? entity.Attributes.First(attribute => attribute.Id == only)
            : null;

    // Nothing refers along it, and nothing goes with it.
    private static bool IsLoose(ConceptModel model, RelationshipType relationship) =>
        relationship
            is {
                Roles.Length: 2,
                EntityId: null,
                Identifying: not true,
                WholeRoleId: null,
                Kind: RelationshipKind.Association,
                Attributes.IsEmpty: true
            }
        && !model.Exclusions.Any(exclusion => exclusion.RelationshipIds.Contains(relationship.Id))
        && !model.Entities.Any(entity => entity.Attributes.Any(attribute => attribute.RefersAlong(relationship.Id)));

    private static bool AreJoined(ConceptModel model, string one, string other) =>
        model.Relationships.Any(relationship =>
            relationship.Roles.Any(role => role.EntityId == one) && relationship.Roles.Any(role => role.EntityId == other)
        );

    private static bool AreKin(ConceptModel model, string one, string other) =>
        model.Specialisations.Any(set =>
            set.Subtypes.Select(link => link.EntityId).Append(set.SupertypeId).ToHashSet(StringComparer.Ordinal) is var family
            && family.Contains(one)
            && family.Contains(other)
        );
}
