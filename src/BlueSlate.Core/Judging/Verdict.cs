namespace BlueSlate.Core.Judging;

/// <summary>What checking says of one fact.</summary>
public enum VerdictKind
{
    Holds,
    HoldsByRestatement,
    Tolerated,
    Wrong,
    Absent,
    AbsentWithOwner,
    NotAssessed,
}

/// <summary>The verdict on one fact of the model answer, with its evidence.</summary>
/// <param name="Fact">The fact.</param>
/// <param name="Kind">What is said of it.</param>
/// <param name="AnswerId">The concept of the answer that bears on it, or null.</param>
/// <param name="Drawn">What the answer says instead or as well, as text.</param>
/// <param name="PartlyRight">Half right: a key with a superfluous attribute, an operation with an incomplete signature, a right
/// value at a relationship that is tied to the wrong entity.
/// </param>
public sealed record Verdict(Fact Fact, VerdictKind Kind, string? AnswerId, string Drawn, bool PartlyRight = false)
{
    /// <summary>
    /// What the answer says, as text in the model answer's own names, where that differs from <see cref="Drawn"/>.
    /// </summary>
    public string InModelTerms { get; init; } = Drawn;

    /// <summary>In which particular manner it is half right or tolerated, where its subject tells manners apart.</summary>
    public Manner? Manner { get; init; }

    /// <summary>
    /// The entity or relationship of the model answer that the fact belongs to, for what is absent with it or half right.
    /// </summary>
    public string? OwnerId { get; init; }

    /// <summary>True when the fact is as wanted, in whatever way.</summary>
    public bool IsGood => Kind is VerdictKind.Holds or VerdictKind.HoldsByRestatement or VerdictKind.Tolerated;

    /// <summary>True when the fact counts and is not as wanted.</summary>
    public bool IsBad => Kind is VerdictKind.Wrong or VerdictKind.Absent or VerdictKind.AbsentWithOwner;
}

/// <summary>A manner in which a subject's facts may be half right: another way of drawing, a key by a number of one's own.</summary>
public abstract record Manner;
