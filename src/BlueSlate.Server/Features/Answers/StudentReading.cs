using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Server.Features.Exercises;

namespace BlueSlate.Server.Features.Answers;

/// <summary>What a student is told of a drawing while it is drawn: as far as the part's aids go.</summary>
internal static class StudentReading
{
    /// <summary>Of a drawing as text, beside the scenario; the refusal of one that cannot be read.</summary>
    public static IResult Of(PartDocument part, string text, ScenarioProse prose)
    {
        var (drawing, refusal) = DrawingInput.Read(text);
        if (drawing is null)
        {
            return refusal!;
        }

        var sentences = part.Aids.Sentences
            ? Subject.Of(part.Learned).Sentences(drawing, part.Learned)
            : DrawnSentenceWriter.Write(drawing);
        return TypedResults.Ok(
            new ReadingReply(
                DrawingWriter.Hash(drawing),
                [.. sentences.Select(ResultSentence.Of)],
                part.Aids.Form ? [.. Subject.Of(part.Learned).Form(drawing, part.Learned)] : []
            )
            {
                Rows = RowRemark.Of(part, drawing, prose, "your drawing"),
            }
        );
    }
}
