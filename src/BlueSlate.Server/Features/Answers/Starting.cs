using BlueSlate.Core.Interchange;
using BlueSlate.Core.Sitting;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Server.Features.Answers;

/// <summary>What a student is told before the clock starts, and the start of an attempt.</summary>
internal static class Starting
{
    /// <summary>What is asked, how long it may take, and which aids there are.</summary>
    public static async Task<Results<Ok<BeforeStartReply>, ProblemHttpResult>> Before(
        Guid id,
        Access access,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var account = access.AccountId;
        var row = await access
            .StudentExercises()
            .AsNoTracking()
            .Where(exercise => exercise.Id == id)
            .Select(exercise => new
            {
                Exercise = exercise,
                Cohort = exercise.Cohort!.Name,
                Own = exercise.Extensions.FirstOrDefault(extension => extension.AccountId == account),
                Parts = exercise
                    .Questions.OrderByDescending(question => question.Number)
                    .First()
                    .Parts.OrderBy(part => part.Position)
                    .Select(part => part.Document)
                    .ToList(),
                Answers = exercise
                    .Answers.Where(answer => answer.AccountId == account)
                    .Select(answer => new { answer.Id, Drawing = answer.HandedInAt == null })
                    .ToList(),
            })
            .FirstOrDefaultAsync(cancellation);
        if (row is null)
        {
            return NoSuchExercise();
        }

        var parts = row.Parts.ConvertAll(ExerciseJson.Read<PartDocument>);
        var times = Sittings.Of(row.Exercise, QuestionDocument.MinutesOf(parts), row.Own);
        return TypedResults.Ok(
            new BeforeStartReply(
                row.Exercise.Id,
                row.Exercise.Title,
                row.Cohort,
                [.. parts.Select(StudentPart.Of)],
                times.Minutes,
                StudentTimes.Of(times, clock.GetUtcNow()),
                StudentAttempts.Of(row.Exercise, row.Answers.Count),
                row.Answers.Find(answer => answer.Drawing)?.Id
            )
        );
    }

    /// <summary>Starts an attempt, or gives the one that was begun.</summary>
    public static async Task<IResult> Start(
        Guid id,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var account = access.AccountId;
        var row = await access
            .StudentExercises()
            .AsNoTracking()
            .AsSplitQuery()
            .Where(exercise => exercise.Id == id)
            .Select(exercise => new
            {
                Exercise = exercise,
                Own = exercise.Extensions.FirstOrDefault(extension => extension.AccountId == account),
                Question = exercise.Questions.OrderByDescending(revision => revision.Number).First(),
                exercise.Questions.OrderByDescending(revision => revision.Number).First().Parts,
                Answers = exercise.Answers.Where(answer => answer.AccountId == account).ToList(),
            })
            .FirstOrDefaultAsync(cancellation);
        if (row is null)
        {
            return NoSuchExercise();
        }

        if (row.Answers.Find(answer => answer.HandedInAt is null) is { } begun)
        {
            return TypedResults.Ok(new CreatedReply(begun.Id));
        }

        var now = clock.GetUtcNow();
        var times = Sittings.Of(row.Exercise, Sittings.MinutesOf(row.Parts.Select(part => part.Document)), row.Own);
        if (times.At(now) is Openness.NotYet)
        {
            return Problems.Conflict("not-open", "This exercise is not open yet.", StudentTimes.Of(times, now));
        }

        if (times.At(now) is Openness.Closed)
        {
            return Problems.Conflict(
                "closed",
                "This exercise is closed: nothing is taken any more.",
                StudentTimes.Of(times, now)
            );
        }

        if (!Sittings.AttemptsOf(row.Exercise).Allows(row.Answers.Count))
        {
            return Problems.Conflict(
                "no-attempt-left",
                row.Answers.Count == 1
                    ? "You have handed in your answer; this exercise is sat once."
                    : $"You have handed in all {row.Answers.Count} attempts.",
                new CreatedReply(row.Answers.MaxBy(answer => answer.Attempt)!.Id)
            );
        }

        row.Question.Parts.AddRange(row.Parts.Where(part => !row.Question.Parts.Contains(part)));
        var answer = NewAnswer.Make(account, row.Question, now, times.EndOf(now), row.Answers.Count + 1, Beginning.GivenIn);
        database.Answers.Add(answer);
        try
        {
            await database.SaveChangesAsync(cancellation);
        }
        catch (DbUpdateException error)
            when (error.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            // A second tab was quicker; both get the one answer.
            database.ChangeTracker.Clear();
            return TypedResults.Ok(
                new CreatedReply(
                    await access
                        .OwnAnswers()
                        .Where(one => one.ExerciseId == id)
                        .OrderByDescending(one => one.Attempt)
                        .Select(one => one.Id)
                        .FirstAsync(cancellation)
                )
            );
        }

        return TypedResults.Ok(new CreatedReply(answer.Id));
    }

    private static ProblemHttpResult NoSuchExercise() =>
        Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
}
