namespace BlueSlate.Data;

/// <summary>
/// One attempt of one student at one exercise: work on each of its parts. Nothing of it changes once it is handed in, unless a person
/// takes what came after its end.
/// </summary>
public sealed class Answer
{
    public Guid Id { get; init; }

    public Guid ExerciseId { get; init; }

    public Guid AccountId { get; init; }

    public Guid QuestionRevisionId { get; init; }

    /// <summary>Which of the student's attempts it is, from 1.</summary>
    public int Attempt { get; init; } = 1;

    /// <summary>Whether it is handed in and is the attempt that counts: only that one is marked.</summary>
    public bool Counts { get; set; }

    /// <summary>The random code by which markers know it.</summary>
    public required string CandidateCode { get; init; }

    public DateTimeOffset StartedAt { get; init; }

    /// <summary>When the time allowed ends, or null.</summary>
    public DateTimeOffset? EndsAt { get; set; }

    public DateTimeOffset? HandedInAt { get; set; }

    /// <summary>Whether the server handed it in because the time was over.</summary>
    public bool EndedByTime { get; set; }

    public bool Late { get; set; }

    /// <summary>How many minutes late it was, begun ones counted; 0 where it was not, or where nobody knows.</summary>
    public int LateMinutes { get; set; }

    /// <summary>Who handed it in for the student; null when the student or the clock did.</summary>
    public Guid? HandedInById { get; set; }

    /// <summary>Why somebody handed it in for the student, told to the student.</summary>
    public string? HandedInBecause { get; set; }

    /// <summary>Until when it was opened again after it had been handed in; null when it never was.</summary>
    public DateTimeOffset? ReopenedUntil { get; set; }

    /// <summary>Why it was opened again, told to the student.</summary>
    public string? ReopenedBecause { get; set; }

    /// <summary>Who is to go through it; null while nobody was asked to.</summary>
    public Guid? MarkerId { get; set; }

    public string? Receipt { get; set; }

    /// <summary>Why its marks are held back when the others are released, told to the student; null when they are not.</summary>
    public string? Withheld { get; set; }

    /// <summary>When the student last looked at the marks; what came since is new.</summary>
    public DateTimeOffset? MarksSeenAt { get; set; }

    public Exercise? Exercise { get; init; }

    public QuestionRevision? Question { get; init; }

    public List<Work> Works { get; } = [];
}

/// <summary>
/// What one answer holds for one part: a document with a revision of its own, checked, decided on, marked and released by
/// itself.
/// </summary>
public sealed class Work
{
    public Guid Id { get; init; }

    public Guid AnswerId { get; init; }

    public Guid PartId { get; init; }

    /// <summary>The revision of what was asked, the answer's.</summary>
    public Guid QuestionRevisionId { get; init; }

    public int Revision { get; set; }

    /// <summary>The canonical drawing.</summary>
    public required string Drawing { get; set; }

    public required string DrawingHash { get; set; }

    /// <summary>The client's id of the save that made this revision, so that a lost acknowledgement is no conflict.</summary>
    public Guid? SaveId { get; set; }

    public DateTimeOffset SavedAt { get; set; }

    /// <summary>When it was closed, since its model answer was given to begin a later part with; it no longer changes then.</summary>
    public DateTimeOffset? ClosedAt { get; set; }

    /// <summary>When a marker had gone through it.</summary>
    public DateTimeOffset? GoneThroughAt { get; set; }

    /// <summary>Who had gone through it; null where nobody has, or where that person was erased.</summary>
    public Guid? GoneThroughById { get; set; }

    /// <summary>When somebody who teaches confirmed what was decided on it; at once where they went through it themselves.</summary>
    public DateTimeOffset? ConfirmedAt { get; set; }

    public Answer? Answer { get; init; }

    public ExercisePart? Part { get; init; }

    public QuestionPart? Asked { get; init; }

    public List<CheckResult> Results { get; } = [];

    public List<FindingRuling> Rulings { get; } = [];

    public List<StandsFor> Stands { get; } = [];

    public List<MarkAdjustment> Adjustments { get; } = [];

    public ReleasedSheet? Released { get; init; }
}

/// <summary>Why an earlier state of a drawing is kept.</summary>
public enum CheckpointReason
{
    Opened,
    Periodic,
    HandedIn,
    LostConflict,
    TooLate,

    /// <summary>What was handed in, before a person took what had come after the end.</summary>
    Replaced,
}

/// <summary>An earlier state of a drawing, or one that lost a conflict or came too late.</summary>
public sealed class Checkpoint
{
    public Guid Id { get; init; }

    public Guid WorkId { get; init; }

    public int Revision { get; init; }

    public CheckpointReason Reason { get; init; }

    public required string Drawing { get; init; }

    public DateTimeOffset At { get; init; }
}

/// <summary>Asks for a check; written by the transaction that hands in.</summary>
public sealed class CheckRequest
{
    public Guid Id { get; init; }

    public Guid WorkId { get; init; }

    public Guid AssessmentRevisionId { get; init; }

    public int Attempts { get; set; }

    public DateTimeOffset RequestedAt { get; init; }

    public DateTimeOffset? DoneAt { get; set; }

    /// <summary>Set after two crashes: a person has to look.</summary>
    public bool NeedsPerson { get; set; }

    public Work? Work { get; init; }
}

/// <summary>What checking found; one for each work, both revisions and the core's version.</summary>
public sealed class CheckResult
{
    public Guid Id { get; init; }

    public Guid WorkId { get; init; }

    public Guid QuestionRevisionId { get; init; }

    public Guid AssessmentRevisionId { get; init; }

    public required string CoreVersion { get; init; }

    /// <summary>The total with all rulings, kept for lists.</summary>
    public required string Total { get; set; }

    public required string Maximum { get; set; }

