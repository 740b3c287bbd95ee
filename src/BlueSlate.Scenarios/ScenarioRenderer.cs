using System.Collections.Immutable;
using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using BlueSlate.Core.Language.Scenarios;
using Ganss.Xss;
using Markdig;
using Markdig.Renderers;
using Markdig.Renderers.Html;

namespace BlueSlate.Scenarios;

/// <summary>
/// Renders a scenario's Markdown to HTML that holds prose, lists, tables, forms and listings and nothing that runs.
/// </summary>
public sealed class ScenarioRenderer
{
    /// <summary>How long a scenario may be, in characters.</summary>
    public const int Longest = 20_000;

    private const string BlockNames = "p, li, h1, h2, h3, td, th, dt, dd, figcaption, blockquote > p, pre";

    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder()
        .UsePipeTables()
        .DisableHtml()
        .Use<Fences>()
        .Build();
    private readonly HtmlSanitizer sanitizer = new(
        new HtmlSanitizerOptions
        {
            AllowedTags = new HashSet<string>
            {
                "p",
                "em",
                "strong",
                "ul",
                "ol",
                "li",
                "h1",
                "h2",
                "h3",
                "blockquote",
                "figure",
                "figcaption",
                "dl",
                "div",
                "dt",
                "dd",
                "table",
                "thead",
                "tbody",
                "tr",
                "th",
                "td",
                "code",
                "pre",
                "br",
                "hr",
            },
            AllowedAttributes = new HashSet<string> { "class" },
            AllowedClasses = new HashSet<string> { "form", "listing", "group", "one", "several", "ticked" },
            AllowedSchemes = new HashSet<string>(),
        }
    );

    /// <summary>Whether a text can be rendered: lists and quotations may not be nested without end.</summary>
    public static bool CanRender(string markdown)
    {
        try
        {
            ToHtml(markdown);
            return true;
        }
        catch (ArgumentException)
        {
            return false;
        }
    }

    /// <summary>The HTML of a scenario; of one that cannot be rendered, its text as it was written.</summary>
    public string Render(string markdown)
    {
        try
        {
            return sanitizer.Sanitize(ToHtml(markdown));
        }
        catch (ArgumentException)
        {
            return $"<pre>{WebUtility.HtmlEncode(markdown)}</pre>";
        }
    }

    /// <summary>What a scenario says, without marks of form; of one that cannot be rendered, as it was written.</summary>
    public static ScenarioText ToText(string markdown)
    {
        try
        {
            return new ScenarioText(Markdown.ToPlainText(markdown, Pipeline));
        }
        catch (ArgumentException)
        {
            return new ScenarioText(markdown);
        }
    }

    /// <summary>
    /// A scenario as its readers see it: the blocks of what is rendered, as plain text, and the tables among them. The browser
    /// numbers blocks in the same way.
    /// </summary>
    public ScenarioProse ToProse(string markdown)
    {
        using var page = new HtmlParser().ParseDocument(Render(markdown));
        var blocks = BlocksOf(page);
        return new ScenarioProse([.. blocks.Select(block => block.TextContent)], TablesOf(page, blocks))
        {
            Forms = [.. page.Body!.QuerySelectorAll("figure.form").Select(form => FormOf(form, blocks))],
            Listings = [.. page.Body!.QuerySelectorAll("figure.listing").Select(listing => CodeOf(listing, blocks))],
        };
    }

    /// <summary>The tables with rows that stand in a scenario; none of one that cannot be rendered.</summary>
    public static ImmutableArray<RowTable> ToTables(string markdown)
    {
        try
        {
            using var page = new HtmlParser().ParseDocument(ToHtml(markdown));
            return TablesOf(page, BlocksOf(page));
        }
        catch (ArgumentException)
        {
            return [];
        }
    }

    private static ImmutableArray<IElement> BlocksOf(IDocument page) =>
        [.. page.Body!.QuerySelectorAll(BlockNames).Where(block => block.QuerySelector(BlockNames) is null)];

    private static ImmutableArray<RowTable> TablesOf(IDocument page, ImmutableArray<IElement> blocks) =>
        [.. page.Body!.QuerySelectorAll("table").Select(table => Rows(table, blocks)).OfType<RowTable>()];

    private static FormSheet FormOf(IElement form, ImmutableArray<IElement> blocks) =>
        new(
            form.QuerySelector("figcaption")?.TextContent ?? "",
            [.. form.QuerySelectorAll("dl > div").Select(field => FieldOf(field, blocks))],
            BlocksIn(form, blocks)
        );

    private static FormField FieldOf(IElement field, ImmutableArray<IElement> blocks) =>
        new(
            CellOf(field.QuerySelector("dt")!, blocks),
            [.. field.QuerySelectorAll("li").Select(choice => CellOf(choice, blocks))]
        )
        {
            TakesSeveral = field.QuerySelector("ul.several") is not null,
        };

    private static CodeListing CodeOf(IElement listing, ImmutableArray<IElement> blocks) =>
        new(CellOf(listing.QuerySelector("pre")!, blocks), BlocksIn(listing, blocks));

    private static ImmutableArray<int> BlocksIn(IElement figure, ImmutableArray<IElement> blocks) =>
        [.. Enumerable.Range(0, blocks.Length).Where(block => figure.Contains(blocks[block]))];

    private static RowCell CellOf(IElement element, ImmutableArray<IElement> blocks) =>
        new(element.TextContent, blocks.IndexOf(element));

    private static RowTable? Rows(IElement table, ImmutableArray<IElement> blocks)
    {
        ImmutableArray<ImmutableArray<RowCell>> rows =
        [
            .. table.QuerySelectorAll("tr").Select(row => row.Children.Select(cell => CellOf(cell, blocks)).ToImmutableArray()),
        ];
        return rows is [var head, .. var more] ? new RowTable(head, [.. more.Where(row => row.Length == head.Length)]) : null;
    }

    private static string ToHtml(string markdown) =>
        Markdown.ToHtml(markdown.Replace("\r\n", "\n", StringComparison.Ordinal).Normalize(), Pipeline);

    private sealed class Fences : IMarkdownExtension
    {
        public void Setup(MarkdownPipelineBuilder pipeline) { }

        public void Setup(MarkdownPipeline pipeline, IMarkdownRenderer renderer) =>
            renderer.ObjectRenderers.ReplaceOrAdd<CodeBlockRenderer>(new FenceRenderer());
    }
}
