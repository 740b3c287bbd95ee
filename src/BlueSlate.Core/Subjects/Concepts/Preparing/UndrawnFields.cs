using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// A form has a field, or a table a column, beside those that the model answer draws as attributes, and the model answer has it
/// nowhere.
/// </summary>
internal sealed class UndrawnFields : ConceptPreflightKind
{
    private const double Alike = 0.55;

    public override string Name => "undrawn-field";

    public override int Order => 21;

    public override string Title => "What the model answer lacks";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one)
    {
        ImmutableArray<Name> drawn = [.. UndrawnNouns.Drawn(one.Model)];
        return Missing(
                one.Case.Prose.Forms.Select(form => form.Fields.Select(field => field.Label)),
                "The form has a field",
                drawn
            )
            .Concat(Missing(one.Case.Prose.Tables.Select(table => table.Head.AsEnumerable()), "The table has a column", drawn));
    }

    // Of what shares nothing with the model answer the exercise asks nothing.
    private IEnumerable<PreflightItem> Missing(
        IEnumerable<IEnumerable<RowCell>> sheets,
        string says,
        ImmutableArray<Name> drawn
    ) =>
        from sheet in sheets
        let cells = sheet.Where(cell => !Language.Name.Of(cell.Text).Words.IsEmpty).ToList()
        let missing = cells.FindAll(cell => !IsDrawn(Language.Name.Of(cell.Text), drawn))
        where missing.Count * 2 <= cells.Count
        from cell in missing
        select Item(
            string.Join('-', Language.Name.Of(cell.Text).Words),
            $"{says} “{cell.Text.Trim()}”, and the model answer draws it nowhere."
        ) with
        {
            Places = [cell.Place],
        };

    private static bool IsDrawn(Name printed, ImmutableArray<Name> drawn) =>
        drawn.Any(name =>
            printed.Words.Any(word => name.Words.Contains(word) && !ThingNames.IsHead(word))
            || printed.Words.All(name.Words.Contains)
            || name.Words.All(printed.Words.Contains)
            || NameSimilarity.Of(printed, name).Value >= Alike
        );
}
