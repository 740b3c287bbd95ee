using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>An exercise in a list.</summary>
public sealed record ExerciseSummary(
    Guid Id,
    string Title,
    Guid CohortId,
    string Cohort,
    DateTimeOffset? PublishedAt,
    DateTimeOffset? DueAt,
    DateTimeOffset? ReleasedAt,
    int Students,
    int Started,
    int HandedIn,
    int GoneThrough,
    bool IsTrial
);

/// <summary>A cohort that one may publish to.</summary>
public sealed record CohortReply(Guid Id, string Name, int Students);

/// <summary>Makes a new exercise.</summary>
public sealed record NewExerciseRequest(string Title, Guid CohortId);

/// <summary>The id of something new.</summary>
public sealed record CreatedReply(Guid Id);

/// <summary>An exercise with all its documents, for those who write it.</summary>
public sealed record ExerciseReply(
    Guid Id,
    string Title,
    string Cohort,
    bool MayEdit,
    bool IsTrial,
    DateTimeOffset? PublishedAt,
    DateTimeOffset? DueAt,
    TextDocument Scenario,
    string ScenarioHtml,
    ExercisePartReply[] Parts
);

/// <summary>A part with all its documents, for those who write it.</summary>
public sealed record ExercisePartReply(
    Guid Id,
    PartReply Part,
    TextDocument Model,
    AssessmentReply Assessment,
    IReadOnlyList<RestatementChoice> OtherWays
);

/// <summary>A text and its revision.</summary>
public sealed record TextDocument(int Revision, string Text);

/// <summary>The part and its revision.</summary>
public sealed record PartReply(int Revision, PartDocument Value);

/// <summary>The assessment and its revision.</summary>
public sealed record AssessmentReply(int Revision, AssessmentDocument Value);

/// <summary>Saves a text, conditional on the revision it started from.</summary>
public sealed record SaveTextRequest(int Revision, string Text);

/// <summary>Saves a part.</summary>
public sealed record SavePartRequest(int Revision, PartDocument Value);

/// <summary>Saves an exercise's title.</summary>
public sealed record SaveTitleRequest(string Title);

/// <summary>All parts of an exercise in the order that they are to have.</summary>
public sealed record PartOrderRequest(Guid[] Parts);

/// <summary>Saves tolerances and scheme.</summary>
public sealed record SaveAssessmentRequest(int Revision, AssessmentDocument Value);

/// <summary>The revision that a save made.</summary>
public sealed record SavedReply(int Revision);

/// <summary>A drawing to be read.</summary>
public sealed record ReadingRequest(string Drawing);

/// <summary>What a drawing says.</summary>
public sealed record ReadingReply(string Hash, ResultSentence[] Sentences, FormRemark[] Form)
{
    /// <summary>What the rows of the scenario speak against, where that is told.</summary>
    public RowRemark[] Rows { get; init; } = [];
}

/// <summary>Something that is drawn and that rows speak against.</summary>
/// <param name="Key">What it is about.</param>
/// <param name="Said">What the rows show.</param>
/// <param name="Elements">What is drawn.</param>
/// <param name="Places">The cells.</param>
public sealed record RowRemark(string Key, string Said, string[] Elements, ScenarioPlace[] Places)
{
    /// <summary>
    /// All of them about a drawing that <paramref name="drawn" /> says whose it is; none where the part does not tell what rows show.
    /// </summary>
    public static RowRemark[] Of(PartDocument part, IDocument drawing, ScenarioProse prose, string drawn) =>
        part.Aids.Rows
            ?
            [
                .. Subject
                    .Of(part.Learned)
                    .AgainstRows(new PreflightCase(drawing, part.Learned, prose) { Drawn = drawn })
                    .Select(item => new RowRemark(item.Key, item.Said, [.. item.Elements], [.. item.Places])),
            ]
            : [];
}

/// <summary>A fact of a model answer.</summary>
public sealed record FactReply(string Id, string Aspect, string Element, string Title, string Value);

/// <summary>The facts that a model answer states, with its sentences.</summary>
public sealed record FactsReply(string Hash, FactReply[] Facts, ResultSentence[] Sentences, FormRemark[] Form);

/// <summary>A text that lost against another; it is kept here.</summary>
public sealed record SetAsideReply(Guid Id, Guid? PartId, DocumentKind Kind, DateTimeOffset At, string? By, string Text);
