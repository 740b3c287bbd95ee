using System.Reflection;
using NetArchTest.Rules;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>The rooms of the core, and that nothing flows back.</summary>
public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Assessor).Assembly;

    // What each room may not know, as the way of an answer goes: drawing, reading, matching, checking, marking.
    public static TheoryData<string, string[]> Rooms =>
        new()
        {
            {
                "Drawings",
                ["Concepts", "Notations", "Language", "Matching", "Restatements", "Checking", "Marking", "Interchange"]
            },
            { "Concepts", ["Notations", "Matching", "Restatements", "Checking", "Marking", "Interchange"] },
            { "Notations", ["Matching", "Restatements", "Checking", "Marking", "Interchange"] },
            { "Language", ["Notations", "Matching", "Restatements", "Checking", "Marking", "Interchange"] },
            { "Matching", ["Drawings", "Notations", "Restatements", "Checking", "Populations", "Marking", "Interchange"] },
            { "Restatements", ["Drawings", "Notations", "Checking", "Marking", "Interchange"] },
            { "Soundness", ["Matching", "Restatements", "Checking", "Marking", "Interchange"] },
            { "Checking", ["Populations", "Marking", "Interchange"] },
            { "Populations", ["Drawings", "Notations", "Marking", "Interchange"] },
            { "Marking", ["Drawings", "Notations", "Matching", "Restatements", "Interchange"] },
        };

    [Theory]
    [MemberData(nameof(Rooms))]
    public void A_room_knows_nothing_of_what_comes_after_it(string room, string[] forbidden)
    {
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace($"BlueSlate.Core.{room}")
            .ShouldNot()
            .HaveDependencyOnAny([.. forbidden.Select(name => $"BlueSlate.Core.{name}")])
            .GetResult();
        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }

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
