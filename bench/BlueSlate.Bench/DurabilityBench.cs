using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Tests;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace BlueSlate.Bench;

/// <summary>
/// Kills a server or PostgreSQL in the midst of saving and handing in, round after round, lets the clients go on once it is
/// back, and then holds the clients' own log of acknowledgements against the database.
/// </summary>
internal sealed class DurabilityBench(int rounds, int servers, string dll, string cluster, string script, string log)
{
    private const int Students = 8;
    private const int Saves = 30;

    private readonly Random random = new(7);
    private readonly ConcurrentQueue<string> lines = new();
    private volatile bool killed;
    private readonly ServerProcess?[] running = new ServerProcess?[servers];

    /// <summary>What a client was told about its answer.</summary>
    private sealed class Told
    {
        public Guid Answer { get; set; }

        public Guid Work { get; set; }

        public int Revision { get; set; } = 1;

        public string Hash { get; set; } = "";

        public string? Receipt { get; set; }

        public int Acknowledged { get; set; }
    }

    public async Task<int> RunAsync()
    {
        var cohort = await Course.MakeCohortAsync(Students);
        for (var at = 0; at < servers; at++)
        {
            running[at] = await ServerProcess.StartAsync(Course.Connection, dll);
        }

        var (acknowledged, lost, twice) = (0, 0, 0);
        for (var round = 1; round <= rounds; round++)
        {
            var exercise = await Course.PublishAsync(cohort);
            killed = false;
            var told = Enumerable.Range(0, Students).Select(_ => new Told()).ToArray();
            var work = Enumerable.Range(0, Students).Select(student => WorkAsync(student, exercise, told[student])).ToArray();
            await Task.Delay(random.Next(300, 1500));
            await KillAsync(round);
            killed = true;
            await Task.WhenAll(work);
            var (bad, marked) = await CompareAsync(exercise, told);
            (acknowledged, lost, twice) = (acknowledged + told.Sum(one => one.Acknowledged), lost + bad, twice + marked);
            Console.Error.WriteLine(
                $"round {round} of {rounds}: {told.Sum(one => one.Acknowledged)} acknowledged, {bad} lost, {marked} marked twice"
            );
        }

        foreach (var server in running)
        {
            await server!.DisposeAsync();
        }

        await File.WriteAllLinesAsync(log, lines);
        Console.WriteLine($"durability: rounds {rounds} acknowledged {acknowledged} lost {lost} marked_twice {twice}");
        return lost + twice == 0 ? 0 : 1;
    }

    private async Task WorkAsync(int student, Guid exercise, Told told)
    {
        using var client = new StudentClient();
        await UntilAsync<bool>(
            async address => await client.SignInAsync(address, Course.EmailOf(student)) ? true : null,
            student
        );
        (told.Answer, told.Work) = await UntilAsync(address => client.StartAsync(address, exercise), student);
        // So long that the blow falls in the midst of it, whatever the speed of the machine.
        for (var number = 1; number <= Saves || !killed; number++)
        {
            // A save keeps its id when it is sent again.
            var drawing = new Sketch().Box($"Boat {number} of {student}", "PK number").ToDrawing();
            var save = new
            {
                revision = told.Revision,
                saveId = Guid.NewGuid(),
                drawing = DrawingWriter.WriteText(drawing),
            };
            told.Revision = await UntilAsync(
                async address =>
                    Revision(await client.SendAsync(HttpMethod.Put, $"{address}/api/study/work/{told.Work}/drawing", save)),
                student
            );
            told.Hash = DrawingWriter.Hash(drawing);
            told.Acknowledged++;
        }

        told.Receipt = await UntilAsync(
            async address =>
                await client.SendAsync(
                    HttpMethod.Post,
                    $"{address}/api/study/answers/{told.Answer}/hand-in",
                    new { works = new[] { new { id = told.Work, revision = told.Revision } } }
                )
                    is (HttpStatusCode.OK, { } body)
                    ? (string?)body["receipt"]
                    : null,
            student
        );
        told.Acknowledged++;

        int? Revision((HttpStatusCode? Status, System.Text.Json.Nodes.JsonNode? Body) reply)
        {
            if (reply is (HttpStatusCode.OK, { } body))
            {
                return (int)body["revision"]!;
            }

            if (reply.Status == HttpStatusCode.Conflict)
            {
                throw new InvalidOperationException($"A save of a lone client was refused: {reply.Body}");
            }

            return null;
        }
    }

