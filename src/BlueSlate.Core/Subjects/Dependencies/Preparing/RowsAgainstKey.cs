using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>Rows agree on what is marked as the key.</summary>
internal sealed class RowsAgainstKey : DependencyPreflightKind
{
    public override bool IsOfRows => true;

    public override string Name => "rows-chosen-key";

    public override int Order => 4;

    public override string Title => "Rows against the model answer";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        from table in one.Case.Prose.Tables
        where !one.Reading.Key.IsEmpty
        let rows = ColumnRows.Of(table, one.Reading)
        let pair = rows.Agreeing(one.Reading.Key)
        where pair is not null
        select Item(
            one.Reading.Attributes[one.Reading.Key.First()].Id,
            $"Rows {pair.Value.First + 1} and {pair.Value.Second + 1} have the same {one.Reading.Say(one.Reading.Key)}, which "
                + $"{one.Case.Drawn} marks as the key."
        ) with
        {
            Places = [.. rows.PlacesOf([pair.Value.First, pair.Value.Second], one.Reading.Key)],
            Elements = [.. one.Reading.Key.Select(i => one.Reading.Attributes[i].Id)],
        };
}
