using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// What a class diagram says of visibilities as a whole: the one of all attributes and the one of all operations, where there
/// is one.
/// </summary>
internal static class VisibilityText
{
    private const string Any = "any";

    public static string Of(ConceptModel model) =>
        $"attributes {Common(Attributes(model))}, operations {Common(Operations(model))}";

    /// <summary>The members of an answer without the visibility that the model answer has throughout.</summary>
    public static IReadOnlyList<string> Breaches(ConceptModel model, ConceptModel answer) =>
        [.. Breaches(Common(Attributes(model)), Attributes(answer)), .. Breaches(Common(Operations(model)), Operations(answer))];

    private static IEnumerable<(string Id, string Visibility)> Attributes(ConceptModel model) =>
        model.AllAttributes.Select(attribute => (attribute.Id, attribute.Visibility));

    // An interface's operations are public without any mark.
    private static IEnumerable<(string Id, string Visibility)> Operations(ConceptModel model) =>
        model.Entities.SelectMany(entity =>
            entity.Operations.Select(operation => (operation.Id, VisibilityIn(entity, operation)))
        );

    private static string VisibilityIn(EntityType entity, Operation operation) =>
        entity.Kind == EntityKind.Interface && operation.Visibility.Length == 0 ? "+" : operation.Visibility;

    private static string Common(IEnumerable<(string Id, string Visibility)> members) =>
        members.Select(member => member.Visibility).Distinct(StringComparer.Ordinal).ToList() is [{ Length: > 0 } only]
            ? only
            : Any;

    private static IEnumerable<string> Breaches(string wanted, IEnumerable<(string Id, string Visibility)> drawn) =>
        wanted == Any ? [] : drawn.Where(member => member.Visibility != wanted).Select(member => member.Id);
}
