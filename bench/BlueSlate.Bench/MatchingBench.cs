using System.Collections.Immutable;
using System.Diagnostics;
using System.Globalization;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Bench;

/// <summary>
/// Matches faulty answers of 5 to 60 entities, and foreign and symmetric ones, and prints how many matchings were proved the
/// cheapest, how far the others are from their bound, and how long the slowest of up to 15 entities took.
/// </summary>
internal static class MatchingBench
{
    private const int Faulty = 500;
    private const int Strange = 100;

    private static readonly string[] Things =
    [
        "Visit",
        "Item",
        "Tool",
        "Fixer",
        "Bench",
        "Lamp",
        "Show",
        "Dome",
        "Guide",
        "Guest",
        "Song",
        "Studio",
        "Host",
        "Slot",
        "Part",
        "Route",
        "Stop",
        "Van",
        "Reader",
        "Shelf",
    ];
    private static readonly string[] Details =
    [
        "name",
        "start date",
        "length",
        "remark",
        "colour",
        "price",
        "address",
        "phone",
        "rating",
        "depth",
        "weight",
        "seats",
    ];
    private static readonly string[] Verbs =
    [
        "brings in",
        "holds",
        "uses",
        "leads",
        "is followed by",
        "carries",
        "plays",
        "names",
    ];
    private static readonly Count[] Counts = [new(0, 1), new(1, 1), new(0, Count.Many), new(1, Count.Many)];

    public static int Run()
    {
        var (proved15, of15, worst60, slowest15, answers) = (0, 0, 0.0, 0.0, 0);
        var (strangeProved, worstStrange) = (0, 0.0);
        for (var seed = 0; seed < Faulty + Strange; seed++)
        {
            var random = new Random(seed);
            var size = 5 + (seed % 56);
            var model = Random(size, random);
            var answer =
                seed < Faulty ? Changed(model, random)
                : seed % 2 == 0 ? Random(size, random)
                : Alike(size);
            var target = seed < Faulty || seed % 2 == 0 ? model : Alike(size);
            var clock = Stopwatch.StartNew();
            var match = Matcher.Match(new MatchModel(target), answer, MatchAllowance.Plain).Best;
            var elapsed = clock.Elapsed.TotalMilliseconds;
            var gap = (match.Cost - match.LowerBound) / Math.Max(match.LowerBound, 0.5);
            answers++;
            if (seed >= Faulty)
            {
                strangeProved += match.IsProved ? 1 : 0;
                worstStrange = Math.Max(worstStrange, gap);
                continue;
            }

            worst60 = Math.Max(worst60, gap);
            if (size <= 15)
            {
                of15++;
                proved15 += match.IsProved ? 1 : 0;
                slowest15 = seed > 100 ? Math.Max(slowest15, elapsed) : slowest15;
            }
        }

        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"foreign and symmetric: {Strange}, proved {strangeProved}, worst {worstStrange:0.000}"
            )
        );
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"matching: answers {answers} proved15 {(double)proved15 / of15:0.000} worst60 {worst60:0.000} ms15_max {slowest15:0}"
            )
        );
        return 0;
    }

    private static ConceptModel Random(int size, Random random)
    {
        var entities = Enumerable
            .Range(0, size)
            .Select(i =>
            {
                var name = i < Things.Length ? Things[i] : $"{Things[i % Things.Length]} {Details[i % Details.Length]}";
                ImmutableArray<ConceptAttribute> attributes =
                [
                    .. Enumerable
                        .Range(0, 1 + random.Next(5))
                        .Select(n =>
                            ConceptAttribute.Plain($"e{i}a{n}", n == 0 ? $"{name} no" : Details[(i + (n * 3)) % Details.Length])
                        ),
                ];
                return new EntityType(
                    $"e{i}",
                    name,
                    EntityKind.Strong,
                    attributes,
                    [new Identifier(IdentifierKind.Primary, 0, false, [attributes[0].Id], [])]
                );
            })
            .ToImmutableArray();
        return new ConceptModel(
            entities,
            [
                .. Enumerable
                    .Range(0, size * 5 / 4)
                    .Select(i =>
                        Link(
                            $"r{i}",
                            i < size - 1 ? random.Next(Math.Max(0, i - 3), i + 1) : random.Next(size),
                            i < size - 1 ? i + 1 : random.Next(size),
                            random
                        )
                    ),
            ]
        );
    }

    private static RelationshipType Link(string id, int from, int to, Random random)
    {
        var (a, b) = (Counts[random.Next(Counts.Length)], Counts[random.Next(Counts.Length)]);
        return new RelationshipType(
            id,
            Verbs[random.Next(Verbs.Length)],
            [
                new RelationshipRole($"{id}/from", $"e{from}", "", "", a, b),
                new RelationshipRole($"{id}/to", $"e{to}", "", "", b, a),
            ],
            null,
            null
        );
    }

    // Other names, entities and relationships left out, ends changed.
    private static ConceptModel Changed(ConceptModel model, Random random)
    {
        var kept = model.Entities.Where(_ => random.Next(12) > 0).ToList();
        var ids = kept.Select(entity => entity.Id).ToHashSet(StringComparer.Ordinal);
        var entities = kept.Select(entity => random.Next(8) == 0 ? entity with { Name = $"Strange {entity.Id}" } : entity)
            .OrderBy(_ => random.Next());
        var links = model
            .Relationships.Where(link => link.Roles.All(role => ids.Contains(role.EntityId)) && random.Next(12) > 0)
            .Select(link =>
                random.Next(6) > 0
                    ? link
                    : link with
                    {
                        Roles = [link.Roles[0] with { CoOccurrence = Counts[random.Next(Counts.Length)] }, link.Roles[1]],
                    }
            );
        return new ConceptModel([.. entities], [.. links.OrderBy(_ => random.Next())]);
    }

    // Boxes that look alike, in a ring.
    private static ConceptModel Alike(int size)
    {
        var random = new Random(1);
        var entities = Enumerable
            .Range(0, size)
            .Select(i => new EntityType($"e{i}", "Thing", EntityKind.Strong, [ConceptAttribute.Plain($"e{i}a", "name")], []));
        return new ConceptModel(
            [.. entities],
            [.. Enumerable.Range(0, size).Select(i => Link($"r{i}", i, (i + 1) % size, random))]
        );
    }
}
