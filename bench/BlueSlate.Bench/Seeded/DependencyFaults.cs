namespace BlueSlate.Bench.Seeded;

/// <summary>A fault that was put into an answer: what it is called, and words that the sentence about it has.</summary>
internal sealed record DependencySeed(string Code, params string[] Words);

/// <summary>
/// Puts faults into answers about dependencies. Each touches something that no other of the same answer touches; what would change nothing
/// is not put in.
/// </summary>
internal sealed class DependencyFaults(DependencyWorld world, DependencyAnswer answer, Random random)
{
    private readonly HashSet<string> touched = [];

    /// <summary>The codes of all kinds that can be put in.</summary>
    public static IReadOnlyList<string> Codes { get; } = [.. new DependencyFaults(null!, null!, null!).All.Keys];

    private Dictionary<string, Func<DependencySeed?>> All =>
        new()
        {
            ["dependency-missing"] = Missing,
            ["dependency-reversed"] = Reversed,
            ["dependency-from-part"] = FromPart,
            ["determinant-too-large"] = TooLarge,
            ["determinant-separated"] = Separated,
            ["dependency-redundant"] = Redundant,
            ["dependency-not-implied"] = NotImplied,
            ["dependency-trivial"] = Trivial,
            ["chosen-key-not-minimal"] = KeyTooLarge,
            ["chosen-key-not-unique"] = KeyTooSmall,
            ["chosen-key-unmarked"] = NoKey,
            ["dependency-attribute-invented"] = Invented,
            ["dependency-attribute-missing"] = AttributeMissing,
            ["functional-as-multivalued"] = AsSeveral,
            ["arrowhead-missing"] = Headless,
            ["letter-missing"] = NoLetter,
            ["letter-wrong"] = OtherLetter,
            ["arrow-loose"] = Loose,
            ["split-lossy"] = Lossy,
            ["form-not-reached"] = BackAgain,
            ["stage-missing"] = StageMissing,
            ["stage-skipped"] = StageSkipped,
            ["group-left"] = GroupLeft,
            ["group-without-outer-key"] = GroupAlone,
            ["partial-dependency-left"] = PartialLeft,
            ["transitive-dependency-left"] = TransitiveLeft,
            ["denormalised-knowingly"] = KeptKnowingly,
            ["stage-attribute-dropped"] = Dropped,
            ["determinant-not-left-behind"] = NotLeftBehind,
            ["dependency-lost"] = Torn,
            ["table-key-unmarked"] = () => TableKey("table-key-unmarked"),
            ["table-key-not-unique"] = () => TableKey("table-key-not-unique"),
            ["table-key-not-minimal"] = () => TableKey("table-key-not-minimal"),
            ["table-foreign-key-unmarked"] = ForeignKey,
            ["table-too-many"] = TooMany,
            ["table-column-invented"] = ColumnInvented,
            ["cell-not-atomic"] = InOneCell,
            ["calculated-stored"] = Stored,
            ["surrogate-without-alternate"] = Numbered,
            ["claimed-form-wrong"] = Claimed,
            ["two-meanings"] = UnderOneName,
        };

    /// <summary>Puts in a fault of a kind; null where there is no place for it.</summary>
    public DependencySeed? Put(string code) => All[code]();

    private bool Touch(params string[] what)
    {
        if (what.Any(touched.Contains))
        {
            return false;
        }

        touched.UnionWith(what);
        return true;
    }

    private T One<T>(IReadOnlyList<T> of) => of[random.Next(of.Count)];

    private Thing AnyThing => One(world.Things.ToList());

    private DependencySeed? Missing()
    {
        var thing = AnyThing;
        var to = One(thing.Own);
        if (!Touch($"arrow {to}", "diagram " + thing.Id))
        {
            return null;
        }

        answer.Arrows.RemoveAll(arrow => arrow.To == to);
        return new("dependency-missing", to);
    }

    private DependencySeed? Reversed()
    {
        var thing = AnyThing;
        var to = One(thing.Own);
        if (!Touch($"arrow {to}", "diagram " + thing.Id))
        {
            return null;
        }

        answer.Arrows.RemoveAll(arrow => arrow.To == to);
        answer.Arrows.Add(([to], thing.Id));
        return new("dependency-reversed", to);
    }

