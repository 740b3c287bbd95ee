using Ganss.Xss;
using Markdig;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Renders a scenario's Markdown to HTML that holds prose, lists and tables and nothing that runs.</summary>
public sealed class ScenarioRenderer
{
    /// <summary>How long a scenario may be, in characters.</summary>
    public const int Longest = 20_000;

    private readonly MarkdownPipeline pipeline = new MarkdownPipelineBuilder().UsePipeTables().DisableHtml().Build();
    private readonly HtmlSanitizer sanitizer = new(new HtmlSanitizerOptions
    {
        AllowedTags = new HashSet<string> { "p", "em", "strong", "ul", "ol", "li", "h1", "h2", "h3", "blockquote", "table", "thead", "tbody", "tr", "th", "td", "code", "pre", "br", "hr" },
        AllowedAttributes = new HashSet<string>(),
        AllowedSchemes = new HashSet<string>(),
    });

    /// <summary>The HTML of a scenario.</summary>
    public string Render(string markdown) => sanitizer.Sanitize(Markdown.ToHtml(markdown.Replace("\r\n", "\n", StringComparison.Ordinal).Normalize(), pipeline));
}
