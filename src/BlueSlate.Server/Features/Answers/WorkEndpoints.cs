using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Drawings;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>The work on one part of an answer: save it, read it, arrange it, look at what it was, ask about its notes.</summary>
public static class WorkEndpoints
{
    private const int MostEarlier = 100;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(RouteGroupBuilder group)
    {
        group.MapGet("/work/{id:guid}/earlier", Earlier).ForStudents().Produces<EarlierState[]>();
        // The update itself asks whose work it is, so that a save needs no question before it.
        group.MapPut("/work/{id:guid}/drawing", Save).ForSignedIn().Produces<DrawingSavedReply>();
        group.MapPost("/work/{id:guid}/reading", Read).ForStudents().Produces<ReadingReply>();
        group.MapPost("/work/{id:guid}/tidy", Tidy).ForStudents().Produces<TidyReply>();
        group.MapDrawingTools("/work", PartOf, part => part.Aids, route => route.ForStudents());
        group.MapGet("/work/{id:guid}/steps", OwnSolution.Get).ForStudents().Produces<StepsReply>();
        group.MapPost("/work/{id:guid}/begin", Beginning.Begin).ForStudents().Produces<BeginReply>();
        group.MapPost("/work/{id:guid}/help", Help.Ask).ForStudents().Produces<HelpReply>();
        group.MapPost("/work/{id:guid}/queries", NoteQueries.Ask).ForStudents().Produces<NoteQueryReply[]>();
    }

    private static async Task<IResult> Earlier(
        Guid id,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    ) =>
        await access.OwnWorks().AnyAsync(work => work.Id == id, cancellation)
            ? TypedResults.Ok(
                await database
                    .Checkpoints.AsNoTracking()
                    .Where(state => state.WorkId == id)
                    .OrderByDescending(state => state.At)
                    .Take(MostEarlier)
                    .Select(state => new EarlierState(state.Id, state.At, state.Reason, state.Revision, state.Drawing))
                    .ToArrayAsync(cancellation)
            )
            : AnswerEndpoints.NoSuchAnswer();

    private static async Task<IResult> Save(
        Guid id,
        SaveDrawingRequest request,
        Access access,
        AnswerStore store,
        CancellationToken cancellation
    )
    {
        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        return drawing is null
            ? refusal!
            : await store.SaveAsync(id, access.AccountId, request.Revision, request.SaveId, drawing, cancellation);
    }

    private static async Task<IResult> Read(
        Guid id,
        ReadingRequest request,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        if (await FindPartAsync(id, access, cancellation) is not { } part)
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        var prose = part.Aids.Rows
            ? renderer.ToProse(
                await access
                    .OwnWorks()
                    .Where(work => work.Id == id)
                    .Select(work => work.Asked!.Question!.Scenario)
                    .FirstAsync(cancellation)
            )
            : ScenarioProse.None;
        return StudentReading.Of(part, request.Drawing, prose);
    }

    private static async Task<IResult> Tidy(
        Guid id,
        TidyRequest request,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    ) =>
        await FindPartAsync(id, access, cancellation) is not { } part ? AnswerEndpoints.NoSuchAnswer()
        : !part.Aids.TidyUp ? Problems.NotAllowed("In this exercise drawings are not tidied up.")
        : await request.AnswerAsync(access.AccountId, pool, cancellation);

    private static async Task<(PartDocument? Part, IResult? Refusal)> PartOf(
        Guid id,
        Access access,
        CancellationToken cancellation
    ) => await FindPartAsync(id, access, cancellation) is { } part ? (part, null) : (null, AnswerEndpoints.NoSuchAnswer());

    private static async Task<PartDocument?> FindPartAsync(Guid id, Access access, CancellationToken cancellation) =>
        await access
            .OwnWorks()
            .Where(work => work.Id == id)
            .Select(work => work.Asked!.Document)
            .FirstOrDefaultAsync(cancellation)
            is { } document
            ? ExerciseJson.Read<PartDocument>(document)
            : null;
}
