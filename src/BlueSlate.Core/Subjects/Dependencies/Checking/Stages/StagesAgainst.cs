using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages;

/// <summary>A stage of the model answer with what the answer has for it.</summary>
/// <param name="Plan">The stage of the model answer.</param>
/// <param name="Judged">The answer's; null where there is none, nor a later one.</param>
/// <param name="IsSkipped">Whether it is a later one that stands in.</param>
internal sealed record StagePair(StagePlan Plan, JudgedStage? Judged, bool IsSkipped);

/// <summary>The stages of an answer against those of a model answer.</summary>
internal sealed class StagesAgainst
{
    private readonly Dictionary<string, StagePair> byElement = new(StringComparer.Ordinal);
    private readonly Func<int, int?> modelOf;

    /// <summary>Pairs them, by the forms that their titles claim, the others in their order.</summary>
    public StagesAgainst(ImmutableArray<StagePlan> plans, DrawnAgainst drawn)
    {
        modelOf = drawn.ModelOf;
        var judged = drawn.Answer.Stages.Select(stage => new JudgedStage(stage, drawn)).ToList();
        var claimed = new List<JudgedStage?>();
        foreach (var plan in plans)
        {
            var free = judged.Where(stage => !claimed.Contains(stage)).ToList();
            claimed.Add(
                free.Find(stage => IsCalledAlike(stage.Stage, plan)) ?? free.Find(stage => Claims(stage.Stage, plan, plans))
            );
        }

        var unsaid = new Queue<JudgedStage>(judged.Where(stage => stage.Stage is { Claimed: null, IsUnnormalised: false }));
        var pairs = ImmutableArray.CreateBuilder<StagePair>();
        foreach (var (i, plan) in plans.Index())
        {
            var own = claimed[i] ?? (unsaid.TryDequeue(out var next) ? next : null);
            pairs.Add(new StagePair(plan, own ?? Later(judged, plan), own is null));
        }

        Pairs = pairs.ToImmutable();
        Stages = [.. judged];
        foreach (var pair in Pairs)
        {
            foreach (var table in pair.Plan.Stage.Tables)
            {
                byElement[table.Id] = pair;
                foreach (var column in table.Columns)
                {
                    byElement[column.Id] = pair;
                }
            }
        }
    }

    /// <summary>The stages of the model answer, each with the answer's.</summary>
    public ImmutableArray<StagePair> Pairs { get; }

    /// <summary>The stages of the answer that are one of the model answer’s, each with that.</summary>
    public IEnumerable<(StagePlan Plan, JudgedStage Judged)> Own =>
        Pairs.Where(pair => pair is { IsSkipped: false, Judged: not null }).Select(pair => (pair.Plan, pair.Judged!));

    /// <summary>The stages of the answer.</summary>
    public ImmutableArray<JudgedStage> Stages { get; }

    /// <summary>
    /// Stages that nobody asked for, under the title of a form that their tables are not in. Where one stands in for a stage that was left
    /// out and does not reach that either, that is said of it.
    /// </summary>
    public IEnumerable<JudgedStage> FalseClaims =>
        Stages.Where(stage =>
            stage.Stage.Claimed > stage.FormApart
            && Pairs
                .Where(pair => pair.Judged == stage)
                .All(pair => pair.IsSkipped && (pair.Plan.Wanted is null || stage.Reaches(pair.Plan)))
        );

    /// <summary>What is calculated and stands in a stage again, after one from which it had to go and went.</summary>
    public IEnumerable<(StagePair Pair, StoredColumn Column)> BroughtBack
    {
        get
        {
            var told = new HashSet<int>();
            foreach (var pair in Pairs.Where(pair => pair is { IsSkipped: false, Judged: not null }))
            {
                foreach (var stored in pair.Judged!.Calculated)
                {
                    var attribute = modelOf(stored.Column.Attribute)!.Value;
                    if (pair.Plan.Absent.Contains(attribute) && told.Add(attribute) && !pair.Plan.Freed.Contains(attribute))
                    {
                        yield return (pair, stored);
                    }
                }
            }
        }
    }

