using System.Diagnostics;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>The command line as a process: files in, files out, exit codes, messages.</summary>
public sealed class CommandLineTests : IDisposable
{
    private static readonly string Demo = Path.GetFullPath(
        Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "demo")
    );

    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("blueslate-cli");

    [Fact]
    public async Task A_folder_of_answers_is_checked_with_a_result_each_and_one_table()
    {
        var (code, output, error) = await RunAsync(
            "check",
            "--exercise",
            Path.Combine(Demo, "repair-cafe"),
            "--answers",
            Path.Combine(Demo, "repair-cafe", "answers"),
            "--out",
            folder.FullName
        );
        code.ShouldBe(0, error);
        output.ShouldContain("12 checked, 0 could not be read or assessed.");
        var marks = await File.ReadAllLinesAsync(Path.Combine(folder.FullName, "marks.csv"));
        marks.Length.ShouldBe(13);
        marks.ShouldContain("amara,40,40,0,,40,40");
        var result = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(folder.FullName, "ben.result.json")))!;
        result["notes"]!
            .AsArray()
            .Select(note => (string)note!["code"]!)
            .Order()
            .ShouldBe(["attribute-misplaced", "cardinality-min"]);
    }

    [Fact]
    public async Task An_exercise_is_looked_over_and_what_no_words_decide_is_told()
    {
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Demo, "repair-cafe")))
        {
            File.Copy(file, Path.Combine(folder.FullName, Path.GetFileName(file)));
        }

        var (clean, nothing, _) = await RunAsync("preflight", "--exercise", folder.FullName);
        clean.ShouldBe(0);
        nothing.ShouldBeEmpty();

        var scenario = Path.Combine(folder.FullName, "scenario.md");
        var text = await File.ReadAllTextAsync(scenario);
        await File.WriteAllTextAsync(scenario, text.Replace("exactly one fixer", "fixers", StringComparison.Ordinal));
        var (code, output, error) = await RunAsync("preflight", "--exercise", folder.FullName);

        code.ShouldBe(0, error);
        output.Trim().Split('\n').ShouldHaveSingleItem().ShouldEndWith("Better: “A repair is done by exactly one fixer.”");
    }

    [Fact]
    public async Task What_was_amiss_in_the_part_with_which_another_begins_costs_nothing_there()
    {
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            Path.Combine(Demo, "pottery-studio"),
            "--answers",
            Path.Combine(Demo, "pottery-studio", "answers"),
            "--out",
            folder.FullName
        );

        code.ShouldBe(0, error);
        var second = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(folder.FullName, "part-2", "ben.result.json")))!;
        var inherited = second["notes"]!.AsArray().Single(note => (string)note!["inherited"]! == "wholly")!;
        ((string)inherited["code"]!).ShouldBe("cardinality-min");
        ((string)inherited["loss"]!).ShouldBe("0");
    }

    [Fact]
    public async Task Parts_are_checked_by_themselves_and_their_marks_are_summed()
    {
        var answers = folder.CreateSubdirectory("answers");
        foreach (var part in new[] { "part-1", "part-2" })
        {
            answers.CreateSubdirectory(part);
            File.Copy(
                Path.Combine(Demo, "pottery-studio", "answers", part, "elif.json"),
                Path.Combine(answers.FullName, part, "elif.json")
            );
        }

        File.Copy(
            Path.Combine(Demo, "pottery-studio", "answers", "part-1", "ben.json"),
            Path.Combine(answers.FullName, "part-1", "half.json")
        );
        var output = folder.CreateSubdirectory("out");
        var (code, told, error) = await RunAsync(
            "check",
            "--exercise",
            Path.Combine(Demo, "pottery-studio"),
            "--answers",
            answers.FullName,
            "--out",
            output.FullName
        );
        code.ShouldBe(0, error);
        told.ShouldContain("3 checked, 0 could not be read or assessed.");
        File.Exists(Path.Combine(output.FullName, "part-2", "elif.result.json")).ShouldBeTrue();
        (await LinesAsync("part-1")).ShouldBe(["elif,24,24,0,,24,24", "half,21.5,24,2,,21,22"]);
        (await LinesAsync("part-2")).ShouldBe(["elif,16,16,1,,16,16"]);
        // Without its second part an answer has no total.
        (await LinesAsync(".")).ShouldBe(["elif,40,40,1,,40,40", "half,,,2,,,"]);

        async Task<IEnumerable<string>> LinesAsync(string part) =>
            (await File.ReadAllLinesAsync(Path.Combine(output.FullName, part, "marks.csv"))).Skip(1);
    }

    [Fact]
    public async Task An_exercise_without_parts_is_refused()
    {
        await File.WriteAllTextAsync(Path.Combine(folder.FullName, "question.json"), "{ \"title\": \"Nothing\", \"parts\": [] }");
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            folder.FullName,
            "--answers",
            folder.FullName,
            "--out",
            folder.FullName
        );
        code.ShouldBe(2);
        error.ShouldContain("An exercise has one part at least.");
    }

    [Fact]
    public async Task One_bad_file_is_reported_with_file_line_and_path_and_stops_nobody()
    {
        var answers = folder.CreateSubdirectory("answers");
        File.Copy(Path.Combine(Demo, "repair-cafe", "answers", "amara.json"), Path.Combine(answers.FullName, "good.json"));
        await File.WriteAllTextAsync(
            Path.Combine(answers.FullName, "bad.json"),
            "{\n\"format\": \"blue-slate-drawing\",\n\"version\": 1,\n\"sheets\": 7 }"
        );
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            Path.Combine(Demo, "repair-cafe"),
            "--answers",
            answers.FullName,
            "--out",
            folder.FullName
        );
        code.ShouldBe(1);
        error.ShouldContain("bad.json:4: $.sheets: Here a list is wanted.");
        File.Exists(Path.Combine(folder.FullName, "good.result.json")).ShouldBeTrue();
    }

    [Fact]
    public async Task Cells_that_a_spreadsheet_would_run_are_quoted()
    {
        var answers = folder.CreateSubdirectory("answers");
        foreach (var name in new[] { "=1+1", "+x", "-x", "@x" })
        {
            File.Copy(Path.Combine(Demo, "repair-cafe", "answers", "amara.json"), Path.Combine(answers.FullName, name + ".json"));
        }

        await RunAsync(
            "check",
            "--exercise",
            Path.Combine(Demo, "repair-cafe"),
            "--answers",
            answers.FullName,
            "--out",
            folder.FullName
        );
        var cells = (await File.ReadAllLinesAsync(Path.Combine(folder.FullName, "marks.csv")))
            .Skip(1)
            .Select(line => line.Split(',')[0])
            .ToList();
        cells.Count.ShouldBe(4);
        cells.ShouldAllBe(cell => cell.StartsWith('\'') || cell.StartsWith("\"'", StringComparison.Ordinal));
    }

    [Fact]
    public async Task The_sentences_of_a_drawing_are_printed_one_a_line()
    {
        var (code, output, _) = await RunAsync("read", Path.Combine(Demo, "repair-cafe", "model.json"));
        code.ShouldBe(0);
        output.Split('\n').ShouldContain("Visit brings in 1 or more Item; Item comes in on exactly 1 Visit");
    }

    [Fact]
    public async Task A_drawing_is_read_in_the_notation_that_is_named()
    {
        var file = Path.Combine(folder.FullName, "chen.json");
        await File.WriteAllTextAsync(
            file,
            DrawingWriter.WriteText(
                new Sketch()
                    .Box("Visit")
                    .Box("Item")
                    .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
                    .ToDrawing()
            )
        );
        (await RunAsync("read", file, "--notation", "chen")).Output.ShouldContain("Visit brings in 1 or more Item");
        (await RunAsync("read", file)).Error.ShouldContain("drawn");
        (await RunAsync("read", file, "--notation", "runes")).Code.ShouldBe(2);
    }

    [Theory]
    [InlineData("\"learned\": { \"notation\": \"runes\" }", "notation is one of")]
    [InlineData("\"marks\": \"0\"", "more than 0")]
    [InlineData("\"learned\": { \"notation\": \"uml\", \"stereotypes\": [\"\"] }", "stereotypes")]
    public async Task A_question_that_makes_no_sense_stops_the_check_before_it_begins(string part, string said)
    {
        File.Copy(Path.Combine(Demo, "repair-cafe", "model.json"), Path.Combine(folder.FullName, "model.json"));
        await File.WriteAllTextAsync(
            Path.Combine(folder.FullName, "question.json"),
            $$"""{ "title": "Repair café", "parts": [ { {{part}} } ] }"""
        );
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            folder.FullName,
            "--answers",
            Path.Combine(Demo, "repair-cafe", "answers"),
            "--out",
            Path.Combine(folder.FullName, "out")
        );
        code.ShouldBe(2);
        error.ShouldContain("question.json");
        error.ShouldContain(said);
    }

    [Fact]
    public async Task A_wrong_command_line_and_a_missing_exercise_do_nothing()
    {
        (await RunAsync("check")).Code.ShouldBe(2);
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            folder.FullName,
            "--answers",
            folder.FullName,
            "--out",
            folder.FullName
        );
        code.ShouldBe(2);
        error.ShouldContain("question.json");
    }

    [Fact]
    public async Task The_same_answers_give_the_same_bytes_in_two_processes()
    {
        List<byte[]> results = [];
        foreach (var run in new[] { "one", "two" })
        {
            var output = folder.CreateSubdirectory(run);
            await RunAsync(
                "check",
                "--exercise",
                Path.Combine(Demo, "observatory"),
                "--answers",
                Path.Combine(Demo, "observatory", "answers"),
                "--out",
                output.FullName
            );
            results.Add([
                .. output
                    .GetFiles()
                    .OrderBy(file => file.Name, StringComparer.Ordinal)
                    .SelectMany(file => File.ReadAllBytes(file.FullName)),
            ]);
        }

        results[0].Length.ShouldBeGreaterThan(1000);
        results[1].ShouldBe(results[0]);
    }

    [Fact]
    public async Task The_guide_to_findings_is_the_one_in_the_docs()
    {
        var (_, output, _) = await RunAsync("findings");
        output.ShouldBe(
            await File.ReadAllTextAsync(Path.Combine(Demo, "..", "docs", "findings.md")),
            "write it anew: ./blueslate findings > docs/findings.md"
        );
    }

    [Fact]
    public async Task A_drawing_is_given_places_and_says_the_same_afterwards()
    {
        var bare = Path.Combine(folder.FullName, "bare.json");
        await File.WriteAllTextAsync(
            bare,
            DrawingWriter.WriteText(
                new Sketch()
                    .Box("Visit", "PK visit no")
                    .Box("Item", "PK item no")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
                    .ToDrawing()
            )
        );
        var (code, placed, error) = await RunAsync("place", bare);
        code.ShouldBe(0, error);
        var drawing = DrawingReader.Read(placed).Drawing!;
        drawing.Shapes.ShouldAllBe(shape => shape.Place != null);
        var file = Path.Combine(folder.FullName, "placed.json");
        await File.WriteAllTextAsync(file, placed);
        (await RunAsync("read", file)).Output.ShouldBe((await RunAsync("read", bare)).Output);
    }

    [Fact]
    public async Task Statements_are_drawn_with_places_and_what_is_not_understood_is_named()
    {
        string[] lines =
        [
            "Attributes: loan no, tool no, tool, fee",
            "Key: loan no, tool no",
            "Tool no determines tool",
            "2NF: Tool has tool no (key), tool",
        ];
        var (said, file) = (Path.Combine(folder.FullName, "said.txt"), Path.Combine(folder.FullName, "drawn.json"));
        await File.WriteAllLinesAsync(said, lines);
        var (code, drawn, error) = await RunAsync("write", said, "--notation", "dependency");
        code.ShouldBe(0, error);
        DrawingReader.Read(drawn).Drawing!.Shapes.ShouldAllBe(shape => shape.Place != null);
        await File.WriteAllTextAsync(file, drawn);
        (await RunAsync("read", file, "--notation", "dependency")).Output.Trim().Split('\n').ShouldBe(lines);

        await File.WriteAllLinesAsync(said, [.. lines, "the tool is red"]);
        var again = await RunAsync("write", said, "--into", file, "--notation", "dependency");
        again.Code.ShouldBe(1);
        again.Error.ShouldContain("said.txt, line 5");
        again.Output.ShouldBe(drawn);
        (await RunAsync("write", Path.Combine(folder.FullName, "nowhere.txt"))).Error.ShouldContain("nowhere.txt");
    }

    [Theory]
    [InlineData("read")]
    [InlineData("place")]
    public async Task A_file_that_cannot_be_read_is_said_with_its_place(string command)
    {
        var file = Path.Combine(folder.FullName, "bad.json");
        await File.WriteAllTextAsync(
            file,
            "{\n\"format\": \"blue-slate-drawing\",\n\"version\": 1,\n\"sheets\": [{ \"id\": \"s\", \"shapes\": [{ "
                + "\"id\": \"b\", \"form\": \"blob\" }] }]\n}"
        );
        var (code, output, error) = await RunAsync(command, file);
        code.ShouldNotBe(0);
        output.ShouldBeEmpty();
        error.ShouldContain("bad.json:4: $.sheets[0].shapes[0].form");
        (await RunAsync(command, Path.Combine(folder.FullName, "nowhere.json"))).Error.ShouldContain("nowhere.json");
    }

    [Fact]
    public async Task Results_are_written_over_and_hold_what_the_table_says()
    {
        string[] arguments =
        [
            "check",
            "--exercise",
            Path.Combine(Demo, "community-radio"),
            "--answers",
            Path.Combine(Demo, "community-radio", "answers"),
            "--out",
            folder.FullName,
        ];
        await RunAsync(arguments);
        var (code, _, error) = await RunAsync(arguments);
        code.ShouldBe(0, error);
        foreach (
            var row in (await File.ReadAllLinesAsync(Path.Combine(folder.FullName, "marks.csv")))
                .Skip(1)
                .Select(line => line.Split(','))
        )
        {
            var result = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(folder.FullName, row[0] + ".result.json")))!;
            Value((string)result["total"]!).ShouldBe(double.Parse(row[1], System.Globalization.CultureInfo.InvariantCulture));
            result["notes"]!.AsArray().Count.ShouldBe(int.Parse(row[3], System.Globalization.CultureInfo.InvariantCulture));
            result["notes"]!
                .AsArray()
                .Sum(note => Value((string)note!["loss"]!))
                .ShouldBe(Value((string)result["maximum"]!) - Value((string)result["exact"]!), 1e-9);
        }
    }

    [Fact]
    public async Task A_scheme_that_makes_no_sense_stops_the_check_before_it_begins()
    {
        foreach (var file in new[] { "question.json", "model.json" })
        {
            File.Copy(Path.Combine(Demo, "repair-cafe", file), Path.Combine(folder.FullName, file));
        }

        await File.WriteAllTextAsync(
            Path.Combine(folder.FullName, "assessment.json"),
            """{ "scheme": { "lines": [], "step": "1/2" } }"""
        );
        var (code, _, error) = await RunAsync(
            "check",
            "--exercise",
            folder.FullName,
            "--answers",
            Path.Combine(Demo, "repair-cafe", "answers"),
            "--out",
            Path.Combine(folder.FullName, "out")
        );
        code.ShouldBe(2);
        error.ShouldContain("The scheme has no lines.");
    }

    public void Dispose() => folder.Delete(recursive: true);

    [Fact]
    public async Task What_follows_from_dependencies_is_printed_as_one_object()
    {
        var file = Write(
            "job.json",
            """
            { "attributes": ["job", "visitor", "phone", "part", "price"],
              "dependencies": [
                { "from": ["job"], "to": ["visitor"] }, { "from": ["visitor"], "to": ["phone"] }, { "from": ["part"], "to": ["price"] } ],
              "relations": [
                { "name": "Job", "attributes": ["job", "visitor"] }, { "name": "Use", "attributes": ["job", "part", "price"] },
                { "name": "Phone", "attributes": ["job", "phone"] } ] }
            """
        );
        var (code, output, error) = await RunAsync("dependencies", file, "--explain");
        code.ShouldBe(0, error);
        var report = JsonNode.Parse(output)!;
        report["keys"]!.ToJsonString().ShouldBe("""[["job","part"]]""");
        report["prime"]!.ToJsonString().ShouldBe("""["job","part"]""");
        ((string)report["form"]!).ShouldBe("1NF");
        ((bool)report["lossless"]!).ShouldBeTrue();
        ((bool)report["preserved"]!).ShouldBeFalse();
        report["lost"]!.ToJsonString().ShouldBe("""[{"from":["visitor"],"to":["phone"]}]""");
        report["forms"]!.ToJsonString().ShouldBe("""["BCNF","1NF","BCNF"]""");
        report["bcnf"]!.AsArray().Count.ShouldBe(4);
        report["proofs"]!["keys"]![0]!["closure"]!.AsArray().Count.ShouldBe(3);
    }

    [Theory]
    [InlineData("{", "line 1")]
    [InlineData("[]", "$: an object is wanted")]
    [InlineData("""{ "attributes": [], "dependencies": [] }""", "$.attributes: there are 1 to 128 attributes")]
    [InlineData("""{ "attributes": ["a", "a"], "dependencies": [] }""", "$.attributes[1]: “a” is there twice")]
    [InlineData("""{ "attributes": ["a"] }""", "$.dependencies: it is missing")]
    [InlineData(
        """{ "attributes": ["a"], "dependencies": [{ "from": ["b"], "to": ["a"] }] }""",
        "$.dependencies[0].from[0]: \"b\" is not among the attributes"
    )]
    [InlineData("""{ "attributes": ["a"], "dependencies": [], "keys": [] }""", "$.keys: there is no such property")]
    public async Task Dependencies_that_cannot_be_read_are_told_with_their_place(string text, string reason)
    {
        var file = Write("bad.json", text);
        var (code, output, error) = await RunAsync("dependencies", file);
        code.ShouldBe(1);
        output.ShouldBeEmpty();
        error.ShouldContain(file);
        error.ShouldContain(reason);
    }

    [Fact]
    public async Task The_rows_of_a_table_say_what_they_do_not_contradict()
    {
        var file = Write("log.csv", "slot,show,host\n1,Tides,Mo\n2,Tides,Mo\n3,Gulls,Mo\n");
        var (code, output, error) = await RunAsync("dependencies", "--rows", file);
        code.ShouldBe(0, error);
        var report = JsonNode.Parse(output)!;
        report["unique"]!.ToJsonString().ShouldBe("""[["slot"]]""");
        report["dependencies"]!.ToJsonString().ShouldBe("""[{"from":[],"to":["host"]},{"from":["slot"],"to":["show"]}]""");
        var bad = Write("bad.csv", "slot,show\n1,Tides,Mo\n");
        (await RunAsync("dependencies", "--rows", bad)).Error.ShouldContain("line 2: 3 cells, but 2 columns");
        (await RunAsync("dependencies")).Code.ShouldBe(2);
    }

    private string Write(string name, string text)
    {
        var path = Path.Combine(folder.FullName, name);
        File.WriteAllText(path, text);
        return path;
    }

    private static double Value(string rational)
    {
        var parts = rational.Split('/');
        return double.Parse(parts[0]) / (parts.Length > 1 ? double.Parse(parts[1]) : 1);
    }

    private static async Task<(int Code, string Output, string Error)> RunAsync(params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "blueslate.dll"), .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEndAsync();
        var error = process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, await output, await error);
    }
}
