using BlueSlate.Core.Language.Statements;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>docs/formats/statements.md, held to its word: every example is read as it stands.</summary>
public sealed class StatementPageTests
{
    [Fact]
    public void Every_statement_about_things_is_read_as_it_stands()
    {
        var parser = new StatementParser([]);
        var lines = LinesOf("concepts");
        lines.Count.ShouldBeGreaterThan(15);
        foreach (var line in lines)
        {
            var (statement, problems) = parser.Parse(line);
            problems.ShouldBeEmpty(line);
            statement.ShouldNotBeNull(line);
        }

        lines.Select(line => parser.Parse(line).Statement!.GetType()).Distinct().Count().ShouldBe(7);
    }

    [Fact]
    public void Every_statement_about_dependencies_is_read_as_it_stands()
    {
        var lines = LinesOf("dependencies");
        lines.Count.ShouldBeGreaterThan(15);
        foreach (var line in lines)
        {
            var (statement, problem) = DependencyStatement.Parse(line, _ => false);
            problem.ShouldBeNull(line);
            statement.ShouldNotBeNull(line);
        }
    }

    private static List<string> LinesOf(string kind)
    {
        var page = File.ReadAllLines(Path.Combine(SourceTests.Root, "docs", "formats", "statements.md"));
        var lines = new List<string>();
        var inside = false;
        foreach (var line in page)
        {
            if (line.StartsWith("```", StringComparison.Ordinal))
            {
                inside = line == "```" + kind;
            }
            else if (inside)
            {
                lines.Add(line);
            }
        }

        return lines;
    }
}
