using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Statements;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language;

/// <summary>
/// Says in plain English what a drawing says, a statement a concept, in the order of the drawing. The same statements can be
/// typed (<see cref="Statements.StatementParser"/>): <c>Item: item no (key), fault, age (derived)</c>; <c>Visit brings in 1 or more Item;
/// Item comes in on exactly 1 Visit</c>; <c>Guide and Steward are kinds of Helper (disjoint, total)</c>.
/// </summary>
public static class SentenceWriter
{
    /// <summary>The verb of a relationship that has none.</summary>
    public const string NoVerb = "goes with";

    /// <summary>All statements of a reading.</summary>
    public static ImmutableArray<Sentence> Write(Reading reading)
    {
        var names = reading.Model.Entities.ToDictionary(
            entity => entity.Id,
            entity => NameOf(entity.Name),
            StringComparer.Ordinal
        );
        return
        [
            .. reading.Model.Entities.SelectMany(entity => OfEntity(entity, reading)),
            .. reading.Model.Relationships.Select(relationship => OfRelationship(relationship, names)),
            .. reading.Model.Specialisations.Select(set => OfSpecialisation(set, names)),
            .. reading.Model.Unions.Select(union => OfUnion(union, names)),
            .. reading.Model.Exclusions.Select(exclusion => OfExclusion(exclusion, reading, names)),
        ];
    }

    /// <summary>A name as it is said, where there may be none.</summary>
    internal static string NameOf(string name) => name.Length == 0 ? "(without a name)" : name;

    private static IEnumerable<Sentence> OfEntity(EntityType entity, Reading reading)
    {
        var pieces = new PieceList();
        pieces.Add(NameOf(entity.Name), entity.Id);
        var kinds = Kinds(entity).ToList();
        pieces.Add(kinds.Count == 0 ? "" : " is " + string.Join(", ", kinds));
        var members = entity
            .Attributes.Select(attribute => (Text: Described(attribute, entity), attribute.Id))
            .Concat(entity.Literals.Select(literal => (Text: literal.Name, literal.Id)))
            .ToList();
        pieces.Add(members.Count == 0 ? "" : ": ");
        pieces.AddList(members, ", ");
        yield return new Sentence(
            entity.Id,
            pieces.ToImmutable(),
            [.. reading.ElementsOf(entity.Id), .. members.Select(member => ConceptId.Of(member.Id).Element)],
            entity.Name.Length == 0 ? "what is this box called?" : Open(entity, reading)
        );

        foreach (var operation in entity.Operations)
        {
            yield return new Sentence(
                operation.Id,
                [new SentencePiece(OfOperation(NameOf(entity.Name), operation), operation.Id)],
                [operation.Id, entity.Id],
                null
            );
        }
    }

    // Where a drawing has keys at all, an entity that is no subtype and no linking one wants one.
    private static string? Open(EntityType entity, Reading reading)
    {
        var exempt =
            !reading.SaysKeys
            || entity.Kind is not (EntityKind.Strong or EntityKind.Weak)
            || reading.Model.Specialisations.Any(set => set.Subtypes.Any(link => link.EntityId == entity.Id));
        return entity.Primary is null && !exempt ? $"what tells one {Phrasing.InText(entity.Name)} from another?" : null;
    }

    private static IEnumerable<string> Kinds(EntityType entity)
    {
        switch (entity.Kind)
        {
            case EntityKind.Weak:
                yield return "weak";
                break;
            case EntityKind.Associative:
                yield return "associative";
                break;
            case EntityKind.Interface:
                yield return "an interface";
                break;
            case EntityKind.Enumeration:
                yield return "an enumeration";
                break;
        }

        if (entity.Abstract)
        {
            yield return "abstract";
        }

        if (entity.Stereotype.Length > 0)
        {
            yield return $"«{entity.Stereotype}»";
        }
    }

    private static string Described(ConceptAttribute attribute, EntityType? entity)
    {
        var markers = new List<string>();
        foreach (var identifier in entity?.Identifiers.Where(identifier => identifier.AttributeIds.Contains(attribute.Id)) ?? [])
        {
            markers.Add(
                identifier.Kind == IdentifierKind.Alternate ? Numbered("alternate key", identifier.Number)
                : identifier.Partial ? "partial key"
                : "key"
            );
        }

        markers.AddRange(attribute.ForeignKeys.Select(foreign => Numbered("foreign key", foreign.Group)));

        AddIf(attribute.Multivalued, "several");
        AddIf(attribute.Values != Count.Unsaid, ValueCount.Write(attribute.Values));
        AddIf(attribute.Derived, "derived");
        AddIf(attribute.Optional, "optional");
        AddIf(attribute.ClassScope, "class scope");
        AddIf(attribute.Visibility.Length > 0, VisibilityWords.Of(attribute.Visibility));
        var text = attribute.Name;
        text += attribute.Parts.IsEmpty ? "" : $" ({PartText.Write(attribute.Parts.Select(part => part.Text))})";
        text += attribute.Type.Length > 0 ? $" of type {attribute.Type}" : "";
        text += attribute.Default.Length > 0 ? $" by default {attribute.Default}" : "";
        return text + (markers.Count > 0 ? $" ({string.Join(", ", markers)})" : "");

        void AddIf(bool said, string word)
        {
            if (said)
            {
                markers.Add(word);
            }
        }
    }

