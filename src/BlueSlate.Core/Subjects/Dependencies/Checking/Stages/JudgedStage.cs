using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages;

/// <summary>A column of an answer's table.</summary>
/// <param name="Drawn">The column.</param>
/// <param name="Model">Its number in the model answer, or null.</param>
/// <param name="Whole">The cell of which it is a part, together with others; empty where it has one of its own.</param>
internal readonly record struct JudgedColumn(StageColumn Drawn, int? Model, string Whole = "");

/// <summary>A table of an answer, in the attributes of the model answer.</summary>
/// <param name="Drawn">The table.</param>
/// <param name="Columns">Its columns.</param>
internal sealed record JudgedTable(StageTable Drawn, ImmutableArray<JudgedColumn> Columns)
{
    /// <summary>Its attributes that the model answer has.</summary>
    public AttributeSet All { get; } = Of(Columns);

    /// <summary>Whether it is said, with a reason, that it holds together on purpose what could be apart.</summary>
    public bool IsAccountedFor => Drawn.Denormalised is { IsAccountedFor: true };

    /// <summary>Those of its marked key.</summary>
    public AttributeSet Key { get; } = Of(Columns.Where(column => column.Drawn.IsInKey));

    /// <summary>Those that are marked as foreign keys.</summary>
    public AttributeSet Foreign { get; } = Of(Columns.Where(column => column.Drawn.IsForeign));

    /// <summary>Those that repeat within one row.</summary>
    public AttributeSet Repeating { get; } = Of(Columns.Where(column => column.Drawn.IsRepeating));

    /// <summary>Its columns that hold several attributes in one cell.</summary>
    public IEnumerable<IGrouping<(string Id, string Whole), JudgedColumn>> Cells =>
        Columns.Where(column => column.Whole.Length > 0).GroupBy(column => (column.Drawn.Id, column.Whole));

    /// <summary>Whether two of these attributes or more share a cell.</summary>
    public bool HoldsInOneCell(AttributeSet parts) =>
        Cells.Any(cell => cell.Count(column => column.Model is { } model && parts.Contains(model)) > 1);

    /// <summary>Its columns that the model answer has nowhere.</summary>
    public IEnumerable<StageColumn> Strange => Columns.Where(column => column.Model is null).Select(column => column.Drawn);

    /// <summary>The lines of text that name these attributes.</summary>
    public IEnumerable<string> ElementsOf(AttributeSet attributes) =>
        Columns
            .Where(column => column.Model is { } model && attributes.Contains(model))
            .Select(column => column.Drawn.Id)
            .Distinct(StringComparer.Ordinal);

    private static AttributeSet Of(IEnumerable<JudgedColumn> columns) =>
        AttributeSet.Of(columns.Select(column => column.Model).OfType<int>());
}

/// <summary>A column of a table that is calculated from others.</summary>
internal sealed record StoredColumn(StageTable Table, StageColumn Column);

/// <summary>A stage of an answer, in the attributes of the model answer, as far as that decides.</summary>
internal sealed class JudgedStage
{
    private readonly DependencySet given;
    private readonly ImmutableArray<Dependency> sound;
    private readonly Lazy<bool> losslessByOwn;
    private readonly bool takesReasons;

