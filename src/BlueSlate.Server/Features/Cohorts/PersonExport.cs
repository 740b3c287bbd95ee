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
    DateTimeOffset[] SignIns
);

/// <summary>A cohort that the person belongs to.</summary>
public sealed record PersonCohort(string Name, CohortRole Role);

/// <summary>An answer with its drawing, its earlier states and, once released, its mark sheet.</summary>
public sealed record PersonAnswer(
    string Exercise,
    string Cohort,
    DateTimeOffset StartedAt,
    DateTimeOffset SavedAt,
    DateTimeOffset? HandedInAt,
    bool Late,
    string? Receipt,
    string DrawingHash,
    string Drawing,
    PersonState[] Earlier,
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
            .Include(answer => answer.Released)
            .Where(answer => answer.AccountId == person && (cohort == null || answer.Exercise!.CohortId == cohort))
            .OrderBy(answer => answer.StartedAt)
            .ToListAsync(cancellation);
        var ids = answers.Select(answer => answer.Id).ToList();
        var states = await database
            .Checkpoints.AsNoTracking()
            .Where(state => ids.Contains(state.AnswerId))
            .OrderBy(state => state.At)
            .ToListAsync(cancellation);
        var changes = await database
            .MarkRevisions.AsNoTracking()
            .Where(change => ids.Contains(change.AnswerId))
            .OrderBy(change => change.At)
            .ToListAsync(cancellation);
        var questions = await database
            .NoteQueries.AsNoTracking()
            .Where(query => ids.Contains(query.AnswerId))
            .OrderBy(query => query.AskedAt)
            .ToListAsync(cancellation);
        var signIns = await database
            .AuditEvents.Where(line => line.Kind == AuditKind.SignIn && line.ActorId == person)
            .OrderBy(line => line.At)
            .Select(line => line.At)
            .ToArrayAsync(cancellation);
        return new PersonFile(
            "blue-slate-person",
            1,
            account.DisplayName,
            account.Email!,
            cohorts,
            [.. answers.Select(ToAnswer)],
            signIns
        );

        PersonAnswer ToAnswer(Answer answer) =>
            new(
                answer.Exercise!.Title,
                answer.Exercise.Cohort!.Name,
                answer.StartedAt,
                answer.SavedAt,
                answer.HandedInAt,
                answer.Late,
                answer.Receipt,
                answer.DrawingHash,
                answer.Drawing,
                [
                    .. states
                        .Where(state => state.AnswerId == answer.Id)
                        .Select(state => new PersonState(state.At, state.Reason, state.Drawing)),
                ],
                answer.Released is null ? null : PersonMarks.Of(ExerciseJson.Read<FrozenSheet>(answer.Released.Frozen)),
                [
                    .. changes
                        .Where(change => change.AnswerId == answer.Id)
                        .Select(change => new PersonMarkChange(change.At, change.Before, change.After, change.Reason)),
                ],
                [
                    .. questions
                        .Where(query => query.AnswerId == answer.Id)
                        .Select(query => new PersonQuestion(query.AskedAt, query.Headline, query.Text, query.Reply)),
                ]
            );
    }
}
