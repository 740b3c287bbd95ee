using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>What is drawn too many is told by what sort of thing it is.</summary>
public sealed class ExtraWordingTests
{
    private static Sketch Visits =>
        new Sketch()
            .Box("Visit", "PK visit no", "weather")
            .Box("Item", "PK item no", "fault")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in");

    [Fact]
    public void The_organisation_itself_is_named_so() =>
        Headline(
                Visits
                    .Box("Company", "PK address")
                    .Line("Company", Ends.One, "Visit", Ends.ZeroOrMore, "has")
                    .Line("Company", Ends.One, "Item", Ends.ZeroOrMore, "keeps")
            )
            .ShouldBe("Company is the organisation itself.");

    [Fact]
    public void A_report_is_worked_out() =>
        Headline(Visits.Box("Fault report", "PK day").Line("Fault report", Ends.ZeroOrMore, "Item", Ends.ZeroOrMore, "shows"))
            .ShouldBe("Fault report is worked out from what is kept.");

    [Fact]
    public void A_role_beside_its_holder_is_no_thing_of_its_own() =>
        Headline(Visits.Box("Bringer").Line("Bringer", Ends.One, "Visit", Ends.One, "is"))
            .ShouldBe("Bringer is what a visit is at times, no thing of its own.");

    [Fact]
    public void Anything_else_is_not_in_the_scenario() =>
        Headline(Visits.Box("Paint", "PK day")).ShouldBe("Paint is not in the scenario.");

    [Fact]
    public void Two_attributes_that_have_changed_places_are_one_finding()
    {
        var answer = new Sketch()
            .Box("Visit", "PK visit no", "fault")
            .Box("Item", "PK item no", "weather")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();
        var assessment = Exercise.Of(Visits.ToDrawing()).Assess(answer, []);
        assessment.Findings.ShouldHaveSingleItem().Headline.ShouldBe("Weather and fault have changed places.");
    }

    [Fact]
    public void Two_that_stand_elsewhere_without_an_exchange_are_two()
    {
        var answer = new Sketch()
            .Box("Visit", "PK visit no")
            .Box("Item", "PK item no")
            .Box("Fixer", "PK badge no", "weather", "fault")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "mends")
            .ToDrawing();
        var model = Visits.Box("Fixer", "PK badge no").Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "mends").ToDrawing();
        Exercise
            .Of(model)
            .Assess(answer, [])
            .Findings.Select(finding => finding.Code)
            .ShouldBe(["attribute-misplaced", "attribute-misplaced"]);
    }

    private static string Headline(Sketch answer) =>
        Exercise.Of(Visits.ToDrawing()).Assess(answer.ToDrawing(), []).Findings.ShouldHaveSingleItem().Headline;
}
