namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>What is written at an arrow that keeps all attributes together from a higher form.</summary>
internal enum DependencyLetter
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>A proper part of a candidate key determines what is in none.</summary>
    Partial,

    /// <summary>What is neither a key nor a part of one determines what is in none.</summary>
    Transitive,
}

/// <summary>How letters are written, said, and found from what determines what.</summary>
internal static class DependencyLetters
{
    /// <summary>What a text at an arrow says: <c>P</c>, <c>T</c>, or the words; nothing for any other text.</summary>
    public static DependencyLetter Read(string text)
    {
        var said = text.Trim().Trim('(', ')').Trim().TrimEnd('.');
        bool Is(params string[] ways) => ways.Contains(said, StringComparer.OrdinalIgnoreCase);
        return Is("P", "PD", "partial", "partial dependency") ? DependencyLetter.Partial
            : Is("T", "TD", "transitive", "transitive dependency") ? DependencyLetter.Transitive
            : DependencyLetter.None;
    }

    /// <summary>As it is written at an arrow.</summary>
    public static string Mark(this DependencyLetter letter) =>
        letter switch
        {
            DependencyLetter.Partial => "P",
            DependencyLetter.Transitive => "T",
            _ => "",
        };

    /// <summary>As it is said: <c>partial</c>.</summary>
    public static string Word(this DependencyLetter letter) =>
        letter switch
        {
            DependencyLetter.Partial => "partial",
            DependencyLetter.Transitive => "transitive",
            _ => "",
        };

    /// <summary>What a dependency is among all attributes as one table; null where the keys are too many to say.</summary>
    public static DependencyLetter? Of(AttributeSet from, int to, DependencySet given)
    {
        if (Projection.On(given.All, given) is not { } cover || CandidateKeys.Of(given.All, cover) is not { Complete: true } keys)
        {
            return null;
        }

        return keys.Prime.Contains(to) || given.Implied.ClosureOf(from) == given.All ? DependencyLetter.None
            : keys.Keys.Any(from.IsProperSubsetOf) ? DependencyLetter.Partial
            : DependencyLetter.Transitive;
    }
}
