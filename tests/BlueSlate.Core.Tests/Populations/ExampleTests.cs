using System.Collections.Frozen;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Populations;
using Shouldly;

namespace BlueSlate.Core.Tests.Populations;

/// <summary>
/// The small examples of findings: a drawing and the model answer judge them differently, and the table shows why.
/// </summary>
public sealed class ExampleTests
{
    private static readonly string[] VisitRows = ["PK visit no", "date"];
    private static readonly string[] ItemRows = ["PK item no", "fault"];

    [Fact]
    public void A_minimum_that_is_too_low_is_shown_by_one_with_none()
    {
        var example = Example("cardinality-min", Visits(Ends.OneOrMore), Visits(Ends.ZeroOrMore));

        example.Kind.ShouldBe(ExampleKind.AllowedAsDrawn);
        example.Table.Said.ShouldBe("A visit with no item.");
        Table(example).ShouldBe("Visit | Item / visit 1 | none");
    }

    [Fact]
    public void A_minimum_that_is_too_high_is_shown_by_one_that_could_not_be_kept()
    {
        var example = Example("cardinality-min", Visits(Ends.ZeroOrMore), Visits(Ends.OneOrMore));

        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        Table(example).ShouldBe("Visit | Item / visit 1 | none");
    }

    [Fact]
    public void A_maximum_of_one_is_shown_by_a_second_that_could_not_be_kept()
    {
        var example = Example("cardinality-max", Visits(Ends.OneOrMore), Visits(Ends.One));

        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        example.Table.Said.ShouldBe("A visit with 2 items.");
        Table(example).ShouldBe("Visit | Item / visit 1 | item 1 / visit 1 | item 2");
    }

    [Fact]
    public void What_is_accepted_besides_is_no_example()
    {
        var model = Visits(Ends.OneOrMore);
        var tolerance = new Tolerance("min:r1/to", ["0"], false, false);
        var answer = Visits(Ends.ZeroOrOne);

        // None is accepted here, so that only a second item tells the two apart.
        var example = Example("cardinality-max", model, answer, tolerance);
        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        example.Table.Rows.Length.ShouldBe(2);
    }

    [Fact]
    public void Swapped_ends_are_shown_at_one_of_them()
    {
        var answer = new Sketch()
            .Box("Visit", VisitRows)
            .Box("Item", ItemRows)
            .Line("Visit", Ends.OneOrMore, "Item", Ends.One, "brings in")
            .ToDrawing();
        var example = Example("ends-swapped", Visits(Ends.OneOrMore), answer);

        example.Table.Rows.Length.ShouldBe(2);
        example.Table.Columns.Order().ShouldBe(["Item", "Visit"]);
    }

    [Fact]
    public void A_wrong_key_is_shown_by_two_things_that_share_the_right_one()
    {
        var answer = new Sketch()
            .Box("Visit", "visit no", "PK date")
            .Box("Item", ItemRows)
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();
        var example = Example("key-wrong", Visits(Ends.OneOrMore), answer);

        example.Kind.ShouldBe(ExampleKind.AllowedAsDrawn);
        Table(example).ShouldBe("Visit | visit no | date / visit 1 | 101 | 3 May / visit 2 | 101 | 4 May");
    }

    [Fact]
    public void A_key_that_lacks_a_part_is_shown_by_two_things_that_it_would_not_let_in()
    {
        var model = new Sketch().Box("Booking", "PK room", "PK day", "purpose").ToDrawing();
        var answer = new Sketch().Box("Reservation", "PK room", "day", "purpose").ToDrawing();
        var example = Example("key-wrong", model, answer);

        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        Table(example).ShouldBe("Reservation | room | day / reservation 1 | room A | 3 May / reservation 2 | room A | 4 May");
    }

    [Fact]
    public void A_key_with_too_much_in_it_is_shown_by_two_things_that_share_what_is_enough()
    {
        var answer = new Sketch()
            .Box("Visit", "PK visit no", "PK date")
            .Box("Item", ItemRows)
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();

        Table(Example("key-not-minimal", Visits(Ends.OneOrMore), answer))
            .ShouldBe("Visit | visit no | date / visit 1 | 101 | 3 May / visit 2 | 101 | 4 May");
    }

    [Fact]
    public void A_weak_entity_drawn_strong_is_shown_by_the_same_number_within_two_owners()
    {
        var example = Example("entity-kind-not-shown", ExampleOf("entity-kind-not-shown"));

        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        example.Table.Rows.Select(row => row[^1]).Distinct().Count().ShouldBe(2);
        example.Table.Rows.Select(row => row[1]).Distinct().Count().ShouldBe(1);
    }

