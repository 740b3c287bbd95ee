using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Tests;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Bench;

/// <summary>
/// An examination: a class opens it, draws, is saved as it draws and hands in within a real window; many hand in within the last minute,
/// some never do, and the server is killed midway. What the clients were told is then held against the database.
/// </summary>
internal sealed class ExamBench(int students, TimeSpan window, string dll)
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(4);

    private readonly ConcurrentQueue<(DateTimeOffset From, double Milliseconds)> saves = new();
    private DateTimeOffset opens;
    private DateTimeOffset closes;
    private DateTimeOffset down = DateTimeOffset.MaxValue;
    private DateTimeOffset up = DateTimeOffset.MaxValue;
    private volatile ServerProcess? server;

    /// <summary>What one client was told.</summary>
    private sealed class Told
    {
        public Guid Answer { get; set; }

        public Guid Work { get; set; }

        public int Revision { get; set; } = 1;

        public string Hash { get; set; } = "";

        public string? Receipt { get; set; }
    }

    public async Task<int> RunAsync()
    {
        server = await ServerProcess.StartAsync(Course.Connection, dll);
        var exercise = await Course.PublishAsync(await Course.MakeCohortAsync(students));
        var clients = Enumerable.Range(0, students).Select(_ => new StudentClient()).ToArray();
        await SignInAsync(clients);
        await SetAsync(exercise);
        var told = Enumerable.Range(0, students).Select(_ => new Told()).ToArray();
        var sitting = Enumerable.Range(0, students).Select(at => SitAsync(clients[at], at, exercise, told[at])).ToArray();
        await UntilAsync(opens + (window / 2));
        await KillAsync();
        var ended = EndedAsync(exercise);
        await Task.WhenAll(sitting);
        var (lag, handedIn) = await ended;
        var lost = await LostAsync(exercise, told);
        await server!.DisposeAsync();

        var quiet = saves.Where(save => !TouchesRestart(save)).Select(save => save.Milliseconds).Order().ToArray();
        var worst = saves.Where(TouchesRestart).Select(save => save.Milliseconds).DefaultIfEmpty().Max();
        await Console.Error.WriteLineAsync(
            $"{saves.Count} saves; at the end {lag.TotalMilliseconds:0} ms until the server had handed in the last; "
                + $"away for {(up - down).TotalMilliseconds:0} ms"
        );
        Console.WriteLine(
            $"exam: students {students} handed_in {handedIn} lost {lost} p95_save_ms {quiet[(int)(quiet.Length * 0.95)]:0} "
                + $"restart_worst_ms {worst:0}"
        );
        return lost == 0 && handedIn == students && lag < TimeSpan.FromSeconds(2) ? 0 : 1;
    }

    // A save that was under way while the server was away.
    private bool TouchesRestart((DateTimeOffset From, double Milliseconds) save) =>
        save.From < up && save.From.AddMilliseconds(save.Milliseconds) > down;

    private async Task SignInAsync(StudentClient[] clients) =>
        await Parallel.ForAsync(0, clients.Length, new ParallelOptions { MaxDegreeOfParallelism = 4 }, async (at, _) =>
        {
            while (!await clients[at].SignInAsync(server!.Address, Course.EmailOf(at)))
            {
                await Task.Delay(200, CancellationToken.None);
            }
        });

    private async Task SetAsync(Guid exercise)
    {
        opens = DateTimeOffset.UtcNow.AddSeconds(2);
        closes = opens + window;
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        await database
            .Exercises.Where(row => row.Id == exercise)
            .ExecuteUpdateAsync(set =>
                set.SetProperty(row => row.OpensAt, opens)
                    .SetProperty(row => row.DueAt, closes)
                    .SetProperty(row => row.ClosesAt, closes)
            );
    }

    private async Task SitAsync(StudentClient client, int student, Guid exercise, Told told)
    {
        // Every sixth never hands in, every third within the last minute, the others on the way; all in the same way in each run.
        var random = new Random(student);
        var last = TimeSpan.FromMinutes(1);
        DateTimeOffset? handsIn =
            student % 6 == 0 ? null
            : student % 3 == 1 ? closes - (last * (0.1 + (0.9 * random.NextDouble())))
            : opens + (window * 0.4) + ((window * 0.4) * random.NextDouble());
        await UntilAsync(opens + (last * 0.5 * random.NextDouble()));
        (told.Answer, told.Work) = await AgainAsync(address => client.StartAsync(address, exercise));
        var boxes = new Sketch();
        for (var number = 1; DateTimeOffset.UtcNow < (handsIn ?? closes.AddSeconds(-1)); number++)
        {
            if (!await SaveAsync(client, told, boxes.Box($"Boat {number} of {student}", $"PK number {number}").ToDrawing()))
            {
                return;
            }

            await Task.Delay(Between * (0.7 + (0.6 * random.NextDouble())));
        }

        if (handsIn is null)
        {
            return;
        }

        var works = new[] { new { id = told.Work, revision = told.Revision } };
        told.Receipt = await AgainAsync<string>(async address =>
            await client.SendAsync(HttpMethod.Post, $"{address}/api/study/answers/{told.Answer}/hand-in", new { works })
                is (HttpStatusCode.OK, { } body)
                ? (string?)body["receipt"]
                : null
        );
    }

    // False once the time is over. A save keeps its id when it is sent again.
    private async Task<bool> SaveAsync(StudentClient client, Told told, Drawing drawing)
    {
        var save = new
        {
            revision = told.Revision,
            saveId = Guid.NewGuid(),
            drawing = DrawingWriter.WriteText(drawing),
        };
        var (from, clock) = (DateTimeOffset.UtcNow, Stopwatch.StartNew());
        for (; ; )
        {
            var (status, body) = await client.SendAsync(
                HttpMethod.Put,
                $"{server?.Address ?? "http://127.0.0.1:9"}/api/study/work/{told.Work}/drawing",
                save
            );
            if (status == HttpStatusCode.OK)
            {
                (told.Revision, told.Hash) = ((int)body!["revision"]!, DrawingWriter.Hash(drawing));
                saves.Enqueue((from, clock.Elapsed.TotalMilliseconds));
                return true;
            }

            if (status == HttpStatusCode.Conflict && (string?)body?["code"] is "time-over" or "handed-in")
            {
                return false;
            }

            await Task.Delay(100);
        }
    }

    private async Task<T> AgainAsync<T>(Func<string, Task<T?>> ask)
        where T : class
    {
        for (; ; )
        {
            if (server is { } running && await ask(running.Address) is { } reply)
            {
                return reply;
            }

            await Task.Delay(100);
        }
    }

    private async Task<(Guid, Guid)> AgainAsync(Func<string, Task<(Guid, Guid)?>> ask)
    {
        for (; ; )
        {
            if (server is { } running && await ask(running.Address) is { } reply)
            {
                return reply;
            }

            await Task.Delay(100);
        }
    }

    private async Task KillAsync()
    {
        var killed = server!;
        server = null;
        down = DateTimeOffset.UtcNow;
        await killed.KillAsync();
        await killed.DisposeAsync();
        server = await ServerProcess.StartAsync(Course.Connection, dll);
        up = DateTimeOffset.UtcNow;
    }

    // How long after the closing the last answer was handed in, as the database shows it, and how many were.
    private async Task<(TimeSpan Lag, int HandedIn)> EndedAsync(Guid exercise)
    {
        await UntilAsync(closes);
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        for (; ; )
        {
            var open = await database.Answers.CountAsync(answer => answer.ExerciseId == exercise && answer.HandedInAt == null);
            if (open == 0 || DateTimeOffset.UtcNow > closes.AddSeconds(60))
            {
                var lag = DateTimeOffset.UtcNow - closes;
                return (lag, await database.Answers.CountAsync(answer => answer.ExerciseId == exercise && answer.Counts));
            }

            await Task.Delay(20);
        }
    }

    private static async Task<int> LostAsync(Guid exercise, Told[] told)
    {
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        var works = await database
            .Works.AsNoTracking()
            .Include(work => work.Answer)
            .Where(work => work.Answer!.ExerciseId == exercise)
            .ToDictionaryAsync(work => work.Id);
        return told.Count(one =>
            works.GetValueOrDefault(one.Work) is not { } kept
            || kept.Revision < one.Revision
            || (kept.Revision == one.Revision && kept.DrawingHash != one.Hash)
            || (one.Receipt is not null && kept.Answer!.Receipt != one.Receipt)
            || DrawingReader.Read(kept.Drawing).Drawing is not { } drawing
            || DrawingWriter.Hash(drawing) != kept.DrawingHash
        );
    }

    private static async Task UntilAsync(DateTimeOffset moment)
    {
        for (TimeSpan wait; (wait = moment - DateTimeOffset.UtcNow) > TimeSpan.Zero; )
        {
            await Task.Delay(wait);
        }
    }
}