    private static string Numbered(string words, int number) => number < 1 ? words : $"{words} {number}";

    private static string OfOperation(string owner, Operation operation)
    {
        var parameters = operation.Parameters.Select(parameter =>
            parameter.Type.Length > 0 ? $"{parameter.Name} of type {parameter.Type}" : parameter.Name
        );
        var text = $"{owner} can {operation.Name}";
        text += operation.Parameters.IsEmpty ? "" : $" given {string.Join(", ", parameters)}";
        text += operation.Returns.Length > 0 ? $" giving {operation.Returns}" : "";
        var markers = new[]
        {
            operation.Visibility.Length > 0 ? VisibilityWords.Of(operation.Visibility) : "",
            operation.ClassScope ? "class scope" : "",
            operation.Abstract ? "abstract" : "",
        }
            .Where(word => word.Length > 0)
            .ToList();
        return text + (markers.Count > 0 ? $" ({string.Join(", ", markers)})" : "");
    }

    private static Sentence OfRelationship(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var pieces = new PieceList();
        var directed = relationship.Kind is RelationshipKind.Dependency or RelationshipKind.Realization;
        if (directed)
        {
            pieces.Add(names[relationship.Roles[0].EntityId]);
            pieces.Add(relationship.Kind == RelationshipKind.Dependency ? " depends on " : " realises ", relationship.Id);
            pieces.Add(names[relationship.Roles[1].EntityId]);
        }
        else if (relationship.Roles.Length != 2)
        {
            pieces.Add($"{(relationship.Name.Length > 0 ? relationship.Name : "Something")} joins ", relationship.Id);
            pieces.AddList(
                [
                    .. relationship.Roles.Select(role =>
                        ($"{AmountText.Of(role.CoOccurrence)} {names[role.EntityId]}{As(role)}", role.Id)
                    ),
                ],
                ", "
            );
        }
        else
        {
            Half(relationship.Roles[0], relationship.Roles[1]);
            pieces.Add("; ");
            Half(relationship.Roles[1], relationship.Roles[0]);
        }

        if (!relationship.Attributes.IsEmpty)
        {
            pieces.Add("; noting ");
            pieces.AddList([.. relationship.Attributes.Select(attribute => (Described(attribute, null), attribute.Id))], ", ");
        }

        pieces.Add(relationship.EntityId is { } embodied ? $"; as {names[embodied]}" : "");
        var markers = Markers(relationship, names).ToList();
        pieces.Add(markers.Count > 0 ? $" ({string.Join(", ", markers)})" : "");
        return new Sentence(
            relationship.Id,
            pieces.ToImmutable(),
            [
                ConceptId.Of(relationship.Id).Element,
                .. relationship.Roles.Select(role => role.Id),
                .. relationship.Roles.Select(role => role.EntityId).Distinct(StringComparer.Ordinal),
                .. relationship.Attributes.Select(attribute => attribute.Id),
            ],
            directed ? null : Open(relationship, names)
        );

        void Half(RelationshipRole subject, RelationshipRole other)
        {
            // A role of several words is told from the verb by a comma.
            var comma = subject.Role.Contains(' ', StringComparison.Ordinal) ? "," : "";
            pieces.Add($"{names[subject.EntityId]}{As(subject)}{comma} {VerbOf(relationship, subject)} ");
            pieces.Add(AmountText.Of(other.CoOccurrence), other.Id);
            pieces.Add($" {names[other.EntityId]}");
        }
    }

    private static string As(RelationshipRole role) => role.Role.Length > 0 ? $" as {role.Role}" : "";

    private static string VerbOf(RelationshipType relationship, RelationshipRole role) =>
        role.Verb.Length > 0 ? role.Verb
        : relationship.Name.Length > 0 && relationship.Roles[0].Id == role.Id ? relationship.Name
        : NoVerb;

    private static IEnumerable<string> Markers(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        if (relationship.Identifying == true)
        {
            yield return "identifying";
        }

        if (relationship.Roles.FirstOrDefault(role => role.Id == relationship.WholeRoleId) is { } whole)
        {
            yield return $"{Drawings.Hyphens.Of(relationship.Kind)} in {names[whole.EntityId]}";
        }

        if (relationship.Derived)
        {
            yield return "derived";
        }

        foreach (var role in relationship.Roles.Where(role => role.Qualifier.Length > 0))
        {
            yield return $"qualified by {role.Qualifier} at {names[role.EntityId]}";
        }

        foreach (var role in relationship.Roles.Where(role => role.Navigable == true))
        {
            yield return $"navigable to {names[role.EntityId]}";
        }
    }

