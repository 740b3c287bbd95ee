using BlueSlate.Core.Classes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using Shouldly;

namespace BlueSlate.Core.Tests.Classes;

/// <summary>What a class is asked about the names in its answers, and what becomes of the replies.</summary>
public sealed class ClassQuestionTests
{
    private static readonly CrowsFootOptions Options = new() { Level = Level.Conceptual };

    private static Drawing Theatre(string casing = "Travelling case", string weight = "weight") =>
        new Sketch()
            .Box("Puppet", "PK puppet no", "height", "year made")
            .Box(casing, "PK case no", weight, "colour")
            .Box("Venue", "PK venue no", "seats")
            .Line("Puppet", Ends.ZeroOrMore, casing, Ends.One, "lies in")
            .Line(casing, Ends.ZeroOrMore, "Venue", Ends.One, "is sent to")
            .ToDrawing();

    private static Assessor By(AssessmentDocument assessment)
    {
        var model = Theatre();
        var scheme = SchemeDeriver.Derive(FactList.Of(Notation.Read(model, Options), Options), 40);
        return new Assessor(model, Options, assessment.ToTolerances(), scheme, assessment.ToTerms(Options));
    }

    private static IReadOnlyList<ClassQuestion> Asked(AssessmentDocument assessment, params Drawing[] answers)
    {
        var assessor = By(assessment);
        return ClassQuestion.Of([.. answers.Select(answer => assessor.Assess(answer, []).Comparison)], assessment.ToWords());
    }

    private static Rational MarkOf(AssessmentDocument assessment, Drawing answer) =>
        By(assessment).Assess(answer, []).Sheet.Total;

    [Fact]
    public void What_several_answers_call_by_a_name_of_their_own_is_asked_once()
    {
        var question = Asked(new(), Theatre("Trunk"), Theatre(), Theatre("TRUNK"), Theatre("trunks")).ShouldHaveSingleItem();
        question.Model.ShouldBe("Travelling case");
        question.Owner.ShouldBeNull();
        question.Places.Select(place => place.Answer).ShouldBe([0, 2, 3]);
    }

    [Fact]
    public void What_three_answers_call_a_thing_and_nothing_else_the_class_says_itself()
    {
        Asked(new(), Theatre("Trunk"), Theatre(), Theatre("TRUNK")).ShouldHaveSingleItem().SaysItself.ShouldBeFalse();
        Drawing[] answers = [Theatre("Trunk"), Theatre(), Theatre("TRUNK"), Theatre("trunks")];
        var questions = Asked(new(), answers);
        questions.ShouldHaveSingleItem().SaysItself.ShouldBeTrue();
        var said = ClassAnswer.AsTheClassSays(new(), questions);
        Asked(said, answers).ShouldBeEmpty();
        MarkOf(said, Theatre("Trunk")).ShouldBe(new Rational(40, 1));
    }

    [Fact]
    public void A_name_that_the_model_answer_has_for_another_thing_the_class_never_gives()
    {
        Drawing[] answers = [.. Enumerable.Repeat(Theatre("Venue box"), 3)];
        Asked(new(), answers).ShouldHaveSingleItem().SaysItself.ShouldBeTrue();
        static Drawing Exchanged() =>
            new Sketch()
                .Box("Puppet", "PK puppet no", "height", "year made")
                .Box("Venue", "PK case no", "weight", "colour")
                .Box("Hall", "PK venue no", "seats")
                .Line("Puppet", Ends.ZeroOrMore, "Venue", Ends.One, "lies in")
                .Line("Venue", Ends.ZeroOrMore, "Hall", Ends.One, "is sent to")
                .ToDrawing();
        Asked(new(), [.. Enumerable.Range(0, 4).Select(_ => Exchanged())])
            .ShouldNotContain(question => question.SaysItself && question.Drawn == "Venue");
    }

    [Fact]
    public void What_means_two_things_in_one_class_is_left_to_a_person()
    {
        static Drawing Called(string one, string other) =>
            new Sketch()
                .Box("Puppet", "PK puppet no", "height", "year made")
                .Box(one, "PK case no", "weight", "colour")
                .Box(other, "PK venue no", "seats")
                .Line("Puppet", Ends.ZeroOrMore, one, Ends.One, "lies in")
                .Line(one, Ends.ZeroOrMore, other, Ends.One, "is sent to")
                .ToDrawing();
        Drawing[] answers = [.. Enumerable.Repeat(Called("Box", "Hall"), 3), .. Enumerable.Repeat(Called("Trunk", "Box"), 3)];
        var questions = Asked(new(), answers);
        questions.ShouldContain(question => question.Drawn == "Box");
        questions.ShouldNotContain(question => question.SaysItself && question.Drawn == "Box");
    }

