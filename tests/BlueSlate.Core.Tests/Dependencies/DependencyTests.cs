using BlueSlate.Core.Subjects.Dependencies;
using CsCheck;
using Shouldly;
using static BlueSlate.Core.Tests.Dependencies.BruteForce;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Keys, covers, forms and decompositions, held against the definitions.</summary>
public sealed class DependencyTests
{
    [Fact]
    public void Closures_keys_and_forms_are_those_of_the_definitions() =>
        RandomDependencies.Any.Sample(
            drawn =>
            {
                var (given, brute) = (
                    RandomDependencies.SetOf(drawn.Width, drawn.Functional),
                    new BruteForce(drawn.Width, drawn.Functional)
                );
                foreach (var set in SubsetsOf(brute.All))
                {
                    MaskOf(given.Implied.ClosureOf(SetOf(set))).ShouldBe(brute.Closure(set));
                }

                var keys = CandidateKeys.Of(given.All, MinimalCover.Of(given.Functional));
                keys.Complete.ShouldBeTrue();
                keys.Keys.Select(MaskOf).Order().ShouldBe(brute.Keys(brute.All).Order());
                NormalForms.Of(given.All, given)!.Form.ShouldBe(brute.Form(brute.All));
            },
            iter: 400
        );

    [Fact]
    public void A_cover_says_the_same_with_nothing_too_many() =>
        RandomDependencies.Any.Sample(
            drawn =>
            {
                var given = RandomDependencies.SetOf(drawn.Width, drawn.Functional);
                var cover = MinimalCover.Of(given.Functional);
                var masks = cover.Select(one => (MaskOf(one.From), MaskOf(one.To))).ToArray();
                var (brute, again) = (new BruteForce(drawn.Width, drawn.Functional), new BruteForce(drawn.Width, masks));
                foreach (var set in SubsetsOf(brute.All))
                {
                    again.Closure(set).ShouldBe(brute.Closure(set));
                }

                foreach (var (i, (from, to)) in masks.Index())
                {
                    Bits(to).Count().ShouldBe(1);
                    var others = new BruteForce(drawn.Width, [.. masks.Where((_, at) => at != i)]);
                    (to & ~others.Closure(from)).ShouldNotBe(0);
                    Bits(from).ShouldAllBe(bit => (to & ~brute.Closure(from & ~bit)) != 0);
                }
            },
            iter: 300
        );

    [Fact]
    public void What_holds_on_a_part_is_what_is_implied_there_and_its_form_too() =>
        RandomDependencies
            .Any.Select(Gen.Int[1, 127])
            .Sample(
                (drawn, mask) =>
                {
                    var (given, brute) = (
                        RandomDependencies.SetOf(drawn.Width, drawn.Functional),
                        new BruteForce(drawn.Width, drawn.Functional)
                    );
                    var part = (mask & brute.All) == 0 ? 1 : mask & brute.All;
                    var cover = Projection.On(SetOf(part), given)!.Value;
                    var projected = new BruteForce(drawn.Width, [.. cover.Select(one => (MaskOf(one.From), MaskOf(one.To)))]);
                    foreach (var set in SubsetsOf(part))
                    {
                        (projected.Closure(set) & part).ShouldBe(brute.Closure(set) & part);
                    }

                    NormalForms.Of(SetOf(part), given)!.Form.ShouldBe(brute.Form(part));
                },
                iter: 300
            );

    [Fact]
    public void Lossless_and_lost_are_those_of_the_definitions() =>
        RandomDependencies
            .Any.Select(Gen.Int[1, 127].Array[1, 4])
            .Sample(
                (drawn, masks) =>
                {
                    var (given, brute) = (
                        RandomDependencies.SetOf(drawn.Width, drawn.Functional),
                        new BruteForce(drawn.Width, drawn.Functional)
                    );
                    int[] parts = [.. masks.Select(mask => (mask & brute.All) == 0 ? 1 : mask & brute.All)];
                    AttributeSet[] sets = [.. parts.Select(SetOf)];
                    Chase.Of(sets, given).Lossless.ShouldBe(brute.Joins(parts));
                    Preservation
                        .Lost(sets, given)
                        .Select(one => (MaskOf(one.From), MaskOf(one.To)))
                        .ShouldBe(drawn.Functional.Where(one => !brute.Kept(one, parts)));
                },
                iter: 300
            );

