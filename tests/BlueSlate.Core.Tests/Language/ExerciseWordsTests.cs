using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>
/// The words of an exercise outrank the lexicon: what it calls the same is the same, and what it keeps apart is never mixed up.
/// </summary>
public sealed class ExerciseWordsTests
{
    private static readonly CrowsFootOptions Options = new();

    [Fact]
    public void Words_that_the_exercise_calls_the_same_are_one_word()
    {
        var words = new ExerciseWords(
            [
                ["visit", "drop in", "doodah"],
            ],
            []
        );

        NameSimilarity.Of(words.Read("Visit"), words.Read("DropIn")).Value.ShouldBe(1);
        NameSimilarity.Of(words.Read("visit number"), words.Read("doodahs no")).Value.ShouldBe(1);
        NameSimilarity.Of(words.Read("Visit"), words.Read("Item")).Value.ShouldBeLessThan(0.3);
    }

    [Fact]
    public void Words_that_the_exercise_keeps_apart_are_no_synonyms()
    {
        NameSimilarity.Of(Name.Of("car"), Name.Of("automobile")).Value.ShouldBeGreaterThan(0.6);
        var words = new ExerciseWords(
            [],
            [
                ["car", "automobile"],
            ]
        );
        NameSimilarity.Of(words.Read("car"), words.Read("automobile")).Value.ShouldBe(0);
        NameSimilarity.Of(words.Read("car"), words.Read("cars")).Value.ShouldBe(1);
    }

    [Theory]
    [InlineData("rep", "repair")]
    [InlineData("fixer", "fixar")]
    [InlineData("photo", "photograph")]
    public void Words_kept_apart_are_neither_slips_nor_short_forms_of_each_other(string one, string other)
    {
        var words = new ExerciseWords(
            [],
            [
                [one, other],
            ]
        );
        var alike = NameSimilarity.Of(words.Read(one), words.Read(other)).Value;
        alike.ShouldBe(NameSimilarity.Of(words.Read(other), words.Read(one)).Value, 1e-9);
        alike.ShouldBe(0);
    }

    [Fact]
    public void What_is_kept_apart_stays_so_under_an_owners_name()
    {
        var words = new ExerciseWords(
            [],
            [
                ["car", "automobile"],
            ]
        );
        NameSimilarity.Of(words.Read("visit car").Without(words.Read("visit")), words.Read("automobile")).Value.ShouldBe(0);
    }

    [Fact]
    public void An_answer_in_the_exercises_own_words_has_no_finding()
    {
        var model = Visits("Visit", "fault");
        var answer = Visits("Jaunt", "niggle");
        var words = new ExerciseWords(
            [
                ["visit", "jaunt"],
                ["fault", "niggle"],
            ],
            []
        );

        var with = Assess(model, answer, words);
        with.Findings.ShouldBeEmpty();
        with.Comparison.Unsure.ShouldBeEmpty();
        Assess(model, answer, ExerciseWords.None).Comparison.Unsure.ShouldNotBeEmpty();
    }

    [Fact]
    public void Names_of_two_things_of_the_model_answer_never_stand_for_each_other()
    {
        // Drawn with one of two near synonyms, the other is missing, and nothing is matched crosswise.
        var model = new Sketch()
            .Box("Car", "PK plate", "colour")
            .Box("Automobile", "PK engine no", "weight")
            .Line("Car", Ends.One, "Automobile", Ends.ZeroOrMore, "replaces")
            .ToDrawing();
        var answer = new Sketch().Box("Automobile", "PK engine no", "weight").ToDrawing();

        var findings = Assess(model, answer, ExerciseWords.None).Findings;
        findings
            .Where(finding => finding.Code == "entity-missing")
            .Select(finding => finding.Headline)
            .ShouldBe(["Car is missing."]);
    }

    private static Drawing Visits(string visit, string fault) =>
        new Sketch()
            .Box(visit, $"PK {visit} no", "date")
            .Box("Item", "PK item no", fault, "weight")
            .Line(visit, Ends.One, "Item", Ends.OneOrMore, "brings in")
            .ToDrawing();

    private static Assessment Assess(Drawing model, Drawing answer, ExerciseWords words)
    {
        var facts = FactList.Of(Notation.Read(model, Options), Options);
        return new Assessor(
            model,
            Options,
            [],
            SchemeDeriver.Derive(facts, 40),
            ExerciseTerms.Usual with
            {
                Words = words,
            }
        ).Assess(answer, []);
    }
}
