using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>
/// Faults of notation: said once a kind, read as what is meant where that is clear, and charged to the notation alone.
/// </summary>
public sealed class NotationFindingTests
{
    private static readonly Drawing Model = new Sketch()
        .Box("Visit", "PK visit no", "date")
        .Box("Item", "PK item no", "fault")
        .Box("Fixer", "PK badge no", "name")
        .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
        .Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "looks at", "is looked at by")
        .ToDrawing();

    private static readonly Assessor Assessor = Exercise.Of(Model);

    public static TheoryData<string, string[], string> RepairedEnds =>
        new()
        {
            { "notation-toes-away", [EndMark.FootOutward, EndMark.Bar], "many" },
            { "notation-arrowhead", [EndMark.Arrow, EndMark.Bar], "many" },
            { "notation-arrowhead", [EndMark.OpenArrow, EndMark.Bar], "many" },
            { "notation-mark-order", [EndMark.Bar, EndMark.Foot], "1..*" },
            { "notation-too-many-marks", [EndMark.Foot, EndMark.Bar, EndMark.Ring], "foot, then a bar" },
        };

    [Theory]
    [MemberData(nameof(RepairedEnds))]
    public void A_wrong_mark_whose_meaning_is_clear_costs_the_notation_only(string code, string[] marks, string readAs)
    {
        var assessment = Assess(End("r1", line => line with { To = line.To with { Marks = [.. marks] } }));
        var finding = Root(assessment, code);
        finding.Tag.ShouldBe(Tag.Notation);
        finding.There.ShouldContain($"It is read as {readAs}.");
        finding.AnswerElements.ShouldBe(["r1/to"]);
        assessment.Comparison.On(FactKinds.Maximum, "r1/to")!.IsGood.ShouldBeTrue();
        assessment.Comparison.On(FactKinds.Minimum, "r1/to")!.IsGood.ShouldBeTrue();
        assessment.Comparison.On(FactKinds.OwnNotation, Fact.WholeDrawing)!.IsBad.ShouldBeTrue();
    }

    [Theory]
    [InlineData(EndMark.Diamond)]
    [InlineData(EndMark.SolidDiamond)]
    [InlineData(EndMark.Triangle)]
    [InlineData(EndMark.SolidTriangle)]
    [InlineData(EndMark.Cross)]
    public void A_symbol_of_another_notation_says_nothing_and_its_note_explains_that(string mark)
    {
        var assessment = Assess(End("r1", line => line with { To = line.To with { Marks = [mark] } }));
        var finding = Root(assessment, "notation-foreign-end-symbol");
        finding.There.ShouldContain("It cannot be read.");
        finding.Claims.ShouldContain("max:r1/to");
        finding.Claims.ShouldContain("min:r1/to");
        assessment.Findings.ShouldNotContain(other => other.Code == "end-unsaid");
    }

    [Fact]
    public void A_fault_at_three_places_is_one_note_that_shows_all_three()
    {
        var sheet = Model.Sheets[0];
        LineEnd Turned(LineEnd end) =>
            end.Marks[0] == EndMark.Foot ? end with { Marks = [EndMark.FootOutward, end.Marks[1]] } : end;
        var drawing = new Drawing([
            sheet with
            {
                Lines = [.. sheet.Lines.Select(line => line with { To = Turned(line.To), From = Turned(line.From) })],
            },
        ]);
        Root(Assess(drawing), "notation-toes-away").AnswerElements.ShouldBe(["r1/to", "r2/to"], ignoreOrder: true);
    }

    [Fact]
    public void Two_kinds_of_faults_lose_half_of_the_line_about_notation_each()
    {
        var one = End("r1", line => line with { To = line.To with { Marks = [EndMark.FootOutward, EndMark.Bar] } });
        var two = End("r2", line => line with { To = line.To with { Marks = [EndMark.Ring, EndMark.Foot] } }, one);
        var (lostByOne, lostByTwo) = (Lost(Assess(one)), Lost(Assess(two)));
        lostByOne.ShouldBeGreaterThan(0);
        lostByTwo.ShouldBeGreaterThanOrEqualTo(lostByOne);
        Assess(two).Findings.Count(finding => finding.Code.StartsWith("notation-", StringComparison.Ordinal)).ShouldBe(2);
    }

    [Theory]
    [InlineData("1..n", "notation-count-as-text")]
    [InlineData("1+", "notation-count-as-text")]
    [InlineData("lots", "notation-unreadable-count")]
    [InlineData("9..2", "notation-unreadable-count")]
    public void Writing_in_place_of_marks_is_read_where_it_can_be(string written, string code)
    {
        var assessment = Assess(End("r1", line => line with { To = line.To with { Marks = [], Count = written } }));
        Root(assessment, code).There.ShouldContain(written);
        assessment.Comparison.On(FactKinds.Maximum, "r1/to")!.IsGood.ShouldBe(code == "notation-count-as-text");
    }

    [Theory]
    [InlineData(Outline.Double)]
    [InlineData(Outline.Dashed)]
    public void An_outline_of_another_notation_is_said_at_its_box(Outline outline)
    {
        var assessment = Assess(Box("Item", box => box with { Outline = outline }));
        Root(assessment, "notation-foreign-outline").AnswerElements.ShouldBe(["b2"]);
        assessment.Comparison.On(FactKinds.Entity, "b2")!.IsGood.ShouldBeTrue();
    }

    [Fact]
    public void An_underlined_key_is_read_as_a_key()
    {
        var assessment = Assess(Box("Item", box => box with { Compartments =
                    [
                        [box.Compartments[0][0] with { Mark = "", Underline = Underline.Solid }, box.Compartments[0][1]],
                    ] }));
        Root(assessment, "notation-foreign-underline").There.ShouldContain("primary key");
        assessment.Comparison.On(FactKinds.Key, "b2")!.IsGood.ShouldBeTrue();
    }

    [Fact]
    public void A_mark_that_is_none_is_said_and_its_attribute_counts()
    {
        var assessment = Assess(Box("Item", box => box with { Compartments =
                    [
                        [box.Compartments[0][0], box.Compartments[0][1] with { Mark = "QQ" }],
                    ] }));
        Root(assessment, "notation-unreadable-key-mark").There.ShouldContain("QQ");
        assessment.Comparison.On(FactKinds.Attribute, FaultOfItem)!.IsGood.ShouldBeTrue();
    }

    [Fact]
    public void A_line_that_ends_in_the_open_joins_nothing()
    {
        var assessment = Assess(End("r1", line => line with { To = line.To with { On = Attachment.Nothing } }));
        Codes(assessment).ShouldContain("notation-loose-end");
        assessment.Comparison.On(FactKinds.Relationship, "r1")!.IsBad.ShouldBeTrue();
    }

    [Fact]
    public void A_line_that_ends_on_a_line_joins_nothing()
    {
        var assessment = Assess(
            End("r1", line => line with { To = line.To with { On = new Attachment(AttachmentKind.Line, "r2") } })
        );
        Codes(assessment).ShouldContain("notation-line-to-line");
        assessment.Comparison.On(FactKinds.Relationship, "r1")!.IsBad.ShouldBeTrue();
    }

    [Fact]
    public void A_double_stroke_is_read_as_a_solid_one() =>
        Codes(Assess(End("r1", line => line with { Stroke = Stroke.Double }))).ShouldContain("notation-foreign-stroke");

    [Fact]
    public void An_oval_beside_the_boxes_costs_nothing_but_the_notation()
    {
        var sheet = Model.Sheets[0];
        var drawing = new Drawing([
            sheet with
            {
                Shapes = sheet.Shapes.Add(new Shape("oval", Form.Oval, Outline.Single, "colour", [], null)),
            },
        ]);
        var assessment = Assess(drawing);
        Root(assessment, "notation-foreign-shape").AnswerElements.ShouldBe(["oval"]);
        assessment
            .Comparison.Verdicts.Where(verdict => verdict.IsBad)
            .Select(verdict => verdict.Fact.Kind)
            .ShouldBe([FactKinds.OwnNotation]);
    }

    [Fact]
    public void Notes_and_their_ties_are_no_fault()
    {
        var sheet = Model.Sheets[0];
        var note = new Shape("note", Form.Note, Outline.Single, "ask the fixers", [], null);
        var tie = new Line(
            "tie",
            Stroke.Dashed,
            "",
            new LineEnd(Attachment.ToShape("note"), []),
            new LineEnd(Attachment.ToShape("b1"), []),
            []
        );
        Assess(new Drawing([sheet with { Shapes = sheet.Shapes.Add(note), Lines = sheet.Lines.Add(tie) }]))
            .Findings.ShouldBeEmpty();
    }

    private const string FaultOfItem = "t4";

    private static Drawing End(string id, Func<Line, Line> change, Drawing? drawing = null)
    {
        var sheet = (drawing ?? Model).Sheets[0];
        var line = sheet.Lines.Single(candidate => candidate.Id == id);
        return new Drawing([sheet with { Lines = sheet.Lines.Replace(line, change(line)) }]);
    }

    private static Drawing Box(string name, Func<Shape, Shape> change)
    {
        var sheet = Model.Sheets[0];
        var box = sheet.Shapes.Single(candidate => candidate.Text == name);
        return new Drawing([sheet with { Shapes = sheet.Shapes.Replace(box, change(box)) }]);
    }

    private static Assessment Assess(Drawing drawing) => Assessor.Assess(drawing, []);

    private static IEnumerable<string> Codes(Assessment assessment) =>
        assessment.Findings.Where(finding => finding.ConsequenceOf is null).Select(finding => finding.Code);

    private static Finding Root(Assessment assessment, string code)
    {
        Codes(assessment).ShouldBe([code]);
        return assessment.Findings[0];
    }

    private static Rational Lost(Assessment assessment) => assessment.Sheet.Maximum - assessment.Sheet.Exact;
}
