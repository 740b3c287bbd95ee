using System.Text.Json.Serialization;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Notations;

/// <summary>How formal a part of an exercise is.</summary>
public enum Level
{
    Conceptual,
    Logical,
}

/// <summary>
/// What a class has learned about the notation it draws in. Every notation has its own, beside it; here stands what all of them
/// have, and what the rest of the house asks of any.
/// </summary>
public abstract record NotationOptions : WorkOptions
{
    /// <summary>The name of the subject whose work is drawn in these notations.</summary>
    public const string Concepts = "concepts";

    /// <inheritdoc />
    [JsonIgnore]
    public override string SubjectName => Concepts;

    /// <summary>
    /// Conceptual: no foreign keys, many-to-many allowed. Logical: foreign keys shown, many-to-many resolved.
    /// </summary>
    public Level Level { get; init; }

    /// <summary>Boxes of one name on several sheets are one thing.</summary>
    public bool OneNameIsOneElement { get; init; }

    /// <summary>Whether a drawing says of every relationship whether it identifies.</summary>
    [JsonIgnore]
    public virtual bool SaysIdentifying => true;

    /// <summary>Whether types, visibilities and signatures of members are wanted.</summary>
    [JsonIgnore]
    public virtual bool WantsSignatures => false;

    /// <summary>Whether what is written at the ends of a line says the maximum alone.</summary>
    [JsonIgnore]
    public virtual bool WritesMaximaOnly => false;

    /// <summary>Whether a number greater than one can be written at an end.</summary>
    [JsonIgnore]
    public virtual bool WritesNumbers => true;
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
