using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace BlueSlate.Cli;

/// <summary>A table with rows; an empty cell is null.</summary>
internal sealed record CsvTable(string[] Columns, List<string?[]> Rows);

/// <summary>Reads a table with rows from CSV with a header line.</summary>
internal static class RowFile
{
    public static CsvTable Load(string path)
    {
        try
        {
            using var text = new StreamReader(path);
            using var csv = new CsvReader(text, new CsvConfiguration(CultureInfo.InvariantCulture) { IgnoreBlankLines = true });
            if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { Length: > 0 } columns)
            {
                throw new UnreadableException($"{path}: line 1: the names of the columns are missing.");
            }

            if (columns.GroupBy(name => name, StringComparer.Ordinal).FirstOrDefault(alike => alike.Count() > 1) is { } twice)
            {
                throw new UnreadableException($"{path}: line 1: the column “{twice.Key}” is there twice.");
            }

            if (columns.Length > Core.Subjects.Dependencies.AttributeSet.Most)
            {
                throw new UnreadableException(
                    $"{path}: line 1: a table has at most {Core.Subjects.Dependencies.AttributeSet.Most} columns."
                );
            }

            var rows = new List<string?[]>();
            while (csv.Read())
            {
                if (csv.Parser.Count != columns.Length)
                {
                    throw new UnreadableException(
                        $"{path}: line {csv.Parser.RawRow}: {csv.Parser.Count} cells, but {columns.Length} columns."
                    );
                }

                rows.Add([.. csv.Parser.Record!.Select(cell => cell.Length == 0 ? null : cell)]);
            }

            return new CsvTable(columns, rows);
        }
        catch (CsvHelperException error)
        {
            throw new UnreadableException($"{path}: this is no CSV: {error.Message.Split('\n')[0].Trim()}");
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            throw new UnreadableException($"{path}: {error.Message}");
        }
    }
}
