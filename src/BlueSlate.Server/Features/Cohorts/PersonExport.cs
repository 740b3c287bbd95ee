using System.Text.Json;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Cohorts;

/// <summary>Everything that is kept of a person, in the open format of docs/formats/person.md.</summary>
public sealed record PersonFile(
    string Format,
    int Version,
    string Name,
    string Email,
    PersonCohort[] Cohorts,
    PersonAnswer[] Answers,
    PersonExtension[] Extensions,
    DateTimeOffset[] SignIns
);

/// <summary>Time beyond everybody's that the person was given, and why.</summary>
public sealed record PersonExtension(string Exercise, DateTimeOffset? Until, int ExtraMinutes, string Reason);

/// <summary>A cohort that the person belongs to.</summary>
public sealed record PersonCohort(string Name, CohortRole Role);

/// <summary>An answer with the work on each part.</summary>
public sealed record PersonAnswer(
    string Exercise,
    string Cohort,
    int Attempt,
    DateTimeOffset StartedAt,
    DateTimeOffset? HandedInAt,
    bool EndedByTime,
    bool Late,
    string? Receipt,
    string? Withheld,
    string? HandedInBecause,
    DateTimeOffset? ReopenedUntil,
    string? ReopenedBecause,
    DateTimeOffset? MarksSeenAt,
    PersonWork[] Parts
);

/// <summary>What was drawn for one part, its earlier states and, once released, its mark sheet.</summary>
public sealed record PersonWork(
    string Title,
    DateTimeOffset SavedAt,
    DateTimeOffset? ClosedAt,
    string DrawingHash,
    string Drawing,
    PersonState[] Earlier,
    PersonHelp[] Help,
    PersonMarks? Marks,
    PersonMarkChange[] MarkChanges,
    PersonQuestion[] Questions
);

/// <summary>
/// A mark sheet as it was released to the person: what the exercise lets them be told, and the model answer only where it is
/// shown.
/// </summary>
public sealed record PersonMarks(
    string Title,
    string Scenario,
    string Drawing,
    string? ModelDrawing,
    StudentResult Result,
    StudentRuling[] Rulings
)
{
    internal static PersonMarks Of(FrozenSheet frozen) =>
        new(
            frozen.Title,
            frozen.Scenario,
            frozen.Drawing,
            frozen.Part.ShowModelAnswer ? frozen.ModelDrawing : null,
            StudentResult.Of(frozen.Result, frozen.Part.ShowModelAnswer),
            [.. frozen.Rulings.Select(ruling => new StudentRuling(ruling.FindingId, ruling.Decision, ruling.Comment))]
        );
}

/// <summary>A released mark that was changed.</summary>
public sealed record PersonMarkChange(DateTimeOffset At, string Before, string After, string Reason);

/// <summary>A question about a note, and its answer.</summary>
public sealed record PersonQuestion(DateTimeOffset AskedAt, string Note, string Text, string? Reply);

/// <summary>A step of help that was given while the person drew: what was said, and what it showed.</summary>
public sealed record PersonHelp(DateTimeOffset At, string Step, JsonElement Said);

/// <summary>An earlier state of a drawing, or one that lost a conflict or came too late.</summary>
public sealed record PersonState(DateTimeOffset At, CheckpointReason Reason, string Drawing);

