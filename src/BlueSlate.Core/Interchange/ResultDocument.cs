using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Interchange;

/// <summary>
/// Everything that was found out about one answer, frozen as values (docs/formats/README.md): verdicts, notes, marks,
/// sentences.
/// </summary>
public sealed record ResultDocument
{
    /// <summary>SHA-256 of the answer's canonical drawing.</summary>
    public required string DrawingHash { get; init; }

    /// <summary>The core's version.</summary>
    public required string Core { get; init; }

    /// <summary>The total, rounded.</summary>
    public required Rational Total { get; init; }

    /// <summary>The total before rounding.</summary>
    public required Rational Exact { get; init; }

    /// <summary>What could be earned.</summary>
    public required Rational Maximum { get; init; }

    /// <summary>The least that the answer might deserve; null in results from before it was told.</summary>
    public Rational? Lowest { get; init; }

    /// <summary>The most that it might deserve.</summary>
    public Rational? Highest { get; init; }

    /// <summary>The lines of the scheme with what they earned.</summary>
    public required ImmutableArray<ResultLine> Lines { get; init; }

    /// <summary>The notes of the margin.</summary>
    public required ImmutableArray<ResultNote> Notes { get; init; }

    /// <summary>The verdict on every fact.</summary>
    public required ImmutableArray<ResultVerdict> Verdicts { get; init; }

    /// <summary>What is drawn another way with the same meaning.</summary>
    public required ImmutableArray<string> Restated { get; init; }

    /// <summary>Which element of the answer stands for which of the model answer.</summary>
    public required ImmutableSortedDictionary<string, string> Counterparts { get; init; }

    /// <summary>
    /// In sentences, what was taken for something that is called otherwise, by its place, and why; none in results from before it was
    /// told.
    /// </summary>
    public ImmutableArray<string> TakenFor { get; init; } = [];

    /// <summary>What a person gave or took besides what was found; none in results from before that could be.</summary>
    public ImmutableArray<ResultAdjustment> Adjustments { get; init; } = [];

    /// <summary>The sentences of the answer.</summary>
    public required ImmutableArray<ResultSentence> Sentences { get; init; }

    /// <summary>The document of an assessment.</summary>
    public static ResultDocument Of(Assessment assessment, string drawingHash) =>
        new()
        {
            DrawingHash = drawingHash,
            Core = Assessor.CoreVersion,
            Total = assessment.Sheet.Total,
            Exact = assessment.Sheet.Exact,
            Maximum = assessment.Sheet.Maximum,
            Lowest = assessment.Doubt.Lowest,
            Highest = assessment.Doubt.Highest,
            Lines =
            [
                .. assessment.Sheet.Lines.Select(line => new ResultLine(
                    line.Line.Id,
                    line.Line.Title,
                    line.Line.Marks,
                    line.Earned,
                    [.. assessment.Notes.Where(note => note.LineIds.Contains(line.Line.Id)).Select(note => note.Finding.Id)]
                )),
            ],
            Notes =
            [
                .. assessment.Notes.Select(note =>
                    ResultNote.Of(note, assessment.ExampleOf(note.Finding), assessment.Inherited.Of(note))
                ),
            ],
            Verdicts =
            [
                .. assessment.Comparison.Verdicts.Select(verdict => new ResultVerdict(
                    verdict.Fact.Id,
                    verdict.Kind,
                    verdict.Fact.Title,
                    verdict.Fact.Value,
                    verdict.Drawn
                )),
            ],
            Restated = assessment.Comparison.SaidAnotherWay,
            TakenFor = [.. assessment.Comparison.Guesses.Where(guess => guess.Taken).Select(guess => guess.Said)],
            Counterparts = assessment.Comparison.Counterparts,
            Adjustments = [.. assessment.Sheet.Adjustments.Select(one => ResultAdjustment.Of(one, assessment.Sheet))],
            Sentences = [.. assessment.Sentences.Select(ResultSentence.Of)],
        };
}

