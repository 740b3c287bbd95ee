using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Sitting;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;

namespace BlueSlate.Server.Features.Answers;

/// <summary>An exercise as a student sees it in a list, with the attempts so far: never anything of the model answer.</summary>
public sealed record StudentExercise(
    Guid Id,
    string Title,
    string Cohort,
    StudentPart[] Parts,
    StudentTimes Times,
    StudentAttempts Attempts,
    StudentAttempt[] Answers
);

/// <summary>The times of an exercise for one student, and whether it can be started now.</summary>
public sealed record StudentTimes(DateTimeOffset? OpensAt, DateTimeOffset? DueAt, DateTimeOffset? ClosesAt, Openness Openness)
{
    internal static StudentTimes Of(SittingTimes times, DateTimeOffset now) =>
        new(times.OpensAt, times.DueAt, times.ClosesAt, times.At(now));
}

/// <summary>How often a student may sit an exercise, how often that was, and which attempt counts.</summary>
public sealed record StudentAttempts(int? Most, int Begun, bool BestCounts, bool Another)
{
    internal static StudentAttempts Of(Exercise exercise, int begun)
    {
        var rule = Sittings.AttemptsOf(exercise);
        return new StudentAttempts(rule.Most, begun, rule.BestCounts, rule.Allows(begun));
    }
}

/// <summary>
/// One attempt. Its marks may be withheld, it may have been handed in for the student or been opened again, for a reason that is told.
/// </summary>
public sealed record StudentAttempt(
    Guid Id,
    DateTimeOffset StartedAt,
    DateTimeOffset? HandedInAt,
    bool EndedByTime,
    bool Late,
    bool Counts,
    string? Total,
    string? Maximum,
    string? Withheld,
    string? HandedInBecause,
    DateTimeOffset? ReopenedUntil,
    string? ReopenedBecause,
    MarkNews[] News
);

/// <summary>What came since a student last looked at the marks of an answer.</summary>
public enum MarkNews
{
    Marks,
    ChangedMark,
    Reply,
}

/// <summary>What a student is told before the clock starts.</summary>
public sealed record BeforeStartReply(
    Guid Id,
    string Title,
    string Cohort,
    StudentPart[] Parts,
    int? Minutes,
    StudentTimes Times,
    StudentAttempts Attempts,
    Guid? AnswerId
);

/// <summary>A part as a student may know it, with what the class has learned about the notation.</summary>
public sealed record StudentPart(
    string Title,
    WorkOptions Learned,
    Rational Marks,
    int? Minutes,
    AidsDocument Aids,
    Told Told,
    bool ShowModelAnswer,
    BeginsWith BeginsWith,
    int? BeginsWithPart
)
{
    /// <summary>Of a part's document.</summary>
    internal static StudentPart Of(PartDocument part) =>
        new(
            part.Title,
            part.Learned,
            part.Marks,
            part.Minutes,
            part.Aids,
            part.Told,
            part.ShowModelAnswer,
            part.Begin.With,
            part.Begin.FollowsOn ? part.Begin.Part : null
        );
}

/// <summary>A student's answer with the scenario beside it.</summary>
public sealed record AnswerReply(
    Guid Id,
    Guid ExerciseId,
    int Attempt,
    string Title,
    string ScenarioHtml,
    WorkReply[] Works,
    DateTimeOffset Now,
    DateTimeOffset? EndsAt,
    StudentTimes Times,
    StudentAttempts Attempts,
    DateTimeOffset? HandedInAt,
    bool EndedByTime,
    bool Late,
    string? Receipt,
    string? HandedInBecause,
    DateTimeOffset? ReopenedUntil,
    string? ReopenedBecause,
    bool Released
);

/// <summary>
/// A wording that was corrected since an answer was begun: when and why, the scenario as it is now, and both texts for what changed to be
/// seen.
/// </summary>
public sealed record CorrectedWording(int Number, DateTimeOffset At, string Why, string ScenarioHtml, string Before, string Now);

/// <summary>Whether the wording was corrected since an answer was begun.</summary>
public sealed record WordingReply(CorrectedWording? Corrected);

/// <summary>The work on one part of an answer; closed when its model answer was given to begin another part with.</summary>
public sealed record WorkReply(Guid Id, StudentPart Part, int Revision, string Drawing, bool Closed, HelpReply Help);

/// <summary>Saves a drawing, conditional on the revision it started from.</summary>
public sealed record SaveDrawingRequest(int Revision, Guid SaveId, string Drawing);

/// <summary>The acknowledgement of a save.</summary>
public sealed record DrawingSavedReply(int Revision, string Hash, DateTimeOffset SavedAt);

/// <summary>What a conflict shows: the drawing that is stored now.</summary>
public sealed record ConflictingDrawing(Guid WorkId, int Revision, string Drawing, DateTimeOffset SavedAt);

/// <summary>Hands in exactly the revisions that the student saw, of every part.</summary>
public sealed record HandInRequest(WorkSeen[] Works);

/// <summary>A revision of the work on one part.</summary>
public sealed record WorkSeen(Guid Id, int Revision);

/// <summary>The receipt of a hand-in.</summary>
public sealed record ReceiptReply(string Receipt, DateTimeOffset HandedInAt, bool Late, bool EndedByTime, WorkReceipt[] Works);

/// <summary>What was handed in for one part: the hash of its drawing.</summary>
public sealed record WorkReceipt(Guid Id, string Hash);

/// <summary>The marks as released to the student, part by part.</summary>
public sealed record StudentMarksReply(
    string Title,
    string ScenarioHtml,
    Rational Total,
    Rational Maximum,
    DateTimeOffset ReleasedAt,
    DateTimeOffset? QuestionsUntil,
    StudentPartMarks[] Parts
);

/// <summary>The marks of one part, with the model answer, drawn and in sentences, where it is shown.</summary>
public sealed record StudentPartMarks(
    Guid WorkId,
    StudentPart Part,
    string Drawing,
    string? ModelDrawing,
    ResultSentence[]? ModelSentences,
    StudentResult Result,
    StudentRuling[] Rulings,
    StudentMarkChange[] Changes,
    NoteQueryReply[] Queries
)
{
    /// <summary>What in the scenario speaks for and against it.</summary>
    public required ScenarioEvidence Evidence { get; init; }
}

/// <summary>A released mark that was changed, and why.</summary>
public sealed record StudentMarkChange(DateTimeOffset At, string Before, string After, string Reason);

/// <summary>What a marker decided on a note, with the comment for the student.</summary>
public sealed record StudentRuling(string FindingId, Decision Decision, string Comment);

/// <summary>An earlier state of a drawing, or one that lost a conflict or came too late.</summary>
public sealed record EarlierState(Guid Id, DateTimeOffset At, CheckpointReason Reason, int Revision, string Drawing);