    private DependencySeed? FromPart()
    {
        var to = One(world.Facts);
        if (!Touch($"arrow {to}"))
        {
            return null;
        }

        answer.Arrows.RemoveAll(arrow => arrow.To == to);
        answer.Arrows.Add(([One(world.Key)], to));
        return new("dependency-from-part", to);
    }

    private DependencySeed? TooLarge()
    {
        var root = One(world.Roots);
        var to = One(root.Own);
        if (!Touch($"arrow {to}", "diagram " + root.Id))
        {
            return null;
        }

        answer.Arrows.RemoveAll(arrow => arrow.To == to);
        answer.Arrows.Add((world.Key, to));
        return new("determinant-too-large", to);
    }

    private DependencySeed? Separated()
    {
        var to = One(world.Facts);
        if (!Touch($"arrow {to}"))
        {
            return null;
        }

        answer.Arrows.RemoveAll(arrow => arrow.To == to);
        answer.Arrows.AddRange(world.Key.Select(id => (new[] { id }, to)));
        return new("determinant-separated", to);
    }

    private DependencySeed? Redundant()
    {
        var root = world.Roots[1];
        var to = One(root.Next!.Own);
        if (!Touch($"arrow {to}", "diagram " + root.Id, "diagram " + root.Next.Id, $"arrow {root.Next.Id}"))
        {
            return null;
        }

        answer.Arrows.Add(([root.Id], to));
        return new("dependency-redundant", to);
    }

    private DependencySeed? NotImplied()
    {
        var from = One(world.Roots[0].Own);
        var to = One(world.Roots[1].Own);
        if (!Touch($"arrow {to}", $"arrow {from}", "diagram " + world.Roots[1].Id))
        {
            return null;
        }

        answer.Arrows.Add(([from], to));
        return new("dependency-not-implied", from, to);
    }

    private DependencySeed? Trivial()
    {
        var (thing, with) = (AnyThing, One(world.Facts));
        if (!Touch("trivial", $"arrow {thing.Id}", $"arrow {with}"))
        {
            return null;
        }

        answer.Arrows.Add(([thing.Id, with], with));
        return new("dependency-trivial", with);
    }

    private DependencySeed? KeyTooLarge()
    {
        if (!Touch("key"))
        {
            return null;
        }

        var more = One(AnyThing.Own);
        answer.Key.Add(more);
        return new("chosen-key-not-minimal", more);
    }

    private DependencySeed? KeyTooSmall()
    {
        if (!Touch("key"))
        {
            return null;
        }

        answer.Key.RemoveAt(random.Next(2));
        return new("chosen-key-not-unique", answer.Key[0]);
    }

    private DependencySeed? NoKey()
    {
        if (!Touch("key"))
        {
            return null;
        }

        answer.Key.Clear();
        return new("chosen-key-unmarked");
    }

    private DependencySeed? Invented()
    {
        if (!Touch("invented"))
        {
            return null;
        }

        answer.Attributes.Add("zodiac sign");
        return new("dependency-attribute-invented", "zodiac sign");
    }

    private DependencySeed? AttributeMissing()
    {
        var thing = AnyThing;
        var gone = One(thing.Own);
        if (world.Sources.Contains(gone) || !Touch($"arrow {gone}", "diagram " + thing.Id, "key"))
        {
            return null;
        }

        answer.Attributes.Remove(gone);
        answer.Arrows.RemoveAll(arrow => arrow.To == gone);
        return new("dependency-attribute-missing", gone);
    }

    private DependencySeed? AsSeveral()
    {
        var thing = AnyThing;
        var to = One(thing.Own);
        if (!Touch($"arrow {to}", "diagram " + thing.Id))
        {
            return null;
        }

        answer.Several.Add(to);
        return new("functional-as-multivalued", to);
    }

    private DependencySeed? NoLetter()
    {
        var to = One(AnyThing.Own);
        if (!Touch($"arrow {to}"))
        {
            return null;
        }

        answer.Letters.Remove(to);
        return new("letter-missing", to);
    }

