using System.Text.Json.Serialization;

namespace BlueSlate.Core.Notations.Chen;

/// <summary>What a class writes at the lines of a diamond: letters that say the maximum, or pairs.</summary>
public enum CountStyle
{
    Letters,
    Pairs,
}

/// <summary>What a class has learned about Chen's notation.</summary>
public sealed record ChenOptions : NotationOptions
{
    /// <inheritdoc />
    [JsonPropertyOrder(-1)]
    public override string Notation => NotationNames.Chen;

    /// <summary>
    /// A double line says that all take part and a single one that some may not; otherwise the minimum is unsaid.
    /// </summary>
    public bool DoubleLineSaysAll { get; init; } = true;

    /// <summary>What is written at the lines of a diamond.</summary>
    public CountStyle Counts { get; init; }

    /// <summary><c>(min,max)</c> is written at the far side, so that it counts the entity at its own line.</summary>
    public bool PairsAcross { get; init; }

    /// <summary>Several underlined attributes are one key; otherwise each is one.</summary>
    public bool UnderlinesAreOneKey { get; init; } = true;

    /// <inheritdoc />
    [JsonIgnore]
    public override bool WritesMaximaOnly => Counts == CountStyle.Letters;
}
