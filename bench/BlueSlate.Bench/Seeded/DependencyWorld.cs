namespace BlueSlate.Bench.Seeded;

/// <summary>Something with a number of its own, what is kept of it, and what of that leads on to another.</summary>
/// <param name="Id">What identifies one.</param>
/// <param name="Own">What is kept of it.</param>
/// <param name="Next">The thing that it leads to, or null.</param>
internal sealed record Thing(string Id, string[] Own, Thing? Next)
{
    /// <summary>Everything that its number determines, itself first.</summary>
    public string[] All => [Id, .. Own, .. Next?.All ?? []];

    /// <summary>It and all that it leads to.</summary>
    public IEnumerable<Thing> Chain => Next is null ? [this] : [this, .. Next.Chain];
}

/// <summary>A table of a stage as it is typed.</summary>
internal sealed record SeedTable(string Stage, string Name, List<(string Column, bool Key, bool Foreign)> Columns)
{
    public override string ToString() =>
        $"{Stage}: {Name} has " + string.Join(", ", Columns.Select(column => column.Column + Marks(column.Key, column.Foreign)));

    private static string Marks(bool key, bool foreign) =>
        (key, foreign) switch
        {
            (true, true) => " (key, foreign key)",
            (true, false) => " (key)",
            (false, true) => " (foreign key)",
            _ => "",
        };
}

/// <summary>
/// A made-up form of lines that name two things each, with what is kept of the line. Its stages follow from how it is built, by none of
/// the program's rules.
/// </summary>
internal sealed class DependencyWorld : ISeedWorld
{
    private static readonly string[] Nouns =
    [
        "tent",
        "boat",
        "choir",
        "kiln",
        "loom",
        "hive",
        "dome",
        "ferry",
        "mural",
        "drum",
        "lens",
        "quilt",
        "raft",
        "sled",
        "vault",
        "wharf",
    ];

    private static readonly string[] Qualities =
    [
        "colour",
        "height",
        "weight",
        "price",
        "mood",
        "origin",
        "maker",
        "phone",
        "town",
        "shape",
        "year",
        "depth",
        "sound",
        "fabric",
        "light",
        "speed",
        "scent",
        "range",
        "grade",
        "volume",
    ];

    /// <summary>A world by a generator of random numbers.</summary>
    public DependencyWorld(Random random)
    {
        var nouns = (string[])Nouns.Clone();
        var kept = (string[])Qualities.Clone();
        random.Shuffle(nouns);
        random.Shuffle(kept);
        var (noun, own) = (0, 0);
        Thing Make(int length) => new($"{nouns[noun++]} no", Take(random.Next(1, 4)), length > 1 ? Make(length - 1) : null);
        string[] Take(int count) => [.. Enumerable.Range(0, count).Select(_ => kept[own++ % kept.Length])];

        Roots = [Make(random.Next(1, 3)), Make(random.Next(2, 4))];
        // What is kept of two things under one word is two attributes.
        var seen = new HashSet<string>();
        Roots = [.. Roots.Select(root => Distinct(root, seen))];
        // One of them is called like something that is kept of a root.
        Facts = [$"line {Roots[1].Own[0]}", .. Take(random.Next(0, 2)).Select(fact => $"line {fact} too")];
        Arrows =
        [
            .. Things.SelectMany(thing =>
                thing.Own.Concat(thing.Next is null ? [] : [thing.Next.Id]).Select(to => (From: new[] { thing.Id }, To: to))
            ),
            .. Facts.Select(fact => (From: Key, To: fact)),
            (From: Sources, To: Total),
        ];
        Tables = [.. Unnormalised(), .. First(), .. Second(), .. Third()];
    }

    public Thing[] Roots { get; }

    public string[] Facts { get; }

    public string[] Key => [.. Roots.Select(root => root.Id)];

    public IEnumerable<Thing> Things => Roots.SelectMany(root => root.Chain);

    public List<(string[] From, string To)> Arrows { get; }

    public HashSet<string> Several { get; } = [];

    /// <summary>What is calculated, and from what.</summary>
    public static string Total => "grand sum";

    /// <inheritdoc cref="Total"/>
    public string[] Sources => [Roots[0].Own[0], Roots[1].Own[0]];

    public string[] Calculated => [Total];

    /// <summary>What stands in one cell before it is normalised: two values that are kept of the first root, where there are two.</summary>
    public string[] InOneCell => Roots[0].Own.Length > 1 ? Roots[0].Own[..2] : [];

    /// <summary>What such a cell is called.</summary>
    public static string Cell => "particulars";

    // What a root determines hangs on a part of the key, what is further on something that is none.
    public Dictionary<string, string> Letters =>
        Things
            .SelectMany(thing =>
                thing
                    .Own.Concat(thing.Next is null ? [] : [thing.Next.Id])
                    .Select(to => (To: to, Word: Roots.Contains(thing) ? "partial" : "transitive"))
            )
            .ToDictionary(pair => pair.To, pair => pair.Word);

    public List<SeedTable> Tables { get; }

    public string[] Attributes => [.. Kept, Total];

    // What is kept, and not worked out from it.
    private string[] Kept => [.. Roots.SelectMany(root => root.All), .. Facts];

    /// <summary>What is called after a number.</summary>
    public static string Named(string id) => char.ToUpperInvariant(id[0]) + id[1..^3];

