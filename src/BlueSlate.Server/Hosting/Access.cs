using System.Security.Claims;
using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// Decides what the person of this request may see. What is none of their business does not exist for them: the queries
/// that it gives out hold only what they may reach.
/// </summary>
public sealed class Access(BlueSlateContext database, IHttpContextAccessor accessor)
{
    /// <summary>The id of the person who is signed in.</summary>
    public Guid AccountId => Guid.Parse(accessor.HttpContext!.User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>Exercises of cohorts in which the person teaches or marks.</summary>
    public IQueryable<Exercise> StaffExercises(bool instructorsOnly = false)
    {
        var id = AccountId;
        return database.Exercises.Where(exercise =>
            exercise.Cohort!.Members.Any(member =>
                member.AccountId == id
                && (member.Role == CohortRole.Instructor || (!instructorsOnly && member.Role == CohortRole.Assistant))
            )
        );
    }

    /// <summary>Parts of exercises of cohorts in which the person teaches or marks.</summary>
    public IQueryable<ExercisePart> StaffParts(bool instructorsOnly = false)
    {
        var exercises = StaffExercises(instructorsOnly);
        return database.ExerciseParts.Where(part => exercises.Any(exercise => exercise.Id == part.ExerciseId));
    }

    /// <summary>Published exercises of cohorts in which the person is a student.</summary>
    public IQueryable<Exercise> StudentExercises()
    {
        var id = AccountId;
        return database.Exercises.Where(exercise =>
            exercise.PublishedAt != null
            && exercise.TrialOfId == null
            && exercise.Cohort!.Members.Any(member => member.AccountId == id && member.Role == CohortRole.Student)
        );
    }

    /// <summary>The person's own answers; copies on which another marking is tried are not among them.</summary>
    public IQueryable<Answer> OwnAnswers()
    {
        var id = AccountId;
        return database.Answers.Where(answer => answer.AccountId == id && answer.Exercise!.TrialOfId == null);
    }

    /// <summary>Work of the person's own answers.</summary>
    public IQueryable<Work> OwnWorks()
    {
        var id = AccountId;
        return database.Works.Where(work => work.Answer!.AccountId == id && work.Answer.Exercise!.TrialOfId == null);
    }

    /// <summary>Work that counts, of exercises that the person teaches or marks.</summary>
    public IQueryable<Work> MarkableWorks()
    {
        var id = AccountId;
        return database.Works.Where(work =>
            work.Answer!.Counts
            && work.Answer.Exercise!.Cohort!.Members.Any(member => member.AccountId == id && member.Role != CohortRole.Student)
        );
    }

    /// <summary>Cohorts in which the person teaches.</summary>
    public IQueryable<Cohort> OwnCohorts()
    {
        var id = AccountId;
        return database.Cohorts.Where(cohort =>
            cohort.Members.Any(member => member.AccountId == id && member.Role == CohortRole.Instructor)
        );
    }

    /// <summary>Whether the person has this role anywhere.</summary>
    public Task<bool> HasRoleAsync(Who who, CancellationToken cancellation)
    {
        var id = AccountId;
        var own = database.Memberships.Where(member => member.AccountId == id);
        return who switch
        {
            Who.Student => own.AnyAsync(member => member.Role == CohortRole.Student, cancellation),
            Who.Staff => own.AnyAsync(member => member.Role != CohortRole.Student, cancellation),
            Who.Instructor => own.AnyAsync(member => member.Role == CohortRole.Instructor, cancellation),
            _ => Task.FromResult(true),
        };
    }
}
