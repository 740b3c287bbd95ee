using BlueSlate.Scenarios;
using Shouldly;

namespace BlueSlate.Server.Tests;

/// <summary>A scenario is prose: nothing in it runs, loads or links.</summary>
public sealed class ScenarioRendererTests
{
    private readonly ScenarioRenderer renderer = new();

    [Fact]
    public void Prose_lists_and_tables_are_rendered() =>
        renderer.Render("*Parts* have\n\n| code | price |\n|---|---|\n| A1 | 2 |\n\n- one").ShouldContain("<table>");

    [Theory]
    [InlineData("<script>alert(1)</script>")]
    [InlineData("<img src=x onerror=alert(1)>")]
    [InlineData("[press](javascript:alert(1))")]
    [InlineData("![x](https://example.invalid/x.png)")]
    [InlineData("<a href=\"https://example.invalid\">x</a>")]
    [InlineData("<p style=\"background:url(x)\">x</p>")]
    [InlineData("<svg onload=alert(1)>")]
    public void Nothing_that_runs_loads_or_links_gets_through(string markdown)
    {
        var html = renderer.Render(markdown);
        foreach (var forbidden in new[] { "<script", "<img", "<a", "<svg", "<p " })
        {
            html.ShouldNotContain(forbidden, Case.Insensitive);
        }
    }
}
