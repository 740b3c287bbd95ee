using BlueSlate.Core.Subjects.Dependencies;
using CsCheck;
using Shouldly;
using static BlueSlate.Core.Tests.Dependencies.BruteForce;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>What rows do not contradict, held against looking at every pair of rows.</summary>
public sealed class RowDependencyTests
{
    private static readonly Gen<string?[][]> Tables = Gen.Select(
        Gen.Int[1, 6],
        Gen.Int[0, 9],
        Gen.Int[1, 4],
        Gen.Int[0, 3],
        Gen.Int[0, 1_000_000],
        (width, rows, values, nulls, seed) => Drawn(width, rows, values, nulls, new Random(seed))
    );

    [Fact]
    public void Minimal_dependencies_and_unique_sets_are_those_that_every_pair_of_rows_allows() =>
        Tables.Sample(
            table =>
            {
                var width = table.Length == 0 ? 1 : table[0].Length;
                var all = (1 << width) - 1;
                bool Determines(int set, int column) =>
                    Pairs(table).All(pair => !Agree(pair, set) || pair.A[column] == pair.B[column]);
                var found = RowDependencies.Of(table, width);
                found.Complete.ShouldBeTrue();
                var expected = SubsetsOf(all)
                    .SelectMany(set =>
                        Enumerable
                            .Range(0, width)
                            .Where(column => (set >> column & 1) == 0 && Determines(set, column))
                            .Where(column => Bits(set).All(bit => !Determines(set & ~bit, column)))
                            .Select(column => (set, column))
                    );
                found
                    .Dependencies.Select(one => (MaskOf(one.From), one.To.Single()))
                    .Order()
                    .ShouldBe(expected.Order(), Told(table));

                var repeated = Pairs(table).Any(pair => pair.A.SequenceEqual(pair.B));
                bool IsUnique(int set) => !repeated && Pairs(table).All(pair => !Agree(pair, set));
                found
                    .Unique.Select(MaskOf)
                    .Order()
                    .ShouldBe(
                        SubsetsOf(all).Where(set => IsUnique(set) && Bits(set).All(bit => !IsUnique(set & ~bit))).Order(),
                        Told(table)
                    );
            },
            iter: 1500
        );

    [Fact]
    public void Nulls_that_are_equal_agree_everywhere()
    {
        string?[][] table =
        [
            [null, "1"],
            [null, "2"],
        ];
        RowDependencies
            .Of(table, 2)
            .Dependencies.ShouldBe([
                new Dependency(AttributeSet.Empty, AttributeSet.Of(0)),
                new Dependency(AttributeSet.Of(0), AttributeSet.Of(1)),
            ]);
        RowDependencies
            .Of(table, 2, nullsEqual: true)
            .Dependencies.ShouldBe([new Dependency(AttributeSet.Empty, AttributeSet.Of(0))]);
    }

    private static IEnumerable<(string?[] A, string?[] B)> Pairs(string?[][] table) =>
        table.SelectMany((a, i) => table.Skip(i + 1).Select(b => (a, b)));

    private static bool Agree((string?[] A, string?[] B) pair, int set) =>
        Bits(set).Select(IndexOf).All(column => pair.A[column] is { } value && value == pair.B[column]);

    private static string?[][] Drawn(int width, int rows, int values, int nulls, Random random) =>
        [
            .. Enumerable
                .Range(0, rows)
                .Select(_ =>
                    Enumerable
                        .Range(0, width)
                        .Select(_ => random.Next(10) < nulls ? null : random.Next(values).ToString())
                        .ToArray()
                ),
        ];

    private static string Told(string?[][] table) => string.Join('\n', table.Select(row => string.Join(',', row)));
}
