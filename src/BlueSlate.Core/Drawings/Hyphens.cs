namespace BlueSlate.Core.Drawings;

/// <summary>Spells members of enumerations as words of the open formats: lower case, parts joined by hyphens.</summary>
public static class Hyphens
{
    /// <summary>The word for a value.</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => Spelled<T>.Words[value];

    private static class Spelled<T>
        where T : struct, Enum
    {
        public static readonly Dictionary<T, string> Words = Enum.GetValues<T>()
            .ToDictionary(value => value, value => Words<T>.Hyphenate(value.ToString()));
    }
}
