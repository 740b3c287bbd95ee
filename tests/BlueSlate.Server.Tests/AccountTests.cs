using System.Net;
using System.Security.Cryptography;
using System.Text;
using BlueSlate.Data;
using BlueSlate.Server.Features.Accounts;
using Microsoft.EntityFrameworkCore;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Accounts: the first one by a link that works once, sessions, and the pause after wrong passwords.</summary>
public sealed class AccountTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public async Task The_link_for_the_first_instructor_works_once()
    {
        await LinkAsync("a token");
        using var client = await server.AnonymousAsync();
        var request = Request("a token", "first@test.invalid");
        (await client.SendAsync(HttpMethod.Post, "/api/first-instructor", request)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var session = await client.GetAsync("/api/session");
        ((string)session["person"]!["name"]!).ShouldBe("Ada Brook");
        ((bool)session["person"]!["isInstructor"]!).ShouldBeTrue();

        using var another = await server.AnonymousAsync();
        (await another.CodeOfAsync(HttpMethod.Post, "/api/first-instructor", Request("a token", "second@test.invalid"))).ShouldBe("first-instructor");
        (await another.CodeOfAsync(HttpMethod.Post, "/api/first-instructor", Request("guessed", "second@test.invalid"))).ShouldBe("first-instructor");
    }

    [Fact]
    public async Task A_password_that_is_refused_does_not_use_the_link_up()
    {
        await LinkAsync("another token");
        using var client = await server.AnonymousAsync();
        (await client.CodeOfAsync(HttpMethod.Post, "/api/first-instructor", Request("another token", "third@test.invalid", "short"))).ShouldBe("first-instructor");
        (await client.SendAsync(HttpMethod.Post, "/api/first-instructor", Request("another token", "third@test.invalid"))).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task A_session_tells_who_one_is_and_nothing_of_others()
    {
        using var student = await server.AsAsync("student");
        var session = await student.GetAsync("/api/session");
        ((string)session["person"]!["email"]!).ShouldBe("student@test.invalid");
        ((bool)session["person"]!["isStudent"]!).ShouldBeTrue();
        ((bool)session["person"]!["isStaff"]!).ShouldBeFalse();
        session.ToJsonString().ShouldNotContain("instructor@");
        using var nobody = await server.AnonymousAsync();
        (await nobody.GetAsync("/api/session"))["person"].ShouldBeNull();
    }

    [Fact]
    public async Task Addresses_are_the_same_in_capitals_and_with_blanks()
    {
        using var client = await server.AnonymousAsync();
        var response = await client.SendAsync(HttpMethod.Post, "/api/session", new { email = "  STUDENT@test.invalid ", password = TestServer.Password });
        response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task The_pause_grows_with_each_failure_up_to_four_seconds_and_ends_with_success()
    {
        var clock = new RecordingClock();
        var delay = new SignInDelay(clock);
        List<double> waited = [];
        for (var failures = 0; failures < 10; failures++)
        {
            clock.Waited = 0;
            await delay.WaitAsync("a@test.invalid", "10.0.0.1");
            waited.Add(clock.Waited);
            delay.Record("A@test.invalid", "10.0.0.1", succeeded: false);
        }

        waited.ShouldBe([0, 0, 0, 250, 500, 1000, 2000, 4000, 4000, 4000]);
        delay.Record("a@test.invalid", "10.0.0.1", succeeded: true);
        clock.Waited = 0;
        await delay.WaitAsync("a@test.invalid", "10.0.0.1");
        clock.Waited.ShouldBe(0);
    }

    [Fact]
    public async Task One_accounts_failures_slow_nobody_else_down_and_are_forgotten_in_ten_minutes()
    {
        var clock = new RecordingClock();
        var delay = new SignInDelay(clock);
        for (var i = 0; i < 8; i++)
        {
            delay.Record("a@test.invalid", "10.0.0.1", succeeded: false);
        }

        await delay.WaitAsync("b@test.invalid", "10.0.0.1");
        clock.Waited.ShouldBe(0);
        clock.Now += TimeSpan.FromMinutes(11);
        await delay.WaitAsync("a@test.invalid", "10.0.0.1");
        clock.Waited.ShouldBe(0);
    }

    [Fact]
    public async Task Failures_from_one_address_slow_it_down_but_a_hall_of_students_is_not_held_up()
    {
        var clock = new RecordingClock();
        var delay = new SignInDelay(clock);
        async Task<double> WaitAsync(string address)
        {
            clock.Waited = 0;
            await delay.WaitAsync("fresh@test.invalid", address);
            return clock.Waited;
        }

        for (var student = 0; student < 60; student++)
        {
            delay.Record($"student{student}@test.invalid", "10.0.0.1", succeeded: false);
            delay.Record($"student{student}@test.invalid", "10.0.0.1", succeeded: true);
        }

        (await WaitAsync("10.0.0.1")).ShouldBe(0);
        for (var guess = 0; guess < 20; guess++)
        {
            delay.Record($"guess{guess}@test.invalid", "10.0.0.1", succeeded: false);
        }

        (await WaitAsync("10.0.0.1")).ShouldBe(2000);
        (await WaitAsync("10.0.0.2")).ShouldBe(0);
        clock.Now += TimeSpan.FromMinutes(11);
        (await WaitAsync("10.0.0.1")).ShouldBe(0);
    }

    private static object Request(string token, string email, string password = "long enough to keep") =>
        new { token, name = " Ada Brook ", email, password, cohort = "Evening class" };

    private async Task LinkAsync(string token)
    {
        await using var context = server.Database.Open();
        await context.Settings.Where(setting => setting.Key == "first-instructor").ExecuteDeleteAsync(TestContext.Current.CancellationToken);
        context.Settings.Add(new Setting { Key = "first-instructor", Value = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token))) });
        await context.SaveChangesAsync(TestContext.Current.CancellationToken);
    }

    /// <summary>A clock that stands still, lets no time pass, and remembers how long it was asked to wait.</summary>
    private sealed class RecordingClock : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = new(2026, 3, 1, 9, 0, 0, TimeSpan.Zero);

        public double Waited { get; set; }

        public override DateTimeOffset GetUtcNow() => Now;

        public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period)
        {
            Waited = dueTime.TotalMilliseconds;
            return System.CreateTimer(callback, state, TimeSpan.Zero, period);
        }
    }
}
