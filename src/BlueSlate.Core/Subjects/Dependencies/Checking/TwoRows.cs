using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>
/// Two made-up rows that agree on exactly one set of attributes. Where that set is closed they keep every dependency that it is closed
/// under, and break every other that leads out of it.
/// </summary>
internal static class TwoRows
{
    private const int MostColumns = 4;

    /// <summary>Rows that agree on a set, with the attributes on which it turns shown first.</summary>
    public static Example Agreeing(
        ExampleKind kind,
        AttributeSet agree,
        AttributeSet turnsOn,
        DependencyComparison comparison,
        string said
    )
    {
        var all = comparison.Drawn.Model.Set.All;
        int[] shown = [.. turnsOn.Concat(all - turnsOn).Take(Math.Max(MostColumns, turnsOn.Count)).Order()];
        return new Example(
            kind,
            new ExampleTable(
                said,
                [.. shown.Select(i => comparison.Say(i))],
                [
                    [.. shown.Select(i => ValueOf(comparison.Say(i), 0))],
                    [.. shown.Select(i => ValueOf(comparison.Say(i), agree.Contains(i) ? 0 : 1))],
                ]
            )
        );
    }

    private static string ValueOf(string name, int which)
    {
        var values = Name.Of(name).Sort switch
        {
            ValueSort.Mark => ("17", "18"),
            ValueSort.Moment => ("3 May", "9 May"),
            ValueSort.Called => ("Ada", "Bo"),
            ValueSort.Count or ValueSort.Span or ValueSort.Weight or ValueSort.Extent => ("2", "5"),
            ValueSort.Money => ("4.50", "6.00"),
            ValueSort.Phone => ("555 0101", "555 0102"),
            ValueSort.Mail => ("ada@example.org", "bo@example.org"),
            ValueSort.YesNo => ("yes", "no"),
            _ => ($"{Name.Of(name).Words.LastOrDefault("value")} A", $"{Name.Of(name).Words.LastOrDefault("value")} B"),
        };
        return which == 0 ? values.Item1 : values.Item2;
    }
}
