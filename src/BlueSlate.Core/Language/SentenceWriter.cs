using System.Collections.Immutable;
using BlueSlate.Core.Concepts;

namespace BlueSlate.Core.Language;

/// <summary>Says in plain English what a drawing says: one statement an entity, one a relationship, in the order of the drawing.</summary>
public static class SentenceWriter
{
    /// <summary>All statements of a reading.</summary>
    public static ImmutableArray<Sentence> Write(Reading reading)
    {
        var names = reading.Model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal);
        return [
            .. reading.Model.Entities.Select(entity => OfEntity(entity, reading, names)),
            .. reading.Model.Relationships.Select(relationship => OfRelationship(relationship, names)),
        ];
    }

    private static Sentence OfEntity(EntityType entity, Reading reading, IReadOnlyDictionary<string, string> names)
    {
        if (entity.Name.Length == 0 && entity.Attributes.IsEmpty)
        {
            return new Sentence(entity.Id, [new SentencePiece("A box without a name.", entity.Id)], reading.ElementsOf(entity.Id), "what is this box called?");
        }

        var pieces = new PieceList();
        pieces.Add(Phrasing.Capital(Phrasing.One(entity.Name)), entity.Id);
        var key = entity.Primary;
        var keyAttributes = key is null ? [] : entity.Attributes.Where(attribute => key.AttributeIds.Contains(attribute.Id)).ToList();
        var rest = entity.Attributes.Where(attribute => !keyAttributes.Contains(attribute)).ToList();
        if (key is not null)
        {
            var owners = Owners(entity, key, reading, names);
            pieces.Add(owners.Count > 0 ? $" is known, within its {Phrasing.List(owners)}," : " is known");
            pieces.Add(keyAttributes.Count > 0 ? " by its " : owners.Count > 0 ? " by nothing more" : "");
            pieces.AddList(keyAttributes.Select(attribute => (Bare(attribute), attribute.Id)).ToList());
        }

        if (rest.Count > 0)
        {
            pieces.Add(key is null ? " has " : " and has ");
            pieces.AddList(rest.Select(attribute => (Described(attribute, entity), attribute.Id)).ToList());
        }
        else if (key is null)
        {
            pieces.Add(" is something worth keeping");
        }

        pieces.Add(".");
        var open = entity.Name.Length == 0 ? "what is this box called?"
            : key is null ? $"what tells one {Phrasing.InText(entity.Name)} from another?"
            : null;
        return new Sentence(entity.Id, pieces.ToImmutable(), [.. reading.ElementsOf(entity.Id), .. entity.Attributes.Select(attribute => attribute.Id)], open);
    }

    private static List<string> Owners(EntityType entity, Identifier key, Reading reading, IReadOnlyDictionary<string, string> names) =>
        [.. key.OwnerRelationshipIds
            .Select(id => reading.Model.Relationships.First(relationship => relationship.Id == id))
            .Select(relationship => relationship.Roles.First(role => role.EntityId != entity.Id))
            .Select(role => Phrasing.InText(names[role.EntityId]))];

    private static string Bare(ConceptAttribute attribute) =>
        Phrasing.InText(attribute.Name) + (attribute.Parts.IsEmpty ? "" : $" ({string.Join(", ", attribute.Parts)})");

    private static string Described(ConceptAttribute attribute, EntityType entity)
    {
        var alternate = entity.Identifiers.Any(identifier => identifier.Kind == IdentifierKind.Alternate && identifier.AttributeIds.Contains(attribute.Id));
        var text = attribute.Multivalued ? $"one or more {Phrasing.Several(attribute.Name)}" : Phrasing.One(attribute.Name);
        text += attribute.Parts.IsEmpty ? "" : $" ({string.Join(", ", attribute.Parts)})";
        text += alternate ? " (no two alike)" : "";
        text += attribute.Derived ? " (worked out)" : "";
        text += attribute.ForeignKey is null ? "" : " (foreign key)";
        return attribute.Optional ? "perhaps " + text : text;
    }

    private static Sentence OfRelationship(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var pieces = new PieceList();
        if (relationship.Roles.Length != 2)
        {
            pieces.Add($"{Phrasing.Capital(relationship.Name.Length > 0 ? relationship.Name : "Something")} goes between ", relationship.Id);
            pieces.AddList(relationship.Roles.Select(role => (Phrasing.Counted(role.CoOccurrence, names[role.EntityId]), role.Id)).ToList());
            pieces.Add(".");
        }
        else
        {
            Half(relationship.Roles[0], relationship.Roles[1], capital: true);
            pieces.Add("; ");
            Half(relationship.Roles[1], relationship.Roles[0], capital: false);
            pieces.Add(".");
        }

        return new Sentence(
            relationship.Id,
            pieces.ToImmutable(),
            [relationship.Id, .. relationship.Roles.Select(role => role.Id), .. relationship.Roles.Select(role => role.EntityId).Distinct(StringComparer.Ordinal)],
            Open(relationship, names));

        void Half(RelationshipRole subject, RelationshipRole other, bool capital)
        {
            var one = Phrasing.One(names[subject.EntityId]);
            var role = subject.Role.Length > 0 ? $", as {Phrasing.InText(subject.Role)}," : "";
            pieces.Add($"{(capital ? Phrasing.Capital(one) : one)}{role} {Phrasing.Verb(relationship, subject)} ");
            pieces.Add(Phrasing.Amount(other.CoOccurrence), other.Id);
            pieces.Add(Phrasing.Counted(other.CoOccurrence, names[other.EntityId])[Phrasing.Amount(other.CoOccurrence).Length..]);
        }
    }

    private static string? Open(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        if (relationship.Roles.Length != 2)
        {
            return null;
        }

        foreach (var role in relationship.Roles)
        {
            var other = relationship.Other(role);
            var pair = (Several: Phrasing.Several(names[role.EntityId]), One: Phrasing.One(names[other.EntityId]));
            switch (role.CoOccurrence)
            {
                case { Min: null, Max: null }: return $"how many {pair.Several} go with {pair.One}?";
                case { Min: null }: return $"how many {pair.Several}, at least, go with {pair.One}?";
                case { Max: null }: return $"how many {pair.Several}, at most, go with {pair.One}?";
                default: break;
            }
        }

        return relationship.IsNamed ? null : "what is this relationship called?";
    }

    private sealed class PieceList
    {
        private readonly ImmutableArray<SentencePiece>.Builder pieces = ImmutableArray.CreateBuilder<SentencePiece>();

        public void Add(string text, string? elementId = null)
        {
            if (text.Length > 0)
            {
                pieces.Add(new SentencePiece(text, elementId));
            }
        }

        public void AddList(List<(string Text, string Id)> items)
        {
            for (var i = 0; i < items.Count; i++)
            {
                Add(i == 0 ? "" : i == items.Count - 1 ? " and " : ", ");
                Add(items[i].Text, items[i].Id);
            }
        }

        public ImmutableArray<SentencePiece> ToImmutable() => pieces.ToImmutable();
    }
}
