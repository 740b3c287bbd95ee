using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Data;
using Microsoft.AspNetCore.Identity;

namespace BlueSlate.Bench;

/// <summary>Puts a cohort and a published exercise into an empty database, so that clients have something to work on.</summary>
internal static class Course
{
    public const string Password = "a password of the bench";

    public static string Connection { get; } = Environment.GetEnvironmentVariable("BLUESLATE_DATABASE") ?? "";

    public static string EmailOf(int student) => $"student{student}@bench.invalid";

    /// <summary>A cohort with so many students; all have one password.</summary>
    public static async Task<Guid> MakeCohortAsync(int students)
    {
        await using var database = BlueSlateContextFactory.On(Connection);
        var cohort = new Cohort { Id = Guid.CreateVersion7(), Name = "Bench" };
        database.Cohorts.Add(cohort);
        string? hash = null;
        for (var student = 0; student < students; student++)
        {
            var email = EmailOf(student);
            var account = new Account
            {
                Id = Guid.CreateVersion7(),
                DisplayName = $"Student {student}",
                UserName = email,
                NormalizedUserName = email.ToUpperInvariant(),
                Email = email,
                NormalizedEmail = email.ToUpperInvariant(),
                SecurityStamp = Guid.NewGuid().ToString("N"),
            };
            account.PasswordHash = hash ??= new PasswordHasher<Account>().HashPassword(account, Password);
            database.Users.Add(account);
            database.Memberships.Add(
                new Membership
                {
                    CohortId = cohort.Id,
                    AccountId = account.Id,
                    Role = CohortRole.Student,
                }
            );
        }

        await database.SaveChangesAsync();
        return cohort.Id;
    }

    /// <summary>A published exercise with the large model answer.</summary>
    public static async Task<Guid> PublishAsync(Guid cohort)
    {
        await using var database = BlueSlateContextFactory.On(Connection);
        var now = DateTimeOffset.UtcNow;
        var exercise = new Exercise
        {
            Id = Guid.CreateVersion7(),
            CohortId = cohort,
            Title = "Harbour",
            CreatedAt = now,
            PublishedAt = now,
        };
        var part = new PartDocument
        {
            Marks = 40,
            Aids = new AidsDocument
            {
                Sentences = true,
                Redraw = true,
                Lifting = true,
                TidyUp = true,
                Form = true,
            },
        };
        var options = (NotationOptions)part.Learned;
        var scheme = SchemeDocument.Of(
            SchemeDeriver.Derive(FactList.Of(Notation.Read(LargeExercise.Model, options), options), part.Marks)
        );
        database.Exercises.Add(exercise);
        var place = new ExercisePart
        {
            Id = Guid.CreateVersion7(),
            ExerciseId = exercise.Id,
            Position = 1,
        };
        database.ExerciseParts.Add(place);
        var question = new QuestionRevision
        {
            Id = Guid.CreateVersion7(),
            ExerciseId = exercise.Id,
            Number = 1,
            Scenario = "Boats.",
            PublishedAt = now,
        };
        question.Parts.Add(
            new QuestionPart
            {
                QuestionRevisionId = question.Id,
                PartId = place.Id,
                Position = 1,
                Document = Write(part),
            }
        );
        database.QuestionRevisions.Add(question);
        database.AssessmentRevisions.Add(
            new AssessmentRevision
            {
                Id = Guid.CreateVersion7(),
                PartId = place.Id,
                Number = 1,
                Model = DrawingWriter.WriteText(LargeExercise.Model),
                Assessment = Write(new AssessmentDocument { Scheme = scheme }),
                CreatedAt = now,
            }
        );
        foreach (
            var (kind, text) in new[]
            {
                (DocumentKind.Part, Write(part)),
                (DocumentKind.Model, DrawingWriter.WriteText(LargeExercise.Model)),
                (DocumentKind.Assessment, Write(new AssessmentDocument { Scheme = scheme })),
            }
        )
        {
            database.ExercisePartDocuments.Add(
                new ExercisePartDocument
                {
                    PartId = place.Id,
                    Kind = kind,
                    Revision = 1,
                    Text = text,
                    SavedAt = now,
                }
            );
        }

        await database.SaveChangesAsync();
        return exercise.Id;

        static string Write<T>(T value) => JsonSerializer.Serialize(value, Formats.Compact);
    }
}
