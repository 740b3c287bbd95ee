using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Restatements;

/// <summary>
/// The same meaning drawn another way: accepted with its ends carried over, and only where its preconditions hold.
/// </summary>
public sealed class RestatementTests
{
    private static readonly Gen<string[]> AnyEnd = Gen.Int[0, 3]
        .Select(n => new[] { Ends.One, Ends.ZeroOrOne, Ends.OneOrMore, Ends.ZeroOrMore }[n]);
    private static readonly Gen<string[]> ManyEnd = Gen.Bool.Select(least => least ? Ends.OneOrMore : Ends.ZeroOrMore);

    private static Sketch Boxes => new Sketch().Box("Repair", "PK repair no", "outcome").Box("Part", "PK code", "price");

    [Fact]
    public void Any_many_to_many_may_be_drawn_as_an_entity_between_with_its_ends_crossed_over() =>
        Gen.Select(ManyEnd, ManyEnd)
            .Sample(
                (atRepair, atPart) =>
                {
                    var model = Boxes.Line("Repair", atRepair, "Part", atPart, "uses", "is used in").ToDrawing();
                    var answer = Boxes
                        .Box("Use")
                        .Line("Repair", Ends.One, "Use", atPart, "makes", "is made in")
                        .Line("Part", Ends.One, "Use", atRepair, "goes into", "takes")
                        .ToDrawing();
                    var assessment = Exercise.Of(model).Assess(answer, []);
                    assessment.Sheet.Total.ShouldBe(40);
                    assessment.Findings.ShouldBeEmpty();
                    assessment.Comparison.Correspondence.Restated.Single().Said.ShouldContain("Use");
                }
            );

    [Fact]
    public void A_wrong_end_is_still_wrong_when_it_is_drawn_another_way()
    {
        var model = Boxes.Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses", "is used in").ToDrawing();
        var answer = Boxes
            .Box("Use")
            .Line("Repair", Ends.One, "Use", Ends.ZeroOrMore, "makes")
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "goes into")
            .ToDrawing();
        var assessment = Exercise.Of(model).Assess(answer, []);
        var finding = assessment.Findings.Where(finding => finding.ConsequenceOf is null).ShouldHaveSingleItem();
        finding.Code.ShouldBe("cardinality-min");
        finding.AnswerElements.ShouldNotBeEmpty();
    }

    [Fact]
    public void An_entity_between_other_entities_restates_nothing()
    {
        var model = Boxes
            .Box("Fixer", "PK badge no")
            .Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses", "is used in")
            .ToDrawing();
        var answer = Boxes
            .Box("Fixer", "PK badge no")
            .Box("Use")
            .Line("Repair", Ends.One, "Use", Ends.OneOrMore, "makes")
            .Line("Fixer", Ends.One, "Use", Ends.ZeroOrMore, "does")
            .ToDrawing();
        var assessment = Exercise.Of(model).Assess(answer, []);
        assessment.Comparison.Correspondence.Restated.ShouldBeEmpty();
        assessment.Findings.Select(finding => finding.Code).ShouldContain("relationship-missing");
    }

    [Fact]
    public void One_linking_entity_restates_one_relationship_only()
    {
        var model = Boxes
            .Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses", "is used in")
            .Line("Repair", Ends.ZeroOrMore, "Part", Ends.ZeroOrMore, "wears out", "is worn out in")
            .ToDrawing();
        var answer = Boxes
            .Box("Use")
            .Line("Repair", Ends.One, "Use", Ends.OneOrMore, "makes", "is made in")
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "goes into", "takes")
            .ToDrawing();
        var assessment = Exercise.Of(model).Assess(answer, []);
        assessment.Comparison.Correspondence.Restated.Length.ShouldBe(1);
        assessment.Findings.Count(finding => finding.Code == "relationship-missing").ShouldBe(1);
    }

    [Fact]
    public void At_conceptual_level_a_linking_entity_may_be_drawn_as_a_many_to_many_and_at_logical_level_not()
    {
        Sketch Linked() =>
            Boxes
                .Box("Use")
                .Line("Repair", Ends.One, "Use", Ends.OneOrMore, "makes", "is made in")
                .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "goes into", "takes");
        var answer = Boxes.Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses", "is used in").ToDrawing();
        Exercise
            .Of(Linked().ToDrawing())
            .Assess(answer, [])
            .Comparison.Correspondence.Restated.ShouldHaveSingleItem()
            .Code.ShouldBe("linking-entity-by-many-to-many");
        var logical = Exercise.Of(Linked().ToDrawing(), Level.Logical).Assess(answer, []).Comparison;
        logical.Correspondence.Restated.ShouldAllBe(match => match.Holding.IsEmpty && match.Uses.IsEmpty);
        logical.On(FactKinds.Entity, "b3")!.IsBad.ShouldBeTrue();
        logical.On(FactKinds.Maximum, "r1/to")!.IsGood.ShouldBeTrue();
    }

    [Fact]
    public void A_linking_entity_left_out_loses_its_attributes_and_nothing_else()
    {
        var model = Boxes
            .Box("Use", "quantity")
            .Line("Repair", Ends.One, "Use", Ends.OneOrMore, "makes", "is made in")
            .Line("Part", Ends.One, "Use", Ends.ZeroOrMore, "goes into", "takes")
            .ToDrawing();
        var answer = Boxes.Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses", "is used in").ToDrawing();
        var assessment = Exercise.Of(model).Assess(answer, []);
        assessment.Comparison.On(FactKinds.Entity, "b3")!.Kind.ShouldBe(VerdictKind.HoldsByRestatement);
        assessment.Findings.ShouldHaveSingleItem().Code.ShouldBe("attribute-missing");
    }

    [Fact]
    public void What_is_said_of_a_line_does_not_depend_on_the_end_at_which_it_was_begun() =>
        Gen.Select(AnyEnd, AnyEnd, AnyEnd, AnyEnd)
            .Sample(
                (a, b, c, d) =>
                {
                    var assessor = Exercise.Of(Boxes.Line("Repair", a, "Part", b, "uses", "is used in").ToDrawing());
                    var there = assessor.Assess(Boxes.Line("Repair", c, "Part", d, "uses", "is used in").ToDrawing(), []);
                    var back = assessor.Assess(Boxes.Line("Part", d, "Repair", c, "is used in", "uses").ToDrawing(), []);
                    back.Sheet.Exact.ShouldBe(there.Sheet.Exact);
                    back.Findings.Select(finding => finding.Headline)
                        .ShouldBe(there.Findings.Select(finding => finding.Headline));
                }
            );

    [Fact]
    public void Codes_are_unique_and_stable()
    {
        Restatement.All.Select(restatement => restatement.Code).ShouldBeUnique();
        Restatement
            .All.Select(restatement => restatement.Code)
            .ShouldBe([
                "association-by-typed-attribute",
                "composite-by-parts",
                "dependent-entity-by-multivalued",
                "derived-by-operation",
                "enumeration-by-line",
                "enumeration-by-lookup",
                "linking-entity-by-many-to-many",
                "lookup-by-enumeration",
                "many-to-many-by-linking-entity",
                "multivalued-by-dependent-entity",
                "operation-by-derived",
                "overlap-by-third-subtype",
                "parts-by-composite",
                "qualifier-by-attribute",
                "specialisation-by-is-a",
                "subtypes-by-kind-attribute",
                "supertype-by-subtypes",
            ]);
    }
}
