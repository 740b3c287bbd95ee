using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>A dependency diagram built up: its attributes, then one determinant after the other, then the key.</summary>
internal static class DependencySteps
{
    /// <summary>The steps; what an earlier one drew is not drawn again.</summary>
    public static ImmutableArray<WorkedStep> Of(PreflightCase one)
    {
        var reading = DependencyReader.Read((Drawing)one.Model);
        if (reading.Laid == 0)
        {
            return [];
        }

        var steps = ImmutableArray.CreateBuilder<WorkedStep>();
        var drawn = new HashSet<string>(StringComparer.Ordinal);
        void Add(string said, string why, IEnumerable<string> elements)
        {
            ImmutableArray<string> fresh = [.. elements.Select(id => ConceptId.Of(id).Element).Where(drawn.Add)];
            if (!fresh.IsEmpty)
            {
                steps.Add(new WorkedStep(said, why, fresh, []));
            }
        }

        var arrows = reading
            .Stages.SelectMany(stage => ArrowsIn(((Drawing)one.Model).Sheets.First(sheet => sheet.Id == stage.Id), stage))
            .ToLookup(arrow => arrow.Table, arrow => arrow.Element, StringComparer.Ordinal);
        var inTables = arrows.SelectMany(table => table).ToHashSet(StringComparer.Ordinal);
        var noted = reading.Stages.SelectMany(stage => stage.Tables.SelectMany(NoteOf)).ToHashSet(StringComparer.Ordinal);
        Add(
            $"The attributes are {reading.Say(reading.Set.All)}.",
            "Before anything can depend on anything, every value that is kept is laid out once.",
            ((Drawing)one.Model)
                .Sheets.SelectMany((sheet, i) => sheet.Shapes.Where(shape => !StageReader.IsTable(shape, i)))
                .Where(shape => !DependencyReader.IsGather(shape) && !noted.Contains(shape.Id))
                .SelectMany(shape => shape.TextLines.Select(row => row.Id).Prepend(shape.Id))
        );
        foreach (var group in reading.Dependencies.GroupBy(arrow => (arrow.From, arrow.IsMultivalued)))
        {
            var (from, to) = (
                reading.Say(group.Key.From),
                Phrasing.List([.. group.Select(arrow => reading.Attributes[arrow.To].Text)])
            );
            Add(
                $"{Phrasing.Capital(from)} {group.First().Verb} {to}.",
                group.Key.IsMultivalued
                    ? $"With one {from} there is a set of {to}, whatever else is in the row."
                    : $"Two rows that agree on {from} agree on {to}.",
                group.SelectMany(arrow => arrow.Elements).Where(element => !inTables.Contains(element))
            );
        }

        foreach (var stage in reading.Stages)
        {
            foreach (var table in stage.Tables)
            {
                Add(
                    StageSentences.Said(stage, table),
                    Why(stage, table, reading),
                    table.Columns.Select(column => column.Id).Prepend(table.Id).Concat(NoteOf(table)).Concat(arrows[table.Id])
                );
            }
        }

        return steps.ToImmutable();
    }

    // The arrows of a table are drawn with it, and what gathers for them: by the first of its lines to which they lead.
    private static IEnumerable<(string Table, string Element)> ArrowsIn(Sheet sheet, Stage stage)
    {
        var owners = stage
            .Tables.SelectMany(table => table.Columns.Select(column => column.Id).Append(table.Id).Select(id => (id, table.Id)))
            .DistinctBy(one => one.id)
            .ToDictionary(one => one.id, one => one.Id, StringComparer.Ordinal);
        string? OwnerOf(LineEnd end) => owners.GetValueOrDefault(end.On.Id ?? "");
        foreach (var line in sheet.Lines)
        {
            if ((OwnerOf(line.From) ?? OwnerOf(line.To)) is { } table)
            {
                yield return (table, line.Id);
                foreach (var end in new[] { line.From, line.To }.Where(end => OwnerOf(end) is null && end.On.Id is not null))
                {
                    yield return (table, end.On.Id!);
                }
            }
        }
    }

    private static IEnumerable<string> NoteOf(StageTable table) => table.Denormalised is { } one ? [one.Note] : [];

    // What keeps the table in the form of its stage.
    private static string Why(Stage stage, StageTable table, DependencyReading reading)
    {
        if (table.Denormalised is { IsAccountedFor: true } together)
        {
            return $"It could be apart, and is together on purpose, since {together.Reason}.";
        }

        var repeating = table.Columns.Where(column => column.IsRepeating).Select(column => column.Text).ToList();
        if (repeating.Count > 0)
        {
            var stands = repeating.Count == 1 ? "stands" : "stand";
            return $"{Phrasing.Capital(Phrasing.List(repeating))} {stands} there several times in one row.";
        }

        var rest = table.All - table.Key;
        return table.Key.IsEmpty || rest.IsEmpty || !table.All.IsSubsetOf(reading.Set.Implied.ClosureOf(table.Key))
            ? $"It is kept in {stage.Title}, so that nothing is lost."
            : $"{Phrasing.Capital(reading.Say(table.Key))} {(table.Key.Count == 1 ? "determines" : "determine")} {reading.Say(rest)}.";
    }
}
