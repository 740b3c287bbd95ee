using System.Diagnostics;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Server.Tests;

namespace BlueSlate.Bench;

/// <summary>Saves one document again and again through the server, with as many connections as pgbench has.</summary>
internal static class AutosaveBench
{
    private static string Document { get; } = DrawingWriter.WriteText(LargeExercise.Model);

    /// <summary>A student and an answer for each connection, under ids that a script can count.</summary>
    public static async Task<int> PrepareAsync(int connections, string template, string script)
    {
        var exercise = await Course.PublishAsync(await Course.MakeCohortAsync(connections));
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        var question = database.QuestionParts.First(part => part.Question!.ExerciseId == exercise);
        for (var at = 0; at < connections; at++)
        {
            var email = Course.EmailOf(at);
            var answer = new Answer
            {
                Id = Guid.CreateVersion7(),
                ExerciseId = exercise,
                AccountId = database.Users.First(account => account.Email == email).Id,
                QuestionRevisionId = question.QuestionRevisionId,
                CandidateCode = $"B{at}",
                StartedAt = DateTimeOffset.UtcNow,
            };
            answer.Works.Add(
                new Work
                {
                    Id = IdOf(at),
                    AnswerId = answer.Id,
                    PartId = question.PartId,
                    QuestionRevisionId = question.QuestionRevisionId,
                    Revision = 1,
                    Drawing = Document,
                    DrawingHash = "bench",
                    SavedAt = DateTimeOffset.UtcNow,
                }
            );
            database.Answers.Add(answer);
        }

        await database.SaveChangesAsync();
        // The script of the other side holds the very same document, as text of its statement.
        await File.WriteAllTextAsync(
            script,
            (await File.ReadAllTextAsync(template)).Replace(
                "DOCUMENT",
                Document.Replace("'", "''", StringComparison.Ordinal),
                StringComparison.Ordinal
            )
        );
        return 0;
    }

    public static async Task<int> RunAsync(int connections, int seconds, string dll)
    {
        await using var server = await ServerProcess.StartAsync(
            Course.Connection,
            dll,
            ("BLUESLATE_REQUESTS", "100000"),
            ("BLUESLATE_WORKERS", "0")
        );
        var clients = new List<(StudentClient Client, int Revision)>();
        await using (var database = BlueSlateContextFactory.On(Course.Connection))
        {
            for (var at = 0; at < connections; at++)
            {
                var client = new StudentClient();
                await client.SignInAsync(server.Address, Course.EmailOf(at));
                clients.Add((client, database.Works.First(work => work.Id == IdOf(at)).Revision));
            }
        }

        await SaveForAsync(TimeSpan.FromSeconds(8));

        // What the clients and HTTP alone come to on this machine: nothing is read, and no database is asked.
        await AskForAsync(TimeSpan.FromSeconds(2));
        var alive = await AskForAsync(TimeSpan.FromSeconds(5));
        await Console.Error.WriteLineAsync($"the same clients are told that the server is alive {alive / 5} times a second");
        var saves = await SaveForAsync(TimeSpan.FromSeconds(seconds));
        Console.WriteLine(saves / seconds);
        return 0;

        async Task<int> AskForAsync(TimeSpan time)
        {
            var clock = Stopwatch.StartNew();
            var counts = await Task.WhenAll(
                clients.Select(pair =>
                    Task.Run(async () =>
                    {
                        var count = 0;
                        for (; clock.Elapsed < time; count++)
                        {
                            var (status, _) = await pair.Client.SendAsync(HttpMethod.Get, $"{server.Address}/health/live", null);
                            _ = status ?? throw new InvalidOperationException("The server did not answer.");
                        }

                        return count;
                    })
                )
            );
            return counts.Sum();
        }

        async Task<int> SaveForAsync(TimeSpan time)
        {
            var clock = Stopwatch.StartNew();
            var counts = await Task.WhenAll(
                Enumerable
                    .Range(0, connections)
                    .Select(at =>
                        Task.Run(async () =>
                        {
                            var (client, revision) = clients[at];
                            var count = 0;
                            for (; clock.Elapsed < time; count++)
                            {
                                var (status, body) = await client.SendAsync(
                                    HttpMethod.Put,
                                    $"{server.Address}/api/study/work/{IdOf(at)}/drawing",
                                    new
                                    {
                                        revision,
                                        saveId = Guid.NewGuid(),
                                        drawing = Document,
                                    }
                                );
                                revision = (int?)body?["revision"]
                                    ?? throw new InvalidOperationException($"A save was refused: {status} {body}");
                            }

                            clients[at] = (client, revision);
                            return count;
                        })
                    )
            );
            return counts.Sum();
        }
    }

    private static Guid IdOf(int at) => Guid.Parse($"10000000-0000-0000-0000-{at:000000000000}");
}
