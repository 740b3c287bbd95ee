using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Least and most at the ends of lines: wrong, unsaid, swapped.</summary>
public sealed class CardinalityFindingTests : FindingTest
{
    private const string Boxes = "Visit: PK visit no\nItem: PK item no\n";

    public static TheoryData<string, string, string, string, string> WrongEnds =>
        new()
        {
            {
                "1m",
                "0m",
                "cardinality-min",
                "There could be a visit that brings in no item.",
                "As drawn, a visit may be kept before it brings in any item; the scenario rules that out."
            },
            {
                "0m",
                "1m",
                "cardinality-min",
                "A visit without an item is ruled out.",
                "As drawn, a visit cannot be kept until it brings in an item; the scenario allows it."
            },
            {
                "1m",
                "11",
                "cardinality-max",
                "A visit never brings in more than one item.",
                "As drawn, a second item of the same visit could not be kept."
            },
            {
                "11",
                "1m",
                "cardinality-max",
                "There could be a visit that brings in several items.",
                "As drawn, a second item may go with the same visit; the scenario rules that out."
            },
        };

    [Theory]
    [MemberData(nameof(WrongEnds))]
    public void A_wrong_end_is_said_in_the_things_of_the_scenario(
        string wanted,
        string drawn,
        string code,
        string headline,
        string why
    )
    {
        var finding = Only(
            code,
            Boxes + $"Visit 11 brings in / comes in on {wanted} Item",
            Boxes + $"Visit 11 brings in / comes in on «{drawn}» Item"
        );
        (finding.Headline, finding.Why).ShouldBe((headline, why));
    }

    [Theory]
    [InlineData("m", "the least")]
    [InlineData("1", "the least")]
    [InlineData("0", "the most")]
    [InlineData("?", "")]
    public void An_end_that_leaves_something_open_says_what(string drawn, string open)
    {
        var wanted = drawn == "1" ? "11" : "0m";
        var finding = Only(
            "end-unsaid",
            Boxes + $"Visit 11 brings in / comes in on {wanted} Item",
            Boxes + $"Visit 11 brings in / comes in on «{drawn}» Item"
        );
        finding.There.ShouldContain(open);
    }

    [Fact]
    public void Ends_at_each_others_places_are_one_mistake()
    {
        var finding = Only(
            "ends-swapped",
            Boxes + "Visit 11 brings in / comes in on 1m Item",
            Boxes + "Visit «1m» brings in / comes in on «11» Item"
        );
        finding.Wanted.ShouldBe("The other way round: at Item 1 or more, at Visit exactly 1.");
    }

    [Fact]
    public void Where_several_go_with_several_the_leasts_tell_the_ends_apart()
    {
        var finding = Only(
            "ends-swapped",
            Boxes + "Visit 0m brings in / comes in on 1m Item",
            Boxes + "Visit «1m» brings in / comes in on «0m» Item"
        );
        finding.Wanted.ShouldBe("The other way round: at Item 1 or more, at Visit 0 or more.");
    }

    [Theory]
    [InlineData("0m", "11", "1m", "01")]
    [InlineData("1m", "1m", "0m", "0m")]
    public void Two_wrong_leasts_are_no_swap_where_the_mosts_tell_the_ends_apart_or_nothing_does(
        string atVisit,
        string atItem,
        string drawnAtVisit,
        string drawnAtItem
    ) =>
        Codes(
                Boxes + $"Visit {atVisit} brings in / comes in on {atItem} Item",
                Boxes + $"Visit {drawnAtVisit} brings in / comes in on {drawnAtItem} Item"
            )
            .ShouldBe(["cardinality-min", "cardinality-min"]);

    [Fact]
    public void Both_values_of_one_end_wrong_are_two_notes_at_one_end() =>
        Codes(Boxes + "Visit 11 brings in / comes in on 1m Item", Boxes + "Visit 11 brings in / comes in on 01 Item")
            .ShouldBe(["cardinality-max", "cardinality-min"], ignoreOrder: true);

    [Theory]
    [InlineData("11")]
    [InlineData("01")]
    [InlineData("1m")]
    [InlineData("0m")]
    public void Any_right_end_is_right_from_whichever_end_the_line_was_begun(string end) =>
        Nothing(Boxes + $"Visit 11 brings in / comes in on {end} Item", Boxes + $"Item {end} comes in on / brings in 11 Visit");

    [Fact]
    public void A_recursive_line_keeps_its_ends_apart_by_what_they_say()
    {
        const string boxes = "Fixer: PK badge no\n";
        Nothing(boxes + "Fixer 01 mentors / is mentored by 0m Fixer", boxes + "Fixer 0m is mentored by / mentors 01 Fixer");
        Codes(boxes + "Fixer 01 mentors / is mentored by 0m Fixer", boxes + "Fixer 0m mentors / is mentored by 01 Fixer")
            .ShouldBe(["ends-swapped"]);
    }

    private const string Stored = """
        Item: PK item no, fault
        Shelf: PK shelf no, room
        Shelf 11 holds / lies on 0m Item
        """;

    [Fact]
    public void What_was_kept_besides_what_is_is_a_question_and_costs_nothing()
    {
        const string Answer = """
            Item: PK item no, fault
            Shelf: PK shelf no, room
            «Storing»: «since», «until»
            Shelf 11 is used for / is at 0m Storing
            Item 11 goes through / is of 1m Storing
            """;
        Says(
            Only("history-kept", Stored, Answer),
            "Does the scenario ask for former shelves of an item?",
            "With since and until, every shelf of an item stays on record, the past ones too.",
            "The shelf of now is enough; nothing is wrong with keeping more.",
            "Whoever builds this would write down since and until with each change of shelf."
        );
        var sheet = Exercise.Of(Markup.Parse(Stored).Drawing).Assess(Markup.Parse(Answer).Drawing, []).Sheet;
        sheet.Total.ShouldBe(sheet.Maximum);
    }

    [Fact]
    public void Many_for_one_without_times_is_a_wrong_maximum() =>
        Codes(
                Stored,
                """
                Item: PK item no, fault
                Shelf: PK shelf no, room
                Storing: remark
                Shelf 11 is used for / is at 0m Storing
                Item 11 goes through / is of 1m Storing
                """
            )
            .ShouldContain("cardinality-max");
}
