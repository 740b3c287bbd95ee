using System.Collections.Concurrent;
using System.Diagnostics;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Drafting;

/// <summary>What came of drafting: a reply, or why there is none.</summary>
public sealed record Drafted(DraftReply? Reply, IResult? Refusal);

/// <summary>
/// Lays drawings out and paints them in processes of their own. A drawing with which the careful layout fails gets the simple
/// one, and the reply says so. What nobody waits for any more is ended.
/// </summary>
public sealed partial class DraftingPool(DraftingLimits limits, TimeProvider time, ILogger<DraftingPool> logger) : IDisposable
{
    // Few new shapes are put among those that stand faster than a message is sent.
    private const int FewNewShapes = 12;

    private readonly ConcurrentBag<DraftingProcess> idle = [];
    private bool isOver;

    private readonly WorkBudget budget = new(limits.Burst, limits.Share, time);

    /// <summary>Who is next.</summary>
    public DraftingQueue Queue { get; } = new(limits);

    /// <summary>Makes a process ready before it is needed.</summary>
    public void WarmUp()
    {
        if (!isOver)
        {
            idle.Add(DraftingProcess.Start(limits));
        }
    }

    /// <summary>The drawing with places for shapes that have none, and whether it is the simple layout.</summary>
    public async Task<(string? Drawing, bool Simpler, IResult? Refusal)> PlaceAsync(
        Guid person,
        Drawing drawing,
        bool all,
        CancellationToken cancellation
    )
    {
        var bare = drawing.Shapes.Count(shape => shape.Place is null);
        if (bare == 0 || (!all && bare <= FewNewShapes && drawing.Sheets.All(HasPlaces)))
        {
            return (DrawingWriter.WriteText(Placer.PlaceNew(drawing)), false, null);
        }

        var drafted = await DoAsync(
            person,
            new DraftRequest(all ? DraftKind.Place : DraftKind.PlaceNew, DrawingWriter.WriteText(drawing)),
            cancellation
        );
        return (drafted.Reply?.Drawing, drafted.Reply?.Simpler == true, drafted.Refusal);
    }

    // A sheet without any is laid out, and that is done apart.
    private static bool HasPlaces(Sheet sheet) => sheet.Shapes.IsEmpty || sheet.Shapes.Any(shape => shape.Place is not null);

    /// <summary>Does what a request asks for, when it is this person's turn.</summary>
    public async Task<Drafted> DoAsync(Guid person, DraftRequest request, CancellationToken cancellation)
    {
        if (budget.WaitOf(person) is var wait && wait > TimeSpan.Zero)
        {
            return new Drafted(null, Problems.TooMuchWork(wait));
        }

        using var turn = Queue.Enter(person);
        if (turn is null)
        {
            return new Drafted(null, Problems.TooMuchWork(limits.Time));
        }

        await turn.ComesAsync(cancellation);
        var started = Stopwatch.GetTimestamp();
        try
        {
            return await AtWorkAsync(request, cancellation);
        }
        finally
        {
            budget.Spend(person, Stopwatch.GetElapsedTime(started));
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        isOver = true;
        while (idle.TryTake(out var process))
        {
            process.Dispose();
        }
    }

    private async Task<Drafted> AtWorkAsync(DraftRequest request, CancellationToken cancellation)
    {
        var reply = await AskAsync(request, cancellation);
        if (reply is not { Failure: null } && !request.Simple)
        {
            reply = await AskAsync(request with { Simple = true }, cancellation);
        }

        return reply is { Failure: null }
            ? new Drafted(reply, null)
            : new Drafted(
                null,
                Problems.Unreadable("too-large-to-draft", "This drawing is too large for it. Take a part of it.", "drawing")
            );
    }

    private DraftingProcess Ready()
    {
        while (idle.TryTake(out var process))
        {
            if (process.IsAlive)
            {
                return process;
            }

            process.Dispose();
        }

        return DraftingProcess.Start(limits);
    }

    // Null when the process ended before it had answered.
    private async Task<DraftReply?> AskAsync(DraftRequest request, CancellationToken cancellation)
    {
        var process = Ready();
        try
        {
            return await process.AskAsync(request, cancellation);
        }
        catch (DraftingEndedException end)
        {
            LogEnded(logger, request.Kind, end.Why);
            return null;
        }
        finally
        {
            if (process.IsAlive && !cancellation.IsCancellationRequested)
            {
                idle.Add(process);
            }
            else
            {
                // The next one need not wait for a process to start.
                process.Dispose();
                WarmUp();
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Drafting ({Kind}) was ended: {Why}")]
    private static partial void LogEnded(ILogger logger, DraftKind kind, DraftingEnd why);
}