    [Fact]
    public void What_is_proposed_is_in_its_form_and_joins_and_the_synthesis_loses_nothing() =>
        RandomDependencies.Any.Sample(
            drawn =>
            {
                var (given, brute) = (
                    RandomDependencies.SetOf(drawn.Width, drawn.Functional),
                    new BruteForce(drawn.Width, drawn.Functional)
                );
                int[] synthesis = [.. Decomposition.Synthesis(given).Select(MaskOf)];
                int[] split = [.. Decomposition.BySplitting(given)!.Value.Select(MaskOf)];
                synthesis.ShouldAllBe(part => brute.Form(part) >= NormalForm.Third);
                split.ShouldAllBe(part => brute.Form(part) == NormalForm.BoyceCodd);
                brute.Joins(synthesis).ShouldBeTrue();
                brute.Joins(split).ShouldBeTrue();
                drawn.Functional.ShouldAllBe(one => brute.Kept(one, synthesis));
            },
            iter: 300
        );

    [Fact]
    public void With_multivalued_dependencies_the_basis_joins_two_and_two()
    {
        // A repair café's evenings: each has its fixers and, apart from them, its offers of cake.
        var given = new DependencySet(["evening", "fixer", "cake"], [], [new Dependency(AttributeSet.Of(0), AttributeSet.Of(1))]);
        given.Implied.BasisOf(AttributeSet.Of(0)).ShouldBe([AttributeSet.Of(1), AttributeSet.Of(2)]);
        var form = NormalForms.Of(given.All, given)!;
        form.Form.ShouldBe(NormalForm.BoyceCodd);
        form.Multivalued.ShouldBeTrue();
        var split = Decomposition.BySplitting(given)!.Value;
        split.Length.ShouldBe(2);
        split.ShouldAllBe(part => NormalForms.Of(part, given)!.Form == NormalForm.Fourth);
        Chase.Of(split, given).Lossless.ShouldBe(true);
        Chase.Of([AttributeSet.Of([0, 1]), AttributeSet.Of([1, 2])], given).Lossless.ShouldBe(false);
    }

    [Fact]
    public void A_functional_and_a_multivalued_dependency_imply_what_neither_does_alone()
    {
        // A ->> B and C -> B, C apart from B: A -> B (the coalescence rule).
        var given = new DependencySet(
            ["A", "B", "C", "D"],
            [new Dependency(AttributeSet.Of(2), AttributeSet.Of(1))],
            [new Dependency(AttributeSet.Of(0), AttributeSet.Of(1))]
        );
        given.Implied.Implies(new Dependency(AttributeSet.Of(0), AttributeSet.Of(1))).ShouldBeTrue();
        given.Implied.Implies(new Dependency(AttributeSet.Of(0), AttributeSet.Of(2))).ShouldBeFalse();
    }

    [Fact]
    public void Too_many_keys_are_told_as_a_limit()
    {
        // Pairs of attributes that determine each other: two to the power of fifteen keys.
        Dependency[] pairs =
        [
            .. Enumerable
                .Range(0, 15)
                .SelectMany(i =>
                    new[]
                    {
                        new Dependency(AttributeSet.Of(2 * i), AttributeSet.Of((2 * i) + 1)),
                        new Dependency(AttributeSet.Of((2 * i) + 1), AttributeSet.Of(2 * i)),
                    }
                ),
        ];
        var keys = CandidateKeys.Of(AttributeSet.First(30), pairs, 500);
        keys.Complete.ShouldBeFalse();
        keys.Keys.Length.ShouldBe(500);
        keys.Keys.ShouldAllBe(key => key.Count == 15);
    }
}
