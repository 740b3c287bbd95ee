using System.Collections.Immutable;

namespace BlueSlate.Core.Language.Scenarios;

/// <summary>
/// A scenario as people read it: its blocks (paragraphs, items of lists, headings, cells of tables) in their order, each as
/// plain text, and the tables among them. Phrases are places in blocks. A value.
/// </summary>
/// <param name="Blocks">The plain text of each block.</param>
/// <param name="Tables">The tables with rows that stand in it.</param>
public sealed record ScenarioProse(ImmutableArray<string> Blocks, ImmutableArray<RowTable> Tables)
{
    /// <summary>The forms that stand in it.</summary>
    public ImmutableArray<FormSheet> Forms { get; init; } = [];

    /// <summary>The listings of code, or of whatever is quoted line by line, that stand in it.</summary>
    public ImmutableArray<CodeListing> Listings { get; init; } = [];

    /// <summary>No scenario at all.</summary>
    public static ScenarioProse None { get; } = new([], []);

    /// <summary>Prose of one block a paragraph, without tables.</summary>
    public static ScenarioProse OfParagraphs(params ReadOnlySpan<string> paragraphs) => new([.. paragraphs], []);

    /// <summary>
    /// The sentences of what is told in prose, each with the number of its block; tables, forms and listings tell nothing in
    /// sentences.
    /// </summary>
    internal IEnumerable<(int Block, ScenarioSentence Sentence)> Sentences()
    {
        var shown = Tables
            .SelectMany(table => table.Blocks)
            .Concat(Forms.SelectMany(form => form.Blocks))
            .Concat(Listings.SelectMany(listing => listing.Blocks))
            .ToHashSet();
        return Enumerable
            .Range(0, Blocks.Length)
            .Where(block => !shown.Contains(block))
            .SelectMany(block => ScenarioSentence.Split(Blocks[block]).Select(sentence => (block, sentence)));
    }
}

/// <summary>Words of a scenario: the number of their block, from 0, where in it they start, and the words themselves.</summary>
public sealed record ScenarioPlace(int Block, int Start, string Quote);

/// <summary>
/// A table with rows in a scenario: the block of each cell of its head, and of each cell of its rows. Rows have as many cells
/// as the head.
/// </summary>
/// <param name="Head">The names of the columns.</param>
/// <param name="Rows">The cells, each its text and the number of its block.</param>
public sealed record RowTable(ImmutableArray<RowCell> Head, ImmutableArray<ImmutableArray<RowCell>> Rows)
{
    /// <summary>The blocks that its cells are.</summary>
    public IEnumerable<int> Blocks => Head.Concat(Rows.SelectMany(row => row)).Select(cell => cell.Block);
}

/// <summary>A cell of a table: its text, empty where nothing stands in it, and the number of its block.</summary>
public sealed record RowCell(string Text, int Block)
{
    /// <summary>Where it stands, as a whole.</summary>
    public ScenarioPlace Place => new(Block, 0, Text);
}

/// <summary>A form in a scenario, as it lies on somebody's desk.</summary>
/// <param name="Title">What it is called; empty where it has no title.</param>
/// <param name="Fields">Its fields, from top to bottom.</param>
/// <param name="Blocks">The blocks that stand on it.</param>
public sealed record FormSheet(string Title, ImmutableArray<FormField> Fields, ImmutableArray<int> Blocks);

/// <summary>A field of a form.</summary>
/// <param name="Label">What is printed at it.</param>
/// <param name="Choices">What is printed to choose from; empty where it is written into.</param>
public sealed record FormField(RowCell Label, ImmutableArray<RowCell> Choices)
{
    /// <summary>Whether more than one of the choices can be ticked.</summary>
    public bool TakesSeveral { get; init; }
}

/// <summary>Something quoted line by line in a scenario.</summary>
/// <param name="Text">The lines.</param>
/// <param name="Blocks">The blocks that it is, its name among them.</param>
public sealed record CodeListing(RowCell Text, ImmutableArray<int> Blocks);
