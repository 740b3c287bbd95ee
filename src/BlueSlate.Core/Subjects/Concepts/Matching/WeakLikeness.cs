using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How likely two attributes of corresponding owners, for which nothing better is at hand, are meant as one: words in common,
/// words derived from each other or near in meaning, the same type, and the same form.
/// </summary>
internal sealed class WeakLikeness(Weights weights, DrawnTypes types)
{
    private const double Derived = 0.55;
    private const double Nearness = 0.5;
    private const double FormDiffers = 0.12;
    private const double SameType = 0.15;
    private const double OtherType = 0.25;
    private const double Far = 0.5;
    private const double SameEnd = 0.2;
    private const double OtherEnd = 1;

    /// <summary>
    /// Whether two attributes are of one form: both optional or not, of several values or not, of types of one family where
    /// both say one.
    /// </summary>
    public static bool SameForm(NamedAttribute a, NamedAttribute b) =>
        a.InKey == b.InKey
        && a.Attribute.Multivalued == b.Attribute.Multivalued
        && a.Attribute.Optional == b.Attribute.Optional
        && (a.Attribute.ForeignKey is null) == (b.Attribute.ForeignKey is null)
        && (a.Attribute.Type.Length == 0 || b.Attribute.Type.Length == 0 || TypeFamily.Same(a.Attribute.Type, b.Attribute.Type));

    /// <summary>Whether two attributes hold values of one sort, by their types where both say one, by their names otherwise.</summary>
    public bool SameSort(NamedAttribute a, NamedAttribute b) =>
        a.Attribute.Multivalued == b.Attribute.Multivalued
        && (
            a.Attribute.Type.Length > 0 && b.Attribute.Type.Length > 0
                ? types.Same(a.Attribute.Type, b.Attribute.Type)
                : a.Sort != ValueSort.Unsaid && a.Sort == b.Sort
        );

    public double Of(NamedAttribute a, NamedAttribute b)
    {
        var words = NameSimilarity.OfBare(a.Name, a.Bare, b.Name, b.Bare).Value;
        var meaning = OfMeaning(a.Bare, b.Bare);
        var value = Math.Max(words, meaning);
        value -= a.InKey == b.InKey ? 0 : FormDiffers;
        value -= a.Attribute.Multivalued == b.Attribute.Multivalued ? 0 : FormDiffers * 2;
        value -= a.Attribute.Optional == b.Attribute.Optional ? 0 : FormDiffers;
        value -= a.Attribute.Derived == b.Attribute.Derived ? 0 : FormDiffers / 2;
        if (!TypesTell(a, b))
        {
            value += OfSorts(a, b, words > 0, meaning >= Derived);
            value -= AreFar(a.Bare, b.Bare) ? weights["farWords"] : 0;
        }

        value += (DesignWords.EndOf(a.Name), DesignWords.EndOf(b.Name)) switch
        {
            (0, _) or (_, 0) => 0,
            var (one, other) => one == other ? SameEnd : -OtherEnd,
        };
        return a.Attribute.Type.Length == 0 || b.Attribute.Type.Length == 0
            ? value
            : value + (types.Same(a.Attribute.Type, b.Attribute.Type) ? SameType : -OtherType);
    }

    // Where only one name tells its sort, a known word on the other side is likely of another, unless they share a word.
    // What means the same is of one sort, whatever else it may be read as.
    private double OfSorts(NamedAttribute a, NamedAttribute b, bool shareWords, bool meanTheSame) =>
        (a.Sort, b.Sort) switch
        {
            var (one, other) when meanTheSame && one != other => 0,
            (ValueSort.Unsaid, ValueSort.Unsaid) => 0,
            (ValueSort.Unsaid, _) or (_, ValueSort.Unsaid) when shareWords => 0,
            (ValueSort.Unsaid, _) => IsKnownNoun(a.Bare) ? -weights["otherSort"] / 2 : 0,
            (_, ValueSort.Unsaid) => IsKnownNoun(b.Bare) ? -weights["otherSort"] / 2 : 0,
            var (one, other) => one == other ? weights["sameSort"] : -weights["otherSort"],
        };

    private static bool IsKnownNoun(Name name) => !name.Words.IsEmpty && name.Lexical[^1] is { IsNoun: true };

    // Of one type that only few things have.
    private bool TypesTell(NamedAttribute a, NamedAttribute b) =>
        a.Attribute.Type.Length > 0 && TypeFamily.IsTelling(a.Attribute.Type) && types.Same(a.Attribute.Type, b.Attribute.Type);

    // Two known words of different meaning are words for different things.
    private static bool AreFar(Name a, Name b) =>
        !a.Words.IsEmpty
        && !b.Words.IsEmpty
        && a.Lexical[^1] is { IsNoun: true } one
        && b.Lexical[^1] is { IsNoun: true } other
        && a.Words[^1] != b.Words[^1]
        && a.Sort != b.Sort
        && !one.IsSynonymOf(other)
        && !one.IsDerivedFrom(other)
        && Lexicon.English.Closeness(one, other) < Far;

    // The best pair of words, and how near the main words are.
    private static double OfMeaning(Name a, Name b)
    {
        var best = 0.0;
        foreach (var first in a.Lexical.OfType<LexicalWord>())
        {
            foreach (var second in b.Lexical.OfType<LexicalWord>())
            {
                best = Math.Max(
                    best,
                    first.Word == second.Word
                    || first.IsSynonymOf(second)
                    || first.IsDerivedFrom(second)
                    || first.IsDerivedFromSynonymOf(second)
                        ? Derived
                        : Nearness * Lexicon.English.Closeness(first, second)
                );
            }
        }

        return best;
    }
}
