using System.Globalization;
using BlueSlate.Core;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Dependencies;

namespace BlueSlate.Bench.Seeded;

/// <summary>
/// Puts one to five faults of known kinds into answers about made-up forms, in other words and another order, and counts what is found
/// where it was put; draws what is as good without a fault, and what is worth nothing.
/// </summary>
internal static class DependencySeededBench
{
    private const int Answers = 1000;
    private const int AsGood = 200;
    private const int Most = 5;
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);

    public static int Run()
    {
        var tally = new Tally();
        for (var seed = 0; seed < Answers; seed++)
        {
            var random = new Random(seed);
            var (world, answer, seeds) = (seed % 10) switch
            {
                0 => Special(random, seed / 10),
                // Generators that begin alike give alike numbers at first: the seed is mixed.
                5 or 7 => Asked(new Random(unchecked((int)((uint)seed * 2654435761u) & int.MaxValue))),
                _ => Seeded(random),
            };
            var findings = Of(world).Assess(Drawn(answer, random), []).Findings;
            tally.Add(seed, seeds, findings);
        }

        var (clean, caught) = (0, 0);
        for (var seed = 0; seed < AsGood; seed++)
        {
            var random = new Random(Answers + seed);
            var world = new DependencyWorld(random);
            var assessor = Of(world);
            var good = Otherwise(world, random);
            var assessment = assessor.Assess(Drawn(good.Lines(random)), []);
            clean += assessment.Findings.IsEmpty && assessment.Sheet.Total == assessment.Sheet.Maximum ? 1 : 0;
            if (!assessment.Findings.IsEmpty)
            {
                Console.WriteLine($"not clean    {seed}: {Tally.Headlines(assessment.Findings)}");
            }

            var faults = new DependencyFaults(world, good, random);
            while (faults.Put(DependencyFaults.Codes[random.Next(DependencyFaults.Codes.Count)]) is null) { }
            caught += assessor.Assess(Drawn(good, random), []).Findings.IsEmpty ? 0 : 1;
        }

        var (recall, precision, worst, least, fewest) = tally.Print();
        var (blank, copied, everything, single) = Useless();
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"worst kind {worst} {least:0.000}, fewest of a kind {fewest}; earned by a "
                    + $"blank {blank:0.000}, stages copied {copied:0.000}, all arrows {everything:0.000}, a table each {single:0.000}"
            )
        );
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"seeded dependencies: recall {recall:0.000} precision {precision:0.000} "
                    + $"as good {(double)clean / AsGood:0.000} spoilt caught {(double)caught / AsGood:0.000}"
            )
        );
        return 0;
    }

    // One fault in a list with several values of a person, or in a plan with keys that overlap.
    private static (ISeedWorld World, DependencyAnswer Answer, List<DependencySeed> Seeds) Special(Random random, int turn)
    {
        if (turn % (SeveralWorld.Codes.Count + 1) is var kind && kind == SeveralWorld.Codes.Count)
        {
            var plan = new OverlapWorld(random);
            var planned = new DependencyAnswer(plan);
            return (plan, planned, [plan.Put(planned)]);
        }

        var world = new SeveralWorld(random);
        var answer = new DependencyAnswer(world);
        return (world, answer, [world.Put(SeveralWorld.Codes[kind], answer, random)]);
    }

    // A fault in each of several things that are asked for in notes.
    private static (ISeedWorld World, DependencyAnswer Answer, List<DependencySeed> Seeds) Asked(Random random)
    {
        var world = new AskedWorld(random);
        var answer = new DependencyAnswer(world);
        var (touched, seeds) = (new HashSet<string>(), new List<DependencySeed>());
        var wanted = random.Next(4, Most + 1);
        for (var attempt = 0; attempt < 60 && seeds.Count < wanted; attempt++)
        {
            if (world.Put(AskedWorld.Codes[random.Next(AskedWorld.Codes.Count)], answer, touched, random) is { } seed)
            {
                seeds.Add(seed);
            }
        }

        return (world, answer, seeds);
    }

    private static (ISeedWorld World, DependencyAnswer Answer, List<DependencySeed> Seeds) Seeded(Random random)
    {
        var world = new DependencyWorld(random);
        var answer = new DependencyAnswer(world);
        var (faults, seeds) = (new DependencyFaults(world, answer, random), new List<DependencySeed>());
        var wanted = random.Next(1, Most + 1);
        for (var attempt = 0; attempt < 60 && seeds.Count < wanted; attempt++)
        {
            if (faults.Put(DependencyFaults.Codes[random.Next(DependencyFaults.Codes.Count)]) is { } seed)
            {
                seeds.Add(seed);
            }
        }

        return (world, answer, seeds);
    }

    // Other ways that are as good: ahead of a stage, the group as a table of its own, an arrow more that says the same.
    private static DependencyAnswer Otherwise(DependencyWorld world, Random random)
    {
        var answer = new DependencyAnswer(world);
        if (random.Next(2) == 0)
        {
            answer.Tables.RemoveAll(table => table.Stage == "2NF");
            var ahead = world.Tables.Where(table => table.Stage == "3NF");
            answer.Tables.InsertRange(2, ahead.Select(table => table with { Stage = "2NF", Columns = [.. table.Columns] }));
        }

        if (random.Next(2) == 0)
        {
            var (outer, inner) = (world.Roots[0], world.Roots[1]);
            answer.Tables.RemoveAt(1);
            answer.Tables.InsertRange(
                1,
                [
                    new SeedTable("1NF", "Form", [.. outer.All.Select(own => (own, own == outer.Id, false))]),
                    new SeedTable(
                        "1NF",
                        "Entry",
                        [(outer.Id, true, true), .. inner.All.Concat(world.Facts).Select(own => (own, own == inner.Id, false))]
                    ),
                ]
            );
        }

        return answer;
    }

    // The most that answers get which were made without a thought, beyond what laying attributes out is worth, as a share of all marks.
    private static (double Blank, double Copied, double Everything, double Single) Useless()
    {
        var most = new double[4];
        for (var seed = 0; seed < 50; seed++)
        {
            var random = new Random(seed);
            var world = new DependencyWorld(random);
            var assessor = Of(world);
            var attributes = $"Attributes: {string.Join(", ", world.Attributes)}";
            var laid = (double)assessor.Assess(Drawn([attributes]), []).Sheet.Exact;
            string Table(string stage) => $"{stage}: Form has {string.Join(", ", world.Attributes)}";
            string[][] answers =
            [
                [],
                [attributes, Table("1NF"), Table("2NF"), Table("3NF")],
                [
                    attributes,
                    .. from one in world.Attributes from other in world.Attributes where one != other select $"{one} -> {other}",
                ],
                [attributes, .. world.Attributes.Select((name, i) => $"3NF: Table {i} has {name} (key)")],
            ];
            for (var i = 0; i < answers.Length; i++)
            {
                var got = (double)assessor.Assess(Drawn(answers[i]), []).Sheet.Exact;
                most[i] = Math.Max(most[i], Math.Max(0, got - laid) / (double)assessor.Scheme.Maximum);
            }
        }

        return (most[0], most[1], most[2], most[3]);
    }

    private static Assessor Of(ISeedWorld world)
    {
        var model = Drawn(new DependencyAnswer(world).Lines(new Random(1)));
        return new Assessor(model, Options, [], SchemeDeriver.Derive(Subject.Facts(model, Options), 40));
    }

    // What cannot be typed is done to the drawing.
    private static Drawing Drawn(DependencyAnswer answer, Random random)
    {
        var drawing = Drawn(answer.Lines(random));
        var sheet = drawing.Sheets[0];
        var names = sheet.Shapes.ToDictionary(
            shape => shape.Id,
            shape => shape.Text.Replace(" number", " no", StringComparison.Ordinal)
        );
        bool Leads(Line line, HashSet<string> to) => names.TryGetValue(line.To.On.Id ?? "", out var name) && to.Contains(name);
        Line Changed(Line line) =>
            Leads(line, answer.Headless) ? line with { To = line.To with { Marks = [] } }
            : Leads(line, answer.Loose) ? line with { To = line.To with { On = Attachment.Nothing } }
            : line;
        return drawing with { Sheets = drawing.Sheets.SetItem(0, sheet with { Lines = [.. sheet.Lines.Select(Changed)] }) };
    }

    private static Drawing Drawn(string[] lines)
    {
        var typed = Subject.Retype(Drawing.Empty, lines, Options)!;
        return typed.Problems.IsEmpty
            ? (Drawing)typed.Document
            : throw new InvalidOperationException($"{lines[typed.Problems[0].Line]}: {typed.Problems[0].Problem.Message}");
    }
}
