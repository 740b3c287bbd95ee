using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Who may do what: every endpoint against every role, other people's data, and what students may not see.</summary>
public sealed class AccessTests(TestServer server) : IClassFixture<TestServer>
{
    [Fact]
    public void Every_endpoint_says_who_may_call_it() =>
        Endpoints()
            .Where(endpoint => endpoint.Metadata.GetMetadata<WhoMay>() is null)
            .Select(endpoint => endpoint.DisplayName)
            .ShouldBeEmpty();

    [Theory]
    [InlineData(null)]
    [InlineData("student")]
    [InlineData("assistant")]
    [InlineData("instructor")]
    public async Task No_role_gets_past_an_endpoint_that_is_not_for_it(string? who)
    {
        using var client = who is null ? await server.AnonymousAsync() : await server.AsAsync(who);
        foreach (var endpoint in Endpoints())
        {
            var wanted = endpoint.Metadata.GetMetadata<WhoMay>()!.Who;
            if (
                wanted == Who.Anyone
                || Holds(who, wanted)
                || endpoint.Metadata.GetMetadata<HttpMethodMetadata>() is not { } methods
            )
            {
                continue;
            }

            var path =
                "/"
                + endpoint
                    .RoutePattern.RawText!.TrimStart('/')
                    .Replace("{id:guid}", Guid.NewGuid().ToString())
                    .Replace("{adjustment:guid}", Guid.NewGuid().ToString())
                    .Replace("{student:guid}", Guid.NewGuid().ToString())
                    .Replace("{person:guid}", Guid.NewGuid().ToString())
                    .Replace("/rulings", "/rulings?finding=x")
                    .Replace("/alike", "/alike?finding=x")
                    .Replace("exercises/folder", $"exercises/folder?cohort={Guid.NewGuid()}");
            foreach (var method in methods.HttpMethods)
            {
                var response = await client.SendAsync(new HttpMethod(method), path, method == "GET" ? null : BodyFor(path));
                response.StatusCode.ShouldBe(
                    who is null ? HttpStatusCode.Unauthorized : HttpStatusCode.Forbidden,
                    $"{who ?? "nobody"} {method} {path}"
                );
            }
        }
    }

    [Fact]
    public async Task Nobody_reaches_another_cohorts_data()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        using var outsider = await server.AsAsync("outsider");
        using var outsideStudent = await server.AsAsync("outsider-student");
        using var classmate = await server.AsAsync("student2");

        foreach (
            var path in new[]
            {
                $"/api/exercises/{exercise}",
                $"/api/marking/exercises/{exercise}",
                $"/api/marking/work/{answer.Work}",
                $"/api/marking/exercises/{exercise}/release",
            }
        )
        {
            (await outsider.SendAsync(HttpMethod.Get, path)).StatusCode.ShouldBe(HttpStatusCode.NotFound, path);
        }

