using System.Diagnostics;
using System.Globalization;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Data;
using BlueSlate.Drafting;
using BlueSlate.Server.Tests;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Bench;

/// <summary>
/// The desk of a large class: opening it, the picture of the class, what a decision on the difference that most answers have would change,
/// and taking that decision.
/// </summary>
internal static class DeskBench
{
    private const int Rounds = 5;
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(10);

    public static async Task<int> RunAsync(int answers, string dll)
    {
        var cohort = await Course.MakeCohortAsync(answers + 1);
        var exercise = await Course.PublishAsync(cohort);
        var part = await HandInAsync(cohort, exercise, answers);
        await using var server = await ServerProcess.StartAsync(
            Course.Connection,
            dll,
            ("BLUESLATE_REQUESTS", "100000"),
            ("BLUESLATE_WORKERS", "2")
        );
        using var teacher = new StudentClient(patience: 120);
        if (!await teacher.SignInAsync(server.Address, Course.EmailOf(answers)))
        {
            Console.Error.WriteLine("The teacher could not sign in.");
            return 1;
        }

        var at = $"{server.Address}/api/marking/parts/{part}";
        var waited = Stopwatch.StartNew();
        JsonNode differences;
        while ((int)(differences = await GetAsync(teacher, $"{at}/differences"))["waiting"]! > 0 && waited.Elapsed < Patience)
        {
            await Task.Delay(TimeSpan.FromSeconds(2));
        }

        var most = differences["differences"]!
            .AsArray()
            .Where(one => (bool)one!["marked"]!)
            .MaxBy(one => one!["places"]!.AsArray().Count)!;
        var shared = most["places"]!.AsArray().Count;
        Console.WriteLine(
            $"checked after {waited.Elapsed.TotalSeconds:0} s, {differences["differences"]!.AsArray().Count} differences, "
                + $"{shared} answers share one"
        );
        var key = $"{at}/differences/{most["key"]}";
        var open = await MedianAsync(async () =>
        {
            await GetAsync(teacher, $"{server.Address}/api/marking/exercises/{exercise}");
            await GetAsync(teacher, $"{at}/differences");
        });
        var picture = await MedianAsync(() => GetAsync(teacher, $"{at}/class"));
        var preview = await MedianAsync(() => GetAsync(teacher, $"{key}/alike"));
        var watch = Stopwatch.StartNew();
        var (status, _) = await teacher.SendAsync(HttpMethod.Put, key, new { decision = "allow", reach = "alike" });
        var apply = watch.Elapsed;
        await teacher.SendAsync(HttpMethod.Post, $"{server.Address}/api/marking/exercises/{exercise}/release", new { });
        watch.Restart();
        var written = await teacher.DownloadAsync(
            $"{server.Address}/api/marking/exercises/{exercise}/sheets",
            new { together = true }
        );
        var export = watch.Elapsed;
        Console.WriteLine(
            $"sheets of {answers}: {written / 1e6:0.0} MB; server {Process.GetProcessById(server.Id).PeakWorkingSet64 / 1e6:0} MB at most"
        );
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"desk: answers {answers} shared {shared} open_ms {open:0} picture_ms {picture:0} preview_ms {preview:0} "
                    + $"apply_s {apply.TotalSeconds:0.0} export_s {export.TotalSeconds:0.0}"
            )
        );
        return (int?)status == 200 ? 0 : 1;
    }

    // One answer of every student, each with faults of its own, waiting to be checked; the last account teaches.
    private static async Task<Guid> HandInAsync(Guid cohort, Guid exercise, int answers)
    {
        await using var database = BlueSlateContextFactory.On(Course.Connection);
        var question = await database.QuestionParts.FirstAsync(row => row.Question!.ExerciseId == exercise);
        var revision = await database.AssessmentRevisions.FirstAsync(row => row.PartId == question.PartId);
        var people = await database.Users.ToDictionaryAsync(account => account.Email!);
        await database
            .Memberships.Where(member => member.CohortId == cohort && member.AccountId == people[Course.EmailOf(answers)].Id)
            .ExecuteUpdateAsync(set => set.SetProperty(member => member.Role, CohortRole.Instructor));
        var before = DateTimeOffset.UtcNow.AddMinutes(-5);
        for (var seed = 1; seed <= answers; seed++)
        {
            // What is saved from the slate has places.
            var drawing = Placer.Place(LargeExercise.Answer(seed), simple: true);
            var answer = new Answer
            {
                Id = Guid.CreateVersion7(),
                ExerciseId = exercise,
                AccountId = people[Course.EmailOf(seed - 1)].Id,
                QuestionRevisionId = question.QuestionRevisionId,
                CandidateCode = $"C{seed:0000}",
                StartedAt = before,
                HandedInAt = before,
                Receipt = "bench",
                Counts = true,
            };
            var work = new Work
            {
                Id = Guid.CreateVersion7(),
                AnswerId = answer.Id,
                PartId = question.PartId,
                QuestionRevisionId = question.QuestionRevisionId,
                Revision = 1,
                Drawing = DrawingWriter.WriteText(drawing),
                DrawingHash = DrawingWriter.Hash(drawing),
                SavedAt = before,
            };
            answer.Works.Add(work);
            database.Answers.Add(answer);
            database.CheckRequests.Add(
                new CheckRequest
                {
                    Id = Guid.CreateVersion7(),
                    WorkId = work.Id,
                    AssessmentRevisionId = revision.Id,
                    RequestedAt = before,
                }
            );
        }

        await database.SaveChangesAsync();
        return question.PartId;
    }

    private static async Task<JsonNode> GetAsync(StudentClient client, string url) =>
        (await client.SendAsync(HttpMethod.Get, url, null)).Body ?? throw new InvalidOperationException($"No reply from {url}");

    private static async Task<double> MedianAsync(Func<Task> work)
    {
        var times = new List<double>();
        for (var round = 0; round < Rounds; round++)
        {
            var watch = Stopwatch.StartNew();
            await work();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }

        return times.Order().ElementAt(Rounds / 2);
    }
}
