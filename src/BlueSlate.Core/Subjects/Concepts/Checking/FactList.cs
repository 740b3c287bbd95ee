using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// All facts of a model answer, in the order of its drawing: entities with their members, then relationships, specialisations,
/// the drawing as a whole.
/// </summary>
public static class FactList
{
    /// <summary>The facts that a reading states at this level of formality.</summary>
    public static ImmutableArray<Fact> Of(Reading reading, NotationOptions options) => Of(reading, options, ConceptFactKind.All);

    /// <summary>The same of some kinds only.</summary>
    public static ImmutableArray<Fact> Of(Reading reading, NotationOptions options, IReadOnlyList<ConceptFactKind> kinds)
    {
        var model = Named(ComparableForm.Of(reading).Model);
        var scope = new FactScope(
            model,
            options,
            model.Entities.ToDictionary(entity => entity.Id, entity => entity.Name, StringComparer.Ordinal)
        );
        return
        [
            .. model.Entities.SelectMany(entity => OfEntity(entity, scope, kinds)),
            .. model.Relationships.SelectMany(relationship => OfRelationship(relationship, scope, kinds)),
            .. model.Specialisations.SelectMany(set => kinds.SelectMany(kind => kind.OfSpecialisation(set, scope))),
            .. model.Unions.SelectMany(union => kinds.SelectMany(kind => kind.OfUnion(union, scope))),
            .. model.Exclusions.SelectMany(exclusion => kinds.SelectMany(kind => kind.OfExclusion(exclusion, scope))),
            .. kinds.SelectMany(kind => kind.OfDrawing(scope)),
        ];
    }

    // What its author has not named yet is told apart all the same, in titles of facts and lines of a scheme.
    private static ConceptModel Named(ConceptModel model) =>
        model.Renamed((_, name) => SentenceWriter.NameOf(name), (_, name) => SentenceWriter.NameOf(name));

    private static IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope, IReadOnlyList<ConceptFactKind> kinds) =>
        [
            .. kinds.SelectMany(kind => kind.OfEntity(entity, scope)),
            .. entity.Attributes.SelectMany(attribute =>
                kinds.SelectMany(kind => kind.OfAttribute(attribute, entity.Name, scope))
            ),
            .. entity.Operations.SelectMany(operation => kinds.SelectMany(kind => kind.OfOperation(operation, entity, scope))),
            .. entity.Literals.SelectMany(literal => kinds.SelectMany(kind => kind.OfLiteral(literal, entity, scope))),
        ];

    private static IEnumerable<Fact> OfRelationship(
        RelationshipType relationship,
        FactScope scope,
        IReadOnlyList<ConceptFactKind> kinds
    ) =>
        [
            .. kinds.SelectMany(kind => kind.OfRelationship(relationship, scope)),
            .. relationship.Attributes.SelectMany(attribute =>
                kinds.SelectMany(kind => kind.OfAttribute(attribute, scope.TitleOf(relationship), scope))
            ),
            .. kinds.SelectMany(kind => kind.OfTie(relationship, scope)),
            .. relationship.Roles.SelectMany(role => kinds.SelectMany(kind => kind.OfRole(role, relationship, scope))),
        ];

    /// <summary>
    /// Facts that a scheme asks for by their ids alone, since the model answer is silent about what must not be there. Ids of
    /// other forms give none.
    /// </summary>
    public static IEnumerable<Fact> Absences(ConceptModel model, IEnumerable<string> factIds) =>
        factIds
            .Distinct(StringComparer.Ordinal)
            .Select(id => ConceptFactKind.All.Select(kind => kind.Asked(id, model)).FirstOrDefault(fact => fact is not null))
            .OfType<Fact>();

    /// <summary>A name for a relationship: the two entities and its verb.</summary>
    public static string TitleOf(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var ends = relationship.Roles.Select(role => names[role.EntityId]).ToList();
        var verb = relationship.Roles.Select(role => role.Verb).Append(relationship.Name).FirstOrDefault(text => text.Length > 0);
        return verb is null ? string.Join(" and ", ends) : $"{ends[0]} {verb} {string.Join(" and ", ends.Skip(1))}";
    }

    /// <summary>Parameters and return type as text: <c>(on: Date): Boolean</c>.</summary>
    internal static string SignatureOf(Operation operation)
    {
        var parameters = operation.Parameters.Select(parameter =>
            parameter.Type.Length > 0 ? $"{parameter.Name}: {parameter.Type}" : parameter.Name
        );
        return $"({string.Join(", ", parameters)}){(operation.Returns.Length > 0 ? $": {operation.Returns}" : "")}";
    }

    /// <summary>What kind of link a relationship is, with its whole.</summary>
    internal static string KindOf(RelationshipType relationship, IReadOnlyDictionary<string, string> names)
    {
        var kind = Drawings.Hyphens.Of(relationship.Kind);
        return relationship.Roles.FirstOrDefault(role => role.Id == relationship.WholeRoleId) is { } whole
                ? $"{kind} with {names[whole.EntityId]} as the whole"
            : relationship.Kind is RelationshipKind.Dependency or RelationshipKind.Realization
                ? $"{kind} towards {names[relationship.Roles[1].EntityId]}"
            : kind;
    }

    /// <summary>
    /// A kind of entity as text: <c>strong</c>, <c>weak</c>, <c>linking</c>, <c>interface</c>, <c>enumeration</c>.
    /// </summary>
    internal static string KindOf(EntityKind kind) => kind == EntityKind.Associative ? "linking" : Drawings.Hyphens.Of(kind);

    /// <summary>What an identifier is made of, as text.</summary>
    internal static string Members(EntityType entity, Identifier identifier) =>
        identifier.AttributeIds.IsEmpty
            ? "its owners' keys"
            : string.Join(
                " + ",
                entity
                    .Attributes.Where(attribute => identifier.AttributeIds.Contains(attribute.Id))
                    .Select(attribute => attribute.Name)
            );
}
