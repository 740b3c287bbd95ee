using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Gives answers to those who are to go through them, evenly; to nobody, they are anybody's again.</summary>
public sealed record SharingRequest(Guid[] Answers, Guid[] To);

/// <summary>Passes an answer on, to somebody or to whoever shares out, and says why.</summary>
public sealed record PassOnRequest(string Reason, Guid? To = null);

/// <summary>Confirms what an assistant decided on answers.</summary>
public sealed record ConfirmRequest(Guid[] Answers);

/// <summary>
/// Several markers of one class: who is to go through which answers, and the word of whoever teaches on what an assistant has gone
/// through. Whoever marks may still look at every answer; what is shared out is who is asked.
/// </summary>
public sealed class Sharing(BlueSlateContext database, Desk desk, BlindSample sample, AuditTrail audit, TimeProvider clock)
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(RouteGroupBuilder group)
    {
        group.MapPut("/exercises/{id:guid}/markers", ShareOut).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/exercises/{id:guid}/confirmed", Confirm).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPost("/work/{id:guid}/pass-on", PassOn).ForStaff().Produces(StatusCodes.Status204NoContent);
    }

    private static async Task<IResult> ShareOut(
        Guid id,
        SharingRequest request,
        Access access,
        Sharing sharing,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        var markers = await sharing.MarkersAsync(exercise.CohortId, cancellation);
        return request.To.All(one => markers.Any(marker => marker.Id == one))
            ? await sharing.ShareOutAsync(exercise, request, cancellation)
            : NoSuchMarker();
    }

    private Task<Answer?> AnswerOfAsync(Guid work, Access access, CancellationToken cancellation)
    {
        var markable = access.MarkableWorks();
        return database
            .Answers.Include(answer => answer.Exercise)
            .FirstOrDefaultAsync(answer => markable.Any(row => row.Id == work && row.AnswerId == answer.Id), cancellation);
    }

    private Task<DeskMarker[]> MarkersAsync(Guid cohort, CancellationToken cancellation) =>
        desk.MarkersAsync(cohort, cancellation);

    // Those who have fewer already get more, and nobody gets what is theirs already a second time.
    private async Task<IResult> ShareOutAsync(Exercise exercise, SharingRequest request, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var answers = await database
            .Answers.Where(answer => answer.ExerciseId == exercise.Id && answer.Counts)
            .OrderBy(answer => answer.CandidateCode)
            .ToListAsync(cancellation);
        var given = answers.Where(answer => request.Answers.Contains(answer.Id)).ToList();
        Guid[] to = [.. request.To.Distinct()];
        if (to.Length == 0)
        {
            given.ForEach(answer => answer.MarkerId = null);
        }
        else
        {
            var kept = answers.Except(given).ToLookup(answer => answer.MarkerId);
            var shares = SharingOut.Evenly(given.Count, [.. to.Select(marker => kept[marker].Count())]);
            for (var at = 0; at < given.Count; at++)
            {
                given[at].MarkerId = to[shares[at]];
            }
        }

        audit.Add(
            AuditKind.Sharing,
            exercise.CohortId,
            to.Length == 0
                ? $"{Counted(given.Count)} taken back from their markers"
                : $"{Counted(given.Count)} given to {to.Length} {(to.Length == 1 ? "marker" : "markers")}",
            exercise.Id
        );
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static string Counted(int answers) => $"{answers} {(answers == 1 ? "answer" : "answers")}";

    private static async Task<IResult> Confirm(
        Guid id,
        ConfirmRequest request,
        Access access,
        Sharing sharing,
        CancellationToken cancellation
    )
    {
        var exercise = await access.StaffExercises(instructorsOnly: true).FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : await sharing.ConfirmAsync(exercise, request.Answers, cancellation);
    }

    private async Task<IResult> ConfirmAsync(Exercise exercise, Guid[] answers, CancellationToken cancellation)
    {
        var blind = sample.BlindForMe();
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exercise.Id, cancellation);
        var confirmed = await database
            .Works.Where(work =>
                work.Answer!.ExerciseId == exercise.Id
                && work.Answer.Counts
                && answers.Contains(work.AnswerId)
                && work.GoneThroughAt != null
                && work.ConfirmedAt == null
                && work.Released == null
                && !blind.Contains(work.Id)
            )
            .ExecuteUpdateAsync(set => set.SetProperty(work => work.ConfirmedAt, clock.GetUtcNow()), cancellation);
        if (confirmed > 0)
        {
            audit.Add(
                AuditKind.Sharing,
                exercise.CohortId,
                $"what was decided on {Counted(answers.Length)} confirmed",
                exercise.Id
            );
            await database.SaveChangesAsync(cancellation);
        }

        await transaction.CommitAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> PassOn(
        Guid id,
        PassOnRequest request,
        Access access,
        Sharing sharing,
        CancellationToken cancellation
    )
    {
        var answer = await sharing.AnswerOfAsync(id, access, cancellation);
        if (answer is null)
        {
            return MarkingEndpoints.NoSuchAnswer();
        }

        var markers = await sharing.MarkersAsync(answer.Exercise!.CohortId, cancellation);
        return Reason.Refusal(request.Reason, "The record keeps why") is { } refusal ? refusal
            : request.To is { } to && (to == access.AccountId || !markers.Any(marker => marker.Id == to)) ? NoSuchMarker()
            : await sharing.PassOnAsync(answer, request, markers, cancellation);
    }

    private async Task<IResult> PassOnAsync(
        Answer answer,
        PassOnRequest request,
        DeskMarker[] markers,
        CancellationToken cancellation
    )
    {
        answer.MarkerId = request.To;
        var to = Array.Find(markers, marker => marker.Id == request.To)?.Teaches switch
        {
            null => "to whoever shares out",
            true => "to somebody who teaches",
            false => "to an assistant",
        };
        audit.Add(
            AuditKind.Sharing,
            answer.Exercise!.CohortId,
            $"{answer.CandidateCode} passed on {to}: {request.Reason.Trim()}",
            answer.ExerciseId
        );
        await database.SaveChangesAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static IResult NoSuchMarker() =>
        Problems.NotFound("no-such-marker", "There is no such marker of this class, or it is yourself.");
}
