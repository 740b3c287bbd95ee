namespace BlueSlate.Core.Classes;

/// <summary>The text that occurs most often; of several, the first by its letters.</summary>
internal static class MostUsual
{
    public static string Of(IEnumerable<string> texts) =>
        texts
            .GroupBy(text => text, StringComparer.Ordinal)
            .OrderByDescending(group => group.Count())
            .ThenBy(group => group.Key, StringComparer.Ordinal)
            .First()
            .Key;
}
