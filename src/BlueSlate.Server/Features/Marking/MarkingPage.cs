using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>The work on one part with all that a marker sees of it.</summary>
public sealed class MarkingPage(
    BlueSlateContext database,
    WorkAssessment assessment,
    Desk desk,
    ScenarioRenderer renderer,
    Access access
)
{
    /// <summary>The work as it stands now.</summary>
    public async Task<MarkingReply> OfAsync(Guid id, CancellationToken cancellation)
    {
        var result = await assessment.RunAsync(id, cancellation);
        var (work, answer, model) = (result.Work, result.Work.Answer!, result.Assessment.ModelAnswer);
        var part = ExerciseJson.Read<PartDocument>(work.Asked!.Document);
        var subject = Subject.Of(part.Learned);
        var rows = await desk.WorksOfPartAsync(work.PartId, cancellation);
        var at = Array.FindIndex(rows, row => row.Id == id);
        var released = work.Released is { } sheet ? new ReleasedMark(StoredMarks.Read(sheet.Total), sheet.ReleasedAt) : null;
        var isInstructor = await access
            .StaffExercises(instructorsOnly: true)
            .AnyAsync(exercise => exercise.Id == answer.ExerciseId, cancellation);
        return new MarkingReply(
            work.Id,
            answer.ExerciseId,
            work.PartId,
            await PartsAsync(answer.Id, cancellation),
            answer.Exercise!.Title,
            answer.CandidateCode,
            rows[at].State,
            answer.Late,
            answer.EndedByTime,
            await AfterTheEnd.OfAsync(database, id, cancellation),
            await database.GivenHelp.CountAsync(help => help.WorkId == id, cancellation),
            DoubtReply.Of(result.Assessment),
            renderer.Render(work.Asked.Question!.Scenario),
            part,
            work.Drawing,
            subject.Write(model),
            ResultDocument.Of(result.Assessment, work.DrawingHash),
            [.. subject.Sentences(model, part.Learned).Select(ResultSentence.Of)],
            RulingReply.Of(result),
            StandReply.Of(result),
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
        )
        {
            Evidence = ScenarioEvidence.Of(
                part,
                result.Document,
                model,
                renderer.ToProse(work.Asked.Question.Scenario),
                "the answer"
            ),
            Shared = new SharedOut(
                await desk.MarkersAsync(answer.Exercise.CohortId, cancellation),
                access.AccountId,
                answer.MarkerId,
                work.GoneThroughById,
                work.ConfirmedAt is not null
            ),
            HandedInBecause = answer.HandedInBecause,
            ReopenedBecause = answer.ReopenedBecause,
        };
    }

    private async Task<OtherPart[]> PartsAsync(Guid answerId, CancellationToken cancellation)
    {
        var parts = await database
            .Works.Where(work => work.AnswerId == answerId)
            .OrderBy(work => work.Asked!.Position)
            .Select(work => new { work.Id, work.Asked!.Document })
            .ToListAsync(cancellation);
        return [.. parts.Select(part => OtherPart.Of(part.Id, ExerciseJson.Read<PartDocument>(part.Document)))];
    }
}
