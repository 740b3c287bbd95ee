namespace BlueSlate.Core.Judging;

/// <summary>
/// How facts share marks within a line of a scheme: what can stand at several places, and what is a thing by itself.
/// </summary>
public enum FactSort
{
    Thing,
    End,
    Attribute,
    Key,
    Operation,
    Set,
    Form,
}

/// <summary>How a fact enters a derived scheme.</summary>
public enum SchemeStep
{
    Nowhere,
    NewLine,
    Gathered,
    WithLast,
    WithRelationship,
    WithForm,
    WithStrokes,
}

/// <summary>Where a fact goes in a scheme that is derived.</summary>
/// <param name="Step">A line of its own, a line that gathers facts of one sort about one thing, or a line that is
/// there.</param>
/// <param name="Title">Of its line; of what is gathered.</param>
/// <param name="Weight">What the line is worth beside others.</param>
/// <param name="Whole">Whether the line is all or nothing.</param>
/// <param name="Opens">What the lines after it are about, or null for what they were about before.</param>
public sealed record SchemePlace(SchemeStep Step, string Title = "", int Weight = 0, bool Whole = false, string? Opens = null)
{
    /// <summary>In no line unless somebody puts it into one.</summary>
    public static SchemePlace Nowhere { get; } = new(SchemeStep.Nowhere);

    /// <summary>In the line for the form of the whole drawing, which says that this is asked for.</summary>
    public static SchemePlace Form(string what) => new(SchemeStep.WithForm, what);

    /// <summary>A line of its own.</summary>
    public static SchemePlace Line(string title, int weight, bool whole = false, string? opens = null) =>
        new(SchemeStep.NewLine, title, weight, whole, opens);

    /// <summary>A line that gathers facts about one thing.</summary>
    public static SchemePlace In(string what, int weight, string? opens = null) =>
        new(SchemeStep.Gathered, what, weight, false, opens);
}
