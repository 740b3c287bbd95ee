using System.Collections.Frozen;
using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Scenarios;

/// <summary>
/// What a sentence lists after it has named a thing: <c>a tour has a code, a name, first and last day</c>. Each item is the
/// phrase alone, without articles, numbers and what is said of it.
/// </summary>
internal static class Listing
{
    private const int LongestItem = 4;

    // Up to these, an item is still about whose it is.
    private static readonly FrozenSet<string> Having = Words(
        "has have had note noted notes record recorded records keep kept keeps know known knows is are gives get gets shows"
            + " tells includes bears carries needs need"
    );

    // What may stand in front of what is listed.
    private static readonly FrozenSet<string> InFront = Words(
        "with by a an the its his her their one two three several many some any more most least exactly at or "
            + "up to perhaps maybe possibly usually optionally also only just even each every own both of"
    );

    // What begins to say something of what is listed.
    private static readonly FrozenSet<string> Behind = Words(
        "no none nobody nothing yet that which who whose whom it they we he she is are was were be been has have must may can"
            + " will shall should would to from by with for in on at as if when where while because since than per whether not"
            + " never always within without after before during into over under"
    );

    private static readonly FrozenSet<string> Joining = Words("and or plus");

    /// <summary>What stands in a sentence from a place on, up to its end, or up to the end of what stands in brackets there.</summary>
    public static ImmutableArray<ListedItem> From(ScenarioSentence sentence, int start)
    {
        var items = ImmutableArray.CreateBuilder<ListedItem>();
        var words = new List<string>();
        var bracketed = start > 0 && sentence.After[start - 1] == Pause.Opening;
        for (var i = start; i < sentence.Written.Length; i++)
        {
            var joins = Joining.Contains(sentence.Written[i]);
            if (!joins)
            {
                words.Add(sentence.Written[i]);
            }

            if (joins || sentence.After[i] != Pause.None || i == sentence.Written.Length - 1)
            {
                Add(items, words, joins);
                words.Clear();
            }

            if (bracketed && sentence.After[i] == Pause.Closing)
            {
                break;
            }
        }

        return WithHeads(items);
    }

    private static void Add(ImmutableArray<ListedItem>.Builder items, List<string> words, bool joins)
    {
        var start = words.FindLastIndex(Having.Contains) + 1;
        while (start < words.Count && (InFront.Contains(words[start]) || char.IsDigit(words[start][0])))
        {
            start++;
        }

        var end = words.FindIndex(start, Behind.Contains);
        var phrase = words[start..(end < 0 ? words.Count : end)];
        if (phrase.Count is > 0 and <= LongestItem)
        {
            items.Add(new ListedItem([.. phrase], start == 0, joins));
        }
    }

    // First and last day are a first day and a last day.
    private static ImmutableArray<ListedItem> WithHeads(ImmutableArray<ListedItem>.Builder items)
    {
        for (var i = 0; i + 1 < items.Count; i++)
        {
            if (items[i] is { IsJoined: true, Words: [_] } && items[i + 1] is { IsBare: true, Words: [_, .., var head] })
            {
                items[i] = items[i] with { Longer = [.. items[i].Words, head] };
            }
        }

        return items.ToImmutable();
    }

    private static FrozenSet<string> Words(string words) => words.Split(' ').ToFrozenSet(StringComparer.Ordinal);
}

/// <summary>One item of a list.</summary>
/// <param name="Words">Its words as written, in small letters.</param>
/// <param name="IsBare">Nothing stood in front of it.</param>
/// <param name="IsJoined">The next is joined to it by a word.</param>
internal sealed record ListedItem(ImmutableArray<string> Words, bool IsBare, bool IsJoined)
{
    /// <summary>The same with the main word that it may share with the next; empty where it shares none.</summary>
    public ImmutableArray<string> Longer { get; init; } = [];

    /// <summary>The phrases that it may be read as, the likeliest first: those that name something.</summary>
    public IEnumerable<Name> Readings() =>
        new[] { Longer, Words, WithoutOwner() }
            .Select(words => Name.Of(string.Join(' ', words)))
            .Where(name => !name.Words.IsEmpty && name.Lexical[^1] is not { IsNoun: false });

    // The listener's nickname is a nickname.
    private ImmutableArray<string> WithoutOwner() =>
        Words.ToList().FindLastIndex(IsPossessive) is >= 0 and var owner ? Words[(owner + 1)..] : [];

    private static bool IsPossessive(string word) => word is [.., '\'' or '’', 's'] or [.., 's', '\'' or '’'];
}
