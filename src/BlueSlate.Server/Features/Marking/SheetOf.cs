using System.Globalization;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Drafting.Sheets;
using BlueSlate.Server.Features.Checking;

namespace BlueSlate.Server.Features.Marking;

/// <summary>What a released answer is given back with on paper: the frozen sheets of its parts in words and figures.</summary>
public static class SheetOf
{
    /// <summary>The sheet of an answer.</summary>
    /// <param name="parts">The frozen sheets of its parts, in their order.</param>
    /// <param name="whom">A candidate code, or a name.</param>
    /// <param name="released">When it was released.</param>
    public static FeedbackSheet Answer(IReadOnlyList<FrozenSheet> parts, string whom, DateTimeOffset released) =>
        new(
            parts[0].Title,
            whom,
            parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Total).ToDisplay(),
            parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Result.Maximum).ToDisplay(),
            $"released on {released.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)}",
            [.. parts.Select(part => Part(part, parts.Count > 1))]
        );

    private static SheetPart Part(FrozenSheet frozen, bool several)
    {
        var result = frozen.Result;
        var shown = frozen.Part.ShowModelAnswer;
        var decisions = frozen.Rulings.ToDictionary(ruling => ruling.FindingId, StringComparer.Ordinal);
        var rounding = result.Total - result.Exact;
        return new SheetPart(
            several ? $"{frozen.Part.Title}: {result.Total.ToDisplay()} of {result.Maximum.ToDisplay()}" : "",
            frozen.Drawing,
            [.. result.Sentences.Select(Said)],
            shown ? frozen.ModelDrawing : null,
            shown ? [.. ModelSentences(frozen).Select(Said)] : [],
            [.. result.Lines.Select(line => new SheetLine(line.Title, line.Earned.ToDisplay(), line.Marks.ToDisplay()))],
            rounding == Rational.Zero ? null : Signed(rounding),
            [
                .. result.Notes.Select(note => Note(note, decisions.GetValueOrDefault(note.Id))),
                .. result.Adjustments.Select(Note),
            ],
            result.Restated
        );
    }

    private static SheetNote Note(ResultNote note, RulingReply? decision) =>
        new(
            note.Headline,
            [
                note.There,
                $"Wanted: {note.Wanted}",
                note.Why,
                .. note.Consequences.IsEmpty
                    ? Array.Empty<string>()
                    : [$"With it: {string.Join(' ', note.Consequences.Select(consequence => consequence.Headline))}"],
                .. note.Inherited switch
                {
                    Inherited.Wholly => ["It stood in the drawing of the earlier part already, and costs nothing again."],
                    Inherited.InPart => ["Part of it stood in the drawing of the earlier part already, and costs nothing again."],
                    _ => Array.Empty<string>(),
                },
                .. note.Marked ? Array.Empty<string>() : ["Not marked."],
            ],
            note.Loss == Rational.Zero ? "0" : Signed(Rational.Zero - note.Loss),
            decision is null ? "" : $"{Decided(decision.Decision)}{(decision.Comment.Length > 0 ? $" {decision.Comment}" : "")}",
            note.AnswerElements,
            note.Example is { } example
                ? new SheetTable(
                    $"{Leads[example.Kind]} {example.Said}",
                    example.Columns,
                    [.. example.Rows.Select(row => (IReadOnlyList<string>)row)]
                )
                : null
        )
        {
            ModelElements = note.ModelElements,
        };

    private static SheetNote Note(ResultAdjustment given) =>
        new(
            given.Reason,
            [
                given.Id == CheckedWork.Late ? "By the rule for what comes late."
                : given.Line is { Length: > 0 } line ? $"By the marker, in “{line}”."
                : "By the marker.",
            ],
            given.Amount == Rational.Zero ? "0" : Signed(given.Amount),
            "",
            given.Elements,
            null
        );

    private static string Decided(Decision decision) =>
        decision switch
        {
            Decision.Allow => "Allowed by the marker.",
            Decision.AllowInPart => "Allowed in part by the marker.",
            _ => "Looked at by the marker; the loss stands.",
        };

    private static readonly Dictionary<ExampleKind, string> Leads = new()
    {
        [ExampleKind.AllowedAsDrawn] = "Could be kept as drawn:",
        [ExampleKind.RuledOutAsDrawn] = "Could not be kept as drawn:",
        [ExampleKind.FollowsAsDrawn] = "The last row would follow from the others:",
        [ExampleKind.RepeatedAsDrawn] = "As drawn, the same is kept more than once:",
    };

    /// <summary>What the model answer of a frozen sheet says.</summary>
    public static IEnumerable<ResultSentence> ModelSentences(FrozenSheet frozen)
    {
        var subject = Subject.Of(frozen.Part.Learned);
        return subject.Parse(frozen.ModelDrawing) is { } model
            ? subject.Sentences(model, frozen.Part.Learned).Select(ResultSentence.Of)
            : [];
    }

    private static string Said(ResultSentence sentence) => string.Concat(sentence.Pieces.Select(piece => piece.Text));

    private static string Signed(Rational amount) =>
        amount < Rational.Zero ? $"−{(Rational.Zero - amount).ToDisplay()}" : $"+{amount.ToDisplay()}";
}