/// <summary>Gathers what is kept of a person.</summary>
public sealed class PersonExport(BlueSlateContext database)
{
    /// <summary>Of one cohort, for its instructor; of all, for the person.</summary>
    public async Task<PersonFile> OfAsync(Guid person, Guid? cohort, CancellationToken cancellation)
    {
        var account = await database.Users.AsNoTracking().FirstAsync(row => row.Id == person, cancellation);
        var cohorts = await database
            .Memberships.Where(member => member.AccountId == person && (cohort == null || member.CohortId == cohort))
            .OrderBy(member => member.Cohort!.Name)
            .Select(member => new PersonCohort(member.Cohort!.Name, member.Role))
            .ToArrayAsync(cancellation);
        var answers = await database
            .Answers.AsNoTracking()
            .Include(answer => answer.Exercise!.Cohort)
            .AsSplitQuery()
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Asked)
            .Include(answer => answer.Works)
                .ThenInclude(work => work.Released)
            .Where(answer => answer.AccountId == person && (cohort == null || answer.Exercise!.CohortId == cohort))
            .OrderBy(answer => answer.StartedAt)
            .ToListAsync(cancellation);
        var ids = answers.SelectMany(answer => answer.Works).Select(work => work.Id).ToList();
        var states = await database
            .Checkpoints.AsNoTracking()
            .Where(state => ids.Contains(state.WorkId))
            .OrderBy(state => state.At)
            .ToListAsync(cancellation);
        var help = await database
            .GivenHelp.AsNoTracking()
            .Where(one => ids.Contains(one.WorkId))
            .OrderBy(one => one.Number)
            .ToListAsync(cancellation);
        var changes = await database
            .MarkRevisions.AsNoTracking()
            .Where(change => ids.Contains(change.WorkId))
            .OrderBy(change => change.At)
            .ToListAsync(cancellation);
        var questions = await database
            .NoteQueries.AsNoTracking()
            .Where(query => ids.Contains(query.WorkId))
            .OrderBy(query => query.AskedAt)
            .ToListAsync(cancellation);
        var extensions = await database
            .Exercises.Where(exercise => cohort == null || exercise.CohortId == cohort)
            .SelectMany(
                exercise => exercise.Extensions.Where(extension => extension.AccountId == person),
                (exercise, extension) =>
                    new PersonExtension(exercise.Title, extension.Until, extension.ExtraMinutes, extension.Reason)
            )
            .ToArrayAsync(cancellation);
        var signIns = await database
            .AuditEvents.Where(line => line.Kind == AuditKind.SignIn && line.ActorId == person)
            .OrderBy(line => line.At)
            .Select(line => line.At)
            .ToArrayAsync(cancellation);
        return new PersonFile(
            "blue-slate-person",
            6,
            account.DisplayName,
            account.Email!,
            cohorts,
            [.. answers.Select(ToAnswer)],
            extensions,
            signIns
        );

        PersonAnswer ToAnswer(Answer answer) =>
            new(
                answer.Exercise!.Title,
                answer.Exercise.Cohort!.Name,
                answer.Attempt,
                answer.StartedAt,
                answer.HandedInAt,
                answer.EndedByTime,
                answer.Late,
                answer.Receipt,
                answer.Withheld,
                answer.HandedInBecause,
                answer.ReopenedUntil,
                answer.ReopenedBecause,
                answer.MarksSeenAt,
                [.. answer.Works.OrderBy(work => work.Asked!.Position).Select(ToWork)]
            );

        PersonWork ToWork(Work work) =>
            new(
                ExerciseJson.Read<PartDocument>(work.Asked!.Document).Title,
                work.SavedAt,
                work.ClosedAt,
                work.DrawingHash,
                work.Drawing,
                [
                    .. states
                        .Where(state => state.WorkId == work.Id)
                        .Select(state => new PersonState(state.At, state.Reason, state.Drawing)),
                ],
                [
                    .. help.Where(one => one.WorkId == work.Id)
                        .Select(one => new PersonHelp(one.At, one.Step, ExerciseJson.Read<JsonElement>(one.Said))),
                ],
                work.Released is null ? null : PersonMarks.Of(ExerciseJson.Read<FrozenSheet>(work.Released.Frozen)),
                [
                    .. changes
                        .Where(change => change.WorkId == work.Id)
                        .Select(change => new PersonMarkChange(change.At, change.Before, change.After, change.Reason)),
                ],
                [
                    .. questions
                        .Where(query => query.WorkId == work.Id)
                        .Select(query => new PersonQuestion(query.AskedAt, query.Headline, query.Text, query.Reply)),
                ]
            );
    }
}
