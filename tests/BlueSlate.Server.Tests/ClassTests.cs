using System.Text.Json.Nodes;
using System.Xml.Linq;
using BlueSlate.Core.Drawings;
using Shouldly;
using static System.StringComparison;

namespace BlueSlate.Server.Tests;

/// <summary>A class as a whole: its differences, what is decided on them for all, and its picture.</summary>
public sealed class ClassTests(TestServer server) : IClassFixture<TestServer>
{
    private static Drawing WithoutAltitude =>
        new Sketch()
            .Box("Zeppelin", "PK hull number", "gasvolume")
            .Box("Mooring", "PK mast code")
            .Line("Zeppelin", Ends.One, "Mooring", Ends.ZeroOrMore, "anchors", "is anchored by")
            .ToDrawing();

    private async Task<(Client Instructor, SetExercise Exercise, SatAnswer First, SatAnswer Second)> HandedInAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        using var other = await server.AsAsync("student2");
        var first = await Story.HandedInAsync(server, student, exercise, WithoutAltitude);
        var second = await Story.HandedInAsync(server, other, exercise, Story.Faulty);
        return (instructor, exercise, first, second);
    }

    private static string PathOf(SetExercise exercise) => $"/api/marking/parts/{exercise.Part}";

    // The difference of which the first answer has the only place.
    private static JsonNode Altitude(JsonNode differences) =>
        differences["differences"]!.AsArray().First(one => ((string)one!["headline"]!).Contains("altitude", OrdinalIgnoreCase))!;

    private static string TotalOf(JsonNode differences, Guid work) =>
        (string)differences["works"]!.AsArray().First(one => (string)one!["id"]! == work.ToString())!["total"]!;

    [Fact]
    public async Task A_difference_is_decided_for_all_that_have_it_and_taken_back()
    {
        var (instructor, exercise, first, _) = await HandedInAsync();
        var before = await instructor.GetAsync($"{PathOf(exercise)}/differences");
        before["works"]!.AsArray().Count.ShouldBe(2);
        var missing = Altitude(before);
        missing["forAll"].ShouldBeNull();
        var at = $"{PathOf(exercise)}/differences/{missing["key"]}";

        var told = (await instructor.GetAsync($"{at}/alike"))["answers"]!
            .AsArray()
            .First(one => (string)one!["id"]! == first.Work.ToString())!;
        ((string)told["now"]!).ShouldBe(TotalOf(before, first.Work));
        var after = await instructor.PutAsync(at, new { decision = "allow", comment = "It was not in the text." });
        TotalOf(after, first.Work).ShouldBe((string)told["allowed"]!);
        ((string)Altitude(after)["forAll"]!["comment"]!).ShouldBe("It was not in the text.");
        ((string)Altitude(after)["places"]![0]!["decision"]!).ShouldBe("allow");
        var marked = await instructor.GetAsync($"/api/marking/work/{first.Work}");
        ((string)marked["result"]!["total"]!).ShouldBe((string)told["allowed"]!);
        ((string)marked["rulings"]![0]!["reach"]!).ShouldBe("alike");

        var back = await (await instructor.SendAsync(HttpMethod.Delete, at)).Content.ReadAsStringAsync();
        TotalOf(JsonNode.Parse(back)!, first.Work).ShouldBe(TotalOf(before, first.Work));
        (await instructor.CodeOfAsync(HttpMethod.Delete, at)).ShouldBe("no-such-difference");
    }

    [Theory]
    [InlineData("svg", "image/svg+xml")]
    [InlineData("png", "image/png")]
    [InlineData("pdf", "application/pdf")]
    public async Task The_picture_of_a_class_goes_out_as_a_file_without_codes(string format, string type)
    {
        var (instructor, exercise, _, _) = await HandedInAsync();
        var path = $"{PathOf(exercise)}/class/picture";
        var response = await instructor.SendAsync(HttpMethod.Post, path, new { format });
        response.Content.Headers.ContentType!.MediaType.ShouldBe(type);
        (await instructor.CodeOfAsync(HttpMethod.Post, path, new { format, scale = 9 })).ShouldBe("scale");
        if (format != "svg")
        {
            return;
        }

        // Both have no altitude that is optional, or none at all; with three wanted, nothing is told of two.
        // The letters of the shipped faces are in the file as well, and hold any short code by chance.
        var picture = XDocument.Parse(await response.Content.ReadAsStringAsync());
        picture.Descendants().Where(one => one.Name.LocalName == "style").Remove();
        var told = picture.ToString(SaveOptions.DisableFormatting);
        told.ShouldContain("2 answers. A number says how many do not have it so.");
        told.ShouldContain(">1</text>");
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        desk["answers"]!.AsArray().ShouldAllBe(answer => !told.Contains((string)answer!["code"]!, Ordinal));
        var few = await (
            await instructor.SendAsync(HttpMethod.Post, path, new { format, least = 3 })
        ).Content.ReadAsStringAsync();
        few.ShouldContain("what fewer than 3 have otherwise is not shown");
        few.ShouldNotContain(">2</text>");
    }

    [Fact]
    public async Task Classes_that_were_asked_the_same_stand_side_by_side()
    {
        var (instructor, exercise, _, _) = await HandedInAsync();
        (await instructor.GetAsync($"{PathOf(exercise)}/class/others"))["classes"]!
            .AsArray()
            .ShouldNotContain(one => (Guid)one!["exerciseId"]! == exercise.Id);
        var (_, later, _, _) = await HandedInAsync();
        var others = (await instructor.GetAsync($"{PathOf(later)}/class/others"))["classes"]!.AsArray();
        var before = others.First(one => (Guid)one!["exerciseId"]! == exercise.Id)!;
        ((int)before["answers"]!).ShouldBe(2);
        var lines = (await instructor.GetAsync($"{PathOf(exercise)}/class"))["lines"]!.AsArray();
        before["lines"]!.AsArray().Count.ShouldBe(lines.Count);
        ((string)before["lines"]![0]!["share"]!).ShouldBe((string)lines[0]!["share"]!);
    }

    [Fact]
    public async Task Any_part_of_a_loss_is_given_back_and_no_other_amount()
    {
        var (instructor, exercise, first, _) = await HandedInAsync();
        var before = await instructor.GetAsync($"{PathOf(exercise)}/differences");
        var at = $"{PathOf(exercise)}/differences/{Altitude(before)["key"]}";
        foreach (var part in new[] { "0", "1", "3/2", "-1/2" })
        {
            (await instructor.CodeOfAsync(HttpMethod.Put, at, new { decision = "allow-in-part", part })).ShouldBe("no-part");
        }

        (await instructor.CodeOfAsync(HttpMethod.Put, at, new { decision = "allow", part = "1/2" })).ShouldBe("no-part");
        (await instructor.CodeOfAsync(HttpMethod.Get, $"{at}/alike?part=x")).ShouldBe("no-part");
        var told = (await instructor.GetAsync($"{at}/alike?part=1/4"))["answers"]![0]!;
        await instructor.PutAsync(at, new { decision = "allow-in-part", part = "1/4" });
        var marked = await instructor.GetAsync($"/api/marking/work/{first.Work}");
        var note = marked["result"]!["notes"]!
            .AsArray()
            .First(one => ((string)one!["headline"]!).Contains("altitude", OrdinalIgnoreCase))!;
        ((string)marked["rulings"]![0]!["part"]!).ShouldBe("1/4");
        ValueOf(note["loss"]!).ShouldBe(ValueOf(told["loss"]!) * 3 / 4, 1e-9);
    }

    [Fact]
    public async Task What_is_decided_for_all_holds_for_whoever_comes_later()
    {
        var (instructor, exercise, _, _) = await HandedInAsync();
        var before = await instructor.GetAsync($"{PathOf(exercise)}/differences");
        await instructor.PutAsync($"{PathOf(exercise)}/differences/{Altitude(before)["key"]}", new { decision = "allow" });
        using var late = await server.AsAsync("student3");
        var later = await Story.HandedInAsync(server, late, exercise, WithoutAltitude);
        var after = await instructor.GetAsync($"{PathOf(exercise)}/differences");
        TotalOf(after, later.Work).ShouldBe("20");
        Altitude(after)["places"]!.AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task Several_answers_are_gone_through_at_once_and_only_those_of_the_part()
    {
        var (instructor, exercise, first, second) = await HandedInAsync();
        var other = await HandedInAsync();
        var done = await instructor.PostAsync(
            $"{PathOf(exercise)}/gone-through",
            new { works = new[] { first.Work, second.Work, other.First.Work, Guid.NewGuid() } }
        );
        ((int)done["works"]!).ShouldBe(2);
        var states = (await instructor.GetAsync($"{PathOf(exercise)}/differences"))["works"]!
            .AsArray()
            .Select(work => (string)work!["state"]!)
            .ToList();
        states.Count(state => state == "gone-through").ShouldBe(2);
        (
            (int)(await instructor.PostAsync($"{PathOf(exercise)}/gone-through", new { works = new[] { first.Work } }))["works"]!
        ).ShouldBe(0);
    }

    [Fact]
    public async Task The_picture_of_the_class_says_at_each_fact_who_does_not_have_it()
    {
        var (instructor, exercise, first, _) = await HandedInAsync();
        var picture = await instructor.GetAsync($"{PathOf(exercise)}/class");
        var works = picture["works"]!.AsArray();
        works.Count.ShouldBe(2);
        ((string)picture["part"]!["model"]!).ShouldContain("Zeppelin");
        var altitude = picture["facts"]!
            .AsArray()
            .First(fact => (string)fact!["kind"]! == "attribute" && ((string)fact["title"]!).Contains("altitude", Ordinal))!;
        var absent = altitude["absent"]!.AsArray().Select(at => (string)works[(int)at!]!["id"]!);
        absent.ShouldContain(first.Work.ToString());
        var lost = picture["lines"]!.AsArray().SelectMany(line => line!["lost"]!.AsArray()).Select(at => (int)at!).Distinct();
        lost.Count().ShouldBe(2);
        picture["kinds"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task The_marks_are_a_table_by_codes_or_by_names_which_the_record_keeps()
    {
        var (instructor, exercise, first, _) = await HandedInAsync();
        var path = $"/api/marking/exercises/{exercise}/marks";
        var rows = await RowsAsync(instructor, path);
        rows.Count.ShouldBe(3);
        rows[0].ShouldStartWith("candidate,state,late,total of 20,part total of 20,");
        var desk = await instructor.GetAsync($"/api/marking/exercises/{exercise}");
        var answer = desk["answers"]!.AsArray().First(one => (string)one!["id"]! == first.Id.ToString())!;
        var row = rows.Single(row => row.StartsWith((string)answer["code"]!, Ordinal)).Split(',');
        row[1].ShouldBe("checked");
        ValueOf(answer["total"]!).ShouldBe(double.Parse(row[3], System.Globalization.CultureInfo.InvariantCulture), 1e-3);
        row[5..]
            .Sum(cell => double.Parse(cell, System.Globalization.CultureInfo.InvariantCulture))
            .ShouldBe(ValueOf(answer["total"]!), 0.25);
        rows.ShouldAllBe(one => !one.Contains('@'));

        var named = await RowsAsync(instructor, $"{path}?names=true");
        named[0].ShouldStartWith("candidate,name,email,state,");
        named[1..].ShouldAllBe(one => one.Contains('@'));
        using var assistant = await server.AsAsync("assistant");
        ((int)(await assistant.SendAsync(HttpMethod.Get, path)).StatusCode).ShouldBe(403);
        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Get, path)).ShouldBe("no-such-exercise");

        await instructor.PostAsync($"{PathOf(exercise)}/sample", new { count = 2 });
        (await RowsAsync(instructor, path))[1..]
            .ShouldAllBe(one => one.Split(',', StringSplitOptions.RemoveEmptyEntries).Length == 2);
    }

    private static async Task<List<string>> RowsAsync(Client client, string path)
    {
        var text = await (await client.SendAsync(HttpMethod.Get, path)).Content.ReadAsStringAsync();
        return [.. text.TrimStart('\uFEFF').Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(row => row.TrimEnd('\r'))];
    }

    [Fact]
    public async Task What_one_has_to_mark_blind_is_in_no_difference_and_no_picture()
    {
        var (instructor, exercise, _, _) = await HandedInAsync();
        await instructor.PostAsync($"{PathOf(exercise)}/sample", new { count = 2 });
        var differences = await instructor.GetAsync($"{PathOf(exercise)}/differences");
        differences["works"]!.AsArray().ShouldBeEmpty();
        ((int)differences["blind"]!).ShouldBe(2);
        var picture = await instructor.GetAsync($"{PathOf(exercise)}/class");
        picture["works"]!.AsArray().ShouldBeEmpty();
        picture["extras"]!.AsArray().ShouldBeEmpty();
        var all = differences.ToJsonString() + picture.ToJsonString();
        all.ShouldNotContain("attribute-missing");
    }

    [Fact]
    public async Task Only_who_teaches_or_marks_the_class_sees_it()
    {
        var (instructor, exercise, first, _) = await HandedInAsync();
        var key = (string)Altitude(await instructor.GetAsync($"{PathOf(exercise)}/differences"))["key"]!;
        var ways = new (HttpMethod Method, string Way, object? Body)[]
        {
            (HttpMethod.Get, "/differences", null),
            (HttpMethod.Get, $"/differences/{key}/alike", null),
            (HttpMethod.Put, $"/differences/{key}", new { decision = "allow" }),
            (HttpMethod.Delete, $"/differences/{key}", null),
            (HttpMethod.Post, "/gone-through", new { works = new[] { first.Work } }),
            (HttpMethod.Get, "/class", null),
        };
        using var outsider = await server.AsAsync("outsider");
        using var student = await server.AsAsync("student");
        foreach (var (method, way, body) in ways)
        {
            (await outsider.CodeOfAsync(method, PathOf(exercise) + way, body)).ShouldBe("no-such-part", way);
            ((int)(await student.SendAsync(method, PathOf(exercise) + way, body)).StatusCode).ShouldBe(403, way);
        }

        (
            await instructor.CodeOfAsync(HttpMethod.Put, $"{PathOf(exercise)}/differences/none", new { decision = "allow" })
        ).ShouldBe("no-such-difference");
        var draft = await Story.DraftAsync(server, instructor);
        (await instructor.CodeOfAsync(HttpMethod.Get, $"{PathOf(draft)}/class")).ShouldBe("not-published");
    }

    private static double ValueOf(JsonNode rational)
    {
        var parts = ((string)rational!).Split('/');
        return double.Parse(parts[0], System.Globalization.CultureInfo.InvariantCulture)
            / (parts.Length > 1 ? double.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture) : 1);
    }
}
