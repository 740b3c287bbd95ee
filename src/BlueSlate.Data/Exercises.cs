namespace BlueSlate.Data;

/// <summary>
/// An exercise of a cohort. What is in it stands in its documents while it is written, and in revisions once published.
/// </summary>
public sealed class Exercise
{
    public Guid Id { get; init; }

    public Guid CohortId { get; set; }

    public required string Title { get; set; }

    public DateTimeOffset CreatedAt { get; init; }

    public DateTimeOffset? PublishedAt { get; set; }

    /// <summary>Nobody starts before; null when it is open from its publication.</summary>
    public DateTimeOffset? OpensAt { get; set; }

    /// <summary>What is handed in after it is late.</summary>
    public DateTimeOffset? DueAt { get; set; }

    /// <summary>Nothing is taken after it.</summary>
    public DateTimeOffset? ClosesAt { get; set; }

    /// <summary>How many attempts each student has; null for any number.</summary>
    public int? Attempts { get; set; } = 1;

    /// <summary>Whether the best attempt counts instead of the last.</summary>
    public bool BestCounts { get; set; }

    /// <summary>What lateness costs, as JSON; null when it costs nothing by rule.</summary>
    public string? LateRule { get; set; }

    public DateTimeOffset? ReleasedAt { get; set; }

    /// <summary>
    /// The exercise of which it is a copy with the answers, to try another marking on; null of every other. Students never see such a
    /// copy, and nothing of it is given back.
    /// </summary>
    public Guid? TrialOfId { get; init; }

    /// <summary>Until when students may ask about their notes; null for as long as they like.</summary>
    public DateTimeOffset? QuestionsUntil { get; set; }

    public Cohort? Cohort { get; init; }

    public List<ExerciseDocument> Documents { get; } = [];

    public List<ExercisePart> Parts { get; } = [];

    public List<QuestionRevision> Questions { get; } = [];

    public List<Answer> Answers { get; } = [];

    public List<Extension> Extensions { get; } = [];
}

/// <summary>Time that one student has beyond everybody's: a later time, more minutes, or both.</summary>
public sealed class Extension
{
    public Guid ExerciseId { get; init; }

    public Guid AccountId { get; init; }

    /// <summary>By when the answer is due; null when it is only the clock that is longer.</summary>
    public DateTimeOffset? Until { get; set; }

    /// <summary>By how much the clock, the due time and the closing are later.</summary>
    public int ExtraMinutes { get; set; }

    /// <summary>Why; for those who teach, and for the student's own file.</summary>
    public required string Reason { get; set; }

    public DateTimeOffset At { get; set; }
}

/// <summary>A part of an exercise: work of one kind, with a model answer, a scheme and marks of its own.</summary>
public sealed class ExercisePart
{
    public Guid Id { get; init; }

    public Guid ExerciseId { get; init; }

    /// <summary>Its place among the parts, from 1.</summary>
    public int Position { get; set; }

    public Exercise? Exercise { get; init; }

    public List<ExercisePartDocument> Documents { get; } = [];

    public List<AssessmentRevision> Assessments { get; } = [];

    public List<ClassRuling> Rulings { get; } = [];
}

/// <summary>The documents of an exercise, each saved on its own so that two instructors rarely collide.</summary>
public enum DocumentKind
{
    Scenario,
    Part,
    Model,
    Assessment,

    /// <summary>How the model answer is built up before a class.</summary>
    Steps,
}

/// <summary>A document as it is being written.</summary>
public abstract class WrittenDocument
{
    public DocumentKind Kind { get; init; }

    public int Revision { get; set; }

    public required string Text { get; set; }

    public DateTimeOffset SavedAt { get; set; }
}

/// <summary>A document of an exercise as a whole: its scenario.</summary>
public sealed class ExerciseDocument : WrittenDocument
{
    public Guid ExerciseId { get; init; }
}

/// <summary>A document of one part: what is asked in it, its model answer, its assessment.</summary>
public sealed class ExercisePartDocument : WrittenDocument
{
    public Guid PartId { get; init; }
}

/// <summary>What is asked, as published; answers point at the revision for which they were drawn.</summary>
public sealed class QuestionRevision
{
    public Guid Id { get; init; }

    public Guid ExerciseId { get; init; }

    public int Number { get; init; }

    public required string Scenario { get; init; }

    public DateTimeOffset PublishedAt { get; init; }

    /// <summary>Why the wording was corrected, told to everybody; null of the first.</summary>
    public string? Why { get; init; }

    public List<QuestionPart> Parts { get; } = [];
}

/// <summary>What is asked in one part, as published.</summary>
public sealed class QuestionPart
{
    public Guid QuestionRevisionId { get; init; }

    public Guid PartId { get; init; }

    public int Position { get; init; }

    /// <summary>The part's document.</summary>
    public required string Document { get; init; }

    public QuestionRevision? Question { get; init; }
}

/// <summary>What work on a part is held against: model drawing, tolerances and scheme.</summary>
public sealed class AssessmentRevision
{
    public Guid Id { get; init; }

    public Guid PartId { get; init; }

    public int Number { get; init; }

    public required string Model { get; init; }

    public required string Assessment { get; init; }

    public DateTimeOffset CreatedAt { get; init; }
}

/// <summary>A text of an exercise that lost against another that was saved in the meantime.</summary>
public sealed class SetAside
{
    public Guid Id { get; init; }

    public Guid ExerciseId { get; init; }

    /// <summary>The part whose text it is; null for the exercise's own.</summary>
    public Guid? PartId { get; init; }

    public DocumentKind Kind { get; init; }

    /// <summary>The revision that it started from.</summary>
    public int Revision { get; init; }

    public required string Text { get; init; }

    public DateTimeOffset At { get; init; }

    /// <summary>Who wrote it; null once that person was erased.</summary>
    public Guid? ById { get; init; }
}
