using BlueSlate.Data;
using BlueSlate.Server.Features.Accounts;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>A cohort's people, how long what they drew is kept, and the record of what was done.</summary>
public static class CohortEndpoints
{
    private const int LinesAPage = 100;

    /// <summary>Maps the endpoints.</summary>
    public static void MapCohorts(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/cohorts").WithTags("Cohorts");
        group.MapGet("/{id:guid}", Get).ForInstructors();
        group.MapPost("/{id:guid}/people", AddPeople).ForInstructors().Produces<AddedPeople>();
        group.MapPost("/{id:guid}/people/{person:guid}/link", NewLink).ForInstructors().Produces<AddedPerson>();
        group.MapGet("/{id:guid}/people/{person:guid}/export", Export).ForInstructors().Produces<PersonFile>();
        group.MapDelete("/{id:guid}/people/{person:guid}", Erase).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPut("/{id:guid}/keep-until", SetKeepUntil).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapGet("/{id:guid}/record", Record).ForInstructors();
    }

    private static async Task<Results<Ok<CohortPage>, ProblemHttpResult>> Get(
        Guid id,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var page = await access
            .OwnCohorts()
            .Where(cohort => cohort.Id == id)
            .Select(cohort => new CohortPage(
                cohort.Id,
                cohort.Name,
                cohort.KeepUntil,
                cohort
                    .Members.OrderBy(member => member.Role == CohortRole.Student)
                    .ThenByDescending(member => member.Role)
                    .ThenBy(member => member.Account!.DisplayName)
                    .Select(member => new CohortPerson(
                        member.AccountId,
                        member.Account!.DisplayName,
                        member.Account.Email!,
                        member.Role,
                        member.Account.PasswordHash != null,
                        database.Answers.Count(answer =>
                            answer.Exercise!.CohortId == cohort.Id && answer.AccountId == member.AccountId
                        ),
                        database.Answers.Count(answer =>
                            answer.Exercise!.CohortId == cohort.Id
                            && answer.AccountId == member.AccountId
                            && answer.HandedInAt != null
                        )
                    ))
                    .ToArray()
            ))
            .FirstOrDefaultAsync(cancellation);
        return page is null ? NoSuchCohort() : TypedResults.Ok(page);
    }

    private static async Task<IResult> AddPeople(
        Guid id,
        AddPeopleRequest request,
        Access access,
        Invitations invitations,
        CancellationToken cancellation
    ) =>
        await access.OwnCohorts().AnyAsync(cohort => cohort.Id == id, cancellation)
            ? await invitations.AddAsync(id, request, cancellation)
            : NoSuchCohort();

    private static async Task<IResult> NewLink(
        Guid id,
        Guid person,
        Access access,
        Invitations invitations,
        CancellationToken cancellation
    ) =>
        await MemberAsync(id, person, access, cancellation) is { } member
            ? await invitations.RenewAsync(member, cancellation)
            : NoSuchPerson();

    private static async Task<IResult> Export(
        Guid id,
        Guid person,
        Access access,
        AuditTrail audit,
        PersonExport export,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        if (await MemberAsync(id, person, access, cancellation) is null)
        {
            return NoSuchPerson();
        }

        audit.Add(AuditKind.Export, id, "one person's data");
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(await export.OfAsync(person, id, cancellation));
    }

    private static async Task<IResult> Erase(
        Guid id,
        Guid person,
        Access access,
        Erasure erasure,
        Sessions sessions,
        CancellationToken cancellation
    )
    {
        var member = await MemberAsync(id, person, access, cancellation);
        if (member is null)
        {
            return NoSuchPerson();
        }

        if (member.Role == CohortRole.Instructor)
        {
            return Problems.Conflict("instructor", "An instructor of the cohort is not erased here.");
        }

        await erasure.EraseAsync(id, person, cancellation);
        sessions.Forget();
        return TypedResults.NoContent();
    }

    private static async Task<IResult> SetKeepUntil(
        Guid id,
        KeepUntilRequest request,
        Access access,
        AuditTrail audit,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var cohort = await access.OwnCohorts().FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (cohort is null)
        {
            return NoSuchCohort();
        }

        if (request.KeepUntil is { } day && day <= DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime))
        {
            return Problems.Unreadable("keep-until", "The day from which everything is erased lies in the future.", "keepUntil");
        }

        cohort.KeepUntil = request.KeepUntil;
        audit.Add(
            AuditKind.Retention,
            id,
            request.KeepUntil is { } until ? $"to be erased from {until:yyyy-MM-dd}" : "kept without an end"
        );
        await database.SaveChangesAsync(cancellation);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<AuditPage>, ProblemHttpResult>> Record(
        Guid id,
        DateTimeOffset? before,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        if (!await access.OwnCohorts().AnyAsync(cohort => cohort.Id == id, cancellation))
        {
            return NoSuchCohort();
        }

        // A time from an address may stand in any zone; the database wants the one.
        var limit = before?.ToUniversalTime() ?? DateTimeOffset.MaxValue;
        var lines = await database
            .AuditEvents.AsNoTracking()
            .Where(line =>
                line.At < limit
                && (
                    line.CohortId == id
                    || (
                        line.CohortId == null
                        && database.Memberships.Any(member => member.CohortId == id && member.AccountId == line.ActorId)
                    )
                )
            )
            .OrderByDescending(line => line.At)
            .ThenByDescending(line => line.Id)
            .Take(LinesAPage + 1)
            .Select(line => new AuditLine(
                line.At,
                line.Kind,
                database
                    .Users.Where(account => account.Id == line.ActorId)
                    .Select(account => account.DisplayName)
                    .FirstOrDefault(),
                database
                    .Exercises.Where(exercise => exercise.Id == line.ExerciseId)
                    .Select(exercise => exercise.Title)
                    .FirstOrDefault(),
                line.Detail
            ))
            .ToListAsync(cancellation);
        var shown = lines.Take(LinesAPage).ToArray();
        return TypedResults.Ok(new AuditPage(shown, lines.Count > LinesAPage ? shown[^1].At : null));
    }

    private static Task<Membership?> MemberAsync(Guid cohort, Guid person, Access access, CancellationToken cancellation) =>
        access
            .OwnCohorts()
            .Where(row => row.Id == cohort)
            .SelectMany(row => row.Members)
            .FirstOrDefaultAsync(member => member.AccountId == person, cancellation);

    private static ProblemHttpResult NoSuchCohort() =>
        Problems.NotFound("no-such-cohort", "There is no such cohort among yours.");

    private static ProblemHttpResult NoSuchPerson() =>
        Problems.NotFound("no-such-person", "There is no such person in a cohort of yours.");
}
