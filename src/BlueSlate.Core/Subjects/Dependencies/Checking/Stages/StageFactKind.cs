using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages;

/// <summary>What of a stage a fact is about.</summary>
internal abstract record StageFactKind(string Name, int Order) : DependencyFactKind(Name, Order)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) => StagePlan.Of(model).SelectMany(plan => Of(plan, model));

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        var pair = PairOf(fact, drawn);
        return pair.Judged is { } stage
            ? Judge(fact, pair, stage, drawn)
            : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "") { OwnerId = WholeOf(pair.Plan.Stage) };
    }

    /// <summary>The concept that stands for a stage as a whole.</summary>
    public static string WholeOf(Stage stage) => new ConceptId(stage.Tables[0].Id, "stage").ToString();

    /// <summary>What a table that is not there hangs on: what was not split off, else the stage as a whole.</summary>
    protected static string OwnerOf(string table, StagePair pair, JudgedStage stage) =>
        pair.Plan.Splits.FirstOrDefault(split => split.Table.Id == table) is { } split
        && (stage.Kept(split) != split.To || stage.LeftIn(split, pair.Plan).Any())
            ? table
            : WholeOf(pair.Plan.Stage);

    /// <summary>The facts of this kind about a stage.</summary>
    protected abstract IEnumerable<Fact> Of(StagePlan plan, DependencyReading model);

    /// <summary>The verdict on one of them, where the answer has something for its stage.</summary>
    protected abstract Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn);

    /// <summary>The stage that a fact is about.</summary>
    protected virtual StagePair PairOf(Fact fact, DrawnAgainst drawn) =>
        drawn.Stages.PairOf(ConceptId.Of(fact.ConceptId).Element);

    /// <summary>What a fact about a stage says of its place in the answer where no table is better.</summary>
    protected static string PlaceOf(JudgedStage stage) => stage.Tables[0].Drawn.Id;

    /// <summary>The line of a scheme that gathers what is said of a stage.</summary>
    protected static SchemePlace In(string what, int weight, Fact fact) => SchemePlace.In(what, weight, StageOf(fact));

    // The title of the stage stands before what is said of it.
    private static string StageOf(Fact fact) => fact.Title[..fact.Title.IndexOf(':', StringComparison.Ordinal)];

    /// <summary>The title of a fact about a stage.</summary>
    protected static string Titled(StagePlan plan, string what) => $"{plan.Stage.Title.Replace(':', ' ')}: {what}";
}

/// <summary>That a stage is drawn, and is not the one before once more.</summary>
internal sealed record StageDrawnFact() : StageFactKind("stage-drawn", 30)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Form", 2, fact);

    public override Verdict Judge(Fact fact, DrawnAgainst drawn) =>
        PairOf(fact, drawn).Judged is null ? new Verdict(fact, VerdictKind.Absent, null, "") : base.Judge(fact, drawn);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        [New(WholeOf(plan.Stage), WholeOf(plan.Stage), Titled(plan, "drawn"), plan.Stage.Title)];

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var isDone =
            !pair.IsSkipped
            && (pair.Plan.Wanted is null || (pair.Plan.Changes ? !pair.Plan.IsCopiedBy(stage) : stage.Dropped.IsEmpty));
        return new Verdict(fact, isDone ? VerdictKind.Holds : VerdictKind.Wrong, PlaceOf(stage), stage.Stage.Title);
    }
}

/// <summary>That a group of an unnormalised table repeats no longer.</summary>
internal sealed record StageGroupFact() : StageFactKind("stage-group", 35)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Groups", 2, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Groups.Select(group =>
            New(group.Element, group.Element, Titled(plan, $"{model.Say(group.Inner)} a row each"), model.Say(group.Inner))
        );

    protected override StagePair PairOf(Fact fact, DrawnAgainst drawn) =>
        drawn.Stages.Pairs.First(pair => pair.Plan.Groups.Any(group => group.Element == fact.ConceptId));

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var group = pair.Plan.Groups.First(group => group.Element == fact.ConceptId);
        if (stage.Tables.FirstOrDefault(table => table.Repeating.Meets(group.Inner)) is { } left)
        {
            return new Verdict(fact, VerdictKind.Wrong, left.Drawn.Id, left.Drawn.Said);
        }

        // Without the outer key its rows belong to nothing.
        var without = stage.Tables.FirstOrDefault(table => table.All.Meets(group.Inner));
        return without is null ? new Verdict(fact, VerdictKind.Absent, PlaceOf(stage), "")
            : stage.IsLosslessByOwn || (!stage.Dropped.IsEmpty && group.Outer.IsSubsetOf(without.All))
                ? new Verdict(fact, VerdictKind.Holds, without.Drawn.Id, without.Drawn.Said)
            : new Verdict(fact, VerdictKind.Wrong, without.Drawn.Id, without.Drawn.Said, PartlyRight: true);
    }
}

