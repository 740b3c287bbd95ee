using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Data;
using BlueSlate.Server.Features.Marking;

namespace BlueSlate.Server.Features.Answers;

/// <summary>An exercise as a student sees it in a list: never anything of the model answer.</summary>
public sealed record StudentExercise(
    Guid Id,
    string Title,
    string Cohort,
    DateTimeOffset? DueAt,
    Guid? AnswerId,
    DateTimeOffset? StartedAt,
    DateTimeOffset? HandedInAt,
    bool Late,
    bool Released,
    string? Total,
    string? Maximum
);

/// <summary>What a student is told before the clock starts.</summary>
public sealed record BeforeStartReply(
    Guid Id,
    string Title,
    string Cohort,
    StudentPart Part,
    DateTimeOffset? DueAt,
    Guid? AnswerId
);

/// <summary>The part as a student may know it, with what the class has learned about the notation.</summary>
public sealed record StudentPart(NotationOptions Learned, Rational Marks, int? Minutes, AidsDocument Aids, bool ShowModelAnswer);

/// <summary>A student's answer with the scenario beside it.</summary>
public sealed record AnswerReply(
    Guid Id,
    string Title,
    string ScenarioHtml,
    StudentPart Part,
    int Revision,
    string Drawing,
    DateTimeOffset Now,
    DateTimeOffset? EndsAt,
    DateTimeOffset? DueAt,
    DateTimeOffset? HandedInAt,
    bool Late,
    string? Receipt,
    bool Released
);

/// <summary>Saves a drawing, conditional on the revision it started from.</summary>
public sealed record SaveDrawingRequest(int Revision, Guid SaveId, string Drawing);

/// <summary>The acknowledgement of a save.</summary>
public sealed record DrawingSavedReply(int Revision, string Hash, DateTimeOffset SavedAt);

/// <summary>What a conflict shows: the drawing that is stored now.</summary>
public sealed record ConflictingDrawing(int Revision, string Drawing, DateTimeOffset SavedAt);

/// <summary>Hands in exactly the revision that the student saw.</summary>
public sealed record HandInRequest(int Revision);

/// <summary>The receipt of a hand-in.</summary>
public sealed record ReceiptReply(string Receipt, DateTimeOffset HandedInAt, bool Late, string Hash);

/// <summary>The marks as released to the student.</summary>
public sealed record StudentMarksReply(
    string Title,
    string ScenarioHtml,
    StudentPart Part,
    string Drawing,
    string? ModelDrawing,
    StudentResult Result,
    StudentRuling[] Rulings,
    DateTimeOffset ReleasedAt,
    StudentMarkChange[] Changes,
    NoteQueryReply[] Queries
);

/// <summary>A released mark that was changed, and why.</summary>
public sealed record StudentMarkChange(DateTimeOffset At, string Before, string After, string Reason);

/// <summary>What a marker decided on a note, with the comment for the student.</summary>
public sealed record StudentRuling(string FindingId, Decision Decision, string Comment);

/// <summary>An earlier state of a drawing, or one that lost a conflict or came too late.</summary>
public sealed record EarlierState(Guid Id, DateTimeOffset At, CheckpointReason Reason, int Revision, string Drawing);
