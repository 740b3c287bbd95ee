using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Soundness;
using Shouldly;

namespace BlueSlate.Core.Tests.Soundness;

/// <summary>
/// Which entities finite data can populate: textbook cases, and a search through small states beside the program.
/// </summary>
public sealed class FinitePopulationTests
{
    [Fact]
    public void Two_for_one_and_one_for_one_between_the_same_two_contradict_each_other() =>
        Never(["A", "B"], [("A", 1, 1, "B", 2, 2), ("A", 1, 1, "B", 1, 1)]).ShouldBe(["A", "B"]);

    [Fact]
    public void A_tree_without_end_is_no_finite_data() => Never(["Node"], [("Node", 2, 2, "Node", 1, 1)]).ShouldBe(["Node"]);

    [Fact]
    public void A_tree_whose_root_needs_no_parent_is() =>
        Never(["Node"], [("Node", 0, Count.Many, "Node", 0, 1)]).ShouldBeEmpty();

    [Fact]
    public void What_has_to_take_part_with_something_empty_is_empty_too() =>
        Never(["A", "B", "C"], [("A", 1, 1, "B", 2, 2), ("A", 1, 1, "B", 1, 1), ("C", 1, Count.Many, "A", 0, Count.Many)])
            .ShouldBe(["A", "B", "C"]);

    [Fact]
    public void What_need_not_is_not() =>
        Never(["A", "B", "C"], [("A", 1, 1, "B", 2, 2), ("A", 1, 1, "B", 1, 1), ("C", 0, 1, "A", 0, Count.Many)])
            .ShouldBe(["A", "B"]);

    [Fact]
    public void A_subtype_of_two_that_exclude_each_other_is_empty()
    {
        var model = Model(["Person", "Guest", "Helper", "Both"], []) with
        {
            Specialisations =
            [
                new Specialisation(
                    "s1",
                    "Person",
                    [new SubtypeLink("l1", "Guest"), new SubtypeLink("l2", "Helper")],
                    true,
                    false,
                    ""
                ),
                new Specialisation("s2", "Guest", [new SubtypeLink("l3", "Both")], null, null, ""),
                new Specialisation("s3", "Helper", [new SubtypeLink("l4", "Both")], null, null, ""),
            ],
        };
        FinitePopulation.Of(model).Never.ShouldBe(["Both"]);
    }

    [Fact]
    public void Numbers_at_a_subtype_hold_within_its_supertype()
    {
        // Every helper has two guests of its own, of whom there are at most as many as helpers; a helper is no guest.
        var model = Model(["Person", "Guest", "Helper"], [("Helper", 2, 2, "Guest", 0, 1), ("Guest", 1, 1, "Helper", 0, 1)]) with
        {
            Specialisations =
            [
                new Specialisation(
                    "s1",
                    "Person",
                    [new SubtypeLink("l1", "Guest"), new SubtypeLink("l2", "Helper")],
                    true,
                    true,
                    ""
                ),
            ],
        };
        FinitePopulation.Of(model).Never.ShouldBe(["Guest", "Helper", "Person"], ignoreOrder: true);
    }

    [Fact]
    public void A_subtype_cycle_is_one_thing_under_many_names()
    {
        var model = Model(["A", "B"], []) with
        {
            Specialisations =
            [
                new Specialisation("s1", "A", [new SubtypeLink("l1", "B")], null, null, ""),
                new Specialisation("s2", "B", [new SubtypeLink("l2", "A")], null, null, ""),
            ],
        };
        FinitePopulation.Of(model).Never.ShouldBeEmpty();
    }

    [Fact]
    public void What_is_too_large_is_left_undecided()
    {
        var names = Enumerable.Range(0, FinitePopulation.MostUnknowns + 1).Select(i => $"E{i}").ToArray();
        var result = FinitePopulation.Of(Model(names, []));
        result.IsDecided.ShouldBeFalse();
        result.Never.ShouldBeEmpty();
    }

    [Fact]
    public void The_demo_and_random_models_are_decided_and_the_demo_can_be_populated()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            var result = FinitePopulation.Of(Exercise.Read(model, level).Model);
            result.IsDecided.ShouldBeTrue();
            result.Never.ShouldBeEmpty();
        }
    }

    [Fact]
    public void A_search_through_small_states_finds_the_same()
    {
        var counts = new[] { (0, 1), (1, 1), (0, 2), (1, 2), (2, 2), (0, Count.Many), (1, Count.Many) };
        var random = new Random(7);
        for (var run = 0; run < 300; run++)
        {
            var names = new[] { "A", "B", "C" };
            var links = Enumerable
                .Range(0, random.Next(1, 4))
                .Select(_ =>
                {
                    var (one, other) = (counts[random.Next(counts.Length)], counts[random.Next(counts.Length)]);
                    return (names[random.Next(3)], one.Item1, one.Item2, names[random.Next(3)], other.Item1, other.Item2);
                })
                .ToArray();
            Never(names, links).ShouldBe(EmptyInEverySmallState(names, links), string.Join("; ", links));
        }
    }

    // Instance counts up to 4 an entity are enough for bounds up to 2 over three entities: ratios of at most 2 along at most
    // two links.
    private static List<string> EmptyInEverySmallState(string[] names, (string, int, int, string, int, int)[] links)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var state = 0; state < 9 * 9 * 9; state++)
        {
            var count = new Dictionary<string, int>(StringComparer.Ordinal)
            {
                [names[0]] = state % 9,
                [names[1]] = state / 9 % 9,
                [names[2]] = state / 81,
            };
            if (links.All(link => Fits(count, link)))
            {
                seen.UnionWith(names.Where(name => count[name] > 0));
            }
        }

        return [.. names.Where(name => !seen.Contains(name))];
    }

    // Some number of instances of the relationship satisfies both ends, none where an end is empty.
    private static bool Fits(
        Dictionary<string, int> count,
        (string One, int LeastOne, int MostOne, string Other, int LeastOther, int MostOther) link
    )
    {
        var (a, b) = (count[link.One], count[link.Other]);
        long least = Math.Max((long)link.LeastOne * a, (long)link.LeastOther * b);
        long most = Math.Min(
            link.MostOne == Count.Many ? long.MaxValue : (long)link.MostOne * a,
            link.MostOther == Count.Many ? long.MaxValue : (long)link.MostOther * b
        );
        return a == 0 || b == 0 ? least == 0 : least <= most;
    }

    private static List<string> Never(
        string[] names,
        (string One, int LeastOne, int MostOne, string Other, int LeastOther, int MostOther)[] links
    ) => [.. FinitePopulation.Of(Model(names, links)).Never.Order(StringComparer.Ordinal)];

    private static ConceptModel Model(
        string[] names,
        (string One, int LeastOne, int MostOne, string Other, int LeastOther, int MostOther)[] links
    ) =>
        new(
            [.. names.Select(name => new EntityType(name, name, EntityKind.Strong, [], []))],
            [
                .. links.Select(
                    (link, i) =>
                        new RelationshipType(
                            $"r{i}",
                            "",
                            [
                                new RelationshipRole(
                                    $"r{i}/from",
                                    link.One,
                                    "",
                                    "",
                                    new Count(link.LeastOther, link.MostOther),
                                    new Count(link.LeastOne, link.MostOne)
                                ),
                                new RelationshipRole(
                                    $"r{i}/to",
                                    link.Other,
                                    "",
                                    "",
                                    new Count(link.LeastOne, link.MostOne),
                                    new Count(link.LeastOther, link.MostOther)
                                ),
                            ],
                            null,
                            null
                        )
                ),
            ]
        );
}