    private DependencySeed? OtherLetter()
    {
        var to = One(AnyThing.Own);
        if (!Touch($"arrow {to}"))
        {
            return null;
        }

        answer.Letters[to] = answer.Letters[to] == "partial" ? "transitive" : "partial";
        return new("letter-wrong", to);
    }

    private DependencySeed? Headless()
    {
        var thing = AnyThing;
        var to = One(thing.Own);
        if (!Touch($"arrow {to}", "diagram " + thing.Id))
        {
            return null;
        }

        answer.Headless.Add(to);
        return new("arrowhead-missing", to);
    }

    private DependencySeed? Loose()
    {
        var thing = AnyThing;
        var to = One(thing.Own);
        if (!Touch($"arrow {to}", "diagram " + thing.Id, "loose"))
        {
            return null;
        }

        answer.Loose.Add(to);
        return new("arrow-loose", thing.Id);
    }

    // What is kept of a line is kept with each root alone.
    private DependencySeed? Lossy()
    {
        var stage = One(["2NF", "3NF"]);
        if (!Touch(stage, stage + " whole"))
        {
            return null;
        }

        var line = answer.Table(stage, "Line");
        answer.Tables.Remove(line);
        foreach (var root in world.Roots)
        {
            var columns = line.Columns.Where(column => column.Column == root.Id || !column.Key);
            answer.Tables.Add(
                new SeedTable(
                    stage,
                    $"Line of {root.Id[..^3]}",
                    [.. columns.Select(column => (column.Column, true, column.Foreign))]
                )
            );
        }

        return new("split-lossy", stage);
    }

    // What was split off in the stage before stands with the line once more.
    private DependencySeed? BackAgain()
    {
        if (Array.Find(world.Roots, one => one.Next is not null) is not { } root)
        {
            return null;
        }

        if (!Touch("3NF", "3NF whole", "diagram " + root.Id))
        {
            return null;
        }

        answer.Table("3NF", "Line").Columns.AddRange(root.Own.Select(own => (own, false, false)));
        answer.Table("3NF", DependencyWorld.Named(root.Id)).Columns.RemoveAll(column => root.Own.Contains(column.Column));
        return new("form-not-reached", "3NF");
    }

    private DependencySeed? StageMissing()
    {
        if (!Touch("3NF", "2NF skipped"))
        {
            return null;
        }

        answer.Tables.RemoveAll(table => table.Stage == "3NF");
        return new("stage-missing", "3NF");
    }

    private DependencySeed? StageSkipped()
    {
        if (!Touch("2NF", "3NF whole", "2NF skipped"))
        {
            return null;
        }

        answer.Tables.RemoveAll(table => table.Stage == "2NF");
        return new("stage-skipped", "2NF");
    }

    private DependencySeed? GroupLeft()
    {
        if (!Touch("1NF"))
        {
            return null;
        }

        var (outer, inner) = (world.Roots[0], world.Roots[1]);
        var group = $"{{{string.Join(", ", inner.All.Concat(world.Facts))}}}";
        answer.Tables[1] = new SeedTable(
            "1NF",
            "Form",
            [.. outer.All.Append(group).Select(own => (own, own == outer.Id, false))]
        );
        return new("group-left", "Form");
    }

    private DependencySeed? GroupAlone()
    {
        if (!Touch("1NF"))
        {
            return null;
        }

        var (outer, inner) = (world.Roots[0], world.Roots[1]);
        answer.Tables.RemoveAt(1);
        answer.Tables.InsertRange(
            1,
            [
                new SeedTable("1NF", "Form", [.. outer.All.Select(own => (own, own == outer.Id, false))]),
                new SeedTable("1NF", "Entry", [.. inner.All.Concat(world.Facts).Select(own => (own, own == inner.Id, false))]),
            ]
        );
        return new("group-without-outer-key", outer.Id);
    }

    private DependencySeed? PartialLeft()
    {
        var root = One(world.Roots);
        // What was never drawn as an arrow is a mistake of its own, from which a table left together only follows.
        if (!Touch("2NF", "2NF skipped", $"2NF {root.Id}", "diagram " + root.Id))
        {
            return null;
        }

        answer.Tables.Remove(answer.Table("2NF", DependencyWorld.Named(root.Id)));
        var line = answer.Table("2NF", "Line");
        line.Columns.AddRange(root.All.Skip(1).Select(own => (own, false, false)));
        return new("partial-dependency-left", root.Id);
    }

