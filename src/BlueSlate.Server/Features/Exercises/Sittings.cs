using BlueSlate.Core.Interchange;
using BlueSlate.Core.Sitting;
using BlueSlate.Data;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>The times and attempts of a stored exercise as values of the core.</summary>
internal static class Sittings
{
    /// <summary>The times of everybody.</summary>
    public static SittingTimes Of(Exercise exercise, int? minutes) =>
        new(exercise.OpensAt, exercise.DueAt, exercise.ClosesAt, minutes);

    /// <summary>The times of one student, by what that student has beyond everybody's time.</summary>
    public static SittingTimes Of(Exercise exercise, int? minutes, Extension? own) =>
        Of(exercise, minutes).For(new OwnTime(own?.Until, own?.ExtraMinutes ?? 0));

    /// <summary>How often it may be sat, and which attempt counts.</summary>
    public static AttemptRule AttemptsOf(Exercise exercise) => new(exercise.Attempts, exercise.BestCounts);

    /// <summary>What lateness costs in it; null when nothing by rule.</summary>
    public static LateRule? LateRuleOf(Exercise exercise) =>
        exercise.LateRule is { } rule ? ExerciseJson.Read<LateRule>(rule) : null;

    /// <summary>When an answer ends that is being drawn; null for never.</summary>
    public static DateTimeOffset? EndOf(Answer answer, SittingTimes times) =>
        answer.ReopenedUntil ?? times.EndOf(answer.StartedAt);

    /// <summary>
    /// Writes to an answer whether it is late, by how much, when it was handed in at a moment. One that was opened again is not: its end is
    /// what was said then.
    /// </summary>
    public static void WriteLateness(Answer answer, SittingTimes times, DateTimeOffset handedInAt)
    {
        answer.LateMinutes = answer.ReopenedUntil is null ? times.LateBy(handedInAt) : 0;
        answer.Late = answer.LateMinutes > 0;
    }

    /// <summary>The time that the documents of an exercise's parts allow together.</summary>
    public static int? MinutesOf(IEnumerable<string> partDocuments) =>
        QuestionDocument.MinutesOf([.. partDocuments.Select(ExerciseJson.Read<PartDocument>)]);
}
