using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Server.Features.Answers;
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
    DeskPart[] Parts,
    Rational Maximum,
    int Students,
    int StillDrawing,
    DateTimeOffset? DueAt,
    DateTimeOffset? ReleasedAt,
    DateTimeOffset? QuestionsUntil,
    bool MayRelease,
    Guid? TrialOf,
    Guid Me,
    DeskMarker[] Markers,
    DeskAnswer[] Answers
);

/// <summary>Somebody who marks the class.</summary>
public sealed record DeskMarker(Guid Id, string Name, bool Teaches);

/// <summary>A part of the exercise on the desk.</summary>
public sealed record DeskPart(Guid Id, string Title, Rational Marks)
{
    internal static DeskPart Of(Guid id, PartDocument part) => new(id, part.Title, part.Marks);
}

/// <summary>One answer on the desk: as far as the part that is least far, with the marks of all parts together.</summary>
public sealed record DeskAnswer(
    Guid Id,
    string Code,
    AnswerState State,
    bool Late,
    bool Doubtful,
    Rational? Total,
    DateTimeOffset HandedInAt,
    int Questions,
    DeskWork[] Works,
    string? Withheld,
    Guid? Marker
);

/// <summary>
/// The work on one part of an answer, with who has gone through it, whether somebody who teaches went through it or confirmed it, and how
/// long the answer took; null where it was opened again.
/// </summary>
public sealed record DeskWork(
    Guid Id,
    Guid PartId,
    string Code,
    AnswerState State,
    bool Doubtful,
    bool Late,
    Rational? Total,
    int Questions,
    bool DrawnAfterEnd,
    Guid? GoneThroughBy,
    bool Confirmed,
    int? Minutes
);

/// <summary>The work on another part of the same answer.</summary>
public sealed record OtherPart(Guid WorkId, string Title, Rational Marks)
{
    internal static OtherPart Of(Guid workId, PartDocument part) => new(workId, part.Title, part.Marks);
}

/// <summary>The work on one part of an answer, to be gone through.</summary>
/// <param name="Id">The work.</param>
/// <param name="ExerciseId">Of which exercise.</param>
/// <param name="PartId">Of which part.</param>
/// <param name="Parts">The work on all parts of the answer, this one among them, in their order.</param>
/// <param name="Title">The exercise's title.</param>
/// <param name="Code">The candidate code.</param>
/// <param name="State">How far it is.</param>
/// <param name="Late">Whether it was handed in late.</param>
/// <param name="EndedByTime">Whether the server handed it in because the time was over.</param>
/// <param name="AfterEnd">What was drawn without a connection and came after the end.</param>
/// <param name="HelpAsked">How often help was asked for while it was drawn.</param>
/// <param name="Doubt">How sure its marks are.</param>
/// <param name="ScenarioHtml">The scenario.</param>
/// <param name="Part">What was asked.</param>
/// <param name="Drawing">What was drawn.</param>
/// <param name="ModelDrawing">The model answer, or the variant, that it was held against.</param>
/// <param name="Result">What was found.</param>
/// <param name="ModelSentences">What the model answer says.</param>
/// <param name="Rulings">What was decided.</param>
/// <param name="Stands">What stands for what.</param>
/// <param name="Previous">The work before it on the same part.</param>
/// <param name="Next">The work after it.</param>
/// <param name="Position">Its place among the work on this part, from 1.</param>
/// <param name="Count">How much of it there is.</param>
/// <param name="GoneThrough">How much was gone through.</param>
/// <param name="Undecided">How much is not decided.</param>
/// <param name="Released">What it was released with.</param>
/// <param name="MayDecide">Whether the caller may decide.</param>
/// <param name="MayAccept">Whether the caller may accept a value for all.</param>
/// <param name="Queries">The student's questions.</param>
public sealed record MarkingReply(
    Guid Id,
    Guid ExerciseId,
    Guid PartId,
    OtherPart[] Parts,
    string Title,
    string Code,
    AnswerState State,
    bool Late,
    bool EndedByTime,
    DrawingAfterEnd[] AfterEnd,
    int HelpAsked,
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
)
{
    /// <summary>What in the scenario speaks for and against it.</summary>
    public required ScenarioEvidence Evidence { get; init; }

    /// <summary>Who marks the class, who is to go through this answer, and who has.</summary>
    public required SharedOut Shared { get; init; }

    /// <summary>Why somebody handed it in for its student; null where nobody did.</summary>
    public string? HandedInBecause { get; init; }

    /// <summary>Why it was opened again after it had been handed in; null where it was not.</summary>
    public string? ReopenedBecause { get; init; }
}

/// <summary>Those who mark the class, the caller among them, who is to go through an answer, and who has gone through this work.</summary>
public sealed record SharedOut(DeskMarker[] Markers, Guid Me, Guid? Marker, Guid? GoneThroughBy, bool Confirmed);

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
            [
                .. assessment
                    .Comparison.ModelThings.Where(thing => assessment.Doubt.Unsure.Contains(thing.Id))
                    .Select(thing => thing.Name),
            ]
        );
}

/// <summary>An entity, or an attribute with its owner.</summary>
public sealed record ThingReply(string Id, string Name, string? Owner)
{
    internal static ThingReply Of(NamedThing thing) => new(thing.Id, thing.Name, thing.OwnerId);
}

