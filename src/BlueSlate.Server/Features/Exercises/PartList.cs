using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Which parts an exercise has, and in which order, until it is published.</summary>
public static class PartList
{
    /// <summary>The most parts of an exercise.</summary>
    public const int Most = 12;

    /// <summary>Adds an empty part at the end.</summary>
    public static Task<IResult> Add(
        Guid id,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            id,
            access,
            database,
            parts =>
            {
                if (parts.Count >= Most)
                {
                    return Problems.Conflict("too-many", $"An exercise has at most {Most} parts.");
                }

                var part = NewExercise.MakePart(id, parts.Count + 1, NewPart.Empty, clock.GetUtcNow());
                database.ExerciseParts.Add(part);
                return TypedResults.Ok(new CreatedReply(part.Id));
            },
            cancellation
        );

    /// <summary>Puts the parts in another order.</summary>
    public static Task<IResult> Order(
        Guid id,
        PartOrderRequest request,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            id,
            access,
            database,
            parts =>
            {
                if (!request.Parts.Order().SequenceEqual(parts.Select(part => part.Id).Order()))
                {
                    return Problems.Unreadable("parts", "The order names every part of the exercise once.", "parts");
                }

                Move(parts, part => Array.IndexOf(request.Parts, part.Id) + 1);
                return TypedResults.NoContent();
            },
            cancellation
        );

    /// <summary>Takes a part away with all that is in it; the last one stays.</summary>
    public static async Task<IResult> Remove(Guid id, Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        var exercise = await access
            .StaffParts(instructorsOnly: true)
            .Where(part => part.Id == id)
            .Select(part => (Guid?)part.ExerciseId)
            .FirstOrDefaultAsync(cancellation);
        return exercise is not { } exerciseId
            ? PartEndpoints.NoSuchPart()
            : await ChangeAsync(
                exerciseId,
                access,
                database,
                parts =>
                {
                    if (parts.Find(part => part.Id == id) is not { } removed)
                    {
                        return PartEndpoints.NoSuchPart();
                    }

                    if (parts.Count == 1)
                    {
                        return Problems.Conflict("last-part", "An exercise has one part at least.");
                    }

                    database.ExerciseParts.Remove(removed);
                    var left = parts.Where(part => part != removed).ToList();
                    Move(parts, part => left.IndexOf(part) + 1);
                    return TypedResults.NoContent();
                },
                cancellation
            );
    }

    // A part that begins with the drawing of another goes on naming that one, wherever it stands now; one that is gone is named no more.
    private static void Move(List<ExercisePart> parts, Func<ExercisePart, int> place)
    {
        var places = parts.ToDictionary(part => part.Position, place);
        foreach (var part in parts.Where(part => place(part) > 0))
        {
            part.Position = place(part);
            var document = part.Documents.First(row => row.Kind == DocumentKind.Part);
            var said = ExerciseJson.Read<PartDocument>(document.Text);
            if (said.Begin is not { FollowsOn: true, Part: { } before } || places.GetValueOrDefault(before) == before)
            {
                continue;
            }

            document.Text = ExerciseJson.Write(
                said with
                {
                    Begin = places.GetValueOrDefault(before) is > 0 and var now
                        ? said.Begin with
                        {
                            Part = now,
                        }
                        : new BeginDocument(),
                }
            );
            document.Revision++;
        }
    }

    private static async Task<IResult> ChangeAsync(
        Guid exerciseId,
        Access access,
        BlueSlateContext database,
        Func<List<ExercisePart>, IResult> change,
        CancellationToken cancellation
    )
    {
        if (!await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == exerciseId, cancellation))
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        await database.LockExerciseAsync(exerciseId, cancellation);
        if (await database.Exercises.AnyAsync(row => row.Id == exerciseId && row.PublishedAt != null, cancellation))
        {
            return ExerciseEndpoints.Published();
        }

        var parts = await database
            .ExerciseParts.Include(part => part.Documents)
            .Where(part => part.ExerciseId == exerciseId)
            .OrderBy(part => part.Position)
            .ToListAsync(cancellation);
        var reply = change(parts);
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        return reply;
    }
}
