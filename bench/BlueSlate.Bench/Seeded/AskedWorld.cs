namespace BlueSlate.Bench.Seeded;

/// <summary>
/// A made-up register in which a thing has a number and a mark of its own, so that there are two candidate keys, with everything asked that
/// is written in notes. What is right follows from how it is built.
/// </summary>
internal sealed class AskedWorld : ISeedWorld
{
    private static readonly string[] Words = ["lute", "harp", "viol", "drum", "horn", "bell", "reed", "gong"];
    private static readonly string[] Qualities = ["hue", "girth", "keeper", "origin", "tone", "year"];
    private readonly string number;
    private readonly string mark;
    private readonly string day;
    private readonly string seat;
    private readonly string[] own;

    public AskedWorld(Random random)
    {
        var (words, kept) = ((string[])Words.Clone(), (string[])Qualities.Clone());
        random.Shuffle(words);
        random.Shuffle(kept);
        (number, mark, day, seat, own) = ($"{words[0]} no", $"{words[0]} tag", "day", "seat", kept[..random.Next(1, 3)]);
    }

    public string[] Attributes => [number, mark, .. own, day, seat];

    public string[] Key => [number, day];

    public List<(string[] From, string To)> Arrows =>
        [([number], mark), ([mark], number), .. own.Select(one => (new[] { number }, one)), ([number, day], seat)];

    public HashSet<string> Several => [];

    public List<SeedTable> Tables =>
        [new SeedTable("denormalised", "Register", [.. Attributes.Select(one => (one, Key.Contains(one), false))])];

    public Dictionary<string, string> Listed =>
        new()
        {
            ["keys"] = $"Candidate keys: {number}, {day}; {mark}, {day}",
            ["primes"] = $"Prime attributes: {number}, {mark}, {day}",
            ["closure"] = $"Closure of {mark}: {Joined([mark, number, .. own])}",
            ["cover"] = $"Minimal cover: {string.Join("; ", Arrows.Select(Said))}",
            ["form"] = "Normal form: 1NF",
            ["derivation"] = Derived(mark, number, own[0]),
            ["counterexample"] = Against("1, monday, 7; 2, monday, 8"),
            ["anomaly"] = $"Anomaly of rows 2 and 5: update, {number} -> {own[0]}",
            ["reason"] = "denormalised: Register is denormalised, since it is read line by line",
        };

    /// <summary>The kinds of faults, each with what it is put into.</summary>
    public static IReadOnlyList<(string Code, string Asked)> Codes { get; } =
    [
        ("candidate-key-missing", "keys"),
        ("listed-key-not-unique", "keys"),
        ("listed-key-not-minimal", "keys"),
        ("prime-attributes-unlisted", "primes"),
        ("prime-attributes-wrong", "primes"),
        ("closure-missing", "closure"),
        ("closure-wrong", "closure"),
        ("cover-missing", "cover"),
        ("cover-not-equivalent", "cover"),
        ("cover-not-minimal", "cover"),
        ("form-unnamed", "form"),
        ("form-mistaken", "form"),
        ("derivation-missing", "derivation"),
        ("derivation-step-wrong", "derivation"),
        ("derivation-unfinished", "derivation"),
        ("counterexample-missing", "counterexample"),
        ("counterexample-harmless", "counterexample"),
        ("counterexample-impossible", "counterexample"),
        ("anomaly-unnamed", "anomaly"),
        ("anomaly-mistaken", "anomaly"),
        ("anomaly-cause", "anomaly"),
        ("denormalisation-unaccounted", "reason"),
    ];

    /// <summary>Puts a fault into what is listed in an answer; null where there is one already.</summary>
    public DependencySeed? Put((string Code, string Asked) kind, DependencyAnswer answer, HashSet<string> touched, Random random)
    {
        if (!touched.Add(kind.Asked))
        {
            return null;
        }

        var (listed, right) = (answer.Listed, Listed[kind.Asked]);
        var more = own[random.Next(own.Length)];
        switch (kind.Code)
        {
            case "candidate-key-missing":
                listed["keys"] = $"Candidate keys: {day}, {number}";
                return new(kind.Code, mark);
            case "listed-key-not-unique":
                listed["keys"] = $"{right}; {more}";
                return new(kind.Code, more);
            case "listed-key-not-minimal":
                listed["keys"] = $"{right}; {mark}, {day}, {more}";
                return new(kind.Code, more);
            case "prime-attributes-wrong":
                listed["primes"] = random.Next(2) == 0 ? $"{right}, {more}" : $"Prime attributes: {number}, {day}";
                return new(kind.Code, "prime");
            case "closure-wrong":
                listed["closure"] = random.Next(2) == 0 ? $"{right}, {seat}" : $"Closure of {mark}: {Joined([mark, number])}";
                return new(kind.Code, mark);
            case "cover-not-equivalent":
                listed["cover"] = $"Minimal cover: {string.Join("; ", Arrows.Where(arrow => arrow.To != more).Select(Said))}";
                return new(kind.Code, more);
            case "cover-not-minimal":
                listed["cover"] = $"{right}; {Said(([mark], more))}";
                return new(kind.Code, mark, more);
            case "derivation-step-wrong":
                listed["derivation"] = Derived(mark, seat, own[0]);
                return new(kind.Code, seat);
            case "derivation-unfinished":
                listed["derivation"] = right[..right.LastIndexOf(';')];
                return new(kind.Code, own[0]);
            case "counterexample-harmless":
                listed["counterexample"] = Against("1, monday, 7; 2, friday, 8");
                return new(kind.Code, seat);
            case "counterexample-impossible":
                listed["counterexample"] = Against("1, monday, 7; 1, monday, 8");
                return new(kind.Code, seat);
            case "anomaly-mistaken":
                listed["anomaly"] = right.Replace(
                    "update",
                    random.Next(2) == 0 ? "deletion" : "insertion",
                    StringComparison.Ordinal
                );
                return new(kind.Code, "update");
            case "anomaly-cause":
                listed["anomaly"] = $"Anomaly of rows 2 and 5: update, {number}, {day} -> {seat}";
                return new(kind.Code, seat);
            case "form-mistaken":
                listed["form"] = $"Normal form: {(random.Next(2) == 0 ? "2NF" : "3NF")}";
                return new(kind.Code, "1NF");
            default:
                listed.Remove(kind.Asked);
                return new(kind.Code);
        }
    }

    private string Against(string rows) => $"Counterexample to {day} -> {seat}: {number}, {day}, {seat}; {rows}";

    private static string Derived(string from, string over, string to) =>
        $"Derivation of {from} -> {to}: {from} -> {over}; {over} -> {to}; {from} -> {to}";

    private static string Said((string[] From, string To) arrow) => $"{Joined(arrow.From)} -> {arrow.To}";

    private static string Joined(string[] names) => string.Join(", ", names);
}
