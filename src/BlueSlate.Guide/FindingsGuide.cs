using System.Collections.Immutable;
using System.Text;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Guide;

/// <summary>Writes docs/findings.md from the catalogue: every kind with its help and its example.</summary>
public static class FindingsGuide
{
    /// <summary>The page, in Markdown.</summary>
    public static string Write()
    {
        var page = new StringBuilder();
        page.AppendLine("# Findings");
        page.AppendLine();
        page.AppendLine(
            "Written from the catalogue by `./blueslate findings`; a test holds the two together. Each kind has a "
                + "stable code, what it is, and an example."
        );
        page.AppendLine();
        foreach (var kind in FindingKind.All)
        {
            Append(page, kind);
        }

        return page.ToString().Replace("\r\n", "\n", StringComparison.Ordinal);
    }

    private static void Append(StringBuilder page, FindingKind kind)
    {
        var (example, assessor, assessment, finding) = AssessedExample.Of(kind);
        page.AppendLine($"## `{kind.Code}`: {kind.Title}");
        page.AppendLine();
        page.AppendLine(kind.Help);
        page.AppendLine();
        page.AppendLine("| the model answer says | the answer says |");
        page.AppendLine("|---|---|");
        page.AppendLine($"| {Cell(assessor.Subject.Sentences(example.Model, example.Options))} | {Cell(assessment.Sentences)} |");
        page.AppendLine();
        page.AppendLine($"> **{finding.Headline}** {finding.There} Wanted: {finding.Wanted} {finding.Why}");
        page.AppendLine();
        if (assessment.ExampleOf(finding) is { } population)
        {
            AppendTable(page, population);
        }
    }

    private static void AppendTable(StringBuilder page, Example example)
    {
        page.AppendLine(
            example.Kind switch
            {
                ExampleKind.AllowedAsDrawn => $"As drawn, this could be kept: {example.Table.Said}",
                ExampleKind.RuledOutAsDrawn => $"As drawn, this could not be kept: {example.Table.Said}",
                ExampleKind.RepeatedAsDrawn => $"As drawn, the same is kept more than once: {example.Table.Said}",
                _ => $"As drawn, the last row follows from the others: {example.Table.Said}",
            }
        );
        page.AppendLine();
        page.AppendLine($"| {string.Join(" | ", example.Table.Columns)} |");
        page.AppendLine($"|{string.Concat(example.Table.Columns.Select(_ => "---|"))}");
        foreach (var row in example.Table.Rows)
        {
            page.AppendLine($"| {string.Join(" | ", row)} |");
        }

        page.AppendLine();
    }

    private static string Cell(ImmutableArray<Sentence> sentences) =>
        sentences.IsEmpty
            ? "*nothing*"
            : string.Join("<br>", sentences.Select(sentence => sentence.Text.Replace("|", "\\|", StringComparison.Ordinal)));
}
