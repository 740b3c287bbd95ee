using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>A set of attributes as a text that is the same for the same names in any order and spelling.</summary>
internal static class KeyText
{
    public static string Of(IEnumerable<string> names) =>
        string.Join(" + ", names.Select(name => Name.Of(name).Key).Order(StringComparer.Ordinal));
}