    private static string? Open(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        if (relationship.Roles.Length != 2)
        {
            return null;
        }

        foreach (var role in relationship.Roles.Where(role => relationship.Other(role).Qualifier.Length == 0))
        {
            var (several, one) = (Phrasing.Several(names[role.EntityId]), Phrasing.One(names[relationship.Other(role).EntityId]));
            switch (role.CoOccurrence)
            {
                case { Min: null, Max: null }:
                    return $"how many {several} go with {one}?";
                case { Min: null }:
                    return $"how many {several}, at least, go with {one}?";
                case { Max: null }:
                    return $"how many {several}, at most, go with {one}?";
                default:
                    break;
            }
        }

        return relationship.IsNamed || relationship.Kind != RelationshipKind.Association || relationship.EntityId is not null
            ? null
            : "what is this relationship called?";
    }

    private static Sentence OfSpecialisation(Specialisation set, IReadOnlyDictionary<string, string> names)
    {
        var pieces = new PieceList();
        pieces.AddList([.. set.Subtypes.Select(link => (names[link.EntityId], link.Id))], " and ");
        pieces.Add(set.Subtypes.Length == 1 ? " is a kind of " : " are kinds of ");
        pieces.Add(names[set.SupertypeId], ConceptId.Of(set.Id).Facet is null ? set.Id : null);
        var markers = new[]
        {
            set.Disjoint switch
            {
                true => "disjoint",
                false => "overlapping",
                null => "",
            },
            set.Total switch
            {
                true => "total",
                false => "partial",
                null => "",
            },
        }.Where(word => word.Length > 0).ToList();
        pieces.Add(set.Name.Length > 0 ? $" by {set.Name}" : "");
        pieces.Add(markers.Count > 0 ? $" ({string.Join(", ", markers)})" : "");
        return new Sentence(
            set.Id,
            pieces.ToImmutable(),
            [
                ConceptId.Of(set.Id).Element,
                .. set.Subtypes.Select(link => ConceptId.Of(link.Id).Element),
                set.SupertypeId,
                .. set.Subtypes.Select(link => link.EntityId),
            ],
            null
        );
    }

    private static Sentence OfUnion(UnionType union, IReadOnlyDictionary<string, string> names)
    {
        var pieces = new PieceList();
        pieces.Add(names[union.CategoryId], union.CategoryId);
        pieces.Add(" is one of ");
        pieces.AddList([.. union.Supertypes.Select(super => (names[super.EntityId], super.Id))], " or ");
        pieces.Add(union.Total == true ? " (total)" : "");
        return new Sentence(
            union.Id,
            pieces.ToImmutable(),
            [union.Id, union.CategoryId, .. union.Supertypes.Select(super => super.EntityId)],
            null
        );
    }

    private static Sentence OfExclusion(ExclusiveConstraint exclusion, Reading reading, IReadOnlyDictionary<string, string> names)
    {
        var titles = exclusion
            .RelationshipIds.Select(id => reading.Model.Relationships.First(relationship => relationship.Id == id))
            .Select(relationship => TieOf(relationship, id => names[id]));
        return new Sentence(
            exclusion.Id,
            [new SentencePiece(ExclusionForm.Lead + string.Join(", or ", titles), exclusion.Id)],
            [exclusion.Id, .. exclusion.RelationshipIds],
            null
        );
    }

    /// <summary>Who, what and whom of a relationship, without how many.</summary>
    internal static string TieOf(RelationshipType relationship, Func<string, string> nameOf) =>
        $"{nameOf(relationship.Roles[0].EntityId)} {VerbOf(relationship, relationship.Roles[0])} {nameOf(relationship.Roles[^1].EntityId)}";

    private sealed class PieceList
    {
        private readonly ImmutableArray<SentencePiece>.Builder pieces = ImmutableArray.CreateBuilder<SentencePiece>();

        public void Add(string text, string? conceptId = null)
        {
            if (text.Length > 0)
            {
                pieces.Add(new SentencePiece(text, conceptId is null ? null : ConceptId.Of(conceptId).Element));
            }
        }

        public void AddList(List<(string Text, string Id)> items, string between)
        {
            for (var i = 0; i < items.Count; i++)
            {
                Add(i == 0 ? "" : between);
                Add(items[i].Text, items[i].Id);
            }
        }

        public ImmutableArray<SentencePiece> ToImmutable() => pieces.ToImmutable();
    }
}

/// <summary>The signs of visibility in words.</summary>
internal static class VisibilityWords
{
    private static readonly (string Sign, string Word)[] All =
    [
        ("+", "public"),
        ("-", "private"),
        ("#", "protected"),
        ("~", "package"),
    ];

    public static string Of(string sign) => All.FirstOrDefault(pair => pair.Sign == sign).Word ?? "";

    public static string? SignOf(string word) => All.FirstOrDefault(pair => pair.Word == word).Sign;
}
