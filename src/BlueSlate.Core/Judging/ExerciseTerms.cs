using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Judging;

/// <summary>What an exercise says of its own words, and of other ways of drawing the same.</summary>
/// <param name="Standings">Code of a restatement → what it is worth here. Codes that there are not are passed over.</param>
/// <param name="Words">Which words mean the same in it, and which never do.</param>
public sealed record ExerciseTerms(IReadOnlyDictionary<string, Standing> Standings, ExerciseWords Words)
{
    /// <summary>Other model answers that are as right, for another structure.</summary>
    public ImmutableArray<IDocument> Variants { get; init; } = [];

    /// <summary>The prose in which it is told.</summary>
    public ScenarioText Scenario { get; init; } = ScenarioText.None;

    /// <summary>The tables with rows that stand in it.</summary>
    public ImmutableArray<RowTable> Tables { get; init; } = [];

    /// <summary>The kinds of facts that are looked at; null for all of the subject.</summary>
    public IReadOnlyList<FactKind>? Kinds { get; init; }

    /// <summary>
    /// How much single signs of likeness count, by their names in the subject's data, where that is not the usual; for finding
    /// better ones.
    /// </summary>
    public IReadOnlyDictionary<string, double> Weights { get; init; } = FrozenDictionary<string, double>.Empty;

    /// <summary>Nothing of its own.</summary>
    public static ExerciseTerms Usual { get; } = new(FrozenDictionary<string, Standing>.Empty, ExerciseWords.None);
}
