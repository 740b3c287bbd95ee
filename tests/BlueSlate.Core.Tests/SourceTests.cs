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
        var files = Directory
            .EnumerateFiles(Path.Combine(Root, folder), "*.cs", SearchOption.AllDirectories)
            .Where(file => !Path.GetRelativePath(Root, file).Split(Path.DirectorySeparatorChar).Any(IsMade))
            .ToList();
        files.ShouldNotBeEmpty();
        files.SelectMany(TooLong).ShouldBeEmpty();
    }

    private static bool IsMade(string part) => part is "bin" or "obj" or "Migrations" or "node_modules";

    private static IEnumerable<string> TooLong(string file) =>
        File.ReadLines(file)
            .Select((line, i) => (line, Place: $"{Path.GetRelativePath(Root, file)}:{i + 1}"))
            .Where(one => one.line.Length > Longest)
            .Select(one => one.Place);
}
