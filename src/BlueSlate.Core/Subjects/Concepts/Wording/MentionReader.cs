using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>Finds in sentences, one after the other, what they name of a model answer and how many of it.</summary>
internal sealed class MentionReader(ThingNames names)
{
    private const int MostBetween = 3;

    /// <summary>The last thing named that is one of people: whom <c>people</c>, <c>newcomers</c> are.</summary>
    public string? Person { get; private set; }

    /// <summary>All of a sentence, in their order.</summary>
    public List<Mention> Read(ScenarioSentence sentence)
    {
        var amounts = QuantityReader.Read(sentence);
        var found = new List<Mention>();
        for (var i = 0; i < sentence.Written.Length; i++)
        {
            var mention = amounts.TryGetValue(i, out var amount)
                ? Counted(sentence, i, amount.End, amount.Says)
                : Uncounted(sentence, i, found);
            if (mention is not null)
            {
                var (end, says) = QuantityReader.With(sentence, mention.End, mention.Says);
                says = IsPerhaps(sentence, i) ? says with { Min = 0, OrNone = true } : says;
                found.Add(mention with { End = end, Says = says });
                i = end - 1;
            }
        }

        return found;
    }

    private Mention? Uncounted(ScenarioSentence sentence, int start, List<Mention> before) =>
        !IsDone(sentence, start, before) && Named(sentence, start) is { } thing
            ? thing with
            {
                IsRestricted = start > 0 && sentence.After[start - 1] == Pause.None && Restricts(sentence.Written[start - 1]),
            }
            : null;

    // Routes call at stops: what follows on a thing is what it does, though there are calls.
    private static bool IsDone(ScenarioSentence sentence, int start, List<Mention> before) =>
        before is [.., var last]
        && last.End == start
        && sentence.After[start - 1] == Pause.None
        && Lexicon.English.Find(Inflection.Infinitive(sentence.Written[start])) is { IsVerb: true }
        && !(start + 1 < sentence.Written.Length && SmallWords.Auxiliaries.Contains(sentence.Written[start + 1]));

    // An amount with the thing behind it; with none where it stands for itself; nothing where it counts something else.
    private Mention? Counted(ScenarioSentence sentence, int start, int end, Quantity says)
    {
        var restricted = false;
        var another = sentence.Written[start] is "another";
        var last = end;
        for (var i = end; i < sentence.Written.Length && i - end <= MostBetween && sentence.After[i - 1] == Pause.None; i++)
        {
            var word = sentence.Written[i];
            if (Named(sentence, i) is { } thing)
            {
                return thing with
                {
                    Start = start,
                    Says = AsOneByOne(sentence, start, thing.Says.Kind == Quantifier.Bare ? says : thing.Says),
                    IsRestricted = restricted,
                    IsAnother = another,
                };
            }

            if (SmallWords.NotBetween.Contains(word) || SmallWords.Auxiliaries.Contains(word))
            {
                break;
            }

            if (SmallWords.Others.Contains(word))
            {
                (another, last) = (true, i + 1);
            }
            else
            {
                restricted |= Restricts(word);
            }
        }

        return another ? new Mention(start, last, null, says) { IsAnother = true }
            : IsAlone(sentence, start, end, says) ? new Mention(start, end, null, says)
            : null;
    }

    // New members are some of them; a repair evening is what evenings are here.
    private static bool Restricts(string word) =>
        !SmallWords.Contain(word)
        && (Lexicon.English.Find(word) is not { } known || known.Senses.Any(sense => sense.Kind is not ('n' or 'v')));

    // Of one target, for one show: one after the other.
    private static Quantity AsOneByOne(ScenarioSentence sentence, int start, Quantity says) =>
        says is { Counts: true, Explicit: false, Max: 1 } && start == 1 && SmallWords.InFront.Contains(sentence.Written[0])
            ? new Quantity(Quantifier.Indefinite, 1, 1)
            : says;

    // A number alone means nothing.
    private static bool IsOfMeaning(ScenarioSentence sentence, int end) =>
        end > 1 && Inflection.Infinitive(sentence.Written[end - 2]) is "mean" or "say" or "tell";

    // Perhaps one, perhaps on an expedition.
    private static bool IsPerhaps(ScenarioSentence sentence, int start)
    {
        for (var i = start - 1; i >= 0 && i >= start - 2 && sentence.After[i] == Pause.None; i--)
        {
            if (SmallWords.OfPerhaps.Contains(sentence.Written[i]))
            {
                return true;
            }
        }

        return false;
    }

    private static bool IsAlone(ScenarioSentence sentence, int start, int end, Quantity says)
    {
        if (
            says.Kind is not (Quantifier.Number or Quantifier.None or Quantifier.Some or Quantifier.Each)
            || (says.Kind == Quantifier.None && IsOfMeaning(sentence, end))
            || char.IsAsciiDigit(sentence.Written[end - 1][0])
        )
        {
            return false;
        }

        if (end >= sentence.Written.Length || sentence.After[end - 1] != Pause.None)
        {
            return true;
        }

        var next = sentence.Written[end];
        return SmallWords.Contain(next)
            || next is "times" or "yet" or "alone" or "them"
            || (
                Lexicon.English.Find(Inflection.Infinitive(next)) is { IsVerb: true }
                && (
                    Lexicon.English.Find(sentence.Forms[end]) is not { IsNoun: true }
                    || (says.Kind == Quantifier.Some && !Inflection.IsPlural(next))
                    || (next.EndsWith("ing", StringComparison.Ordinal) && !IsDeed(sentence, start, end))
                )
            );
    }

    // Each holding four; but the date of each borrowing, and each borrowing is noted.
    private static bool IsDeed(ScenarioSentence sentence, int start, int end) =>
        (start > 0 && SmallWords.InFront.Contains(sentence.Written[start - 1]))
        || (end + 1 < sentence.Written.Length && SmallWords.Auxiliaries.Contains(sentence.Written[end + 1]));

    private Mention? Named(ScenarioSentence sentence, int start)
    {
        if (names.At(sentence, start) is var (end, thing, role))
        {
            Person = names.IsSomebody(thing) ? thing : Person;
            return new Mention(start, end, thing, Quantity.Bare)
            {
                Role = role,
                IsPlural = Inflection.IsPlural(sentence.Written[end - 1]),
            };
        }

        return Person is not null && SmallWords.Somebody.Contains(sentence.Written[start])
            ? new Mention(start, start + 1, Person, Somebody(sentence.Written[start]))
            : null;
    }

    private static Quantity Somebody(string word) =>
        word switch
        {
            "nobody" => new Quantity(Quantifier.None, 0, 0),
            "people" or "person" => Quantity.Bare,
            _ => new Quantity(Quantifier.Each, null, null),
        };
}
