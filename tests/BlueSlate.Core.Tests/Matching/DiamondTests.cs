using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>Relationships of three: which stands for which, and what is said of them.</summary>
public sealed class DiamondTests
{
    private static readonly ChenOptions Chen = new();

    private const string Boxes = """
        Potter: _potter no_
        Glaze: _glaze code_
        Kiln: _kiln no_
        """;

    [Fact]
    public void Two_between_the_same_three_are_told_apart_by_what_they_are_called()
    {
        var found = Match(
            $"""
            {Boxes}
            <fires> Potter N, Glaze N, Kiln 1
            <tests> Potter 1, Glaze N, Kiln N
            """,
            $"""
            {Boxes}
            <tests> Potter N, Glaze N, Kiln 1
            <fires> Potter 1, Glaze N, Kiln N
            """
        );
        found
            .Relationships.ToDictionary(pair => pair.Key, pair => pair.Value.AnswerId)
            .ShouldBe(new Dictionary<string, string> { ["b7"] = "b8", ["b8"] = "b7" }, ignoreOrder: true);
    }

    [Fact]
    public void Without_names_by_what_they_say_at_their_ends()
    {
        var found = Match(
            $"""
            {Boxes}
            <x> Potter N, Glaze N, Kiln 1
            <y> Potter 1, Glaze N, Kiln N
            """,
            $"""
            {Boxes}
            <v> Potter 1, Glaze N, Kiln N
            <w> Potter N, Glaze N, Kiln 1
            """
        );
        found.Relationships["b7"].AnswerId.ShouldBe("b8");
        found.Relationships["b8"].AnswerId.ShouldBe("b7");
    }

    [Fact]
    public void Two_roles_of_one_entity_are_told_apart_by_what_they_say()
    {
        Exercise
            .Of(
                Markup
                    .Parse(
                        """
                        Potter: _potter no_
                        Kiln: _kiln no_
                        <swaps> Potter 1, Potter N, Kiln N
                        """,
                        Chen.Notation
                    )
                    .Drawing,
                Chen
            )
            .Assess(
                Markup
                    .Parse(
                        """
                        Potter: _potter no_
                        Kiln: _kiln no_
                        <swaps> Potter N, Potter 1, Kiln N
                        """,
                        Chen.Notation
                    )
                    .Drawing,
                []
            )
            .Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Of_a_relationship_of_three_that_was_forgotten_nothing_is_said_to_follow()
    {
        var assessment = Exercise
            .Of(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln N", Chen.Notation).Drawing, Chen)
            .Assess(Markup.Parse(Boxes, Chen.Notation).Drawing, []);
        var finding = assessment.Findings.ShouldHaveSingleItem();
        finding.Code.ShouldBe("relationship-missing");
        assessment.ExampleOf(finding).ShouldBeNull();
    }

    [Fact]
    public void Of_one_that_is_drawn_two_at_a_time_it_is_shown_what_follows()
    {
        var assessment = Exercise
            .Of(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln N", Chen.Notation).Drawing, Chen)
            .Assess(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N\n<in> Glaze N, Kiln N", Chen.Notation).Drawing, []);
        var finding = assessment.Findings.ShouldHaveSingleItem();
        finding.Code.ShouldBe("relationship-degree");
        assessment.ExampleOf(finding)!.Kind.ShouldBe(ExampleKind.FollowsAsDrawn);
    }

    [Theory]
    [InlineData(
        "N",
        "1",
        "One potter and one glaze never go with more than one kiln.",
        "One potter and one glaze together go with several kilns."
    )]
    [InlineData(
        "1",
        "N",
        "One potter and one glaze could go with several kilns.",
        "One potter and one glaze together go with one kiln."
    )]
    public void A_maximum_in_a_relationship_of_three_holds_for_one_of_each_of_the_others(
        string wanted,
        string drawn,
        string headline,
        string said
    )
    {
        var assessment = Exercise
            .Of(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln {wanted}", Chen.Notation).Drawing, Chen)
            .Assess(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln {drawn}", Chen.Notation).Drawing, []);
        var finding = assessment.Findings.ShouldHaveSingleItem();
        (finding.Headline, finding.Wanted).ShouldBe((headline, said));
        finding.There.ShouldContain("for one potter and one glaze together");
        finding.Why.ShouldContain("the same potter and glaze together");
    }

    [Fact]
    public void An_end_left_open_in_a_relationship_of_three_is_open_for_one_of_each_of_the_others()
    {
        var assessment = Exercise
            .Of(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln 1", Chen.Notation).Drawing, Chen)
            .Assess(Markup.Parse($"{Boxes}\n<fires> Potter N, Glaze N, Kiln ", Chen.Notation).Drawing, []);
        assessment
            .Findings.ShouldHaveSingleItem()
            .Headline.ShouldBe("How many kilns go with one potter and one glaze is not fully said.");
    }

    [Fact]
    public void One_attribute_stands_for_one_association_the_one_that_is_called_like_it()
    {
        const string Uml = NotationNames.Uml;
        var model = new Sketch()
            .Class("Trip", ["day"])
            .Class("Guide", ["badge no"])
            .Tie("Trip", "Guide", text: "is planned by", atFrom: "0..*", atTo: "1")
            .Tie("Trip", "Guide", text: "is led by", atFrom: "0..*", atTo: "1")
            .ToDrawing();
        var answer = new Sketch().Class("Trip", ["day", "leader: Guide"]).Class("Guide", ["badge no"]).ToDrawing();
        var found = Exercise
            .Of(model, Notation.Of(Uml).Usual)
            .Assess(answer, [])
            .Comparison.Correspondence.Restated.ShouldHaveSingleItem();
        found.Code.ShouldBe("association-by-typed-attribute");
        found.Holding.ShouldContain("r2");
        found.Holding.ShouldNotContain("r1");
    }

    private static Correspondence Match(string model, string answer) =>
        Exercise
            .Of(Markup.Parse(model, Chen.Notation).Drawing, Chen)
            .Assess(Markup.Parse(answer, Chen.Notation).Drawing, [])
            .Comparison.Correspondence;
}
