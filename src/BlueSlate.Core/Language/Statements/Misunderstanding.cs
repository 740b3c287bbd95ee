using System.Text.RegularExpressions;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// Where a line that has none of the forms stops being the name of a new thing: it is asked about there, and never drawn.
/// </summary>
internal static partial class Misunderstanding
{
    /// <summary>What is asked; null where the line is a name alone, or a name before its attributes.</summary>
    public static StatementProblem? Of(StatementLine line)
    {
        var head = EntityForm.HeadOf(line);
        if (line.Names.Has(head.Trim()))
        {
            return null;
        }

        if (UnknownKindPattern().Match(head) is { Success: true } kind && EntityForm.WithoutKinds(head) == head)
        {
            return At(
                kind.Groups["word"],
                "here stands weak, associative, abstract, an interface, an enumeration or a «stereotype»"
            );
        }

        if (DescribedForm.Having(line) is { } having)
        {
            return At(having.Verb, having.Wanted);
        }

        if (NumberPattern().Match(EntityForm.WithoutKinds(head)) is { Success: true, Index: > 0 } number && line.Colon < 0)
        {
            return At(number.Groups["word"], Amounts);
        }

        var words = WordPattern().Matches(EntityForm.WithoutKinds(head)).ToList();
        var isName = line.Colon >= 0 || words.TrueForAll(word => char.IsUpper(word.Value[0]));
        var verb = words
            .Skip(1)
            .FirstOrDefault(word => isName ? VerbWords.IsAuxiliary(word.Value) : VerbWords.IsVerb(word.Value));
        return verb is null
            ? null
            : At(verb, "“Item: item no (key), fault” names a thing, “Visit brings in 1 or more Item” ties two");
    }

    /// <summary>
    /// What is asked of a clause that ties two and does not say how many: at the word that may have meant it, if there is one.
    /// </summary>
    public static StatementProblem HowMany(int start, string clause) =>
        NumberPattern().Match(clause) is { Success: true, Index: > 0 } number
            ? At(number.Groups["word"], Amounts) is var asked
                ? asked with
                {
                    Start = asked.Start + start,
                }
                : asked
            : new StatementProblem(start, clause.Length, $"Here is wanted how many: {Samples}.");

    private const string Samples = "“exactly 1”, “1 or more”, “0 or more”";
    private const string Amounts = "say how many: " + Samples;

    private static StatementProblem At(Capture word, string wanted) =>
        new(word.Index, word.Length, $"“{word.Value}” is not understood: {wanted}.");

    [GeneratedRegex(@"\S+")]
    private static partial Regex WordPattern();

    [GeneratedRegex(
        @"\b(?<word>an?|one|two|three|four|five|six|several|few|all|no|\d+)\s+\p{L}[\p{L} ]*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex NumberPattern();

    [GeneratedRegex(@"^.+? is (?<word>\p{L}+)(?:, \p{L}+)*\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex UnknownKindPattern();
}
