using System.Globalization;
using System.IO.Compression;
using System.Text;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using CsvHelper;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>
/// The marks of an exercise as OneRoster 1.2 results in CSV (1EdTech, OneRoster 1.2 CSV binding; docs/formats/marks): one line item, one
/// result a student of the class. Only released marks are in it. People go by their addresses, since this installation knows no roster.
/// </summary>
public sealed class Gradebook(BlueSlateContext database, Desk desk, AuditTrail audit)
{
    private const string Category = "blue-slate";

    // Every file that the binding knows; those that are not in the bundle are told to be absent.
    private static readonly string[] Files =
    [
        "academicSessions",
        "categories",
        "classes",
        "classResources",
        "courses",
        "courseResources",
        "demographics",
        "enrollments",
        "lineItemLearningObjectiveIds",
        "lineItems",
        "lineItemScoreScales",
        "orgs",
        "resources",
        "resultLearningObjectiveIds",
        "results",
        "resultScoreScales",
        "roles",
        "scoreScales",
        "userProfiles",
        "userResources",
        "users",
    ];

    /// <summary>The bundle of an exercise.</summary>
    public static async Task<IResult> Get(Guid id, Access access, Gradebook book, CancellationToken cancellation)
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : TypedResults.File(
                await book.WriteAsync(exercise, cancellation),
                "application/zip",
                $"{exercise.Title} - OneRoster results.zip"
            );
    }

    private async Task<byte[]> WriteAsync(Exercise exercise, CancellationToken cancellation)
    {
        var parts = await desk.PartsAsync(exercise.Id, cancellation);
        var students = await StudentsAsync(exercise, cancellation);
        audit.Add(AuditKind.IdentityView, exercise.CohortId, "the addresses beside the marks, as OneRoster results", exercise.Id);
        await database.SaveChangesAsync(cancellation);
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Write(zip, "manifest", Manifest());
            Write(
                zip,
                "categories",
                [
                    ["sourcedId", "status", "dateLastModified", "title", "weight"],
                    [Category, "", "", "Diagramming exercises", ""],
                ]
            );
            Write(zip, "lineItems", LineItem(exercise, parts.Aggregate(Rational.Zero, (sum, part) => sum + part.Marks)));
            Write(zip, "results", [ResultHeads, .. students.Select(student => ResultOf(exercise, student))]);
        }

        return bytes.ToArray();
    }

    private async Task<List<Student>> StudentsAsync(Exercise exercise, CancellationToken cancellation)
    {
        var answers = (await desk.AnswersAsync(exercise.Id, cancellation)).ToDictionary(answer => answer.Id);
        var members = await database
            .Memberships.Where(member => member.CohortId == exercise.CohortId && member.Role == CohortRole.Student)
            .Join(
                database.Users,
                member => member.AccountId,
                account => account.Id,
                (member, account) =>
                    new
                    {
                        account.Id,
                        account.Email,
                        Answer = database
                            .Answers.Where(answer =>
                                answer.ExerciseId == exercise.Id && answer.AccountId == account.Id && answer.Counts
                            )
                            .Select(answer => (Guid?)answer.Id)
                            .FirstOrDefault(),
                        Released = database
                            .ReleasedSheets.Where(sheet =>
                                database.Works.Any(work =>
                                    work.Id == sheet.WorkId
                                    && work.Answer!.ExerciseId == exercise.Id
                                    && work.Answer.AccountId == account.Id
                                )
                            )
                            .Max(sheet => (DateTimeOffset?)sheet.ReleasedAt),
                    }
            )
            .ToListAsync(cancellation);
        return
        [
            .. members
                .OrderBy(member => member.Email, StringComparer.Ordinal)
                .Select(member => new Student(
                    member.Email!,
                    member.Answer is { } id ? answers.GetValueOrDefault(id) : null,
                    member.Released
                )),
        ];
    }

    private static IEnumerable<string[]> Manifest() =>
        [
            ["propertyName", "value"],
            ["manifest.version", "1.0"],
            ["oneroster.version", "1.2"],
            .. Files.Select(file =>
                new[] { $"file.{file}", file is "categories" or "lineItems" or "results" ? "bulk" : "absent" }
            ),
            ["source.systemName", "Blue Slate"],
            ["source.systemCode", "blue-slate"],
        ];

    private static string[][] LineItem(Exercise exercise, Rational maximum) =>
        [
            [
                "sourcedId",
                "status",
                "dateLastModified",
                "title",
                "description",
                "assignDate",
                "dueDate",
                "classSourcedId",
                "categorySourcedId",
                "gradingPeriodSourcedId",
                "resultValueMin",
                "resultValueMax",
                "schoolSourcedId",
            ],
            [
                exercise.Id.ToString(),
                "",
                "",
                exercise.Title,
                "",
                Day(exercise.PublishedAt ?? exercise.CreatedAt),
                Day(exercise.DueAt ?? exercise.ClosesAt ?? exercise.PublishedAt ?? exercise.CreatedAt),
                exercise.CohortId.ToString(),
                Category,
                "",
                "0",
                Number(maximum),
                "",
            ],
        ];

    private static readonly string[] ResultHeads =
    [
        "sourcedId",
        "status",
        "dateLastModified",
        "lineItemSourcedId",
        "studentSourcedId",
        "scoreStatus",
        "score",
        "scoreDate",
        "comment",
        "textScore",
        "classSourcedId",
        "inProgress",
        "incomplete",
        "late",
        "missing",
    ];

    private static string[] ResultOf(Exercise exercise, Student student)
    {
        var (answer, released) = (student.Answer, student.Answer?.State == AnswerState.Released);
        return
        [
            $"{exercise.Id}-{student.Address}",
            "",
            "",
            exercise.Id.ToString(),
            student.Address,
            released ? "fully graded"
            : answer is not null ? "submitted"
            : "not submitted",
            released && answer!.Total is { } total ? Number(total) : "",
            Day(student.ReleasedAt ?? answer?.HandedInAt ?? exercise.DueAt ?? exercise.PublishedAt ?? exercise.CreatedAt),
            "",
            "",
            exercise.CohortId.ToString(),
            "",
            "",
            answer?.Late == true ? "true" : "false",
            answer is null ? "true" : "false",
        ];
    }

    private static void Write(ZipArchive zip, string name, IEnumerable<string[]> rows)
    {
        using var writer = new StreamWriter(zip.CreateEntry($"{name}.csv").Open(), new UTF8Encoding(false));
        using var csv = new CsvWriter(writer, CultureInfo.InvariantCulture);
        foreach (var row in rows)
        {
            MarksTable.WriteRow(csv, row);
        }
    }

    private static string Day(DateTimeOffset at) => at.UtcDateTime.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Number(Rational marks) => MarksTable.Number(marks);

    private sealed record Student(string Address, DeskAnswer? Answer, DateTimeOffset? ReleasedAt);
}