    /// <summary>A stage of an answer.</summary>
    /// <param name="stage">The stage.</param>
    /// <param name="drawn">The diagram before it.</param>
    public JudgedStage(Stage stage, DrawnAgainst drawn)
    {
        Stage = stage;
        given = drawn.Model.Stored;
        var arrows = drawn
            .Arrows.Where(arrow => !arrow.IsMultivalued && (arrow.From | AttributeSet.Of(arrow.To)).IsSubsetOf(given.All))
            .ToLookup(arrow => arrow.IsSound, arrow => arrow.Dependency);
        sound = [.. arrows[true]];
        takesReasons = drawn.TakesReasons;
        // Asked for at every fact of a stage, and worked out once.
        losslessByOwn = new(() =>
            Dropped.IsEmpty
            && Chase.Of(Parts, given with { Functional = [.. given.Functional, .. arrows[false]] }).Lossless != false
        );
        Calculated =
        [
            .. stage.Tables.SelectMany(table =>
                table.Columns.Where(IsCalculated).Select(column => new StoredColumn(table, column))
            ),
        ];
        var stored = stage.Without(AttributeSet.Of(Calculated.Select(one => one.Column.Attribute)));
        var (natural, surrogates) = Surrogates.TakenBack(
            stored,
            i => drawn.ModelOf(i) is not null || i < drawn.Answer.Laid,
            KeyOf
        );
        Numbers = surrogates;
        Tables = [.. natural.Tables.Select(table => Judged(table, drawn))];
        Parts = [.. Tables.Select(table => table.All)];
        Dropped = given.All - Parts.Aggregate(AttributeSet.Empty, (all, part) => all | part);
        Form = StageForms.Of(Parts, given);
        Chased = Chase.Of(Parts, given);

        bool IsCalculated(StageColumn column) =>
            drawn.ModelOf(column.Attribute) is { } model && drawn.Model.Calculated.Contains(model);

        // By what the model answer implies, in the answer's attributes.
        AttributeSet KeyOf(StageTable table)
        {
            AttributeSet In(AttributeSet set) => AttributeSet.Of(set.Select(drawn.ModelOf).OfType<int>());
            var key = Surrogates.KeyAmong(In(table.All), In(table.Alternate), given.Implied);
            return AttributeSet.Of(table.All.Where(i => drawn.ModelOf(i) is { } model && key.Contains(model)));
        }
    }

    /// <summary>The stage as drawn.</summary>
    public Stage Stage { get; }

    /// <summary>Its tables, without what is calculated, and with natural keys in place of numbers of their own.</summary>
    public ImmutableArray<JudgedTable> Tables { get; }

    /// <summary>Its columns that are calculated from others.</summary>
    public ImmutableArray<StoredColumn> Calculated { get; }

    /// <summary>The numbers that tables of it were given for their keys.</summary>
    public ImmutableArray<Surrogate> Numbers { get; }

    /// <summary>Their attributes.</summary>
    public ImmutableArray<AttributeSet> Parts { get; }

    /// <summary>The attributes that no table has.</summary>
    public AttributeSet Dropped { get; }

    /// <summary>The lowest form of its tables; null where that is too much work to decide.</summary>
    public NormalForm? Form { get; }

    /// <summary>The chase of its tables.</summary>
    public ChaseResult Chased { get; }

    /// <summary>
    /// Whether no attribute is dropped and the tables join to what they came from, by the model answer’s dependencies or with the
    /// answer’s own arrows taken as true.
    /// </summary>
    public bool IsLosslessByOwn => losslessByOwn.Value;

    /// <summary>
    /// Whether it is in the form that a plan wants and loses nothing, whatever its tables are: by the answer’s own true arrows too, where
    /// anything was split. What may be together in a plan keeps it from no form.
    /// </summary>
    public bool Reaches(StagePlan plan) => Reaches(plan, [.. Tables.Where(table => !IsAllowed(table, plan))]);

    /// <summary>Whether it would be if every reason were good that it gives for what it holds together.</summary>
    public bool ReachesByReasons(StagePlan plan) => Reaches(plan, Apart);

    /// <summary>Its tables but those for which a reason is given.</summary>
    public ImmutableArray<JudgedTable> Apart => Tables.RemoveAll(table => table.IsAccountedFor);

    /// <summary>The lowest form of those; null where that is too much work to decide, the highest where there are none.</summary>
    public NormalForm? FormApart => FormOf(Apart, given);

    /// <summary>
    /// Whether a table may hold together what the form of a plan forbids: a reason is given, and the plan holds much the same together.
    /// </summary>
    public bool IsAllowed(JudgedTable table, StagePlan plan) =>
        table.IsAccountedFor && (takesReasons || plan.Denormalised.Any(own => StagesAgainst.IsLike(table, own.All)));

