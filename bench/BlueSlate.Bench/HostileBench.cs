using System.Diagnostics;
using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Server.Tests;

namespace BlueSlate.Bench;

/// <summary>
/// Every family of drawings that are much work, against every endpoint that reads one, eight at a time, while another student
/// saves: whether the server stays, and what the student feels of it.
/// </summary>
internal static class HostileBench
{
    private const int Attackers = 8;
    private const int Saver = Attackers;
    private static readonly TimeSpan BetweenSaves = TimeSpan.FromMilliseconds(60);

    public static async Task<int> RunAsync(string dll)
    {
        var exercise = await Course.PublishAsync(await Course.MakeCohortAsync(Attackers + 1));
        await using var server = await ServerProcess.StartAsync(Course.Connection, dll, ("BLUESLATE_REQUESTS", "1000"));
        var students = new List<(StudentClient Client, Guid Work)>();
        for (var at = 0; at <= Attackers; at++)
        {
            var client = new StudentClient(patience: 60);
            await client.SignInAsync(server.Address, Course.EmailOf(at));
            students.Add((client, (await client.StartAsync(server.Address, exercise))!.Value.Work));
        }

        using var over = new CancellationTokenSource();
        var latencies = new List<double>();
        var saving = SaveAsync(server, students[Saver], latencies, over.Token);
        var memory = WatchMemoryAsync(server.Id, over.Token);
        await Task.Delay(3000);
        var idle = Percentile(latencies, 0.95);
        latencies.Clear();

        var work = new Queue<(string Family, string Text, string Way)>(
            Families().SelectMany(family => Ways.Select(way => (family.Name, family.Text, way)))
        );
        var kinds = work.Select(one => one.Family).Distinct().Count();
        var (refused, answered, crashed) = (0, 0, 0);
        var slow = new List<(double Ms, string What)>();
        await Task.WhenAll(
            Enumerable
                .Range(0, Attackers)
                .Select(at =>
                    Task.Run(async () =>
                    {
                        while (true)
                        {
                            (string Family, string Text, string Way) next;
                            lock (work)
                            {
                                if (!work.TryDequeue(out next))
                                {
                                    return;
                                }
                            }

                            var clock = Stopwatch.GetTimestamp();
                            var (client, drawn) = students[at];
                            var (status, body) = await client.SendAsync(
                                next.Way == "drawing" ? HttpMethod.Put : HttpMethod.Post,
                                $"{server.Address}/api/study/work/{drawn}/{next.Way.Split(' ')[0]}",
                                BodyOf(next.Way, next.Text)
                            );
                            lock (slow)
                            {
                                slow.Add(
                                    (
                                        Stopwatch.GetElapsedTime(clock).TotalMilliseconds,
                                        $"{next.Family} {next.Way} {(int?)status} {(string?)body?["code"]}"
                                    )
                                );
                                (refused, answered, crashed) = status switch
                                {
                                    null => (refused, answered, crashed + 1),
                                    HttpStatusCode.OK or HttpStatusCode.NoContent => (refused, answered + 1, crashed),
                                    _ => (refused + 1, answered, crashed),
                                };
                            }
                        }
                    })
                )
        );
        var gone = await AfterOneHasGoneAsync(server, students);
        await over.CancelAsync();
        var rss = await memory;
        await saving;
        foreach (var (ms, what) in slow.OrderByDescending(one => one.Ms).Take(12))
        {
            Console.WriteLine($"{ms, 9:0} ms  {what}");
        }

        Console.WriteLine(
            $"saves {latencies.Count}, p95 when idle {idle:0} ms; after a client had gone its work went on for {gone:0} ms"
        );
        Console.WriteLine(
            $"hostile: kinds {kinds} refused {refused} answered {answered} crashed {crashed} save_p95_ms "
                + $"{Percentile(latencies, 0.95):0} save_max_ms {latencies.Max():0} rss_mb {rss}"
        );
        return crashed == 0 ? 0 : 1;
    }

    private static string[] Ways { get; } =
    [
        "reading",
        "tidy",
        "amend",
        "redraw chen",
        "redraw uml",
        "members",
        "lift",
        "picture svg",
        "picture png",
        "picture pdf",
        "drawing",
    ];

    private static object BodyOf(string way, string drawing) =>
        way.Split(' ') switch
        {
            ["amend"] => new { drawing, lines = Enumerable.Range(0, 600).Select(i => $"Thing {i}: no (key)").ToArray() },
            ["redraw", var notation] => new { drawing, notation },
            ["members"] => new { drawing, shapes = Enumerable.Range(1, 500).Select(i => $"b{i}").ToArray() },
            ["lift"] => new
            {
                drawing,
                shapes = Enumerable.Range(1, 500).Select(i => $"b{i}").ToArray(),
                name = "All",
                members = Array.Empty<string[]>(),
            },
            ["picture", var format] => new
            {
                drawing,
                format,
                only = Array.Empty<string>(),
                scale = 8,
            },
            ["drawing"] => new
            {
                revision = 1,
                saveId = Guid.NewGuid(),
                drawing,
            },
            ["tidy"] => new { drawing, only = Array.Empty<string>() },
            _ => new { drawing },
        };

