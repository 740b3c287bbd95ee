using BlueSlate.Core.Classes;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Classes;

/// <summary>
/// What a class drew for a part, gathered from what is kept beside its marks: no answer is judged for it. What the caller has still to
/// mark blind is left out.
/// </summary>
public sealed class ClassView(BlueSlateContext database, WorkAssessment assessment, Desk desk, BlindSample sample)
{
    /// <summary>The differences of the class.</summary>
    public async Task<DifferencesReply> DifferencesAsync(ExercisePart part, bool mayRelease, CancellationToken cancellation)
    {
        var (seen, waiting, blind) = await SeenAsync(part.Id, cancellation);
        var forAll = await database
            .ClassRulings.AsNoTracking()
            .Where(ruling => ruling.PartId == part.Id)
            .ToDictionaryAsync(ruling => ruling.AlikeKey, cancellation);
        return new DifferencesReply(
            await PartAsync(part, cancellation),
            [.. seen.Select(one => one.Work)],
            waiting,
            blind,
            [.. AlikeNotes.Of([.. seen.Select(one => one.Digest)]).Select(group => ReplyOf(group, forAll))],
            mayRelease
        );
    }

    /// <summary>The picture of the class.</summary>
    public async Task<ClassPictureReply> PictureAsync(ExercisePart part, CancellationToken cancellation)
    {
        var (seen, _, blind) = await SeenAsync(part.Id, cancellation);
        var assessor = await assessment.AssessorOfAsync(part.Id, cancellation);
        var picture = ClassPicture.Of(assessor.Facts, assessor.Scheme, [.. seen.Select(one => one.Digest)]);
        return new ClassPictureReply(
            await PartAsync(part, cancellation),
            [.. seen.Select(one => one.Work)],
            blind,
            [.. picture.ByVariant],
            [.. picture.Facts.Select(ReplyOf)],
            [
                .. picture.Extras.Select(extra => new ExtraCountReply(
                    extra.Kind,
                    extra.Name,
                    [.. extra.Near],
                    [.. extra.Places.Select(place => new ExtraPlace(place.Answer, place.Element))]
                )),
            ],
            [
                .. picture.Lines.Select(line => new LineCountReply(
                    line.Line.Id,
                    line.Line.Title,
                    line.Line.Marks,
                    line.Share,
                    line.Tells,
                    [.. line.Lost]
                )),
            ],
            [
                .. picture.Kinds.Select(kind => new KindCountReply(
                    kind.Code,
                    Titles.GetValueOrDefault(kind.Code, kind.Code),
                    [.. kind.Answers]
                )),
            ]
        );
    }

    private static readonly Dictionary<string, string> Titles = FindingKind.All.ToDictionary(
        kind => kind.Code,
        kind => kind.Title,
        StringComparer.Ordinal
    );

    private static FactCountReply ReplyOf(FactCount count) =>
        new(
            count.Fact.Id,
            count.Fact.ConceptId,
            count.Fact.Kind.Name,
            count.Fact.Title,
            count.Fact.Value,
            [.. count.Otherwise.Select(drawn => new DrawnAsReply(drawn.Drawn, [.. drawn.Answers]))],
            [.. count.Absent]
        );

    private static DifferenceReply ReplyOf(AlikeNotes group, Dictionary<string, ClassRuling> forAll) =>
        new(
            group.Key,
            group.Code,
            group.Tag,
            group.Headline,
            group.Loss,
            group.Marked,
            forAll.TryGetValue(group.Key, out var ruling)
                ? new ClassDecision(
                    Enum.Parse<Decision>(ruling.Decision),
                    Rational.TryParse(ruling.Part ?? "", out var part) ? part : null,
                    ruling.Comment
                )
                : null,
            [.. group.Places.Select(place => new DifferencePlace(place.Answer, place.Note.FindingId, place.Note.Decision))]
        );

    private async Task<ClassPart> PartAsync(ExercisePart part, CancellationToken cancellation)
    {
        var asked = ExerciseJson.Read<PartDocument>(part.Documents.First(document => document.Kind == DocumentKind.Part).Text);
        var model = await database
            .AssessmentRevisions.Where(revision => revision.PartId == part.Id)
            .OrderByDescending(revision => revision.Number)
            .Select(revision => revision.Model)
            .FirstOrDefaultAsync(cancellation);
        return new ClassPart(
            part.Id,
            part.ExerciseId,
            part.Exercise!.Title,
            asked.Title,
            asked.Marks,
            model ?? part.Documents.First(document => document.Kind == DocumentKind.Model).Text
        );
    }

    // The answers that are checked, by their codes, with what is kept of each; how many are not, and how many are not to be seen.
    private async Task<(List<(ClassWork Work, AnswerDigest Digest)> Seen, int Waiting, int Blind)> SeenAsync(
        Guid partId,
        CancellationToken cancellation
    )
    {
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        var works = await desk.WorksOfPartAsync(partId, cancellation);
        var digests = (
            await database
                .Works.Where(work => work.PartId == partId && work.Answer!.Counts)
                .Select(work => new
                {
                    work.Id,
                    Digest = work
                        .Results.OrderByDescending(result => result.At)
                        .ThenByDescending(result => result.Id)
                        .Select(result => result.Digest)
                        .FirstOrDefault(),
                })
                .Where(row => row.Digest != null)
                .ToListAsync(cancellation)
        ).ToDictionary(row => row.Id, row => row.Digest!);
        var seen = works
            .Where(work => !blind.Contains(work.Id) && work.Total is not null && digests.ContainsKey(work.Id))
            .OrderBy(work => work.Code, StringComparer.Ordinal)
            .ToList();
        return (
            [
                .. seen.AsParallel()
                    .AsOrdered()
                    .Select(work =>
                        (
                            new ClassWork(
                                work.Id,
                                work.Code,
                                work.State,
                                work.Doubtful,
                                work.Late,
                                work.Total!.Value,
                                work.Minutes
                            ),
                            ExerciseJson.Read<AnswerDigest>(digests[work.Id])
                        )
                    ),
            ],
            works.Count(work => work.Total is null),
            works.Count(work => blind.Contains(work.Id))
        );
    }
}
