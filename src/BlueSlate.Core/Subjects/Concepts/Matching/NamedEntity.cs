using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>An entity with its name and its attributes' names split into words.</summary>
internal sealed class NamedEntity
{
    public NamedEntity(EntityType entity, ExerciseWords words, FrozenDictionary<string, ImmutableArray<Name>> calledElse)
    {
        Entity = entity;
        Name = words.Read(entity.Name);
        var keys = entity.Primary?.AttributeIds ?? [];
        Attributes =
        [
            .. entity
                .Attributes.Select(attribute =>
                    NamedAttribute.Of(attribute, Name, keys.Contains(attribute.Id), words) with
                    {
                        CalledElse = calledElse.GetValueOrDefault(attribute.Id, []),
                    }
                )
                .OrderBy(attribute => attribute.Name.Key, StringComparer.Ordinal)
                .ThenBy(attribute => attribute.Attribute.Name, StringComparer.Ordinal)
                .ThenBy(attribute => attribute.InKey)
                .ThenBy(attribute => attribute.Attribute.ForeignKey is null),
        ];
        Types =
        [
            .. entity
                .Attributes.Select(attribute => attribute.Type)
                .Concat(
                    entity.Operations.SelectMany(one => one.Parameters.Select(parameter => parameter.Type).Append(one.Returns))
                )
                .Where(type => !TypeFamily.IsCommon(type))
                .Distinct(StringComparer.Ordinal),
        ];
        Signature = string.Join('|', Attributes.Select(attribute => attribute.Name.Key + (attribute.InKey ? "*" : "")));
    }

    public EntityType Entity { get; }

    public Name Name { get; }

    /// <summary>What in its name tells it from the other kinds of what it is a kind of, if it is one.</summary>
    public Name? WithinKinds { get; set; }

    public NamedAttribute[] Attributes { get; }

    public string Signature { get; }

    /// <summary>All types that it names and that not every language has.</summary>
    public string[] Types { get; }

    /// <summary>
    /// What sort of thing it is: a class or entity, an interface, an enumeration. A class that is the type of something, with
    /// several attributes that have no type themselves and without operations, is an enumeration without its mark.
    /// </summary>
    public EntityKind Nature =>
        Entity.Kind is EntityKind.Interface or EntityKind.Enumeration ? Entity.Kind
        : IsAType
        && Entity.Operations.IsEmpty
        && Attributes.Length > 1
        && Array.TrueForAll(Attributes, attribute => attribute.Attribute.Type.Length == 0)
            ? EntityKind.Enumeration
        : EntityKind.Strong;

    /// <summary>Whether something has it as its type.</summary>
    public bool IsAType { get; set; }
}
