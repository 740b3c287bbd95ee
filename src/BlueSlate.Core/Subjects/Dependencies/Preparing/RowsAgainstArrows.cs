using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>Rows show two values of what is said to be determined.</summary>
internal sealed class RowsAgainstArrows : DependencyPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-dependency";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        from table in one.Case.Prose.Tables
        from arrow in one.Reading.Dependencies
        where !arrow.IsMultivalued
        let rows = ColumnRows.Of(table, one.Reading)
        let pair = rows.Contradicting(arrow.From, arrow.To)
        where pair is not null
        select Item(
            arrow.Id,
            $"Rows {pair.Value.First + 1} and {pair.Value.Second + 1} agree on {one.Reading.Say(arrow.From)} and not on "
                + $"{one.Reading.Attributes[arrow.To].Text}; {one.Case.Drawn} says that {one.Reading.Say(arrow.From)} {arrow.Verb} it."
        ) with
        {
            Places = [.. rows.PlacesOf([pair.Value.First, pair.Value.Second], arrow.From | AttributeSet.Of(arrow.To))],
            Elements = [ConceptId.Of(arrow.Id).Element],
        };
}
