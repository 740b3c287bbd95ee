using System.Net;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>What comes from outside: whatever is sent, the server answers with a clear no, and changes nothing.</summary>
public sealed class InputTests(TestServer server) : IClassFixture<TestServer>
{
    public static TheoryData<string> Bodies =>
        [
            "",
            "null",
            "[]",
            "{}",
            "\"text\"",
            "12",
            "{",
            "{\"title\":null,\"text\":null,\"drawing\":null,\"value\":null,\"email\":null,\"password\":null}",
            "{\"title\":12,\"text\":{},\"drawing\":[],\"value\":\"x\",\"revision\":\"one\"}",
            "{\"revision\":99999999999,\"text\":\"x\",\"drawing\":\"x\",\"value\":{}}",
            "{\"revision\":-1,\"saveId\":\"not an "
                + "id\",\"text\":\"\\u0000\",\"drawing\":\"\\ud800\",\"value\":{\"marks\":\"1/0\",\"scheme\":{\"lines\":null}}}",
            "{\"revision\":1,\"value\":{\"tolerances\":null,\"scheme\":{\"lines\":[null]}}}",
            "{\"revision\":1,\"title\":\"t\",\"value\":{\"aids\":null,\"level\":\"imaginary\"}}",
            "{\"decision\":\"perhaps\",\"comment\":null,\"cohortId\":\"x\",\"dueAt\":\"tomorrow\"}",
        ];

