using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Checking.Stages;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>An arrow of an answer, in the attributes of the model answer.</summary>
/// <param name="Id">Its id in the answer.</param>
/// <param name="From">Its determinant.</param>
/// <param name="To">What it determines.</param>
/// <param name="IsMultivalued">Whether it has a double head.</param>
/// <param name="IsSound">Whether the model answer implies it.</param>
/// <param name="Elements">What draws it.</param>
internal sealed record JudgedArrow(
    string Id,
    AttributeSet From,
    int To,
    bool IsMultivalued,
    bool IsSound,
    ImmutableArray<string> Elements
)
{
    /// <summary>What is written at it.</summary>
    public DependencyLetter Letter { get; init; }

    /// <summary>Whether it says nothing.</summary>
    public bool IsTrivial => From.Contains(To);

    /// <summary>As a dependency.</summary>
    public Dependency Dependency => new(From, AttributeSet.Of(To));
}

/// <summary>What the marked key is by the model answer.</summary>
internal enum KeyStanding
{
    /// <summary>Nothing is marked.</summary>
    None,

    /// <summary>It does not determine everything.</summary>
    NotUnique,

    /// <summary>It does, and so does a part of it.</summary>
    TooLarge,

    /// <summary>It is a candidate key.</summary>
    Candidate,
}

/// <summary>A dependency diagram in the terms of the model answer: which arrows follow from it, and what follows from those.</summary>
internal sealed class DrawnAgainst
{
    private readonly Dictionary<string, int> modelIndex;
    private readonly Dictionary<string, DrawnDependency> modelArrows;
    private readonly AttributePairs pairs;
    private readonly Closure sound;
    private readonly DependencySet soundSet;
    private readonly ImmutableArray<StagePlan> plans;

    /// <summary>An answer in the terms of a model answer.</summary>
    /// <param name="model">The model answer.</param>
    /// <param name="answer">The answer.</param>
    /// <param name="pairs">Which attributes are the same.</param>
    /// <param name="plans">What the stages of the model answer do.</param>
    /// <param name="takesReasons">Whether every reason is taken for good that is given for tables put together on purpose.</param>
    public DrawnAgainst(
        DependencyReading model,
        DependencyReading answer,
        AttributePairs pairs,
        ImmutableArray<StagePlan> plans,
        bool takesReasons = false
    )
    {
        TakesReasons = takesReasons;
        (Model, Answer, this.pairs, this.plans) = (model, answer, pairs, plans);
        modelIndex = Enumerable.Range(0, model.Laid).ToDictionary(i => model.Attributes[i].Id, StringComparer.Ordinal);
        modelArrows = model.Dependencies.ToDictionary(arrow => arrow.Id, StringComparer.Ordinal);
        Arrows = [.. answer.Dependencies.Where(IsKnown).Select(Judged)];
        Strange = [.. answer.Dependencies.Where(arrow => !IsKnown(arrow))];
        sound = new Closure(SoundArrows(false));
        soundSet = new DependencySet(Model.Set.Attributes, SoundArrows(false), SoundArrows(true));
        KeyStanding = StandingOfKey();
        Stages = new StagesAgainst(plans, this);
    }

    /// <summary>Whether every reason is taken for good that is given for tables put together on purpose.</summary>
    public bool TakesReasons { get; }

    public DependencyReading Model { get; }

    public DependencyReading Answer { get; }

    /// <summary>The arrows between attributes that the model answer has.</summary>
    public ImmutableArray<JudgedArrow> Arrows { get; }

    /// <summary>The arrows at attributes that it has not.</summary>
    public ImmutableArray<DrawnDependency> Strange { get; }

    public KeyStanding KeyStanding { get; }

    /// <summary>The attributes of the model answer that are marked as the key.</summary>
    public AttributeSet MarkedKey => AttributeSet.Of(Answer.Key.Select(ModelOf).OfType<int>());

    /// <summary>Its stages.</summary>
    public StagesAgainst Stages { get; }

    /// <summary>What the marked key of a table is by the model answer; what repeats in a row is not identified by it.</summary>
    public KeyStanding StandingOf(JudgedTable table) =>
        StandingOf(table.Key, table.Strange.Count(column => column.IsInKey), table.All - table.Repeating);

    /// <summary>
    /// What the answer lists as candidate keys, where the model answer lists them, and what is none by the model answer.
    /// </summary>
    public IEnumerable<ListedSet> FalseKeys =>
        Model.Listed.Keys.IsEmpty ? [] : Answer.Listed.Keys.Where(key => StandingOf(key) != KeyStanding.Candidate);

    /// <summary>What attributes that a note lists as a key are by the model answer.</summary>
    public KeyStanding StandingOf(ListedSet listed)
    {
        var known = InModel(listed);
        return StandingOf(known, listed.Attributes.Count - known.Count + listed.Strange.Length, Model.Set.All);
    }

    /// <summary>Attributes that a note of the answer lists, as those of the model answer.</summary>
    public AttributeSet InModel(ListedSet listed) => AttributeSet.Of(listed.Attributes.Select(ModelOf).OfType<int>());

    /// <summary>What a note of the answer says that a set determines, in those; null where it speaks of others too.</summary>
    public Dependency? InModel((ListedSet From, ListedSet To) arrow)
    {
        bool IsKnown(ListedSet set) => set.Strange.IsEmpty && set.Attributes.All(i => ModelOf(i) is not null);
        return IsKnown(arrow.From) && IsKnown(arrow.To) ? new Dependency(InModel(arrow.From), InModel(arrow.To)) : null;
    }

