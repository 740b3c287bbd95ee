using System.Security.Cryptography;
using System.Text;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Tells which notes on different answers are about the same difference, so that one decision can hold for all of them: the
/// same facts of the model answer drawn the same way; for something extra, its kind, its normalised name, and what it is tied
/// to.
/// </summary>
public static class AlikeKey
{
    /// <summary>
    /// The key of a note: equal for alike notes of the same model answer, whatever the ids of the drawings and whatever follows from
    /// them there. 64 hexadecimal digits.
    /// </summary>
    public static string Of(Note note, Comparison comparison) => Of(note, note.Finding.Claims, comparison);

    /// <summary>The key under which decisions were kept before version 13 of the core, in which what followed counted as well.</summary>
    public static string FormerOf(Note note, Comparison comparison) => Of(note, note.AllFactIds, comparison);

    private static string Of(Note note, IEnumerable<string> factIds, Comparison comparison)
    {
        var verdicts = comparison.Verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        var extras = comparison.Extras.ToDictionary(extra => extra.AnswerId, StringComparer.Ordinal);
        var facts = factIds.Select(id =>
            verdicts.TryGetValue(id, out var verdict) ? $"{id}\t{verdict.Kind}\t{verdict.InModelTerms}" : id
        );
        var more = note.Finding.Extras.Select(id => extras.TryGetValue(id, out var extra) ? comparison.KeyOf(extra) : "");
        var text = string.Join(
            '\n',
            [note.Finding.Code, .. facts.Order(StringComparer.Ordinal), .. more.Order(StringComparer.Ordinal)]
        );
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
    }
}