    [Fact]
    public void An_alternate_key_is_shown_by_two_things_that_share_its_value()
    {
        var example = Example("alternate-key-missing", ExampleOf("alternate-key-missing"));

        example.Kind.ShouldBe(ExampleKind.AllowedAsDrawn);
        Table(example).ShouldBe("Fixer | email / fixer 1 | ada@example.org / fixer 2 | ada@example.org");
    }

    [Fact]
    public void Overlap_is_shown_by_one_thing_of_two_subtypes()
    {
        var example = Example("specialisation-disjointness", ExampleOf("specialisation-disjointness"));

        example.Kind.ShouldBe(ExampleKind.AllowedAsDrawn);
        example.Table.Said.ShouldBe("A person that is a visitor and a fixer at once.");
        Table(example).ShouldBe("Person | Visitor | Fixer / person 1 | yes | yes");
    }

    [Fact]
    public void Several_values_are_shown_by_one_thing_with_two()
    {
        var example = Example("attribute-form-not-shown", ExampleOf("attribute-form-not-shown"));

        example.Kind.ShouldBe(ExampleKind.RuledOutAsDrawn);
        Table(example).ShouldBe("Fixer | skills / fixer 1 | skill A, skill B");
    }

    [Fact]
    public void An_exclusive_constraint_is_shown_by_one_thing_that_takes_part_in_both() =>
        Example("exclusion-missing", ExampleOf("exclusion-missing")).Kind.ShouldBe(ExampleKind.AllowedAsDrawn);

    [Fact]
    public void Names_are_the_authors_own()
    {
        var answer = new Sketch()
            .Box("Café visit", "PK visit no", "date")
            .Box("Broken item", "PK item no", "fault")
            .Line("Café visit", Ends.One, "Broken item", Ends.ZeroOrMore, "brings in")
            .ToDrawing();

        Example("cardinality-min", Visits(Ends.OneOrMore), answer).Table.Columns.ShouldBe(["Café visit", "Broken item"]);
    }

    /// <summary>
    /// Whatever is wrong, an example is judged differently by the two models, and neither breaks another rule of the model
    /// answer.
    /// </summary>
    [Fact]
    public void Every_example_breaks_only_rules_that_its_finding_is_about()
    {
        var given = 0;
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var code in new[] { "cardinality-min", "cardinality-max", "key-missing" })
            {
                for (var seed = 0; seed < 15; seed++)
                {
                    if (SeededFaults.Seed(model, code, seed) is not { } answer)
                    {
                        continue;
                    }

                    var assessment = assessor.Assess(answer, []);
                    foreach (var finding in assessment.Findings.Where(finding => finding.Code == code))
                    {
                        var example = assessment.ExampleOf(finding).ShouldBeOfType<ExamplePopulation>($"{name} {code} {seed}");
                        var facts = assessment
                            .Comparison.Verdicts.Where(verdict => finding.Claims.Contains(verdict.Fact.Id))
                            .Select(verdict => verdict.Fact.ConceptId)
                            .ToFrozenSet();
                        var broken = PopulationRules.Broken(assessment.Comparison.Model.Model, example.Whole).ToList();
                        broken.ShouldAllBe(rule => facts.Contains(rule.ConceptId), $"{name} {code} {seed}");
                        (broken.Count > 0).ShouldBe(example.Kind == ExampleKind.AllowedAsDrawn, $"{name} {code} {seed}");
                        example.Table.Rows.ShouldAllBe(row => row.Length == example.Table.Columns.Length);
                        given++;
                    }
                }
            }
        }

        given.ShouldBeGreaterThan(100);
    }

    [Fact]
    public void The_same_finding_always_has_the_same_example()
    {
        string Once() => Table(Example("cardinality-max", Visits(Ends.OneOrMore), Visits(Ends.One)));
        Once().ShouldBe(Once());
    }

    private static Drawing Visits(string[] atItem) =>
        new Sketch()
            .Box("Visit", VisitRows)
            .Box("Item", ItemRows)
            .Line("Visit", Ends.One, "Item", atItem, "brings in")
            .ToDrawing();

    private static FindingExample ExampleOf(string code) => ExampleArea.Of(code);

    private static ExamplePopulation Example(string code, FindingExample example)
    {
        var assessment = Exercise.Of(example.Model, example).Assess(example.Answer, []);
        return assessment
            .ExampleOf(assessment.Findings.First(finding => finding.Code == code))
            .ShouldBeOfType<ExamplePopulation>();
    }

    private static ExamplePopulation Example(string code, Drawing model, Drawing answer, params Tolerance[] tolerances)
    {
        var assessment = Exercise.Of(model, Level.Conceptual, tolerances).Assess(answer, []);
        return assessment
            .ExampleOf(assessment.Findings.First(finding => finding.Code == code))
            .ShouldBeOfType<ExamplePopulation>();
    }

    private static string Table(ExamplePopulation example) =>
        string.Join(" / ", example.Table.Rows.Prepend(example.Table.Columns).Select(row => string.Join(" | ", row)));
}
