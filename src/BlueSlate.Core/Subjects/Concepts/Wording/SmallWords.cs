using System.Collections.Frozen;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>The small words of English by which a sentence is taken apart.</summary>
internal static class SmallWords
{
    public static readonly FrozenSet<string> Auxiliaries = Words(
        "is are was were be been being am has have had do does did can could may might must shall should will would need needs"
    );

    public static readonly FrozenSet<string> OfMay = Words("may can could might optional");

    // Said of what comes next, and of nothing else.
    public static readonly FrozenSet<string> OfPerhaps = Words("perhaps possibly maybe optionally sometimes");

    public static readonly FrozenSet<string> OfNot = Words(
        "not never nowhere cannot hardly idle empty unused unassigned elsewhere outside wait waits waiting missing"
    );

    // Which kinds there are, and not how many.
    public static readonly FrozenSet<string> OfKinds = Words("both neither either");

    public static readonly FrozenSet<string> OfHabit = Words(
        "usually normally generally typically often mostly commonly ordinarily regularly rarely seldom about roughly approximately"
            + " around nearly almost"
    );

    public static readonly FrozenSet<string> Joining = Words(
        "and but or while whereas though although so yet because as if when then since until unless"
    );

    public static readonly FrozenSet<string> Relative = Words("who which whom whose that where");

    public static readonly FrozenSet<string> Determiners = Words(
        "a an the this that these those each every any all both some most many several one two three four five there here also"
            + " only just even still always known noted kept recorded stored given now then once"
            + " twice too yet more less own same at least most up only alone"
    );

    public static readonly FrozenSet<string> Pronouns = Words("it they he she we them him her itself themselves");

    public static readonly FrozenSet<string> Somebody = Words(
        "people person anyone anybody somebody someone nobody everybody everyone"
    );

    public static readonly FrozenSet<string> Others = Words("other others another");

    public static readonly FrozenSet<string> NotBetween = Words(
        "and or but who which that to by in on at from with for into per within if as than"
    );

    // What in front of a noun says nothing of which ones are meant.
    public static readonly FrozenSet<string> Harmless = Words("of the its their his her more whole same different own");

    public static readonly FrozenSet<string> InFront = Words(
        "in on at of for to into from with within during among under over between per by"
    );

    private static readonly FrozenSet<string> All =
    [
        .. Auxiliaries,
        .. Joining,
        .. Relative,
        .. Pronouns,
        .. Others,
        .. InFront,
        .. Harmless,
        .. OfMay,
        .. OfPerhaps,
        .. OfNot,
        .. OfHabit,
        .. Determiners,
    ];

    /// <summary>Whether a word only holds others together, or says how many, when or how.</summary>
    public static bool Contain(string word) => All.Contains(word);

    private static FrozenSet<string> Words(string words) => words.Split(' ').ToFrozenSet(StringComparer.Ordinal);
}
