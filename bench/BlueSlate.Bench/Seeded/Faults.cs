using System.Collections.Immutable;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Faults of known kinds at places chosen by chance. A fault touches concepts, and no other is put where one has touched: what
/// one absorbs is never counted as found or missed. Null where there is no place for it.
/// </summary>
internal sealed partial class Faults(Random random, NotationOptions options, IReadOnlySet<string> tolerated)
{
    private static readonly string[] Strange = ["favourite colour", "shoe size", "horoscope", "lucky charm", "star sign"];

    private readonly HashSet<string> touched = new(StringComparer.Ordinal);
    private int fresh;

    public (ConceptModel Model, Seed Seed)? Put(ConceptModel model)
    {
        Func<ConceptModel, (ConceptModel, Seed)?>[] kinds =
        [
            EntityMissing,
            AttributeMissing,
            AttributeExtra,
            KeyMissing,
            RelationshipMissing,
            Minimum,
            Maximum,
            EndsSwapped,
            Form,
            Disjointness,
            Totality,
            OperationMissing,
            Signature,
            Type,
            Abstract,
            LinkKind,
            EntityExtra,
            KeyWrong,
            AttributeMisplaced,
            SubtypeMissing,
            Visibility,
            LiteralMissing,
            AlternateKeyMissing,
            WholePartReversed,
            AttributeAsEntity,
            RelationshipExtra,
            RelationshipAstray,
            EntityAsAttribute,
            SpecialisationReversed,
            RepeatedInSubtypes,
            KeyNotMinimal,
            ForeignKeyInConceptual,
            OperationMisplaced,
            ClassScope,
            ForeignKeyMissing,
            RelationshipRedundant,
            AttributesExchanged,
            StereotypeNotShown,
            WeakAsStrong,
            EntityDuplicate,
        ];
        if (
            kinds[random.Next(kinds.Length)](model) is not (var changed, var seed)
            || seed.Touched.Any(touched.Contains)
            || tolerated.Any(fact => fact.EndsWith(":" + seed.Place, StringComparison.Ordinal))
        )
        {
            return null;
        }

        touched.UnionWith(seed.Touched);
        return (changed, seed);
    }

    private (ConceptModel, Seed)? EntityMissing(ConceptModel model)
    {
        if (
            Pick(
                model.Entities.Where(entity =>
                    !model.Specialisations.Any(set =>
                        set.SupertypeId == entity.Id
                        || set.Subtypes.Length < 3 && set.Subtypes.Any(link => link.EntityId == entity.Id)
                    )
                    && !model.Unions.Any()
                    && !model.Relationships.Any(relationship =>
                        relationship.EntityId == entity.Id
                        || (relationship.Roles.Length > 2 && relationship.Roles.Any(role => role.EntityId == entity.Id))
                    )
                )
            )
            is not { } gone
        )
        {
            return null;
        }

        var lines = model.RelationshipsOf(gone.Id).ToList();

        // What a foreign key or an identifying line of another refers to goes with it, and is no mistake of its own.
        if (
            lines.Any(line => line.Identifying == true)
            || model.Entities.Any(entity => entity.Attributes.Any(attribute => lines.Any(line => attribute.RefersAlong(line.Id))))
        )
        {
            return null;
        }

        var changed = model with
        {
            Entities = model.Entities.Remove(gone),
            Relationships = [.. model.Relationships.Except(lines)],
            Specialisations =
            [
                .. model.Specialisations.Select(set =>
                    set with
                    {
                        Subtypes = [.. set.Subtypes.Where(link => link.EntityId != gone.Id)],
                    }
                ),
            ],
            Exclusions =
            [
                .. model.Exclusions.Where(exclusion => !lines.Any(line => exclusion.RelationshipIds.Contains(line.Id))),
            ],
        };
        return (
            changed,
            new Seed(
                "entity-missing",
                gone.Id,
                [
                    gone.Id,
                    "entities",
                    gone.Id + " line",
                    .. Parts(gone),
                    .. lines.SelectMany(line => Parts(line)),
                    .. lines.SelectMany(line => line.Roles).Select(role => role.EntityId),
                ]
            )
        );
    }

