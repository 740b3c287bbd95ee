using BlueSlate.Core.Marking;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Marks that a marker gives or takes besides what was found.</summary>
public static class AdjustmentEndpoints
{
    private const int MostElements = 20;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(RouteGroupBuilder group)
    {
        group.MapPost("/work/{id:guid}/adjustments", Adjust).ForStaff();
        group.MapDelete("/work/{id:guid}/adjustments/{adjustment:guid}", Unadjust).ForStaff();
    }

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> Adjust(
        Guid id,
        AdjustmentRequest request,
        Access access,
        BlindSample sample,
        Rulings rulings,
        WorkAssessment assessment,
        MarkingPage page,
        CancellationToken cancellation
    )
    {
        var (refusal, released) = await MarkingEndpoints.MayDecideAsync(id, access, sample, cancellation);
        if (refusal is not null)
        {
            return refusal;
        }

        if (Unfit(request, await assessment.RunAsync(id, cancellation)) is { } unfit)
        {
            return unfit;
        }

        await rulings.AdjustAsync(id, request, released, cancellation);
        return TypedResults.Ok(await page.OfAsync(id, cancellation));
    }

    // Why marks cannot be given or taken as it was sent; null when they can.
    private static ProblemHttpResult? Unfit(AdjustmentRequest request, CheckedWork work)
    {
        var scheme = work.Assessment.Sheet;
        var line = scheme.Lines.FirstOrDefault(one => one.Line.Id == request.Line)?.Line;
        var most = line?.Marks ?? scheme.Maximum;
        return string.IsNullOrWhiteSpace(request.Reason)
                ? Problems.Unreadable("reason-wanted", "The student is told why: write it down.", "reason")
            : request.Reason.Trim().Length > MarkingEndpoints.LongestComment
                ? Problems.Unreadable("too-long", $"A reason has at most {MarkingEndpoints.LongestComment} characters.", "reason")
            : request.Line is not null && line is null
                ? Problems.Unreadable("no-such-line", "The scheme has no such line.", "line")
            : request.Amount < Rational.Zero - most || request.Amount > most
                ? Problems.Unreadable("marks", $"At most {most.ToDisplay()} can be given or taken there.", "amount")
            : request.Amount.IsZero && request.At.Length == 0
                ? Problems.Unreadable("nothing", "A remark without marks stands at a part of the drawing.", "amount")
            : request.At.Length > MostElements || !request.At.All(work.Document.Has)
                ? Problems.Unreadable("no-such-part", "The drawing has no such part.", "elements")
            : null;
    }

    private static async Task<Results<Ok<MarkingReply>, ProblemHttpResult>> Unadjust(
        Guid id,
        Guid adjustment,
        Access access,
        BlindSample sample,
        Rulings rulings,
        MarkingPage page,
        CancellationToken cancellation
    )
    {
        var (refusal, released) = await MarkingEndpoints.MayDecideAsync(id, access, sample, cancellation);
        return refusal is not null ? refusal
            : await rulings.UnadjustAsync(id, adjustment, released, cancellation)
                ? TypedResults.Ok(await page.OfAsync(id, cancellation))
            : Problems.NotFound("no-such-adjustment", "That was taken back already.");
    }
}
