using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;

namespace BlueSlate.Server.Features.Marking;

/// <summary>How far an answer is.</summary>
public enum AnswerState { Waiting, NeedsPerson, Checked, GoneThrough, Released }

/// <summary>All answers of an exercise, by candidate code only.</summary>
public sealed record DeskReply(Guid Id, string Title, string Cohort, Rational Maximum, int Students, int StillDrawing, DateTimeOffset? DueAt, DateTimeOffset? ReleasedAt, bool MayRelease, DeskAnswer[] Answers);

/// <summary>One answer on the desk.</summary>
public sealed record DeskAnswer(Guid Id, string Code, AnswerState State, bool Late, bool Doubtful, Rational? Total, DateTimeOffset HandedInAt);

/// <summary>One answer to be gone through.</summary>
public sealed record MarkingReply(
    Guid Id,
    Guid ExerciseId,
    string Title,
    string Code,
    AnswerState State,
    bool Late,
    bool Doubtful,
    string ScenarioHtml,
    PartDocument Part,
    string Drawing,
    string ModelDrawing,
    ResultDocument Result,
    ResultSentence[] ModelSentences,
    RulingReply[] Rulings,
    Guid? Previous,
    Guid? Next,
    int Position,
    int Count,
    int GoneThrough,
    int Undecided);

/// <summary>A decision on a finding.</summary>
public sealed record RulingReply(string FindingId, Decision Decision, string Comment);

/// <summary>Decides on a finding.</summary>
public sealed record RulingRequest(Decision Decision, string? Comment = null);

/// <summary>What a release would do.</summary>
public sealed record ReleaseReply(string[] Ready, UndecidedAnswer[] Undecided, int StillDrawing, string[] Frozen);

/// <summary>An answer that is held back, and why.</summary>
public sealed record UndecidedAnswer(Guid Id, string Code, string Why);

/// <summary>How many mark sheets a release froze.</summary>
public sealed record ReleasedReply(int Released, int HeldBack);

/// <summary>A mark sheet as released: everything by value.</summary>
public sealed record FrozenSheet(
    string Title,
    string Scenario,
    PartDocument Part,
    string Drawing,
    string ModelDrawing,
    ResultDocument Result,
    RulingReply[] Rulings,
    int QuestionRevision,
    int AssessmentRevision);

/// <summary>Whose answer it is.</summary>
public sealed record IdentityReply(Guid AnswerId, string Name);
