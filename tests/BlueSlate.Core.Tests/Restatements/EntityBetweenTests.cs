using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Restatements;

/// <summary>
/// When an entity between two others is the relationship between them, and when it is a thing of its own that both know.
/// </summary>
public sealed class EntityBetweenTests
{
    private const string Rehearsing = """
        Singer: PK singer no, voice
        Piece: PK catalogue no, title
        Singer 0m rehearses / is rehearsed by 0m Piece
        """;

    [Fact]
    public void What_both_only_belong_to_is_not_the_relationship_between_them() =>
        Restated(
                Rehearsing,
                """
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                Choir: PK choir name
                Choir 11 has / sings in 0m Singer
                Choir 11 owns / belongs to 0m Piece
                """
            )
            .ShouldBeNull();

    [Fact]
    public void What_lies_on_a_path_from_one_to_the_other_is_not_either() =>
        Restated(
                Rehearsing,
                """
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                Folder: PK folder no, colour
                Singer 11 carries / is carried by 0m Folder
                Folder 11 holds / lies in 0m Piece
                """
            )
            .ShouldBeNull();

    [Fact]
    public void What_has_a_key_facts_and_neighbours_of_its_own_is_a_thing_of_its_own() =>
        Restated(
                Rehearsing,
                """
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                Hall: PK hall name
                Concert: PK concert title, ticket price, doors open
                Singer 11 announces / is announced by 0m Concert
                Piece 11 opens / is opened with 0m Concert
                Hall 11 houses / is given in 0m Concert
                """
            )
            .ShouldBeNull();

    [Fact]
    public void Another_box_under_a_name_that_is_drawn_already_is_not_the_relationship() =>
        Restated(
                Rehearsing,
                """
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                piece: title
                Singer 11 likes / is liked by 0m piece
                Piece 11 is / is 0m piece
                """
            )
            .ShouldBeNull();

    [Fact]
    public void Of_several_the_one_that_can_be_it_is_taken_whatever_they_are_called() =>
        Restated(
                Rehearsing,
                """
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                Almanac: PK almanac year, publisher, price
                Zusage
                Singer 11 edits / is edited by 0m Almanac
                Piece 11 stands in / prints 0m Almanac
                Singer 11 gives / is given by 0m Zusage
                Piece 11 needs / is for 0m Zusage
                """
            )
            .ShouldBe("Zusage");

    [Theory]
    [InlineData("Rehearsal: PK rehearsal no, date")]
    [InlineData("Singer piece: since")]
    [InlineData("Zusage: PK FK singer no, PK FK catalogue no, day")]
    public void A_number_or_a_fact_of_its_own_is_no_hindrance(string between) =>
        Restated(
                Rehearsing,
                $"""
                Singer: PK singer no, voice
                Piece: PK catalogue no, title
                {between}
                Singer 11 has / is of 0m {between.Split(':')[0]}
                Piece 11 has / is of 0m {between.Split(':')[0]}
                """
            )
            .ShouldBe(between.Split(':')[0]);

    [Fact]
    public void Of_several_between_three_the_one_that_can_be_it_is_taken()
    {
        const string Model = """
            Singer: _singer no_
            Piece: _catalogue no_
            Hall: _hall name_
            <performs> Singer N, Piece N, Hall N
            """;
        const string Answer = """
            Singer: _singer no_
            Piece: _catalogue no_
            Hall: _hall name_
            Agency: _agency name_, telephone, street
            [[Zusage]]
            <has> Agency 1, Singer N
            <holds> Agency 1, Piece N
            <lets> Agency 1, Hall N
            <<gives>> Singer 1, Zusage N
            <<needs>> Piece 1, Zusage N
            <<at>> Hall 1, Zusage N
            """;
        var options = new ChenOptions();
        var assessment = Exercise
            .Of(Markup.Parse(Model, options.Notation).Drawing, options)
            .Assess(Markup.Parse(Answer, options.Notation).Drawing, []);
        assessment.Comparison.Correspondence.Restated.ShouldHaveSingleItem().Said.ShouldContain("Zusage");
    }

    [Fact]
    public void A_linking_entity_is_the_one_many_to_many_that_is_called_so()
    {
        var assessment = Exercise
            .Of(
                Markup
                    .Parse(
                        """
                        Singer: PK singer no
                        Piece: PK catalogue no
                        Rehearsal: hours
                        Singer 11 attends / is attended by 0m Rehearsal
                        Piece 11 is practised in / is of 0m Rehearsal
                        """
                    )
                    .Drawing
            )
            .Assess(
                Markup
                    .Parse(
                        """
                        Singer: PK singer no
                        Piece: PK catalogue no
                        Singer 0m admires / is admired by 0m Piece
                        Singer 0m rehearses / is rehearsed by 0m Piece
                        """
                    )
                    .Drawing,
                []
            );
        assessment.Comparison.Correspondence.Restated.ShouldHaveSingleItem().Uses.ShouldBe(["r2"]);
    }

    // The name of the entity of the answer that was taken for the relationship.
    private static string? Restated(string model, string answer)
    {
        var assessment = Exercise.Of(Markup.Parse(model).Drawing).Assess(Markup.Parse(answer).Drawing, []);
        return assessment.Comparison.Correspondence.Restated.SingleOrDefault() is RestatedMatch match
            ? assessment.Reading.Model.Entity(match.Uses[0]).Name
            : null;
    }
}
