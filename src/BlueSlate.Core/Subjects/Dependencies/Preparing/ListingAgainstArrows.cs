using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Checking;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>What the model answer lists beside its diagram is not what its own arrows make it: keys, closures, a cover, the form.</summary>
internal sealed class ListingAgainstArrows : DependencyPreflightKind
{
    public override string Name => "listing-wrong";

    public override int Order => 4;

    public override string Title => "What is listed against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var (reading, listed) = (one.Reading, one.Reading.Listed);
        var set = reading.Set;
        foreach (var item in Tasks(one))
        {
            yield return item;
        }

        if (
            (listed.Keys.IsEmpty && listed.Primes is null)
            || !set.Multivalued.IsEmpty
            || CandidateKeys.Of(set.All, MinimalCover.Of(set.Functional)) is not { Complete: true } keys
        )
        {
            yield break;
        }

        string Say(AttributeSet attributes) => Braced(attributes, reading);
        var drawn = listed.Keys.Select(key => key.Attributes).ToList();
        if (drawn.Count > 0 && (!keys.Keys.ToHashSet().SetEquals(drawn) || listed.Keys.Any(key => !key.Strange.IsEmpty)))
        {
            yield return Item(
                listed.Keys[0].Note,
                $"By the arrows, the candidate keys are {Phrasing.List([.. keys.Keys.Select(Say)])}."
            ) with
            {
                Elements = [listed.Keys[0].Note],
            };
        }

