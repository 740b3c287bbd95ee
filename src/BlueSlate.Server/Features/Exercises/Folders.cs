using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Copies an exercise, to a cohort of one's own.</summary>
public sealed record CopyRequest(Guid CohortId);

/// <summary>Exercises as folders: out, in again as a new exercise, and copied from one cohort to another without their answers.</summary>
internal static class Folders
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group.MapGet("/{id:guid}/folder", Out).ForStaff().Produces<FileContentHttpResult>(200, "application/zip");
        group
            .MapPost(
                "/folder",
                async (
                    Guid cohort,
                    HttpRequest request,
                    Access access,
                    BlueSlateContext database,
                    TimeProvider clock,
                    CancellationToken cancellation
                ) => await In(cohort, request.Body, access, database, clock, cancellation)
            )
            .ForInstructors()
            .Produces<CreatedReply>();
        group.MapPost("/{id:guid}/copy", Copy).ForInstructors().Produces<CreatedReply>();
        group.MapPost("/{id:guid}/trial", TrialCopies.Make).ForInstructors().Produces<CreatedReply>();
        group.MapDelete("/{id:guid}/trial", TrialCopies.TakeAway).ForInstructors().Produces(StatusCodes.Status204NoContent);
    }

    private static async Task<IResult> Out(Guid id, Access access, CancellationToken cancellation) =>
        await FindAsync(id, access, cancellation) is { } exercise
            ? TypedResults.File(ExerciseZip.Pack(ContentsOf(exercise)), "application/zip", $"{NameOf(exercise.Title)}.zip")
            : ExerciseEndpoints.NoSuchExercise();

    private static async Task<IResult> In(
        Guid cohort,
        Stream body,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        if (!await access.OwnCohorts().AnyAsync(row => row.Id == cohort, cancellation))
        {
            return NoSuchCohort();
        }

        using var copy = await SentFile.ReadAsync(body, ExerciseZip.MostBytes, cancellation);
        if (copy is null)
        {
            return Problems.Unreadable("too-large", $"An exercise has at most {ExerciseZip.MostBytes / 1024 / 1024} MB.", "file");
        }

        try
        {
            return await AddAsync(ExerciseZip.Unpack(copy), cohort, database, clock, cancellation);
        }
        catch (UnfitFolderException error)
        {
            return Problems.Unreadable("folder", error.Message, error.File);
        }
    }

    private static async Task<IResult> Copy(
        Guid id,
        CopyRequest request,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    ) =>
        !await access.OwnCohorts().AnyAsync(row => row.Id == request.CohortId, cancellation) ? NoSuchCohort()
        : await FindAsync(id, access, cancellation) is { } exercise
            ? await AddAsync(ContentsOf(exercise), request.CohortId, database, clock, cancellation)
        : ExerciseEndpoints.NoSuchExercise();

    private static async Task<IResult> AddAsync(
        FolderContents contents,
        Guid cohort,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var made = NewExercise.Make(contents.Title, cohort, clock.GetUtcNow(), contents.Scenario, contents.Parts);
        database.Exercises.Add(made);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(new CreatedReply(made.Id));
    }

    private static Task<Exercise?> FindAsync(Guid id, Access access, CancellationToken cancellation) =>
        access
            .StaffExercises()
            .AsNoTracking()
            .AsSplitQuery()
            .Include(row => row.Documents)
            .Include(row => row.Parts)
                .ThenInclude(part => part.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);

    private static FolderContents ContentsOf(Exercise exercise) =>
        new(
            exercise.Title,
            exercise.Documents.TextOf(DocumentKind.Scenario),
            [
                .. exercise
                    .Parts.OrderBy(part => part.Position)
                    .Select(part => new NewPart(
                        ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part)),
                        DrawingReader.Read(part.Documents.TextOf(DocumentKind.Model)).Drawing
                            ?? throw new InvalidOperationException("A stored drawing cannot be read."),
                        ExerciseJson.Read<AssessmentDocument>(part.Documents.TextOf(DocumentKind.Assessment))
                    )
                    {
                        Steps = ExerciseJson.Read<StepsDocument>(part.Documents.TextOf(DocumentKind.Steps)),
                    }),
            ]
        );

    // Letters, digits and dashes only: what a title has besides is no part of a file's name.
    private static string NameOf(string title)
    {
        var words = new string([.. title.Select(c => char.IsLetterOrDigit(c) ? char.ToLowerInvariant(c) : ' ')]).Split(
            ' ',
            StringSplitOptions.RemoveEmptyEntries
        );
        return words.Length == 0 ? "exercise" : string.Join('-', words);
    }

    private static IResult NoSuchCohort() => Problems.NotFound("no-such-cohort", "There is no such cohort among yours.");
}