    [Theory]
    [MemberData(nameof(Bodies))]
    public async Task No_body_makes_the_server_fail(string body)
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var draft = await Story.DraftAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        foreach (
            var endpoint in Endpoints()
                .Where(endpoint => !endpoint.RoutePattern.RawText!.Contains("/api/session", StringComparison.Ordinal))
        )
        {
            foreach (
                var method in endpoint
                    .Metadata.GetMetadata<HttpMethodMetadata>()!
                    .HttpMethods.Where(method => method is "POST" or "PUT")
            )
            {
                var path = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
                var forStudents = endpoint.Metadata.GetMetadata<WhoMay>()!.Who == Who.Student;
                var id =
                    path.Contains("/work/", StringComparison.Ordinal) ? answer.Work
                    : path.Contains("/answers/", StringComparison.Ordinal) ? answer.Id
                    : path.Contains("/parts/{id", StringComparison.Ordinal) ? draft.Part
                    : forStudents ? exercise.Id
                    : draft.Id;
                path = path.Replace("{id:guid}", id.ToString(), StringComparison.Ordinal)
                    .Replace("/rulings", "/rulings?finding=x", StringComparison.Ordinal);
                var response = await (forStudents ? student : instructor).SendRawAsync(new HttpMethod(method), path, body);
                ((int)response.StatusCode).ShouldBeLessThan(500, $"{method} {path} {body}");
                if (!response.IsSuccessStatusCode)
                {
                    JsonNode
                        .Parse(await response.Content.ReadAsStringAsync())!["code"]
                        .ShouldNotBeNull($"{method} {path} {body}");
                }
            }
        }
    }

    [Theory]
    [InlineData("", "title")]
    [InlineData("   ", "title")]
    [InlineData("121", "title")]
    public async Task An_exercise_has_a_title(string title, string code)
    {
        using var instructor = await server.AsAsync("instructor");
        var text = title == "121" ? new string('x', 121) : title;
        (
            await instructor.CodeOfAsync(HttpMethod.Post, "/api/exercises", new { title = text, cohortId = server.CohortId })
        ).ShouldBe(code);
    }

    [Theory]
    [InlineData("""{ "learned": { "notation": "hieroglyphs" } }""", "$.value.learned", "chen, crows-foot, dependency, uml")]
    [InlineData("""{ "learned": { "notation": "uml", "formal": "very" } }""", "$.value.learned", "$.formal cannot be read.")]
    [InlineData("""{ "marks": "a few" }""", "$.value.marks", "A number such as 2, 1/2 or 2.5 is wanted.")]
    public async Task What_cannot_be_read_of_a_request_is_said_with_its_place(string value, string place, string said)
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var response = await instructor.SendRawAsync(
            HttpMethod.Put,
            $"/api/parts/{exercise.Part}",
            $$"""{ "revision": 2, "value": {{value}} }"""
        );
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string?)problem["code"]).ShouldBe("bad-request");
        ((string?)problem["place"]).ShouldBe(place);
        ((string)problem["detail"]!).ShouldContain(said);
    }

    [Theory]
    [InlineData("0", 60, "crows-foot")]
    [InlineData("-1", 60, "crows-foot")]
    [InlineData("1001", 60, "crows-foot")]
    [InlineData("20", 0, "crows-foot")]
    [InlineData("20", 1441, "crows-foot")]
    public async Task A_part_that_makes_no_sense_is_refused_and_the_old_one_stays(string marks, int minutes, string notation)
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var before = (await Story.PartAsync(instructor, exercise))["part"]!.ToJsonString();
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/parts/{exercise.Part}",
                new
                {
                    revision = 2,
                    value = new
                    {
                        marks,
                        minutes,
                        learned = new { notation, level = "conceptual" },
                    },
                }
            )
        ).ShouldBe("part");
        (await Story.PartAsync(instructor, exercise))["part"]!.ToJsonString().ShouldBe(before);
    }

    [Fact]
    public async Task A_time_may_be_written_anywhere_on_earth()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var scheme = await instructor.PostAsync($"/api/parts/{exercise.Part}/scheme");
        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = 1, value = new { tolerances = Array.Empty<object>(), scheme } }
        );
        (
            await instructor.SendRawAsync(
                HttpMethod.Post,
                $"/api/exercises/{exercise}/publish",
                """{"dueAt":"2099-05-01T12:00:00+05:30"}"""
            )
        ).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        ((DateTimeOffset)(await instructor.GetAsync($"/api/exercises/{exercise}"))["dueAt"]!).ShouldBe(
            new DateTimeOffset(2099, 5, 1, 6, 30, 0, TimeSpan.Zero)
        );
    }

    [Theory]
    [InlineData("tidy", """{"drawing":"D","only":[null]}""")]
    [InlineData("amend", """{"drawing":"D","lines":[null]}""")]
    [InlineData("members", """{"drawing":"D","shapes":[null,"b1"]}""")]
    [InlineData("lift", """{"drawing":"D","shapes":["b1","b2"],"name":"X","members":[null]}""")]
    [InlineData("lift", """{"drawing":"D","shapes":["b1","b2"],"name":"X","members":[[null]]}""")]
    [InlineData("picture", """{"drawing":"D","format":"svg","only":[null],"scale":1}""")]
    [InlineData("picture", """{"drawing":"D","format":"svg","only":[],"scale":1,"sheet":"nowhere"}""")]
    [InlineData("tidy", """{"drawing":null,"only":[]}""")]
    public async Task Nothing_in_a_list_or_in_place_of_a_text_is_refused_clearly(string tool, string body)
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var drawing = System.Text.Json.JsonSerializer.Serialize(
            BlueSlate.Core.Drawings.DrawingWriter.WriteText(TestServer.Model)
        );
        var response = await instructor.SendRawAsync(
            HttpMethod.Post,
            $"/api/exercises/{exercise}/{tool}",
            body.Replace("\"D\"", drawing, StringComparison.Ordinal)
        );
        ((int)response.StatusCode).ShouldBeInRange(400, 499);
    }

    [Fact]
    public async Task A_scenario_nested_without_end_is_refused_when_it_is_saved()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = (Guid)
            (await instructor.PostAsync("/api/exercises", new { title = "Nested", cohortId = server.CohortId }))["id"]!;
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/exercises/{exercise}/scenario",
                new { revision = 1, text = new string('>', 3000) + " deep" }
            )
        ).ShouldBe("too-deep");
        await instructor.GetAsync($"/api/exercises/{exercise}");
    }

    [Fact]
    public async Task A_session_whose_account_was_erased_is_nobodys()
    {
        using var instructor = await server.AsAsync("outsider");
        using var student = await server.AsAsync("outsider-student");
        await using var database = server.Database.Open();
        var account = database.Users.Single(row => row.DisplayName == "outsider-student").Id;
        var cohort = database.Memberships.Single(row => row.AccountId == account).CohortId;
        (await instructor.SendAsync(HttpMethod.Delete, $"/api/cohorts/{cohort}/people/{account}")).StatusCode.ShouldBe(
            HttpStatusCode.NoContent
        );
        (await student.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await student.SendAsync(HttpMethod.Get, "/api/session")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData("X-Forwarded-For")]
    [InlineData("Forwarded")]
    [InlineData("Via")]
    public async Task A_demos_sign_in_answers_nobody_behind_a_proxy(string header)
    {
        using var http = new HttpClient { BaseAddress = new Uri(server.Address) };
        (await http.GetAsync("/api/demo/people", TestContext.Current.CancellationToken)).StatusCode.ShouldBe(HttpStatusCode.OK);
        http.DefaultRequestHeaders.TryAddWithoutValidation(header, "203.0.113.7");
        (await http.GetAsync("/api/demo/people", TestContext.Current.CancellationToken)).StatusCode.ShouldBe(
            HttpStatusCode.NotFound
        );
    }

    [Fact]
    public async Task A_character_that_cannot_be_kept_is_refused_in_words()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/exercises/{exercise}/scenario",
                new { revision = 2, text = "a\0b" }
            )
        ).ShouldBe("unstorable-text");
        (
            await instructor.CodeOfAsync(HttpMethod.Post, "/api/exercises", new { title = "a\0b", cohortId = server.CohortId })
        ).ShouldBe("unstorable-text");
    }

    [Fact]
    public async Task A_scenario_has_a_limit_and_is_rendered_without_anything_that_runs()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/exercises/{exercise}/scenario",
                new { revision = 2, text = new string('a', 20_001) }
            )
        ).ShouldBe("too-long");
        await instructor.PutAsync(
            $"/api/exercises/{exercise}/scenario",
            new { revision = 2, text = "A <script>alert(1)</script> [x](javascript:alert(1)) ![y](http://elsewhere.test/z.png)" }
        );
        var html = (string)(await instructor.GetAsync($"/api/exercises/{exercise}"))["scenarioHtml"]!;
        foreach (var danger in new[] { "<script", "javascript:", "<img", "href", "src=" })
        {
            html.ShouldNotContain(danger, Case.Insensitive);
        }
    }

    [Fact]
    public async Task A_model_answer_that_cannot_be_read_is_refused_with_its_place()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var response = await instructor.SendAsync(
            HttpMethod.Put,
            $"/api/parts/{exercise.Part}/model",
            new { revision = 2, text = "{\"format\":\"blue-slate-drawing\",\"version\":99,\"sheets\":[]}" }
        );
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        response.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        ((string)problem["code"]!).ShouldStartWith("drawing-");
        ((string)problem["place"]!).ShouldContain("$.version");
        ((string)(await Story.PartAsync(instructor, exercise))["model"]!["text"]!).ShouldBe(
            DrawingWriter.WriteText(TestServer.Model)
        );
    }

    [Fact]
    public async Task A_scheme_that_makes_no_sense_is_refused_in_words()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var line = new
        {
            id = "a",
            title = "Entities",
            marks = "-2",
            rule = "share",
            facts = Array.Empty<string>(),
        };
        var response = await instructor.SendAsync(
            HttpMethod.Put,
            $"/api/parts/{exercise.Part}/assessment",
            new
            {
                revision = 1,
                value = new
                {
                    tolerances = Array.Empty<object>(),
                    scheme = new
                    {
                        lines = new[] { line },
                        extraCost = "0",
                        extraCap = "0",
                        step = "1/2",
                    },
                },
            }
        );
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        ((string)problem["code"]!).ShouldBe("scheme");
        ((string)problem["detail"]!).ShouldContain("Entities");
    }

    [Fact]
    public async Task Too_large_a_request_is_refused_before_it_is_read()
    {
        using var student = await server.AsAsync("student");
        using var instructor = await server.AsAsync("instructor");
        var answer = await Story.StartedAsync(student, await Story.PublishedAsync(server, instructor));
        var response = await student.SendAsync(
            HttpMethod.Put,
            $"/api/study/work/{answer.Work}/drawing",
            new
            {
                revision = 1,
                saveId = Guid.NewGuid(),
                drawing = new string(' ', 2_000_000),
            }
        );
        response.StatusCode.ShouldBe(HttpStatusCode.RequestEntityTooLarge);
    }

    [Fact]
    public async Task Hostile_drawings_are_refused_at_every_door_with_one_code()
    {
        using var student = await server.AsAsync("student");
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        string[] hostile =
        [
            "",
            "null",
            "[1,2",
            new string('[', 5000),
            "{\"format\":\"other\"}",
            "{\"format\":\"blue-slate-drawing\",\"version\":1,\"sheets\":[{\"id\":\"s\",\"shapes\":["
                + "{\"id\":\"b\",\"form\":\"rectangle\"},{\"id\":\"b\",\"form\":\"rectangle\"}]}]}",
        ];
        foreach (var drawing in hostile)
        {
            var saving = await student.CodeOfAsync(
                HttpMethod.Put,
                $"/api/study/work/{answer.Work}/drawing",
                new
                {
                    revision = 1,
                    saveId = Guid.NewGuid(),
                    drawing,
                }
            );
            saving.ShouldStartWith("drawing-");
            (await student.CodeOfAsync(HttpMethod.Post, $"/api/study/work/{answer.Work}/reading", new { drawing })).ShouldBe(
                saving
            );
            (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/reading", new { drawing })).ShouldBe(
                saving
            );
        }

        ((int)(await student.GetAsync($"/api/study/answers/{answer}"))["works"]![0]!["revision"]!).ShouldBe(1);
    }

    [Fact]
    public async Task An_address_that_is_none_is_said_in_the_same_form()
    {
        using var client = await server.AnonymousAsync();
        (await client.CodeOfAsync(HttpMethod.Get, "/api/nothing/here")).ShouldBe("no-such-endpoint");
        (await client.CodeOfAsync(HttpMethod.Get, "/api/exercises")).ShouldBe("not-signed-in");
    }

    [Fact]
    public async Task Every_reply_forbids_foreign_scripts_frames_and_guessing()
    {
        using var client = await server.AnonymousAsync();
        foreach (var path in new[] { "/api/session", "/api/nothing", "/health/ready", "/", "/study/anything" })
        {
            var headers = (await client.SendAsync(HttpMethod.Get, path)).Headers;
            var policy = headers.GetValues("Content-Security-Policy").Single();
            policy.ShouldContain("default-src 'self'");
            policy.ShouldContain("frame-ancestors 'none'");
            policy.ShouldNotContain("unsafe-eval");
            headers.GetValues("X-Content-Type-Options").ShouldBe(["nosniff"]);
        }
    }

    [Fact]
    public async Task The_session_cookie_is_strict_and_out_of_reach_of_scripts()
    {
        using var client = await server.AnonymousAsync();
        var response = await client.SendAsync(
            HttpMethod.Post,
            "/api/session",
            new { email = "student@test.invalid", password = TestServer.Password }
        );
        var cookie = response
            .Headers.GetValues("Set-Cookie")
            .Single(value => value.StartsWith("blueslate-session", StringComparison.Ordinal));
        cookie.ShouldContain("httponly", Case.Insensitive);
        cookie.ShouldContain("samesite=strict", Case.Insensitive);
    }

    [Fact]
    public async Task After_signing_out_nothing_can_be_reached()
    {
        using var student = await server.AsAsync("student");
        (await student.SendAsync(HttpMethod.Get, "/api/study/exercises")).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await student.SendAsync(HttpMethod.Delete, "/api/session")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await student.CodeOfAsync(HttpMethod.Get, "/api/study/exercises")).ShouldBe("not-signed-in");
    }

    private IEnumerable<RouteEndpoint> Endpoints() =>
        server
            .App.Services.GetRequiredService<IEnumerable<EndpointDataSource>>()
            .SelectMany(source => source.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(endpoint =>
                endpoint.RoutePattern.RawText?.TrimStart('/').StartsWith("api/", StringComparison.Ordinal) == true
                && endpoint.Metadata.GetMetadata<HttpMethodMetadata>() is not null
            );
}