/// <summary>That what stood together in one cell of an unnormalised table has a column each.</summary>
internal sealed record StageCellFact() : StageFactKind("stage-cell", 36)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Cells", 2, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Cells.Select(cell =>
            New(IdOf(cell), cell.Element, Titled(plan, $"{model.Say(cell.Parts)} a column each"), model.Say(cell.Parts))
        );

    protected override StagePair PairOf(Fact fact, DrawnAgainst drawn) =>
        drawn.Stages.Pairs.First(pair => pair.Plan.Cells.Any(cell => IdOf(cell) == fact.ConceptId));

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var parts = CellOf(fact, pair).Parts;
        if (stage.Tables.FirstOrDefault(table => table.HoldsInOneCell(parts)) is { } left)
        {
            return new Verdict(fact, VerdictKind.Wrong, left.Drawn.Id, left.Drawn.Said);
        }

        var there = stage.Parts.Aggregate(AttributeSet.Empty, (all, part) => all | part) & parts;
        return there.IsEmpty
            ? new Verdict(fact, VerdictKind.Absent, PlaceOf(stage), "")
            : new Verdict(
                fact,
                there == parts ? VerdictKind.Holds : VerdictKind.Wrong,
                stage.Tables.First(table => table.All.Meets(there)).Drawn.Id,
                drawn.Model.Say(there),
                PartlyRight: there != parts
            );
    }

    /// <summary>The cell that a fact is about.</summary>
    public static PlannedCell CellOf(Fact fact, StagePair pair) => pair.Plan.Cells.First(cell => IdOf(cell) == fact.ConceptId);

    // A group in braces may hold several.
    private static string IdOf(PlannedCell cell) => new ConceptId(cell.Element, "cell " + cell.Whole).ToString();
}

/// <summary>That what is calculated from other attributes is in no table any more.</summary>
internal sealed record StageCalculatedFact() : StageFactKind("stage-calculated", 37)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Calculated", 1, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Freed.Select(attribute =>
            New(
                new ConceptId(plan.Stage.Tables[0].Id, $"without {model.Attributes[attribute].Id}").ToString(),
                plan.Stage.Tables[0].Id,
                Titled(plan, $"{model.Attributes[attribute].Text} in no table, since it is calculated"),
                model.Attributes[attribute].Text
            )
        );

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn) =>
        stage.Calculated.FirstOrDefault(one => drawn.ModelOf(one.Column.Attribute) == AttributeOf(fact, pair, drawn)) is { } kept
            ? new Verdict(fact, VerdictKind.Wrong, kept.Column.Id, kept.Table.Said)
            : new Verdict(fact, VerdictKind.Holds, PlaceOf(stage), "");

    /// <summary>The attribute that a fact is about.</summary>
    public static int AttributeOf(Fact fact, StagePair pair, DrawnAgainst drawn) =>
        pair.Plan.Freed.First(attribute =>
            fact.ConceptId.EndsWith($"without {drawn.Model.Attributes[attribute].Id}", StringComparison.Ordinal)
        );
}

/// <summary>
/// That what was against the form of a stage has a table of its own: it stands together nowhere else, and is not torn apart.
/// </summary>
internal sealed record StageSplitFact() : StageFactKind("stage-split", 40)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Tables", 6, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Splits.Select(split =>
            New(
                split.Table.Id,
                split.Table.Id,
                Titled(plan, $"{model.Say(split.To)} with {model.Say(split.From)} in a table of its own"),
                model.Say(split.To)
            )
        );

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var split = pair.Plan.Splits.First(split => split.Table.Id == fact.ConceptId);
        var left = stage.LeftIn(split, pair.Plan).FirstOrDefault();
        var kept = stage.Kept(split);
        if (left is null && kept == split.To)
        {
            var table = stage.TableOf(split) ?? stage.Tables[0];
            return new Verdict(fact, VerdictKind.Holds, table.Drawn.Id, table.Drawn.Said);
        }

        if (left is null)
        {
            var holder = stage.Tables.FirstOrDefault(table => table.All.Meets(split.To - kept)) ?? stage.Tables[0];
            return new Verdict(fact, VerdictKind.Wrong, holder.Drawn.Id, holder.Drawn.Said, PartlyRight: !kept.IsEmpty);
        }

        if (left.IsAccountedFor)
        {
            return new Verdict(fact, VerdictKind.Wrong, left.Drawn.Id, left.Drawn.Said, PartlyRight: true);
        }

        // Whoever never drew the arrow could not see it: that is one mistake.
        var unseen = stage.IsSeen(split, left, pair.Plan.Wanted!.Value)
            ? null
            : drawn.Model.Dependencies.FirstOrDefault(arrow =>
                arrow.From.IsSubsetOf(split.From) && split.To.Contains(arrow.To) && !drawn.Implies(arrow)
            );
        return unseen is null
            ? new Verdict(fact, VerdictKind.Wrong, left.Drawn.Id, left.Drawn.Said)
            : new Verdict(fact, VerdictKind.AbsentWithOwner, left.Drawn.Id, left.Drawn.Said) { OwnerId = unseen.Id };
    }
}

