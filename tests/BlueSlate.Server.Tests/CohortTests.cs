using System.Net;
using System.Text.Json.Nodes;
using BlueSlate.Server.Features.Cohorts;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Bringing people in, giving them their data, erasing them, and the record of what was done.</summary>
public sealed class CohortTests(TestServer server) : IClassFixture<TestServer>
{
    private string Cohort => $"/api/cohorts/{server.CohortId}";

    [Fact]
    public async Task People_are_added_by_lines_and_come_in_by_a_link_that_works_once()
    {
        using var instructor = await server.AsAsync("instructor");
        var added = await instructor.PostAsync(
            $"{Cohort}/people",
            new
            {
                people = "Ada Finch, ada@test.invalid\n\n\"Bo Lund\", bo@test.invalid\nada finch, ADA@test.invalid",
                role = "student",
            }
        );
        added["people"]!.AsArray().Count.ShouldBe(2);
        var link = new Uri((string)added["people"]![0]!["link"]!);
        var query = System.Web.HttpUtility.ParseQueryString(link.Query);

        using var ada = await server.AnonymousAsync();
        object Welcome(string password) =>
            new
            {
                person = query["person"],
                token = query["token"],
                password,
            };
        (await ada.CodeOfAsync(HttpMethod.Post, "/api/session/welcome", Welcome("short"))).ShouldBe("password");
        (await ada.SendAsync(HttpMethod.Post, "/api/session/welcome", Welcome("long enough for all"))).StatusCode.ShouldBe(
            HttpStatusCode.NoContent
        );
        ((string)(await ada.GetAsync("/api/session"))["person"]!["name"]!).ShouldBe("Ada Finch");
        using var again = await server.AnonymousAsync();
        (await again.CodeOfAsync(HttpMethod.Post, "/api/session/welcome", Welcome("another long one"))).ShouldBe("stale-link");
        await again.SignInAsync("ada@test.invalid", "long enough for all");
        (await again.GetAsync("/api/study/exercises")).AsArray().ShouldNotBeNull();
    }

    [Theory]
    [InlineData("", "people")]
    [InlineData("Ada Finch ada@test.invalid", "Line 1")]
    [InlineData("Ada Finch, ada@test.invalid\nBo Lund, bo at test", "Line 2")]
    [InlineData(", ada@test.invalid", "Line 1")]
    public async Task A_line_that_cannot_be_read_is_said_and_nobody_is_added(string people, string said)
    {
        using var instructor = await server.AsAsync("instructor");
        var before = (await instructor.GetAsync(Cohort))["people"]!.AsArray().Count;
        var reply = await instructor.SendAsync(HttpMethod.Post, $"{Cohort}/people", new { people, role = "student" });
        reply.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        JsonNode.Parse(await reply.Content.ReadAsStringAsync())!.ToJsonString().ShouldContain(said);
        (await instructor.GetAsync(Cohort))["people"]!.AsArray().Count.ShouldBe(before);
    }

    [Fact]
    public async Task Nobody_sets_the_password_of_somebody_who_belongs_elsewhere_too()
    {
        using var instructor = await server.AsAsync("instructor");
        await instructor.PostAsync($"{Cohort}/people", new { people = "outsider, outsider@test.invalid", role = "assistant" });
        await using var context = server.Database.Open();
        var outsider = await context.Users.SingleAsync(account => account.Email == "outsider@test.invalid");
        (await instructor.CodeOfAsync(HttpMethod.Post, $"{Cohort}/people/{outsider.Id}/link")).ShouldBe("not-allowed");
        await instructor.SendAsync(HttpMethod.Delete, $"{Cohort}/people/{outsider.Id}");
        (await context.Users.CountAsync(account => account.Email == "outsider@test.invalid")).ShouldBe(1);
    }

    [Fact]
    public async Task A_person_gets_everything_of_theirs_and_once_erased_nothing_is_left()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await NewStudentAsync(instructor, "Cy Orr", "cy@test.invalid");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        var id = await IdOfAsync("cy@test.invalid");
        await instructor.PutAsync($"/api/exercises/{exercise}/times", new { dueAt = DateTimeOffset.UtcNow.AddDays(1) });
        await instructor.PutAsync(
            $"/api/exercises/{exercise}/extensions/{id}",
            new { until = DateTimeOffset.UtcNow.AddDays(2), reason = "A wedding in the family." }
        );

