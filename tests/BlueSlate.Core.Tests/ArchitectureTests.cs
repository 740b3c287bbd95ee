using System.Reflection;
using BlueSlate.Core.Judging;
using NetArchTest.Rules;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>The rooms of the core, and that nothing flows back.</summary>
public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Assessor).Assembly;

    private const string Concepts = "Subjects.Concepts";

    // What each room may not know, as the way of an answer goes: document, reading, matching, checking, marking.
    public static TheoryData<string, string[]> Rooms =>
        new()
        {
            { "Judging", ["Drawings", "Notations", "Subjects", "Marking", "Interchange"] },
            { "Drawings", ["Notations", "Subjects", "Language", "Marking", "Interchange"] },
            { "Notations", [.. After("Model"), "Marking", "Interchange"] },
            { "Language", ["Notations", .. After("Model"), "Marking", "Interchange"] },
            { $"{Concepts}.Model", ["Drawings", "Notations", .. After("Model"), "Marking", "Interchange"] },
            { $"{Concepts}.Matching", ["Drawings", "Notations", .. After("Matching"), "Marking", "Interchange"] },
            { $"{Concepts}.Restatements", ["Drawings", "Notations", .. After("Restatements"), "Marking", "Interchange"] },
            { $"{Concepts}.Soundness", [.. After("Model"), "Marking", "Interchange"] },
            { $"{Concepts}.Checking", [$"{Concepts}.Populations", "Marking", "Interchange"] },
            { $"{Concepts}.Populations", ["Drawings", "Notations", "Marking", "Interchange"] },
            { "Subjects", ["Marking", "Interchange"] },
            { "Marking", ["Drawings", "Notations", "Subjects", "Classes", "Interchange"] },
            { "Classes", ["Drawings", "Notations", "Subjects", "Interchange"] },
            { "Interchange", ["Subjects"] },
        };

    // The rooms of the concepts that come after one, as the way of an answer goes.
    private static IEnumerable<string> After(string room) =>
        new[] { "Model", "Matching", "Restatements", "Checking", "Populations" }
            .SkipWhile(one => one != room)
            .Skip(1)
            .Select(one => $"{Concepts}.{one}");

    [Theory]
    [MemberData(nameof(Rooms))]
    public void A_room_knows_nothing_of_what_comes_after_it(string room, string[] forbidden)
    {
        var inside = Types.InAssembly(Core).That().ResideInNamespace($"BlueSlate.Core.{room}");
        inside.GetTypes().ShouldNotBeEmpty();
        var result = inside.ShouldNot().HaveDependencyOnAny([.. forbidden.Select(name => $"BlueSlate.Core.{name}")]).GetResult();
        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }

    [Fact]
    public void What_assesses_knows_subjects_only_by_what_all_of_them_are()
    {
        var result = Types
            .InAssembly(Core)
            .That()
            .HaveName(nameof(Assessor), nameof(Assessment), nameof(ExerciseTerms))
            .ShouldNot()
            .HaveDependencyOnAny("BlueSlate.Core.Drawings", "BlueSlate.Core.Notations", "BlueSlate.Core.Subjects")
            .GetResult();
        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Checking")]
    [InlineData("Marking")]
    public void Checking_and_marking_on_the_server_know_subjects_only_by_what_all_of_them_are(string feature)
    {
        var folder = Path.Combine(SourceTests.Root, "src", "BlueSlate.Server", "Features", feature);
        var files = Directory.GetFiles(folder, "*.cs");
        files.ShouldNotBeEmpty();
        foreach (var room in new[] { "Drawings", "Notations", "Subjects" })
        {
            files
                .Where(file => File.ReadAllText(file).Contains($"BlueSlate.Core.{room}", StringComparison.Ordinal))
                .ShouldBeEmpty(room);
        }
    }

    [Fact]
    public void Only_one_type_makes_and_takes_apart_what_ids_of_concepts_are_written_like() =>
        Directory
            .EnumerateFiles(Path.Combine(SourceTests.Root, "src", "BlueSlate.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(file => !file.Contains("/obj/", StringComparison.Ordinal) && Path.GetFileName(file) != "ConceptId.cs")
            .SelectMany(File.ReadLines)
            .Where(line => line.Contains("}~", StringComparison.Ordinal) || line.Contains("~{", StringComparison.Ordinal))
            .ShouldBeEmpty();

    [Fact]
    public void The_core_references_nothing_but_the_framework() =>
        Core.GetReferencedAssemblies()
            .Select(assembly => assembly.Name!)
            .ShouldAllBe(name => name.StartsWith("System.", StringComparison.Ordinal));

    [Fact]
    public void The_core_knows_no_interface_database_clock_chance_or_files()
    {
        var forbidden = new[]
        {
            "System.Net",
            "System.Data",
            "Microsoft.AspNetCore",
            "Microsoft.EntityFrameworkCore",
            "Microsoft.Extensions",
            "System.IO.File",
            "System.Console",
            "System.Random",
            "System.Diagnostics.Stopwatch",
            "System.Threading.Timer",
        };
        var result = Types.InAssembly(Core).ShouldNot().HaveDependencyOnAny(forbidden).GetResult();
        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }
}
