using System.Text.Json;
using BlueSlate.Core.Drawings;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Drawings;

/// <summary>
/// The document format: what is read, what is refused and how, and that nothing is lost on the way there and back.
/// </summary>
public sealed class DrawingReaderTests
{
    public static TheoryData<string> Families => [.. HostileFiles.All.Select(file => file.Family).Distinct()];

    [Fact]
    public void There_are_a_thousand_hostile_files_of_many_families()
    {
        HostileFiles.All.Count.ShouldBeGreaterThanOrEqualTo(1000);
        HostileFiles.All.Select(file => file.Family).Distinct().Count().ShouldBeGreaterThanOrEqualTo(12);
        HostileFiles.All.Count(file => file.Key == "not-json").ShouldBeLessThanOrEqualTo(HostileFiles.All.Count / 3);
    }

    [Theory]
    [MemberData(nameof(Families))]
    public void A_hostile_file_gets_its_key_and_path(string family)
    {
        foreach (var file in HostileFiles.All.Where(file => file.Family == family))
        {
            var outcome = DrawingReader.Read(file.Bytes);
            outcome.Drawing.ShouldBeNull(family);
            var problem = outcome.Problems.Single();
            problem.Key.ShouldBe(file.Key, family);
            problem.Line.ShouldBeGreaterThan(0);
            problem.Message.ShouldNotBeNullOrWhiteSpace();
            if (file.Path.Length > 0)
            {
                problem.Path.ShouldBe(file.Path, family);
            }
        }
    }

    [Fact]
    public void The_line_of_a_problem_is_told()
    {
        var problem = DrawingReader
            .Read(
                "{\n\"format\": \"blue-slate-drawing\",\n\"version\": 1,\n\"sheets\": [{\n\"id\": \"s\",\n\"shapes\": "
                    + "[{ \"id\": \"b\",\n\"form\": \"blob\" }]}]}"
            )
            .Problems.Single();
        problem.Line.ShouldBe(7);
        problem.Path.ShouldBe("$.sheets[0].shapes[0].form");
    }

    [Fact]
    public void Unknown_properties_are_passed_over_and_a_byte_order_mark_too()
    {
        var text =
            "\uFEFF{\"format\":\"blue-slate-drawing\",\"version\":1,\"later\":{\"a\":[1,2]},\"sheets\":[{\"id\":\"s\",\"colour\":3}]}";
        DrawingReader.Read(text).Drawing.ShouldNotBeNull();
    }

    [Fact]
    public void Written_and_read_again_a_drawing_is_the_same() =>
        RandomDrawings.Any.Sample(
            drawing =>
            {
                var written = DrawingWriter.Write(drawing);
                var outcome = DrawingReader.Read(written);
                outcome.Problems.ShouldBeEmpty();
                DrawingWriter.Write(outcome.Drawing!).ShouldBe(written);
            },
            iter: 300
        );

    [Fact]
    public void Any_bytes_give_a_drawing_or_a_problem() =>
        Gen
            .Byte.Array[0, 200]
            .Sample(
                bytes =>
                {
                    var outcome = DrawingReader.Read(bytes);
                    (outcome.Drawing is null).ShouldBe(outcome.Problems.Count > 0);
                },
                iter: 2000
            );

    [Fact]
    public void Any_cut_of_a_document_gives_a_problem()
    {
        var whole = DrawingWriter.Write(
            new Sketch().Box("Visit", "PK visit no").Box("Item").Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "é").ToDrawing()
        );
        for (var length = 0; length < whole.Length; length++)
        {
            DrawingReader.Read(whole.AsSpan(0, length)).Problems.ShouldNotBeEmpty();
        }
    }

    [Fact]
    public void The_published_schema_names_no_meaning_and_the_words_that_the_reader_knows()
    {
        var schema = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "drawing.schema.json"));
        using var parsed = JsonDocument.Parse(schema);
        foreach (
            var meaning in new[]
            {
                "entity",
                "entities",
                "attribute",
                "key",
                "cardinality",
                "participation",
                "minimum\":\"",
                "weak",
                "subtype",
                "supertype",
                "relationship",
                "identifying",
                "primary",
                "foreign",
            }
        )
        {
            Words(parsed.RootElement).ShouldNotContain(meaning);
        }

        foreach (
            var word in Vocabulary
                .Outlines.All.Concat(Vocabulary.Strokes.All)
                .Concat(Vocabulary.Underlines.All)
                .Concat(Vocabulary.Sides.All)
        )
        {
            schema.ShouldContain($"\"{word}\"");
        }

        // The names of symbols are those of their files, so that a new symbol needs no new schema.
        foreach (var symbol in new[] { Symbols.Forms, Symbols.Ends, Symbols.Along }.SelectMany(table => table.All))
        {
            foreach (var meaning in new[] { "entity", "key", "weak", "subtype", "class", "many", "optional" })
            {
                symbol.Name.ShouldNotContain(meaning);
            }
        }

        foreach (var limit in new[] { DrawingLimits.Shapes, DrawingLimits.Lines, DrawingLimits.LinesInBox, DrawingLimits.Text })
        {
            schema.ShouldContain($": {limit}");
        }
    }

    // The names of properties and the values of enumerations, which is where meaning would hide.
    private static IEnumerable<string> Words(JsonElement element)
    {
        if (element.ValueKind == JsonValueKind.Object)
        {
            foreach (var property in element.EnumerateObject())
            {
                if (property.Name is "title" or "description" or "$comment")
                {
                    continue;
                }

                if (property.Name == "properties")
                {
                    foreach (var name in property.Value.EnumerateObject())
                    {
                        yield return name.Name;
                    }
                }

                if (property.Name is "enum" or "const")
                {
                    foreach (var word in property.Value.ToString().Split('"'))
                    {
                        yield return word;
                    }
                }

                foreach (var word in Words(property.Value))
                {
                    yield return word;
                }
            }
        }
        else if (element.ValueKind == JsonValueKind.Array)
        {
            foreach (var word in element.EnumerateArray().SelectMany(Words))
            {
                yield return word;
            }
        }
    }
}
