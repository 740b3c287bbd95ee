using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>The answers of an exercise with how far each is.</summary>
public sealed class Desk(BlueSlateContext database)
{
    /// <summary>The desk of an exercise.</summary>
    public async Task<DeskReply> OfAsync(Exercise exercise, bool mayRelease, CancellationToken cancellation)
    {
        var part = await database
            .ExerciseDocuments.AsNoTracking()
            .FirstAsync(document => document.ExerciseId == exercise.Id && document.Kind == DocumentKind.Part, cancellation);
        var students = await database.Memberships.CountAsync(
            member => member.CohortId == exercise.CohortId && member.Role == CohortRole.Student,
            cancellation
        );
        var drawing = await database.Answers.CountAsync(
            answer => answer.ExerciseId == exercise.Id && answer.HandedInAt == null,
            cancellation
        );
        return new DeskReply(
            exercise.Id,
            exercise.Title,
            exercise.Cohort!.Name,
            ExerciseJson.Read<PartDocument>(part.Text).Marks,
            students,
            drawing,
            exercise.DueAt,
            exercise.ReleasedAt,
            mayRelease,
            await AnswersAsync(exercise.Id, cancellation)
        );
    }

    /// <summary>All answers that are handed in, those that wait for a person first, then by candidate code.</summary>
    public async Task<DeskAnswer[]> AnswersAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var newest = await database
            .AssessmentRevisions.Where(revision => revision.ExerciseId == exerciseId)
            .OrderByDescending(revision => revision.Number)
            .Select(revision => revision.Id)
            .FirstOrDefaultAsync(cancellation);
        var rows = await database
            .Answers.AsNoTracking()
            .Where(answer => answer.ExerciseId == exerciseId && answer.HandedInAt != null)
            .Select(answer => new
            {
                answer.Id,
                answer.CandidateCode,
                answer.Late,
                answer.HandedInAt,
                GoneThrough = answer.GoneThroughAt != null,
                Released = answer.Released != null,
                NeedsPerson = database.CheckRequests.Any(request =>
                    request.AnswerId == answer.Id && request.NeedsPerson && request.AssessmentRevisionId == newest
                ),
                Questions = database.NoteQueries.Count(query => query.AnswerId == answer.Id && query.RepliedAt == null),
                ReleasedTotal = answer.Released == null ? null : answer.Released.Total,
                Result = answer.Results.FirstOrDefault(result =>
                    result.AssessmentRevisionId == newest && result.CoreVersion == Assessor.CoreVersion
                ),
            })
            .ToListAsync(cancellation);
        return
        [
            .. rows.Select(row => new DeskAnswer(
                    row.Id,
                    row.CandidateCode,
                    row.Released ? AnswerState.Released
                        : row.NeedsPerson && row.Result is null ? AnswerState.NeedsPerson
                        : row.Result is null ? AnswerState.Waiting
                        : row.GoneThrough ? AnswerState.GoneThrough
                        : AnswerState.Checked,
                    row.Late,
                    row.Result?.Doubtful == true,
                    Rational.TryParse(row.ReleasedTotal ?? row.Result?.Total ?? "", out var total) ? total : null,
                    row.HandedInAt!.Value,
                    row.Questions
                ))
                .OrderByDescending(IsUndecided)
                .ThenBy(row => row.Code, StringComparer.Ordinal),
        ];
    }

    /// <summary>Whether a person has to look before this answer's marks can be released.</summary>
    public static bool IsUndecided(DeskAnswer answer) =>
        answer.State is AnswerState.Waiting or AnswerState.NeedsPerson
        || (answer.State == AnswerState.Checked && answer.Doubtful);
}
