using System.Security.Cryptography;
using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Drafting;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Logging.Abstractions;

namespace BlueSlate.Server.Features.Demo;

/// <summary>The demo course as a file: people, and for each exercise who handed in which drawing.</summary>
public sealed record DemoCourse(string Cohort, DemoMember[] People, DemoExercise[] Exercises);

/// <summary>A made-up person.</summary>
public sealed record DemoMember(string Name, string Role);

/// <summary>
/// An exercise of the demo: its folder, its state, the answers, and whether it may be sat as often as one likes, the best attempt counting.
/// </summary>
public sealed record DemoExercise(string Folder, string State, DemoAnswer[] Answers, bool ForPractice = false);

/// <summary>
/// A made-up answer: who drew it, the file in the folder of each part, and whether it is handed in, late, or still being drawn.
/// </summary>
public sealed record DemoAnswer(string Who, string Drawing, string State);

/// <summary>Fills an empty database with the demo course; refuses one that has accounts.</summary>
public sealed class DemoSeed(BlueSlateContext database, string folder, TimeProvider clock)
{
    private readonly DateTimeOffset now = clock.GetUtcNow();
    private readonly List<Exercise> released = [];
    private readonly Dictionary<Guid, Guid> heldAgainst = [];

    /// <summary>Seeds the database of this process's environment from a folder.</summary>
    public static Task<int> RunAsync(string folder) =>
        RunAsync(folder, ServerSettings.AppConnection(ServerSettings.FromEnvironment()));

    /// <summary>Seeds a database; gives the process's exit code.</summary>
    public static async Task<int> RunAsync(string folder, string connection)
    {
        await using var database = BlueSlateContextFactory.On(connection);
        if (await database.Settings.AnyAsync(setting => setting.Key == DemoEndpoints.Mark))
        {
            Console.WriteLine("The demo course is in place.");
            return 0;
        }

        if (await database.Users.AnyAsync())
        {
            await Console.Error.WriteLineAsync("This database has accounts; the demo course goes only into an empty one.");
            return 1;
        }

        var seed = new DemoSeed(database, folder, TimeProvider.System);
        await seed.FillAsync();
        await seed.ReleaseAsync();
        await seed.SignAsync();
        Console.WriteLine("The demo course was put into the empty database.");
        return 0;
    }

    /// <summary>Writes the course in one transaction.</summary>
    public async Task FillAsync()
    {
        var course = JsonSerializer.Deserialize<DemoCourse>(
            await File.ReadAllTextAsync(Path.Combine(folder, "course.json")),
            Formats.Json
        )!;
        await using var transaction = await database.Database.BeginTransactionAsync();
        var cohort = new Cohort { Id = Guid.CreateVersion7(), Name = course.Cohort };
        database.Cohorts.Add(cohort);
        var people = course.People.ToDictionary(
            person => person.Name,
            person => AddPerson(person, cohort),
            StringComparer.Ordinal
        );
        var age = 0;
        foreach (var exercise in course.Exercises)
        {
            await AddExerciseAsync(exercise, cohort, people, now.AddDays(-10).AddHours(age++));
        }

        database.Settings.Add(new Setting { Key = DemoEndpoints.Mark, Value = now.ToString("O") });
        await database.SaveChangesAsync();
        await transaction.CommitAsync();
    }

    /// <summary>The record's lines of seeding, which no request made, are the instructor's.</summary>
    public async Task SignAsync()
    {
        var instructor = await database
            .Memberships.Where(member => member.Role == CohortRole.Instructor)
            .Select(member => member.AccountId)
            .FirstAsync();
        await database.AuditEvents.ExecuteUpdateAsync(set => set.SetProperty(line => line.ActorId, instructor));
    }

    /// <summary>Checks and releases the exercises whose marks are out in the demo.</summary>
    public async Task ReleaseAsync()
    {
        var assessment = new WorkAssessment(database, new AssessorStore(), NullLogger<WorkAssessment>.Instance);
        foreach (var exercise in released)
        {
            var handedIn = await database
                .Works.Where(work => work.Answer!.ExerciseId == exercise.Id && work.Answer.HandedInAt != null)
                .Select(work => work.Id)
                .ToListAsync();
            foreach (var id in handedIn)
            {
                await assessment.StoreAsync(await assessment.RunAsync(id, CancellationToken.None), now, CancellationToken.None);
            }

            await database
                .CheckRequests.Where(request => handedIn.Contains(request.WorkId))
                .ExecuteUpdateAsync(set => set.SetProperty(request => request.DoneAt, now));
            await database
                .Works.Where(work => handedIn.Contains(work.Id))
                .ExecuteUpdateAsync(set => set.SetProperty(work => work.GoneThroughAt, now));
            await new Releasing(
                database,
                new Desk(database),
                assessment,
                new AuditTrail(database, new HttpContextAccessor(), clock),
                clock
            ).ReleaseAsync(exercise, false, CancellationToken.None);
        }
    }

    private Account AddPerson(DemoMember person, Cohort cohort)
    {
        var address =
            string.Concat(person.Name.ToLowerInvariant().Where(c => char.IsAsciiLetterLower(c) || c == ' ')).Replace(' ', '.')
            + "@demo.invalid";
        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            DisplayName = person.Name,
            UserName = address,
            NormalizedUserName = address.ToUpperInvariant(),
            Email = address,
            NormalizedEmail = address.ToUpperInvariant(),
            SecurityStamp = Convert.ToHexString(RandomNumberGenerator.GetBytes(16)),
        };

