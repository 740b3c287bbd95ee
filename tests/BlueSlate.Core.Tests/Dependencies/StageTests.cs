using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>The tables of stages: read, typed, and judged by what they keep.</summary>
public sealed class StageTests
{
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);
    private static readonly string[] Names = ["kiln", "glaze", "shelf", "potter", "firing", "cone"];

    private static readonly string[] Diagram =
    [
        "Attributes: loan no, borrowed, member no, member name, tool no, tool, shed, keeper, fee",
        "Key: loan no, tool no",
        "Loan no determines borrowed and member no",
        "Member no determines member name",
        "Tool no determines tool and shed",
        "Shed determines keeper",
        "Loan no and tool no determine fee",
    ];

    private static readonly string[] First =
    [
        "1NF: Lending has loan no (key), borrowed, member no, member name, tool no (key), tool, shed, keeper, fee",
    ];

    private static readonly string[] Second =
    [
        "2NF: Loan has loan no (key), borrowed, member no, member name",
        "2NF: Tool has tool no (key), tool, shed, keeper",
        "2NF: Lent has loan no (key, foreign key), tool no (key, foreign key), fee",
    ];

    private static readonly string[] Third =
    [
        "3NF: Loan has loan no (key), borrowed, member no (foreign key)",
        "3NF: Member has member no (key), member name",
        "3NF: Tool has tool no (key), tool, shed (foreign key)",
        "3NF: Shed has shed (key), keeper",
        "3NF: Lent has loan no (key, foreign key), tool no (key, foreign key), fee",
    ];

    private static readonly string[] Whole = [.. Diagram, .. First, .. Second, .. Third];

    [Fact]
    public void Tables_are_said_again_as_they_were_typed()
    {
        string[] lines =
        [
            .. Diagram,
            "UNF: Lending has loan no (key), borrowed, {tool no, tool, shed, keeper, fee}, {member no, member name}",
            .. First,
            .. Second,
        ];
        var drawing = Typed(lines);
        Said(drawing).ShouldBe(lines);
        drawing.Sheets.Select(sheet => sheet.Name).ShouldBe(["diagram", "UNF", "1NF", "2NF"]);
        for (var gone = Diagram.Length; gone < lines.Length; gone++)
        {
            var less = Subject.Retype(drawing, [.. lines[..gone], .. lines[(gone + 1)..]], Options)!.Document;
            Said(less).ShouldBe([.. lines[..gone], .. lines[(gone + 1)..]]);
            Subject.Write(Subject.Retype(drawing, lines, Options)!.Document).ShouldBe(Subject.Write(drawing));
        }
    }

    [Theory]
    [InlineData("2NF: Tool (tool no (key), tool)", "2NF: Tool has tool no (key), tool")]
    [InlineData("In 2NF: Tool: tool no (PK), shed (FK)", "2NF: Tool has tool no (key), shed (foreign key)")]
    [InlineData("second normal form: Tool has tool no, tool", "second normal form: Tool has tool no, tool")]
    [InlineData("BCNF: (no name) has tool no (key)", "BCNF: (no name) has tool no (key)")]
    [InlineData("0NF: Lending has loan no (key), {tool no; tool}", "0NF: Lending has loan no (key), {tool no, tool}")]
    public void Tables_are_understood_in_the_trades_line_form(string typed, string said) =>
        Said(Subject.Retype(Drawing.Empty, [typed], Options)!.Document).ShouldBe([said]);

    [Fact]
    public void A_column_that_is_kept_keeps_its_id_and_its_marks()
    {
        var drawing = Typed([.. Diagram, .. Second]);
        var before = drawing.Shapes.First(shape => shape.Text == "Tool").TextLines.ToList();
        var lines = Said(drawing).Select(line => line.Replace("tool, shed, keeper", "shed", StringComparison.Ordinal)).ToList();
        var after = ((Drawing)Subject.Retype(drawing, lines, Options)!.Document).Shapes.First(shape => shape.Text == "Tool");
        after.TextLines.ShouldBe([before[0], before[2]]);
    }

    [Fact]
    public void Without_titles_that_claim_a_form_stages_are_taken_in_their_order()
    {
        var sheets = Typed(Whole);
        var answer = sheets with
        {
            Sheets = [.. sheets.Sheets.Select((sheet, i) => sheet with { Name = i == 0 ? "" : $"step {i}" })],
        };
        var assessment = Of(Typed(Whole)).Assess(answer, []);
        assessment.Findings.Select(finding => finding.Headline).ShouldBeEmpty();
    }

    [Theory]
    // The order of tables and columns, other names of tables, one table's key being another candidate: nothing.
    [InlineData("3NF: Shed", "3NF: Place", "")]
    [InlineData("2NF: Tool has tool no (key), tool, shed, keeper", "2NF: Tool has keeper, shed, tool, tool no (key)", "")]
    // Going ahead is no mistake.
    [InlineData(
        "2NF: Tool has tool no (key), tool, shed, keeper",
        "2NF: Tool has tool no (key), tool, shed (foreign key)|2NF: Place has shed (key), keeper",
        ""
    )]
    [InlineData("2NF: Tool has tool no (key), tool, shed, keeper", "", "stage-attribute-dropped")]
    [InlineData("2NF: Tool has tool no (key)", "2NF: Tool has tool no", "table-key-unmarked")]
    [InlineData("2NF: Tool has tool no (key), tool", "2NF: Tool has tool no (key), tool (key)", "table-key-not-minimal")]
    [InlineData("2NF: Tool has tool no (key), tool", "2NF: Tool has tool no, tool (key)", "table-key-not-unique")]
    [InlineData(
        "3NF: Tool has tool no (key), tool, shed (foreign key)",
        "3NF: Tool has tool no (key), tool, shed",
        "table-foreign-key-unmarked"
    )]
    [InlineData(
        "3NF: Tool has tool no (key), tool, shed (foreign key)",
        "3NF: Tool has tool no (key), tool",
        "determinant-not-left-behind"
    )]
    [InlineData(
        "3NF: Shed has shed (key), keeper",
        "3NF: Shed has shed (key), keeper|3NF: Keeper has keeper (key)",
        "table-too-many"
    )]
    [InlineData("3NF: Shed has shed (key), keeper", "3NF: Shed has shed (key), keeper, paint", "table-column-invented")]
    [InlineData(
        "3NF: Tool has tool no (key), tool, shed (foreign key)|3NF: Shed has shed (key), keeper",
        "3NF: Tool has tool no (key), tool, shed, keeper",
        "transitive-dependency-left"
    )]
    [InlineData(
        "2NF: Tool has tool no (key), tool, shed, keeper|2NF: Lent has loan no (key, foreign key), tool no (key, foreign key), fee",
        "2NF: Lent has loan no (key, foreign key), tool no (key), tool, shed, keeper, fee",
        "partial-dependency-left"
    )]
    [InlineData(
        "3NF: Tool has tool no (key), tool, shed (foreign key)|3NF: Shed has shed (key), keeper",
        "3NF: Tool has tool no (key), tool, shed|3NF: Keeper has tool no (key), keeper",
        "dependency-lost"
    )]
    public void One_change_is_told_as_what_it_is(string was, string instead, string codes)
    {
        var lines = Whole.ToList();
        var at = lines.FindIndex(line => line.StartsWith(was.Split('|')[0], StringComparison.Ordinal));
        foreach (var piece in was.Split('|').Skip(1))
        {
            lines.RemoveAll(line => line.StartsWith(piece, StringComparison.Ordinal));
        }

        var changed = instead.Split('|');
        lines[at] = lines[at].Replace(was.Split('|')[0], changed[0], StringComparison.Ordinal);
        lines.InsertRange(at + 1, changed[1..]);
        lines.RemoveAll(line => line.Length == 0);
        var assessment = Of(Typed(Whole)).Assess(Typed([.. lines]), []);
        assessment
            .Findings.Select(finding => finding.Code)
            .ToHashSet()
            .Order()
            .ShouldBe(codes.Split(',', StringSplitOptions.RemoveEmptyEntries).Order());
        if (codes.Length == 0)
        {
            assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
        }
    }

    [Fact]
    public void A_stage_that_is_left_out_costs_little_where_the_next_is_right_and_all_of_it_where_there_is_none()
    {
        var assessor = Of(Typed(Whole));
        var skipped = assessor.Assess(Typed([.. Diagram, .. First, .. Third]), []);
        skipped.Findings.Select(finding => finding.Code).ShouldBe(["stage-skipped"]);
        var missing = assessor.Assess(Typed([.. Diagram, .. First, .. Second]), []);
        missing.Findings.Select(finding => finding.Code).ShouldBe(["stage-missing"]);
        missing.Sheet.Exact.ShouldBeLessThan(skipped.Sheet.Exact);
    }

    [Fact]
    public void An_arrow_that_was_never_drawn_is_one_mistake_and_not_a_table_left_together_as_well()
    {
        string[] lines =
        [
            .. Diagram.Where(line => !line.StartsWith("Shed", StringComparison.Ordinal)),
            .. First,
            .. Second,
            .. Third
                .Where(line => !line.Contains("Shed", StringComparison.Ordinal))
                .Select(line => line.Replace("shed (foreign key)", "shed, keeper", StringComparison.Ordinal)),
        ];
        var assessment = Of(Typed(Whole)).Assess(Typed(lines), []);
        assessment
            .Findings.Where(finding => finding.ConsequenceOf is null)
            .Select(finding => finding.Code)
            .ShouldBe(["dependency-missing"]);
    }

    [Fact]
    public void A_group_that_repeats_is_resolved_by_rows_or_by_a_table_of_its_own()
    {
        const string Unnormalised =
            "UNF: Lending has loan no (key), borrowed, member no, member name, {tool no, tool, shed, keeper, fee}";
        string[] split =
        [
            "1NF: Loan has loan no (key), borrowed, member no, member name",
            "1NF: Lent has loan no (key, foreign key), tool no (key), tool, shed, keeper, fee",
        ];
        var assessor = Of(Typed([.. Diagram, Unnormalised, .. First]));
        Codes(assessor, [Unnormalised, .. First]).ShouldBeEmpty();
        Codes(assessor, [Unnormalised, .. split]).ShouldBeEmpty();
        Codes(assessor, [Unnormalised, split[0], split[1].Replace("loan no (key, foreign key), ", "", StringComparison.Ordinal)])
            .ShouldBe(["group-without-outer-key"]);
        Codes(assessor, [Unnormalised, Unnormalised.Replace("UNF", "1NF", StringComparison.Ordinal)]).ShouldBe(["group-left"]);

        string[] Codes(Assessor of, string[] stages) =>
            [.. of.Assess(Typed([.. Diagram, .. stages]), []).Findings.Select(finding => finding.Code)];
    }

    [Fact]
    public void Rows_that_a_split_invents_keep_every_dependency_and_are_not_in_what_was_there()
    {
        string[] lines =
        [
            .. Whole.Select(line =>
                line.Replace(
                    "3NF: Tool has tool no (key), tool, shed (foreign key)",
                    "3NF: Tool has tool no (key), tool",
                    StringComparison.Ordinal
                )
            ),
        ];
        var assessment = Of(Typed(Whole)).Assess(Typed(lines), []);
        var example = assessment.ExampleOf(assessment.Findings.Single()).ShouldNotBeNull();
        example.Kind.ShouldBe(ExampleKind.FollowsAsDrawn);
        var rows = example.Table.Rows;
        var invented = rows[^1];
        rows.Count(row => row.SequenceEqual(invented)).ShouldBe(1);
    }

    [Fact]
    public void Equal_models_in_other_tables_get_full_marks_and_copies_next_to_nothing() =>
        Given.Sample(
            given =>
            {
                var covers = new[] { MinimalCover.Of(given.Functional), MinimalCover.Of([.. given.Functional.Reverse()]) };
                var lines = covers.Select(cover => Lines(given with { Functional = cover })).ToList();
                if (Decomposition.Synthesis(given).Length < 2 || NormalForms.Of(given.All, given)!.Form >= NormalForm.Third)
                {
                    return;
                }

                var assessor = Of(Typed([.. lines[0].Diagram, .. lines[0].Tables]));
                var asGood = assessor.Assess(Typed([.. lines[1].Diagram, .. lines[1].Tables]), []);
                asGood.Findings.Select(finding => finding.Headline).ShouldBeEmpty();
                asGood.Sheet.Total.ShouldBe(asGood.Sheet.Maximum);

                var all = string.Join(", ", Names[..given.Attributes.Length]);
                string[] single = [.. Names[..given.Attributes.Length].Select(name => $"3NF: {name} table has {name} (key)")];
                foreach (var useless in new[] { [$"3NF: All has {all}"], single, [], [$"3NF: One has {Names[0]}"] })
                {
                    var assessment = assessor.Assess(Typed([.. lines[0].Diagram, .. useless]), []);
                    var stages = assessment
                        .Comparison.Verdicts.Where(verdict => verdict.Fact.Id.StartsWith("stage-", StringComparison.Ordinal))
                        .ToList();
                    stages
                        .Count(verdict => verdict.IsGood)
                        .ShouldBeLessThanOrEqualTo(
                            1,
                            string.Join(
                                '\n',
                                lines[0]
                                    .Diagram.Concat(lines[0].Tables)
                                    .Concat(useless)
                                    .Concat(stages.Select(one => $"{one.Fact.Id} {one.Fact.Title} {one.Kind}"))
                            )
                        );
                }
            },
            iter: 300
        );

    [Fact]
    public void Whatever_the_tables_are_everything_that_is_amiss_is_told() =>
        Gen.Select(Given, Gen.Int[0, 31].Array[1, 4])
            .Sample(
                (given, parts) =>
                {
                    var (diagram, tables) = Lines(given with { Functional = MinimalCover.Of(given.Functional) });
                    string[] drawn =
                    [
                        .. parts
                            .Select((bits, i) => (Columns: Names.Where((_, at) => (bits >> at & 1) == 1).ToList(), i))
                            .Where(part => part.Columns.Count > 0)
                            .Select(part => $"3NF: Part {part.i} has {string.Join(", ", part.Columns)}"),
                    ];
                    var assessment = Of(Typed([.. diagram, .. tables])).Assess(Typed([.. diagram, .. drawn]), []);
                    assessment
                        .Comparison.AllBad.Select(verdict => verdict.Fact.Id)
                        .ShouldBeSubsetOf(assessment.Findings.SelectMany(finding => finding.Claims));
                    assessment
                        .Comparison.Extras.Select(extra => extra.AnswerId)
                        .ShouldBeSubsetOf(assessment.Findings.SelectMany(finding => finding.Extras));
                    assessment.Findings.Select(finding => finding.Id).ShouldBeUnique();
                    assessment.Findings.Select(finding => finding.Headline).ShouldBeUnique();
                    foreach (var finding in assessment.Findings)
                    {
                        assessment
                            .ExampleOf(finding)
                            ?.Table.Rows.ShouldAllBe(row => row.Length == assessment.ExampleOf(finding)!.Table.Columns.Length);
                    }
                },
                iter: 300
            );

    [Fact]
    public void A_way_to_a_normal_form_is_walked_by_two_deeds()
    {
        var drawing = Typed(Diagram);
        drawing = Next(drawing, 0);
        Said(drawing)[^1]
            .ShouldBe(
                "1NF: Everything has loan no (key), borrowed, member no, member name, tool no (key), tool, shed, keeper, fee"
            );
        drawing = Next(drawing, 1);
        // By what determines alone, or together with what it determines.
        drawing = Own(drawing, "tool no");
        drawing = Own(drawing, "loan no", "borrowed", "member no", "member name");
        Said(drawing)[^3..]
            .ShouldBe([
                "2NF: Everything has loan no (key, foreign key), tool no (key, foreign key), fee",
                "2NF: Tool has tool no (key), tool, shed, keeper",
                "2NF: Loan has loan no (key), borrowed, member no, member name",
            ]);
        drawing = Own(Own(Next(drawing, 2), "shed"), "member no");
        Said(drawing)[^5..]
            .ShouldBe([
                "3NF: Everything has loan no (key, foreign key), tool no (key, foreign key), fee",
                "3NF: Tool has tool no (key), tool, shed (foreign key)",
                "3NF: Loan has loan no (key), borrowed, member no (foreign key)",
                "3NF: Shed has shed (key), keeper",
                "3NF: Member has member no (key), member name",
            ]);
        var assessment = Of(Typed(Whole)).Assess(drawing, []);
        assessment.Findings.Select(finding => finding.Headline).ShouldBeEmpty();
        Subject
            .Form(drawing, Options)
            .Select(remark => remark.Text)
            .ShouldBe([
                "By the arrows, the candidate key is loan no and tool no.",
                "1NF is in first normal form and no higher: loan no, only a part of a key of Everything, "
                    + "determines borrowed, member no and member name.",
                "2NF is in second normal form and no higher: shed, which is no key of Tool, determines keeper.",
                "3NF: every table is in Boyce-Codd normal form, and nothing is lost.",
            ]);
    }

    [Theory]
    [InlineData("keeper", "By your arrows, keeper determines nothing else in Everything.")]
    [InlineData("loan no,tool no", "That is all of Everything already.")]
    [InlineData("", "Choose lines of one table: what determines, and what it determines.")]
    public void What_cannot_be_split_off_is_told_and_why(string names, string why)
    {
        var drawing = Next(Typed(Diagram), 0);
        Subject.Do(drawing, "own-table", Rows(drawing, names.Split(',')))!.ShouldBe(new Done(null, why));
    }

    private static readonly string[] Fleet =
    [
        "Attributes: hull, sail, owner, harbour, berth",
        "Hull determines sail and owner",
        "Owner determines harbour and berth",
        "3NF: Boat has hull (key), sail, owner (foreign key)",
        "3NF: Owner has owner (key), harbour, berth",
    ];

    [Fact]
    public void Tables_become_one_again_under_the_key_that_identifies_both()
    {
        var drawing = Typed(Fleet);
        string[] both = [.. drawing.Sheets[1].Shapes.Select(shape => shape.Id).Reverse()];
        var merged = (Drawing)Subject.Do(drawing, "merge-tables", both)!.Document!;
        TablesOf(merged).ShouldBe(["3NF: Boat has hull (key), sail, owner, harbour, berth"]);
        // What stays keeps its ids, so that it can still be seen where it went.
        merged.Sheets[1].Shapes[0].Id.ShouldBe(drawing.Sheets[1].Shapes[0].Id);
        Subject.Do(drawing, "merge-tables", both[..1])!.ShouldBe(new Done(null, "Choose two tables of one sheet, or more."));

        // Of two that have nothing in common both keys together identify a row.
        var apart = Typed(["Attributes: reef, depth, tide", "3NF: Reef has reef (key), depth", "3NF: Tide has tide (key)"]);
        var one = (Drawing)Subject.Do(apart, "merge-tables", [.. apart.Sheets[1].Shapes.Select(shape => shape.Id)])!.Document!;
        TablesOf(one).ShouldBe(["3NF: Reef has reef (key), depth, tide (key)"]);
    }

    [Fact]
    public void A_table_gets_a_number_of_its_own_and_is_referred_to_by_it()
    {
        var drawing = Typed(Fleet);
        var owner = drawing.Sheets[1].Shapes[1].Id;
        var numbered = (Drawing)Subject.Do(drawing, "own-number", [owner])!.Document!;
        TablesOf(numbered)
            .ShouldBe([
                "3NF: Boat has hull (key), sail, owner no (foreign key)",
                "3NF: Owner has owner no (key), owner (alternate key), harbour, berth",
            ]);
        var remarks = StageRemarks.Of(DependencyReader.Read(numbered)).ToList();
        remarks.ShouldAllBe(remark => !remark.IsAmiss);
        Subject
            .Do(Typed([.. Fleet[..4], "3NF: Owner has owner, harbour"]), "own-number", ["b"])!
            .Problem.ShouldBe("Choose one table.");
    }

    private static IEnumerable<string> TablesOf(Drawing drawing) =>
        DependencySentences
            .Write(DependencyReader.Read(drawing))
            .Select(said => said.Text)
            .Where(text => text.StartsWith("3NF", StringComparison.Ordinal));

    private static Drawing Next(Drawing drawing, int sheet) =>
        (Drawing)Subject.Do(drawing, "next-stage", [drawing.Sheets[sheet].Id])!.Document!;

    private static Drawing Own(Drawing drawing, params string[] names) =>
        (Drawing)Subject.Do(drawing, "own-table", Rows(drawing, names))!.Document!;

    // Lines of the last stage, of the table that has all of them.
    private static string[] Rows(Drawing drawing, string[] names) =>
        drawing
            .Sheets[^1]
            .Shapes.Select(shape => names.Select(name => shape.TextLines.FirstOrDefault(row => row.Text == name)?.Id).ToArray())
            .Where(ids => ids.All(id => id is not null))
            .Select(ids => ids.OfType<string>().ToArray())
            .FirstOrDefault([]);

    private static readonly Gen<DependencySet> Given = Gen.Select(
            Gen.Int[0, 4].Array[1, 2].Select(from => from.Distinct().Order().ToArray()),
            Gen.Int[0, 4]
        )
        .Where((from, to) => !from.Contains(to))
        .Array[1, 6]
        .Select(arrows => new DependencySet(
            [.. Names[..5]],
            [.. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2))).Distinct()],
            []
        ));

    private static (string[] Diagram, string[] Tables) Lines(DependencySet given)
    {
        string Of(AttributeSet set) => string.Join(", ", set.Select(i => Names[i]));
        var key = CandidateKeys.Of(given.All, given.Functional).Keys[0];
        string[] diagram =
        [
            $"Attributes: {Of(given.All)}",
            $"Key: {Of(key)}",
            .. given.Functional.Select(one => $"{Of(one.From)} -> {Of(one.To)}"),
        ];
        string[] tables =
        [
            .. Decomposition
                .Synthesis(given)
                .Select(
                    (part, i) =>
                    {
                        var own = CandidateKeys.Of(part, Projection.On(part, given)!.Value).Keys[0];
                        var columns = part.Select(at => own.Contains(at) ? $"{Names[at]} (key)" : Names[at]);
                        return $"3NF: Part {i} has {string.Join(", ", columns)}";
                    }
                ),
        ];
        return (diagram, tables);
    }

    private static string[] Said(IDocument drawing) => [.. Subject.Sentences(drawing, Options).Select(sentence => sentence.Text)];

    private static Assessor Of(Drawing model) => new(model, Options, [], SchemeDeriver.Derive(Subject.Facts(model, Options), 40));

    private static Drawing Typed(string[] lines)
    {
        var typed = Subject.Retype(Drawing.Empty, lines, Options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }
}
