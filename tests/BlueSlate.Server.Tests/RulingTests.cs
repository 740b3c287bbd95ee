using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>
/// Decisions for all alike answers, what stands for what, and what a change would do, told before it is made.
/// </summary>
public sealed class RulingTests(TestServer server) : IClassFixture<TestServer>
{
    /// <summary>The faulty answer under other ids and in another order, with one more fault.</summary>
    private static readonly Drawing AlsoFaulty = new Sketch()
        .Box("Mooring", "PK mast code")
        .Box("Zeppelin", "PK hull number")
        .Line("Mooring", Ends.OneOrMore, "Zeppelin", Ends.One, "is anchored by", "anchors")
        .ToDrawing();

    [Fact]
    public async Task A_decision_for_all_holds_for_alike_answers_and_for_those_that_come_later()
    {
        var (instructor, exercise, first, second) = await TwoFaultyAsync();
        var finding = await FindingAsync(instructor, first, "cardinality-min");
        var alike = (await instructor.GetAsync($"/api/marking/work/{first.Work}/alike?finding={finding}"))["answers"]!.AsArray();
        alike.Select(row => (Guid)row!["id"]!).ShouldBe([first.Work, second.Work]);
        alike.ShouldAllBe(row => !(bool)row!["identical"]! || (Guid)row["id"]! == first.Work);

        await instructor.PutAsync(
            $"/api/marking/work/{first.Work}/rulings?finding={finding}",
            new
            {
                decision = "allow",
                comment = "Both are right.",
                reach = "alike",
            }
        );
        foreach (var (answer, before) in new[] { (first, alike[0]!), (second, alike[1]!) })
        {
            var now = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
            ((string)now["result"]!["total"]!).ShouldBe((string)before["allowed"]!);
            var ruling = now["rulings"]!.AsArray().ShouldHaveSingleItem()!;
            ((string)ruling["reach"]!, (string)ruling["comment"]!).ShouldBe(("alike", "Both are right."));
            (await TotalOnDeskAsync(instructor, exercise, answer.Work)).ShouldBe((string)before["allowed"]!);
        }

        using var late = await server.AsAsync("student3");
        var third = await Story.HandedInAsync(server, late, exercise, Story.Faulty);
        (await instructor.GetAsync($"/api/marking/work/{third.Work}"))["rulings"]!.AsArray().Count.ShouldBe(1);

        // Taken back where it is seen, it is gone for all.
        await instructor.SendAsync(
            HttpMethod.Delete,
            $"/api/marking/work/{second.Work}/rulings?finding={await FindingAsync(instructor, second, "cardinality-min")}"
        );
        (await instructor.GetAsync($"/api/marking/work/{first.Work}"))["rulings"]!.AsArray().ShouldBeEmpty();
        (await TotalOnDeskAsync(instructor, exercise, first.Work)).ShouldBe((string)alike[0]!["now"]!);
    }

