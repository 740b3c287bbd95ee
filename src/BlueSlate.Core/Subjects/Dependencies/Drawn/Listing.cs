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

/// <summary>The rows that a note gives against a dependency.</summary>
/// <param name="Note">The note.</param>
/// <param name="Goal">What they are to contradict.</param>
/// <param name="Columns">Its columns by the numbers of their attributes; null for one that is none.</param>
/// <param name="Text">As it is written.</param>
internal sealed record ListedCounterexample(
    string Note,
    (ListedSet From, ListedSet To) Goal,
    ImmutableArray<int?> Columns,
    CounterexampleText Text
);

/// <summary>The anomaly that a note says rows of the scenario show.</summary>
/// <param name="Note">The note.</param>
/// <param name="Rows">The rows, counted from 1.</param>
/// <param name="Kind">What goes wrong.</param>
/// <param name="Cause">The dependency that does it.</param>
internal sealed record ListedAnomaly(
    string Note,
    ImmutableArray<int> Rows,
    AnomalyKind Kind,
    (ListedSet From, ListedSet To) Cause
);

/// <summary>
/// What the notes beside a diagram list: all candidate keys, the attributes that are in one, closures, derivations, a minimal cover,
/// the form, rows against a dependency, and what rows of the scenario show.
/// </summary>
/// <param name="Keys">The candidate keys, in their order.</param>
/// <param name="Primes">The prime attributes; null where none are listed.</param>
internal sealed record Listing(ImmutableArray<ListedSet> Keys, ListedSet? Primes)
{
    /// <summary>The closures, in their order; of one set the first that is given.</summary>
    public ImmutableArray<ListedClosure> Closures { get; init; } = [];

    /// <summary>The derivations, in their order.</summary>
    public ImmutableArray<ListedDerivation> Derivations { get; init; } = [];

    /// <summary>Rows against dependencies, in their order.</summary>
    public ImmutableArray<ListedCounterexample> Counterexamples { get; init; } = [];

    /// <summary>The anomalies that are named, in their order; of the same rows the first.</summary>
    public ImmutableArray<ListedAnomaly> Anomalies { get; init; } = [];

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
        var counterexamples = ImmutableArray.CreateBuilder<ListedCounterexample>();
        var anomalies = ImmutableArray.CreateBuilder<ListedAnomaly>();
        ListedSet? primes = null;
        ListedCover? cover = null;
        ListedForm? form = null;
        foreach (var (note, line) in drawing.Sheets.Take(1).SelectMany(NoteLines.Of))
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
                derivations.Add(
                    new ListedDerivation(note, Arrow(note, derived.Goal), [.. derived.Steps.Select(step => Arrow(note, step))])
                );
            }

            if (CounterexampleText.Read(line) is { } against)
            {
                ImmutableArray<int?> columns = [.. against.Columns.Select(name => numberOf(Name.Of(name)))];
                counterexamples.Add(new ListedCounterexample(note, Arrow(note, against.Goal), columns, against));
            }

            if (AnomalyText.Read(line) is { } shown)
            {
                anomalies.Add(new ListedAnomaly(note, shown.Rows, shown.Kind, Arrow(note, shown.Cause)));
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
            Counterexamples = counterexamples.ToImmutable(),
            Anomalies = [.. anomalies.DistinctBy(anomaly => string.Join(' ', anomaly.Rows))],
            Cover = cover,
            Claimed = form,
        };

        (ListedSet, ListedSet) Arrow(string note, (ImmutableArray<string> From, ImmutableArray<string> To) arrow) =>
            (Of(note, arrow.From, numberOf), Of(note, arrow.To, numberOf));
    }

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
