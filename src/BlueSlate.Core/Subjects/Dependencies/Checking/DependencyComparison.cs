using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Checking.Stages;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>The kinds of extras of a dependency diagram.</summary>
internal static class DependencyExtras
{
    /// <summary>An attribute that the model answer has not.</summary>
    public static readonly ExtraKind Attribute = new("Invented attribute");

    /// <summary>An arrow that the model answer does not imply, or that says nothing new.</summary>
    public static readonly ExtraKind Arrow = new("Arrow");

    /// <summary>A table that a stage does not need.</summary>
    public static readonly ExtraKind Table = new("Table");

    /// <summary>What is listed as a candidate key and is none.</summary>
    public static readonly ExtraKind Key = new("Listed key");

    /// <summary>A column of a table that is none of the attributes.</summary>
    public static readonly ExtraKind Column = new("Column");

    /// <summary>A number of its own that a table was given, where what identified its rows is unique no longer.</summary>
    public static readonly ExtraKind Number = new("Number of its own");

    /// <summary>A form that a stage claims which nobody asked for, and is not in.</summary>
    public static readonly ExtraKind Claim = new("Claimed form");
}

/// <summary>A dependency diagram held against a model answer.</summary>
internal sealed class DependencyComparison(DrawnAgainst drawn, ImmutableArray<Verdict> verdicts)
    : Comparison(verdicts, ExtrasOf(drawn))
{
    /// <summary>The answer in the model answer's attributes.</summary>
    public DrawnAgainst Drawn => drawn;

    /// <summary>Whether a reason counts is for a person to say: that it does is likely, and never the likeliest.</summary>
    public override double Cost => drawn.TakesReasons ? double.PositiveInfinity : AllBad.Length + Extras.Length;

    /// <inheritdoc />
    public override ImmutableArray<string> Unsure => [];

    /// <inheritdoc />
    public override IEnumerable<NamedThing> ModelThings => ThingsOf(drawn.Model);

    /// <inheritdoc />
    public override IEnumerable<NamedThing> AnswerThings => ThingsOf(drawn.Answer);

    /// <inheritdoc />
    public override IEnumerable<StandIn> StandIns =>
        InPlace
            .Where(pair => drawn.Model.LaidOut.Any(attribute => attribute.Id == pair.Key))
            .Select(pair => new StandIn(pair.Key, pair.Value, ""))
            .OrderBy(pair => pair.ModelId, StringComparer.Ordinal);

    /// <inheritdoc />
    public override ImmutableSortedDictionary<string, string> Counterparts =>
        InPlace.ToImmutableSortedDictionary(StringComparer.Ordinal);

    /// <inheritdoc />
    public override IReadOnlyDictionary<string, string> InPlace { get; } =
        drawn
            .Model.LaidOut.Select((attribute, i) => (attribute.Id, Answer: drawn.AnswerTo(i)?.Id))
            .Concat(drawn.Model.Dependencies.Select(arrow => (arrow.Id, Answer: drawn.SameArrow(arrow)?.Id)))
            .Concat(drawn.Stages.InPlace.Select(pair => (Id: pair.Model, Answer: (string?)pair.Answer)))
            .Where(pair => pair.Answer is not null)
            .DistinctBy(pair => pair.Id)
            .ToDictionary(pair => pair.Id, pair => pair.Answer!, StringComparer.Ordinal);

    /// <summary>Dependencies that are not drawn, and follow from what is.</summary>
    public override ImmutableArray<string> SaidAnotherWay =>
        [
            .. drawn
                .Model.Dependencies.Where(arrow =>
                    On(new DependencyFact(), arrow.Id) is { Kind: VerdictKind.Holds } && drawn.SameArrow(arrow) is null
                )
                .Select(arrow =>
                    $"That {drawn.Model.Say(arrow.From)} {arrow.Verb} {drawn.Model.Attributes[arrow.To].Text} follows "
                    + "from the arrows that are drawn."
                ),
        ];

    /// <inheritdoc />
    public override string KeyOf(Extra extra) =>
        drawn.Arrows.FirstOrDefault(arrow => arrow.Id == extra.AnswerId) is { } arrow
            ? $"{drawn.Model.Say(arrow.From)} → {drawn.Model.Attributes[arrow.To].Text}"
            : Name.Of(extra.Name).Key;

    /// <inheritdoc />
    public override IEnumerable<string> NearTo(Extra extra) =>
        drawn.Arrows.FirstOrDefault(arrow => arrow.Id == extra.AnswerId) is { } arrow
            ? arrow.From.Append(arrow.To).Distinct().Select(i => drawn.Model.Attributes[i].Id)
            : [];

    /// <inheritdoc />
    public override IEnumerable<(FindingKind Kind, Finding Finding)> Propose(IReadOnlyList<FindingKind> kinds) =>
        kinds
            .OfType<DependencyFindingKind>()
            .OrderBy(kind => kind.Rank)
            .SelectMany(kind => kind.Find(this).Select(finding => ((FindingKind)kind, finding)));

    /// <summary>The bad verdicts on arrows, each with the arrow of the model answer.</summary>
    public IEnumerable<(Verdict Verdict, DrawnDependency Arrow)> BadArrows =>
        AllBad
            .Where(verdict => verdict.Fact.Kind is DependencyFact)
            .Select(verdict => (verdict, drawn.ModelArrow(verdict.Fact.ConceptId)));

    /// <summary>
    /// The bad verdicts on what an arrow points to that would be good without what contradicts them, this arrow among it.
    /// </summary>
    public IEnumerable<string> Contradicted(JudgedArrow arrow) =>
        BadArrows
            .Where(bad =>
                bad.Arrow.To == arrow.To && !arrow.IsSound && bad.Verdict.Kind == VerdictKind.Wrong && drawn.Implies(bad.Arrow)
            )
            .Select(bad => bad.Verdict.Fact.Id);

    /// <summary>What the answer calls a set of the model answer's attributes, in running text.</summary>
    public string Say(AttributeSet set) => Phrasing.List([.. set.Select(Say)]);

    /// <summary>What the answer calls an attribute of the model answer; the model answer's word where it has it not.</summary>
    public string Say(int attribute) => drawn.AnswerTo(attribute)?.Text ?? drawn.Model.Attributes[attribute].Text;

    private static IEnumerable<NamedThing> ThingsOf(DependencyReading reading) =>
        reading.LaidOut.Select(attribute => new NamedThing(attribute.Id, attribute.Name.Text, null));

    /// <summary>The id of what a note of the answer lists as a key.</summary>
    public static string KeyOf(ListedSet key, DrawnAgainst drawn) =>
        new ConceptId(key.Note, string.Join('+', drawn.Answer.NamesIn(key))).ToString();

    private static ImmutableArray<Extra> ExtrasOf(DrawnAgainst drawn) =>
        [
            .. drawn
                .Answer.LaidOut.Where((_, i) => drawn.ModelOf(i) is null)
                .Select(attribute => new Extra(DependencyExtras.Attribute, attribute.Id, null, attribute.Name.Text)),
            .. drawn
                .Arrows.Where(arrow => !arrow.IsSound || arrow.IsTrivial || drawn.IsRedundant(arrow))
                .Select(arrow => new Extra(
                    DependencyExtras.Arrow,
                    arrow.Id,
                    null,
                    $"{drawn.Model.Say(arrow.From)} → {drawn.Model.Attributes[arrow.To].Text}"
                )),
            .. drawn.Strange.Select(arrow => new Extra(
                DependencyExtras.Arrow,
                arrow.Id,
                null,
                $"{drawn.Answer.Say(arrow.From)} → {drawn.Answer.Attributes[arrow.To].Text}"
            )),
            .. drawn.FalseKeys.Select(key => new Extra(
                DependencyExtras.Key,
                KeyOf(key, drawn),
                key.Note,
                string.Join(" + ", drawn.Answer.NamesIn(key))
            )),
            .. drawn
                .Stages.Own.SelectMany(own => own.Judged.TooMany(own.Plan))
                .Select(table => new Extra(DependencyExtras.Table, table.Drawn.Id, null, table.Drawn.Name)),
            .. drawn
                .Stages.Own.SelectMany(own => own.Judged.Tables)
                .SelectMany(table => drawn.NowhereIn(table).Select(column => (table, column)))
                .Select(pair => new Extra(DependencyExtras.Column, pair.column.Id, pair.table.Drawn.Id, pair.column.Name.Text)),
            .. drawn.Stages.BroughtBack.Select(one => new Extra(
                DependencyExtras.Column,
                one.Column.Column.Id,
                one.Column.Table.Id,
                one.Column.Column.Name.Text
            )),
            .. drawn
                .Stages.Own.SelectMany(own => own.Judged.Numbers.Where(number => !number.HasAlternate))
                .Select(number => new Extra(DependencyExtras.Number, number.Column.Id, number.Table.Id, number.Column.Name.Text)),
            .. drawn.Stages.FalseClaims.Select(stage => new Extra(
                DependencyExtras.Claim,
                StagesAgainst.ClaimOf(stage),
                null,
                stage.Stage.Title
            )),
        ];
}

