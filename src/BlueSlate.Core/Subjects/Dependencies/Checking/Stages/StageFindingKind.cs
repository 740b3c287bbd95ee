using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages;

/// <summary>A kind of finding about a stage.</summary>
internal abstract class StageFindingKind : DependencyFindingKind
{
    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        comparison.Drawn.Stages.Pairs.SelectMany(pair => pair.Judged is { } stage ? Find(comparison, pair, stage) : []);

    /// <summary>The findings about one stage that the answer has.</summary>
    protected virtual IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) => [];

    /// <summary>The bad verdicts on facts of a kind about a stage.</summary>
    protected static IEnumerable<Verdict> Bad<TKind>(DependencyComparison comparison, StagePair pair)
        where TKind : StageFactKind => comparison.AllBad.Where(verdict => verdict.Fact.Kind is TKind && IsOf(verdict.Fact, pair));

    /// <summary>
    /// The bad verdicts on a stage as a whole: what is amiss with one of its tables is amiss with it, and with an earlier one for which it
    /// stands in.
    /// </summary>
    protected static IEnumerable<string> Whole(DependencyComparison comparison, StagePair pair) =>
        from same in comparison.Drawn.Stages.Pairs
        where same.Judged == pair.Judged
        from verdict in comparison.AllBad
        where verdict.Fact.ConceptId == StageFactKind.WholeOf(same.Plan.Stage)
        where same == pair || verdict.Fact.Kind is not StageDrawnFact
        select verdict.Fact.Id;

    /// <summary>Whether a stage only stands in for one that was left out, and is gone through where it belongs.</summary>
    protected static bool IsToldElsewhere(DependencyComparison comparison, StagePair pair) =>
        pair.IsSkipped && comparison.Drawn.Stages.Pairs.Any(other => !other.IsSkipped && other.Judged == pair.Judged);

    /// <summary>The splits of a stage with a bad verdict, each with what is left together of it, if something is.</summary>
    protected static IEnumerable<(Verdict Verdict, PlannedSplit Split, JudgedTable? Left)> BadSplits(
        DependencyComparison comparison,
        StagePair pair,
        JudgedStage stage
    ) =>
        from verdict in Bad<StageSplitFact>(comparison, pair)
        where verdict.Kind == VerdictKind.Wrong
        let split = pair.Plan.Splits.First(split => split.Table.Id == verdict.Fact.ConceptId)
        select (verdict, split, stage.LeftIn(split, pair.Plan).FirstOrDefault());

    /// <summary>
    /// The tables whose key is marked so, each with the bad verdicts on it and the tables of the model answer that it is.
    /// </summary>
    protected static IEnumerable<(JudgedTable Table, IEnumerable<string> Facts, IEnumerable<string> Tables)> BadKeys(
        DependencyComparison comparison,
        StagePair pair,
        JudgedStage stage,
        KeyStanding standing
    ) =>
        from same in comparison.Drawn.Stages.Pairs
        where same.Judged == pair.Judged && !IsToldElsewhere(comparison, pair)
        from verdict in Bad<StageKeyFact>(comparison, same)
        let wanted = ConceptId.Of(verdict.Fact.ConceptId).Element
        let table = StagesAgainst.KeyedFor(same, stage, wanted, comparison.Drawn)
        where table is not null && comparison.Drawn.StandingOf(table) == standing
        group (verdict.Fact.Id, wanted) by table into bad
        select (bad.Key, bad.Select(one => one.Id), bad.Select(one => one.wanted));

    /// <summary>The bad verdicts on the key of a table.</summary>
    protected static IEnumerable<string> KeysOf(
        JudgedTable table,
        DependencyComparison comparison,
        StagePair pair,
        JudgedStage stage
    ) =>
        from verdict in Bad<StageKeyFact>(comparison, pair)
        let wanted = ConceptId.Of(verdict.Fact.ConceptId).Element
        where StagesAgainst.KeyedFor(pair, stage, wanted, comparison.Drawn) == table
        select verdict.Fact.Id;

    /// <summary>The groups of a stage with a bad verdict.</summary>
    protected static IEnumerable<(Verdict Verdict, PlannedGroup Group)> BadGroups(
        DependencyComparison comparison,
        StagePair pair
    ) =>
        from planned in pair.Plan.Groups
        let verdict = comparison.On(new StageGroupFact(), planned.Element)
        where verdict is { IsBad: true }
        select (verdict, planned);

    /// <summary>A finding about a stage of an answer.</summary>
    protected Finding About(StagePair pair, string concept, string headline) =>
        new()
        {
            Id = IdOf(pair, concept),
            Code = Code,
            Tag = Tag.Differs,
            Headline = headline,
            There = "",
            Wanted = "",
            Why = "",
            ModelElements = [.. pair.Plan.Stage.Tables.Where(table => table.Id == concept).Select(table => table.Id)],
        };

    /// <summary>The id of a finding about a stage.</summary>
    protected string IdOf(StagePair pair, string concept) => IdFor($"{pair.Plan.Stage.Id}/{concept}");

    /// <summary>The tables of a stage in a row: Job, Part and Visitor.</summary>
    protected static string Listed(Stage stage) => Language.Phrasing.List([.. stage.Tables.Select(table => table.Said)]);

    /// <summary>Whether a fact is about a stage.</summary>
    protected static bool IsOf(Fact fact, StagePair pair)
    {
        var element = ConceptId.Of(fact.ConceptId).Element;
        return pair.Plan.Stage.Tables.Any(table => table.Id == element || table.Columns.Any(column => column.Id == element))
            || pair.Plan.Groups.Any(group => group.Element == element)
            || pair.Plan.Cells.Any(cell => cell.Element == element);
    }

    /// <summary>A smallest set of a table's attributes that determines all of them.</summary>
    protected static AttributeSet Smallest(JudgedTable table, DependencyComparison comparison)
    {
        var implied = comparison.Drawn.Model.Stored.Implied;
        return table
            .All.Reverse()
            .Aggregate(table.All, (key, i) =>
                table.All.IsSubsetOf(implied.ClosureOf(key - AttributeSet.Of(i))) ? key - AttributeSet.Of(i) : key
            );
    }
}
