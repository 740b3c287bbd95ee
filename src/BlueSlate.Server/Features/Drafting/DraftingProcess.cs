using System.Diagnostics;
using System.Runtime.CompilerServices;
using BlueSlate.Drafting.Worker;

namespace BlueSlate.Server.Features.Drafting;

/// <summary>Why a drafting process gave no reply.</summary>
public enum DraftingEnd
{
    TookTooLong,
    TookTooMuchMemory,
    Ended,
}

/// <summary>A drafting process was ended, or ended by itself, before it had answered.</summary>
public sealed class DraftingEndedException(DraftingEnd why) : Exception($"The drafting process {why}.")
{
    /// <summary>What happened to it.</summary>
    public DraftingEnd Why => why;
}

/// <summary>
/// A process of its own that lays drawings out and paints them, one at a time, within limits of memory and time, and behind
/// everything else. It is ended with whoever asked; what it works on can end nothing but itself.
/// </summary>
public sealed class DraftingProcess : IDisposable
{
    private static readonly TimeSpan Watch = TimeSpan.FromMilliseconds(50);

    /// <summary>How many times the processor time that a request may take it may wait for.</summary>
    private const int Patience = 6;

    private readonly Process process;
    private readonly DraftingLimits limits;
    private bool isEnded;

    private DraftingProcess(Process process, DraftingLimits limits) => (this.process, this.limits) = (process, limits);

    /// <summary>Whether it can take another request.</summary>
    public bool IsAlive => !isEnded && !process.HasExited;

    /// <summary>Starts one.</summary>
    public static DraftingProcess Start(DraftingLimits limits)
    {
        // Behind everything else from its first moment: what people wait for on the server goes before.
        var start = new ProcessStartInfo("nice")
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (var argument in (string[])["-n", "15", "dotnet", typeof(DraftingProcess).Assembly.Location, "drafting"])
        {
            start.ArgumentList.Add(argument);
        }

        // It needs to know nothing of the server's surroundings, its database least of all.
        foreach (
            var name in start.Environment.Keys.Where(name => name.StartsWith("BLUESLATE_", StringComparison.Ordinal)).ToList()
        )
        {
            start.Environment.Remove(name);
        }

        start.Environment["DOTNET_gcServer"] = "0";
        start.Environment["DOTNET_GCHeapHardLimit"] = $"0x{limits.Memory:X}";
        var process = Process.Start(start)!;
        process.ErrorDataReceived += (_, _) => { };
        process.BeginErrorReadLine();
        return new DraftingProcess(process, limits);
    }

    /// <summary>
    /// The reply to a request. Whenever there is none the process is gone: it is ended if it did not end by itself.
    /// </summary>
    public Task<DraftReply> AskAsync(DraftRequest request, CancellationToken cancellation) => ReplyAsync(request, cancellation);

    /// <summary>
    /// All replies to a request that has several, each within the limits. Whenever one is missing the process is gone.
    /// </summary>
    public async IAsyncEnumerable<DraftReply> AskForAllAsync(
        DraftRequest request,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        var reply = await ReplyAsync(request, cancellation);
        yield return reply;
        while (reply.MoreFollow)
        {
            reply = await ReplyAsync(null, cancellation);
            yield return reply;
        }
    }

    // The next reply; null asks for nothing new.
    private async Task<DraftReply> ReplyAsync(DraftRequest? request, CancellationToken cancellation)
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        var why = DraftingEnd.Ended;
        var watching = WatchAsync(found => why = found, over);
        try
        {
            if (request is not null)
            {
                await Frames.WriteAsync(process.StandardInput.BaseStream, request, over.Token);
            }

            return await Frames.ReadAsync<DraftReply>(process.StandardOutput.BaseStream, over.Token)
                ?? throw new IOException("It closed its output.");
        }
        catch (Exception error) when (error is OperationCanceledException or IOException)
        {
            End();
            cancellation.ThrowIfCancellationRequested();
            throw new DraftingEndedException(why);
        }
        finally
        {
            await over.CancelAsync();
            await watching;
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        End();
        process.Dispose();
    }

    private async Task WatchAsync(Action<DraftingEnd> found, CancellationTokenSource over)
    {
        var started = Stopwatch.GetTimestamp();
        try
        {
            // What counts is its own work: a machine that is busy with other things makes no drawing larger.
            var before = process.TotalProcessorTime;
            while (true)
            {
                await Task.Delay(Watch, over.Token);
                process.Refresh();
                if (process.HasExited || process.WorkingSet64 > limits.Memory)
                {
                    found(process.HasExited ? DraftingEnd.Ended : DraftingEnd.TookTooMuchMemory);
                    break;
                }

                if (
                    process.TotalProcessorTime - before > limits.Time
                    || Stopwatch.GetElapsedTime(started) > limits.Time * Patience
                )
                {
                    found(DraftingEnd.TookTooLong);
                    break;
                }
            }

            End();
            await over.CancelAsync();
        }
        catch (OperationCanceledException)
        {
            // Answered, or nobody waits any more.
        }
        catch (InvalidOperationException)
        {
            await over.CancelAsync();
        }
    }

    private void End()
    {
        isEnded = true;
        try
        {
            process.Kill();
        }
        catch (InvalidOperationException)
        {
            // It has ended already.
        }
    }
}

/// <summary>What one piece of drafting may take, and how much one person may have of it.</summary>
public sealed record DraftingLimits
{
    /// <summary>Bytes of memory of a process.</summary>
    public long Memory { get; init; } = 700L << 20;

    /// <summary>How much processor time one request may take.</summary>
    public TimeSpan Time { get; init; } = TimeSpan.FromSeconds(10);

    /// <summary>How many processes there are: fewer than cores, so that saving never waits for all of them.</summary>
    public int Processes { get; init; } = Math.Max(1, Environment.ProcessorCount - 1);

    /// <summary>How many requests one person may have waiting or at work.</summary>
    public int EachPerson { get; init; } = 3;

    /// <summary>How many may wait in all.</summary>
    public int Waiting { get; init; } = 400;

    /// <summary>How much work one person may have at once, after a while of none.</summary>
    public TimeSpan Burst { get; init; } = TimeSpan.FromSeconds(40);

    /// <summary>Seconds of work that one person gets back each second.</summary>
    public double Share { get; init; } = 0.25;
}