/// <summary>That the key which is marked in a table is one of its candidate keys.</summary>
internal sealed record StageKeyFact() : StageFactKind("stage-key", 50)
{
    public override FactSort Sort => FactSort.Key;

    public override SchemePlace PlaceOf(Fact fact) => In("Keys", 3, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        from table in plan.NewTables
        where plan.Wanted is not null && !table.Key.IsEmpty
        let id = new ConceptId(table.Id, "key").ToString()
        select New(id, table.Id, Titled(plan, $"key of {table.Said}"), model.Say(table.Key));

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var wanted = ConceptId.Of(fact.ConceptId).Element;
        if (StagesAgainst.KeyedFor(pair, stage, wanted, drawn) is not { } table)
        {
            return stage.Reaches(pair.Plan)
                ? new Verdict(fact, VerdictKind.HoldsByRestatement, PlaceOf(stage), "")
                : new Verdict(fact, VerdictKind.AbsentWithOwner, PlaceOf(stage), "") { OwnerId = OwnerOf(wanted, pair, stage) };
        }

        var (said, at) = (drawn.Answer.Say(table.Drawn.Key), table.Drawn.Id);
        return drawn.StandingOf(table) switch
        {
            KeyStanding.None => new Verdict(fact, VerdictKind.Absent, at, ""),
            KeyStanding.Candidate => new Verdict(fact, VerdictKind.Holds, at, said),
            KeyStanding.TooLarge => new Verdict(fact, VerdictKind.Wrong, at, said, PartlyRight: true),
            _ => new Verdict(fact, VerdictKind.Wrong, at, said),
        };
    }
}

/// <summary>That what leads to another table is marked as a foreign key.</summary>
internal sealed record StageForeignFact() : StageFactKind("stage-foreign-key", 60)
{
    public override FactSort Sort => FactSort.Key;

    public override SchemePlace PlaceOf(Fact fact) => In("Foreign keys", 2, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        from table in plan.Stage.Tables
        where plan.Wanted is not null
        from key in KeysIn(table, plan)
        select New(
            IdOf(table, key, plan),
            table.Id,
            Titled(plan, $"{model.Say(key)} of {table.Said} a foreign key"),
            model.Say(key)
        );

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var (table, key) = (TableOf(fact, pair), KeyOf(fact, pair));
        var owner = stage.Tables.FirstOrDefault(other =>
            key.IsSubsetOf(other.All)
            && drawn.Model.Stored.Implied.ClosureOf(key) is var all
            && other.All.IsSubsetOf(all)
            && other.All != key
        );
        var holders = stage.Tables.Where(other => other != owner && key.IsSubsetOf(other.All)).ToList();
        if (owner is null || holders.Count == 0)
        {
            return stage.Reaches(pair.Plan)
                ? new Verdict(fact, VerdictKind.HoldsByRestatement, PlaceOf(stage), "")
                : new Verdict(fact, VerdictKind.AbsentWithOwner, PlaceOf(stage), "") { OwnerId = OwnerOf(table.Id, pair, stage) };
        }

        var marked = holders.Find(other => key.IsSubsetOf(other.Foreign));
        return marked is not null
            ? new Verdict(fact, VerdictKind.Holds, marked.Drawn.Id, fact.Value)
            : new Verdict(fact, VerdictKind.Absent, (StagesAgainst.Like(holders, table.All) ?? holders[0]).Drawn.Id, "");
    }

    /// <summary>The attributes that are the foreign key of a fact.</summary>
    public static AttributeSet KeyOf(Fact fact, StagePair pair) =>
        KeysIn(TableOf(fact, pair), pair.Plan).First(key => IdOf(TableOf(fact, pair), key, pair.Plan) == fact.ConceptId);

