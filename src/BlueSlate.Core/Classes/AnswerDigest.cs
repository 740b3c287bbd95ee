using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Classes;

/// <summary>
/// What has to be known of one answer to show a class: little enough to be kept beside its mark, so that the answers of a thousand are
/// gathered without any of them being judged again.
/// </summary>
public sealed record AnswerDigest
{
    /// <summary>True when it was held against an accepted variant: nothing is known then of the model answer's own facts.</summary>
    public bool ByVariant { get; init; }

    /// <summary>Its notes, in their order.</summary>
    public required ImmutableArray<DigestNote> Notes { get; init; }

    /// <summary>What each line of the scheme earned.</summary>
    public required ImmutableArray<DigestLine> Lines { get; init; }

    /// <summary>The facts that are not simply as the model answer has them.</summary>
    public required ImmutableArray<DigestFact> Facts { get; init; }

    /// <summary>What stands for nothing.</summary>
    public required ImmutableArray<DigestExtra> Extras { get; init; }

    /// <summary>The digest of an answer.</summary>
    /// <param name="assessment">What was found out about it, under the decisions on it.</param>
    /// <param name="decisionOn">What was decided on a note; null for nothing.</param>
    public static AnswerDigest Of(Assessment assessment, Func<Note, Decision?> decisionOn) =>
        new()
        {
            ByVariant = assessment.ByVariant,
            Notes =
            [
                .. assessment.Notes.Select(note => new DigestNote(
                    AlikeKey.Of(note, assessment.Comparison),
                    note.Finding.Id,
                    note.Finding.Code,
                    note.Finding.Tag,
                    note.Finding.Headline,
                    note.Loss,
                    note.Marked,
                    decisionOn(note)
                )),
            ],
            Lines = [.. assessment.Sheet.Lines.Select(line => new DigestLine(line.Line.Id, line.Earned))],
            Facts = assessment.ByVariant
                ? []
                :
                [
                    .. assessment
                        .Comparison.Verdicts.Where(verdict => verdict.Kind is not (VerdictKind.Holds or VerdictKind.NotAssessed))
                        .Select(verdict => new DigestFact(verdict.Fact.Id, verdict.Kind, verdict.InModelTerms)),
                ],
            Extras =
            [
                .. assessment.Comparison.Extras.Select(extra => new DigestExtra(
                    assessment.Comparison.KeyOf(extra),
                    extra.Kind.Name,
                    extra.Name,
                    extra.AnswerId,
                    [.. assessment.Comparison.NearTo(extra)]
                )),
            ],
        };
}

/// <summary>A note of an answer.</summary>
/// <param name="Key">Equal for alike notes of other answers.</param>
/// <param name="FindingId">The finding, by which the answer knows it.</param>
/// <param name="Code">Its kind.</param>
/// <param name="Tag">The word that it carries.</param>
/// <param name="Headline">The difference in one sentence.</param>
/// <param name="Loss">The marks that belong to it.</param>
/// <param name="Marked">Whether any line uses what it explains.</param>
/// <param name="Decision">What was decided on it.</param>
public sealed record DigestNote(
    string Key,
    string FindingId,
    string Code,
    Tag Tag,
    string Headline,
    Rational Loss,
    bool Marked,
    Decision? Decision
);

/// <summary>What a line of the scheme earned.</summary>
public sealed record DigestLine(string Id, Rational Earned);

/// <summary>A fact that is not simply as the model answer has it, and what is drawn, in the model answer's names.</summary>
public sealed record DigestFact(string Id, VerdictKind Verdict, string Drawn);

/// <summary>Something that stands for nothing.</summary>
/// <param name="Key">Equal for alike ones of other answers.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name.</param>
/// <param name="Element">The element of the answer.</param>
/// <param name="Near">The things of the model answer for whose counterparts it is tied to, by id.</param>
public sealed record DigestExtra(string Key, string Kind, string Name, string Element, ImmutableArray<string> Near);
