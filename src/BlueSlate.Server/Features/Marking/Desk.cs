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
    /// <summary>The desk of an exercise, for somebody who marks it.</summary>
    public async Task<DeskReply> OfAsync(Exercise exercise, Guid me, bool mayRelease, CancellationToken cancellation)
    {
        var parts = await PartsAsync(exercise.Id, cancellation);
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
            parts,
            parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Marks),
            students,
            drawing,
            exercise.DueAt,
            exercise.ReleasedAt,
            exercise.QuestionsUntil,
            mayRelease,
            exercise.TrialOfId,
            me,
            await MarkersAsync(exercise.CohortId, cancellation),
            await AnswersAsync(exercise.Id, cancellation)
        );
    }

    /// <summary>Everybody who marks a class, by name.</summary>
    public Task<DeskMarker[]> MarkersAsync(Guid cohortId, CancellationToken cancellation) =>
        database
            .Memberships.Where(member => member.CohortId == cohortId && member.Role != CohortRole.Student)
            .Join(database.Users, member => member.AccountId, account => account.Id, (member, account) => new { member, account })
            .OrderBy(row => row.account.DisplayName)
            .Select(row => new DeskMarker(row.account.Id, row.account.DisplayName, row.member.Role == CohortRole.Instructor))
            .ToArrayAsync(cancellation);

    /// <summary>The parts of an exercise in their order.</summary>
    public async Task<DeskPart[]> PartsAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var parts = await database
            .ExercisePartDocuments.AsNoTracking()
            .Where(document => document.Kind == DocumentKind.Part)
            .Join(
                database.ExerciseParts.Where(part => part.ExerciseId == exerciseId),
                document => document.PartId,
                part => part.Id,
                (document, part) =>
                    new
                    {
                        part.Id,
                        part.Position,
                        document.Text,
                    }
            )
            .OrderBy(part => part.Position)
            .ToListAsync(cancellation);
        return [.. parts.Select(part => DeskPart.Of(part.Id, ExerciseJson.Read<PartDocument>(part.Text)))];
    }

    /// <summary>All answers that are handed in, those that wait for a person first, then by candidate code.</summary>
    public async Task<DeskAnswer[]> AnswersAsync(Guid exerciseId, CancellationToken cancellation)
    {
        var answers = await database
            .Answers.AsNoTracking()
            .Where(answer => answer.ExerciseId == exerciseId && answer.Counts)
            .ToListAsync(cancellation);
        var works = (
            await WorksAsync(database.Works.Where(work => work.Answer!.ExerciseId == exerciseId), cancellation)
        ).ToLookup(row => row.AnswerId);
        return
        [
            .. answers
                .Select(answer => AnswerOf(answer, [.. works[answer.Id].Select(row => row.Work)]))
                .OrderByDescending(IsUndecided)
                .ThenBy(row => row.Code, StringComparer.Ordinal),
        ];
    }

    /// <summary>The work on one part in the order of the desk.</summary>
    public async Task<DeskWork[]> WorksOfPartAsync(Guid partId, CancellationToken cancellation) =>
        [
            .. (await WorksAsync(database.Works.Where(work => work.PartId == partId), cancellation))
                .Select(row => row.Work)
                .OrderByDescending(IsUndecided)
                .ThenBy(work => work.Code, StringComparer.Ordinal),
        ];

    /// <summary>Whether its marks are released when they are all.</summary>
    public static bool IsReady(DeskAnswer answer) =>
        answer.State != AnswerState.Released && answer.Withheld is null && !IsUndecided(answer);

    /// <summary>Whether an assistant has gone through it and nobody who teaches has confirmed that.</summary>
    public static bool IsToConfirm(DeskAnswer answer) =>
        answer.State == AnswerState.GoneThrough && answer.Works.Any(work => !work.Confirmed);

    /// <summary>Whether a person has to look before this answer's marks can be released.</summary>
    public static bool IsUndecided(DeskAnswer answer) => answer.Works.Any(IsUndecided);

    /// <summary>Whether a person has to look at this work before.</summary>
    public static bool IsUndecided(DeskWork work) =>
        work.State is AnswerState.Waiting or AnswerState.NeedsPerson
        || (work.State == AnswerState.Checked && (work.Doubtful || work.DrawnAfterEnd));

    // Handed in, by the parts' order.
    private async Task<List<(Guid AnswerId, DeskWork Work)>> WorksAsync(IQueryable<Work> works, CancellationToken cancellation)
    {
        var newest = await database
            .AssessmentRevisions.Where(revision => works.Any(work => work.PartId == revision.PartId))
            .GroupBy(revision => revision.PartId)
            .Select(group => group.OrderByDescending(revision => revision.Number).First().Id)
            .ToListAsync(cancellation);
        var rows = await works
            .AsNoTracking()
            .Where(work => work.Answer!.Counts)
            .OrderBy(work => work.Asked!.Position)
            .Select(work => new
            {
                work.Id,
                work.AnswerId,
                work.PartId,
                work.Answer!.CandidateCode,
                work.Answer.Late,
                GoneThrough = work.GoneThroughAt != null,
                work.GoneThroughById,
                Confirmed = work.ConfirmedAt != null,
                work.Answer.StartedAt,
                HandedInAt = work.Answer.ReopenedUntil == null ? work.Answer.HandedInAt : null,
                Released = work.Released != null,
                NeedsPerson = database.CheckRequests.Any(request =>
                    request.WorkId == work.Id && request.NeedsPerson && newest.Contains(request.AssessmentRevisionId)
                ),
                Questions = database.NoteQueries.Count(query => query.WorkId == work.Id && query.RepliedAt == null),
                DrawnAfterEnd = database.Checkpoints.Any(state =>
                    state.WorkId == work.Id && state.Reason == CheckpointReason.TooLate
                ),
                ReleasedTotal = work.Released == null ? null : work.Released.Total,
                Result = work
                    .Results.Where(result =>
                        newest.Contains(result.AssessmentRevisionId) && result.CoreVersion == Assessor.CoreVersion
                    )
                    .Select(result => new { result.Total, result.Doubtful })
                    .FirstOrDefault(),
            })
            .ToListAsync(cancellation);
        return
        [
            .. rows.Select(row =>
                (
                    row.AnswerId,
                    new DeskWork(
                        row.Id,
                        row.PartId,
                        row.CandidateCode,
                        row.Released ? AnswerState.Released
                            : row.NeedsPerson && row.Result is null ? AnswerState.NeedsPerson
                            : row.Result is null ? AnswerState.Waiting
                            : row.GoneThrough ? AnswerState.GoneThrough
                            : AnswerState.Checked,
                        row.Result?.Doubtful == true,
                        row.Late,
                        Rational.TryParse(row.ReleasedTotal ?? row.Result?.Total ?? "", out var total) ? total : null,
                        row.Questions,
                        row.DrawnAfterEnd,
                        row.GoneThroughById,
                        row.Confirmed,
                        row.HandedInAt is { } at ? (int)Math.Round((at - row.StartedAt).TotalMinutes) : null
                    )
                )
            ),
        ];
    }

    private static DeskAnswer AnswerOf(Answer answer, DeskWork[] works) =>
        new(
            answer.Id,
            answer.CandidateCode,
            works.Min(work => work.State),
            answer.Late,
            works.Any(work => work.Doubtful),
            works.Any(work => work.Total is null) ? null : works.Aggregate(Rational.Zero, (sum, work) => sum + work.Total!.Value),
            answer.HandedInAt!.Value,
            works.Sum(work => work.Questions),
            works,
            answer.Withheld,
            answer.MarkerId
        );
}