    [Fact]
    public async Task Identical_drawings_are_never_decided_on_differently()
    {
        var (instructor, exercise, first, other) = await TwoFaultyAsync();
        using var student = await server.AsAsync("student3");
        var twin = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var finding = await FindingAsync(instructor, first, "cardinality-min");
        await instructor.PutAsync($"/api/marking/work/{first.Work}/rulings?finding={finding}", new { decision = "allow" });
        (await instructor.GetAsync($"/api/marking/work/{twin.Work}"))["rulings"]!.AsArray().Count.ShouldBe(1);
        (await instructor.GetAsync($"/api/marking/work/{other.Work}"))["rulings"]!.AsArray().ShouldBeEmpty();
        await instructor.SendAsync(HttpMethod.Delete, $"/api/marking/work/{twin.Work}/rulings?finding={finding}");
        (await instructor.GetAsync($"/api/marking/work/{first.Work}"))["rulings"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_note_of_the_markers_own_counts_in_its_line_for_all_with_the_same_drawing_until_it_is_taken_back()
    {
        var (instructor, exercise, first, other) = await TwoFaultyAsync();
        using var student = await server.AsAsync("student3");
        var twin = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var before = await instructor.GetAsync($"/api/marking/work/{first.Work}");
        var line = before["result"]!["lines"]!.AsArray().First(one => (string)one!["earned"]! == (string)one["marks"]!)!;
        var box = (string)JsonNode.Parse((string)before["drawing"]!)!["sheets"]![0]!["shapes"]![0]!["id"]!;
        var at = $"/api/marking/work/{first.Work}/adjustments";
        var after = await instructor.PostAsync(
            at,
            new
            {
                amount = "-1/2",
                reason = "The mast is a place, not a thing.",
                line = (string)line["id"]!,
                elements = new[] { box },
            }
        );
        var own = after["result"]!["adjustments"]!.AsArray().ShouldHaveSingleItem()!;
        ((string)own["line"]!, (string)own["amount"]!, (string)own["reason"]!, (string)own["elements"]![0]!).ShouldBe(
            ((string)line["title"]!, "-1/2", "The mast is a place, not a thing.", box)
        );
        var told = TotalOf(before) - new Rational(1, 2);
        TotalOf(after).ShouldBe(told);
        (await TotalOnDeskAsync(instructor, exercise, first.Work)).ShouldBe(told.ToString());
        (await TotalOnDeskAsync(instructor, exercise, twin.Work)).ShouldBe(told.ToString());
        TotalOf(await instructor.GetAsync($"/api/marking/work/{other.Work}")).ShouldNotBe(told);

        // Decisions on what was found go on beside it.
        var finding = await FindingAsync(instructor, first, "cardinality-min");
        var both = await instructor.PutAsync(
            $"/api/marking/work/{first.Work}/rulings?finding={finding}",
            new { decision = "allow" }
        );
        both["result"]!["adjustments"]!.AsArray().Count.ShouldBe(1);
        await instructor.SendAsync(HttpMethod.Delete, $"/api/marking/work/{first.Work}/rulings?finding={finding}");

        await instructor.PostAsync($"/api/marking/exercises/{exercise}/release");
        var marks = await Story.MarksAsync(student, twin);
        ((string)marks["result"]!["adjustments"]![0]!["reason"]!).ShouldBe("The mast is a place, not a thing.");
        TotalOf(marks).ShouldBe(told);

        // What is released changes only once a person takes the change.
        await instructor.SendAsync(HttpMethod.Delete, $"{at}/{(string)own["id"]!}");
        TotalOf(await Story.MarksAsync(student, twin)).ShouldBe(told);
        (await instructor.GetAsync($"/api/marking/exercises/{exercise}/remarking"))["proposals"]!
            .AsArray()
            .Count(one => (string)one!["before"]! == told.ToString())
            .ShouldBe(2);
        (await instructor.CodeOfAsync(HttpMethod.Delete, $"{at}/{(string)own["id"]!}")).ShouldBe("no-such-adjustment");
    }

    [Fact]
    public async Task A_total_is_adjusted_for_one_answer_alone_and_what_makes_no_sense_is_refused()
    {
        var (instructor, exercise, first, _) = await TwoFaultyAsync();
        using var student = await server.AsAsync("student3");
        var twin = await Story.HandedInAsync(server, student, exercise, Story.Faulty);
        var at = $"/api/marking/work/{first.Work}/adjustments";
        var before = TotalOf(await instructor.GetAsync($"/api/marking/work/{first.Work}"));
        TotalOf(await instructor.PostAsync(at, new { amount = "2", reason = "Shown at the board as well." }))
            .ShouldBe(before + 2);
        TotalOf(await instructor.GetAsync($"/api/marking/work/{twin.Work}")).ShouldBe(before);
        foreach (
            var (body, code) in new (object, string)[]
            {
                (new { amount = "1", reason = " " }, "reason-wanted"),
                (new { amount = "1", reason = new string('x', 1001) }, "too-long"),
                (new { amount = "41", reason = "Too much." }, "marks"),
                (
                    new
                    {
                        amount = "-1",
                        reason = "Where?",
                        line = "nowhere",
                    },
                    "no-such-line"
                ),
                (
                    new
                    {
                        amount = "-1",
                        reason = "Where?",
                        elements = new[] { "nowhere" },
                    },
                    "no-such-part"
                ),
                (new { amount = "0", reason = "What?" }, "nothing"),
            }
        )
        {
            (await instructor.CodeOfAsync(HttpMethod.Post, at, body)).ShouldBe(code);
        }

        using var outsider = await server.AsAsync("outsider");
        (await outsider.CodeOfAsync(HttpMethod.Post, at, new { amount = "1", reason = "Mine." })).ShouldBe("no-such-answer");
    }

    private static Rational TotalOf(JsonNode page) =>
        Rational.TryParse((string)page["result"]!["total"]!, out var total) ? total : throw new FormatException();

    [Fact]
    public async Task A_decision_for_one_answer_goes_before_that_for_all()
    {
        var (instructor, _, first, second) = await TwoFaultyAsync();
        var finding = await FindingAsync(instructor, first, "cardinality-min");
        var path = $"/api/marking/work/{first.Work}/rulings?finding={finding}";
        await instructor.PutAsync(path, new { decision = "allow", reach = "alike" });
        await instructor.PutAsync(path, new { decision = "keep-loss", reach = "answer" });
        ((string)(await instructor.GetAsync($"/api/marking/work/{first.Work}"))["rulings"]![0]!["decision"]!).ShouldBe(
            "keep-loss"
        );
        ((string)(await instructor.GetAsync($"/api/marking/work/{second.Work}"))["rulings"]![0]!["decision"]!).ShouldBe("allow");
    }

    [Fact]
    public async Task A_released_answer_is_left_out_of_a_later_decision_for_all()
    {
        var (instructor, exercise, first, second) = await TwoFaultyAsync();
        await using (var context = server.Database.Open())
        {
            context.ReleasedSheets.Add(
                new ReleasedSheet
                {
                    WorkId = second.Work,
                    Frozen = "{}",
                    Total = "0",
                    Maximum = "40",
                    ReleasedAt = DateTimeOffset.UnixEpoch,
                }
            );
            await context.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        var finding = await FindingAsync(instructor, first, "cardinality-min");
        var alike = (await instructor.GetAsync($"/api/marking/work/{first.Work}/alike?finding={finding}"))["answers"]!.AsArray();
        alike.Select(row => (Guid)row!["id"]!).ShouldBe([first.Work]);
        var before = await TotalOnDeskAsync(instructor, exercise, second.Work);
        await instructor.PutAsync(
            $"/api/marking/work/{first.Work}/rulings?finding={finding}",
            new { decision = "allow", reach = "alike" }
        );
        (await TotalOnDeskAsync(instructor, exercise, second.Work)).ShouldBe(before);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Put,
                $"/api/marking/work/{second.Work}/stands-for",
                new { model = "b1", answer = "b1" }
            )
        ).ShouldBe("released");
    }

    [Fact]
    public async Task What_a_marker_says_stands_for_something_changes_the_mark_as_was_told()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var student = await server.AsAsync("student");
        var answer = await Story.HandedInAsync(
            server,
            student,
            exercise,
            new Sketch().Box("Weather", "PK day", "wind").Box("Mooring", "PK mast code", "o altitude").ToDrawing()
        );
        var path = $"/api/marking/work/{answer.Work}/stands-for";
        var before = await instructor.GetAsync($"/api/marking/work/{answer.Work}");
        var model = Thing(before["stands"]!["model"]!, "Zeppelin");
        var said = new { model, answer = Thing(before["stands"]!["answer"]!, "Weather") };
        var foretold = (string)(await instructor.PostAsync($"{path}/preview", said))["total"]!;
        (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["stands"]!
            .ToJsonString()
            .ShouldBe(before["stands"]!.ToJsonString());

        var after = await instructor.PutAsync(path, said);
        ((string)after["result"]!["total"]!).ShouldBe(foretold);
        foretold.ShouldNotBe((string)before["result"]!["total"]!);
        (await TotalOnDeskAsync(instructor, exercise, answer.Work)).ShouldBe(foretold);
        after["stands"]!["pairs"]!.AsArray().Single(pair => (bool)pair!["said"]!)!["model"]!.GetValue<string>().ShouldBe(model);

        var back = await instructor.PutAsync(path, new { model, answer = (string?)null });
        ((string)back["result"]!["total"]!).ShouldBe((string)before["result"]!["total"]!);
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { model, answer = "b99" })).ShouldBe("no-such-thing");
        (await instructor.CodeOfAsync(HttpMethod.Put, path, new { model = "b99", answer = said.answer })).ShouldBe(
            "no-such-thing"
        );
    }

    [Fact]
    public async Task Whose_marks_a_tolerance_would_change_is_told_and_nothing_is_saved()
    {
        var (instructor, exercise, first, second) = await TwoFaultyAsync();
        var before = await Story.PartAsync(instructor, exercise);
        var scheme = before["assessment"]!["value"]!["scheme"]!.DeepClone();
        var facts = scheme["lines"]!
            .AsArray()
            .SelectMany(line => line!["facts"]!.AsArray())
            .Select(fact => (string)fact!)
            .Where(fact => fact.StartsWith("min:", StringComparison.Ordinal));
        var value = new
        {
            tolerances = facts.Select(fact => new
            {
                fact,
                accepted = new[] { "0", "1" },
                optional = false,
                notAssessed = false,
            }),
            scheme,
        };
        var told = await instructor.PostAsync($"/api/parts/{exercise.Part}/assessment/preview", new { value });
        told["changes"]!.AsArray().Select(row => (Guid)row!["id"]!).ShouldBe([first.Work, second.Work], ignoreOrder: true);
        (await Story.PartAsync(instructor, exercise)).ToJsonString().ShouldBe(before.ToJsonString());

        await instructor.PutAsync(
            $"/api/parts/{exercise.Part}/assessment",
            new { revision = (int)before["assessment"]!["revision"]!, value }
        );
        foreach (var row in told["changes"]!.AsArray())
        {
            await server.CheckAsync((Guid)row!["id"]!);
            (await TotalOnDeskAsync(instructor, exercise, (Guid)row["id"]!)).ShouldBe((string)row["after"]!);
        }

        using var assistant = await server.AsAsync("assistant");
        (await assistant.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/assessment/preview", new { value })).ShouldBe(
            "not-allowed"
        );
    }

    private async Task<(Client Instructor, SetExercise Exercise, SatAnswer First, SatAnswer Second)> TwoFaultyAsync()
    {
        var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        using var one = await server.AsAsync("student");
        using var two = await server.AsAsync("student2");
        return (
            instructor,
            exercise,
            await Story.HandedInAsync(server, one, exercise, Story.Faulty),
            await Story.HandedInAsync(server, two, exercise, AlsoFaulty)
        );
    }

    private static async Task<string> FindingAsync(Client instructor, SatAnswer answer, string code)
    {
        var notes = (await instructor.GetAsync($"/api/marking/work/{answer.Work}"))["result"]!["notes"]!.AsArray();
        return Uri.EscapeDataString(
            (string)notes.First(note => ((string)note!["id"]!).StartsWith(code, StringComparison.Ordinal))!["id"]!
        );
    }

    private static async Task<string?> TotalOnDeskAsync(Client instructor, SetExercise exercise, Guid work) =>
        (string?)
            (await instructor.GetAsync($"/api/marking/exercises/{exercise}"))["answers"]!
                .AsArray()
                .First(row => (Guid)row!["works"]![0]!["id"]! == work)!["total"];

    private static string Thing(JsonNode things, string name) =>
        (string)things.AsArray().First(thing => (string)thing!["name"]! == name)!["id"]!;
}
