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
    /// <summary>No scenario at all.</summary>
    public static ScenarioProse None { get; } = new([], []);

    /// <summary>Prose of one block a paragraph, without tables.</summary>
    public static ScenarioProse OfParagraphs(params ReadOnlySpan<string> paragraphs) => new([.. paragraphs], []);

    /// <summary>The sentences of what is told in prose, each with the number of its block; cells of tables tell nothing.</summary>
    internal IEnumerable<(int Block, ScenarioSentence Sentence)> Sentences()
    {
        var cells = Tables.SelectMany(table => table.Blocks).ToHashSet();
        return Enumerable
            .Range(0, Blocks.Length)
            .Where(block => !cells.Contains(block))
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