    private (ConceptModel, Seed)? AttributeMissing(ConceptModel model) =>
        PickAttribute(model, (entity, attribute) => !IsKey(entity, attribute) && attribute.ForeignKey is null)
            is not
            (var owner, var gone)
            ? null
            : (
                Put(model, owner, owner with { Attributes = owner.Attributes.Remove(gone) }),
                new Seed("attribute-missing", gone.Id, [gone.Id, owner.Id + " attributes"])
            );

    private (ConceptModel, Seed)? AttributeExtra(ConceptModel model)
    {
        if (
            Pick(model.Entities.Where(entity => entity is { Kind: EntityKind.Strong or EntityKind.Weak } && !IsPutIn(entity.Id)))
            is not { } owner
        )
        {
            return null;
        }

        var id = $"extra{++fresh}";
        var extra = Text(id, Strange[random.Next(Strange.Length)]);
        return (
            Put(model, owner, owner with { Attributes = owner.Attributes.Add(extra) }),
            new Seed("attribute-extra", id, [id, owner.Id + " attributes"])
        );
    }

    private (ConceptModel, Seed)? KeyMissing(ConceptModel model) =>
        Pick(
            model.Entities.Where(entity =>
                entity.Primary is { Partial: false, AttributeIds.IsEmpty: false }
                && options.Level == Level.Conceptual
                && entity.Kind == EntityKind.Strong
                && entity.Identifiers.Length == 1
                && !IsPutIn(entity.Id)
            )
        )
            is not { } owner
            ? null
            : (
                Put(model, owner, owner with { Identifiers = [] }),
                new Seed("key-missing", owner.Id, [owner.Id, owner.Id + " key", .. owner.Primary!.AttributeIds])
            );

    private (ConceptModel, Seed)? RelationshipMissing(ConceptModel model) =>
        PickRelationship(model, relationship =>
            relationship is { Identifying: not true, EntityId: null, Roles.Length: 2, Attributes.IsEmpty: true }
            && !model.Exclusions.Any(exclusion => exclusion.RelationshipIds.Contains(relationship.Id))
            && !model.Entities.Any(entity => entity.Attributes.Any(attribute => attribute.RefersAlong(relationship.Id)))
        )
            is not { } gone
            ? null
            : (
                model with
                {
                    Relationships = model.Relationships.Remove(gone),
                },
                new Seed("relationship-missing", gone.Id, Parts(gone))
            );

    private (ConceptModel, Seed)? Minimum(ConceptModel model) =>
        AtEnd(model, "cardinality-min", count => count.Min is 0 or 1 ? count with { Min = 1 - count.Min } : null, _ => true);

    private (ConceptModel, Seed)? Maximum(ConceptModel model) =>
        AtEnd(
            model,
            "cardinality-max",
            count =>
                count.Max switch
                {
                    1 => count with { Max = Count.Many },
                    Count.Many when count.Min <= 1 => count with { Max = 1 },
                    _ => null,
                },
            relationship =>
                options.Level == Level.Conceptual
                && relationship.WholeRoleId is null
                && relationship.Identifying != true
                && relationship.Attributes.IsEmpty
        );

    private (ConceptModel, Seed)? AtEnd(
        ConceptModel model,
        string code,
        Func<Count, Count?> change,
        Func<RelationshipType, bool> fits
    )
    {
        if (
            PickRelationship(model, relationship =>
                relationship
                    is {
                        Roles.Length: 2,
                        EntityId: null,
                        Kind: not (RelationshipKind.Dependency or RelationshipKind.Realization)
                    }
                && fits(relationship)
            )
            is not { } at
        )
        {
            return null;
        }

        var (one, other) = random.Next(2) == 0 ? (at.Roles[0], at.Roles[1]) : (at.Roles[1], at.Roles[0]);
        if (change(one.CoOccurrence) is not { } count)
        {
            return null;
        }

        var roles = at.Roles.Replace(one, one with { CoOccurrence = count }).Replace(other, other with { Participation = count });
        return (
            model with
            {
                Relationships = model.Relationships.Replace(at, at with { Roles = roles }),
            },
            new Seed(code, one.Id, Parts(at))
        );
    }

