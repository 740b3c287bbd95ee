using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Says the tables of stages, a sentence each: <c>2NF: Visitor has visitor no (key), visitor name.</c> What a note says of one is a
/// sentence of its own: <c>3NF: Job is denormalised, since the list is read every morning.</c>
/// </summary>
internal static class StageSentences
{
    /// <summary>The sentences, each with what it states.</summary>
    public static IEnumerable<(Sentence Sentence, DependencyStatement Statement)> Statements(DependencyReading reading)
    {
        foreach (var stage in reading.Stages)
        {
            foreach (var table in stage.Tables)
            {
                yield return (Of(stage, table), StatementOf(stage, table));
            }

            foreach (var one in stage.Tables.Select(table => table.Denormalised).OfType<Denormalisation>())
            {
                yield return (Of(stage, one), new DependencyStatement.OfDenormalised(stage.Title, one.Table, one.Reason));
            }
        }
    }

    /// <summary>What a table has, as text.</summary>
    public static string Said(Stage stage, StageTable table) => Of(stage, table).Text + ".";

    private static Sentence Of(Stage stage, Denormalisation one) =>
        new(
            new ConceptId(one.Note, $"denormalised {one.Table}").ToString(),
            [new SentencePiece($"{stage.Title}: {one.Said}", one.Note)],
            [one.Note],
            null
        );

    private static DependencyStatement.OfTable StatementOf(Stage stage, StageTable table) =>
        new(
            stage.Title,
            table.Name,
            [
                .. table.Columns.Select(column => new StatedColumn(
                    column.Name.Text,
                    column.IsInKey,
                    column.IsForeign,
                    column.IsRepeating ? column.Id : null
                )
                {
                    IsAlternate = column.IsAlternate,
                    Whole = column.Whole,
                }),
            ]
        );

    private static Sentence Of(Stage stage, StageTable table)
    {
        var pieces = ImmutableArray.CreateBuilder<SentencePiece>();
        pieces.Add(new SentencePiece($"{stage.Title}: "));
        pieces.Add(new SentencePiece(table.Name.Length > 0 ? table.Name : DependencyStatement.Nameless, table.Id));
        pieces.Add(new SentencePiece(" has "));
        foreach (var (i, column) in table.Columns.Index())
        {
            var (before, after) = (
                i > 0 ? table.Columns[i - 1] : null,
                i + 1 < table.Columns.Length ? table.Columns[i + 1] : null
            );
            bool IsWith(StageColumn? other) => other?.Id == column.Id;
            bool IsInCellWith(StageColumn? other) => IsWith(other) && other?.Whole == column.Whole;
            var (isGroup, isPart) = (column.IsRepeating, column.Whole.Length > 0);
            var opens =
                $"{(isGroup && !IsWith(before) ? "{" : "")}{(isPart && !IsInCellWith(before) ? $"{column.Whole} (" : "")}";
            var isLast = !isPart || !IsInCellWith(after);
            var closes =
                $"{(isPart && isLast ? ")" : "")}{(isLast ? Marks(column) : "")}{(isGroup && !IsWith(after) ? "}" : "")}";
            pieces.Add(new SentencePiece($"{(i > 0 ? ", " : "")}{opens}"));
            pieces.Add(new SentencePiece(column.Text, column.Id));
            pieces.Add(new SentencePiece(closes));
        }

        return new Sentence(
            table.Id,
            [.. pieces.Where(piece => piece.Text.Length > 0)],
            [.. table.Columns.Select(column => column.Id).Prepend(table.Id).Distinct(StringComparer.Ordinal)],
            null
        );
    }

    private static string Marks(StageColumn column)
    {
        string[] marks =
        [
            .. column.IsInKey ? ["key"] : Array.Empty<string>(),
            .. column.IsAlternate ? ["alternate key"] : Array.Empty<string>(),
            .. column.IsForeign ? ["foreign key"] : Array.Empty<string>(),
        ];
        return marks.Length > 0 ? $" ({string.Join(", ", marks)})" : "";
    }
}
