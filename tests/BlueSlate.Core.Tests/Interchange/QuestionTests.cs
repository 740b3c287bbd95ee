using System.Text.Json;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests.Interchange;

/// <summary>What a question may say, and what makes no sense in one.</summary>
public sealed class QuestionTests
{
    [Fact]
    public void A_part_of_which_nothing_is_said_makes_sense()
    {
        var part = Read("{}");

        part.Problems().ShouldBeEmpty();
        part.ToOptions().Notation.ShouldBe(NotationNames.CrowsFoot);
        part.ToOptions().Level.ShouldBe(Level.Conceptual);
    }

    [Fact]
    public void Every_notation_that_there_is_may_be_asked_for()
    {
        foreach (var notation in Notation.All)
        {
            Read($$"""{ "notation": "{{notation.Name}}" }""").Problems().ShouldBeEmpty();
        }
    }

    [Theory]
    [InlineData("\"notation\": \"runes\"", "notation")]
    [InlineData("\"notation\": \"\"", "notation")]
    [InlineData("\"marks\": \"0\"", "")]
    [InlineData("\"marks\": \"-3\"", "")]
    [InlineData("\"marks\": \"1001\"", "")]
    [InlineData("\"minutes\": 0", "")]
    [InlineData("\"minutes\": 1441", "")]
    [InlineData("\"stereotypes\": [\" \"]", "stereotypes")]
    [InlineData("\"stereotypes\": [\"a stereotype of so many letters that no class could hold it\"]", "stereotypes")]
    public void What_makes_no_sense_is_said_once_with_its_property(string said, string property)
    {
        var problem = Read($"{{ {said} }}").Problems().ShouldHaveSingleItem();

        problem.Property.ShouldBe(property);
        problem.Said.ShouldStartWith("A part");
        problem.Said.ShouldEndWith(".");
    }

    [Fact]
    public void All_that_makes_no_sense_is_said()
    {
        var stereotypes = string.Join(", ", Enumerable.Range(0, 21).Select(i => $"\"s{i}\""));
        Read($$"""{ "notation": "runes", "marks": "0", "stereotypes": [{{stereotypes}}] }""")
            .Problems()
            .Select(problem => problem.Code)
            .ShouldBe(["part", "notation", "stereotypes"]);
    }

    [Theory]
    [InlineData("{ \"level\": \"physical\" }")]
    [InlineData("{ \"marks\": \"many\" }")]
    [InlineData("{ \"minutes\": \"ten\" }")]
    [InlineData("{ \"stereotypes\": null }")]
    public void What_is_no_part_at_all_is_not_read(string text) => Should.Throw<JsonException>(() => Read(text));

    private static PartDocument Read(string text) => JsonSerializer.Deserialize<PartDocument>(text, Formats.Json)!;
}
