using System.Collections.Immutable;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>What a scenario calls things is read from the sentences that list what they have.</summary>
public sealed class ScenarioTests
{
    [Theory]
    [InlineData("The lamps are lit at 5.30 each day. A keeper sleeps.", 2)]
    [InlineData("A lamp has a height (e.g. 3 m) and a colour.", 1)]
    [InlineData("Lamps\n\nKeepers", 2)]
    [InlineData("Who keeps them? Keepers! They do.", 3)]
    [InlineData(" \n", 0)]
    public void A_text_is_taken_apart_at_the_ends_of_sentences(string text, int sentences) =>
        new ScenarioText(text).Sentences.Length.ShouldBe(sentences);

    [Theory]
    [InlineData("fog signal", true)]
    [InlineData("Fog_Signals", true)]
    [InlineData("signal", true)]
    [InlineData("fog lamp", false)]
    [InlineData("", false)]
    public void A_name_is_looked_up_by_its_words_in_whatever_form(string name, bool stands) =>
        new ScenarioText("Fog signals sound. A lamp, in fog, does not.").Mentions(name).ShouldBe(stands);

    [Theory]
    [InlineData("A lantern has a serial number, a make and, since 1990, a wattage.", "serial number|make|wattage")]
    [InlineData("Each lantern (first and last night, owner's nickname) hangs on a hook.", "first|last night|owner's nickname")]
    [InlineData("A lantern is known by the year it was lit and may have up to three colours.", "year|colours")]
    [InlineData("Lanterns burn.", "burn")]
    public void A_list_is_the_phrases_without_what_is_said_of_them(string sentence, string items)
    {
        var read = new ScenarioText(sentence).Sentences.ShouldHaveSingleItem();
        var end = read.Find(["lantern"]).ShouldHaveSingleItem();
        string.Join('|', Listing.From(read, end).Select(item => string.Join(' ', item.Words))).ShouldBe(items);
    }

    [Fact]
    public void What_stands_between_two_that_are_known_is_what_the_third_is_called()
    {
        var names = ScenarioNames.Of(
            Of("Lantern", "lanternNo", "caretaker", "litOn", "isElectric"),
            new ScenarioText(
                "We hang lanterns. A lantern (number, hauler's by-name, lighting date, electric or not) hangs on a hook."
            )
        );
        names["caretaker"].Select(name => name.Text).ShouldBe(["hauler's by-name", "by-name"]);
        names["litOn"].ShouldHaveSingleItem().Text.ShouldBe("lighting date");
    }

    [Fact]
    public void Where_two_are_left_nothing_is_guessed()
    {
        var names = ScenarioNames.Of(
            Of("Lantern", "number", "caretaker", "grandeur", "colour"),
            new ScenarioText("A lantern has a number, a hauler, a wobble and a colour.")
        );
        names.ShouldNotContainKey("caretaker");
        names.ShouldNotContainKey("grandeur");
    }

    [Fact]
    public void A_sentence_that_names_a_thing_without_its_attributes_calls_nothing() =>
        ScenarioNames
            .Of(Of("Lantern", "number", "caretaker"), new ScenarioText("A lantern is lit by a hauler and a boy."))
            .ShouldBeEmpty();

    [Fact]
    public void What_is_another_thing_is_no_name_of_an_attribute()
    {
        var model = Of("Lantern", "number", "caretaker", "colour") with
        {
            Entities = [.. Of("Lantern", "number", "caretaker", "colour").Entities, .. Of("Hook", "depth").Entities],
        };
        ScenarioNames
            .Of(model, new ScenarioText("A lantern has a number, a hook and a colour."))
            .ShouldNotContainKey("caretaker");
    }

    [Fact]
    public void Whatever_the_text_it_can_be_read()
    {
        string[] pieces =
        [
            "lantern",
            "lanterns",
            "has",
            "a",
            "number",
            "colour",
            "and",
            ",",
            "(",
            ")",
            ".",
            "'s",
            "-",
            "\n",
            "3",
            "é",
            "of",
        ];
        Gen.Int[0, pieces.Length - 1]
            .Array[0, 30]
            .Select(parts => string.Join(' ', parts.Select(part => pieces[part])))
            .Sample(text =>
            {
                var names = ScenarioNames.Of(Of("Lantern", "number", "colour", "weight"), new ScenarioText(text));
                names.Values.ShouldAllBe(called => called.All(name => !name.Words.IsEmpty));
            });
    }

    private static ConceptModel Of(string name, params string[] attributes) =>
        new(
            [
                new EntityType(
                    name,
                    name,
                    EntityKind.Strong,
                    [.. attributes.Select(attribute => ConceptAttribute.Plain(attribute, attribute))],
                    ImmutableArray<Identifier>.Empty
                ),
            ],
            []
        );
}