/// <summary>One line of the scheme and what it earned.</summary>
public sealed record ResultLine(string Id, string Title, Rational Marks, Rational Earned, ImmutableArray<string> Notes);

/// <summary>Marks that a person gave or took.</summary>
/// <param name="Id">By which it is known.</param>
/// <param name="Line">
/// The title of the line in which it counts; null for the total, and empty where the scheme has the line no longer.
/// </param>
/// <param name="Amount">What came of it, below 0 where it was taken.</param>
/// <param name="Reason">Why.</param>
/// <param name="Elements">The parts of the drawing that it is about.</param>
public sealed record ResultAdjustment(string Id, string? Line, Rational Amount, string Reason, ImmutableArray<string> Elements)
{
    internal static ResultAdjustment Of(Adjusted adjusted, MarkSheet sheet) =>
        new(
            adjusted.Adjustment.Id,
            adjusted.Adjustment.LineId is { } id
                ? sheet.Lines.FirstOrDefault(line => line.Line.Id == id)?.Line.Title ?? ""
                : null,
            adjusted.Effect,
            adjusted.Adjustment.Reason,
            adjusted.Adjustment.Elements
        );
}

/// <summary>The verdict on one fact.</summary>
public sealed record ResultVerdict(string Fact, VerdictKind Verdict, string Title, string Wanted, string Drawn);

/// <summary>A statement about the answer, its pieces tied to elements.</summary>
public sealed record ResultSentence(
    string Concept,
    ImmutableArray<SentencePiece> Pieces,
    ImmutableArray<string> Elements,
    string? StillOpen
)
{
    /// <summary>The document of a sentence.</summary>
    public static ResultSentence Of(Sentence sentence) =>
        new(sentence.ConceptId, sentence.Pieces, sentence.Elements, sentence.StillOpen);
}

/// <summary>A note of the margin.</summary>
public sealed record ResultNote(
    string Id,
    string Code,
    Tag Tag,
    string Headline,
    string There,
    string Wanted,
    string Why,
    Rational Loss,
    bool Marked,
    ImmutableArray<string> Facts,
    ImmutableArray<string> Extras,
    ImmutableArray<string> ModelElements,
    ImmutableArray<string> AnswerElements,
    ImmutableArray<ResultConsequence> Consequences
)
{
    internal static ResultNote Of(Note note, Example? example, Inherited inherited) =>
        new(
            note.Finding.Id,
            note.Finding.Code,
            note.Finding.Tag,
            note.Finding.Headline,
            note.Finding.There,
            note.Finding.Wanted,
            note.Finding.Why,
            note.Loss,
            note.Marked,
            [.. note.Finding.Claims.Concat(note.Consequences.SelectMany(finding => finding.Claims))],
            note.Finding.Extras,
            [
                .. note
                    .Finding.ModelElements.Concat(note.Consequences.SelectMany(finding => finding.ModelElements))
                    .Distinct(StringComparer.Ordinal),
            ],
            note.Finding.AnswerElements,
            [.. note.Consequences.Select(finding => new ResultConsequence(finding.Code, finding.Headline))]
        )
        {
            Inherited = inherited,
            Example = example is null
                ? null
                : new ResultExample(example.Kind, example.Table.Said, example.Table.Columns, example.Table.Rows),
        };

    /// <summary>How much of it stood already in the drawing with which the part was begun: that costs nothing here.</summary>
    public Inherited Inherited { get; init; }

    /// <summary>Data that the drawing and the model answer judge differently; null where there is none to show.</summary>
    public ResultExample? Example { get; init; }
}

/// <summary>A small table of made-up instances, each row as long as the heads.</summary>
public sealed record ResultExample(
    ExampleKind Kind,
    string Said,
    ImmutableArray<string> Columns,
    ImmutableArray<ImmutableArray<string>> Rows
);

/// <summary>What only follows from a note.</summary>
public sealed record ResultConsequence(string Code, string Headline);