    private static Thing Distinct(Thing thing, HashSet<string> seen) =>
        thing with
        {
            Own = [.. thing.Own.Select(own => seen.Add(own) ? own : $"{thing.Id[..^3]} {own}").Distinct()],
            Next = thing.Next is null ? null : Distinct(thing.Next, seen),
        };

    private IEnumerable<SeedTable> Unnormalised()
    {
        var repeating = string.Join(", ", Roots[1].All.Concat(Facts).Append(Total));
        string[] cell = InOneCell.Length == 0 ? [] : [$"{Cell} ({string.Join(", ", InOneCell)})"];
        yield return new SeedTable(
            "UNF",
            "Form",
            [
                (Roots[0].Id, true, false),
                .. cell.Concat(Roots[0].All.Skip(1).Except(InOneCell)).Select(own => (own, false, false)),
                ($"{{{repeating}}}", false, false),
            ]
        );
    }

    private IEnumerable<SeedTable> First() =>
        [new SeedTable("1NF", "Form", [.. Kept.Select(attribute => (attribute, Key.Contains(attribute), false))])];

    private IEnumerable<SeedTable> Second() =>
        [
            .. Roots.Select(root => new SeedTable(
                "2NF",
                Named(root.Id),
                [.. root.All.Select(own => (own, own == root.Id, false))]
            )),
            Line("2NF"),
        ];

    private IEnumerable<SeedTable> Third() =>
        [
            .. Things.Select(thing => new SeedTable(
                "3NF",
                Named(thing.Id),
                [
                    (thing.Id, true, false),
                    .. thing.Own.Select(own => (own, false, false)),
                    .. thing.Next is null ? [] : new[] { (thing.Next.Id, false, true) },
                ]
            )),
            Line("3NF"),
        ];

    private SeedTable Line(string stage) =>
        new(stage, "Line", [.. Key.Select(id => (id, true, true)), .. Facts.Select(fact => (fact, false, false))]);
}

/// <summary>What is right of a made-up form.</summary>
internal interface ISeedWorld
{
    string[] Attributes { get; }

    string[] Key { get; }

    List<(string[] From, string To)> Arrows { get; }

    /// <summary>What is determined as a set of values.</summary>
    HashSet<string> Several { get; }

    /// <summary>By what is determined, the word that is marked at its arrow.</summary>
    Dictionary<string, string> Letters => [];

    List<SeedTable> Tables { get; }

    /// <summary>What is calculated from other attributes.</summary>
    string[] Calculated => [];

    /// <summary>What is listed in notes, by what is asked for.</summary>
    Dictionary<string, string> Listed => [];
}

/// <summary>What an answer says: a copy of a world that faults are put into.</summary>
internal sealed class DependencyAnswer(ISeedWorld world)
{
    public List<string> Attributes { get; } = [.. world.Attributes];

    public List<string> Key { get; } = [.. world.Key];

    public List<(string[] From, string To)> Arrows { get; } = [.. world.Arrows];

    public HashSet<string> Several { get; } = [.. world.Several];

    public Dictionary<string, string> Letters { get; } = new(world.Letters);

    /// <summary>What is determined by an arrow that lost its head, and by one that leads nowhere.</summary>
    public HashSet<string> Headless { get; } = [];

    /// <inheritdoc cref="Headless"/>
    public HashSet<string> Loose { get; } = [];

    /// <inheritdoc cref="ISeedWorld.Listed"/>
    public Dictionary<string, string> Listed { get; } = new(world.Listed);

    public List<SeedTable> Tables { get; } = [.. world.Tables.Select(table => table with { Columns = [.. table.Columns] })];

    public SeedTable Table(string stage, string name) => Tables.First(table => table.Stage == stage && table.Name == name);

    /// <summary>As statements, in another order and with what a person abbreviates.</summary>
    public string[] Lines(Random random)
    {
        var (arrows, tables) = (Arrows.ToArray(), Tables.ToArray());
        random.Shuffle(arrows);
        // Stages keep their order, their tables need not.
        var shuffled = tables.GroupBy(table => table.Stage).SelectMany(stage => stage.OrderBy(_ => random.Next()));
        string[] lines =
        [
            $"Attributes: {string.Join(", ", Attributes)}",
            .. Key.Count > 0 ? new[] { $"Key: {string.Join(", ", Key)}" } : [],
            .. world.Calculated.Length > 0 ? new[] { $"Calculated: {string.Join(", ", world.Calculated)}" } : [],
            .. Listed.Values.OrderBy(_ => random.Next()),
            .. arrows.Select(arrow => LetterAt(arrow) is { } letter ? $"{Said(arrow)} ({letter})" : Said(arrow)),
            .. shuffled.Select(table => table.ToString()),
        ];
        return random.Next(2) == 0 ? lines : [.. lines.Select(line => line.Replace(" no", " number", StringComparison.Ordinal))];
    }

    private string Said((string[] From, string To) arrow) =>
        $"{string.Join(", ", arrow.From)} {(Several.Contains(arrow.To) ? "->>" : "->")} {arrow.To}";

    // Only what is an arrow of the world has a letter.
    private string? LetterAt((string[] From, string To) arrow) =>
        world.Arrows.Exists(own => own.To == arrow.To && own.From.SequenceEqual(arrow.From))
            ? Letters.GetValueOrDefault(arrow.To)
            : null;
}
