using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>How well what refers to a parent goes with the parent's key as it is drawn.</summary>
public enum ReferenceFit
{
    Whole,
    Part,
    More,
    OtherColumn,
    Unsaid,
}

/// <summary>The columns of one entity type that refer along one relationship, and whom they mean.</summary>
/// <param name="Holder">The entity type that holds the columns.</param>
/// <param name="Along">The relationship for which they stand.</param>
/// <param name="ParentRole">The end of it at which the parent is.</param>
/// <param name="Parent">The entity type to which they refer.</param>
/// <param name="Columns">The columns, in their order.</param>
public sealed record ForeignReference(
    EntityType Holder,
    RelationshipType Along,
    RelationshipRole ParentRole,
    EntityType Parent,
    ImmutableArray<ConceptAttribute> Columns
)
{
    private const double Sureness = 0.6;
    private const double AlikeName = 0.9;

    /// <summary>
    /// Whether the columns are the parent's key as drawn; unsaid where that is drawn without a key of its own.
    /// </summary>
    public ReferenceFit Fit
    {
        get
        {
            if (
                ParentRole.CoOccurrence.Max == Count.Many
                || Parent.Primary is not { AttributeIds.IsEmpty: false, OwnerRelationshipIds.IsEmpty: true } key
            )
            {
                return ReferenceFit.Unsaid;
            }

            if (OtherColumn is not null)
            {
                return ReferenceFit.OtherColumn;
            }

            var size = Parent.Identifiers.Any(other =>
                other.Kind == IdentifierKind.Alternate && other.AttributeIds.Length == Columns.Length
            )
                ? Columns.Length
                : key.AttributeIds.Length;
            return Columns.Length + Shared(key) < size ? ReferenceFit.Part
                : Columns.Length > size && InOneGroup() ? ReferenceFit.More
                : ReferenceFit.Whole;
        }
    }

    /// <summary>The attribute of the parent, no part of any key there, after which a single column is named; or null.</summary>
    public ConceptAttribute? OtherColumn
    {
        get
        {
            if (Columns is not [var only])
            {
                return null;
            }

            var (column, parent) = (Name.Of(only.Name), Name.Of(Parent.Name));
            var keys = Parent.Identifiers.SelectMany(identifier => identifier.AttributeIds).ToHashSet(StringComparer.Ordinal);
            return Likeness(column, Parent, keys) >= AlikeName
                ? null
                : Parent.Attributes.FirstOrDefault(attribute =>
                    attribute.ForeignKey is null
                    && !keys.Contains(attribute.Id)
                    && NameSimilarity.OfAttributes(Name.Of(attribute.Name), parent, column, parent).Value >= AlikeName
                );
        }
    }

    // Whether the columns carry one number: they are drawn as parts of one reference.
    private bool InOneGroup()
    {
        int? GroupOf(ConceptAttribute column) => column.ForeignKeys.FirstOrDefault(key => key.RelationshipId == Along.Id)?.Group;
        return Columns.All(column => GroupOf(column) > 0 && GroupOf(column) == GroupOf(Columns[0]));
    }

    /// <summary>The names of the parent's key.</summary>
    public IReadOnlyList<string> KeyNames =>
        [
            .. Parent
                .Attributes.Where(attribute => Parent.Primary?.AttributeIds.Contains(attribute.Id) == true)
                .Select(attribute => attribute.Name),
        ];

    /// <summary>What refers to what in a model.</summary>
    public static ImmutableArray<ForeignReference> Of(ConceptModel model)
    {
        var relationships = model
            .Relationships.Where(relationship => relationship.Roles.Length == 2)
            .ToDictionary(relationship => relationship.Id, StringComparer.Ordinal);
        return
        [
            .. from holder in model.Entities
            from columns in holder
                .Attributes.SelectMany(attribute =>
                    attribute
                        .ForeignKeys.Where(key => key.RelationshipId is not null)
                        .Select(key => (Attribute: attribute, Along: key.RelationshipId!))
                )
                .GroupBy(pair => pair.Along, pair => pair.Attribute, StringComparer.Ordinal)
            where relationships.ContainsKey(columns.Key)
            let along = relationships[columns.Key]
            let role = along.IsRecursive
                ? along.Roles.First(role => role.Id != along.DependentRoleId)
                : along.Roles.First(role => role.EntityId != holder.Id)
            select new ForeignReference(holder, along, role, model.Entity(role.EntityId), [.. columns]),
        ];
    }

    /// <summary>The same by relationship. Where both sides refer to each other along one, the first of them.</summary>
    public static Dictionary<string, ForeignReference> ByRelationship(ConceptModel model) =>
        Of(model)
            .GroupBy(reference => reference.Along.Id, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.First(), StringComparer.Ordinal);

    /// <summary>Whether a column is named as a reference to an entity type would be.</summary>
    public static bool Suits(ConceptAttribute column, EntityType parent) =>
        Likeness(Name.Of(column.Name), parent, parent.Primary?.AttributeIds ?? []) >= Sureness;

    private static double Likeness(Name column, EntityType parent, IReadOnlyCollection<string> keys) =>
        NameSimilarity.OfReference(
            column,
            parent.Attributes.Where(attribute => keys.Contains(attribute.Id)).Select(attribute => Name.Of(attribute.Name)),
            Name.Of(parent.Name)
        );

    // What the holder has anyhow and shares between two references.
    private int Shared(Identifier key)
    {
        var parent = Name.Of(Parent.Name);
        var others = Holder
            .Attributes.Except(Columns)
            .Where(attribute => attribute.ForeignKey is not null || Holder.Primary?.AttributeIds.Contains(attribute.Id) == true)
            .Select(attribute => Name.Of(attribute.Name))
            .ToList();
        return Parent.Attributes.Count(attribute =>
            key.AttributeIds.Contains(attribute.Id)
            && others.Exists(other => NameSimilarity.OfKey(other, Name.Of(attribute.Name), parent) >= AlikeName)
        );
    }
}
