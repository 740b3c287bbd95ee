using System.Collections.Immutable;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>How a model answer is built up, as a person changed it.</summary>
public sealed class EditedStepTests
{
    private static readonly ImmutableArray<WorkedStep> Proposed =
    [
        new("A buoy is drawn.", "It is counted.", ["buoy"], [new ScenarioPlace(0, 0, "buoy")]),
        new("A light is drawn.", "It is counted.", ["light", "lens"], []),
        new("A line is drawn.", "Each light is on a buoy.", ["line"], []),
    ];

    private static StepDocument Step(params string[] elements) => new() { Elements = [.. elements] };

    [Fact]
    public void Nothing_changed_is_what_is_proposed() =>
        EditedSteps.Of(Proposed, new StepsDocument()).Select(step => step.Step).ShouldBe(Proposed, new SameStep());

    [Fact]
    public void Order_joining_and_words_are_a_persons()
    {
        var steps = EditedSteps.Of(
            Proposed,
            new StepsDocument { Steps = [Step("light", "buoy", "lens"), Step("line") with { Why = "Look closely." }] }
        );

        steps.Select(step => step.Step.Said).ShouldBe(["A light is drawn. A buoy is drawn.", "A line is drawn."]);
        steps.Select(step => step.Step.Why).ShouldBe(["It is counted.", "Look closely."]);
        steps[0].Pieces.Select(piece => string.Join(' ', piece)).ShouldBe(["light lens", "buoy"]);
        steps[0].Step.Places.ShouldHaveSingleItem().Quote.ShouldBe("buoy");
        steps[1].OwnWhy.ShouldBe("Look closely.");
    }

    [Fact]
    public void What_is_drawn_no_longer_is_left_out_and_what_was_drawn_since_comes_where_it_is_proposed()
    {
        var steps = EditedSteps.Of(Proposed, new StepsDocument { Steps = [Step("line"), Step("gone"), Step("buoy")] });

        steps.Select(step => string.Join(' ', step.Step.Elements)).ShouldBe(["line", "buoy", "light lens"]);
    }

    [Fact]
    public void Whatever_is_changed_every_element_is_drawn_once()
    {
        var element = Gen.Int[0, 5].Select(at => new[] { "buoy", "light", "lens", "line", "gone", "other" }[at]);
        element
            .Array[1, 4]
            .Array[0, 5]
            .Sample(wanted =>
                EditedSteps
                    .Of(Proposed, new StepsDocument { Steps = [.. wanted.Select(Step)] })
                    .SelectMany(step => step.Step.Elements)
                    .Order(StringComparer.Ordinal)
                    .ShouldBe(["buoy", "lens", "light", "line"])
            );
    }

    private sealed class SameStep : IEqualityComparer<WorkedStep>
    {
        public bool Equals(WorkedStep? one, WorkedStep? other) =>
            one!.Said == other!.Said
            && one.Why == other.Why
            && one.Elements.SequenceEqual(other.Elements)
            && one.Places.SequenceEqual(other.Places);

        public int GetHashCode(WorkedStep step) => step.Said.Length;
    }
}
