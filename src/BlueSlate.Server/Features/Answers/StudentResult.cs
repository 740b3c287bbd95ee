using System.Collections.Immutable;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;

namespace BlueSlate.Server.Features.Answers;

/// <summary>
/// What a student is told of a released result: marks, lines, notes, and the answer's own sentences. Never what the model
/// answer says fact by fact; and nothing that points into the model answer where that is not shown.
/// </summary>
public sealed record StudentResult(
    Rational Total,
    Rational Exact,
    Rational Maximum,
    ImmutableArray<ResultLine> Lines,
    ImmutableArray<StudentNote> Notes,
    ImmutableArray<string> Restated,
    ImmutableSortedDictionary<string, string> Counterparts,
    ImmutableArray<ResultSentence> Sentences
)
{
    /// <summary>What a marker gave or took besides what was found.</summary>
    public ImmutableArray<ResultAdjustment> Adjustments { get; init; } = [];

    /// <summary>In sentences, what was taken for something that is called otherwise, and why.</summary>
    public ImmutableArray<string> TakenFor { get; init; } = [];

    /// <summary>Of a result, with the model answer or without.</summary>
    public static StudentResult Of(ResultDocument result, bool withModel) =>
        new(
            result.Total,
            result.Exact,
            result.Maximum,
            result.Lines,
            [.. result.Notes.Select(note => StudentNote.Of(note, withModel))],
            result.Restated,
            withModel ? result.Counterparts : ImmutableSortedDictionary<string, string>.Empty,
            result.Sentences
        )
        {
            TakenFor = withModel ? result.TakenFor : [],
            Adjustments = result.Adjustments,
        };
}

/// <summary>A note as a student reads it.</summary>
public sealed record StudentNote(
    string Id,
    string Code,
    Tag Tag,
    string Headline,
    string There,
    string Wanted,
    string Why,
    Rational Loss,
    bool Marked,
    ImmutableArray<string> ModelElements,
    ImmutableArray<string> AnswerElements,
    ImmutableArray<ResultConsequence> Consequences
)
{
    /// <summary>How much of it stood already in the drawing with which the part was begun: that costs nothing here.</summary>
    public Inherited Inherited { get; init; }

    /// <summary>Data that the drawing and the model answer judge differently; null where there is none to show.</summary>
    public ResultExample? Example { get; init; }

    /// <summary>Of a note, with what it shows of the model answer or without.</summary>
    public static StudentNote Of(ResultNote note, bool withModel) =>
        new(
            note.Id,
            note.Code,
            note.Tag,
            note.Headline,
            note.There,
            note.Wanted,
            note.Why,
            note.Loss,
            note.Marked,
            withModel ? note.ModelElements : [],
            note.AnswerElements,
            note.Consequences
        )
        {
            Inherited = note.Inherited,
            Example = note.Example,
        };
}
