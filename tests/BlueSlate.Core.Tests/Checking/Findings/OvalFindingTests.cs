using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>What only ovals show: parts of composite attributes, partial keys, and relationships of three.</summary>
public sealed class OvalFindingTests : FindingTest
{
    [Fact]
    public void A_part_of_a_composite_left_out() =>
        Says(
            Only("part-missing", "Person: _person no_, name(first, «last»)", "Person: _person no_, «name»(first)", Chen),
            "Last of person's name is missing.",
            "Name is drawn without it.",
            "Last as a part of name.",
            "As drawn, a person cannot be looked up by last."
        );

    [Fact]
    public void A_number_within_its_owner_underlined_as_a_key_of_its_own() =>
        Says(
            Only(
                "partial-key-not-shown",
                """
                Item: _item no_
                Repair: -repair no-, outcome
                <<is tried in>> Item 1, Repair =N
                """,
                """
                Item: _item no_
                Repair: «_repair no_», outcome
                <<is tried in>> Item 1, Repair =N
                """,
                Chen
            ),
            "Repair no is not shown as a partial key.",
            "Repair no is marked as a key of its own.",
            "The mark of a partial key at repair no of repair.",
            "As drawn, no two repairs anywhere could share one repair no; it counts within their owner alone."
        );

    [Fact]
    public void A_composite_without_any_of_its_parts_is_one_mistake() =>
        Only("part-missing", "Person: _person no_, name(«first», «last»)", "Person: _person no_, name", Chen)
            .Headline.ShouldBe("First and last of person's name are missing.");

    [Fact]
    public void A_composite_drawn_as_its_parts_alone_says_less() =>
        Only("restated-in-part", "Person: _person no_, name(first, last)", "Person: _person no_, «first name», «last name»", Chen)
            .Headline.ShouldBe("Name is drawn as its parts alone: first name and last name.");

    [Fact]
    public void A_relationship_of_three_with_one_left_out_is_one_mistake() =>
        Only(
            "relationship-degree",
            """
            Person: _person no_
            Boat: _boat no_
            River: _river name_
            <takes out> Person M, Boat N, River P
            """,
            """
            Person: _person no_
            Boat: _boat no_
            River: _river name_
            <«takes out»> Person M, Boat N
            """,
            Chen
        )
            .There.ShouldBe("One relationship of two: Person takes out Boat.");
}
