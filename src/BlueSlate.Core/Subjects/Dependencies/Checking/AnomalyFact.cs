using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking;

/// <summary>What is right of an anomaly that an answer names.</summary>
/// <param name="IsKind">Whether it is what goes wrong with the rows.</param>
/// <param name="IsCause">Whether it is that dependency which does it.</param>
internal readonly record struct AnomalyStanding(bool IsKind, bool IsCause);

/// <summary>
/// What goes wrong with rows of the scenario and by which dependency, where the model answer names it. What the rows show as well is as
/// right.
/// </summary>
internal sealed record AnomalyFact() : DependencyFactKind("anomaly", 29)
{
    public override FactSort Sort => FactSort.Set;

    public override IEnumerable<Fact> Of(DependencyReading model) =>
        NamedBy(model)
            .Select(named =>
                New(
                    IdIn(named),
                    named.Note,
                    $"anomaly of {AnomalyText.SayRows(named.Rows)}",
                    $"{AnomalyText.Word(named.Kind)}, {CoverFact.Said(named.Cause, model)}"
                )
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Anomalies", 4, "the diagram");

    public override Verdict Judge(Fact fact, DrawnAgainst drawn)
    {
        if (NamedFor(fact, drawn) is not { } named)
        {
            return new Verdict(fact, VerdictKind.Absent, drawn.Answer.Listed.Anomalies.FirstOrDefault()?.Note, "");
        }

        var said = $"{AnomalyText.Word(named.Kind)}, {CoverFact.Said(named.Cause, drawn.Answer)}";
        return StandingOf(fact, named, drawn) switch
        {
            (true, true) => new Verdict(fact, VerdictKind.Holds, named.Note, said),
            var (kind, cause) => new Verdict(fact, VerdictKind.Wrong, named.Note, said, PartlyRight: kind || cause),
        };
    }

    /// <summary>What the model answer names, of which a fact is.</summary>
    public static ListedAnomaly WantedBy(Fact fact, DependencyReading model) =>
        NamedBy(model).First(named => new AnomalyFact().IdOf(IdIn(named)) == fact.Id);

    /// <summary>What the answer names for the same rows; null where it names nothing.</summary>
    public static ListedAnomaly? NamedFor(Fact fact, DrawnAgainst drawn)
    {
        var rows = WantedBy(fact, drawn.Model).Rows;
        return drawn.Answer.Listed.Anomalies.FirstOrDefault(named => named.Rows.SequenceEqual(rows));
    }

    /// <summary>What is right of an anomaly that an answer names.</summary>
    public static AnomalyStanding StandingOf(Fact fact, ListedAnomaly named, DrawnAgainst drawn)
    {
        var wanted = WantedBy(fact, drawn.Model);
        var cause = new Dependency(wanted.Cause.From.Attributes, wanted.Cause.To.Attributes);
        var said = drawn.InModel(named.Cause);
        var harms = said is { } one && Harms(one, drawn.Model.Set);
        bool Shows(Dependency by) => drawn.Rows is { } rows && IsShown(named.Kind, named.Rows, by, rows, drawn.Model.Set);
        return new AnomalyStanding(
            named.Kind == wanted.Kind || Shows(cause) || (harms && Shows(said!.Value)),
            harms && (AreAlike(said!.Value, cause, drawn.Model.Set) || Shows(said.Value))
        );
    }

    /// <summary>Whether something is determined by what is no key of the whole, so that it is written again and again.</summary>
    public static bool Harms(Dependency one, DependencySet given) =>
        !one.IsTrivial
        && one.To.IsSubsetOf(given.Implied.ClosureOf(one.From))
        && !given.All.IsSubsetOf(given.Implied.ClosureOf(one.From));

    /// <summary>
    /// Whether rows show an anomaly: for an update, two of them say the same of one determinant; for a deletion, no row but they says what
    /// one has; for an insertion, one has nothing where the key should stand.
    /// </summary>
    public static bool IsShown(AnomalyKind kind, ImmutableArray<int> chosen, Dependency by, ColumnRows rows, DependencySet given)
    {
        if (chosen.Any(row => row > rows.Count))
        {
            return false;
        }

        var all = by.From | by.To;
        List<int> places = [.. chosen.Select(row => row - 1)];
        List<string> values = [.. places.Select(row => rows.ValueOf(row, all)).OfType<string>()];
        return kind switch
        {
            AnomalyKind.Update => values.Distinct(StringComparer.Ordinal).Count() < values.Count,
            AnomalyKind.Deletion => places.Exists(row =>
                rows.ValueOf(row, by.From) is { } determinant
                && rows.ValueOf(row, all) is not null
                && Enumerable.Range(0, rows.Count).All(i => places.Contains(i) || rows.ValueOf(i, by.From) != determinant)
            ),
            _ => places.Exists(row =>
                rows.ValueOf(row, all) is not null && rows.HasGap(row, given.All - given.Implied.ClosureOf(by.From))
            ),
        };
    }

    private static bool AreAlike(Dependency one, Dependency other, DependencySet given) =>
        given.Implied.ClosureOf(one.From) == given.Implied.ClosureOf(other.From);

    private static IEnumerable<ListedAnomaly> NamedBy(DependencyReading model) =>
        model.Listed.Anomalies.Where(one => one.Cause.From.Strange.IsEmpty && one.Cause.To.Strange.IsEmpty);

    private static string IdIn(ListedAnomaly named) =>
        new ConceptId(named.Note, $"anomaly-{string.Join('+', named.Rows)}").ToString();
}
