using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>
/// <c>may borrow several</c> and <c>must keep some</c>: what an auxiliary before the verb says of the least, and the verb as it stands at a
/// line.
/// </summary>
internal static class Modal
{
    /// <summary>The verb without it, and the count with the least that it says, where nothing else says one.</summary>
    public static (string Verb, Count Count) Take(string verb, Count count)
    {
        var words = verb.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (
            words.Length < 2
            || LeastOf(words[0].ToLowerInvariant()) is not { } least
            || Lexicon.English.Find(words[1].ToLowerInvariant()) is not { IsVerb: true }
        )
        {
            return (verb, count);
        }

        return (
            string.Join(' ', words.Skip(2).Prepend(Inflection.ThirdPerson(words[1]))),
            count.Min is null && !(count.Max < least) ? count with { Min = least } : count
        );
    }

    private static int? LeastOf(string word) =>
        word switch
        {
            "may" or "can" or "might" => 0,
            "must" => 1,
            _ => null,
        };
}