    private static IEnumerable<(string Name, string Text)> Families()
    {
        foreach (
            var (name, drawing) in new (string, Drawing)[]
            {
                ("chain with long lines", Hostile.Chain(500, 501)),
                ("short chain with long lines", Hostile.Chain(60, 100)),
                ("dense", Hostile.Chain(200, 400)),
                ("all lines", Hostile.Chain(45, 990)),
                ("star", Hostile.Star(500)),
                ("look-alikes", Hostile.LookAlikes(500)),
                ("wide boxes", Hostile.Wide(120)),
                ("ovals on ovals", Hostile.OvalsOnOvals(500)),
                ("lines on lines", Hostile.LinesOnLines(400)),
                ("diamonds with many arms", Hostile.Diamonds(20, 20)),
                ("subtypes of each other", Hostile.SubtypesInACircle(160)),
                ("loops", Hostile.Loops(300, 900)),
                ("far apart", Hostile.FarApart(300)),
            }
        )
        {
            yield return (name, DrawingWriter.WriteText(drawing));
        }

        var text = DrawingWriter.WriteText(Hostile.Chain(3, 2));
        yield return (
            "unknown properties",
            text.Replace(
                "\"sheets\"",
                string.Concat(Enumerable.Range(0, 30_000).Select(i => $"\"p{i}\":{i % 10},")) + "\"sheets\"",
                StringComparison.Ordinal
            )
        );
        yield return (
            "nested without end",
            text.Replace(
                "\"sheets\"",
                $"\"later\":{new string('[', 5_000)}{new string(']', 5_000)},\"sheets\"",
                StringComparison.Ordinal
            )
        );
        yield return ("cut off", text[..^40]);
        yield return ("not a drawing", "[" + string.Join(',', Enumerable.Range(0, 60_000)) + "]");
        yield return ("too large", new string(' ', 600_000));
    }

    // How long the work of a client that has gone goes on: until the process that did it is no more.
    private static async Task<double> AfterOneHasGoneAsync(ServerProcess server, List<(StudentClient Client, Guid Work)> students)
    {
        var (client, drawn) = students[Saver];
        var path = $"{server.Address}/api/study/work/{drawn}/tidy";
        await client.SendAsync(
            HttpMethod.Post,
            path,
            new { drawing = DrawingWriter.WriteText(Hostile.Chain(3, 2)), only = Array.Empty<string>() }
        );
        var before = Children(server.Id).ToList();
        using (var gone = new CancellationTokenSource(TimeSpan.FromMilliseconds(400)))
        {
            await client.AbandonAsync(
                HttpMethod.Post,
                path,
                new { drawing = DrawingWriter.WriteText(Hostile.Diamonds(10, 9)), only = Array.Empty<string>() },
                gone.Token
            );
        }

        var clock = Stopwatch.GetTimestamp();
        while (
            before.TrueForAll(id => ParentOf(id) == server.Id && Field(id, "VmRSS:") > 0)
            && Stopwatch.GetElapsedTime(clock) < TimeSpan.FromSeconds(20)
        )
        {
            await Task.Delay(10);
        }

        return Stopwatch.GetElapsedTime(clock).TotalMilliseconds;
    }

    private static IEnumerable<int> Children(int server) =>
        Directory
            .EnumerateDirectories("/proc")
            .Select(Path.GetFileName)
            .Select(name => int.TryParse(name, out var id) ? id : 0)
            .Where(id => id > 0 && ParentOf(id) == server);

    private static async Task SaveAsync(
        ServerProcess server,
        (StudentClient Client, Guid Work) student,
        List<double> latencies,
        CancellationToken over
    )
    {
        var (document, revision) = (DrawingWriter.WriteText(LargeExercise.Model), 1);
        while (!over.IsCancellationRequested)
        {
            var clock = Stopwatch.GetTimestamp();
            var (status, body) = await student.Client.SendAsync(
                HttpMethod.Put,
                $"{server.Address}/api/study/work/{student.Work}/drawing",
                new
                {
                    revision,
                    saveId = Guid.NewGuid(),
                    drawing = document,
                }
            );
            latencies.Add(Stopwatch.GetElapsedTime(clock).TotalMilliseconds);
            revision = (int?)body?["revision"] ?? throw new InvalidOperationException($"A save was refused: {status} {body}");
            await Task.Delay(BetweenSaves, CancellationToken.None);
        }
    }

    // The server and the processes that it started, together, at their largest.
    private static async Task<long> WatchMemoryAsync(int server, CancellationToken over)
    {
        var most = 0L;
        while (!over.IsCancellationRequested)
        {
            var all = Children(server).Append(server).Sum(SizeOf);
            most = Math.Max(most, all);
            await Task.Delay(200, CancellationToken.None);
        }

        return most / 1024;
    }

    private static int ParentOf(int id) => (int)Field(id, "PPid:");

    private static long SizeOf(int id) => Field(id, "VmRSS:");

    private static long Field(int id, string name)
    {
        try
        {
            var line = File.ReadLines($"/proc/{id}/status")
                .FirstOrDefault(line => line.StartsWith(name, StringComparison.Ordinal));
            return line is null ? 0 : long.Parse(line[name.Length..].Replace("kB", "", StringComparison.Ordinal).Trim());
        }
        catch (IOException)
        {
            return 0;
        }
    }

    private static double Percentile(List<double> values, double share) =>
        values.Count == 0 ? double.NaN : values.Order().ElementAt(Math.Min(values.Count - 1, (int)(values.Count * share)));
}