    private (ConceptModel, Seed)? EndsSwapped(ConceptModel model)
    {
        if (
            PickRelationship(model, relationship =>
                relationship
                    is {
                        Roles.Length: 2,
                        EntityId: null,
                        IsRecursive: false,
                        Identifying: not true,
                        WholeRoleId: null,
                        Kind: RelationshipKind.Association,
                        Attributes.IsEmpty: true
                    }
                && relationship.Roles[0].CoOccurrence is { Min: not null, Max: not null } a
                && relationship.Roles[1].CoOccurrence is { Min: not null, Max: not null } b
                && a.Max != b.Max
                && a.Min != b.Min
                && !model.Entities.Any(entity => entity.Attributes.Any(attribute => attribute.RefersAlong(relationship.Id)))
            )
            is not { } at
        )
        {
            return null;
        }

        var (first, second) = (at.Roles[0], at.Roles[1]);
        ImmutableArray<RelationshipRole> roles =
        [
            first with
            {
                CoOccurrence = second.CoOccurrence,
                Participation = second.Participation,
            },
            second with
            {
                CoOccurrence = first.CoOccurrence,
                Participation = first.Participation,
            },
        ];
        return (
            model with
            {
                Relationships = model.Relationships.Replace(at, at with { Roles = roles }),
            },
            new Seed("ends-swapped", first.Id, Parts(at))
        );
    }

    private (ConceptModel, Seed)? Form(ConceptModel model)
    {
        if (PickAttribute(model, (_, attribute) => attribute.Multivalued || attribute.Derived) is not (var owner, var at))
        {
            return null;
        }

        return (
            Put(
                model,
                owner,
                owner with
                {
                    Attributes = owner.Attributes.Replace(at, at with { Multivalued = false, Derived = false }),
                }
            ),
            new Seed("attribute-form-not-shown", at.Id, [at.Id, owner.Id + " attributes"])
        );
    }

    private (ConceptModel, Seed)? Disjointness(ConceptModel model) =>
        Pick(model.Specialisations.Where(set => set.Disjoint is not null && set.Subtypes.Length > 1)) is not { } at
            ? null
            : (
                model with
                {
                    Specialisations = model.Specialisations.Replace(at, at with { Disjoint = !at.Disjoint }),
                },
                new Seed("specialisation-disjointness", at.Id, [at.Id])
            );

    private (ConceptModel, Seed)? Totality(ConceptModel model) =>
        Pick(model.Specialisations.Where(set => set.Total is not null && set.Subtypes.Length > 1)) is not { } at
            ? null
            : (
                model with
                {
                    Specialisations = model.Specialisations.Replace(at, at with { Total = !at.Total }),
                },
                new Seed("specialisation-totality", at.Id, [at.Id])
            );

    private (ConceptModel, Seed)? OperationMissing(ConceptModel model) =>
        PickOperation(model, entity => entity.Kind == EntityKind.Strong) is not (var owner, var gone)
            ? null
            : (
                Put(model, owner, owner with { Operations = owner.Operations.Remove(gone) }),
                new Seed("operation-missing", gone.Id, [gone.Id])
            );

    private (ConceptModel, Seed)? Signature(ConceptModel model) =>
        PickOperation(model, _ => options.WantsSignatures) is not (var owner, { Parameters.Length: > 0 } at)
            ? null
            : (
                Put(model, owner, owner with { Operations = owner.Operations.Replace(at, at with { Parameters = [] }) }),
                new Seed("operation-signature", at.Id, [at.Id])
            );

