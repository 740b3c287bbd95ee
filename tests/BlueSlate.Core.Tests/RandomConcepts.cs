using System.Collections.Immutable;
using System.Globalization;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;

namespace BlueSlate.Core.Tests;

/// <summary>Concept models at random, as far as a notation can say them.</summary>
internal static class RandomConcepts
{
    private static readonly string[] Names = ["Visit", "Item", "Fixer", "Dome", "Show", "Repair part", "Guide", "Bench"];
    private static readonly string[] AttributeNames = ["visit no", "date", "fault", "name", "seats", "theme", "since", "note"];
    private static readonly string[] Verbs = ["brings in", "leads", "uses", "is held in"];
    private static readonly Count[] Counts = [new(0, 1), new(1, 1), new(0, Count.Many), new(1, Count.Many)];

    /// <summary>Models that this notation can say wholly, with ids as a drawing of it would have them.</summary>
    public static Gen<ConceptModel> For(string notation) =>
        Gen.Int[0, int.MaxValue].Select(seed => Make(new Choice(seed), notation));

    private static ConceptModel Make(Choice choice, string notation)
    {
        var count = choice.Next(2, 6);
        var entities = Enumerable.Range(0, count).Select(i => Entity(choice, i, notation)).ToList();
        var relationships = Enumerable.Range(0, choice.Next(0, 5)).Select(i => Relationship(choice, i, count, notation)).ToList();
        var sets = choice.Yes() && count > 2 ? [Set(choice, notation)] : ImmutableArray<Specialisation>.Empty;
        return new ConceptModel([.. entities], [.. relationships]) { Specialisations = sets };
    }

    private static EntityType Entity(Choice choice, int i, string notation)
    {
        var attributes = Enumerable.Range(0, choice.Next(0, 5)).Select(n => Attribute(choice, i, n, notation)).ToImmutableArray();
        var plain = attributes
            .Where(attribute => attribute is { Multivalued: false, Derived: false, Optional: false } && attribute.Parts.IsEmpty)
            .Select(attribute => attribute.Id)
            .ToList();
        ImmutableArray<Identifier> identifiers =
            plain.Count == 0 ? [] : [new Identifier(IdentifierKind.Primary, 0, false, [plain[0]], [])];
        var uml = notation == NotationNames.Uml;
        return new EntityType($"e{i}", Names[i], EntityKind.Strong, attributes, identifiers)
        {
            Abstract = uml && choice.Yes(),
            Operations =
                uml && choice.Yes()
                    ? [new Operation($"e{i}o", "isFree", [new Parameter("on", "Date")], "Boolean") { Visibility = "+" }]
                    : [],
        };
    }

    private static ConceptAttribute Attribute(Choice choice, int i, int n, string notation)
    {
        var attribute = ConceptAttribute.Plain($"e{i}a{n}", AttributeNames[n]);
        return (choice.Next(0, 5), notation) switch
        {
            (0, NotationNames.Uml) => attribute with { Optional = true, Type = "String" },
            (1, NotationNames.Uml) => attribute with { Type = "Integer", Visibility = "-", Default = "30" },
            (2, NotationNames.Uml) => attribute with { Multivalued = true },
            (4, NotationNames.Uml) => attribute with
            {
                Multivalued = true,
                Values = new Count(2, n % 2 == 0 ? Count.Many : n + 4),
            },
            (0, _) => attribute with { Multivalued = true },
            (1, _) => attribute with { Derived = true },
            (2, _) => attribute with
            {
                Parts =
                [
                    new AttributePart(notation == NotationNames.Chen ? $"e{i}a{n}p" : $"e{i}a{n}~1", "first"),
                    new AttributePart(notation == NotationNames.Chen ? $"e{i}a{n}q" : $"e{i}a{n}~2", "last")
                    {
                        Parts = n % 2 == 0 ? [] : [Inner(i, n, 1, "given", notation), Inner(i, n, 2, "family", notation)],
                    },
                ],
            },
            (3, NotationNames.CrowsFoot) => attribute with { Optional = true },
            _ => attribute,
        };
    }

    private static AttributePart Inner(int entity, int attribute, int place, string name, string notation) =>
        new(notation == NotationNames.Chen ? $"e{entity}a{attribute}q{place}" : $"e{entity}a{attribute}~2-{place}", name);

