using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>Proofs of what is said of a dependency diagram, as sentences one reads one after the other.</summary>
internal static class ProofSentences
{
    /// <summary>That a key determines everything of a table, and that nothing of it can be left out.</summary>
    public static ImmutableArray<string> OfKey(AttributeSet key, AttributeSet table, DependencyReading reading)
    {
        var implied = reading.Set.Implied;
        if (Derivation.Of(key, table, implied) is not { } steps)
        {
            return [];
        }

        return
        [
            .. steps.Select(step => Step(step, reading)),
            $"So {reading.Say(key)} {Does("determine", key)} everything.",
            .. key.Count == 1 ? [] : key.Select(attribute => Without(attribute, key, table, reading)),
        ];
    }

    /// <summary>That a determinant determines something, and does not reach all of a table, so that it is no key of it.</summary>
    /// <param name="from">The determinant.</param>
    /// <param name="to">What it determines.</param>
    /// <param name="table">The attributes of the table.</param>
    /// <param name="reading">What is drawn.</param>
    public static ImmutableArray<string> OfNoKey(
        AttributeSet from,
        AttributeSet to,
        AttributeSet table,
        DependencyReading reading
    )
    {
        var implied = reading.Set.Implied;
        var missed = table - implied.ClosureOf(from);
        var steps = Derivation.Of(from, to, implied);
        if (steps is null || missed.IsEmpty)
        {
            return [];
        }

        return
        [
            .. steps.Value.Select(step => Step(step, reading)),
            $"From {reading.Say(from)} no arrow leads on to {reading.Say(missed)}: {(from.Count == 1 ? "it is" : "they are")} no key.",
        ];
    }

    /// <summary>One step: what determines what.</summary>
    public static string Step(Dependency step, DependencyReading reading) =>
        step.From.IsEmpty
            ? $"{Phrasing.Capital(reading.Say(step.To))} {(step.To.Count == 1 ? "is" : "are")} the same in every row."
            : $"{Phrasing.Capital(reading.Say(step.From))} {Does("determine", step.From)} {reading.Say(step.To)}.";

    private static string Without(int attribute, AttributeSet key, AttributeSet table, DependencyReading reading)
    {
        var rest = key - AttributeSet.Of(attribute);
        var missed = table - reading.Set.Implied.ClosureOf(rest);
        var others = missed - AttributeSet.Of(attribute);
        return $"{Phrasing.Capital(reading.Say(rest))} alone {(rest.Count == 1 ? "does" : "do")} not determine "
            + $"{reading.Say(others.IsEmpty ? missed : others)}.";
    }

    private static string Does(string verb, AttributeSet from) =>
        from.Count > 1 ? verb
        : verb[^1] == 'h' ? $"{verb}es"
        : $"{verb}s";
}
