using System.Globalization;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>A number, letter or pair as it is written at a line.</summary>
internal sealed record CountText(string Text, bool IsPair, Count Count)
{
    /// <summary>
    /// What of a line's texts is a count: that at its near end first, then at its far end, then its own; null for none.
    /// </summary>
    public static CountText? In(SeenLine seen) =>
        new[]
        {
            seen.NearEnd.Count,
            seen.FarEnd.Count,
            seen.Line.Text,
            seen.NearEnd.Label,
            seen.FarEnd.Label,
            seen.NearEnd.Role,
            seen.FarEnd.Role,
        }
            .Select(Parse)
            .FirstOrDefault(found => found is not null);

    /// <summary>Reads a number, a letter, <c>(1,n)</c> or <c>0..1</c>; null for anything else.</summary>
    public static CountText? Parse(string written)
    {
        var text = written.Trim();
        if (text.Length == 1 && char.IsAsciiLetter(text[0]) && char.ToUpperInvariant(text[0]) is 'N' or 'M' or 'P' or 'K' or 'L')
        {
            return new CountText(text, false, new Count(null, Count.Many));
        }

        if (text == "*")
        {
            return new CountText(text, false, new Count(null, Count.Many));
        }

        // A bare number says how many at most, as a letter does.
        if (text.Length is 1 or 2 && text[0] != '0' && text.All(char.IsAsciiDigit))
        {
            return new CountText(text, false, new Count(null, int.Parse(text, CultureInfo.InvariantCulture)));
        }

        return text.Length > 2 && Multiplicity.TryRead(text, out var count) ? new CountText(text, true, count) : null;
    }
}
