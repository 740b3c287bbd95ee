namespace BlueSlate.Bench.Seeded;

/// <summary>
/// A made-up list of people of whom several things are kept that have nothing to do with each other, some of them led by somebody: what a
/// leader leads decides for whom. Its stages follow from how it is built.
/// </summary>
internal sealed class SeveralWorld : ISeedWorld
{
    private static readonly string[] Nouns = ["potter", "diver", "rower", "singer", "carver", "weaver", "skater", "glazier"];
    private static readonly string[] Lists = ["tool", "dialect", "badge", "song", "permit", "hall", "medal", "route"];
    private static readonly string[] Kept = ["colour", "town", "phone", "grade", "size", "mood"];

    public SeveralWorld(Random random)
    {
        var (nouns, lists, kept) = ((string[])Nouns.Clone(), (string[])Lists.Clone(), (string[])Kept.Clone());
        random.Shuffle(nouns);
        random.Shuffle(lists);
        random.Shuffle(kept);
        Who = $"{nouns[0]} no";
        Own = kept[..random.Next(1, 4)];
        First = lists[0];
        Second = lists[1];
        Name = DependencyWorld.Named(Who);
        Tables =
        [
            new SeedTable("BCNF", Name, Columns(Who, Own)),
            new SeedTable("BCNF", "Mixed", [(Who, true, true), (First, true, false), (Second, true, false)]),
            new SeedTable("4NF", Name, Columns(Who, Own)),
            new SeedTable("4NF", "One", [(Who, true, true), (First, true, false)]),
            new SeedTable("4NF", "Other", [(Who, true, true), (Second, true, false)]),
        ];
    }

    /// <summary>What identifies a person, and how a table of persons is called.</summary>
    public string Who { get; }

    /// <inheritdoc cref="Who"/>
    public string Name { get; }

    /// <summary>What is kept of a person once.</summary>
    public string[] Own { get; }

    /// <summary>What a person has several of.</summary>
    public string First { get; }

    /// <inheritdoc cref="First"/>
    public string Second { get; }

    public string[] Attributes => [Who, .. Own, First, Second];

    public string[] Key => [Who, First, Second];

    public List<(string[] From, string To)> Arrows => [.. Own.Append(First).Append(Second).Select(to => (new[] { Who }, to))];

    public HashSet<string> Several => [First, Second];

    public List<SeedTable> Tables { get; }

    /// <summary>Puts one fault into an answer.</summary>
    public DependencySeed Put(string code, DependencyAnswer answer, Random random)
    {
        var list = random.Next(2) == 0 ? First : Second;
        switch (code)
        {
            case "multivalued-as-functional":
                answer.Several.Remove(list);
                return new(code, list);
            case "multivalued-missing":
                // A multivalued dependency and its complement are one fact: both arrows go.
                answer.Arrows.RemoveAll(arrow => Several.Contains(arrow.To));
                return new("dependency-missing", Who);
            case "multivalued-dependency-left":
                answer.Tables.RemoveAll(table => table.Stage == "4NF" && table.Name != Name);
                answer.Tables.Add(
                    new SeedTable("4NF", "Mixed", [(Who, true, true), (First, true, false), (Second, true, false)])
                );
                return new(code, Who);
            default:
                answer.Several.Add(Own[0]);
                return new("functional-as-multivalued", Own[0]);
        }
    }

    public static IReadOnlyList<string> Codes { get; } =
    ["multivalued-as-functional", "multivalued-missing", "multivalued-dependency-left", "functional-as-multivalued"];

    private static List<(string, bool, bool)> Columns(string id, string[] own) =>
        [(id, true, false), .. own.Select(one => (one, false, false))];
}

/// <summary>
/// A made-up plan in which what is entered in a place decides for which group it is: keys that overlap, so that the third form is not
/// the last.
/// </summary>
internal sealed class OverlapWorld : ISeedWorld
{
    private static readonly string[] Words = ["pier", "club", "warden", "shed", "troupe", "usher", "field", "crew", "scout"];

    public OverlapWorld(Random random)
    {
        var words = (string[])Words.Clone();
        random.Shuffle(words);
        (Place, Group, Leader) = (words[0], words[1], words[2]);
        Kept = random.Next(2) == 0 ? [] : ["pager"];
        Tables =
        [
            new SeedTable("3NF", "Plan", [(Place, true, false), (Group, true, false), (Leader, false, Kept.Length > 0)]),
            .. Kept.Length == 0 ? [] : new[] { new SeedTable("3NF", "Head", [(Leader, true, false), ("pager", false, false)]) },
            new SeedTable("BCNF", "Plan", [(Place, true, false), (Leader, true, true)]),
            new SeedTable(
                "BCNF",
                "Head",
                [(Leader, true, false), (Group, false, false), .. Kept.Select(one => (one, false, false))]
            ),
        ];
    }

    public string Place { get; }

    public string Group { get; }

    public string Leader { get; }

    public string[] Kept { get; }

    public string[] Attributes => [Place, Group, Leader, .. Kept];

    public string[] Key => [Place, Group];

    public List<(string[] From, string To)> Arrows =>
        [([Place, Group], Leader), ([Leader], Group), .. Kept.Select(one => (new[] { Leader }, one))];

    public HashSet<string> Several => [];

    public List<SeedTable> Tables { get; }

    /// <summary>Leaves in one table what its determinant should have taken out of it.</summary>
    public DependencySeed Put(DependencyAnswer answer)
    {
        answer.Tables.RemoveAll(table => table.Stage == "BCNF");
        answer.Tables.Add(
            new SeedTable("BCNF", "Plan", [(Place, true, false), (Group, true, false), (Leader, false, Kept.Length > 0)])
        );
        if (Kept.Length > 0)
        {
            answer.Tables.Add(new SeedTable("BCNF", "Head", [(Leader, true, false), ("pager", false, false)]));
        }

        return new("determinant-no-key", Leader);
    }
}
