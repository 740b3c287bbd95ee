using BlueSlate.Core;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Background checks: done once, and given up on for a person after two crashes.</summary>
public sealed class CheckingTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task Checking_twice_leaves_one_result()
    {
        var answer = await HandedInAsync();
        await server.CheckAsync(answer.Work);
        await server.CheckAsync(answer.Work);
        await using var context = server.Database.Open();
        (
            await context.CheckResults.CountAsync(result => result.WorkId == answer.Work, TestContext.Current.CancellationToken)
        ).ShouldBe(1);
        (
            await context.CheckRequests.CountAsync(
                request => request.WorkId == answer.Work && request.DoneAt == null,
                TestContext.Current.CancellationToken
            )
        ).ShouldBe(0);
    }

    [Fact]
    public async Task What_is_asked_for_while_a_check_runs_gets_a_check_of_its_own()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        await Story.SaveAsync(student, answer, 1, Story.Faulty);
        await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 2));

        // The first check has judged and cannot store what it found before the scheme is another.
        await using var context = server.Database.Open();
        await using var held = await context.Database.BeginTransactionAsync(TestContext.Current.CancellationToken);
        await context.Database.ExecuteSqlAsync(
            $"LOCK TABLE check_results IN EXCLUSIVE MODE",
            TestContext.Current.CancellationToken
        );
        var first = server.CheckAsync(answer.Work);
        while (!await SomebodyWaitsAsync(context))
        {
            await Task.Yield();
        }

        var part = await Story.PartAsync(instructor, exercise);
        var assessment = part["assessment"]!;
        assessment["value"]!["scheme"]!["extraCost"] = "1";
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)assessment["revision"]!, value = assessment["value"] }
        );
        await held.CommitAsync(TestContext.Current.CancellationToken);
        await first;
        (await StateAsync(instructor, exercise)).ShouldBe("waiting");
        await server.CheckAsync(answer.Work);
        (await StateAsync(instructor, exercise)).ShouldBe("checked");
    }

    private static async Task<string> StateAsync(Client staff, SetExercise exercise) =>
        (string)(await staff.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!["state"]!;

    private static async Task<bool> SomebodyWaitsAsync(BlueSlateContext context) =>
        (
            await context
                .Database.SqlQuery<int>(
                    $"SELECT count(*)::int AS \"Value\" FROM pg_locks WHERE NOT granted AND relation = 'check_results'::regclass"
                )
                .ToListAsync(TestContext.Current.CancellationToken)
        )[0] > 0;

    [Fact]
    public async Task What_an_earlier_version_checked_is_checked_again()
    {
        var answer = await HandedInAsync();
        await server.CheckAsync(answer.Work);
        await using (var context = server.Database.Open())
        {
            await context
                .CheckResults.Where(result => result.WorkId == answer.Work)
                .ExecuteUpdateAsync(
                    set => set.SetProperty(result => result.CoreVersion, "0"),
                    TestContext.Current.CancellationToken
                );
        }

        await server.SweepAsync();
        await using var after = server.Database.Open();
        (
            await after.CheckRequests.SingleAsync(request => request.WorkId == answer.Work, TestContext.Current.CancellationToken)
        ).DoneAt.ShouldBeNull();
        await server.CheckAsync(answer.Work);
        (
            await after.CheckResults.AnyAsync(
                result => result.WorkId == answer.Work && result.CoreVersion == Assessor.CoreVersion,
                TestContext.Current.CancellationToken
            )
        ).ShouldBeTrue();

        // What is checked by this version is left alone.
        await server.SweepAsync();
        (
            await after.CheckRequests.CountAsync(
                request => request.WorkId == answer.Work && request.DoneAt == null,
                TestContext.Current.CancellationToken
            )
        ).ShouldBe(0);
    }

    [Fact]
    public async Task After_two_crashes_an_answer_needs_a_person()
    {
        var answer = await HandedInAsync();
        await using (var context = server.Database.Open())
        {
            await context
                .CheckResults.Where(result => result.WorkId == answer.Work)
                .ExecuteDeleteAsync(TestContext.Current.CancellationToken);
            await context
                .CheckRequests.Where(request => request.WorkId == answer.Work)
                .ExecuteUpdateAsync(
                    set =>
                        set.SetProperty(request => request.DoneAt, (DateTimeOffset?)null)
                            .SetProperty(request => request.Attempts, CheckJob.Attempts),
                    TestContext.Current.CancellationToken
                );
        }

        await server.CheckAsync(answer.Work);
        await using var after = server.Database.Open();
        (
            await after.CheckRequests.SingleAsync(request => request.WorkId == answer.Work, TestContext.Current.CancellationToken)
        ).NeedsPerson.ShouldBeTrue();
        (
            await after.CheckResults.AnyAsync(result => result.WorkId == answer.Work, TestContext.Current.CancellationToken)
        ).ShouldBeFalse();
        using var instructor = await server.AsAsync("instructor");
        var exercise = await after
            .Answers.Where(row => row.Id == answer.Id)
            .Select(row => row.ExerciseId)
            .SingleAsync(TestContext.Current.CancellationToken);
        ((string)(await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]![0]!["state"]!).ShouldBe(
            "needs-person"
        );
        var preview = await instructor.GetAsync($"/api/marking/exercises/{exercise}/release");
        preview["undecided"]!.AsArray().Count.ShouldBe(1);
    }

    private async Task<SatAnswer> HandedInAsync()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        return await Story.HandedInAsync(server, student, await Story.PublishedAsync(server, instructor), Story.Faulty);
    }
}
