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

    private const string Slip = """
        Before the form.

        ```form Loan slip
        No: 117   Date: 3 May
        [Reader]
        Name: Ada Brun   Phone: ____
        Wanted: (x) keep ( ) post
        Kept in: [x] box [ ] shelf [x] drawer
        | what | how many |
        | --- | --- |
        | a map | 2 |
        Sign here and <b>hand in</b>
        ```
        """;

    [Fact]
    public void A_form_is_paper_with_fields_choices_groups_and_a_table()
    {
        var html = renderer.Render(Slip);

        html.ShouldContain("<figure class=\"form\"><figcaption>Loan slip</figcaption>");
        html.ShouldContain("<dl><div><dt>No</dt><dd>117</dd></div><div><dt>Date</dt><dd>3 May</dd></div></dl>");
        html.ShouldContain("<p class=\"group\">Reader</p>");
        html.ShouldContain("<dt>Phone</dt><dd></dd>");
        html.ShouldContain("<ul class=\"one\"><li class=\"ticked\">keep</li><li>post</li></ul>");
        html.ShouldContain("<ul class=\"several\">");
        html.ShouldContain("<th>what</th>");
        html.ShouldContain("<p>Sign here and &lt;b&gt;hand in&lt;/b&gt;</p>");
    }

    [Fact]
    public void A_form_is_told_field_by_field_and_no_sentence_of_the_prose()
    {
        var prose = renderer.ToProse(Slip);

        var form = prose.Forms.ShouldHaveSingleItem();
        form.Title.ShouldBe("Loan slip");
        form.Fields.Select(field => field.Label.Text).ShouldBe(["No", "Date", "Name", "Phone", "Wanted", "Kept in"]);
        form.Fields.ShouldAllBe(field => prose.Blocks[field.Label.Block] == field.Label.Text);
        form.Fields[^1].TakesSeveral.ShouldBeTrue();
        form.Fields[^1].Choices.Select(choice => choice.Text).ShouldBe(["box", "shelf", "drawer"]);
        prose.Tables.ShouldHaveSingleItem().Rows.ShouldHaveSingleItem();
        prose.Blocks.Length.ShouldBe(1 + form.Blocks.Length);
        ScenarioRenderer.ToText(Slip).Mentions("kept in").ShouldBeTrue();
    }

    [Fact]
    public void Whatever_else_stands_between_fences_is_a_listing_as_it_was_written()
    {
        const string Code = "class Map {\n    int year;   // <printed>\n}";
        var html = renderer.Render($"```java Map.java\n{Code}\n```");

        html.ShouldContain("<figcaption>Map.java</figcaption>");
        html.ShouldContain("    int year;   // &lt;printed&gt;");
        renderer.ToProse($"```java Map.java\n{Code}\n```").Listings.ShouldHaveSingleItem().Text.Text.ShouldBe(Code);
        renderer.Render("```form\n```").ShouldContain("<figure class=\"form\"></figure>");
    }
}
