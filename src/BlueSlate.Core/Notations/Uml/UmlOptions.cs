using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace BlueSlate.Core.Notations.Uml;

/// <summary>What a class has learned about UML class diagrams.</summary>
public sealed record UmlOptions : NotationOptions
{
    private const int MostStereotypes = 20;
    private const int LongestStereotype = 40;

    /// <inheritdoc />
    [JsonPropertyOrder(-1)]
    public override string Notation => NotationNames.Uml;

    /// <summary>Types, visibilities and signatures are wanted.</summary>
    public bool Formal { get; init; }

    /// <summary>Only the standard's spellings of multiplicities; others are remarked on.</summary>
    public bool StrictCounts { get; init; }

    /// <summary>An unmarked generalisation set is incomplete and overlapping; otherwise it leaves both unsaid.</summary>
    public bool UnmarkedSetIsOpen { get; init; }

    /// <summary>Whether aggregation and association are told apart.</summary>
    public bool AggregationCounts { get; init; } = true;

    /// <summary>The stereotypes that may be used besides interface and enumeration; none means any.</summary>
    public ImmutableArray<string> Stereotypes { get; init; } = [];

    /// <inheritdoc />
    [JsonIgnore]
    public override bool WantsSignatures => Formal;

    /// <inheritdoc />
    public override IEnumerable<(string Code, string Said, string Property)> Problems()
    {
        if (
            Stereotypes.Length > MostStereotypes
            || Stereotypes.Any(stereotype => stereotype.Trim().Length is 0 or > LongestStereotype)
        )
        {
            yield return (
                "stereotypes",
                $"A part lists at most {MostStereotypes} stereotypes of 1 to {LongestStereotype} characters.",
                "stereotypes"
            );
        }
    }
}
