using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>Model answers that are built up step by step.</summary>
public sealed class WorkedStepTests
{
    public static TheoryData<string> Folders => [.. DemoExercises.FoldersOfConcepts];

    [Theory]
    [MemberData(nameof(Folders))]
    public void Every_shape_and_row_is_drawn_once_and_what_is_needed_is_there_before(string folder)
    {
        var (drawing, steps) = StepsOf(folder);
        var elements = steps.SelectMany(step => step.Elements).ToList();
        elements.ShouldBeUnique();
        var shapes = drawing.Sheets.SelectMany(sheet => sheet.Shapes).ToList();
        shapes
            .Where(shape => shape.Form != "note")
            .SelectMany(shape => shape.Compartments.SelectMany(rows => rows.Select(row => row.Id)).Prepend(shape.Id))
            .Except(elements, StringComparer.Ordinal)
            .ShouldBeEmpty();
        steps.ShouldAllBe(step => step.Said.Length > 0 && step.Why.Length > 0 && step.Elements.Length > 0);

        var drawn = new HashSet<string>(StringComparer.Ordinal);
        foreach (var step in steps)
        {
            drawn.UnionWith(step.Elements);
            foreach (var relationship in Reading(folder, drawing).Relationships.Where(tie => step.Elements.Contains(tie.Id)))
            {
                relationship.Roles.ShouldAllBe(role => drawn.Contains(role.EntityId), step.Said);
            }
        }
    }

    [Fact]
    public void What_depends_on_nothing_comes_first_and_what_else_is_kept_last()
    {
        var (_, steps) = StepsOf("repair-cafe");

        steps
            .Select(step => step.Said)
            .Take(4)
            .ShouldBe([
                "A visitor is known by its visitor no.",
                "A visit is known by its visit no.",
                "Visitor pays 0 or more Visit; Visit is paid by exactly 1 Visitor",
                "An item is known by its item no.",
            ]);
        steps.Single(step => step.Said.StartsWith("Repairs", StringComparison.Ordinal)).Why.ShouldContain("depends on an item");
        steps[^1].Said.ShouldBe("What is kept of a fixer: name and skills (several).");
    }

    private static (Drawing Drawing, WorkedStep[] Steps) StepsOf(string folder)
    {
        var drawing = DemoExercises.Load($"{folder}/model.json");
        var options = DemoExercises.OptionsOf(folder);
        return (drawing, [.. Subject.Of(options).Steps(new PreflightCase(drawing, options, DemoExercises.ProseOf(folder)))]);
    }

    private static ConceptModel Reading(string folder, Drawing drawing) =>
        ComparableForm.Of(Notation.Read(drawing, (NotationOptions)DemoExercises.OptionsOf(folder))).Model;
}
