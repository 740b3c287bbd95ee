using System.Text.Json;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
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
        part.Learned.Notation.ShouldBe(NotationNames.CrowsFoot);
        part.Learned.ShouldBe(new CrowsFootOptions());
    }

    [Fact]
    public void Every_notation_that_there_is_may_be_asked_for()
    {
        foreach (var notation in Notation.All)
        {
            var part = Read($$"""{ "learned": { "level": "logical", "notation": "{{notation.Name}}" } }""");
            part.Problems().ShouldBeEmpty();
            part.Learned.ShouldBe(notation.Usual with { Level = Level.Logical });
            JsonSerializer
                .Deserialize<PartDocument>(JsonSerializer.Serialize(part, Formats.Json), Formats.Json)!
                .Learned.ShouldBe(part.Learned);
        }
    }

    [Theory]
    [InlineData("\"marks\": \"0\"", "")]
    [InlineData("\"marks\": \"-3\"", "")]
    [InlineData("\"marks\": \"1001\"", "")]
    [InlineData("\"minutes\": 0", "")]
    [InlineData("\"minutes\": 1441", "")]
    [InlineData("\"learned\": { \"notation\": \"uml\", \"stereotypes\": [\" \"] }", "learned.stereotypes")]
    [InlineData(
        "\"learned\": { \"notation\": \"uml\", \"stereotypes\": [\"a stereotype of so many letters that no class could hold it\"] }",
        "learned.stereotypes"
    )]
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
        Read($$"""{ "marks": "0", "learned": { "notation": "uml", "stereotypes": [{{stereotypes}}] } }""")
            .Problems()
            .Select(problem => problem.Code)
            .ShouldBe(["part", "stereotypes"]);
    }

    [Theory]
    [InlineData("{ \"learned\": { \"notation\": \"chen\", \"level\": \"physical\" } }")]
    [InlineData("{ \"learned\": { \"notation\": \"runes\" } }")]
    [InlineData("{ \"learned\": { \"level\": \"logical\" } }")]
    [InlineData("{ \"learned\": { \"notation\": null } }")]
    [InlineData("{ \"learned\": { \"notation\": 3 } }")]
    [InlineData("{ \"learned\": [\"chen\"] }")]
    [InlineData("{ \"learned\": null }")]
    [InlineData("{ \"marks\": \"many\" }")]
    [InlineData("{ \"minutes\": \"ten\" }")]
    [InlineData("{ \"learned\": { \"notation\": \"uml\", \"stereotypes\": null } }")]
    public void What_is_no_part_at_all_is_not_read(string text) => Should.Throw<JsonException>(() => Read(text));

    private static PartDocument Read(string text) => JsonSerializer.Deserialize<PartDocument>(text, Formats.Json)!;
}
