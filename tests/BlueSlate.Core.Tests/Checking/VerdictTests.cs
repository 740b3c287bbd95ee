using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>The verdict on a fact: when it holds, when it is tolerated, and what is said otherwise.</summary>
public sealed class VerdictTests
{
    private static readonly string[] Visit = ["PK visit no", "date"];
    private static readonly string[] Item = ["PK item no", "fault"];

    private static Sketch Boxes => new Sketch().Box("Visit", Visit).Box("Item", Item);

    private static Drawing Model => Boxes.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing();

    [Fact]
    public void Another_accepted_value_is_tolerated()
    {
        var answer = Boxes.Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in", "comes in on").ToDrawing();
        On(answer, "min:r1/to").Kind.ShouldBe(VerdictKind.Wrong);
        On(answer, "min:r1/to", new Tolerance("min:r1/to", ["0"], false, false)).Kind.ShouldBe(VerdictKind.Tolerated);
        On(answer, "min:r1/to", new Tolerance("min:r1/to", [], false, true)).Kind.ShouldBe(VerdictKind.NotAssessed);
    }

    [Fact]
    public void An_unsaid_value_is_absent_and_may_be_accepted()
    {
        var answer = Boxes.Line("Visit", Ends.One, "Item", [EndMark.Foot], "brings in", "comes in on").ToDrawing();
        On(answer, "min:r1/to").Kind.ShouldBe(VerdictKind.Absent);
        On(answer, "min:r1/to", new Tolerance("min:r1/to", ["?"], false, false)).Kind.ShouldBe(VerdictKind.Tolerated);
    }

    [Fact]
    public void What_belongs_to_a_missing_entity_is_absent_with_it()
    {
        var answer = new Sketch().Box("Visit", Visit).ToDrawing();
        On(answer, "entity:b2").Kind.ShouldBe(VerdictKind.Absent);
        On(answer, "key:b2").Kind.ShouldBe(VerdictKind.AbsentWithOwner);
        On(answer, "attribute:t4").Kind.ShouldBe(VerdictKind.AbsentWithOwner);
        On(answer, "relationship:r1").Kind.ShouldBe(VerdictKind.AbsentWithOwner);
        On(answer, "max:r1/to").Kind.ShouldBe(VerdictKind.AbsentWithOwner);
    }

    [Fact]
    public void Primary_and_alternate_key_may_change_places_when_both_are_drawn()
    {
        var model = new Sketch().Box("Fixer", "PK badge no", "AK1 email").ToDrawing();
        var swapped = new Sketch().Box("Fixer", "AK1 badge no", "PK email").ToDrawing();
        Assess(model, swapped).Findings.ShouldBeEmpty();
        var only = new Sketch().Box("Fixer", "badge no", "PK email").ToDrawing();
        Assess(model, only).Findings.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_repaired_fault_of_notation_satisfies_meaning_and_fails_notation()
    {
        var answer = Boxes.Line("Visit", Ends.One, "Item", [EndMark.Arrow, EndMark.Bar], "brings in", "comes in on").ToDrawing();
        On(answer, "max:r1/to").Kind.ShouldBe(VerdictKind.Holds);
        On(answer, "own-notation:drawing").Kind.ShouldBe(VerdictKind.Wrong);
    }

    [Fact]
    public void Values_of_a_line_tied_to_the_wrong_entity_are_judged_all_the_same()
    {
        var model = Boxes
            .Box("Fixer", "PK badge no")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "looks at", "is looked at by")
            .ToDrawing();
        var answer = Boxes
            .Box("Fixer", "PK badge no")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Fixer", Ends.One, "Visit", Ends.ZeroOrMore, "looks at", "is looked at by")
            .ToDrawing();
        var comparison = Assess(model, answer).Comparison;
        comparison.On(FactKinds.Relationship, "r2")!.Kind.ShouldBe(VerdictKind.Wrong);
        comparison.On(FactKinds.Maximum, "r2/to")!.IsGood.ShouldBeTrue();
    }

    [Fact]
    public void A_foreign_key_is_found_by_the_line_that_it_stands_for_whatever_it_is_called()
    {
        var model = new Sketch()
            .Box("Visit", Visit)
            .Box("Item", "PK item no", "FK visit no")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();
        var answer = new Sketch()
            .Box("Visit", Visit)
            .Box("Item", "PK item no", "FK visit")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();
        Exercise.Of(model, Level.Logical).Assess(answer, []).Findings.ShouldBeEmpty();
    }

    [Fact]
    public void A_name_without_its_owner_or_with_it_is_the_same()
    {
        var answer = new Sketch()
            .Box("VISIT", "PK no", "VisitDate")
            .Box("Item", "PK ItemNumber", "item_fault")
            .Line("VISIT", Ends.One, "Item", Ends.OneOrMore, "bring in")
            .ToDrawing();
        Assess(Model, answer).Findings.ShouldBeEmpty();
    }

    [Fact]
    public void No_key_said_at_a_linking_entity_that_its_parents_identify_is_no_fault()
    {
        var model = new Sketch()
            .Box("Repair", "PK no")
            .Box("Part", "PK code")
            .Box("Use", "quantity")
            .Line("Repair", Ends.One, "Use", Ends.ZeroOrMore, "has", "is of", Stroke.Solid)
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "is in", "takes", Stroke.Solid)
            .ToDrawing();
        var dashed = new Sketch()
            .Box("Repair", "PK no")
            .Box("Part", "PK code")
            .Box("Use", "quantity")
            .Line("Repair", Ends.One, "Use", Ends.ZeroOrMore, "has", "is of")
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "is in", "takes")
            .ToDrawing();
        Assess(model, dashed).Comparison.On(FactKinds.Key, "b3")!.IsGood.ShouldBeTrue();
    }

    private static Verdict On(Drawing answer, string fact, params Tolerance[] tolerances) =>
        Exercise
            .Of(Model, Level.Conceptual, tolerances)
            .Assess(answer, [])
            .Comparison.Verdicts.Single(verdict => verdict.Fact.Id == fact);

    private static Assessment Assess(Drawing model, Drawing answer) => Exercise.Of(model).Assess(answer, []);
}
