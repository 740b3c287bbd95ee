using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>Attributes that a note lists together.</summary>
/// <param name="Note">The note.</param>
/// <param name="Attributes">Those that are laid out.</param>
/// <param name="Strange">Names that none of them has.</param>
internal sealed record ListedSet(string Note, AttributeSet Attributes, ImmutableArray<string> Strange);

/// <summary>What a note says that a set of attributes determines, all in all.</summary>
/// <param name="Of">The set.</param>
/// <param name="Reached">Its closure, as it is said.</param>
internal sealed record ListedClosure(ListedSet Of, ListedSet Reached);

/// <summary>What a note gives as a minimal cover.</summary>
/// <param name="Note">The note.</param>
/// <param name="Arrows">Its dependencies, each as it is said.</param>
internal sealed record ListedCover(string Note, ImmutableArray<(ListedSet From, ListedSet To)> Arrows);

/// <summary>What a note derives from the arrows, step by step.</summary>
/// <param name="Note">The note.</param>
/// <param name="Goal">What is to be derived.</param>
/// <param name="Steps">The steps, in their order.</param>
internal sealed record ListedDerivation(
    string Note,
    (ListedSet From, ListedSet To) Goal,
    ImmutableArray<(ListedSet From, ListedSet To)> Steps
);

/// <summary>The normal form that a note claims of the attributes as one table.</summary>
internal sealed record ListedForm(string Note, NormalForm Form);

/// <summary>
/// What the notes beside a diagram list: all candidate keys, the attributes that are in one, closures, derivations, a minimal cover,
/// and the form.
/// </summary>
/// <param name="Keys">The candidate keys, in their order.</param>
/// <param name="Primes">The prime attributes; null where none are listed.</param>
internal sealed record Listing(ImmutableArray<ListedSet> Keys, ListedSet? Primes)
{
    /// <summary>The closures, in their order; of one set the first that is given.</summary>
    public ImmutableArray<ListedClosure> Closures { get; init; } = [];

    /// <summary>The derivations, in their order.</summary>
    public ImmutableArray<ListedDerivation> Derivations { get; init; } = [];

    /// <summary>The minimal cover; null where none is given.</summary>
    public ListedCover? Cover { get; init; }

    /// <summary>The form of all as one table; null where none is named.</summary>
    public ListedForm? Claimed { get; init; }

    /// <summary>Nothing is listed.</summary>
    public static Listing None { get; } = new([], null);

    /// <summary>What the notes of the first sheet list, by the numbers of attributes.</summary>
    public static Listing Read(Drawing drawing, Func<Name, int?> numberOf)
    {
        var keys = ImmutableArray.CreateBuilder<ListedSet>();
        var derivations = ImmutableArray.CreateBuilder<ListedDerivation>();
        var closures = ImmutableArray.CreateBuilder<ListedClosure>();
        ListedSet? primes = null;
        ListedCover? cover = null;
        ListedForm? form = null;
        foreach (var (note, line) in Lines(drawing))
        {
            keys.AddRange((ListingText.Keys(line) ?? []).Select(names => Of(note, names, numberOf)));
            if (ListingText.Primes(line) is { } names)
            {
                primes ??= Of(note, names, numberOf);
            }

            if (ListingText.Closure(line) is { } closure)
            {
                closures.Add(new ListedClosure(Of(note, closure.Of, numberOf), Of(note, closure.Reached, numberOf)));
            }

            if (ListingText.Derivation(line) is { } derived)
            {
                (ListedSet, ListedSet) Arrow((ImmutableArray<string> From, ImmutableArray<string> To) arrow) =>
                    (Of(note, arrow.From, numberOf), Of(note, arrow.To, numberOf));
                derivations.Add(new ListedDerivation(note, Arrow(derived.Goal), [.. derived.Steps.Select(Arrow)]));
            }

            if (ListingText.Cover(line) is { } arrows)
            {
                var said = arrows.Select(arrow => (Of(note, arrow.From, numberOf), Of(note, arrow.To, numberOf)));
                cover ??= new ListedCover(note, [.. said]);
            }

            if (ListingText.Form(line) is { } claimed)
            {
                form ??= new ListedForm(note, claimed);
            }
        }

        return new Listing([.. keys.DistinctBy(KeyOf)], primes)
        {
            Closures = [.. closures.DistinctBy(closure => KeyOf(closure.Of))],
            Derivations = derivations.ToImmutable(),
            Cover = cover,
            Claimed = form,
        };
    }

    /// <summary>The lines of the notes of the first sheet.</summary>
    public static IEnumerable<(string Note, string Line)> Lines(Drawing drawing) =>
        from sheet in drawing.Sheets.Take(1)
        from note in sheet.Shapes
        where note.Form == Form.Note
        from line in note.Text.Split('\n')
        select (note.Id, line);

    private static (AttributeSet, string) KeyOf(ListedSet set) => (set.Attributes, string.Join('\n', set.Strange));

    private static ListedSet Of(string note, ImmutableArray<string> names, Func<Name, int?> numberOf)
    {
        var numbers = names.Select(name => (Name: name, Number: numberOf(Name.Of(name)))).ToList();
        return new ListedSet(
            note,
            AttributeSet.Of(numbers.Select(one => one.Number).OfType<int>()),
            [.. numbers.Where(one => one.Number is null).Select(one => one.Name)]
        );
    }
}