    /// <summary>Asks one server after the other until there is an answer, as a page does when the server was away.</summary>
    private async Task<T> UntilAsync<T>(Func<string, Task<T?>> ask, int student)
        where T : struct
    {
        for (var attempt = student; ; attempt++)
        {
            if (running[attempt % servers] is { } server && await ask(server.Address) is { } answer)
            {
                return answer;
            }

            await Task.Delay(50);
        }
    }

    private async Task<string> UntilAsync(Func<string, Task<string?>> ask, int student)
    {
        string? told = null;
        await UntilAsync<bool>(async address => (told = await ask(address)) is null ? null : true, student);
        return told!;
    }

    private async Task KillAsync(int round)
    {
        if (round % 2 == 1)
        {
            var at = round / 2 % servers;
            await running[at]!.KillAsync();
            await running[at]!.DisposeAsync();
            running[at] = null;
            running[at] = await ServerProcess.StartAsync(Course.Connection, dll);
            return;
        }

        var postmaster = int.Parse((await File.ReadAllLinesAsync(Path.Combine(cluster, "pg", "postmaster.pid")))[0]);
        Process.GetProcessById(postmaster).Kill();
        for (var attempt = 0; ; attempt++)
        {
            using var restart = Process.Start("bash", [script, "--restart-cluster", cluster]);
            await restart.WaitForExitAsync();
            if (restart.ExitCode == 0)
            {
                break;
            }

            // Its children take a moment to notice that it is gone.
            await Task.Delay(300);
            if (attempt == 20)
            {
                throw new InvalidOperationException("PostgreSQL does not come back.");
            }
        }

        NpgsqlConnection.ClearAllPools();
    }

    private async Task<(int Lost, int Twice)> CompareAsync(Guid exercise, Told[] told)
    {
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        for (
            var attempt = 0;
            await database.CheckRequests.AnyAsync(request =>
                request.Work!.Answer!.ExerciseId == exercise && request.DoneAt == null && !request.NeedsPerson
            );
            attempt++
        )
        {
            await Task.Delay(200);
            if (attempt == 600)
            {
                lines.Enqueue($"{exercise}: background checks were not resumed");
                return (Students, 0);
            }
        }

        var answers = await database
            .Answers.AsNoTracking()
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Results)
            .Where(answer => answer.ExerciseId == exercise)
            .ToDictionaryAsync(answer => answer.Id);
        var (lost, twice) = (0, 0);
        foreach (var one in told)
        {
            var answer = answers.GetValueOrDefault(one.Answer);
            var kept = answer?.Works.Find(work => work.Id == one.Work);
            var asTold =
                answer is not null
                && kept is not null
                && kept.Revision == one.Revision
                && kept.DrawingHash == one.Hash
                && answer.Receipt == one.Receipt
                && answer.HandedInAt is not null
                && DrawingReader.Read(kept.Drawing).Drawing is { } drawing
                && DrawingWriter.Hash(drawing) == one.Hash;
            lost += asTold ? 0 : 1;
            twice += kept?.Results.Count is 1 or 0 or null ? 0 : 1;
            lines.Enqueue(
                $"{one.Answer} told revision {one.Revision} {one.Hash} {one.Receipt}; kept revision {kept?.Revision} "
                    + $"{kept?.DrawingHash} {answer?.Receipt}, {kept?.Results.Count} results"
            );
        }

        return (lost, twice);
    }
}
