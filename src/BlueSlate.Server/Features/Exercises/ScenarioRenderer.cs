using System.Net;
using BlueSlate.Core.Language.Scenarios;
using Ganss.Xss;
using Markdig;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Renders a scenario's Markdown to HTML that holds prose, lists and tables and nothing that runs.</summary>
public sealed class ScenarioRenderer
{
    /// <summary>How long a scenario may be, in characters.</summary>
    public const int Longest = 20_000;

    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder().UsePipeTables().DisableHtml().Build();
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
            AllowedAttributes = new HashSet<string>(),
            AllowedSchemes = new HashSet<string>(),
        }
    );

    /// <summary>Whether a text can be rendered: lists and quotations may not be nested without end.</summary>
    public bool CanRender(string markdown)
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

    private static string ToHtml(string markdown) =>
        Markdown.ToHtml(markdown.Replace("\r\n", "\n", StringComparison.Ordinal).Normalize(), Pipeline);
}
