using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Several choices of a field can be ticked, and the model answer draws one value of it.</summary>
internal sealed class FieldsWithSeveral : ConceptPreflightKind
{
    public override string Name => "fields-several";

    public override int Order => 4;

    public override string Title => "Forms against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from form in one.Case.Prose.Forms
        from field in form.Fields
        where field.TakesSeveral
        let attribute = OfField(one.Model, field.Label.Text)
        where attribute is { Multivalued: false, Parts.IsEmpty: true, ForeignKey: null }
        select Item(
            attribute.Id,
            $"Several of “{field.Label.Text.Trim()}” can be ticked on the form; the model answer draws one "
                + $"{Phrasing.InText(attribute.Name)}."
        ) with
        {
            Places = [field.Label.Place],
            Elements = [ConceptId.Of(attribute.Id).Element],
        };

    private static ConceptAttribute? OfField(ConceptModel model, string label)
    {
        var printed = Language.Name.Of(label);
        var owners = model
            .Entities.SelectMany(entity => entity.Attributes.Select(attribute => (attribute.Id, entity.Name)))
            .ToDictionary(pair => pair.Id, pair => Language.Name.Of(pair.Name), StringComparer.Ordinal);
        return model
            .AllAttributes.Select(attribute =>
                (attribute, PrintedNames.Likeness(printed, Language.Name.Of(attribute.Name), OwnerOf(attribute)))
            )
            .Where(found => found.Item2 >= PrintedNames.Alike)
            .OrderByDescending(found => found.Item2)
            .Select(found => found.attribute)
            .FirstOrDefault();

        Name OwnerOf(ConceptAttribute attribute) => owners.GetValueOrDefault(attribute.Id, Language.Name.Of(""));
    }
}
