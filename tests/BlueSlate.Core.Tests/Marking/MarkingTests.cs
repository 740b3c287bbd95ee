using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>Marks: exact, earned only by what is drawn, and every lost mark in exactly one note.</summary>
public sealed class MarkingTests
{
    [Fact]
    public void Model_answers_get_full_marks_and_blanks_nothing()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            assessor.Scheme.Maximum.ShouldBe(40);
            assessor.Assess(model, []).Sheet.Total.ShouldBe(40, name);
            assessor.Assess(Drawing.Empty, []).Sheet.Total.ShouldBe(0, name);
        }
    }

    [Fact]
    public void A_line_of_which_nothing_is_assessed_is_not_earned_by_a_blank()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var facts = Exercise.Of(model, level).Facts;
            var key = facts.First(fact => fact.Kind == FactKinds.Key);
            Tolerance[] unassessed =
            [
                .. facts
                    .Where(fact => fact.Place == key.Place || fact.ConceptId == key.ConceptId)
                    .Select(fact => new Tolerance(fact.Id, [], false, true)),
            ];
            var scheme = new MarkingScheme(
                [
                    new MarkLine("key", "", 3, LineRule.Share, [.. unassessed.Select(tolerance => tolerance.FactId)]),
                    .. Exercise.Of(model, level).Scheme.Lines,
                ],
                default,
                default,
                Rational.Half
            );
            var assessor = new Assessor(model, new CrowsFootOptions { Level = level }, unassessed, scheme);
            assessor.Assess(model, []).Sheet.Exact.ShouldBe(scheme.Maximum, name);
            var blank = assessor.Assess(Drawing.Empty, []);
            blank.Sheet.Exact.ShouldBe(0, name);
            AddsUp(blank);
            assessor.Assess(DemoExercises.Answers(name).First(), []).Sheet.Lines[0].Earned.ShouldBe(3);
        }
    }

    [Theory]
    [InlineData(2, 1)]
    [InlineData(1, 0)]
    public void Drawn_in_another_form_a_thing_is_half_of_what_is_worth_two_marks_or_more(int marks, int earned)
    {
        Drawing Of(string outline) =>
            new Sketch()
                .Box("Tower")
                .Oval("Tower", "code", Underline.Solid)
                .Box("Bell")
                .With(shape => shape with { Outline = Enum.Parse<Outline>(outline) })
                .Oval("Bell", "bell no", Underline.Dashed)
                .Diamond("hangs in", Outline.Double, ("Tower", "1", false), ("Bell", "N", true))
                .ToDrawing();
        var facts = new[] { FactKinds.Entity.IdOf("b3"), FactKinds.EntityKind.IdOf("b3") };
        var scheme = new MarkingScheme(
            [new MarkLine("bell", "", marks, LineRule.Share, [.. facts])],
            default,
            default,
            Rational.Half
        );
        var assessor = new Assessor(Of("Double"), new ChenOptions(), [], scheme);
        assessor.Assess(Of("Double"), []).Sheet.Exact.ShouldBe(marks);
        assessor.Assess(Of("Single"), []).Sheet.Exact.ShouldBe(earned);
        assessor.Assess(Drawing.Empty, []).Sheet.Exact.ShouldBe(0);
    }

    [Fact]
    public void The_losses_of_the_notes_add_up_for_every_demo_answer_and_for_random_drawings()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var answer in DemoExercises.Answers(name).Append(Drawing.Empty))
            {
                AddsUp(assessor.Assess(answer, []));
            }

            RandomDrawings.Any.Sample(drawing => AddsUp(assessor.Assess(drawing, [])), iter: 60);
        }
    }

    [Fact]
    public void Every_bad_verdict_is_explained_by_a_finding_whatever_is_drawn()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            RandomDrawings.Any.Sample(
                drawing =>
                {
                    var assessment = assessor.Assess(drawing, []);
                    var explained = assessment.Findings.SelectMany(finding => finding.Claims).ToHashSet();
                    assessment
                        .Comparison.Verdicts.Where(verdict => verdict.IsBad)
                        .Select(verdict => verdict.Fact.Id)
                        .ShouldBeSubsetOf(explained);
                },
                iter: 60
            );
        }
    }

    [Fact]
    public void Whatever_is_left_out_of_a_model_answer_is_lost_with_a_note()
    {
        var untold =
            from folder in DemoExercises.Folders
            let assessor = DemoExercises.AssessorOf(folder)
            from left in WithoutEach(DemoExercises.Load($"{folder}/model.json"))
            let assessment = assessor.Assess(left.Answer, [])
            let told = assessment.Findings.SelectMany(finding => finding.Claims).ToHashSet()
            let bad = assessment.Comparison.Verdicts.Where(verdict => verdict.IsBad).Select(verdict => verdict.Fact.Id)
            let lost = assessment.Sheet.Maximum - assessment.Sheet.Exact
            let noted = assessment.Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss)
            let silent = bad.Where(id => !told.Contains(id)).ToList()
            where silent.Count > 0 || lost != noted
            select $"{folder} without {left.Gone}: {string.Join(", ", silent)}, {lost} lost, {noted} told";
        untold.ShouldBeEmpty();
    }

    // The drawing without each of its shapes and what hangs on it, and without each of their lines of text.
    private static IEnumerable<(string Gone, Drawing Answer)> WithoutEach(Drawing model) =>
        from at in Enumerable.Range(0, model.Sheets.Length)
        let sheet = model.Sheets[at]
        from shape in sheet.Shapes
        from gone in shape.TextLines.Select(row => row.Id).Prepend(shape.Id)
        let kept = sheet
            .Shapes.Where(one => one.Id != gone)
            .Select(one =>
                one with
                {
                    Compartments = [.. one.Compartments.Select(rows => rows.RemoveAll(row => row.Id == gone))],
                }
            )
        let lines = sheet.Lines.Where(line => line.From.On.Id != gone && line.To.On.Id != gone)
        let without = sheet with
        {
            Shapes = [.. kept],
            Lines = [.. lines],
        }
        select (gone, model with { Sheets = model.Sheets.SetItem(at, without), Ties = [] });

    [Fact]
    public void A_diamond_between_two_boxes_says_nothing_of_identifying_and_its_own_note_explains_that()
    {
        var boxes = new Sketch().Box("Repair", "PK no").Box("Use", "PPK no", "quantity");
        var model = boxes.Line("Repair", Ends.One, "Use", Ends.ZeroOrMore, "has", "is of", Stroke.Solid).ToDrawing();
        var drawn = boxes.ToDrawing().Sheets[0];
        var diamond = new Shape("d1", Form.Diamond, Outline.Single, "has", [], null);
        LineEnd At(string id) => new(Attachment.ToShape(id), []);
        var answer = new Drawing([
            drawn with
            {
                Shapes = [.. drawn.Shapes, diamond],
                Lines =
                [
                    new Line("x", Stroke.Solid, "", At("b1"), At("d1"), []),
                    new Line("y", Stroke.Solid, "", At("d1"), At("b2"), []),
                ],
            },
        ]);
        var assessment = new Assessor(
            model,
            new CrowsFootOptions { StrokeSaysIdentifying = true },
            [],
            Exercise.Of(model).Scheme
        ).Assess(answer, []);
        var verdict = assessment.Comparison.Verdicts.Single(verdict => verdict.Fact.Kind == FactKinds.Identifying);
        verdict.Kind.ShouldBe(VerdictKind.Absent);
        assessment.Findings.Single(finding => finding.Claims.Contains(verdict.Fact.Id)).Tag.ShouldBe(Tag.Notation);
        AddsUp(assessment);
    }

    [Fact]
    public void Allowing_every_note_restores_full_marks_and_keeping_them_changes_nothing()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var answer in DemoExercises.Answers(name))
            {
                var before = assessor.Assess(answer, []);
                assessor.Assess(answer, Rule(before, Decision.Allow)).Sheet.Exact.ShouldBe(assessor.Scheme.Maximum, name);
                assessor.Assess(answer, Rule(before, Decision.KeepLoss)).Sheet.Exact.ShouldBe(before.Sheet.Exact, name);
                var partly = assessor.Assess(answer, Rule(before, Decision.AllowInPart)).Sheet.Exact;
                (partly >= before.Sheet.Exact && partly <= assessor.Scheme.Maximum).ShouldBeTrue(name);
            }
        }
    }

    [Fact]
    public void By_share_a_line_about_two_places_earns_half_when_one_is_right()
    {
        var facts = ImmutableArray.Create(Fact("a", "one"), Fact("b", "two"));
        Earned(LineRule.Share, facts, "a").ShouldBe(Rational.Half);
        Earned(LineRule.AllOrNothing, facts, "a").ShouldBe(Rational.Zero);
        Earned(LineRule.Share, facts).ShouldBe(Rational.Zero);
        Earned(LineRule.Share, facts, "a", "b").ShouldBe(Rational.One);
        Earned(LineRule.Share, [Fact("a", "one"), Fact("b", "one")], "a").ShouldBe(Rational.Zero);
    }

    [Fact]
    public void Extras_cost_what_the_scheme_says_and_no_more_than_its_cap()
    {
        var model = new Sketch().Box("Visit", "PK no").ToDrawing();
        var answer = new Sketch().Box("Visit", "PK no", "x", "y", "z").ToDrawing();
        var derived = Exercise.Of(model).Scheme;
        var assessor = new Assessor(model, new CrowsFootOptions(), [], derived with { ExtraCost = 1, ExtraCap = 2 });
        var assessment = assessor.Assess(answer, []);
        assessment.Sheet.Exact.ShouldBe(38);
        AddsUp(assessment);
    }

    [Fact]
    public void An_optional_entity_may_be_absent_with_all_that_belongs_to_it()
    {
        var (_, model, level) = DemoExercises.Models.First();
        var part = model.Shapes.First(shape => shape.Text == "Part").Id;
        var assessor = Exercise.Of(model, level, new Tolerance($"entity:{part}", [], true, false));
        var sheet = model.Sheets[0];
        var without = new Drawing([
            sheet with
            {
                Shapes = [.. sheet.Shapes.Where(shape => shape.Id != part)],
                Lines = [.. sheet.Lines.Where(line => line.From.On.Id != part && line.To.On.Id != part)],
            },
        ]);
        assessor.Assess(without, []).Sheet.Total.ShouldBe(40);
        assessor.Assess(Drawing.Empty, []).Sheet.Total.ShouldBe(0);
    }

    [Fact]
    public void Rationals_are_exact_and_round_once()
    {
        (new Rational(1, 3) + new Rational(1, 6)).ShouldBe(Rational.Half);
        new Rational(5, 4).RoundTo(Rational.Half).ShouldBe(new Rational(3, 2));
        new Rational(-1, 2).ToString().ShouldBe("-1/2");
        Rational.TryParse("2.5", out var value).ShouldBeTrue();
        value.ShouldBe(new Rational(5, 2));
        Rational.TryParse("1/0", out _).ShouldBeFalse();
        new Rational(65, 2).ToDisplay().ShouldBe("32½");
        new Rational(2, 3).ToDisplay().ShouldBe("⅔");
        new Rational(17, 12).ToDisplay().ShouldBe("1 5⁄12");
        new Rational(3, 7).ToDisplay().ShouldBe("3⁄7");
    }

    [Fact]
    public void Rational_arithmetic_keeps_its_laws() =>
        Gen.Select(Gen.Int[-50, 50], Gen.Int[1, 50], Gen.Int[-50, 50], Gen.Int[1, 50])
            .Sample(
                (a, b, c, d) =>
                {
                    Rational x = new(a, b),
                        y = new(c, d);
                    (x + y - y).ShouldBe(x);
                    (x * y).ShouldBe(y * x);
                    (x < y).ShouldBe((double)x < (double)y);
                }
            );

    private static void AddsUp(Assessment assessment) =>
        assessment
            .Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss)
            .ShouldBe(assessment.Sheet.Maximum - assessment.Sheet.Exact);

    private static ImmutableArray<Ruling> Rule(Assessment assessment, Decision decision) =>
        [
            .. assessment.Notes.Select(note => new Ruling(
                decision,
                [.. note.Finding.Claims.Concat(note.Consequences.SelectMany(finding => finding.Claims))],
                note.Finding.Extras,
                ""
            )),
        ];

    private static Fact Fact(string id, string place) => new(id, FactKinds.Attribute, id, place, id, id);

    private static Rational Earned(LineRule rule, ImmutableArray<Fact> facts, params string[] right)
    {
        var scheme = new MarkingScheme(
            [new MarkLine("l", "", 1, rule, [.. facts.Select(fact => fact.Id)])],
            default,
            default,
            Rational.Half
        );
        var verdicts = facts.Select(fact => new Verdict(
            fact,
            right.Contains(fact.Id) ? VerdictKind.Holds : VerdictKind.Absent,
            null,
            ""
        ));
        return Marker.Mark(scheme, [.. verdicts], [], Decisions.None).Lines[0].Earned;
    }
}
