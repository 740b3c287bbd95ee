using Microsoft.AspNetCore.Identity;

namespace BlueSlate.Data;

/// <summary>A person who can sign in.</summary>
public sealed class Account : IdentityUser<Guid>
{
    public required string DisplayName { get; set; }
}

/// <summary>The students of one course run, with those who teach and mark them.</summary>
public sealed class Cohort
{
    public Guid Id { get; init; }

    public required string Name { get; set; }

    /// <summary>The day from which what its students drew is erased, or null while no day is set.</summary>
    public DateOnly? KeepUntil { get; set; }

    public List<Membership> Members { get; } = [];
}

/// <summary>What a person may do in a cohort.</summary>
public enum CohortRole
{
    Student,
    Assistant,
    Instructor,
}

/// <summary>A person's place in a cohort.</summary>
public sealed class Membership
{
    public Guid CohortId { get; init; }

    public Guid AccountId { get; init; }

    public CohortRole Role { get; set; }

    public Cohort? Cohort { get; init; }

    public Account? Account { get; init; }
}

/// <summary>What the audit record knows of.</summary>
public enum AuditKind
{
    SignIn,
    Publish,
    Ruling,
    Release,
    Remark,
    IdentityView,
    Export,
    Erasure,
    Retention,
    Membership,
    Sitting,
    Sharing,
    Trial,
}

/// <summary>
/// One line of the audit record. It holds no names: whoever was erased is gone from it too, while what was done remains.
/// </summary>
public sealed class AuditEvent
{
    public Guid Id { get; init; }

    public DateTimeOffset At { get; init; }

    public AuditKind Kind { get; init; }

    /// <summary>Who did it; null for the server itself, or for a person who was erased.</summary>
    public Guid? ActorId { get; set; }

    /// <summary>
    /// The cohort whose instructors may read it; null for a sign-in, which the instructors of all one's cohorts may read.
    /// </summary>
    public Guid? CohortId { get; init; }

    public Guid? ExerciseId { get; init; }

    /// <summary>What was done, in words and codes, without a person's name.</summary>
    public required string Detail { get; init; }
}

/// <summary>A session that was ended by signing out: its cookie is good for nothing, whoever copied it.</summary>
public sealed class EndedSession
{
    public Guid SessionId { get; init; }

    public DateTimeOffset At { get; init; }
}