        if (listed.Primes is { } primes && (primes.Attributes != keys.Prime || !primes.Strange.IsEmpty))
        {
            yield return Item(primes.Note, $"By the arrows, the prime attributes are {Say(keys.Prime)}.") with
            {
                Elements = [primes.Note],
            };
        }
    }

    // Held against the arrows as an answer would be.
    private IEnumerable<PreflightItem> Tasks(DependencyPreflight one)
    {
        var reading = one.Reading;
        foreach (var closure in reading.Listed.Closures)
        {
            var reached = reading.Set.Implied.ClosureOf(closure.Of.Attributes);
            if ((closure.Reached.Attributes | closure.Of.Attributes) != reached || !closure.Reached.Strange.IsEmpty)
            {
                yield return Item(
                    $"{closure.Of.Note}-closure-{string.Join('-', closure.Of.Attributes)}",
                    $"By the arrows, the closure of {Braced(closure.Of.Attributes, reading)} is {Braced(reached, reading)}."
                ) with
                {
                    Elements = [closure.Of.Note],
                };
            }
        }

        if (reading.Listed.Cover is { } cover && WrongWith(cover, reading) is { } said)
        {
            yield return Item($"{cover.Note}-cover", said) with
            {
                Elements = [cover.Note],
            };
        }

        foreach (var derivation in reading.Listed.Derivations)
        {
            if (Breaks(derivation, reading) is { } step)
            {
                yield return Item(
                    $"{derivation.Note}-derivation-{step}",
                    $"In the derivation of {CoverFact.Said(derivation.Goal, reading)}, {step} does not follow, or is not yet its end."
                ) with
                {
                    Elements = [derivation.Note],
                };
            }
        }

        foreach (var given in reading.Listed.Counterexamples)
        {
            if (WrongWith(given, reading) is { } why)
            {
                yield return Item($"{given.Note}-counterexample-{CoverFact.Said(given.Goal, reading)}", why) with
                {
                    Elements = [given.Note],
                };
            }
        }

        var rows = ColumnRows.Best(one.Case.Prose.Tables, reading);
        foreach (var named in reading.Listed.Anomalies)
        {
            if (WrongWith(named, rows, reading) is { } why)
            {
                yield return Item($"{named.Note}-anomaly-{string.Join('-', named.Rows)}", why) with
                {
                    Elements = [named.Note],
                };
            }
        }

        if (reading.Listed.Claimed is { } claimed && ClaimedFormFact.TrueOf(reading) is { } form && form != claimed.Form)
        {
            yield return Item($"{claimed.Note}-form", $"By the arrows, it is in {FormNames.Short(form)} as one table.") with
            {
                Elements = [claimed.Note],
            };
        }
    }

    // The first step that does not follow; the last where it is not the end.
    private static string? Breaks(ListedDerivation derivation, DependencyReading reading)
    {
        Dependency Of((ListedSet From, ListedSet To) arrow) => new(arrow.From.Attributes, arrow.To.Attributes);
        var standing = DerivationCheck.Of(
            [.. derivation.Steps.Select(step => (Dependency?)Of(step))],
            Of(derivation.Goal),
            reading.Set.Functional
        );
        return standing.Astray.Count > 0 ? CoverFact.Said(derivation.Steps[standing.Astray[0]], reading)
            : standing.IsFinished || derivation.Steps.IsEmpty ? null
            : CoverFact.Said(derivation.Steps[^1], reading);
    }

    private static string? WrongWith(ListedCounterexample given, DependencyReading reading)
    {
        var goal = new Dependency(given.Goal.From.Attributes, given.Goal.To.Attributes);
        var said = CoverFact.Said(given.Goal, reading);
        if (new Closure(reading.Set.Functional).Implies(goal))
        {
            return $"By the arrows, {said} holds: no rows can contradict it.";
        }

        var standing = CounterexampleStanding.Of(given, goal, given.Columns, reading.Set);
        return !standing.IsShown ? $"The rows against {said} do not contradict it."
            : standing.Conflict is { } conflict
                ? $"The rows against {said} break {Braced(conflict.Broken.From, reading)} → {Braced(conflict.Broken.To, reading)} as well."
            : null;
    }

    private static string? WrongWith(ListedAnomaly named, ColumnRows? rows, DependencyReading reading)
    {
        var cause = new Dependency(named.Cause.From.Attributes, named.Cause.To.Attributes);
        var said = CoverFact.Said(named.Cause, reading);
        var spoken = AnomalyText.SayRows(named.Rows);
        return !AnomalyFact.Harms(cause, reading.Set) ? $"By the arrows, no anomaly comes from {said}."
            : rows is null ? $"The scenario has no table whose {spoken} could show an anomaly."
            : named.Rows[^1] > rows.Count
                ? $"The table in the scenario has {rows.Count} rows, and none numbered {named.Rows[^1]}."
            : AnomalyFact.IsShown(named.Kind, named.Rows, cause, rows, reading.Set) ? null
            : $"{Phrasing.Capital(spoken)} of the scenario {(named.Rows.Length == 1 ? "shows" : "show")} "
                + $"no {AnomalyText.Word(named.Kind)} anomaly by {said}.";
    }

    private static string? WrongWith(ListedCover cover, DependencyReading reading)
    {
        var arrows = cover.Arrows.Select(arrow => new Dependency(arrow.From.Attributes, arrow.To.Attributes)).ToList();
        var (given, listed) = (new Closure(reading.Set.Functional), new Closure(arrows));
        return cover.Arrows.Any(arrow => !arrow.From.Strange.IsEmpty || !arrow.To.Strange.IsEmpty)
            || !arrows.TrueForAll(given.Implies)
            || !reading.Set.Functional.All(listed.Implies)
                ? "The minimal cover does not say what the arrows say."
            : MinimalCover.Of(arrows).ToHashSet().SetEquals(arrows.SelectMany(Single)) ? null
            : "The minimal cover has more than is needed.";
    }

    private static IEnumerable<Dependency> Single(Dependency arrow) =>
        arrow.To.Select(to => arrow with { To = AttributeSet.Of(to) });

    private static string Braced(AttributeSet attributes, DependencyReading reading) =>
        $"{{{string.Join(", ", attributes.Select(i => reading.Attributes[i].Text))}}}";
}
