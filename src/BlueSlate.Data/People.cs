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

    public List<Membership> Members { get; } = [];
}

/// <summary>What a person may do in a cohort.</summary>
public enum CohortRole { Student, Assistant, Instructor }

/// <summary>A person's place in a cohort.</summary>
public sealed class Membership
{
    public Guid CohortId { get; init; }

    public Guid AccountId { get; init; }

    public CohortRole Role { get; set; }

    public Cohort? Cohort { get; init; }

    public Account? Account { get; init; }
}
