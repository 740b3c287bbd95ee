using System.Collections.Frozen;

namespace BlueSlate.Core.Language;

/// <summary>What sort of values something is, as far as its name tells.</summary>
internal enum ValueSort
{
    /// <summary>The name does not tell.</summary>
    Unsaid,

    /// <summary>What only tells one from another: a number, a code.</summary>
    Mark,

    /// <summary>What somebody or something is called.</summary>
    Called,

    /// <summary>A day, a moment, a time of day, a year.</summary>
    Moment,

    /// <summary>For how long.</summary>
    Span,

    /// <summary>How many.</summary>
    Count,

    /// <summary>How heavy.</summary>
    Weight,

    /// <summary>How long, high, deep or wide.</summary>
    Extent,

    /// <summary>A part of a whole, or how sure.</summary>
    Share,

    /// <summary>How strong or fast.</summary>
    Force,

    /// <summary>How warm.</summary>
    Heat,

    /// <summary>How old.</summary>
    Age,

    /// <summary>A sum of money.</summary>
    Money,

    /// <summary>Where.</summary>
    Place,

    /// <summary>Where somebody is called.</summary>
    Phone,

    /// <summary>Where somebody is written to, or a page of the net.</summary>
    Mail,

    /// <summary>Of which colour.</summary>
    Colour,

    /// <summary>Of which kind.</summary>
    Kind,

    /// <summary>Yes or no.</summary>
    YesNo,
}

/// <summary>
/// Tells from a name what sort of values it stands for: by the words of data design first, then by what the lexicon says its
/// main word is a kind of.
/// </summary>
internal static class ValueSorts
{
    private const int SensesThatCount = 2;

    private static readonly FrozenDictionary<string, ValueSort> Listed = new Dictionary<ValueSort, string>
    {
        // Of money or of water.
        [ValueSort.Unsaid] = "amount",
        [ValueSort.Mark] = "id code ref key serial barcode isbn",
        [ValueSort.Called] = "name title label caption heading headline nickname alias surname called wording",
        [ValueSort.Moment] =
            "date day clock from until till since start begin beginning end finish when year month week time moment timestamp hour minute "
            + "departure arrival deadline birthday birth opening closing datetime expiry",
        [ValueSort.Span] = "duration length runtime span",
        [ValueSort.Count] = "count quantity capacity seat headcount",
        [ValueSort.Weight] = "weight mass kilogram kilo gram load",
        [ValueSort.Extent] =
            "height width depth altitude elevation diameter meter metre centimeter centimetre kilometer kilometre",
        [ValueSort.Share] = "percent percentage certainty probability confidence sureness share",
        [ValueSort.Force] = "speed velocity force strength",
        [ValueSort.Heat] = "temperature degree",
        [ValueSort.Age] = "age",
        [ValueSort.Money] = "price cost fee sum pay payment salary wage rent budget fine deposit charge tariff rate",
        [ValueSort.Place] = "place location address town city region country street area position site venue locality territory",
        [ValueSort.Phone] = "phone fax",
        [ValueSort.Mail] = "email mail mailbox",
        [ValueSort.Colour] = "color hue shade tint",
        [ValueSort.Kind] = "kind type category class sort genre variety",
        [ValueSort.YesNo] = "flag public active available done paid",
    }
        .SelectMany(pair => pair.Value.Split(' ').Select(word => (word, pair.Key)))
        .ToFrozenDictionary(pair => pair.word, pair => pair.Key, StringComparer.Ordinal);

    // Each with a word one of whose first senses is what all others are kinds of.
    private static readonly (string Word, ValueSort Sort)[] Kinds =
    [
        ("time period", ValueSort.Moment),
        ("time unit", ValueSort.Moment),
        ("location", ValueSort.Place),
        ("cost", ValueSort.Money),
        ("monetary value", ValueSort.Money),
        ("name", ValueSort.Called),
        ("header", ValueSort.Called),
    ];

    private static readonly Lazy<FrozenDictionary<int, ValueSort>> Roots = new(() =>
        Kinds
            .Select(kind =>
                (Sense: Lexicon.English.Find(kind.Word)?.Senses.FirstOrDefault(sense => sense.Kind == 'n'), kind.Sort)
            )
            .Where(kind => kind.Sense is not null)
            .DistinctBy(kind => kind.Sense!.Value.Number)
            .ToFrozenDictionary(kind => kind.Sense!.Value.Number, kind => kind.Sort)
    );

    /// <summary>The words that names of data of all sorts consist of.</summary>
    public static IEnumerable<string> All => Listed.Keys;

    /// <summary>Whether it is one of the words that names of data of all sorts consist of.</summary>
    public static bool IsListed(string word) => Listed.ContainsKey(word);

    /// <summary>What sort of values a name stands for.</summary>
    public static ValueSort Of(Name name)
    {
        var written = WordSplitter.Split(name.Text);
        return written.Count == 0 ? ValueSort.Unsaid : ByForm(written, name) ?? ByWords(name);
    }

    // What is written so can be only that: made on, is public, how many, number of seats, in days.
    private static ValueSort? ByForm(IReadOnlyList<string> written, Name name) =>
        written switch
        {
            [.., "on" or "at"] => ValueSort.Moment,
            [var done, ..] when IsWhatWasDone(written) && !Listed.ContainsKey(done) => ValueSort.Moment,
            [.., "yn"] or ["is" or "has", _, ..] => ValueSort.YesNo,
            ["how", "many" or "much", ..] => ValueSort.Count,
            [.., "minutes" or "hours" or "seconds" or "days" or "weeks" or "mins" or "hrs"] => ValueSort.Span,
            _ when written.Contains("of") && name.Words is [.., _, "number"] => ValueSort.Count,
            _ when name.Words is [.., "run" or "running" or "play" or "total" or "overall" or "travel", "time"] => ValueSort.Span,
            _ => null,
        };

    // Brought back is when it was.
    private static bool IsWhatWasDone(IReadOnlyList<string> written) =>
        written is [_] or [_, "back" or "in" or "out" or "off" or "up" or "away" or "down"]
        && Inflection.IsParticiple(written[0]);

    // By the main word, or the first; the number of a phone and the address of a mailbox by those.
    private static ValueSort ByWords(Name name)
    {
        if (name.Words[^1] is "number" or "address")
        {
            var reached = name.Words.Select(word => Listed.GetValueOrDefault(word)).FirstOrDefault(IsReach);
            if (reached != ValueSort.Unsaid || name.Words[^1] == "number")
            {
                return reached == ValueSort.Unsaid ? ValueSort.Mark : reached;
            }
        }

        var last = Word(name, name.Words.Length - 1);
        return last != ValueSort.Unsaid || name.Words.Length == 1 ? last : Listed.GetValueOrDefault(name.Words[0]);

        static bool IsReach(ValueSort sort) => sort is ValueSort.Phone or ValueSort.Mail;
    }

    private static ValueSort Word(Name name, int index)
    {
        if (Listed.TryGetValue(name.Words[index], out var listed))
        {
            return listed;
        }

        if (name.Lexical[index] is { } word)
        {
            foreach (var sense in word.Senses.Where(sense => sense.Kind == 'n').Take(SensesThatCount))
            {
                foreach (var above in Lexicon.English.Ancestors(sense.Number))
                {
                    if (Roots.Value.TryGetValue(above, out var sort))
                    {
                        return sort;
                    }
                }
            }
        }

        return ValueSort.Unsaid;
    }
}
