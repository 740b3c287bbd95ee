using BlueSlate.Data;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>A cohort with its people.</summary>
public sealed record CohortPage(Guid Id, string Name, DateOnly? KeepUntil, CohortPerson[] People);

/// <summary>A person of a cohort, and how much of theirs is kept.</summary>
public sealed record CohortPerson(
    Guid Id,
    string Name,
    string Email,
    CohortRole Role,
    bool HasSignedIn,
    int Answers,
    int HandedIn
);

/// <summary>People to be added: one a line, a name and an address with a comma between them.</summary>
public sealed record AddPeopleRequest(string People, CohortRole Role);

/// <summary>Who was added, each with a link that works once.</summary>
public sealed record AddedPeople(AddedPerson[] People);

/// <summary>A person and the way in; null for whoever had an account already.</summary>
public sealed record AddedPerson(Guid Id, string Name, string Email, string? Link);

/// <summary>Sets the day from which what students drew is erased; null for none.</summary>
public sealed record KeepUntilRequest(DateOnly? KeepUntil);

/// <summary>A page of the audit record, newest first.</summary>
public sealed record AuditPage(AuditLine[] Lines, DateTimeOffset? Before);

/// <summary>A line of the audit record. Who is null for the server, and for a person who was erased.</summary>
public sealed record AuditLine(DateTimeOffset At, AuditKind Kind, string? Who, string? Exercise, string Detail);