    /// <summary>What of a split is determined within single tables still.</summary>
    public AttributeSet Kept(PlannedSplit split) =>
        split.To
        & (
            split.IsMultivalued
                ? Parts.Where(split.From.IsSubsetOf).Aggregate(AttributeSet.Empty, (all, part) => all | part)
                : Preservation.Reached(split.From, Parts, given)
        );

    /// <summary>
    /// The tables in which something that was to be split stands together still, against the form of a plan; what the plan allows not
    /// among them.
    /// </summary>
    public IEnumerable<JudgedTable> LeftIn(PlannedSplit split, StagePlan plan) =>
        Tables.Where(table =>
            split.From.IsSubsetOf(table.All)
            && !IsAllowed(table, plan)
            && StageForms
                .Against(table.All, plan.Wanted!.Value, given)
                .Any(against => against.From.IsSubsetOf(Closed(split.From)) && against.To.Meets(split.To))
        );

    /// <summary>Whether the answer’s own true arrows show that something stands together in a table that may not.</summary>
    public bool IsSeen(PlannedSplit split, JudgedTable table, NormalForm form) =>
        StageForms
            .Against(table.All, form, given with { Functional = sound })
            .Any(against => against.From.IsSubsetOf(Closed(split.From)) && against.To.Meets(split.To));

    /// <summary>The table whose key is what determines in a split.</summary>
    public JudgedTable? TableOf(PlannedSplit split) =>
        Tables
            .Where(table =>
                split.From.IsSubsetOf(table.All)
                && table.All.Meets(split.To)
                && StageForms.Determines(split.From, table.All, given, split.IsMultivalued)
            )
            .MaxBy(table => (table.All & split.To).Count);

    /// <summary>
    /// Tables without which the stage is as good: in another altogether, or one with another of an equivalent key. None where the model
    /// answer has as many.
    /// </summary>
    public IEnumerable<JudgedTable> TooMany(StagePlan plan)
    {
        // What has lost its columns to nowhere, or to another table, is not too many: it has too little.
        var wanting = plan.Splits.Aggregate(Dropped, (all, split) => all | (split.To - Kept(split)));
        var spare = StageForms.Spare(Parts, given).Where(i => !Closed(Parts[i]).Meets(wanting)).ToList();
        return spare.Count > plan.Spare ? spare.Select(i => Tables[i]) : [];
    }

    /// <summary>Whether two tables have equivalent keys and would be one of a form as high.</summary>
    public bool AreOne(JudgedTable one, JudgedTable other) => StageForms.AreOne(one.All, other.All, Form, given);

    private bool Reaches(StagePlan plan, ImmutableArray<JudgedTable> judged) =>
        (FormOf(judged, given) >= plan.Wanted || (Tables.Length > 1 && FormByOwn(judged) >= plan.Wanted))
        && IsLosslessByOwn
        && Tables.All(table => table.Repeating.IsEmpty && !(plan.IsFirst && table.Cells.Any()));

    // If only the answer's own arrows held that are true.
    private NormalForm? FormByOwn(ImmutableArray<JudgedTable> judged) => FormOf(judged, given with { Functional = sound });

    private NormalForm? FormOf(ImmutableArray<JudgedTable> judged, DependencySet by) =>
        judged.IsEmpty ? NormalForm.Fourth
        : by == given && judged.Length == Tables.Length ? Form
        : StageForms.Of([.. judged.Select(table => table.All)], by);

    private AttributeSet Closed(AttributeSet set) => given.Implied.ClosureOf(set);

    private static JudgedTable Judged(StageTable table, DrawnAgainst drawn) =>
        new(table, [.. table.Columns.SelectMany(column => Judged(column, drawn))]);

    // What the model answer takes apart and stands in one cell still is all of its parts.
    private static IEnumerable<JudgedColumn> Judged(StageColumn column, DrawnAgainst drawn) =>
        drawn.ModelOf(column.Attribute) is { } model ? [new JudgedColumn(column, model, column.Whole)]
        : drawn.CellCalled(column.Name) is { } cell ? cell.Parts.Select(part => new JudgedColumn(column, part, cell.Whole))
        : [new JudgedColumn(column, null)];
}
