using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Relationships: missing, extra, tied to the wrong entity, unnamed, unresolved; roles and strokes.</summary>
public sealed class RelationshipFindingTests : FindingTest
{
    private const string Boxes = """
        Observer: PK observer no
        Session: PK session no
        Telescope: PK code

        """;

    private const string Model =
        Boxes
        + """
            Observer 11 leads / is led by 0m Session
            Telescope 11 serves / runs on 0m Session
            """;

    [Fact]
    public void A_missing_line_is_marked_in_the_model_answer() =>
        Says(
            Only(
                "relationship-missing",
                Boxes
                    + """
                    Observer 11 leads / is led by 0m Session
                    Telescope 11 «serves / runs on» 0m Session
                    """,
                Boxes + "Observer 11 leads / is led by 0m Session"
            ),
            "Telescope serves Session is missing.",
            "No line joins Telescope and Session.",
            "A relationship: Telescope serves Session.",
            "As drawn, nothing says which sessions a telescope serves."
        );

    [Fact]
    public void A_line_the_scenario_does_not_give_is_extra() =>
        Says(
            Only("relationship-extra", Model, Model + "\nObserver 11 «polishes / is polished by» 0m Telescope"),
            "Observer polishes Telescope: the scenario does not say so.",
            "A line: Observer polishes Telescope.",
            "No line for this between Observer and Telescope.",
            "Whoever builds this would keep a list of which observer goes with which telescope for nothing."
        );

    private const string Mill = """
        Miller: PK miller no, name
        Millstone: PK stone no, diameter
        Dressing: PK dressing no, done on, depth
        Grist: PK grist no, grain, weight
        Millstone 11 undergoes / is of 0m Dressing
        Miller 11 does / is done by 0m Dressing
        Miller 11 grinds / is ground by 0m Grist
        """;

    [Fact]
    public void The_only_line_left_at_what_lacks_one_is_that_line_at_the_wrong_box()
    {
        var finding = Only(
            "relationship-wrong-entity",
            Mill,
            Mill.Replace(
                "Millstone 11 undergoes / is of 0m Dressing",
                "Grist «11» comes before / follows 0m Dressing",
                StringComparison.Ordinal
            )
        );
        finding.Headline.ShouldBe("The line ends at Grist; it belongs to Millstone.");
    }

    [Theory]
    [InlineData("Grist 01 comes before / follows 0m Dressing")]
    [InlineData("Grist 11 comes before / follows 0m Dressing\nGrist 11 spoils / is spoilt by 0m Dressing")]
    public void With_other_numbers_or_beside_another_line_it_is_missing_and_extra(string drawn) =>
        Codes(Mill, Mill.Replace("Millstone 11 undergoes / is of 0m Dressing", drawn, StringComparison.Ordinal))
            .ShouldSatisfyAllConditions(
                codes => codes.ShouldContain("relationship-missing"),
                codes => codes.ShouldContain("relationship-extra"),
                codes => codes.ShouldNotContain("relationship-wrong-entity")
            );

    [Fact]
    public void A_line_that_ends_at_the_wrong_box_is_one_mistake()
    {
        var finding = Only(
            "relationship-wrong-entity",
            Model,
            Boxes
                + """
                Observer 11 leads / is led by 0m Session
                Telescope 11 serves / runs on «0m» Observer
                """
        );
        finding.Headline.ShouldBe("The line ends at Observer; it belongs to Session.");
        finding.Wanted.ShouldBe("A line: Telescope serves Session.");
    }

    [Fact]
    public void A_line_without_a_text_is_unnamed() =>
        Says(
            Only(
                "relationship-unnamed",
                Model,
                Boxes
                    + """
                    Observer 11 «» 0m Session
                    Telescope 11 serves / runs on 0m Session
                    """
            ),
            "The line between observer and session has no name.",
            "A line without a text between observer and session.",
            "A verb, such as “leads”.",
            "A reader would have to guess what an observer has to do with a session."
        );

    [Fact]
    public void Another_verb_or_the_verb_from_the_other_end_is_no_fault() =>
        Nothing(
            Model,
            Boxes
                + """
                Session 0m is headed by 11 Observer
                Session 0m uses 11 Telescope
                """
        );

