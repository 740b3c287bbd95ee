using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>A student's first page: what there is to sit, and what has become of it.</summary>
internal static class StudyList
{
    /// <summary>All exercises of the student, what is due first.</summary>
    public static async Task<StudentExercise[]> Get(
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var id = access.AccountId;
        var now = clock.GetUtcNow();
        var rows = await access
            .StudentExercises()
            .AsNoTracking()
            .AsSplitQuery()
            .OrderBy(exercise => exercise.Id)
            .Select(exercise => new
            {
                Exercise = exercise,
                Own = exercise.Extensions.FirstOrDefault(extension => extension.AccountId == id),
                exercise.Cohort!.Name,
                Parts = exercise
                    .Questions.OrderByDescending(question => question.Number)
                    .First()
                    .Parts.OrderBy(part => part.Position)
                    .Select(part => part.Document)
                    .ToList(),
                Answers = exercise
                    .Answers.Where(answer => answer.AccountId == id)
                    .OrderBy(answer => answer.Attempt)
                    .Select(answer => new
                    {
                        Answer = answer,
                        Sheets = answer
                            .Works.Where(work => work.Released != null)
                            .Select(work => new
                            {
                                work.Released!.Total,
                                work.Released.Maximum,
                                work.Released.ReleasedAt,
                                ChangedAt = database
                                    .MarkRevisions.Where(revision => revision.WorkId == work.Id)
                                    .Max(revision => (DateTimeOffset?)revision.At),
                                RepliedAt = database
                                    .NoteQueries.Where(query => query.WorkId == work.Id)
                                    .Max(query => query.RepliedAt),
                            })
                            .ToList(),
                    })
                    .ToList(),
            })
            .ToListAsync(cancellation);
        return
        [
            .. rows.Select(row =>
                {
                    var parts = row.Parts.ConvertAll(ExerciseJson.Read<PartDocument>);
                    var times = Sittings.Of(row.Exercise, QuestionDocument.MinutesOf(parts), row.Own);
                    return new StudentExercise(
                        row.Exercise.Id,
                        row.Exercise.Title,
                        row.Name,
                        [.. parts.Select(StudentPart.Of)],
                        StudentTimes.Of(times, now),
                        StudentAttempts.Of(row.Exercise, row.Answers.Count),
                        [
                            .. row.Answers.Select(one => new StudentAttempt(
                                one.Answer.Id,
                                one.Answer.StartedAt,
                                one.Answer.HandedInAt,
                                one.Answer.EndedByTime,
                                one.Answer.Late,
                                one.Answer.Counts,
                                one.Sheets.Count == 0 ? null : StoredMarks.Sum(one.Sheets.Select(sheet => sheet.Total)),
                                one.Sheets.Count == 0 ? null : StoredMarks.Sum(one.Sheets.Select(sheet => sheet.Maximum)),
                                one.Sheets.Count > 0 ? null : one.Answer.Withheld,
                                one.Answer.HandedInBecause,
                                one.Answer.ReopenedUntil,
                                one.Answer.ReopenedBecause,
                                one.Sheets.Count == 0
                                    ? []
                                    : NewsSince(
                                        one.Answer.MarksSeenAt,
                                        one.Sheets.Max(sheet => sheet.ReleasedAt),
                                        one.Sheets.Max(sheet => sheet.ChangedAt),
                                        one.Sheets.Max(sheet => sheet.RepliedAt)
                                    )
                            )),
                        ]
                    );
                })
                .OrderBy(one => one.Times.DueAt is null)
                .ThenBy(one => one.Times.DueAt),
        ];
    }

    private static MarkNews[] NewsSince(
        DateTimeOffset? seen,
        DateTimeOffset released,
        DateTimeOffset? changed,
        DateTimeOffset? replied
    ) =>
        seen is null || released > seen
            ? [MarkNews.Marks]
            :
            [
                .. changed > seen ? [MarkNews.ChangedMark] : Array.Empty<MarkNews>(),
                .. replied > seen ? [MarkNews.Reply] : Array.Empty<MarkNews>(),
            ];
}
