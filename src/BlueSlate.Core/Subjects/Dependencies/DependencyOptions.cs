using System.Text.Json.Serialization;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies;

/// <summary>What a class has learned about drawing dependencies: attributes in boxes, an arrow from what determines.</summary>
public sealed record DependencyOptions : WorkOptions
{
    /// <summary>The name of the subject whose work is drawn so.</summary>
    public const string Dependencies = "dependencies";

    /// <inheritdoc />
    [JsonIgnore]
    public override string SubjectName => Dependencies;

    /// <inheritdoc />
    [JsonPropertyOrder(-1)]
    public override string Notation => "dependency";
}
