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
        (await another.CodeOfAsync(HttpMethod.Post, "/api/first-instructor", Request("a token", "second@test.invalid"))).ShouldBe(
            "first-instructor"
        );
        (await another.CodeOfAsync(HttpMethod.Post, "/api/first-instructor", Request("guessed", "second@test.invalid"))).ShouldBe(
            "first-instructor"
        );
    }

    [Fact]
    public async Task A_password_that_is_refused_does_not_use_the_link_up()
    {
        await LinkAsync("another token");
        using var client = await server.AnonymousAsync();
        (
            await client.CodeOfAsync(
                HttpMethod.Post,
                "/api/first-instructor",
                Request("another token", "third@test.invalid", "short")
            )
        ).ShouldBe("first-instructor");
        (
            await client.SendAsync(HttpMethod.Post, "/api/first-instructor", Request("another token", "third@test.invalid"))
        ).StatusCode.ShouldBe(HttpStatusCode.NoContent);
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
        var response = await client.SendAsync(
            HttpMethod.Post,
            "/api/session",
            new { email = "  STUDENT@test.invalid ", password = TestServer.Password }
        );
        response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task A_wrong_password_keeps_its_place_longer_with_each_failure_and_a_right_one_ends_that()
    {
        var clock = new RecordingClock();
        var gate = new SignInGate(clock);
        (await HeldAsync(gate, clock, "a", "10.0.0.1", false, 9)).ShouldBe([0, 0, 200, 400, 800, 1000, 1000, 1000, 1000]);
        (await HeldAsync(gate, clock, "A", "10.0.0.1", true, 1)).ShouldBe([0]);
        (await HeldAsync(gate, clock, "a", "10.0.0.1", false, 3)).ShouldBe([0, 0, 200]);
        (await HeldAsync(gate, clock, "b", "10.0.0.1", false, 1)).ShouldBe([0], "one account's failures slow nobody else down");
        clock.Now += TimeSpan.FromMinutes(11);
        (await HeldAsync(gate, clock, "a", "10.0.0.1", false, 1)).ShouldBe([0], "they are forgotten");
    }

    [Fact]
    public async Task Guesses_at_many_accounts_from_one_address_are_slowed_down_and_a_hall_of_students_is_not()
    {
        var clock = new RecordingClock();
        var gate = new SignInGate(clock);
        for (var student = 0; student < 60; student++)
        {
            (await HeldAsync(gate, clock, $"student{student}", "10.0.0.1", false, 1)).ShouldBe([0]);
            (await HeldAsync(gate, clock, $"student{student}", "10.0.0.1", true, 1)).ShouldBe([0]);
        }

        (await HeldAsync(gate, clock, "guess", "10.0.0.1", false, 1)).ShouldBe([2000]);
        (await HeldAsync(gate, clock, "guess", "10.0.0.2", true, 1)).ShouldBe([0]);
    }

    [Fact]
    public async Task Of_many_at_one_account_who_came_last_is_next_and_who_came_first_is_sent_away()
    {
        var gate = new SignInGate(TimeProvider.System);
        var turns = Enumerable.Range(0, 70).Select(_ => gate.Enter("a", "10.0.0.1")).ToList();
        var owner = gate.Enter("a", "10.0.0.2");
        (await turns[2].ComesAsync(default)).ShouldBeFalse("too many wait");
        (await turns[0].ComesAsync(default)).ShouldBeTrue();
        await turns[0].EndsAsync(false, default);
        turns[0].Dispose();
        (await owner.ComesAsync(default)).ShouldBeTrue();
    }

    [Fact]
    public async Task Forty_wrong_passwords_at_once_lock_nobody_out_and_each_is_answered()
    {
        using var owner = await server.AnonymousAsync();
        using var crowd = await server.AnonymousAsync();
        var wrong = Enumerable
            .Range(0, 40)
            .Select(i =>
                crowd.SendAsync(
                    HttpMethod.Post,
                    "/api/session",
                    new { email = "outsider-student@test.invalid", password = $"wrong password {i}" }
                )
            )
            .ToList();
        var right = new { email = "outsider-student@test.invalid", password = TestServer.Password };
        await Eventually.TrueAsync(async () =>
        {
            var response = await owner.SendAsync(HttpMethod.Post, "/api/session", right);
            response.StatusCode.ShouldBeOneOf(HttpStatusCode.NoContent, HttpStatusCode.TooManyRequests);
            return response.StatusCode == HttpStatusCode.NoContent;
        });
        (await Task.WhenAll(wrong)).ShouldAllBe(response =>
            response.StatusCode == HttpStatusCode.UnprocessableEntity || response.StatusCode == HttpStatusCode.TooManyRequests
        );
    }

    [Fact]
    public async Task A_copied_cookie_ends_with_the_session_that_it_was_copied_from_and_other_sessions_go_on()
    {
        using var one = await server.AsAsync("student3");
        using var other = await server.AsAsync("student3");
        using var copy = one.Copy();
        (await copy.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await one.SendAsync(HttpMethod.Delete, "/api/session")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await copy.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await other.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    private static async Task<List<double>> HeldAsync(
        SignInGate gate,
        RecordingClock clock,
        string account,
        string address,
        bool right,
        int times
    )
    {
        List<double> held = [];
        for (var i = 0; i < times; i++)
        {
            using var turn = gate.Enter(account, address);
            (await turn.ComesAsync(default)).ShouldBeTrue();
            clock.Waited = 0;
            await turn.EndsAsync(right, default);
            held.Add(clock.Waited);
        }

        return held;
    }

    private static object Request(string token, string email, string password = "long enough to keep") =>
        new
        {
            token,
            name = " Ada Brook ",
            email,
            password,
            cohort = "Evening class",
        };

    private async Task LinkAsync(string token)
    {
        await using var context = server.Database.Open();
        await context
            .Settings.Where(setting => setting.Key == "first-instructor")
            .ExecuteDeleteAsync(TestContext.Current.CancellationToken);
        context.Settings.Add(
            new Setting
            {
                Key = "first-instructor",
                Value = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token))),
            }
        );
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
