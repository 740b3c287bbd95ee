using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>What may stand for nothing in a drawing of concepts.</summary>
public static class ExtraKinds
{
    /// <summary>An entity.</summary>
    public static ExtraKind Entity { get; } = new("Entity");

    /// <summary>An attribute.</summary>
    public static ExtraKind Attribute { get; } = new("Attribute");

    /// <summary>A relationship.</summary>
    public static ExtraKind Relationship { get; } = new("Relationship");

    /// <summary>A link to a subtype.</summary>
    public static ExtraKind Subtype { get; } = new("Subtype");

    /// <summary>An operation.</summary>
    public static ExtraKind Operation { get; } = new("Operation");
}
