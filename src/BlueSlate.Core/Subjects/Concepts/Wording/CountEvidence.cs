using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>How surely words decide a number.</summary>
internal enum Decides
{
    /// <summary>They do not.</summary>
    No,

    /// <summary>As it is commonly understood: <c>a visit is that of one visitor</c>.</summary>
    Commonly,

    /// <summary>Without a doubt: <c>exactly one</c>, <c>some have none</c>.</summary>
    Surely,
}

/// <summary>A bound that words name, and how surely.</summary>
internal readonly record struct Bound(int Value, Decides How)
{
    /// <summary>Nothing is said.</summary>
    public static Bound Open { get; } = new(0, Decides.No);

    /// <summary>A bound that is named; open where there is no value.</summary>
    public static Bound Of(int? value, Decides how) => value is { } number ? new Bound(number, how) : Open;
}

/// <summary>What a part of a sentence says of the numbers at one end of a relationship.</summary>
/// <param name="RoleId">The end.</param>
/// <param name="Min">The least number.</param>
/// <param name="Max">The greatest.</param>
/// <param name="Place">The words.</param>
internal sealed record CountEvidence(string RoleId, Bound Min, Bound Max, ScenarioPlace Place)
{
    /// <summary>It may be said of another end as well: which one, the words do not tell.</summary>
    public bool IsUnsure { get; init; }

    /// <summary>It is said of what is so as a rule, and so decides nothing.</summary>
    public bool IsHabit { get; init; }
}
