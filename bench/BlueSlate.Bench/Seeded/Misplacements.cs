using System.Collections.Immutable;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Faults in what sort of thing is drawn for what, and where: too much, in another place, as another sort, or not marked as what
/// it is.
/// </summary>
internal sealed partial class Faults
{
    // What no scenario asks for.
    private static readonly string[] Needless = ["Brochure", "Car park", "Mascot", "Weather forecast", "Newsletter"];

    // What attributes of anything are called tells nothing of where one belongs.
    private static readonly string[] Everyday =
    [
        "name",
        "date",
        "number",
        "code",
        "kind",
        "type",
        "title",
        "price",
        "time",
        "note",
        "description",
        "descr",
    ];

    private (ConceptModel, Seed)? EntityExtra(ConceptModel model)
    {
        if (Pick(model.Entities.Where(entity => entity.Kind == EntityKind.Strong && !IsPutIn(entity.Id))) is not { } beside)
        {
            return null;
        }

        var id = $"needless{++fresh}";
        var name = Text($"{id}a", "printed by");
        var entity = new EntityType(
            id,
            Needless[random.Next(Needless.Length)],
            EntityKind.Strong,
            [name],
            options.Notation == NotationNames.Uml ? [] : [new Identifier(IdentifierKind.Primary, 0, false, [name.Id], [])]
        );
        var line = new RelationshipType(
            $"{id}r",
            "shows",
            [
                new RelationshipRole($"{id}r/from", id, "", "", new Count(0, Count.Many), new Count(0, 1)),
                new RelationshipRole($"{id}r/to", beside.Id, "", "", new Count(0, 1), new Count(0, Count.Many)),
            ],
            null,
            null
        );
        return model.Entities.Any(other => other.Name == entity.Name)
            ? null
            : (
                model with
                {
                    Entities = model.Entities.Add(entity),
                    Relationships = model.Relationships.Add(line),
                },
                new Seed("entity-extra", id, [id, "entities", beside.Id + " line"])
            );
    }

    private (ConceptModel, Seed)? KeyWrong(ConceptModel model)
    {
        if (PickSingleKeyed(model) is not { } at)
        {
            return null;
        }

        var other = Pick(at.Attributes.Where(attribute => IsPlain(at, attribute)))!;
        var key = at.Primary! with { AttributeIds = [other.Id] };
        return (
            Put(model, at, at with { Identifiers = [key] }),
            new Seed("key-wrong", at.Primary.AttributeIds[0], [at.Id + " key", at.Id + " attributes", other.Id, at.Id])
        );
    }

    private (ConceptModel, Seed)? AttributeMisplaced(ConceptModel model)
    {
        if (
            PickAttribute(model, (entity, attribute) =>
                entity.Kind == EntityKind.Strong
                && IsPlain(entity, attribute)
                && !attribute.Name.Split(' ').Any(word => Everyday.Contains(word, StringComparer.OrdinalIgnoreCase))
            )
                is not
                (var owner, var at)
            || Pick(
                model.Entities.Where(entity =>
                    entity.Kind == EntityKind.Strong
                    && !IsPutIn(entity.Id)
                    && entity.Id != owner.Id
                    && !model.Relationships.Any(relationship => relationship.EntityId == entity.Id)
                    && !model.Specialisations.Any(set =>
                        set.SupertypeId == owner.Id || set.Subtypes.Any(link => link.EntityId == owner.Id)
                    )
                )
            )
                is not { } elsewhere
        )
        {
            return null;
        }

        var moved = Put(model, owner, owner with { Attributes = owner.Attributes.Remove(at) });
        return (
            Put(moved, elsewhere, elsewhere with { Attributes = elsewhere.Attributes.Add(at) }),
            new Seed("attribute-misplaced", at.Id, [at.Id, owner.Id + " attributes", elsewhere.Id + " attributes"])
        );
    }

    private (ConceptModel, Seed)? SubtypeMissing(ConceptModel model)
    {
        if (Pick(model.Specialisations.Where(set => set.Subtypes.Length > 2)) is not { } set)
        {
            return null;
        }

        var gone = set.Subtypes[random.Next(set.Subtypes.Length)];
        return (
            model with
            {
                Specialisations = model.Specialisations.Replace(set, set with { Subtypes = set.Subtypes.Remove(gone) }),
            },
            new Seed("specialisation-missing", gone.Id, [set.Id, gone.Id, gone.EntityId, "entities"])
        );
    }

