using System.Globalization;
using System.Text;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>
/// The marks of an exercise as a table for other programs (docs/formats): a row an answer, a column for every line of every part, by
/// candidate codes or, which the record keeps, by names. What is released is told as it was released.
/// </summary>
public sealed class MarksTable(
    BlueSlateContext database,
    Desk desk,
    WorkAssessment assessment,
    BlindSample sample,
    AuditTrail audit
)
{
    private static readonly CsvConfiguration Spelling = new(CultureInfo.InvariantCulture)
    {
        // What begins like a formula is text, whatever opens the file.
        InjectionOptions = InjectionOptions.Escape,
        InjectionEscapeCharacter = '\'',
    };

    /// <summary>The table of an exercise.</summary>
    public static async Task<IResult> Get(Guid id, bool? names, Access access, MarksTable table, CancellationToken cancellation)
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        return exercise is null
            ? ExerciseEndpoints.NoSuchExercise()
            : TypedResults.File(
                await table.WriteAsync(exercise, names == true, cancellation),
                "text/csv; charset=utf-8",
                $"{exercise.Title} - marks.csv"
            );
    }

    private async Task<byte[]> WriteAsync(Exercise exercise, bool withNames, CancellationToken cancellation)
    {
        var parts = new List<AskedPart>();
        foreach (var part in await desk.PartsAsync(exercise.Id, cancellation))
        {
            parts.Add(new AskedPart(part, (await assessment.AssessorOfAsync(part.Id, cancellation)).Scheme));
        }

        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        var earned = await EarnedAsync(exercise.Id, cancellation);
        var people = withNames ? await PeopleAsync(exercise, cancellation) : [];
        await using var written = new MemoryStream();
        await using (var csv = new CsvWriter(new StreamWriter(written, new UTF8Encoding(true)), Spelling))
        {
            WriteRow(csv, Heads(parts, withNames));
            foreach (
                var answer in (await desk.AnswersAsync(exercise.Id, cancellation)).OrderBy(
                    one => one.Code,
                    StringComparer.Ordinal
                )
            )
            {
                string[] who = withNames
                    ? people.TryGetValue(answer.Id, out var person)
                        ? [person.Name, person.Address]
                        : ["", ""]
                    : [];
                var marks = answer.Works.Any(work => blind.Contains(work.Id)) ? [] : MarksOf(answer, parts, earned);
                WriteRow(csv, [answer.Code, .. who, States[answer.State], answer.Late ? "late" : "", .. marks]);
            }
        }

        return written.ToArray();
    }

    private static IEnumerable<string> Heads(IReadOnlyList<AskedPart> parts, bool withNames)
    {
        string Of(AskedPart one, string what) =>
            parts.Count > 1 && one.Part.Title.Length > 0 ? $"{one.Part.Title}: {what}" : what;
        return
        [
            "candidate",
            .. withNames ? ["name", "email"] : Array.Empty<string>(),
            "state",
            "late",
            $"total of {Number(parts.Aggregate(Rational.Zero, (sum, one) => sum + one.Part.Marks))}",
            .. parts.SelectMany(one =>
                one.Scheme.Lines.Select(line => Of(one, $"{line.Title} (of {Number(line.Marks)})"))
                    .Prepend(Of(one, $"part total of {Number(one.Part.Marks)}"))
            ),
        ];
    }

    // Nothing of what the caller has still to mark blind: a row ends where its marks would begin.
    private static IEnumerable<string> MarksOf(
        DeskAnswer answer,
        IReadOnlyList<AskedPart> parts,
        Dictionary<Guid, Dictionary<string, Rational>> earned
    ) =>
        parts
            .SelectMany(one =>
            {
                var work = answer.Works.First(work => work.PartId == one.Part.Id);
                var lines = earned.GetValueOrDefault(work.Id);
                return one
                    .Scheme.Lines.Select(line =>
                        lines is not null && lines.TryGetValue(line.Id, out var marks) ? Number(marks) : ""
                    )
                    .Prepend(Number(work.Total));
            })
            .Prepend(Number(answer.Total));

    // Line → marks, of every piece of work: as released, or else as it stands.
    private async Task<Dictionary<Guid, Dictionary<string, Rational>>> EarnedAsync(
        Guid exerciseId,
        CancellationToken cancellation
    )
    {
        var works = await database
            .Works.AsNoTracking()
            .Where(work => work.Answer!.ExerciseId == exerciseId && work.Answer.Counts)
            .Select(work => new
            {
                work.Id,
                Released = work.Released == null ? null : work.Released.Frozen,
                Digest = work
                    .Results.OrderByDescending(result => result.At)
                    .ThenByDescending(result => result.Id)
                    .Select(result => result.Digest)
                    .FirstOrDefault(),
            })
            .ToListAsync(cancellation);
        return works.ToDictionary(
            work => work.Id,
            work =>
                work.Released is not null
                    ? ExerciseJson
                        .Read<FrozenSheet>(work.Released)
                        .Result.Lines.ToDictionary(line => line.Id, line => line.Earned)
                : work.Digest is not null
                    ? ExerciseJson.Read<AnswerDigest>(work.Digest).Lines.ToDictionary(line => line.Id, line => line.Earned)
                : []
        );
    }

    private async Task<Dictionary<Guid, (string Name, string Address)>> PeopleAsync(
        Exercise exercise,
        CancellationToken cancellation
    )
    {
        audit.Add(AuditKind.IdentityView, exercise.CohortId, "the names beside the marks, as a table", exercise.Id);
        await database.SaveChangesAsync(cancellation);
        return await database
            .Answers.Where(answer => answer.ExerciseId == exercise.Id && answer.Counts)
            .Join(
                database.Users,
                answer => answer.AccountId,
                account => account.Id,
                (answer, account) =>
                    new
                    {
                        answer.Id,
                        account.DisplayName,
                        account.Email,
                    }
            )
            .ToDictionaryAsync(person => person.Id, person => (person.DisplayName, person.Email ?? ""), cancellation);
    }

    /// <summary>Writes one row of a table.</summary>
    internal static void WriteRow(CsvWriter csv, IEnumerable<string> cells)
    {
        foreach (var cell in cells)
        {
            csv.WriteField(cell);
        }

        csv.NextRecord();
    }

    /// <summary>Marks as other programs read them, to four places; nothing for none.</summary>
    internal static string Number(Rational? marks) =>
        marks is { } known ? Math.Round((double)known, 4).ToString(CultureInfo.InvariantCulture) : "";

    private static readonly Dictionary<AnswerState, string> States = new()
    {
        [AnswerState.Waiting] = "being checked",
        [AnswerState.NeedsPerson] = "needs a person",
        [AnswerState.Checked] = "checked",
        [AnswerState.GoneThrough] = "gone through",
        [AnswerState.Released] = "released",
    };

    private sealed record AskedPart(DeskPart Part, MarkingScheme Scheme);
}