    [Fact]
    public void Two_lines_that_change_places_are_not_mixed_up() =>
        Nothing(
            Model + "\nObserver 01 assists / is assisted by 0m Session",
            Boxes
                + """
                Observer 01 assists / is assisted by 0m Session
                Telescope 11 serves / runs on 0m Session
                Observer 11 leads / is led by 0m Session
                """
        );

    [Fact]
    public void Many_on_both_sides_is_unresolved_at_logical_level()
    {
        const string linked = """
            Repair: PK repair no
            Part: PK code
            Use: PK FK1 repair no, PK FK2 code, quantity
            Repair 11 = takes / is of 0m Use
            Part 11 = goes into / takes 0m Use
            """;
        Codes(linked, "Repair: PK repair no\nPart: PK code\nRepair 0m uses / is used in 1m Part", Level.Logical)
            .First()
            .ShouldBe("many-to-many-unresolved");
    }

    [Fact]
    public void At_conceptual_level_many_on_both_sides_is_right() =>
        Nothing(
            "Repair: PK repair no\nPart: PK code\nRepair 0m uses / is used in 1m Part",
            "Repair: PK repair no\nPart: PK code\nPart 1m is used in / uses 0m Repair"
        );

    [Fact]
    public void A_solid_line_where_nothing_is_identified_is_said_once_for_all()
    {
        var finding = Only(
            "identifying-without-need",
            Model,
            Boxes
                + """
                Observer 11 = «leads / is led by» 0m Session
                Telescope 11 = «serves / runs on» 0m Session
                """
        );
        finding.Headline.ShouldBe("2 solid lines identify nothing.");
    }

    [Fact]
    public void A_dashed_line_to_the_owner_is_said_at_that_line()
    {
        const string boxes = "Item: PK item no\nRepair: PPK number\n";
        var finding = Only(
            "identifying-not-shown",
            boxes + "Item 11 = is tried in / tries 0m Repair",
            boxes + "Item 11 «is tried in / tries» 0m Repair"
        );
        finding.Headline.ShouldBe("The line from Repair to Item is not drawn as identifying.");
    }

    [Fact]
    public void A_line_that_does_not_say_whether_it_identifies_is_asked_for_only_where_it_does()
    {
        var model = new Sketch()
            .Box("Item", "PK item no")
            .Box("Repair", "PPK repair no")
            .Box("Label", "PK label no")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid)
            .Line("Item", Ends.One, "Label", Ends.ZeroOrMore, "bears", "is on", Stroke.Dashed)
            .ToDrawing();
        var answer = model with
        {
            Sheets =
            [
                .. model.Sheets.Select(sheet =>
                    sheet with
                    {
                        Lines = [.. sheet.Lines.Select(line => line with { Stroke = Stroke.Thin })],
                    }
                ),
            ],
        };
        var finding = Exercise
            .Of(model)
            .Assess(answer, [])
            .Findings.Where(finding => finding.Code.StartsWith("identifying", StringComparison.Ordinal))
            .ShouldHaveSingleItem();
        finding.There.ShouldBe("The line from Repair to Item is thin: it does not say whether it identifies.");
    }

    [Fact]
    public void A_line_that_says_what_two_others_say_already()
    {
        const string Boxes = """
            Visit: PK visit no, date
            Item: PK item no, fault
            Repair: PK repair no, outcome
            Visit 11 brings in / comes in on 1m Item
            Item 11 is tried in / tries 0m Repair

            """;
        var finding = Only("relationship-redundant", Boxes, Boxes + "Visit 11 «leads to / follows» 0m Repair");
        finding.Headline.ShouldBe("Visit leads to Repair: that follows already.");
        finding.Wanted.ShouldBe("No line here, since Visit brings in Item and Item is tried in Repair.");
    }

    [Theory]
    [InlineData("Loan 0m covers / is on 1m Garment", "relationship-redundant")]
    [InlineData("Borrower 0m belongs to / holds 11 Guild\nGarment 0m is kept by / keeps 11 Guild", "relationship-extra")]
    public void A_line_follows_from_an_event_between_and_not_from_what_two_merely_share(string between, string code)
    {
        var boxes = $"""
            Borrower: *borrowerNo
            Garment: *garmentNo
            Loan: *loanNo
            Guild: *guildName
            Borrower 11 takes / is taken by 0m Loan
            {between}

            """;
        Only(code, boxes, boxes + "Borrower 0m «borrows / is borrowed by» 0m Garment")
            .Headline.ShouldContain("Borrower borrows Garment");
    }
}