    private (ConceptModel, Seed)? Visibility(ConceptModel model) =>
        PickAttribute(model, (_, attribute) => options.WantsSignatures && attribute.Visibility is "-" or "#")
            is not
            (var owner, var at)
            ? null
            : (
                Put(model, owner, owner with { Attributes = owner.Attributes.Replace(at, at with { Visibility = "+" }) }),
                new Seed("visibility", at.Id, [at.Id, owner.Id + " attributes"])
            );

    private (ConceptModel, Seed)? LiteralMissing(ConceptModel model)
    {
        if (Pick(model.Entities.Where(entity => entity.Literals.Length > 2)) is not { } at)
        {
            return null;
        }

        var gone = at.Literals[random.Next(at.Literals.Length)];
        return (
            Put(model, at, at with { Literals = at.Literals.Remove(gone) }),
            new Seed("literal-missing", gone.Id, [gone.Id, at.Id, at.Id + " attributes"])
        );
    }

    private (ConceptModel, Seed)? AlternateKeyMissing(ConceptModel model)
    {
        if (
            Pick(model.Entities.Where(entity => entity.Identifiers.Any(key => key.Kind == IdentifierKind.Alternate)))
            is not { } at
        )
        {
            return null;
        }

        var key = at.Identifiers.First(key => key.Kind == IdentifierKind.Alternate);
        return (
            Put(model, at, at with { Identifiers = at.Identifiers.Remove(key) }),
            new Seed("alternate-key-missing", key.AttributeIds[0], [at.Id + " key", at.Id + " attributes", .. key.AttributeIds])
        );
    }

    private (ConceptModel, Seed)? WholePartReversed(ConceptModel model) =>
        PickRelationship(model, relationship => relationship is { WholeRoleId: not null, IsRecursive: false, Roles.Length: 2 })
            is not { } at
            ? null
            : (
                model with
                {
                    Relationships = model.Relationships.Replace(
                        at,
                        at with
                        {
                            WholeRoleId = at.Roles.First(role => role.Id != at.WholeRoleId).Id,
                        }
                    ),
                },
                new Seed("whole-part-reversed", at.Id, Parts(at))
            );

    private (ConceptModel, Seed)? AttributeAsEntity(ConceptModel model)
    {
        if (
            PickAttribute(model, (entity, attribute) => entity.Kind == EntityKind.Strong && IsPlain(entity, attribute))
            is not
            (var owner, var at)
        )
        {
            return null;
        }

        var id = $"box{++fresh}";
        var inside = ConceptAttribute.Plain($"{id}a", at.Name) with { Type = at.Type, Visibility = at.Visibility };
        var entity = new EntityType(
            id,
            at.Name,
            EntityKind.Strong,
            [inside],
            options.Notation == NotationNames.Uml ? [] : [new Identifier(IdentifierKind.Primary, 0, false, [inside.Id], [])]
        );
        var line = new RelationshipType(
            $"{id}r",
            "has",
            [
                new RelationshipRole($"{id}r/from", owner.Id, "", "", new Count(0, Count.Many), new Count(1, 1)),
                new RelationshipRole($"{id}r/to", id, "", "", new Count(1, 1), new Count(0, Count.Many)),
            ],
            null,
            null
        );
        var without = Put(model, owner, owner with { Attributes = owner.Attributes.Remove(at) });
        return options.Level != Level.Conceptual
            ? null
            : (
                without with
                {
                    Entities = without.Entities.Add(entity),
                    Relationships = without.Relationships.Add(line),
                },
                new Seed("attribute-as-entity", at.Id, [at.Id, "entities", owner.Id + " attributes", owner.Id + " line"])
            );
    }

    // One that a single attribute tells apart, with another that could as well.
    private EntityType? PickSingleKeyed(ConceptModel model) =>
        options.Notation == NotationNames.Uml || options.Level != Level.Conceptual
            ? null
            : Pick(
                model.Entities.Where(entity =>
                    entity
                        is { Kind: EntityKind.Strong, Primary: { Partial: false, AttributeIds.Length: 1 }, Identifiers.Length: 1 }
                    && entity.Attributes.Any(attribute => IsPlain(entity, attribute))
                    && !IsPutIn(entity.Id)
                )
            );

    private static bool IsPlain(EntityType entity, ConceptAttribute attribute) =>
        !IsKey(entity, attribute)
        && attribute is { ForeignKey: null, Multivalued: false, Derived: false, Optional: false, Parts.IsEmpty: true };
}