    private DependencySeed? KeptKnowingly()
    {
        if (TransitiveLeft() is not { } left)
        {
            return null;
        }

        var from = world.Things.First(thing => thing.Next?.Id == left.Words[0]);
        answer.Listed["kept"] = $"3NF: {DependencyWorld.Named(from.Id)} is denormalised, since both are read together";
        return left with { Code = "denormalised-knowingly" };
    }

    private DependencySeed? TransitiveLeft()
    {
        var from = One(world.Things.Where(thing => thing.Next is not null).ToList());
        if (!Touch("3NF", "3NF whole", "diagram " + from.Next!.Id))
        {
            return null;
        }

        var child = answer.Table("3NF", DependencyWorld.Named(from.Next!.Id));
        var parent = answer.Table("3NF", DependencyWorld.Named(from.Id));
        answer.Tables.Remove(child);
        parent.Columns.AddRange(child.Columns.Where(column => !column.Key));
        return new("transitive-dependency-left", from.Next.Id);
    }

    private DependencySeed? Dropped()
    {
        var stage = One(["2NF", "3NF"]);
        var thing = stage == "2NF" ? One(world.Roots) : AnyThing;
        if (!Touch(stage, stage + " whole"))
        {
            return null;
        }

        var table = answer.Table(stage, DependencyWorld.Named(thing.Id));
        var gone = One(thing.Own);
        table.Columns.RemoveAll(column => column.Column == gone);
        return new("stage-attribute-dropped", stage, gone);
    }

    private DependencySeed? NotLeftBehind()
    {
        var from = One(world.Things.Where(thing => thing.Next is not null).ToList());
        if (!Touch("3NF", "3NF whole"))
        {
            return null;
        }

        answer.Table("3NF", DependencyWorld.Named(from.Id)).Columns.RemoveAll(column => column.Column == from.Next!.Id);
        return new("determinant-not-left-behind", from.Next!.Id);
    }

    private DependencySeed? Torn()
    {
        var from = One(world.Things.Where(thing => thing.Next is not null).ToList());
        if (!Touch("3NF", "3NF whole"))
        {
            return null;
        }

        var gone = One(from.Next!.Own);
        answer.Table("3NF", DependencyWorld.Named(from.Next.Id)).Columns.RemoveAll(column => column.Column == gone);
        answer.Tables.Add(new SeedTable("3NF", "Aside", [(from.Id, true, true), (gone, false, false)]));
        return new("dependency-lost", from.Next.Id, gone);
    }

    private DependencySeed? TableKey(string code)
    {
        var stage = One(["2NF", "3NF"]);
        var thing = stage == "2NF" ? One(world.Roots) : AnyThing;
        var table = answer.Tables.Find(one => one.Stage == stage && one.Name == DependencyWorld.Named(thing.Id));
        // A root without a further thing has the same table in both stages: it is asked for once.
        var isAsked = stage == "2NF" || world.Roots.All(root => root.Id != thing.Id) || thing.Next is not null;
        if (table is null || !isAsked || !Touch($"{stage} {thing.Id}") || touched.Contains(stage))
        {
            return null;
        }

        var other = One(thing.Own);
        for (var i = 0; i < table.Columns.Count; i++)
        {
            var (column, key, foreign) = table.Columns[i];
            key = code switch
            {
                "table-key-unmarked" => false,
                "table-key-not-unique" => column == other,
                _ => key || column == other,
            };
            table.Columns[i] = (column, key, foreign);
        }

        touched.Add(stage + " whole");
        touched.Add(stage);
        return new(code, table.Name, stage);
    }

    private DependencySeed? ForeignKey()
    {
        var from = One(world.Things.Where(thing => thing.Next is not null).ToList());
        var table = answer.Tables.Find(one => one.Stage == "3NF" && one.Name == DependencyWorld.Named(from.Id));
        if (table is null || !Touch("3NF", "3NF whole"))
        {
            return null;
        }

        var at = table.Columns.FindIndex(column => column.Column == from.Next!.Id);
        table.Columns[at] = (from.Next!.Id, false, false);
        return new("table-foreign-key-unmarked", from.Next.Id);
    }