    /// <summary>Rows of the scenario whose columns are attributes of the model answer; null where there are none.</summary>
    public ColumnRows? Rows { get; init; }

    /// <summary>The number of an attribute of the model answer.</summary>
    public int ModelIndex(string id) => modelIndex[id];

    /// <summary>An arrow of the model answer.</summary>
    public DrawnDependency ModelArrow(string id) => modelArrows[id];

    /// <summary>What of the answer is an attribute of the model answer, or null.</summary>
    public DrawnAttribute? AnswerTo(int attribute) =>
        attribute < Model.Laid && pairs.Answers[attribute] is { } paired ? Answer.Attributes[paired] : null;

    /// <summary>The first attribute of an arrow of the model answer that the answer has not laid out, or null.</summary>
    public DrawnAttribute? Unlaid(DrawnDependency arrow) =>
        arrow.From.Append(arrow.To).Where(i => pairs.Answers[i] is null).Select(i => Model.Attributes[i]).FirstOrDefault();

    /// <summary>The number that an attribute of the answer has in the model answer, or null.</summary>
    public int? ModelOf(int answer) => pairs.Models[answer];

    /// <summary>The arrow of the answer that is one of the model answer, or null.</summary>
    public JudgedArrow? SameArrow(DrawnDependency wanted) =>
        Arrows.FirstOrDefault(arrow =>
            arrow.From == wanted.From && arrow.To == wanted.To && arrow.IsMultivalued == wanted.IsMultivalued
        );

    /// <summary>What a set determines by the answer's arrows that the model answer implies.</summary>
    public AttributeSet SoundClosure(AttributeSet set) => sound.Of(set);

    /// <summary>Whether one of the model answer's arrows follows from those of the answer that it implies.</summary>
    public bool Implies(DrawnDependency wanted) =>
        wanted.IsMultivalued ? soundSet.Implied.ImpliesMultivalued(wanted.Dependency) : sound.Of(wanted.From).Contains(wanted.To);

    private ImmutableArray<Dependency> SoundArrows(bool multivalued) =>
        [.. Arrows.Where(arrow => arrow.IsSound && arrow.IsMultivalued == multivalued).Select(arrow => arrow.Dependency)];

    /// <summary>
    /// Whether an arrow that is sound follows from the other sound ones, and the model answer does not draw it itself.
    /// </summary>
    public bool IsRedundant(JudgedArrow arrow) =>
        arrow is { IsSound: true, IsTrivial: false, IsMultivalued: false }
        && !Model.Dependencies.Any(drawn => drawn.From == arrow.From && drawn.To == arrow.To)
        && new Closure(
            Arrows
                .Where(other => other is { IsSound: true, IsMultivalued: false } && other.Id != arrow.Id)
                .Select(other => other.Dependency)
        ).Implies(arrow.Dependency);

    /// <summary>The columns of a table that are neither given nor laid out.</summary>
    public IEnumerable<StageColumn> NowhereIn(JudgedTable table) =>
        table.Strange.Where(column => column.Attribute >= Answer.Laid).DistinctBy(column => column.Id);

    /// <summary>What the model answer takes apart and calls so; null for none.</summary>
    public PlannedCell? CellCalled(Name name) =>
        plans.SelectMany(plan => plan.Cells).FirstOrDefault(cell => Name.Of(cell.Whole).Key == name.Key);

    private bool IsKnown(DrawnDependency arrow) =>
        pairs.Models[arrow.To] is not null && arrow.From.All(i => pairs.Models[i] is not null);

    private JudgedArrow Judged(DrawnDependency arrow)
    {
        var (from, to) = (AttributeSet.Of(arrow.From.Select(i => pairs.Models[i]!.Value)), pairs.Models[arrow.To]!.Value);
        return new JudgedArrow(arrow.Id, from, to, arrow.IsMultivalued, IsImplied(from, to, arrow.IsMultivalued), arrow.Elements)
        {
            Letter = arrow.Letter,
        };
    }

    // A set depends as a whole only when it is a union of blocks of the basis.
    private bool IsImplied(AttributeSet from, int to, bool isMultivalued)
    {
        var implied = Model.Set.Implied;
        if (!isMultivalued)
        {
            return implied.ClosureOf(from).Contains(to);
        }

        return implied.BasisOf(from).Contains(AttributeSet.Of(to))
            || Model.Dependencies.Any(arrow => arrow.IsMultivalued && arrow.From == from && arrow.To == to);
    }

    private KeyStanding StandingOfKey()
    {
        // What the model answer has not determines nothing of it.
        var known = AttributeSet.Of(Answer.Key.Select(ModelOf).OfType<int>());
        return StandingOf(known, Answer.Key.Count - known.Count, Model.Set.All);
    }

    private KeyStanding StandingOf(AttributeSet key, int strange, AttributeSet all)
    {
        var implied = Model.Set.Implied;
        return key.Count + strange == 0 ? KeyStanding.None
            : !all.IsSubsetOf(implied.ClosureOf(key)) ? KeyStanding.NotUnique
            : strange > 0 || key.Any(i => all.IsSubsetOf(implied.ClosureOf(key - AttributeSet.Of(i)))) ? KeyStanding.TooLarge
            : KeyStanding.Candidate;
    }
}
