using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>What the formatter leaves to us: texts and comments that it cannot break.</summary>
public sealed class SourceTests
{
    private const int Longest = 140;

    internal static readonly string Root = Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..");

    [Theory]
    [InlineData("src")]
    [InlineData("tests")]
    [InlineData("bench")]
    public void No_line_of_code_is_longer_than_a_reader_can_take_in(string folder)
    {
        FilesIn(folder).SelectMany(TooLong).ShouldBeEmpty();
    }

    /// <summary>What is nested deeper has a name of its own. Queries of the database are one expression, and may be longer.</summary>
    [Theory]
    [InlineData("src/BlueSlate.Core")]
    [InlineData("src/BlueSlate.Drafting")]
    [InlineData("src/BlueSlate.Guide")]
    public void No_lambda_within_a_lambda_is_longer_than_three_lines(string folder) =>
        FilesIn(folder).SelectMany(NestedTooLong).ShouldBeEmpty();

    private static List<string> FilesIn(string folder)
    {
        var files = Directory
            .EnumerateFiles(Path.Combine(Root, folder), "*.cs", SearchOption.AllDirectories)
            .Where(file => !Path.GetRelativePath(Root, file).Split(Path.DirectorySeparatorChar).Any(IsMade))
            .ToList();
        files.ShouldNotBeEmpty();
        return files;
    }

    private static IEnumerable<string> NestedTooLong(string file) =>
        CSharpSyntaxTree
            .ParseText(File.ReadAllText(file), new CSharpParseOptions(LanguageVersion.Preview))
            .GetRoot()
            .DescendantNodes()
            .OfType<LambdaExpressionSyntax>()
            .Where(lambda => lambda.Ancestors().OfType<LambdaExpressionSyntax>().Any())
            .Select(lambda => lambda.GetLocation().GetLineSpan())
            .Where(span => span.EndLinePosition.Line - span.StartLinePosition.Line >= 3)
            .Select(span => $"{Path.GetRelativePath(Root, file)}:{span.StartLinePosition.Line + 1}");

    private static bool IsMade(string part) => part is "bin" or "obj" or "Migrations" or "node_modules";

    private static IEnumerable<string> TooLong(string file) =>
        File.ReadLines(file)
            .Select((line, i) => (line, Place: $"{Path.GetRelativePath(Root, file)}:{i + 1}"))
            .Where(one => one.line.Length > Longest)
            .Select(one => one.Place);
}
