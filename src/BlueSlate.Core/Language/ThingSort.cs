namespace BlueSlate.Core.Language;

/// <summary>Whether a name is one for people, as far as the lexicon knows its main word.</summary>
internal enum ThingSort
{
    /// <summary>The main word is not known.</summary>
    Unsaid,

    /// <summary>Somebody: a driver, a member, a guest.</summary>
    Somebody,

    /// <summary>Something: a place, a thing, an event, a group.</summary>
    Something,
}

/// <summary>Tells names for people from names for all else.</summary>
internal static class ThingSorts
{
    private const int SensesThatCount = 2;

    private static readonly Lazy<int> Person = new(() =>
        Lexicon.English.Find("person")!.Senses.First(sense => sense.Kind == 'n').Number
    );

    /// <summary>The sort of thing that a name is for, by the first senses of its main word.</summary>
    public static ThingSort Of(Name name)
    {
        if (name.Words.IsEmpty || Lexicon.English.Find(name.Words[^1]) is not { IsNoun: true } word)
        {
            return ThingSort.Unsaid;
        }

        var senses = word.Senses.Where(sense => sense.Kind == 'n').Take(SensesThatCount);
        return senses.Any(sense => Lexicon.English.Ancestors(sense.Number).Contains(Person.Value))
            ? ThingSort.Somebody
            : ThingSort.Something;
    }
}