        var own = await student.GetAsync("/api/session/data");
        ((string)own["format"]!).ShouldBe("blue-slate-person");
        ((string)own["answers"]![0]!["parts"]![0]!["drawing"]!).ShouldContain("Zeppelin");
        own["answers"]![0]!["parts"]![0]!["marks"]!["result"].ShouldNotBeNull();
        ((string)own["extensions"]![0]!["reason"]!).ShouldBe("A wedding in the family.");
        own["answers"]![0]!["parts"]![0]!["earlier"]!.AsArray().Count.ShouldBeGreaterThan(0);
        (await instructor.GetAsync($"{Cohort}/people/{id}/export"))["answers"]!.AsArray().Count.ShouldBe(1);

        (await instructor.SendAsync(HttpMethod.Delete, $"{Cohort}/people/{id}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await using var context = server.Database.Open();
        (await context.Users.AnyAsync(account => account.Id == id)).ShouldBeFalse();
        (await context.Answers.AnyAsync(row => row.Id == answer)).ShouldBeFalse();
        (await context.Extensions.AnyAsync(row => row.AccountId == id)).ShouldBeFalse();
        (await context.ReleasedSheets.AnyAsync(row => row.WorkId == answer.Work)).ShouldBeFalse();
        (await context.Checkpoints.AnyAsync(row => row.WorkId == answer.Work)).ShouldBeFalse();
        (await context.AuditEvents.AnyAsync(line => line.ActorId == id)).ShouldBeFalse();
        (await student.SendAsync(HttpMethod.Get, $"/api/study/answers/{answer}")).StatusCode.ShouldBeOneOf(
            HttpStatusCode.Forbidden,
            HttpStatusCode.NotFound,
            HttpStatusCode.Unauthorized
        );
        var record = (await instructor.GetAsync($"{Cohort}/record"))["lines"]!.ToJsonString();
        record.ShouldContain("1 person with 1 answer");
        record.ShouldNotContain("Cy Orr");
    }

    [Fact]
    public async Task An_instructor_is_not_erased_and_a_stranger_is_not_found()
    {
        using var instructor = await server.AsAsync("instructor");
        (
            await instructor.CodeOfAsync(HttpMethod.Delete, $"{Cohort}/people/{await IdOfAsync("instructor@test.invalid")}")
        ).ShouldBe("instructor");
        var stranger = await IdOfAsync("outsider-assistant@test.invalid");
        (await instructor.CodeOfAsync(HttpMethod.Delete, $"{Cohort}/people/{stranger}")).ShouldBe("no-such-person");
        (await instructor.CodeOfAsync(HttpMethod.Get, $"{Cohort}/people/{stranger}/export")).ShouldBe("no-such-person");
        using var outsider = await server.AsAsync("outsider");
        foreach (var path in new[] { "", "/record" })
        {
            (await outsider.CodeOfAsync(HttpMethod.Get, Cohort + path)).ShouldBe("no-such-cohort");
        }
    }

    [Fact]
    public async Task When_the_day_of_a_cohort_has_come_its_students_are_erased_and_nobody_elses()
    {
        using var outsider = await server.AsAsync("outsider");
        var other = await EveningCohortAsync();
        (
            await outsider.CodeOfAsync(HttpMethod.Put, $"/api/cohorts/{other}/keep-until", new { keepUntil = "2020-01-01" })
        ).ShouldBe("keep-until");
        var day = DateOnly.FromDateTime(DateTime.UtcNow).AddDays(30);
        await outsider.PutAsync($"/api/cohorts/{other}/keep-until", new { keepUntil = day });

        await using var scope = server.App.Services.CreateAsyncScope();
        var erasure = scope.ServiceProvider.GetRequiredService<Erasure>();
        (await erasure.EraseWhatIsDueAsync(day.AddDays(-1), CancellationToken.None)).ShouldBe(0);
        (await erasure.EraseWhatIsDueAsync(day, CancellationToken.None)).ShouldBe(1);
        (await erasure.EraseWhatIsDueAsync(day, CancellationToken.None)).ShouldBe(0);
        await using var context = server.Database.Open();
        (await context.Users.AnyAsync(account => account.Email == "outsider-student@test.invalid")).ShouldBeFalse();
        (await context.Users.AnyAsync(account => account.Email == "student@test.invalid")).ShouldBeTrue();
        (await outsider.GetAsync($"/api/cohorts/{other}/record"))["lines"]!.ToJsonString().ShouldContain("the day had come");
    }

    [Fact]
    public async Task The_record_tells_what_was_done_newest_first()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await NewStudentAsync(instructor, "Di Vale", "di@test.invalid");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var marking = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var finding = Uri.EscapeDataString((string)marking["result"]!["notes"]![0]!["id"]!);
        await instructor.PutAsync(
            $"/api/marking/work/{answer.Work}/rulings?finding={finding}",
            new { decision = "allow", comment = "" }
        );
        await instructor.SendAsync(HttpMethod.Delete, $"/api/marking/work/{answer.Work}/rulings?finding={finding}");
        (await instructor.PostAsync($"/api/marking/exercises/{exercise}/identities"))[0]!["name"]!.ToString().ShouldBe("Di Vale");
        await instructor.PostAsync($"/api/marking/work/{answer.Work}/gone-through");
        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");

        var lines = (await instructor.GetAsync($"{Cohort}/record"))["lines"]!
            .AsArray()
            .Select(line => ((string)line!["kind"]!, (string)line["detail"]!, (string?)line["who"]))
            .ToList();
        var code = (string)marking["code"]!;
        lines.ShouldContain(("sign-in", "", "Di Vale"));
        lines
            .Where(line => line.Item1 != "sign-in")
            .Take(5)
            .ShouldBe([
                ("release", "1 mark sheet", "instructor"),
                ("identity-view", "the names behind the candidate codes", "instructor"),
                ("ruling", $"{code}: a decision taken back", "instructor"),
                ("ruling", $"{code}: a loss allowed", "instructor"),
                ("publish", "without a due time", "instructor"),
            ]);
        (await instructor.GetAsync($"{Cohort}/record?before=2020-01-01T00:00:00%2B02:00"))["lines"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Two_instructors_on_one_text_lose_nothing()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.DraftAsync(server, instructor);
        var path = $"/api/exercises/{exercise}/scenario";
        await instructor.PutAsync(path, new { revision = 2, text = "The first text." });
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { revision = 2, text = "The second text." })).ShouldBe(
            "conflict"
        );
        var aside = await instructor.GetAsync($"/api/exercises/{exercise}/set-aside");
        ((string)aside[0]!["text"]!).ShouldBe("The second text.");
        ((string)aside[0]!["by"]!).ShouldBe("instructor");
        ((string)(await instructor.GetAsync($"/api/exercises/{exercise}"))["scenario"]!["text"]!).ShouldBe("The first text.");
    }

    private async Task<Client> NewStudentAsync(Client instructor, string name, string email)
    {
        var added = await instructor.PostAsync($"{Cohort}/people", new { people = $"{name}, {email}", role = "student" });
        var query = System.Web.HttpUtility.ParseQueryString(new Uri((string)added["people"]![0]!["link"]!).Query);
        using (var first = await server.AnonymousAsync())
        {
            await first.PostAsync(
                "/api/session/welcome",
                new
                {
                    person = query["person"],
                    token = query["token"],
                    password = TestServer.Password,
                }
            );
        }

        var student = await server.AnonymousAsync();
        await student.SignInAsync(email, TestServer.Password);
        return student;
    }

    private async Task<Guid> IdOfAsync(string email)
    {
        await using var context = server.Database.Open();
        return await context.Users.Where(account => account.Email == email).Select(account => account.Id).SingleAsync();
    }

    private async Task<Guid> EveningCohortAsync()
    {
        await using var context = server.Database.Open();
        return await context.Cohorts.Where(cohort => cohort.Name == "Evening course").Select(cohort => cohort.Id).SingleAsync();
    }
}
