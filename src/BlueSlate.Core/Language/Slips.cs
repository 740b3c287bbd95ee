namespace BlueSlate.Core.Language;

/// <summary>
/// Slips of the pen in the words that names of data consist of: <c>lenght</c> is length, and <c>adress</c> is address. Only a
/// word that there is not is taken for a slip, and only of the one design word that is a single slip away.
/// </summary>
internal static class Slips
{
    private const int Shortest = 5;

    private static readonly Lazy<string[]> Intended = new(() =>
        [
            .. DesignWords
                .All.Concat(ValueSorts.All)
                .Where(word => word.Length >= Shortest)
                .Distinct()
                .Order(StringComparer.Ordinal),
        ]
    );

    /// <summary>The word that was meant, in lower case, where that is plain; otherwise the word itself.</summary>
    public static string Mend(string word)
    {
        if (word.Length < Shortest || !word.All(char.IsAsciiLetterLower) || Inflection.IsWord(word))
        {
            return word;
        }

        var meant = Intended
            .Value.Where(other => Math.Abs(other.Length - word.Length) <= 1 && EditDistance.Of(word, other, 1) <= 1)
            .Take(2)
            .ToList();
        return meant is [var only] ? only : word;
    }
}