        // A password of its own for each database; the demo signs in without one.
        account.PasswordHash = new PasswordHasher<Account>().HashPassword(
            account,
            Convert.ToHexString(RandomNumberGenerator.GetBytes(16))
        );
        database.Users.Add(account);
        database.Memberships.Add(
            new Membership
            {
                CohortId = cohort.Id,
                AccountId = account.Id,
                Role = Enum.Parse<CohortRole>(person.Role, ignoreCase: true),
            }
        );
        return account;
    }

    private async Task AddExerciseAsync(DemoExercise demo, Cohort cohort, Dictionary<string, Account> people, DateTimeOffset made)
    {
        var path = Path.Combine(folder, demo.Folder);
        var question = JsonSerializer.Deserialize<QuestionDocument>(
            await File.ReadAllTextAsync(Path.Combine(path, "question.json")),
            Formats.Json
        )!;
        var scenario = await File.ReadAllTextAsync(Path.Combine(path, "scenario.md"));
        var parts = new List<NewPart>();
        foreach (var (part, at) in question.Parts.Select((part, at) => (part, at)))
        {
            parts.Add(await PartAsync(question.FolderOf(path, at), part, withScheme: demo.State != "draft"));
        }

        var exercise = NewExercise.Make(question.Title, cohort.Id, made, scenario, parts);
        database.Exercises.Add(exercise);
        if (demo.State == "released")
        {
            released.Add(exercise);
        }

        if (demo.State == "draft")
        {
            return;
        }

        (exercise.Attempts, exercise.BestCounts) = demo.ForPractice ? ((int?)null, true) : (1, false);
        exercise.PublishedAt = made.AddHours(2);
        exercise.DueAt = new DateTimeOffset(now.Date.AddDays(demo.State == "open" ? 5 : -1).AddHours(17), TimeSpan.Zero);
        var published = Publishing.Asked(exercise, exercise.PublishedAt.Value);
        database.QuestionRevisions.Add(published);
        foreach (var revision in exercise.Parts.Select(part => Publishing.HeldAgainst(part, 1, exercise.PublishedAt.Value)))
        {
            database.AssessmentRevisions.Add(revision);
            heldAgainst[revision.PartId] = revision.Id;
        }

        var codes = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (answer, i) in demo.Answers.Select((answer, i) => (answer, i)))
        {
            var drawn = await AddAnswerAsync(
                answer,
                [.. question.Parts.Select((_, at) => question.FolderOf(Path.Combine(path, "answers"), at))],
                published,
                people[answer.Who],
                answer.State == "late" ? exercise.DueAt.Value.AddMinutes(12) : exercise.PublishedAt.Value.AddHours(3 + i),
                codes,
                QuestionDocument.MinutesOf(question.Parts)
            );
            if (drawn.HandedInAt is { } handedIn)
            {
                Sittings.WriteLateness(drawn, Sittings.Of(exercise, minutes: null), handedIn);
            }
        }
    }

    private static async Task<NewPart> PartAsync(string folder, PartDocument part, bool withScheme)
    {
        var assessment = JsonSerializer.Deserialize<AssessmentDocument>(
            await File.ReadAllTextAsync(Path.Combine(folder, "assessment.json")),
            Formats.Json
        )!;
        var model = await DrawingAsync(Path.Combine(folder, "model.json"));
        var options = part.Learned;
        var derived = SchemeDeriver.Derive(Subject.Of(options).Facts(model, options), part.Marks);
        return new NewPart(
            part,
            model,
            assessment with
            {
                Scheme = withScheme ? assessment.Scheme ?? SchemeDocument.Of(derived) : null,
            }
        );
    }

    private async Task<Answer> AddAnswerAsync(
        DemoAnswer demo,
        string[] folders,
        QuestionRevision question,
        Account account,
        DateTimeOffset started,
        HashSet<string> codes,
        int? minutes
    )
    {
        var drawings = new List<Drawing>();
        foreach (var folder in folders)
        {
            drawings.Add(await DrawingAsync(Path.Combine(folder, demo.Drawing)));
        }

        var drawingStill = demo.State == "drawing";
        var begun = drawingStill ? now : started;
        Answer answer;
        do
        {
            answer = NewAnswer.Make(
                account.Id,
                question,
                begun,
                minutes is { } limit ? begun.AddMinutes(limit) : null,
                attempt: 1,
                part => drawings[part.Position - 1]
            );
        } while (!codes.Add(answer.CandidateCode));

        database.Answers.Add(answer);
        if (drawingStill)
        {
            return answer;
        }

        // Some are quicker than others, and nobody takes longer than is allowed.
        answer.HandedInAt = started.AddMinutes(Math.Min(minutes ?? 60, 13 + (codes.Count * 7 % 24)));
        answer.Counts = true;
        answer.Receipt = $"{NewAnswer.Code(4)}-{NewAnswer.Code(4)}";
        database.CheckRequests.AddRange(
            answer.Works.Select(work => new CheckRequest
            {
                Id = Guid.CreateVersion7(),
                WorkId = work.Id,
                AssessmentRevisionId = heldAgainst[work.PartId],
                RequestedAt = answer.HandedInAt.Value,
            })
        );
        return answer;
    }

    private static async Task<Drawing> DrawingAsync(string path)
    {
        var outcome = DrawingReader.Read(await File.ReadAllBytesAsync(path));
        return outcome.Drawing is { } drawing
            ? Placer.Place(drawing)
            : throw new InvalidDataException($"{path}: {outcome.Problems[0].Path}: {outcome.Problems[0].Message}");
    }
}