/// <summary>What stands for an element of the model answer, by whom, and why.</summary>
public sealed record StandsForReply(string Model, string Answer, string Reason, bool Said);

/// <summary>The things of both drawings, and which stands for which.</summary>
public sealed record StandReply(ThingReply[] Model, ThingReply[] Answer, StandsForReply[] Pairs)
{
    /// <summary>What stands for what in checked work.</summary>
    public static StandReply Of(CheckedWork work)
    {
        var comparison = work.Assessment.Comparison;
        var said = work.Work.Stands.Select(row => row.ModelElement).ToHashSet(StringComparer.Ordinal);
        return new StandReply(
            [.. comparison.ModelThings.Select(ThingReply.Of)],
            [.. comparison.AnswerThings.Select(ThingReply.Of)],
            [
                .. comparison.StandIns.Select(pair => new StandsForReply(
                    pair.ModelId,
                    pair.AnswerId,
                    pair.Reason,
                    said.Contains(pair.ModelId)
                )),
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

/// <summary>A decision on a finding, with what is given back where it is allowed in part; null for half.</summary>
public sealed record RulingReply(
    string FindingId,
    Decision Decision,
    string Comment,
    Reach Reach = Reach.Answer,
    Rational? Part = null
)
{
    /// <summary>The decisions that hold for an answer.</summary>
    public static RulingReply[] Of(CheckedWork work) => [.. work.Decisions.Select(pair => Of(pair.Key, pair.Value))];

    private static RulingReply Of(string finding, NoteDecision decision) =>
        new(
            finding,
            decision.Decision,
            decision.Comment,
            decision.Reach,
            decision.Decision == Decision.AllowInPart ? decision.Part : null
        );
}

/// <summary>
/// Decides on a finding, of this answer or of all on which it is found alike. What is allowed in part gives back half of the loss, or
/// another part of it, between 0 and 1.
/// </summary>
public sealed record RulingRequest(Decision Decision, string? Comment = null, Reach Reach = Reach.Answer, Rational? Part = null)
{
    internal NoteDecision AsDecision(string comment) => new(Decision, Part ?? Rational.Half, comment, Reach);
}

/// <summary>
/// Marks given, or below 0 taken, besides what was found: in a line of the scheme or, where there is none, in the total; about parts of
/// the drawing, or about the answer as a whole.
/// </summary>
public sealed record AdjustmentRequest(Rational Amount, string Reason, string? Line = null, string[]? Elements = null)
{
    internal string[] At => Elements ?? [];
}

/// <summary>The work on which a note is found alike.</summary>
public sealed record AlikeReply(AlikeAnswer[] Answers);

/// <summary>Work, its total now, and by each decision; no totals where the caller has still to mark it blind.</summary>
/// <param name="Id">The work.</param>
/// <param name="Code">Its candidate code.</param>
/// <param name="Identical">Whether the whole drawing is the same.</param>
/// <param name="Now">Its total.</param>
/// <param name="Loss">What the note costs while nothing is decided on it.</param>
/// <param name="Allowed">Its total if the loss is allowed.</param>
/// <param name="InPart">If the part of it that was asked about is allowed.</param>
/// <param name="Kept">If it is kept.</param>
public sealed record AlikeAnswer(
    Guid Id,
    string Code,
    bool Identical,
    Rational? Now,
    Rational? Loss,
    Rational? Allowed,
    Rational? InPart,
    Rational? Kept
);

/// <summary>What a release would do.</summary>
/// <param name="Ready">What it would release, by candidate codes.</param>
/// <param name="NotGoneThrough">Of these, what nobody has gone through.</param>
/// <param name="NotConfirmed">Of these, what an assistant has gone through and nobody who teaches has confirmed.</param>
/// <param name="Undecided">What is held back because a person has to look first.</param>
/// <param name="Withheld">What is held back because somebody said so.</param>
/// <param name="StillDrawing">How many are not handed in.</param>
/// <param name="Frozen">What of each is kept for good.</param>
/// <param name="Agreements">How far two markers agree on each part of which a sample is marked.</param>
public sealed record ReleaseReply(
    string[] Ready,
    string[] NotGoneThrough,
    string[] NotConfirmed,
    UndecidedAnswer[] Undecided,
    UndecidedAnswer[] Withheld,
    int StillDrawing,
    string[] Frozen,
    PartAgreement[] Agreements
);

/// <summary>How far two agree on a part.</summary>
public sealed record PartAgreement(string Part, AgreementReply Agreement);

/// <summary>An answer that is held back, the work in it that has to be looked at, and why.</summary>
public sealed record UndecidedAnswer(Guid Id, Guid WorkId, string Code, string Why);

/// <summary>Releases everything that is ready, or of it only what somebody has gone through.</summary>
public sealed record ReleaseRequest(bool OnlyGoneThrough = false);

/// <summary>Holds answers back from release, for a reason that their students are told; null holds them back no longer.</summary>
public sealed record WithholdRequest(Guid[] Answers, string? Reason = null);

/// <summary>How many answers are concerned.</summary>
public sealed record WithheldReply(int Answers);

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
