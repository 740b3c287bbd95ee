using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Server.Features.Checking;

namespace BlueSlate.Server.Features.Marking;

/// <summary>How far an answer is.</summary>
public enum AnswerState
{
    Waiting,
    NeedsPerson,
    Checked,
    GoneThrough,
    Released,
}

/// <summary>All answers of an exercise, by candidate code only.</summary>
public sealed record DeskReply(
    Guid Id,
    string Title,
    string Cohort,
    Rational Maximum,
    int Students,
    int StillDrawing,
    DateTimeOffset? DueAt,
    DateTimeOffset? ReleasedAt,
    bool MayRelease,
    DeskAnswer[] Answers
);

/// <summary>One answer on the desk.</summary>
public sealed record DeskAnswer(
    Guid Id,
    string Code,
    AnswerState State,
    bool Late,
    bool Doubtful,
    Rational? Total,
    DateTimeOffset HandedInAt,
    int Questions
);

/// <summary>One answer to be gone through.</summary>
public sealed record MarkingReply(
    Guid Id,
    Guid ExerciseId,
    string Title,
    string Code,
    AnswerState State,
    bool Late,
    DoubtReply Doubt,
    string ScenarioHtml,
    PartDocument Part,
    string Drawing,
    string ModelDrawing,
    ResultDocument Result,
    ResultSentence[] ModelSentences,
    RulingReply[] Rulings,
    StandReply Stands,
    Guid? Previous,
    Guid? Next,
    int Position,
    int Count,
    int GoneThrough,
    int Undecided,
    ReleasedMark? Released,
    bool MayDecide,
    bool MayAccept,
    NoteQueryReply[] Queries
);

/// <summary>What an answer was released with.</summary>
public sealed record ReleasedMark(Rational Total, DateTimeOffset At);

/// <summary>How sure the marks of an answer are, and which boxes of the model answer were matched by their place.</summary>
public sealed record DoubtReply(bool IsOpen, Rational Lowest, Rational Highest, string[] Unsure)
{
    /// <summary>The doubt of an assessment.</summary>
    public static DoubtReply Of(Assessment assessment) =>
        new(
            assessment.Doubt.IsOpen,
            assessment.Doubt.Lowest,
            assessment.Doubt.Highest,
            [.. assessment.Doubt.Unsure.Select(id => assessment.Comparison.Model.Model.Entity(id).Name)]
        );
}

/// <summary>An entity, or an attribute with its owner.</summary>
public sealed record ThingReply(string Id, string Name, string? Owner);

/// <summary>What stands for an element of the model answer, by whom, and why.</summary>
public sealed record StandsForReply(string Model, string Answer, string Reason, bool Said);

/// <summary>The things of both drawings, and which stands for which.</summary>
public sealed record StandReply(ThingReply[] Model, ThingReply[] Answer, StandsForReply[] Pairs)
{
    /// <summary>What stands for what in a checked answer.</summary>
    public static StandReply Of(CheckedAnswer answer)
    {
        var comparison = answer.Assessment.Comparison;
        var said = answer.Answer.Stands.Select(row => row.ModelElement).ToHashSet(StringComparer.Ordinal);
        return new StandReply(
            [.. Rulings.Things(comparison.Model.Model)],
            [.. Rulings.Things(comparison.Answer.Model)],
            [
                .. comparison
                    .Correspondence.Entities.Select(pair => new StandsForReply(
                        pair.Key,
                        pair.Value.AnswerId,
                        pair.Value.Reason,
                        said.Contains(pair.Key)
                    ))
                    .Concat(
                        comparison.Correspondence.Attributes.Select(pair => new StandsForReply(
                            pair.Key,
                            pair.Value.AnswerId,
                            "",
                            said.Contains(pair.Key)
                        ))
                    )
                    .OrderBy(pair => pair.Model, StringComparer.Ordinal),
            ]
        );
    }
}

/// <summary>
/// Says that something of the answer stands for an element of the model answer; null takes back what was said.
/// </summary>
public sealed record StandsForRequest(string Model, string? Answer = null);

/// <summary>A total.</summary>
public sealed record TotalReply(Rational Total);

/// <summary>A decision on a finding.</summary>
public sealed record RulingReply(string FindingId, Decision Decision, string Comment, Reach Reach = Reach.Answer)
{
    /// <summary>The decisions that hold for an answer.</summary>
    public static RulingReply[] Of(CheckedAnswer answer) =>
        [
            .. answer.Decisions.Select(pair => new RulingReply(
                pair.Key,
                pair.Value.Decision,
                pair.Value.Comment,
                pair.Value.Reach
            )),
        ];
}

/// <summary>Decides on a finding, of this answer or of all on which it is found alike.</summary>
public sealed record RulingRequest(Decision Decision, string? Comment = null, Reach Reach = Reach.Answer);

/// <summary>The answers on which a note is found alike.</summary>
public sealed record AlikeReply(AlikeAnswer[] Answers);

/// <summary>An answer, its total now, and by each decision; no totals where the caller has still to mark it blind.</summary>
/// <param name="Id">The answer.</param>
/// <param name="Code">Its candidate code.</param>
/// <param name="Identical">Whether the whole drawing is the same.</param>
/// <param name="Now">Its total.</param>
/// <param name="Allowed">Its total if the loss is allowed.</param>
/// <param name="InPart">If it is allowed in part.</param>
/// <param name="Kept">If it is kept.</param>
public sealed record AlikeAnswer(
    Guid Id,
    string Code,
    bool Identical,
    Rational? Now,
    Rational? Allowed,
    Rational? InPart,
    Rational? Kept
);

/// <summary>What a release would do.</summary>
public sealed record ReleaseReply(
    string[] Ready,
    UndecidedAnswer[] Undecided,
    int StillDrawing,
    string[] Frozen,
    AgreementReply? Agreement
);

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
    int AssessmentRevision
);

/// <summary>Whose answer it is.</summary>
public sealed record IdentityReply(Guid AnswerId, string Name);
