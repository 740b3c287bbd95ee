using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>The model answer draws something of which the scenario does not speak.</summary>
internal sealed class UnspokenThings : ConceptPreflightKind
{
    public override string Name => "unspoken";

    public override int Order => 20;

    public override string Title => "What the scenario does not speak of";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one)
    {
        var things = one
            .Model.Entities.Where(entity => one.IsOpen($"entity:{entity.Id}", entity.Id))
            .Where(entity => !one.Links.IsOnlyLinking(entity.Id) && !one.Spoken.Names(entity))
            .Select(entity =>
                Item(entity.Id, $"The scenario does not speak of {Phrasing.Several(entity.Name)}.") with
                {
                    Elements = [ConceptId.Of(entity.Id).Element],
                }
            );
        var owned = one
            .Model.Entities.Select(entity => (entity.Id, entity.Name, entity.Attributes))
            .Concat(one.Model.Relationships.Select(tie => (tie.Id, tie.Name, tie.Attributes)));
        var attributes =
            from owner in owned
            from attribute in owner.Attributes
            where attribute.ForeignKey is null && one.IsOpen($"attribute:{attribute.Id}", attribute.Id)
            where attribute.Name.Length > 0 && !one.Spoken.Speaks(attribute, owner.Id)
            select Item(
                attribute.Id,
                $"The scenario does not speak of “{Phrasing.InText(attribute.Name)}”, which {Phrasing.One(owner.Name)} has."
            ) with
            {
                Elements = [ConceptId.Of(attribute.Id).Element],
            };
        return things.Concat(attributes);
    }
}