    [Fact]
    public void Nothing_is_asked_of_answers_in_the_model_answers_own_words() =>
        Asked(new(), Theatre(), Theatre()).ShouldBeEmpty();

    [Fact]
    public void What_is_said_to_be_the_same_is_known_by_its_name_from_then_on()
    {
        var question = Asked(new(), Theatre("Trunk")).ShouldHaveSingleItem();
        var replied = ClassAnswer.In(new(), question, same: true);
        replied.Problems().ShouldBeEmpty();
        Asked(replied, Theatre("Trunk")).ShouldBeEmpty();
        MarkOf(replied, Theatre("trunks")).ShouldBe(new Rational(40, 1));
    }

    [Fact]
    public void What_is_said_to_be_something_else_is_taken_for_it_nowhere_and_asked_no_more()
    {
        var question = Asked(new(), Theatre("Trunk")).ShouldHaveSingleItem();
        question.TakenIn.ShouldBe(question.Places.Length);
        var replied = ClassAnswer.In(new(), question, same: false);
        replied.Problems().ShouldBeEmpty();
        Asked(replied, Theatre("Trunk")).ShouldBeEmpty();
        MarkOf(replied, Theatre("Trunk")).ShouldBeLessThan(MarkOf(new(), Theatre("Trunk")));
        By(replied).Assess(Theatre("Trunk"), []).Comparison.StandIns.ShouldNotContain(pair => pair.ModelId == question.ModelId);
    }

    [Fact]
    public void A_reply_can_be_turned_round()
    {
        var question = Asked(new(), Theatre("Trunk")).ShouldHaveSingleItem();
        var apart = ClassAnswer.In(new(), question, same: false);
        var same = ClassAnswer.In(apart, question, same: true);
        same.WordsApart.ShouldBeEmpty();
        MarkOf(same, Theatre("Trunk")).ShouldBe(new Rational(40, 1));
    }

    [Fact]
    public void An_attribute_gets_another_accepted_name_at_its_own_place()
    {
        var question = Asked(new(), Theatre(weight: "load")).Single(one => one.Model == "weight");
        question.Owner.ShouldBe("Travelling case");
        var replied = ClassAnswer.In(new(), question, same: true);
        replied.SameWords.ShouldBeEmpty();
        replied.Tolerances.ShouldHaveSingleItem().Accepted.ShouldBe(["load"]);
        Asked(replied, Theatre(weight: "load")).ShouldBeEmpty();
        MarkOf(replied, Theatre(weight: "load")).ShouldBe(new Rational(40, 1));
        var apart = ClassAnswer.In(replied, question, same: false);
        MarkOf(apart with { Tolerances = [] }, Theatre(weight: "load")).ShouldBeLessThan(new Rational(40, 1));
    }

    [Fact]
    public void What_is_missing_beside_what_is_too_much_in_the_same_place_is_asked_too()
    {
        var strange = new Sketch()
            .Box("Puppet", "PK puppet no", "height", "year made")
            .Box("Roster", "PK roster id", "signed by", "on duty")
            .Box("Venue", "PK venue no", "seats")
            .Line("Puppet", Ends.One, "Venue", Ends.ZeroOrMore, "plays at")
            .Line("Roster", Ends.One, "Venue", Ends.ZeroOrMore, "is of")
            .ToDrawing();
        Asked(new(), strange)
            .Where(question => question.Owner is null)
            .ShouldAllBe(question => question.Model == "Travelling case");
    }

    [Fact]
    public void The_same_is_asked_in_whatever_order_the_answers_come()
    {
        Drawing[] answers = [Theatre("Trunk"), Theatre(weight: "load"), Theatre("Crate", "mass"), Theatre("trunk", "load")];
        string[] Said(IEnumerable<Drawing> some) =>
            [
                .. Asked(new(), [.. some])
                    .Select(one => $"{one.Model} {one.Owner} {one.Places.Length} {one.TakenIn * 2 >= one.Places.Length}")
                    .Order(StringComparer.Ordinal),
            ];
        Said(answers.Reverse()).ShouldBe(Said(answers));
    }

    [Fact]
    public void Whole_names_that_are_kept_apart_match_in_no_place()
    {
        AssessmentDocument apart = new()
        {
            WordsApart =
            [
                ["Travelling case", "Trunk"],
            ],
        };
        apart.ToWords().AreApart("travelling cases", "TRUNK").ShouldBeTrue();
        apart.ToWords().AreApart("Travelling case", "Trunk lid").ShouldBeFalse();
        apart.ToWords().AreApart("Trunk", "Trunk").ShouldBeFalse();
    }
}
