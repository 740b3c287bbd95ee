using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations.Chen;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>A relationship's own attribute may have parts, as an entity's may.</summary>
public sealed class PartsAtRelationshipsTests
{
    [Fact]
    public void A_part_that_is_missing_at_a_diamond_is_found_there()
    {
        var options = new ChenOptions();
        var assessor = Exercise.Of(Drawn("hours", "minutes"), options);

        assessor.Assess(Drawn("hours", "minutes"), []).Findings.ShouldBeEmpty();
        var finding = assessor.Assess(Drawn("hours"), []).Findings.ShouldHaveSingleItem();
        finding.Code.ShouldBe("part-missing");
        finding.Headline.ShouldContain("minutes");
        assessor.Assess(Drawn(), []).Findings.ShouldHaveSingleItem().Headline.ShouldContain("Hours and minutes");
    }

    private static Drawing Drawn(params string[] parts)
    {
        var sketch = new Sketch()
            .Box("Fixer")
            .Box("Item")
            .Diamond("looks at", Outline.Single, ("Fixer", "N", false), ("Item", "M", false))
            .Oval("looks at", "time");
        return parts.Aggregate(sketch, (sofar, part) => sofar.Oval("time", part)).ToDrawing();
    }
}
