using BlueSlate.Core.Sitting;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>
/// When an exercise opens, when its answers are due and when it closes, how often it may be sat, and how far each student is.
/// </summary>
public sealed record TimesReply(SittingRequest Terms, int? Minutes, TimesStudent[] Students);

/// <summary>How far a student is, and the time beyond everybody's, where there is any.</summary>
public sealed record TimesStudent(
    Guid Id,
    string Name,
    int Attempts,
    DateTimeOffset? StartedAt,
    DateTimeOffset? EndsAt,
    DateTimeOffset? HandedInAt,
    bool EndedByTime,
    bool Late,
    DateTimeOffset? Until,
    int ExtraMinutes,
    string? Reason,
    string? HandedInBecause,
    DateTimeOffset? ReopenedUntil,
    string? ReopenedBecause,
    bool Released
);

/// <summary>
/// From when until when an exercise is sat, how often, and whether the best attempt counts or the last. Without an opening it is open
/// from its publication, without a due time nothing is late, without a closing anything is taken, with no number of attempts one may
/// sit it as often as one likes, and without a rule lateness costs nothing.
/// </summary>
public sealed record SittingRequest(
    DateTimeOffset? OpensAt = null,
    DateTimeOffset? DueAt = null,
    DateTimeOffset? ClosesAt = null,
    int? Attempts = 1,
    bool BestCounts = false,
    LateRule? Late = null
)
{
    /// <summary>Of an exercise as it is stored.</summary>
    internal static SittingRequest Of(Exercise exercise) =>
        new(
            exercise.OpensAt,
            exercise.DueAt,
            exercise.ClosesAt,
            exercise.Attempts,
            exercise.BestCounts,
            Sittings.LateRuleOf(exercise)
        );

    /// <summary>What stands against them for an exercise that is published at a moment; null when nothing does.</summary>
    internal IResult? Refusal(DateTimeOffset publishedAt) =>
        DueAt < publishedAt ? Problems.Unreadable("due", "Answers are due after the exercise was published, not before.", "dueAt")
        : ClosesAt < publishedAt
            ? Problems.Unreadable("closes", "An exercise closes after it was published, not before.", "closesAt")
        : Problem() is { } problem ? Problems.Unreadable(problem.Code, problem.Said, problem.Property)
        : null;

    private (string Code, string Said, string Property)? Problem() =>
        new SittingTimes(OpensAt, DueAt, ClosesAt, null).Problems().Cast<(string, string, string)?>().FirstOrDefault()
        ?? new AttemptRule(Attempts, BestCounts).Problem
        ?? Late?.Problem
        ?? (Late is not null && DueAt is null ? ("late", "Where nothing is due, nothing is late.", "late") : null);

    /// <summary>Writes them to an exercise.</summary>
    internal void WriteTo(Exercise exercise)
    {
        (exercise.OpensAt, exercise.DueAt, exercise.ClosesAt, exercise.Attempts, exercise.BestCounts) = (
            OpensAt?.ToUniversalTime(),
            DueAt?.ToUniversalTime(),
            ClosesAt?.ToUniversalTime(),
            Attempts,
            BestCounts
        );
        exercise.LateRule = Late is null ? null : ExerciseJson.Write(Late);
    }

    /// <summary>In words, for the record.</summary>
    internal string Said() =>
        string.Join(
            ", ",
            new[]
            {
                OpensAt is { } opens ? $"opens {opens.UtcDateTime:yyyy-MM-dd HH:mm} UTC" : null,
                DueAt is { } due ? $"due {due.UtcDateTime:yyyy-MM-dd HH:mm} UTC" : "without a due time",
                ClosesAt is { } closes ? $"closes {closes.UtcDateTime:yyyy-MM-dd HH:mm} UTC" : null,
                Attempts is 1
                    ? null
                    : $"{Attempts?.ToString() ?? "any number of"} attempts, the {(BestCounts ? "best" : "last")} counts",
                Late is null ? null : $"late answers lose {Late.Said}",
            }.OfType<string>()
        );
}

/// <summary>Time beyond everybody's for one student, and why: a later time, more minutes on the clock, or both.</summary>
public sealed record ExtensionRequest(string Reason, DateTimeOffset? Until = null, int ExtraMinutes = 0);

/// <summary>Does something with an answer in its student's place, and tells the student why.</summary>
public sealed record OnBehalfRequest(string Reason);

/// <summary>Opens an answer that was handed in again, until a time, and tells the student why.</summary>
public sealed record ReopenRequest(string Reason, DateTimeOffset Until);