    /// <summary>True when a match rests on place rather than on names, so that a person has to look.</summary>
    public bool Doubtful { get; set; }

    /// <summary>
    /// What the desk and the picture of the class need of it, as JSON; null in results from before it was kept.
    /// </summary>
    public string? Digest { get; set; }

    public DateTimeOffset At { get; init; }
}

/// <summary>A step of help that was given while somebody drew for practice.</summary>
public sealed class GivenHelp
{
    public Guid WorkId { get; init; }

    /// <summary>Which it was, from 1.</summary>
    public int Number { get; init; }

    /// <summary>How far it went.</summary>
    public required string Step { get; init; }

    /// <summary>The difference that it was about; null for all.</summary>
    public string? FindingId { get; init; }

    /// <summary>What was said, and what it showed, as JSON.</summary>
    public required string Said { get; init; }

    public DateTimeOffset At { get; init; }
}

/// <summary>A marker's decision on one finding of one work.</summary>
public sealed class FindingRuling
{
    public Guid WorkId { get; init; }

    public required string FindingId { get; init; }

    public required string[] FactIds { get; set; }

    public required string[] Extras { get; set; }

    public required string Decision { get; set; }

    /// <summary>What is given back of a loss that is allowed in part, as an exact number; null for half of it.</summary>
    public string? Part { get; set; }

    public required string Comment { get; set; }

    public Guid ById { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>A marker's decision on one difference, for all work on a part in which it is found.</summary>
public sealed class ClassRuling
{
    public Guid PartId { get; init; }

    /// <summary>What alike notes have in common.</summary>
    public required string AlikeKey { get; init; }

    /// <summary>The difference in words, as it stood when it was decided on.</summary>
    public required string Headline { get; set; }

    public required string Decision { get; set; }

    /// <summary>What is given back of a loss that is allowed in part, as an exact number; null for half of it.</summary>
    public string? Part { get; set; }

    public required string Comment { get; set; }

    public Guid ById { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>
/// Marks that a marker gave or took besides what was found. Work with the very same drawing has the same, under the same id.
/// </summary>
public sealed class MarkAdjustment
{
    public Guid WorkId { get; init; }

    public Guid Id { get; init; }

    /// <summary>The line of the scheme; null for the total.</summary>
    public string? LineId { get; init; }

    /// <summary>What is given, or below 0 taken, as an exact number.</summary>
    public required string Amount { get; init; }

    /// <summary>Why; told to the student.</summary>
    public required string Reason { get; init; }

    /// <summary>The parts of the drawing that it is about.</summary>
    public required string[] Elements { get; init; }

    public Guid ById { get; init; }

    public DateTimeOffset At { get; init; }
}

/// <summary>What a marker said stands for an element of the model answer in one work.</summary>
public sealed class StandsFor
{
    public Guid WorkId { get; init; }

    public required string ModelElement { get; init; }

    public required string AnswerElement { get; set; }

    public Guid ById { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>
/// A mark sheet as released: everything by value. Only a person who takes a changed mark replaces it, and the one before is
/// kept.
/// </summary>
public sealed class ReleasedSheet
{
    public Guid WorkId { get; init; }

    public required string Frozen { get; set; }

    /// <summary>The total in it, kept for lists.</summary>
    public required string Total { get; set; }

    /// <summary>The maximum in it.</summary>
    public required string Maximum { get; set; }

    public DateTimeOffset ReleasedAt { get; init; }
}

/// <summary>A released mark that was changed, with the sheet as it was before.</summary>
public sealed class MarkRevision
{
    public Guid Id { get; init; }

    public Guid WorkId { get; init; }

    public DateTimeOffset At { get; init; }

    public Guid? ById { get; set; }

    /// <summary>Why; told to the student.</summary>
    public required string Reason { get; init; }

    public required string Before { get; init; }

    public required string After { get; init; }

    /// <summary>The sheet that was replaced.</summary>
    public required string FrozenBefore { get; init; }
}

/// <summary>What a student asks about a note of a released sheet, and what is answered.</summary>
public sealed class NoteQuery
{
    public Guid Id { get; init; }

    public Guid WorkId { get; init; }

    public required string FindingId { get; init; }

    /// <summary>The note's headline as the student read it.</summary>
    public required string Headline { get; init; }

    public required string Text { get; init; }

    public DateTimeOffset AskedAt { get; init; }

    public string? Reply { get; set; }

    public Guid? RepliedById { get; set; }

    public DateTimeOffset? RepliedAt { get; set; }
}

/// <summary>Work whose notes somebody who marks has looked at: they cannot mark it blind any more.</summary>
public sealed class SeenWork
{
    public Guid WorkId { get; init; }

    public Guid ById { get; init; }

    public DateTimeOffset At { get; init; }
}

/// <summary>Work in the sample that two people mark without seeing what was found.</summary>
public sealed class SampleWork
{
    public Guid WorkId { get; init; }

    public Guid PartId { get; init; }

    public DateTimeOffset DrawnAt { get; init; }
}

/// <summary>One person's marks of work in the sample, line by line.</summary>
public sealed class BlindMarking
{
    public Guid WorkId { get; init; }

    public Guid ById { get; init; }

    /// <summary>Line id → marks, as a JSON object.</summary>
    public required string Marks { get; set; }

    /// <summary>Line id → why, of lines for which the person said so, as a JSON object.</summary>
    public string Reasons { get; set; } = "{}";

    public DateTimeOffset At { get; set; }

    /// <summary>When the person was done with it, or null.</summary>
    public DateTimeOffset? DoneAt { get; set; }
}

/// <summary>A named value of the installation, such as the mark that seeding wrote.</summary>
public sealed class Setting
{
    public required string Key { get; init; }

    public required string Value { get; set; }
}
