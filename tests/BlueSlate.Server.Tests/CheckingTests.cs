using BlueSlate.Core;
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
