using System.Collections.Immutable;
using System.Text.Json.Serialization;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Notations;

/// <summary>How formal a part of an exercise is.</summary>
public enum Level
{
    Conceptual,
    Logical,
}

/// <summary>What a class writes at the lines of a diamond: letters that say the maximum, or pairs.</summary>
public enum CountStyle
{
    Letters,
    Pairs,
}

/// <summary>
/// What a class has learned about its notation. Only the options of the notation that is named have a meaning.
/// </summary>
/// <param name="Level">Conceptual: no foreign keys, many-to-many allowed. Logical: foreign keys shown, many-to-many
/// resolved.</param>
/// <param name="Notation">The notation's name: <c>chen</c>, <c>crows-foot</c> or <c>uml</c>.</param>
public sealed record NotationOptions(Level Level, string Notation = NotationNames.CrowsFoot) : WorkOptions
{
    /// <summary>The name of the subject whose work is drawn in these notations.</summary>
    public const string Concepts = "concepts";

    /// <inheritdoc />
    [JsonIgnore]
    public override string SubjectName => Concepts;

    /// <summary>Boxes of one name on several sheets are one thing.</summary>
    public bool OneNameIsOneElement { get; init; }

    /// <summary>Crow's foot: solid is identifying and dashed is not; otherwise the stroke leaves it unsaid.</summary>
    public bool StrokeSaysIdentifying { get; init; } = true;

    /// <summary>Crow's foot: a single bar reads as 1..1; otherwise its minimum is unsaid.</summary>
    public bool SingleBarIsExactlyOne { get; init; }

    /// <summary>
    /// Chen: a double line says that all take part and a single one that some may not; otherwise the minimum is unsaid.
    /// </summary>
    public bool DoubleLineSaysAll { get; init; } = true;

    /// <summary>Chen: what is written at the lines of a diamond.</summary>
    public CountStyle Counts { get; init; }

    /// <summary>Chen: <c>(min,max)</c> is written at the far side, so that it counts the entity at its own line.</summary>
    public bool PairsAcross { get; init; }

    /// <summary>Chen: several underlined attributes are one key; otherwise each is one.</summary>
    public bool UnderlinesAreOneKey { get; init; } = true;

    /// <summary>UML: types, visibilities and signatures are wanted.</summary>
    public bool Formal { get; init; }

    /// <summary>UML: only the standard's spellings of multiplicities; others are remarked on.</summary>
    public bool StrictCounts { get; init; }

    /// <summary>UML: an unmarked generalisation set is incomplete and overlapping; otherwise it leaves both unsaid.</summary>
    public bool UnmarkedSetIsOpen { get; init; }

    /// <summary>UML: whether aggregation and association are told apart.</summary>
    public bool AggregationCounts { get; init; } = true;

    /// <summary>UML: the stereotypes that may be used besides interface and enumeration; none means any.</summary>
    public ImmutableArray<string> Stereotypes { get; init; } = [];
}

/// <summary>The names of the notations in documents.</summary>
public static class NotationNames
{
    /// <summary>Chen's notation with extended ER.</summary>
    public const string Chen = "chen";

    /// <summary>Crow's foot notation.</summary>
    public const string CrowsFoot = "crows-foot";

    /// <summary>UML class diagrams.</summary>
    public const string Uml = "uml";
}
