using Markdig.Renderers;
using Markdig.Renderers.Html;
using Markdig.Syntax;

namespace BlueSlate.Scenarios;

/// <summary>
/// Renders what stands between fences: a form as paper, and anything else as a listing with its name. Where plain text is wanted,
/// each label is a paragraph.
/// </summary>
internal sealed class FenceRenderer : HtmlObjectRenderer<CodeBlock>
{
    private const string Form = "form";

    protected override void Write(HtmlRenderer renderer, CodeBlock block)
    {
        var (info, title) = block is FencedCodeBlock fence ? (fence.Info ?? "", fence.Arguments ?? "") : ("", "");
        var lines = Enumerable.Range(0, block.Lines.Count).Select(at => block.Lines.Lines[at].Slice.ToString());
        renderer.EnsureLine();
        if (info.Equals(Form, StringComparison.OrdinalIgnoreCase))
        {
            WriteForm(renderer, title, PaperForm.Read(lines));
        }
        else
        {
            WriteListing(renderer, title, lines);
        }
    }

    private static void WriteListing(HtmlRenderer renderer, string title, IEnumerable<string> lines)
    {
        Tag(renderer, "figure", "listing");
        Caption(renderer, title);
        Tag(renderer, "pre");
        Tag(renderer, "code");
        renderer.WriteEscape(string.Join('\n', lines));
        End(renderer, "code");
        End(renderer, "pre");
        End(renderer, "figure");
    }

    private static void WriteForm(HtmlRenderer renderer, string title, PaperForm form)
    {
        Tag(renderer, "figure", "form");
        Caption(renderer, title);
        foreach (var printed in form.Lines)
        {
            switch (printed)
            {
                case PaperForm.Group group:
                    Text(renderer, "p", group.Title, "group");
                    break;
                case PaperForm.Words words:
                    Text(renderer, "p", words.Text);
                    break;
                case PaperForm.Row row:
                    Tag(renderer, "dl");
                    row.Fields.ToList().ForEach(field => WriteField(renderer, field));
                    End(renderer, "dl");
                    break;
                case PaperForm.Table table:
                    WriteTable(renderer, table);
                    break;
            }
        }

        End(renderer, "figure");
    }

    private static void WriteField(HtmlRenderer renderer, PaperForm.Field field)
    {
        Tag(renderer, "div");
        Text(renderer, "dt", field.Label);
        if (field.Choices.Count == 0)
        {
            Text(renderer, "dd", field.Written);
        }
        else
        {
            Tag(renderer, "dd");
            Tag(renderer, "ul", field.TakesSeveral ? "several" : "one");
            foreach (var choice in field.Choices)
            {
                Text(renderer, "li", choice.Label, choice.IsTicked ? "ticked" : "");
            }

            End(renderer, "ul");
            End(renderer, "dd");
        }

        End(renderer, "div");
    }

    private static void WriteTable(HtmlRenderer renderer, PaperForm.Table table)
    {
        Tag(renderer, "table");
        foreach (var (cells, at) in table.Cells.Select((cells, at) => (cells, at)))
        {
            Tag(renderer, "tr");
            foreach (var cell in cells)
            {
                Text(renderer, at == 0 ? "th" : "td", cell);
            }

            End(renderer, "tr");
        }

        End(renderer, "table");
    }

    private static void Caption(HtmlRenderer renderer, string title)
    {
        if (title.Trim().Length > 0)
        {
            Text(renderer, "figcaption", title.Trim());
        }
    }

    private static void Text(HtmlRenderer renderer, string tag, string text, string kind = "")
    {
        Tag(renderer, tag, kind);
        renderer.WriteEscape(text);
        End(renderer, tag);
        if (!renderer.EnableHtmlForBlock && text.Length > 0)
        {
            renderer.Write("\n\n");
        }
    }

    private static void Tag(HtmlRenderer renderer, string tag, string kind = "")
    {
        if (renderer.EnableHtmlForBlock)
        {
            renderer.Write(kind.Length == 0 ? $"<{tag}>" : $"<{tag} class=\"{kind}\">");
        }
    }

    private static void End(HtmlRenderer renderer, string tag)
    {
        if (renderer.EnableHtmlForBlock)
        {
            renderer.Write($"</{tag}>");
        }
    }
}
