using System.Collections.Immutable;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Classes whose answers can be held against a part as it is written now.</summary>
public sealed record EarlierAnswersReply(EarlierAnswersOf[] Classes);

/// <summary>The answers of a class to a part that is drawn in the same way.</summary>
public sealed record EarlierAnswersOf(Guid PartId, string Exercise, string Cohort, DateTimeOffset PublishedAt, int Answers);

/// <summary>Of which part the answers are.</summary>
public sealed record EarlierTryRequest(Guid Other);

/// <summary>What a part as it is written now makes of answers that were drawn before.</summary>
/// <param name="Maximum">What is to be earned now.</param>
/// <param name="WasMaximum">What was to be earned then.</param>
/// <param name="Answers">The answers: those first whose share of the marks changed most.</param>
/// <param name="Differences">What they lose marks for now, what costs them most first.</param>
public sealed record EarlierTryReply(
    Rational Maximum,
    Rational WasMaximum,
    EarlierAnswer[] Answers,
    EarlierDifference[] Differences
);

/// <summary>An answer with what it earns now and what it earned then, null while that was not known.</summary>
public sealed record EarlierAnswer(Guid WorkId, string Code, Rational Now, Rational? Then);

/// <summary>A difference that some of them have, and what it costs them together.</summary>
public sealed record EarlierDifference(string Headline, int Answers, Rational Loss);

/// <summary>
/// An exercise tried on answers that were drawn before, such as last year's: held against the model answer as it is written now. Nothing of
/// it is kept, and no mark of theirs changes.
/// </summary>
internal static class EarlierAnswers
{
    private const int MostAnswers = 300;
    private const int MostDifferences = 20;

    /// <summary>The classes that there are.</summary>
    public static async Task<IResult> List(Guid id, Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        if (await Trying.FindAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var notation = Trying.DocumentOf(part).Learned.Notation;
        var others = await access
            .StaffParts(instructorsOnly: true)
            .AsNoTracking()
            .Where(other => other.Id != id && other.Exercise!.PublishedAt != null && other.Exercise.TrialOfId == null)
            .Select(other => new
            {
                other.Id,
                other.Exercise!.Title,
                other.Exercise.Cohort!.Name,
                other.Exercise.PublishedAt,
                Document = other.Documents.First(document => document.Kind == DocumentKind.Part).Text,
                Answers = database.Works.Count(work => work.PartId == other.Id && work.Answer!.Counts),
            })
            .Where(other => other.Answers > 0)
            .OrderByDescending(other => other.PublishedAt)
            .ToListAsync(cancellation);
        return TypedResults.Ok(
            new EarlierAnswersReply([
                .. others
                    .Where(other => ExerciseJson.Read<PartDocument>(other.Document).Learned.Notation == notation)
                    // What is a copy of this stands before what is merely drawn alike.
                    .OrderByDescending(other =>
                        string.Equals(other.Title, part.Exercise!.Title, StringComparison.OrdinalIgnoreCase)
                    )
                    .Select(other => new EarlierAnswersOf(
                        other.Id,
                        other.Title,
                        other.Name,
                        other.PublishedAt!.Value,
                        other.Answers
                    )),
            ])
        );
    }

    /// <summary>Holds the answers of one class against the part as it is written.</summary>
    public static async Task<IResult> Try(
        Guid id,
        EarlierTryRequest request,
        Access access,
        BlueSlateContext database,
        BlindSample sample,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (await Trying.FindAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        if (Publishing.Missing(part) is { } missing)
        {
            return Problems.Unreadable("not-ready", $"{missing} first.");
        }

        var other = await access
            .StaffParts(instructorsOnly: true)
            .AsNoTracking()
            .Include(row => row.Documents)
            .FirstOrDefaultAsync(row => row.Id == request.Other && row.Exercise!.PublishedAt != null, cancellation);
        if (other is null || Trying.DocumentOf(other).Learned.Notation != Trying.DocumentOf(part).Learned.Notation)
        {
            return Problems.NotFound("no-such-class", "There are no such answers, or they are drawn in another way.");
        }

        var blind = sample.BlindForMe();
        var works = await database
            .Works.AsNoTracking()
            .Where(work => work.PartId == other.Id && work.Answer!.Counts && !blind.Contains(work.Id))
            .OrderBy(work => work.Answer!.CandidateCode)
            .Take(MostAnswers)
            .Select(work => new
            {
                work.Id,
                work.Answer!.CandidateCode,
                work.Drawing,
                Then = work.Released != null
                    ? work.Released.Total
                    : work.Results.OrderByDescending(result => result.At).Select(result => result.Total).FirstOrDefault(),
            })
            .ToListAsync(cancellation);
        var assessor = Trying.AssessorOf(part, Publishing.Asked(part.Exercise!, clock.GetUtcNow()));
        var judged = works
            .AsParallel()
            .AsOrdered()
            .WithCancellation(cancellation)
            .Select(work => assessor.Assess(StoredDrawings.Read(assessor.Subject, work.Drawing), []))
            .Select(assessment => (assessment.Sheet.Total, Digest: AnswerDigest.Of(assessment, _ => null)))
            .ToImmutableArray();
        var (maximum, was) = (Trying.DocumentOf(part).Marks, Trying.DocumentOf(other).Marks);
        return TypedResults.Ok(
            new EarlierTryReply(
                maximum,
                was,
                [
                    .. works
                        .Zip(judged)
                        .Select(pair => new EarlierAnswer(
                            pair.First.Id,
                            pair.First.CandidateCode,
                            pair.Second.Total,
                            Rational.TryParse(pair.First.Then ?? "", out var then) ? then : null
                        ))
                        .OrderByDescending(answer => ChangeIn(answer, maximum, was))
                        .ThenBy(answer => answer.Code, StringComparer.Ordinal),
                ],
                [
                    .. AlikeNotes
                        .Of([.. judged.Select(one => one.Digest)])
                        .Where(group => group.Loss > Rational.Zero)
                        .GroupBy(group => group.Headline, StringComparer.Ordinal)
                        .Select(alike => new EarlierDifference(
                            alike.Key,
                            alike.SelectMany(group => group.Places).Select(place => place.Answer).Distinct().Count(),
                            alike.Aggregate(Rational.Zero, (sum, group) => sum + group.Loss)
                        ))
                        .OrderByDescending(difference => difference.Loss)
                        .ThenByDescending(difference => difference.Answers)
                        .Take(MostDifferences),
                ]
            )
        );
    }

    private static Rational ChangeIn(EarlierAnswer answer, Rational maximum, Rational was) =>
        answer.Then is { } then && !was.IsZero && !maximum.IsZero
            ? Rational.Max((answer.Now / maximum) - (then / was), (then / was) - (answer.Now / maximum))
            : Rational.Zero;
}
