using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>One answer with all that a marker sees of it.</summary>
public sealed class MarkingPage(
    BlueSlateContext database,
    AnswerAssessment assessment,
    Desk desk,
    ScenarioRenderer renderer,
    Access access
)
{
    /// <summary>The answer as it stands now.</summary>
    public async Task<MarkingReply> OfAsync(Guid id, CancellationToken cancellation)
    {
        var checkedAnswer = await assessment.RunAsync(id, cancellation);
        var (answer, model) = (checkedAnswer.Answer, checkedAnswer.Assessment.ModelDrawing);
        var part = ExerciseJson.Read<PartDocument>(answer.Question!.Part);
        var rows = await desk.AnswersAsync(answer.ExerciseId, cancellation);
        var at = Array.FindIndex(rows, row => row.Id == id);
        var released =
            answer.Released is { } sheet && Rational.TryParse(sheet.Total, out var total)
                ? new ReleasedMark(total, sheet.ReleasedAt)
                : null;
        var isInstructor = await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(exercise => exercise.Id == answer.ExerciseId, cancellation);
        return new MarkingReply(
            answer.Id,
            answer.ExerciseId,
            answer.Exercise!.Title,
            answer.CandidateCode,
            rows[at].State,
            answer.Late,
            DoubtReply.Of(checkedAnswer.Assessment),
            renderer.Render(answer.Question.Scenario),
            part,
            answer.Drawing,
            DrawingWriter.WriteText(model),
            ResultDocument.Of(checkedAnswer.Assessment, answer.DrawingHash),
            [.. SentenceWriter.Write(Notation.Read(model, part.ToOptions())).Select(ResultSentence.Of)],
            RulingReply.Of(checkedAnswer),
            StandReply.Of(checkedAnswer),
            at > 0 ? rows[at - 1].Id : null,
            at < rows.Length - 1 ? rows[at + 1].Id : null,
            at + 1,
            rows.Length,
            rows.Count(row => row.State is AnswerState.GoneThrough or AnswerState.Released),
            rows.Count(Desk.IsUndecided),
            released,
            released is null || isInstructor,
            isInstructor,
            await NoteQueries.OfAsync(database, id, cancellation)
        );
    }
}
