using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>What rows that are given against a dependency do.</summary>
/// <param name="IsShown">Whether two of them agree on what determines and not on what is determined.</param>
/// <param name="Conflict">What else they break, though it is given; null where nothing.</param>
internal sealed record CounterexampleStanding(bool IsShown, RowConflict? Conflict)
{
    /// <summary>Holds rows against attributes and what is given of them.</summary>
    /// <param name="listed">The rows.</param>
    /// <param name="goal">What they are to contradict.</param>
    /// <param name="columns">The attribute of each column; null for a column that is none.</param>
    /// <param name="given">What they have to keep.</param>
    public static CounterexampleStanding Of(
        ListedCounterexample listed,
        Dependency goal,
        ImmutableArray<int?> columns,
        DependencySet given
    )
    {
        ImmutableArray<ImmutableArray<string?>> rows = [.. listed.Text.Rows.Select(Row)];
        var isShown = rows.Index().Any(one => rows.Skip(one.Index + 1).Any(other => Shows(one.Item, other)));
        return new CounterexampleStanding(isShown, RowConflict.In(rows, given));

        ImmutableArray<string?> Row(ImmutableArray<string> values)
        {
            var row = new string?[given.Attributes.Length];
            foreach (var (i, column) in columns.Index())
            {
                if (column is { } attribute && i < values.Length && values[i].Length > 0)
                {
                    row[attribute] = values[i];
                }
            }

            return [.. row];
        }

        bool Shows(ImmutableArray<string?> one, ImmutableArray<string?> other) =>
            goal.From.All(i => one[i] is not null && one[i] == other[i])
            && goal.To.Any(i => one[i] is not null && other[i] is not null && one[i] != other[i]);
    }
}

/// <summary>
/// That rows are given which contradict a dependency and could stand in the table, where the model answer gives some. Any that do are
/// right.
/// </summary>
internal sealed record CounterexampleFact() : DependencyFactKind("counterexample", 29)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        GivenBy(model)
            .Select(given =>
                New(
                    IdIn(given),
                    given.Note,
                    $"counterexample to {CoverFact.Said(given.Goal, model)}",
                    CoverFact.Said(given.Goal, model)
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Counterexamples", 4, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (GivenFor(fact, drawn) is not { } given)
        {
            return new Verdict(fact, VerdictKind.Absent, drawn.Answer.Listed.Counterexamples.FirstOrDefault()?.Note, "");
        }

        var standing = StandingOf(fact, given, drawn);
        return standing is { IsShown: true, Conflict: null }
            ? new Verdict(fact, VerdictKind.Holds, given.Note, fact.Value)
            : new Verdict(fact, VerdictKind.Wrong, given.Note, fact.Value, PartlyRight: standing.IsShown);
    }

    /// <summary>What the model answer gives, of which a fact is.</summary>
    public static ListedCounterexample WantedBy(Fact fact, DependencyReading model) =>
        GivenBy(model).First(given => new CounterexampleFact().IdOf(IdIn(given)) == fact.Id);

    /// <summary>What the answer gives for it; null where it gives nothing.</summary>
    public static ListedCounterexample? GivenFor(Fact fact, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, drawn.Model).Goal;
        return drawn.Answer.Listed.Counterexamples.FirstOrDefault(given =>
            drawn.InModel(given.Goal) is { } goal && goal == new Dependency(wanted.From.Attributes, wanted.To.Attributes)
        );
    }

    /// <summary>What the rows of an answer do, in the attributes of the model answer.</summary>
    public static CounterexampleStanding StandingOf(Fact fact, ListedCounterexample given, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, drawn.Model).Goal;
        return CounterexampleStanding.Of(
            given,
            new Dependency(wanted.From.Attributes, wanted.To.Attributes),
            [.. given.Columns.Select(column => column is { } one ? drawn.ModelOf(one) : null)],
            drawn.Model.Set
        );
    }

    private static IEnumerable<ListedCounterexample> GivenBy(DependencyReading model) =>
        model
            .Listed.Counterexamples.Where(one => one.Goal.From.Strange.IsEmpty && one.Goal.To.Strange.IsEmpty)
            .DistinctBy(one => (one.Note, one.Goal.From.Attributes, one.Goal.To.Attributes));

    private static string IdIn(ListedCounterexample given) =>
        new ConceptId(
            given.Note,
            $"counterexample-{string.Join('+', given.Goal.From.Attributes)}-{string.Join('+', given.Goal.To.Attributes)}"
        ).ToString();
}
