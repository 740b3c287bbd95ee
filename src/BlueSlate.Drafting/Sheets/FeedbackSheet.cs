namespace BlueSlate.Drafting.Sheets;

/// <summary>What one student is given back on paper: everything as it is to be read, in words and figures.</summary>
/// <param name="Title">The exercise's title.</param>
/// <param name="For">A candidate code, or a name.</param>
/// <param name="Total">What was earned.</param>
/// <param name="Maximum">What could be earned.</param>
/// <param name="Standing">When it was released, in words.</param>
/// <param name="Parts">The parts of the exercise in their order.</param>
public sealed record FeedbackSheet(
    string Title,
    string For,
    string Total,
    string Maximum,
    string Standing,
    IReadOnlyList<SheetPart> Parts
);

/// <summary>One part of a sheet.</summary>
/// <param name="Title">The part's title; empty where there is only one.</param>
/// <param name="Drawing">What was drawn, as a document.</param>
/// <param name="Says">What it says, a sentence each: what stands for the picture when it is read aloud.</param>
/// <param name="ModelDrawing">The model answer, or null where it is not shown.</param>
/// <param name="ModelSays">What the model answer says.</param>
/// <param name="Lines">The lines of the scheme.</param>
/// <param name="Rounding">What the rounding of the total adds or takes, or null.</param>
/// <param name="Notes">The notes.</param>
/// <param name="Restated">What is drawn another way with the same meaning.</param>
public sealed record SheetPart(
    string Title,
    string Drawing,
    IReadOnlyList<string> Says,
    string? ModelDrawing,
    IReadOnlyList<string> ModelSays,
    IReadOnlyList<SheetLine> Lines,
    string? Rounding,
    IReadOnlyList<SheetNote> Notes,
    IReadOnlyList<string> Restated
);

/// <summary>A line of the scheme: what it earned, of how much.</summary>
public sealed record SheetLine(string Title, string Earned, string Marks);

/// <summary>A note.</summary>
/// <param name="Headline">The difference in one sentence.</param>
/// <param name="Text">What is drawn, what is wanted and why, a paragraph each.</param>
/// <param name="Loss">What it costs, or for a note of a marker's own what it takes or gives, with its sign.</param>
/// <param name="Decision">What a marker decided and wrote; empty for none.</param>
/// <param name="Elements">The parts of the drawing at which it stands.</param>
/// <param name="Example">Data that both drawings judge differently, or null.</param>
public sealed record SheetNote(
    string Headline,
    IReadOnlyList<string> Text,
    string Loss,
    string Decision,
    IReadOnlyList<string> Elements,
    SheetTable? Example
)
{
    /// <summary>The parts of the model answer of which it speaks: what is missing has no other place.</summary>
    public IReadOnlyList<string> ModelElements { get; init; } = [];
}

/// <summary>A small table of made-up data, each row as long as the heads.</summary>
public sealed record SheetTable(string Said, IReadOnlyList<string> Columns, IReadOnlyList<IReadOnlyList<string>> Rows);