/// <summary>A kind of finding about a dependency diagram. One class a kind, found by its type.</summary>
internal abstract class DependencyFindingKind : FindingKind
{
    /// <summary>All kinds, in the order of their codes.</summary>
    public static IReadOnlyList<DependencyFindingKind> OfDependencies { get; } =
    [
        .. typeof(DependencyFindingKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(DependencyFindingKind)) && !type.IsAbstract)
            .Select(type => (DependencyFindingKind)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(kind => kind.Code, StringComparer.Ordinal),
    ];

    /// <summary>The findings that this kind proposes.</summary>
    public abstract IEnumerable<Finding> Find(DependencyComparison comparison);

    /// <summary>Two rows that show a finding; null where rows show nothing of it.</summary>
    public virtual Example? Show(DependencyComparison comparison, Finding finding) => null;

    /// <summary>Elements of a set of attributes in the answer.</summary>
    protected static IEnumerable<string> ElementsOf(DependencyComparison comparison, IEnumerable<int> attributes) =>
        attributes.Select(i => comparison.Drawn.AnswerTo(i)?.Id).OfType<string>();

    /// <summary>The verb of so many attributes.</summary>
    protected static string Verb(AttributeSet from, string one = "determines", string several = "determine") =>
        from.Count == 1 ? one : several;
}
