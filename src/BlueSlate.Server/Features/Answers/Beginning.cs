using BlueSlate.Core.Crossing;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Data;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>
/// Begins the work on a part with what an earlier part gives: the own drawing as it is saved, or its model answer, and then the
/// earlier part is closed in the same moment. Which drawing comes of it is the student's to keep: it is put on the slate there, and saved
/// from there like any other.
/// </summary>
internal static class Beginning
{
    /// <summary>What lies on the slate of a part from the start.</summary>
    public static Drawing GivenIn(QuestionPart part) =>
        ExerciseJson.Read<PartDocument>(part.Document).Begin is { With: BeginsWith.GivenDrawing, Drawing: { } given }
            ? DrawingReader.Read(given).Drawing ?? Drawing.Empty
            : Drawing.Empty;

    public static async Task<IResult> Begin(
        Guid id,
        Access access,
        BlueSlateContext database,
        DraftingPool pool,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var answer = await access
            .OwnAnswers()
            .AsNoTracking()
            .Include(row => row.Works)
                .ThenInclude(work => work.Asked)
            .FirstOrDefaultAsync(row => row.Works.Any(work => work.Id == id), cancellation);
        if (answer is null)
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        if (answer.HandedInAt is not null || answer.EndsAt < clock.GetUtcNow())
        {
            return NoLonger();
        }

        var part = ExerciseJson.Read<PartDocument>(answer.Works.First(work => work.Id == id).Asked!.Document);
        if (!part.Begin.FollowsOn || answer.Works.Find(work => work.Asked!.Position == part.Begin.Part) is not { } earlier)
        {
            return Problems.NotAllowed("This part begins with nothing of an earlier one.");
        }

        var before = ExerciseJson.Read<PartDocument>(earlier.Asked!.Document);
        var given =
            part.Begin.With == BeginsWith.OwnDrawing ? earlier.Drawing : await ModelAsync(earlier, database, cancellation);
        var earlierDrawing = Subject.Of(before.Learned).Parse(given)!;
        if (Crossings.Of(earlierDrawing, before.Learned, part.Learned, Piece.All) is not Drawing drawing)
        {
            return Problems.Conflict(
                "nothing-to-begin-with",
                $"There is nothing in part {part.Begin.Part} yet that this part could begin with."
            );
        }

        var (text, _, refusal) = await pool.PlaceAsync(
            access.AccountId,
            drawing with
            {
                Ties = [],
                Comments = [],
            },
            false,
            cancellation
        );
        if (text is null)
        {
            return refusal!;
        }

        return part.Begin.With == BeginsWith.OwnDrawing ? TypedResults.Ok(new BeginReply(text, null))
            : await CloseAsync(earlier.Id, database, clock.GetUtcNow(), cancellation)
                ? TypedResults.Ok(new BeginReply(text, earlier.Id))
            : NoLonger();
    }

    // A save and this each change the one row: what is closed is closed with what was saved.
    private static async Task<bool> CloseAsync(
        Guid work,
        BlueSlateContext database,
        DateTimeOffset now,
        CancellationToken cancellation
    ) =>
        await database
            .Works.Where(row => row.Id == work && row.Answer!.HandedInAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.ClosedAt, row => row.ClosedAt ?? now), cancellation) == 1;

    private static ProblemHttpResult NoLonger() => Problems.Conflict("handed-in", "This answer no longer changes.");

    private static async Task<string> ModelAsync(Work earlier, BlueSlateContext database, CancellationToken cancellation) =>
        await database
            .AssessmentRevisions.Where(row => row.PartId == earlier.PartId)
            .OrderByDescending(row => row.Number)
            .Select(row => row.Model)
            .FirstAsync(cancellation);
}

/// <summary>With what a part is begun: the drawing to put on the slate, and the work that is closed by it.</summary>
public sealed record BeginReply(string Drawing, Guid? Closed);
