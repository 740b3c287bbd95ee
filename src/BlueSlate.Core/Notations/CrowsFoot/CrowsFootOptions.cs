using System.Text.Json.Serialization;

namespace BlueSlate.Core.Notations.CrowsFoot;

/// <summary>What a class has learned about crow's foot notation.</summary>
public sealed record CrowsFootOptions : NotationOptions
{
    /// <inheritdoc />
    [JsonPropertyOrder(-1)]
    public override string Notation => NotationNames.CrowsFoot;

    /// <summary>Solid is identifying and dashed is not; otherwise the stroke leaves it unsaid.</summary>
    public bool StrokeSaysIdentifying { get; init; } = true;

    /// <summary>A single bar reads as 1..1; otherwise its minimum is unsaid.</summary>
    public bool SingleBarIsExactlyOne { get; init; }

    /// <inheritdoc />
    [JsonIgnore]
    public override bool SaysIdentifying => StrokeSaysIdentifying;

    /// <inheritdoc />
    [JsonIgnore]
    public override bool WritesNumbers => false;
}
