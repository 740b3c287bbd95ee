using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Tolerances and scheme as they would be.</summary>
public sealed record AssessmentPreviewRequest(AssessmentDocument Value);

/// <summary>Work whose total would change.</summary>
public sealed record MarkChange(Guid Id, string Code, Rational Before, Rational After);

/// <summary>Whose marks would change, and by how much.</summary>
/// <param name="Changes">Those that would, the greatest change first.</param>
/// <param name="Unchanged">How many would stay.</param>
/// <param name="Released">How many are released and keep their marks.</param>
public sealed record MarkChangesReply(MarkChange[] Changes, int Unchanged, int Released);

/// <summary>Says what other tolerances or another scheme would do to the marks of a class in a part, before anything is saved.</summary>
public static class MarkChanges
{
    /// <summary>The marks as they are, beside the marks as they would be.</summary>
    public static async Task<IResult> Preview(
        Guid id,
        AssessmentPreviewRequest request,
        Access access,
        BlueSlateContext database,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var part = await access
            .StaffParts(instructorsOnly: true)
            .AsNoTracking()
            .Include(row => row.Documents)
            .Include(row => row.Exercise)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (part is null)
        {
            return PartEndpoints.NoSuchPart();
        }

        if (request.Value.Scheme is null)
        {
            return Problems.Unreadable("scheme", "There is no marking scheme yet.", "value.scheme");
        }

        if (PartEndpoints.Refusal(request.Value) is { } refusal)
        {
            return refusal;
        }

        if (part.Exercise!.PublishedAt is null)
        {
            return TypedResults.Ok(new MarkChangesReply([], 0, 0));
        }

        var model = part.Documents.First(document => document.Kind == DocumentKind.Model).Text;
        var thoughtOf = new AssessmentRevision
        {
            Id = Guid.Empty,
            PartId = id,
            Number = 0,
            Model = model,
            Assessment = ExerciseJson.Write(request.Value),
        };
        return TypedResults.Ok(await OfAsync(thoughtOf, database, assessment, sample, cancellation));
    }

    /// <summary>The same for an assessment of a part that is only being thought of.</summary>
    internal static async Task<MarkChangesReply> OfAsync(
        AssessmentRevision thoughtOf,
        BlueSlateContext database,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var id = thoughtOf.PartId;
        var before = (await assessment.RunAllAsync(id, cancellation)).ToDictionary(work => work.Work.Id);
        // Nobody is told the marks of what they have still to mark blind.
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        var after = (await assessment.RunAllAsync(id, thoughtOf, cancellation))
            .Where(work => !blind.Contains(work.Work.Id))
            .ToList();
        var changes = after
            .Where(work => before.ContainsKey(work.Work.Id))
            .Select(work => new MarkChange(
                work.Work.Id,
                work.Work.Answer!.CandidateCode,
                before[work.Work.Id].Assessment.Sheet.Total,
                work.Assessment.Sheet.Total
            ))
            .Where(change => change.Before != change.After)
            .OrderByDescending(change => Rational.Max(change.After - change.Before, change.Before - change.After))
            .ThenBy(change => change.Code, StringComparer.Ordinal)
            .ToArray();
        var released = await database.Works.CountAsync(work => work.PartId == id && work.Released != null, cancellation);
        return new MarkChangesReply(changes, after.Count - changes.Length, released);
    }
}