    private static IEnumerable<AttributeSet> KeysIn(StageTable table, StagePlan plan) =>
        plan
            .Stage.Tables.Where(other => other.Id != table.Id && !other.Key.IsEmpty)
            .Select(other => other.Key)
            .Where(key => key.IsSubsetOf(table.Foreign) && key != table.Key)
            .Distinct();

    private static StageTable TableOf(Fact fact, StagePair pair) =>
        pair.Plan.Stage.Tables.First(table => table.Columns.Any(column => column.Id == ConceptId.Of(fact.ConceptId).Element));

    // Keys of several columns that begin with the same one are counted.
    private static string IdOf(StageTable table, AttributeSet key, StagePlan plan)
    {
        var alike = KeysIn(table, plan).Where(other => other.Count > 1 && other.First() == key.First()).ToList().IndexOf(key);
        return new ConceptId(
            table.ElementOf(key.First()),
            key.Count == 1 ? null
                : alike == 0 ? "together"
                : $"together-{alike + 1}"
        ).ToString();
    }
}

/// <summary>That the tables of a stage join to what they came from, with every attribute.</summary>
internal sealed record StageWholeFact() : StageFactKind("stage-whole", 70)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Form", 2, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Wanted is null ? [] : [New(WholeOf(plan.Stage), WholeOf(plan.Stage), Titled(plan, "nothing lost"), "lossless")];

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        return new Verdict(
            fact,
            !pair.Plan.IsCopiedBy(stage) && stage.IsLosslessByOwn ? VerdictKind.Holds : VerdictKind.Wrong,
            PlaceOf(stage),
            stage.Stage.Title
        );
    }
}

/// <summary>That every table of a stage is in its form, and none is too many.</summary>
internal sealed record StageFormFact() : StageFactKind("stage-form", 80)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Form", 2, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Wanted is null || (plan.Wanted == NormalForm.First && plan.Groups.IsEmpty)
            ? []
            :
            [
                New(
                    WholeOf(plan.Stage),
                    WholeOf(plan.Stage),
                    Titled(plan, $"{FormNames.Of(plan.Wanted.Value)} reached"),
                    FormNames.Short(plan.Wanted.Value)
                ),
            ];

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var said = stage.Form is { } form ? FormNames.Short(form) : "";
        if (stage.Form is null)
        {
            return new Verdict(fact, VerdictKind.NotAssessed, PlaceOf(stage), said);
        }

        var isSome = pair.Plan.Splits.IsEmpty
            ? !pair.Plan.IsCopiedBy(stage)
            : pair.Plan.Splits.Any(split => !stage.LeftIn(split, pair.Plan).Any() && !stage.Kept(split).IsEmpty);
        return !stage.Reaches(pair.Plan) && stage.ReachesByReasons(pair.Plan)
                ? new Verdict(fact, VerdictKind.Wrong, PlaceOf(stage), said, PartlyRight: true)
            : !isSome || !stage.Reaches(pair.Plan) ? new Verdict(fact, VerdictKind.Wrong, PlaceOf(stage), said)
            : stage.TooMany(pair.Plan).Any() ? new Verdict(fact, VerdictKind.Wrong, PlaceOf(stage), said, PartlyRight: true)
            : new Verdict(fact, VerdictKind.Holds, PlaceOf(stage), said);
    }
}

/// <summary>That what the model answer holds together on purpose is together, and that it is said why.</summary>
internal sealed record StageDenormalisedFact() : StageFactKind("stage-denormalised", 85)
{
    public override SchemePlace PlaceOf(Fact fact) => In("Denormalised", 3, fact);

    protected override IEnumerable<Fact> Of(StagePlan plan, DependencyReading model) =>
        plan.Denormalised.Select(table =>
            New(
                new ConceptId(table.Id, "denormalised").ToString(),
                table.Id,
                Titled(plan, $"{table.Said} together on purpose, with a reason"),
                table.Said
            )
        );

    protected override Verdict Judge(Fact fact, StagePair pair, JudgedStage stage, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, pair).All;
        return StagesAgainst.Like(stage.Tables, wanted) is not { } table || !wanted.IsSubsetOf(table.All)
                ? new Verdict(fact, VerdictKind.Absent, PlaceOf(stage), "")
            : table.IsAccountedFor ? new Verdict(fact, VerdictKind.Holds, table.Drawn.Id, table.Drawn.Said)
            : new Verdict(fact, VerdictKind.Wrong, table.Drawn.Id, table.Drawn.Said, PartlyRight: true);
    }

    /// <summary>The table of the model answer that a fact is about.</summary>
    public static StageTable WantedBy(Fact fact, StagePair pair) =>
        pair.Plan.Stage.Tables.First(table => table.Id == ConceptId.Of(fact.ConceptId).Element);
}
