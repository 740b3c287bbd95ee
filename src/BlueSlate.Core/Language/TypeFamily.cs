using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>
/// Types fall in families: text, whole number, exact number, Boolean, date, date and time; all others by name.
/// </summary>
public static class TypeFamily
{
    private static readonly FrozenDictionary<string, string> Families = new Dictionary<string, string[]>
    {
        [""] = ["void", "unit", "nothing", "none"],
        ["text"] = ["string", "text", "varchar", "char", "character", "nvarchar", "str", "clob"],
        ["whole number"] = ["integer", "int", "long", "short", "smallint", "bigint", "number", "byte", "natural"],
        ["exact number"] = ["decimal", "money", "numeric", "currency", "float", "double", "real"],
        ["Boolean"] = ["boolean", "bool", "bit", "flag"],
        ["date"] = ["date", "localdate", "day"],
        ["date and time"] = ["datetime", "timestamp", "localdatetime", "instant", "dateandtime"],
        ["time"] = ["time", "localtime", "timeofday"],
    }
        .SelectMany(pair => pair.Value.Select(name => (name, pair.Key)))
        .ToFrozenDictionary(pair => pair.name, pair => pair.Key, StringComparer.Ordinal);

    /// <summary>
    /// The family of a written type; its own name where it is in none. Lengths in parentheses are passed over.
    /// </summary>
    public static string Of(string type)
    {
        var bare = Bare(type);
        return Families.GetValueOrDefault(bare, bare);
    }

    /// <summary>Whether a written type is one of those that every language has, or none, and no thing of the drawing.</summary>
    public static bool IsCommon(string type) => type.Length == 0 || Families.ContainsKey(Bare(type));

    /// <summary>Whether a written type says much of what it holds: neither text nor a number.</summary>
    public static bool IsTelling(string type) => Of(type) is not ("text" or "whole number" or "exact number");

    /// <summary>Whether a written type holds yes or no.</summary>
    public static bool IsTruthValue(string type) => Of(type) == "Boolean";

    private static string Bare(string type)
    {
        var open = type.IndexOf('(', StringComparison.Ordinal);
        return string.Concat((open > 0 ? type[..open] : type).Where(char.IsLetterOrDigit)).ToLowerInvariant();
    }

    /// <summary>Whether two written types are of one family.</summary>
    public static bool Same(string first, string second) => Of(first) == Of(second);
}
