using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>A field offers choices of which the model answer draws some as values of an enumeration, and not the others.</summary>
internal sealed class ChoicesUndrawn : ConceptPreflightKind
{
    public override string Name => "choices-undrawn";

    public override int Order => 21;

    public override string Title => "What the model answer lacks";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from form in one.Case.Prose.Forms
        from field in form.Fields
        where field.Choices.Length > 1
        from entity in one.Model.Entities
        let keys = entity.Literals.Select(literal => Language.Name.Of(literal.Name).Key).ToHashSet(StringComparer.Ordinal)
        let missing = field.Choices.Where(choice => !keys.Contains(Language.Name.Of(choice.Text).Key)).ToList()
        where missing.Count > 0 && missing.Count * 2 <= field.Choices.Length
        from choice in missing
        select Item(
            $"{entity.Id}-{string.Join('-', Language.Name.Of(choice.Text).Words)}",
            $"The form offers “{choice.Text.Trim()}” under “{field.Label.Text.Trim()}”, and {entity.Name} lacks it in the model answer."
        ) with
        {
            Places = [choice.Place],
            Elements = [entity.Id],
        };
}