    private (ConceptModel, Seed)? Type(ConceptModel model) =>
        PickAttribute(model, (_, attribute) => options.WantsSignatures && attribute.Type is "String" or "Integer" or "Date")
            is not
            (var owner, var at)
            ? null
            : (
                Put(model, owner, owner with { Attributes = owner.Attributes.Replace(at, at with { Type = "Boolean" }) }),
                new Seed("type", at.Id, [at.Id, owner.Id + " attributes"])
            );

    private (ConceptModel, Seed)? Abstract(ConceptModel model) =>
        Pick(model.Entities.Where(entity => entity.Abstract)) is not { } at
            ? null
            : (Put(model, at, at with { Abstract = false }), new Seed("abstract-missing", at.Id, [at.Id]));

    private (ConceptModel, Seed)? LinkKind(ConceptModel model) =>
        PickRelationship(model, relationship => relationship.Kind is RelationshipKind.Aggregation or RelationshipKind.Composition)
            is not { } at
            ? null
            : (
                model with
                {
                    Relationships = model.Relationships.Replace(
                        at,
                        at with
                        {
                            Kind =
                                at.Kind == RelationshipKind.Aggregation
                                    ? RelationshipKind.Composition
                                    : RelationshipKind.Aggregation,
                        }
                    ),
                },
                new Seed("relationship-kind", at.Id, Parts(at))
            );

    private (EntityType Owner, ConceptAttribute Attribute)? PickAttribute(
        ConceptModel model,
        Func<EntityType, ConceptAttribute, bool> fits
    )
    {
        var all = model
            .Entities.Where(entity =>
                !IsPutIn(entity.Id) && !model.Relationships.Any(relationship => relationship.EntityId == entity.Id)
            )
            .SelectMany(entity =>
                entity.Attributes.Where(attribute => fits(entity, attribute)).Select(attribute => (entity, attribute))
            )
            .ToList();
        return all.Count == 0 ? null : all[random.Next(all.Count)];
    }

    private (EntityType Owner, Operation Operation)? PickOperation(ConceptModel model, Func<EntityType, bool> fits)
    {
        var all = model
            .Entities.Where(fits)
            .SelectMany(entity => entity.Operations.Select(operation => (entity, operation)))
            .ToList();
        return all.Count == 0 ? null : all[random.Next(all.Count)];
    }

    private RelationshipType? PickRelationship(ConceptModel model, Func<RelationshipType, bool> fits) =>
        Pick(model.Relationships.Where(fits));

    private T? Pick<T>(IEnumerable<T> places)
        where T : class
    {
        var all = places.ToList();
        return all.Count == 0 ? null : all[random.Next(all.Count)];
    }

    // An attribute that wants nothing of its form.
    private ConceptAttribute Text(string id, string name) =>
        ConceptAttribute.Plain(id, name) with
        {
            Type = options.WantsSignatures ? "String" : "",
            Visibility = options.WantsSignatures ? "-" : "",
        };

    // What is too much has no faults of its own.
    private static bool IsPutIn(string id) =>
        id.StartsWith("needless", StringComparison.Ordinal) || id.StartsWith("box", StringComparison.Ordinal);

    private static bool IsKey(EntityType entity, ConceptAttribute attribute) =>
        entity.Identifiers.Any(identifier => identifier.AttributeIds.Contains(attribute.Id));

    private static ConceptModel Put(ConceptModel model, EntityType before, EntityType after) =>
        model with
        {
            Entities = model.Entities.Replace(before, after),
        };

    private static ImmutableArray<string> Parts(EntityType entity) =>
        [
            entity.Id,
            entity.Id + " attributes",
            entity.Id + " key",
            .. entity.Attributes.Select(attribute => attribute.Id),
            .. entity.Operations.Select(operation => operation.Id),
        ];

    private static ImmutableArray<string> Parts(RelationshipType relationship) =>
        [
            relationship.Id,
            .. relationship.Roles.Select(role => role.Id),
            .. relationship.Roles.Select(role => role.EntityId + " line"),
        ];
}