    private static RelationshipType Relationship(Choice choice, int i, int entities, string notation)
    {
        var (a, b) = (choice.Next(0, entities), choice.Next(0, entities));
        Count atA = Counts[choice.Next(0, 4)],
            atB = Counts[choice.Next(0, 4)];
        var chen = notation == NotationNames.Chen;
        RelationshipRole Role(string id, int entity, Count own, Count other) =>
            new(
                id,
                $"e{entity}",
                a == b ? (own == atA && id.EndsWith('m') | id.EndsWith("from", StringComparison.Ordinal) ? "one" : "other") : "",
                "",
                own,
                other
            );
        return new RelationshipType(
            $"r{i}",
            Verbs[choice.Next(0, Verbs.Length)],
            [Role(chen ? $"r{i}x/from" : $"r{i}/from", a, atA, atB), Role(chen ? $"r{i}y/from" : $"r{i}/to", b, atB, atA)],
            notation == NotationNames.Uml ? null : false,
            null
        )
        {
            Attributes = chen && choice.Yes() ? [ConceptAttribute.Plain($"r{i}a", "hours")] : [],
        };
    }

    private static Specialisation Set(Choice choice, string notation)
    {
        var id = notation == NotationNames.Uml ? "s1~set" : "s0";
        return new Specialisation(
            id,
            "e0",
            [new SubtypeLink("s1", "e1"), new SubtypeLink("s2", "e2")],
            choice.Yes(),
            choice.Yes(),
            ""
        );
    }

    private sealed class Choice(int seed)
    {
        private uint state = (uint)seed * 2654435761u + 1;

        public int Next(int least, int most)
        {
            state = (state * 1664525u) + 1013904223u;
            return least + (int)((state >> 8) % (uint)(most - least));
        }

        public bool Yes() => Next(0, 2) == 1;
    }

    /// <summary>All that a model says, as text, whatever the ids and the order.</summary>
    public static string Said(ConceptModel model)
    {
        var names = model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        var lines = model
            .Entities.Select(entity =>
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{entity.Name} {entity.Kind} {entity.Abstract} "
                        + $"{string.Join(',', entity.Attributes.Select(Text).Order(StringComparer.Ordinal))} "
                        + $"{string.Join('|', entity.Operations.Select(Text))} "
                        + $"key {string.Join('|', entity.Identifiers.Select(identifier => Text(entity, identifier)))}"
                )
            )
            .Concat(
                model.Relationships.Select(relationship =>
                    $"{relationship.Name}{string.Concat(relationship.Roles.Select(role => role.Verb))} "
                    + $"{relationship.Kind} {relationship.Identifying == true} "
                    + $"{string.Join(" & ", relationship.Roles.Select(OfRole).Order(StringComparer.Ordinal))} "
                    + $"{string.Join(',', relationship.Attributes.Select(Text))}"
                )
            )
            .Concat(
                model.Specialisations.Select(set =>
                    $"{names[set.SupertypeId]} over "
                    + $"{string.Join(',', set.Subtypes.Select(link => names[link.EntityId]).Order(StringComparer.Ordinal))} "
                    + $"{set.Disjoint} {set.Total} {set.Name}"
                )
            );
        return string.Join('\n', lines.Order(StringComparer.Ordinal));

        string OfRole(RelationshipRole role) => $"{names[role.EntityId]} {role.Role} {role.CoOccurrence}";
    }

    private static string Text(ConceptAttribute attribute) =>
        $"{attribute.Name}{(attribute.Multivalued ? " several" : "")}{(attribute.Derived ? " derived" : "")}{attribute.Values}"
        + $"{(attribute.Optional ? " optional" : "")}:{attribute.Type}{attribute.Visibility}={attribute.Default}"
        + $"({PartText.Write(attribute.Parts.Select(part => part.Text))})";

    private static string Text(Operation operation) =>
        operation.Name + operation.Visibility + operation.Returns + string.Join(',', operation.Parameters);

    private static string Text(EntityType entity, Identifier identifier)
    {
        var within = entity.Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id));
        return $"{identifier.Kind}{identifier.Partial}{string.Join('+', within.Select(attribute => attribute.Name))}";
    }
}
