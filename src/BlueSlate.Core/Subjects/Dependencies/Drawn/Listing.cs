using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>Attributes that a note lists together.</summary>
/// <param name="Note">The note.</param>
/// <param name="Attributes">Those that are laid out.</param>
/// <param name="Strange">Names that none of them has.</param>
internal sealed record ListedSet(string Note, AttributeSet Attributes, ImmutableArray<string> Strange);

/// <summary>What the notes beside a diagram list: all candidate keys, and the attributes that are in one.</summary>
/// <param name="Keys">The candidate keys, in their order.</param>
/// <param name="Primes">The prime attributes; null where none are listed.</param>
internal sealed record Listing(ImmutableArray<ListedSet> Keys, ListedSet? Primes)
{
    /// <summary>Nothing is listed.</summary>
    public static Listing None { get; } = new([], null);

    /// <summary>What the notes of the first sheet list, by the numbers of attributes.</summary>
    public static Listing Read(Drawing drawing, Func<Name, int?> numberOf)
    {
        var keys = ImmutableArray.CreateBuilder<ListedSet>();
        ListedSet? primes = null;
        foreach (var (note, line) in Lines(drawing))
        {
            keys.AddRange((ListingText.Keys(line) ?? []).Select(names => Of(note, names, numberOf)));
            if (ListingText.Primes(line) is { } names)
            {
                primes ??= Of(note, names, numberOf);
            }
        }

        return new Listing([.. keys.DistinctBy(key => (key.Attributes, string.Join('\n', key.Strange)))], primes);
    }

    /// <summary>The lines of the notes of the first sheet.</summary>
    public static IEnumerable<(string Note, string Line)> Lines(Drawing drawing) =>
        from sheet in drawing.Sheets.Take(1)
        from note in sheet.Shapes
        where note.Form == Form.Note
        from line in note.Text.Split('\n')
        select (note.Id, line);

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