    private DependencySeed? TooMany()
    {
        var stage = One(["2NF", "3NF"]);
        var thing = stage == "2NF" ? One(world.Roots) : AnyThing;
        if (!Touch(stage, stage + " whole"))
        {
            return null;
        }

        answer.Tables.Add(new SeedTable(stage, "Extra", [(One(thing.Own), true, false)]));
        return new("table-too-many", stage, "Extra");
    }

    private DependencySeed? ColumnInvented()
    {
        var stage = One(["2NF", "3NF"]);
        if (!answer.Tables.Exists(table => table.Stage == stage) || !Touch($"{stage} Line", stage, stage + " whole"))
        {
            return null;
        }

        answer.Table(stage, "Line").Columns.Add(("barcode stripe", false, false));
        return new("table-column-invented", "barcode stripe");
    }

    private DependencySeed? InOneCell()
    {
        if (world.InOneCell.Length == 0 || !Touch("1NF"))
        {
            return null;
        }

        var columns = answer.Table("1NF", "Form").Columns;
        var at = columns.FindIndex(column => world.InOneCell.Contains(column.Column));
        columns.RemoveAll(column => world.InOneCell.Contains(column.Column));
        columns.Insert(at, (DependencyWorld.Cell, false, false));
        return new("cell-not-atomic", DependencyWorld.Cell);
    }

    private DependencySeed? Stored()
    {
        var stage = One(["1NF", "2NF", "3NF"]);
        if (!answer.Tables.Exists(table => table.Stage == stage) || !Touch(stage, stage + " whole", "calculated"))
        {
            return null;
        }

        answer.Tables.FindLast(table => table.Stage == stage)!.Columns.Add((DependencyWorld.Total, false, false));
        return new("calculated-stored", DependencyWorld.Total);
    }

    // A number takes the place of what identified its rows, which nothing keeps unique any longer.
    private DependencySeed? Numbered()
    {
        var stage = One(["2NF", "3NF"]);
        var thing = stage == "2NF" ? One(world.Roots) : AnyThing;
        if (!answer.Tables.Exists(table => table.Stage == stage) || !Touch(stage, stage + " whole"))
        {
            return null;
        }

        var columns = answer.Table(stage, DependencyWorld.Named(thing.Id)).Columns;
        columns[0] = (columns[0].Column, false, columns[0].Foreign);
        columns.Insert(0, ("register mark", true, false));
        return new("surrogate-without-alternate", "register mark");
    }

    private DependencySeed? Claimed()
    {
        if (!Touch("BCNF", "3NF", "3NF whole", "2NF skipped"))
        {
            return null;
        }

        answer.Tables.AddRange(world.Tables.Where(table => table.Stage == "1NF").Select(table => table with { Stage = "BCNF" }));
        return new("claimed-form-wrong", "BCNF");
    }

    // What the line has and what is kept of a root stand in one box, and in the tables there is only the one of the root.
    private DependencySeed? UnderOneName()
    {
        var (own, fact) = (world.Roots[1].Own[0], world.Facts[0]);
        if (
            !Touch(
                $"arrow {own}",
                $"arrow {fact}",
                "diagram " + world.Roots[1].Id,
                "1NF",
                "2NF",
                "3NF",
                "2NF whole",
                "3NF whole",
                "2NF skipped"
            )
        )
        {
            return null;
        }

        answer.Attributes.Remove(fact);
        answer.Arrows.RemoveAll(arrow => arrow.To == fact);
        answer.Arrows.Add((world.Key, own));
        foreach (var table in answer.Tables)
        {
            table.Columns.RemoveAll(column => column.Column == fact);
            var group = table.Columns.FindIndex(column => column.Column.StartsWith('{'));
            if (group >= 0)
            {
                var kept = table.Columns[group].Column.Trim('{', '}').Split(", ").Where(name => name != fact);
                table.Columns[group] = ($"{{{string.Join(", ", kept)}}}", false, false);
            }
        }

        return new("two-meanings", own, fact);
    }
}