        (
            await outsider.CodeOfAsync(HttpMethod.Put, $"/api/exercises/{exercise}/scenario", new { revision = 2, text = "x" })
        ).ShouldBe("no-such-exercise");
        (
            await outsider.CodeOfAsync(
                HttpMethod.Put,
                $"/api/parts/{exercise.Part}/assessment",
                new { revision = 2, value = new { } }
            )
        ).ShouldBe("no-such-part");
        (await outsider.CodeOfAsync(HttpMethod.Post, $"/api/exercises/{exercise}/publish", new { })).ShouldBe("no-such-exercise");
        (
            await outsider.CodeOfAsync(
                HttpMethod.Put,
                $"/api/marking/work/{answer.Work}/rulings?finding=x",
                new { decision = "allow" }
            )
        ).ShouldBe("no-such-answer");
        (await outsider.CodeOfAsync(HttpMethod.Get, $"/api/marking/work/{answer.Work}/alike?finding=x")).ShouldBe(
            "no-such-answer"
        );
        (
            await outsider.CodeOfAsync(
                HttpMethod.Put,
                $"/api/marking/work/{answer.Work}/stands-for",
                new { model = "b1", answer = "b1" }
            )
        ).ShouldBe("no-such-answer");
        (
            await outsider.CodeOfAsync(
                HttpMethod.Post,
                $"/api/marking/work/{answer.Work}/stands-for/preview",
                new { model = "b1", answer = "b1" }
            )
        ).ShouldBe("no-such-answer");
        (
            await outsider.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/assessment/preview", new { value = new { } })
        ).ShouldBe("no-such-part");
        (await outsider.CodeOfAsync(HttpMethod.Post, $"/api/marking/work/{answer.Work}/gone-through", new { })).ShouldBe(
            "no-such-answer"
        );
        (await outsider.CodeOfAsync(HttpMethod.Post, "/api/exercises", new { title = "x", cohortId = server.CohortId })).ShouldBe(
            "no-such-cohort"
        );
        foreach (var other in new[] { outsideStudent, classmate })
        {
            (await other.SendAsync(HttpMethod.Get, $"/api/study/answers/{answer}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
            (
                await other.CodeOfAsync(
                    HttpMethod.Put,
                    $"/api/study/work/{answer.Work}/drawing",
                    Story.SaveRequest(2, Drawing.Empty)
                )
            ).ShouldBe("no-such-answer");
            (await other.CodeOfAsync(HttpMethod.Post, $"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 2))).ShouldBe(
                "no-such-answer"
            );
            (await other.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{answer.Work}/reading", new { drawing = "{}" })).ShouldBe(
                "no-such-answer"
            );
        }

        (await outsideStudent.CodeOfAsync(HttpMethod.Post, $"/api/study/exercises/{exercise}/answer", new { })).ShouldBe(
            "no-such-exercise"
        );
    }

    [Fact]
    public async Task A_students_replies_before_release_hold_nothing_of_the_model_answer()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        var drawing = new Sketch().Box("Airship", "PK number").ToDrawing();
        List<string> replies =
        [
            (await student.GetAsync("/api/study/exercises")).ToJsonString(),
            (await student.GetAsync($"/api/study/exercises/{exercise}")).ToJsonString(),
            (await student.GetAsync($"/api/study/answers/{answer}")).ToJsonString(),
            (await Story.SaveAsync(student, answer, 1, drawing)).ToJsonString(),
            (
                await student.PostAsync(
                    $"/api/study/work/{answer.Work}/reading",
                    new { drawing = DrawingWriter.WriteText(drawing) }
                )
            ).ToJsonString(),
            (await student.PostAsync($"/api/study/answers/{answer}/hand-in", Story.HandIn(answer, 2))).ToJsonString(),
        ];
        await server.CheckAsync(answer.Work);
        replies.Add((await student.GetAsync($"/api/study/answers/{answer}")).ToJsonString());
        replies.Add(
            await (await student.SendAsync(HttpMethod.Get, $"/api/study/answers/{answer}/marks")).Content.ReadAsStringAsync()
        );
        replies.Add(await (await student.SendAsync(HttpMethod.Get, $"/api/exercises/{exercise}")).Content.ReadAsStringAsync());

        foreach (
            var secret in new[]
            {
                "Zeppelin",
                "hull",
                "gasvolume",
                "Mooring",
                "mast code",
                "anchors",
                "entity:b1",
                "min:r1",
                "line1",
                "scheme",
                "candidate",
            }
        )
        {
            replies.ShouldAllBe(reply => !reply.Contains(secret, StringComparison.OrdinalIgnoreCase), secret);
        }
    }

    [Fact]
    public async Task A_changing_request_without_its_token_is_refused()
    {
        using var student = await server.AsAsync("student");
        student.ForgetToken();
        (await student.CodeOfAsync(HttpMethod.Delete, "/api/session")).ShouldBe("stale-page");
    }

    [Fact]
    public async Task A_wrong_password_says_the_same_for_known_and_unknown_addresses()
    {
        using var client = await server.AnonymousAsync();
        (
            await client.CodeOfAsync(
                HttpMethod.Post,
                "/api/session",
                new { email = "student@test.invalid", password = "not this one" }
            )
        ).ShouldBe("wrong-password");
        (
            await client.CodeOfAsync(
                HttpMethod.Post,
                "/api/session",
                new { email = "nobody@test.invalid", password = "not this one" }
            )
        ).ShouldBe("wrong-password");
    }

    private IEnumerable<RouteEndpoint> Endpoints() =>
        server
            .App.Services.GetRequiredService<IEnumerable<EndpointDataSource>>()
            .SelectMany(source => source.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(endpoint =>
                endpoint.RoutePattern.RawText is { } path && !path.StartsWith("/openapi", StringComparison.Ordinal)
            );

    private static bool Holds(string? who, Who wanted) =>
        (who, wanted) switch
        {
            (null, _) => false,
            (_, Who.SignedIn) => true,
            ("student", Who.Student) => true,
            ("assistant", Who.Staff) => true,
            ("instructor", Who.Staff or Who.Instructor) => true,
            _ => false,
        };

    // Bodies that bind, so that it is the role that is refused.
    private static object BodyFor(string path) =>
        path.TrimEnd('/') switch
        {
            { } at when at.EndsWith("/drawing", StringComparison.Ordinal) => Story.SaveRequest(1, Drawing.Empty),
            { } at when at.EndsWith("/reading", StringComparison.Ordinal) => new { drawing = "{}" },
            { } at when at.EndsWith("/preflight", StringComparison.Ordinal) => new { drawing = "{}" },
            { } at when at.EndsWith("/adjustments", StringComparison.Ordinal) => new { amount = "1", reason = "Why not." },
            { } at when at.EndsWith("/withheld", StringComparison.Ordinal) => new { answers = Array.Empty<Guid>() },
            { } at when at.EndsWith("/wording", StringComparison.Ordinal) => new
            {
                revision = 1,
                text = "x",
                why = "Why not.",
                accept = Array.Empty<object>(),
            },
            { } at when at.EndsWith("/repair", StringComparison.Ordinal) => new
            {
                revision = 1,
                text = "{}",
                why = "Why not.",
            },
            { } at when at.EndsWith("/repair/preview", StringComparison.Ordinal) => new { text = "{}" },
            { } at when at.EndsWith("/wording/preview", StringComparison.Ordinal) => new { text = "x" },
            { } at when at.EndsWith("/steps", StringComparison.Ordinal) => new { revision = 1, value = new { } },
            { } at when at.EndsWith("/try", StringComparison.Ordinal) => new { drawing = "{}" },
            { } at when at.EndsWith("/copy", StringComparison.Ordinal) => new { cohortId = Guid.NewGuid() },
            { } at when at.EndsWith("/help", StringComparison.Ordinal) => new { drawing = "{}" },
            { } at when at.EndsWith("/times", StringComparison.Ordinal) => new { dueAt = (string?)null },
            { } at when at.EndsWith("/after-end", StringComparison.Ordinal) => new
            {
                state = Guid.NewGuid(),
                reason = "Why not.",
            },
            { } at when at.Contains("/extensions/", StringComparison.Ordinal) => new
            {
                until = DateTimeOffset.UtcNow,
                reason = "Ill.",
            },
            { } at when at.EndsWith("/sheets", StringComparison.Ordinal) => new { together = true },
            { } at when at.EndsWith("/earlier", StringComparison.Ordinal) => new { other = Guid.NewGuid() },
            { } at when at.EndsWith("/markers", StringComparison.Ordinal) => new
            {
                answers = Array.Empty<Guid>(),
                to = Array.Empty<Guid>(),
            },
            { } at when at.EndsWith("/confirmed", StringComparison.Ordinal) => new { answers = Array.Empty<Guid>() },
            { } at when at.EndsWith("/pass-on", StringComparison.Ordinal) => new { reason = "A friend’s." },
            { } at when at.Contains("/students/", StringComparison.Ordinal) => new
            {
                reason = "Ill.",
                until = DateTimeOffset.UtcNow.AddDays(1),
            },
            { } at when at.EndsWith("/tidy", StringComparison.Ordinal) => new { drawing = "{}", only = Array.Empty<string>() },
            { } at when at.EndsWith("/amend", StringComparison.Ordinal) => new { drawing = "{}", lines = Array.Empty<string>() },
            { } at when at.EndsWith("/redraw", StringComparison.Ordinal) => new { drawing = "{}", notation = "uml" },
            { } at when at.EndsWith("/members", StringComparison.Ordinal) => new
            {
                drawing = "{}",
                shapes = Array.Empty<string>(),
            },
            { } at when at.EndsWith("/lift", StringComparison.Ordinal) => new
            {
                drawing = "{}",
                shapes = Array.Empty<string>(),
                name = "x",
                members = Array.Empty<string[]>(),
            },
            { } at when at.EndsWith("/class/picture", StringComparison.Ordinal) => new { format = "svg" },
            { } at when at.EndsWith("/picture", StringComparison.Ordinal) => new
            {
                drawing = "{}",
                format = "svg",
                only = Array.Empty<string>(),
                scale = 1,
            },
            { } at when at.EndsWith("/do", StringComparison.Ordinal) => new
            {
                drawing = "{}",
                deed = "next-stage",
                on = Array.Empty<string>(),
            },
            { } at when at.EndsWith("/push-down", StringComparison.Ordinal) => new { drawing = "{}", shape = "b1" },
            { } at when at.EndsWith("/hand-in", StringComparison.Ordinal) => new { works = Array.Empty<object>() },
            { } at when at.StartsWith("/api/parts/", StringComparison.Ordinal) && at.Count(c => c == '/') == 3 => new
            {
                revision = 1,
                value = new { },
            },
            { } at when at.EndsWith("/parts", StringComparison.Ordinal) => new { parts = Array.Empty<Guid>() },
            { } at when at.EndsWith("/title", StringComparison.Ordinal) => new { title = "x" },
            { } at when at.EndsWith("/assessment", StringComparison.Ordinal) => new { revision = 1, value = new { } },
            { } at when at.EndsWith("/scenario", StringComparison.Ordinal) || at.EndsWith("/model", StringComparison.Ordinal) =>
                new { revision = 1, text = "x" },
            { } at when at.EndsWith("/assessment/preview", StringComparison.Ordinal) => new { value = new { } },
            { } at when at.Contains("/stands-for", StringComparison.Ordinal) => new { model = "b1", answer = "b1" },
            { } at
                when at.Contains("/rulings", StringComparison.Ordinal) || at.Contains("/differences", StringComparison.Ordinal) =>
                new { decision = "allow" },
            { } at
                when at.StartsWith("/api/marking/parts/", StringComparison.Ordinal)
                    && at.EndsWith("/gone-through", StringComparison.Ordinal) => new { works = Array.Empty<Guid>() },
            { } at when at.Contains("/questions", StringComparison.Ordinal) => new
            {
                answers = new[]
                {
                    new
                    {
                        modelElement = "b1",
                        drawn = "x",
                        same = true,
                    },
                },
            },
            { } at when at.EndsWith("/queries", StringComparison.Ordinal) => new { finding = "x", text = "x" },
            { } at when at.Contains("/marking/queries/", StringComparison.Ordinal) => new { text = "x" },
            { } at when at.EndsWith("/remarking", StringComparison.Ordinal) => new { works = Array.Empty<Guid>() },
            { } at when at.EndsWith("/sample", StringComparison.Ordinal) => new { count = 1 },
            { } at when at.Contains("/marking/blind/", StringComparison.Ordinal) => new
            {
                marks = Array.Empty<object>(),
                done = false,
            },
            { } at when at.EndsWith("/keep-until", StringComparison.Ordinal) => new { keepUntil = "2999-01-01" },
            { } at when at.EndsWith("/people", StringComparison.Ordinal) => new { people = "x", role = "student" },
            { } at when at.EndsWith("/exercises", StringComparison.Ordinal) => new { title = "x", cohortId = Guid.NewGuid() },
            _ => new { },
        };
}
