using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>The search for the cheapest assignment, held against trying all of them.</summary>
public sealed class BranchAndBoundTests
{
    [Fact]
    public void Finds_what_trying_everything_finds_and_proves_it() =>
        Gen.Int[0, 1_000_000]
            .Sample(seed =>
            {
                var costs = Random(seed);
                var start = new int[costs.Entities];
                Array.Fill(start, -1);
                var search = new BranchAndBound(costs, start).Run();
                var least = All(costs.Entities, costs.Choices).Min(costs.Of);
                search.Cost.ShouldBe(least, 1e-9);
                costs.Of(search.Best).ShouldBe(least, 1e-9);
                search.IsProved.ShouldBeTrue();
            });

    [Fact]
    public void The_bound_never_exceeds_the_cheapest_nor_the_cost_what_it_started_from() =>
        Gen.Int[0, 1_000_000]
            .Sample(seed =>
            {
                var costs = Random(seed);
                var all = All(costs.Entities, costs.Choices).ToList();
                var start = all[seed % all.Count];
                var search = new BranchAndBound(costs, start).Run();
                search.LowerBound.ShouldBeLessThanOrEqualTo(search.Cost + 1e-9);
                search.Cost.ShouldBeLessThanOrEqualTo(costs.Of(start) + 1e-9);
            });

    [Fact]
    public void What_is_moved_between_entities_and_pairs_changes_the_cost_of_no_assignment() =>
        Gen.Int[0, 1_000_000]
            .Sample(seed =>
            {
                var costs = Random(seed);
                var all = All(costs.Entities, costs.Choices).ToList();
                var before = all.ConvertAll(costs.Of);
                new BranchAndBound(costs, all[seed % all.Count]).Run();
                for (var i = 0; i < all.Count; i++)
                {
                    costs.Of(all[i]).ShouldBe(before[i], 1e-9);
                }
            });

    [Fact]
    public void Look_alikes_by_the_dozen_end_within_the_budget()
    {
        const int Many = 40;
        var costs = new AssignmentCosts(Many, Many, Many);
        var table = new PairTable(Many);
        foreach (var at in Enumerable.Range(0, Many * Many).Where(at => at / Many != at % Many))
        {
            var (a, b) = (at / Many, at % Many);
            table.Add(a, b, -0.3 - (((a * 7) + (b * 13)) % 11 / 100.0));
        }

        for (var i = 0; i < Many; i++)
        {
            costs.Add(i, (i + 1) % Many, table);
        }

        var start = Enumerable.Range(0, Many).ToArray();
        var search = new BranchAndBound(costs, start).Run();
        search.Solved.ShouldBeLessThanOrEqualTo(BranchAndBound.Budget + 1);
        search.LowerBound.ShouldBeLessThanOrEqualTo(search.Cost);
    }

    [Fact]
    public void A_model_answer_stands_for_itself_at_no_cost_and_proved()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var correspondence = Exercise.Of(model, level).Assess(model, []).Comparison.Correspondence;
            correspondence.Cost.ShouldBe(0, 1e-9, name);
            correspondence.IsProved.ShouldBeTrue(name);
        }
    }

    [Fact]
    public void The_answers_of_the_demo_are_matched_with_proof()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var answer in DemoExercises.Answers(name))
            {
                assessor.Assess(answer, []).Comparison.Correspondence.IsProved.ShouldBeTrue(name);
            }
        }
    }

    private static AssignmentCosts Random(int seed)
    {
        var random = new Random(seed);
        var costs = new AssignmentCosts(random.Next(1, 6), random.Next(0, 6), 10);
        for (var i = 0; i < costs.Entities; i++)
        {
            for (var j = 0; j < costs.Choices; j++)
            {
                costs.AddOwn(i, j, random.Next(-20, 30) / 10.0);
            }
        }

        for (var n = 0; n < 4 && costs.Entities > 1; n++)
        {
            var first = random.Next(costs.Entities);
            var second = (first + 1 + random.Next(costs.Entities - 1)) % costs.Entities;
            var table = new PairTable(costs.Choices);
            for (var entry = 0; entry < 5 && costs.Choices > 1; entry++)
            {
                var a = random.Next(costs.Choices);
                table.Add(a, (a + 1 + random.Next(costs.Choices - 1)) % costs.Choices, random.Next(-15, 6) / 10.0);
            }

            costs.Add(first, second, table);
        }

        return costs;
    }

    private static IEnumerable<int[]> All(int entities, int choices)
    {
        if (entities == 0)
        {
            return
            [
                [],
            ];
        }

        return All(entities - 1, choices)
            .SelectMany(rest =>
                Enumerable
                    .Range(-1, choices + 1)
                    .Where(choice => choice < 0 || !rest.Contains(choice))
                    .Select(choice => rest.Append(choice).ToArray())
            );
    }
}