    /// <summary>The concept that stands for what the title of a stage claims.</summary>
    public static string ClaimOf(JudgedStage stage) => new ConceptId(stage.Stage.Tables[0].Id, "claim").ToString();

    /// <summary>The tables and columns of the model answer that the answer has in the same stage.</summary>
    public IEnumerable<(string Model, string Answer)> InPlace =>
        from pair in Pairs
        let stage = pair.IsSkipped ? null : pair.Judged
        where stage is not null
        from table in pair.Plan.Stage.Tables
        let same = TableFor(pair, stage, table.Id)
        where same is not null
        from found in Within(table, same)
        select found;

    /// <summary>The pair of which an element of the model answer is a table or a line of one.</summary>
    public StagePair PairOf(string element) => byElement[element];

    /// <summary>What of a stage of the answer is a table of the model answer: by what it is for, else by what it has.</summary>
    public static JudgedTable? TableFor(StagePair pair, JudgedStage stage, string table)
    {
        if (pair.Plan.Splits.FirstOrDefault(split => split.Table.Id == table) is { } split)
        {
            return stage.TableOf(split);
        }

        var wanted = pair.Plan.Stage.Tables.First(one => one.Id == table).All;
        var free = stage.Tables.Where(one => pair.Plan.Splits.All(split => stage.TableOf(split) != one));
        return Like(
            [.. free.Where(one => !pair.Plan.Changes || !pair.Plan.Before.Contains(one.All) || one.All == wanted)],
            wanted
        );
    }

    /// <summary>
    /// Where the key of a table of the model answer is to be looked for: in the table that is it; in a stage of other tables that are as
    /// good, in the first whose key is not right.
    /// </summary>
    public static JudgedTable? KeyedFor(StagePair pair, JudgedStage stage, string table, DrawnAgainst drawn) =>
        TableFor(pair, stage, table)
        ?? (stage.Reaches(pair.Plan) ? stage.Tables.FirstOrDefault(one => drawn.StandingOf(one) != KeyStanding.Candidate) : null);

    /// <summary>The table that has most in common with these attributes, if that is more than half of both.</summary>
    public static JudgedTable? Like(IReadOnlyList<JudgedTable> tables, AttributeSet wanted) =>
        tables.Where(table => IsLike(table, wanted)).MaxBy(table => (table.All & wanted).Count - (table.All - wanted).Count);

    /// <summary>Whether a table has more in common with these attributes than either has alone.</summary>
    public static bool IsLike(JudgedTable table, AttributeSet wanted) =>
        2 * (table.All & wanted).Count > (table.All | wanted).Count;

    private static IEnumerable<(string Model, string Answer)> Within(StageTable table, JudgedTable same)
    {
        yield return (table.Id, same.Drawn.Id);
        foreach (var column in table.Columns)
        {
            if (same.ElementsOf(AttributeSet.Of(column.Attribute)).FirstOrDefault() is { } id)
            {
                yield return (column.Id, id);
            }
        }
    }

    private static bool IsCalledAlike(Stage stage, StagePlan plan) =>
        stage.IsUnnormalised == plan.Wanted is null && Name.Of(stage.Title).Key == Name.Of(plan.Stage.Title).Key;

    // A stage whose title claims nothing is known by its form only where no other is to reach that.
    private static bool Claims(Stage stage, StagePlan plan, ImmutableArray<StagePlan> plans) =>
        plan.Wanted is null ? stage.IsUnnormalised
        : stage.IsUnnormalised || stage.Claimed != plan.Wanted ? false
        : plan.Stage.Claimed is not null || !plans.Any(other => other != plan && other.Stage.Claimed == plan.Wanted);

    // What claims more stands in for what was skipped; nothing does for what was to be put together again.
    private static JudgedStage? Later(List<JudgedStage> judged, StagePlan plan) =>
        plan.Denormalised.Any()
            ? null
            : judged.Where(stage => stage.Stage.Claimed > plan.Wanted).MinBy(stage => stage.Stage.Claimed);
}
