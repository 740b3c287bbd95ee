using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>
/// Made-up rows. Two that agree on exactly one set of attributes, where that set is closed, keep every dependency that it is closed
/// under, and break every other that leads out of it.
/// </summary>
internal static class MadeRows
{
    private const int MostColumns = 4;

    /// <summary>Two rows that agree on a set, with the attributes on which it turns shown first.</summary>
    /// <param name="kind">Who allows them.</param>
    /// <param name="agree">On what they agree.</param>
    /// <param name="turnsOn">What has to be seen.</param>
    /// <param name="comparison">The answer, for its names.</param>
    /// <param name="said">What is seen.</param>
    /// <param name="among">The columns that there are; all attributes of the model answer where nothing else is said.</param>
    public static Example Agreeing(
        ExampleKind kind,
        AttributeSet agree,
        AttributeSet turnsOn,
        DependencyComparison comparison,
        string said,
        AttributeSet? among = null
    )
    {
        var all = among ?? comparison.Drawn.Model.Set.All;
        // What differs is seen, and not only what is the same.
        var others = (all - turnsOn - agree).Concat((all - turnsOn) & agree);
        int[] shown = [.. turnsOn.Concat(others).Take(Math.Max(MostColumns, turnsOn.Count)).Order()];
        return Of(kind, said, shown, [new int[shown.Length], [.. shown.Select(i => agree.Contains(i) ? 0 : 1)]], comparison);
    }

    /// <summary>Rows by a number for each value: the same number in a column is the same value.</summary>
    public static Example Of(
        ExampleKind kind,
        string said,
        IReadOnlyList<int> columns,
        IEnumerable<IReadOnlyList<int>> rows,
        DependencyComparison comparison
    ) =>
        new(
            kind,
            new ExampleTable(
                said,
                [.. columns.Select(comparison.Say)],
                [.. rows.Select(row => row.Select((value, i) => ValueOf(comparison.Say(columns[i]), value)).ToImmutableArray())]
            )
        );

    private static string ValueOf(string name, int which)
    {
        var of = Name.Of(name);
        string[] values = of.Sort switch
        {
            ValueSort.Mark => ["17", "18", "21", "24"],
            ValueSort.Moment => ["3 May", "9 May", "11 May", "2 June"],
            ValueSort.Called => ["Ada", "Bo", "Cleo", "Dara"],
            ValueSort.Count or ValueSort.Span or ValueSort.Weight or ValueSort.Extent => ["2", "5", "7", "12"],
            ValueSort.Money => ["4.50", "6.00", "7.20", "9.90"],
            ValueSort.Phone => ["555 0101", "555 0102", "555 0103", "555 0104"],
            ValueSort.Mail => ["ada@example.org", "bo@example.org", "cleo@example.org", "dara@example.org"],
            ValueSort.YesNo => ["yes", "no"],
            _ => [],
        };
        return which < values.Length ? values[which] : $"{of.Words.LastOrDefault("value")} {(char)('A' + (which % 26))}";
    }
}
