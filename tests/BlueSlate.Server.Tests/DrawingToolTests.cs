using System.Net;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>Amending, redrawing and lifting at the server: what they give, to whom, and what they refuse.</summary>
public sealed class DrawingToolTests(TestServer server) : IClassFixture<TestServer>
{
    private static readonly Drawing Visits = new Sketch()
        .Box("Visit", "PK visit no", "date")
        .Box("Item", "PK item no", "date")
        .ToDrawing();

    [Fact]
    public async Task A_typed_statement_comes_back_as_a_drawing_with_places()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var reply = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/amend",
            new
            {
                drawing = DrawingWriter.WriteText(Visits),
                lines = new[]
                {
                    "Visit: visit no (key), date",
                    "Item: item no (key), date",
                    "Visit brings in 1 or more Item; Item comes in on exactly 1 Visit",
                    "Fixer",
                },
            }
        );
        var drawing = DrawingReader.Read((string)reply["drawing"]!).Drawing!;
        drawing.Shapes.Select(shape => shape.Text).ShouldBe(["Visit", "Item", "Fixer"]);
        drawing.Shapes.ShouldAllBe(shape => shape.Place != null);
        drawing.Lines.Single().To.Marks.ShouldBe([EndMark.Foot, EndMark.Bar]);
        reply["problems"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task What_two_boxes_share_is_proposed_and_lifted()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var text = DrawingWriter.WriteText(Visits);
        var rows = (
            await instructor.PostAsync(
                $"/api/parts/{exercise.Part}/members",
                new { drawing = text, shapes = new[] { "b1", "b2" } }
            )
        )["rows"]!.AsArray();
        var shared = rows.Single(row => (bool)row!["shared"]!)!;
        ((string)shared["name"]!).ShouldBe("date");
        var members = shared["cells"]!.AsArray().Select(cell => (string)cell!["attributeId"]!).ToArray();
        var lifted = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/lift",
            new
            {
                drawing = text,
                shapes = new[] { "b1", "b2" },
                name = "Event",
                members = new[] { members },
            }
        );
        var drawing = DrawingReader.Read((string)lifted["drawing"]!).Drawing!;
        drawing.Shapes.Single(shape => shape.Text == "Event").TextLines.Single().Text.ShouldBe("date");
        drawing.Shapes.Count(shape => shape.Form == Form.HalfCircle).ShouldBe(1);
        drawing.Shapes.First().TextLines.Select(row => row.Text).ShouldBe(["visit no"]);

        var super = drawing.Shapes.Single(shape => shape.Text == "Event").Id;
        var pushed = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/push-down",
            new { drawing = DrawingWriter.WriteText(drawing), shape = super }
        );
        var again = DrawingReader.Read((string)pushed["drawing"]!).Drawing!;
        again.Shapes.Select(shape => shape.Text).ShouldBe(["Visit", "Item"]);
        again.Shapes.SelectMany(shape => shape.TextLines).Count(row => row.Text == "date").ShouldBe(2);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/push-down",
                new { drawing = text, shape = "b1" }
            )
        ).ShouldBe("no-subtypes");
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/lift",
                new
                {
                    drawing = text,
                    shapes = new[] { "b1", "b2" },
                    name = " ",
                    members = Array.Empty<string[]>(),
                }
            )
        ).ShouldBe("lift");
    }

    [Theory]
    [InlineData("chen")]
    [InlineData("uml")]
    public async Task A_drawing_is_redrawn_in_another_notation_and_laid_out(string notation)
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        var reply = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/redraw",
            new { drawing = DrawingWriter.WriteText(Visits), notation }
        );
        DrawingReader.Read((string)reply["drawing"]!).Drawing!.Shapes.ShouldAllBe(shape => shape.Place != null);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/redraw",
                new { drawing = DrawingWriter.WriteText(Visits), notation = "runes" }
            )
        ).ShouldBe("notation");
    }

    [Fact]
    public async Task A_student_has_the_aids_that_the_part_allows_and_no_others()
    {
        using var instructor = await server.AsAsync("instructor");
        using var student = await server.AsAsync("student");
        var exercise = await Story.PublishedAsync(server, instructor);
        var answer = await Story.StartedAsync(student, exercise);
        var text = DrawingWriter.WriteText(Visits);
        foreach (
            var (path, body) in new (string, object)[]
            {
                ("redraw", new { drawing = text, notation = "uml" }),
                ("members", new { drawing = text, shapes = new[] { "b1", "b2" } }),
                ("push-down", new { drawing = text, shape = "b1" }),
            }
        )
        {
            (await student.SendAsync(HttpMethod.Post, $"/api/study/work/{answer.Work}/{path}", body)).StatusCode.ShouldBe(
                HttpStatusCode.Forbidden,
                path
            );
        }
    }

    [Fact]
    public async Task A_stage_is_begun_laid_out_and_split_and_what_cannot_be_done_is_told()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.MadeAsync(server, instructor, "Tool book");
        var part = new PartDocument { Learned = new DependencyOptions() };
        await instructor.PutAsync($"/api/parts/{exercise.Part}", new { revision = 1, value = part });
        var begun = await instructor.PostAsync(
            $"/api/parts/{exercise.Part}/amend",
            new
            {
                drawing = DrawingWriter.WriteText(Drawing.Empty),
                lines = new[] { "Key: loan no, tool no", "Tool no determines tool", "Loan no and tool no determine fee" },
            }
        );
        var drawing = DrawingReader.Read((string)begun["drawing"]!).Drawing!;
        drawing = await Done("next-stage", drawing.Sheets[0].Id);
        drawing.Sheets[1].Name.ShouldBe("1NF");
        drawing.Shapes.ShouldAllBe(shape => shape.Place != null);
        // The table with the arrows of the diagram in it, and what gathers them.
        drawing.Sheets[1].Lines.Length.ShouldBe(4);
        var rows = drawing
            .Sheets[1]
            .Shapes.Single(shape => shape.Form == Form.Strip)
            .TextLines.ToDictionary(row => row.Text, row => row.Id);
        var split = await Done("own-table", rows["tool no"]);
        split
            .Sheets[1]
            .Shapes.Where(shape => shape.Form == Form.Strip)
            .Select(shape => shape.Text)
            .ShouldBe(["Everything", "Tool"]);
        foreach (var (deed, on, code) in new[] { ("own-table", rows["fee"], "cannot-do"), ("fold", rows["fee"], "deed") })
        {
            (await instructor.CodeOfAsync(HttpMethod.Post, $"/api/parts/{exercise.Part}/do", Deed(deed, on))).ShouldBe(code);
        }

        object Deed(string deed, string on) =>
            new
            {
                drawing = DrawingWriter.WriteText(drawing),
                deed,
                on = new[] { on },
            };

        async Task<Drawing> Done(string deed, string on) =>
            DrawingReader
                .Read((string)(await instructor.PostAsync($"/api/parts/{exercise.Part}/do", Deed(deed, on)))["drawing"]!)
                .Drawing!;
    }

    [Fact]
    public async Task A_stage_is_painted_as_tables_in_crows_foot_and_opens_there()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.MadeAsync(server, instructor, "Tool book");
        var part = new PartDocument { Learned = new DependencyOptions() };
        await instructor.PutAsync($"/api/parts/{exercise.Part}", new { revision = 1, value = part });
        var drawing = Typed(
            "Attributes: loan no, tool no, tool",
            "3NF: Loan has loan no (key), tool no (foreign key)",
            "3NF: Tool has tool no (key), tool"
        );

        var picture = await PaintAsync("crows-foot");
        picture.StatusCode.ShouldBe(HttpStatusCode.OK, await picture.Content.ReadAsStringAsync());
        var svg = await picture.Content.ReadAsStringAsync();
        svg.ShouldContain(">FK<");
        svg.ShouldContain(">PK<");
        (await PaintAsync("runes")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await PaintAsync("chen")).StatusCode.ShouldBe(HttpStatusCode.Conflict);

        Task<HttpResponseMessage> PaintAsync(string notation) =>
            instructor.SendAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/picture",
                new
                {
                    drawing,
                    format = "svg",
                    only = Array.Empty<string>(),
                    scale = 1,
                    @as = notation,
                }
            );
    }

    private static string Typed(params string[] lines)
    {
        var options = new DependencyOptions();
        var typed = Subject.Of(options).Retype(Drawing.Empty, lines, options)!;
        typed.Problems.ShouldBeEmpty();
        return DrawingWriter.WriteText((Drawing)typed.Document);
    }

    [Fact]
    public async Task Too_much_text_is_refused()
    {
        using var instructor = await server.AsAsync("instructor");
        var exercise = await Story.PublishedAsync(server, instructor);
        (
            await instructor.CodeOfAsync(
                HttpMethod.Post,
                $"/api/parts/{exercise.Part}/amend",
                new { drawing = DrawingWriter.WriteText(Visits), lines = new[] { new string('x', 1001) } }
            )
        ).ShouldBe("too-many");
    }
}
