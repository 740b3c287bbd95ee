using System.Globalization;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>
/// Reads multiplicities written as text, in every spelling in use: <c>0..1</c>, <c>1,n</c>, <c>1+</c>, <c>*</c>, <c>3...10</c>.
/// </summary>
public static class Multiplicity
{
    private static readonly string[] Separators = ["...", "..", ",", "-", "–"];

    /// <summary>Reads a text; false when it is none of the spellings or its minimum exceeds its maximum.</summary>
    public static bool TryRead(string text, out Count count)
    {
        var compact = string.Concat(text.Where(c => !char.IsWhiteSpace(c))).Trim('(', ')', '[', ']');
        count = Count.Unsaid;
        if (compact.Length == 0)
        {
            return false;
        }

        if (compact[^1] == '+' && TryNumber(compact[..^1], out var least))
        {
            count = new Count(least, Count.Many);
            return true;
        }

        foreach (var separator in Separators)
        {
            var at = compact.IndexOf(separator, StringComparison.Ordinal);
            if (at > 0)
            {
                return TryBound(compact[..at], out var min)
                    && TryBound(compact[(at + separator.Length)..], out var max)
                    && Accept(min, max, out count);
            }
        }

        return TryBound(compact, out var single) && Accept(single == Count.Many ? 0 : single, single, out count);
    }

    private static bool Accept(int min, int max, out Count count)
    {
        count = min <= max && min != Count.Many ? new Count(min, max) : Count.Unsaid;
        return count != Count.Unsaid;
    }

    private static bool TryBound(string text, out int value)
    {
        if (text is "*" or "n" or "N" or "m" or "M")
        {
            value = Count.Many;
            return true;
        }

        return TryNumber(text, out value);
    }

    private static bool TryNumber(string text, out int value) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out value);
}
