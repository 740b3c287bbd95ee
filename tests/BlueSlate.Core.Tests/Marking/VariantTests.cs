using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>
/// Another model answer of another structure is as right: it gets full marks, and what differs from it is said of it.
/// </summary>
public sealed class VariantTests
{
    private static readonly CrowsFootOptions Options = new();

    /// <summary>Each repair has its own parts; or nothing is kept of parts, and of suppliers instead.</summary>
    private static readonly Drawing Model = new Sketch()
        .Box("Repair", "PK repair no", "outcome")
        .Box("Part", "PK serial no", "price")
        .Box("Fixer", "PK badge no", "name")
        .Line("Repair", Ends.One, "Part", Ends.ZeroOrMore, "uses")
        .Line("Fixer", Ends.One, "Repair", Ends.ZeroOrMore, "does")
        .ToDrawing();

    private static Sketch Other =>
        new Sketch()
            .Box("Fixer", "PK badge no", "name")
            .Box("Repair", "PK repair no", "outcome")
            .Box("Supplier", "PK supplier no", "town")
            .Line("Fixer", Ends.One, "Repair", Ends.ZeroOrMore, "does")
            .Line("Fixer", Ends.ZeroOrMore, "Supplier", Ends.OneOrMore, "buys from");

    [Fact]
    public void The_model_answer_and_its_variant_get_full_marks_and_a_blank_nothing()
    {
        foreach (var answer in new[] { Model, Other.ToDrawing() })
        {
            var assessment = Assessor().Assess(answer, []);
            assessment.Sheet.Total.ShouldBe(40);
            assessment.Findings.ShouldBeEmpty();
        }

        Assessor().Assess(Drawing.Empty, []).Sheet.Total.ShouldBe(0);
    }

    [Fact]
    public void Without_the_variant_the_same_answer_loses_much()
    {
        var plain = new Assessor(Model, Options, [], Scheme());
        plain.Assess(Other.ToDrawing(), []).Sheet.Total.ShouldBeLessThan(30);
    }

    [Fact]
    public void What_differs_from_the_variant_is_said_of_the_variant_and_no_more()
    {
        var answer = new Sketch()
            .Box("Fixer", "PK badge no", "name")
            .Box("Repair", "PK repair no", "outcome")
            .Box("Supplier", "PK supplier no", "town")
            .Line("Fixer", Ends.One, "Repair", Ends.ZeroOrMore, "does")
            .Line("Fixer", Ends.ZeroOrMore, "Supplier", Ends.ZeroOrMore, "buys from")
            .ToDrawing();
        var assessment = Assessor().Assess(answer, []);
        assessment.Findings.ShouldHaveSingleItem().Code.ShouldBe("cardinality-min");
        assessment.ModelDrawing.Shapes.Select(shape => shape.Text).ShouldContain("Supplier");
        assessment.Sheet.Total.ShouldBeLessThan(40);
    }

    [Fact]
    public void A_repaired_model_answer_keeps_its_lines_and_gives_what_is_gone_to_what_is_new()
    {
        // The part is gone with its line, and a tool stands there instead.
        var sheet = Model.Sheets[0];
        var (gone, line) = (sheet.Shapes[1], sheet.Lines[0]);
        var tool = gone with { Id = "tool", Text = "Tool" };
        var uses = line with { Id = "uses", To = line.To with { On = line.To.On with { Id = "tool" } } };
        var repaired = Model with
        {
            Sheets = [sheet with { Shapes = sheet.Shapes.SetItem(1, tool), Lines = [uses, sheet.Lines[1]] }],
        };
        var scheme = VariantScheme.Repaired(Scheme(), FactsOf(Model), FactsOf(repaired));
        scheme.Maximum.ShouldBe(Scheme().Maximum);
        scheme.Lines.ShouldContain(one => one.Title == "Entity Tool");
        scheme.Lines.ShouldNotContain(one => one.Title == "Entity Part");
        foreach (var kept in Scheme().Lines.Where(one => one.Title.EndsWith("Fixer", StringComparison.Ordinal)))
        {
            scheme.Lines.Single(one => one.Id == kept.Id).Marks.ShouldBe(kept.Marks);
        }

        new Assessor(repaired, Options, [], scheme).Assess(repaired, []).Sheet.Total.ShouldBe(40);
        VariantScheme
            .Repaired(Scheme(), FactsOf(Model), FactsOf(Model))
            .Lines.Select(one => (one.Id, one.Marks))
            .ShouldBe(Scheme().Lines.Select(one => (one.Id, one.Marks)));
    }

    [Fact]
    public void What_both_say_is_worth_the_same_in_both()
    {
        var assessment = Assessor().Assess(Other.ToDrawing(), []);
        foreach (var title in new[] { "Entity Fixer", "Key of Fixer", "Relationship Fixer does Repair" })
        {
            assessment
                .Sheet.Lines.Single(line => line.Line.Title == title)
                .Line.Marks.ShouldBe(Scheme().Lines.Single(line => line.Title == title).Marks);
        }

        assessment.Sheet.Lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Line.Marks).ShouldBe(40);
    }

    [Fact]
    public void An_answer_to_the_model_answer_is_held_against_that()
    {
        var answer = new Sketch()
            .Box("Repair", "PK repair no")
            .Box("Part", "PK serial no", "price")
            .Box("Fixer", "PK badge no", "name")
            .Line("Repair", Ends.One, "Part", Ends.ZeroOrMore, "uses")
            .Line("Fixer", Ends.One, "Repair", Ends.ZeroOrMore, "does")
            .ToDrawing();
        var assessment = Assessor().Assess(answer, []);
        assessment.ModelDrawing.ShouldBe(Model);
        assessment.Findings.ShouldHaveSingleItem().Code.ShouldBe("attribute-missing");
    }

    [Fact]
    public void A_mistake_in_a_variant_never_raises_its_mark()
    {
        for (var seed = 0; seed < 30; seed++)
        {
            foreach (var code in SeededFaults.Codes)
            {
                if (SeededFaults.Seed(Other.ToDrawing(), code, seed) is { } answer)
                {
                    Assessor().Assess(answer, []).Sheet.Exact.ShouldBeLessThanOrEqualTo(40, $"{code} {seed}");
                }
            }
        }
    }

    [Fact]
    public void Under_other_ids_a_drawing_says_the_same_and_shares_none_with_its_like()
    {
        var renamed = Renaming.WithPrefix(Model, "v1-");
        Exercise
            .Read(renamed)
            .Model.Entities.Select(entity => entity.Name)
            .ShouldBe(Exercise.Read(Model).Model.Entities.Select(entity => entity.Name));
        renamed.Shapes.Select(shape => shape.Id).Intersect(Model.Shapes.Select(shape => shape.Id)).ShouldBeEmpty();
        DrawingReader.Read(DrawingWriter.WriteText(renamed)).Drawing.ShouldNotBeNull();
        Exercise.Of(Model).Assess(renamed, []).Findings.ShouldBeEmpty();
    }

    private static ImmutableArray<Fact> FactsOf(Drawing drawing) => FactList.Of(Notation.Read(drawing, Options), Options);

    private static MarkingScheme Scheme() => SchemeDeriver.Derive(FactsOf(Model), 40);

    private static Assessor Assessor() =>
        new(Model, Options, [], Scheme(), ExerciseTerms.Usual with { Variants = [Other.ToDrawing()] });
}
