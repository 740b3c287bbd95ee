using System.Globalization;
using System.IO.Compression;
using System.Net.Mime;
using System.Text;
using BlueSlate.Data;
using BlueSlate.Drafting.Sheets;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Features.Audit;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>How the sheets of a class are wanted: in one document or a document each, by names or by candidate codes.</summary>
public sealed record SheetsRequest(bool Together, bool Names = false);

/// <summary>The feedback sheets of an exercise: of everybody whose marks are released, or of one student for that student.</summary>
public sealed class FeedbackSheets(BlueSlateContext database, AuditTrail audit, DraftingLimits limits)
{
    // A document of hundreds of pages is put together at the end, in a process that nobody else waits for.
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(2);
    private const int TimesTheMemory = 2;

    // One at a time on this server, so that drawing and saving never wait for paper.
    private static readonly SemaphoreSlim Turn = new(1);

    /// <summary>
    /// Writes the sheets of a class. The reply tells how far it is while it comes (docs/formats/sheets.md): how many there are, a dot
    /// for each that is written, and then the file. It ends with whoever asked.
    /// </summary>
    public static async Task<IResult> Write(
        Guid id,
        SheetsRequest request,
        Access access,
        FeedbackSheets sheets,
        HttpContext http,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return ExerciseEndpoints.NoSuchExercise();
        }

        var all = await sheets.OfAllAsync(exercise, request.Names, cancellation);
        if (all.Length == 0)
        {
            return Problems.Conflict("nothing-released", "No marks are released yet, so there is nothing to give back on paper.");
        }

        http.Response.ContentType = MediaTypeNames.Application.Octet;
        await sheets.WriteAsync(exercise, request.Together, all, http.Response.Body, cancellation);
        return TypedResults.Empty;
    }

    /// <summary>The sheet of one's own answer.</summary>
    public static async Task<IResult> Own(
        Guid id,
        Access access,
        FeedbackSheets sheets,
        DraftingPool pool,
        CancellationToken cancellation
    )
    {
        if (!await access.OwnAnswers().AnyAsync(answer => answer.Id == id, cancellation))
        {
            return Answers.AnswerEndpoints.NoSuchAnswer();
        }

        var own = await sheets.SheetsAsync(sheets.HandedIn.Where(answer => answer.Id == id), true, cancellation);
        if (own.Length == 0)
        {
            return Problems.NotFound("not-released", "The marks of this answer are not released yet.");
        }

        var drafted = await pool.DoAsync(access.AccountId, DraftRequest.Of(own, null), cancellation);
        return drafted.Reply is { Picture: { } written }
            ? TypedResults.File(written, MediaTypeNames.Application.Pdf, $"{own[0].Title}.pdf")
            : drafted.Refusal!;
    }

    private IQueryable<Answer> HandedIn => database.Answers.Where(answer => answer.Counts);

    private async Task<FeedbackSheet[]> OfAllAsync(Exercise exercise, bool names, CancellationToken cancellation)
    {
        var sheets = await SheetsAsync(HandedIn.Where(answer => answer.ExerciseId == exercise.Id), names, cancellation);
        if (names && sheets.Length > 0)
        {
            audit.Add(AuditKind.IdentityView, exercise.CohortId, "the names on feedback sheets", exercise.Id);
            await database.SaveChangesAsync(cancellation);
        }

        return sheets;
    }

    // Of those that are released, by candidate codes or names in their order.
    private async Task<FeedbackSheet[]> SheetsAsync(IQueryable<Answer> answers, bool names, CancellationToken cancellation)
    {
        var rows = await answers
            .Where(answer => answer.Works.All(work => work.Released != null))
            .Join(
                database.Users,
                answer => answer.AccountId,
                account => account.Id,
                (answer, account) =>
                    new
                    {
                        answer.CandidateCode,
                        account.DisplayName,
                        Parts = answer
                            .Works.OrderBy(work => work.Asked!.Position)
                            .Select(work => new { work.Released!.Frozen, work.Released.ReleasedAt })
                            .ToList(),
                    }
            )
            .AsSplitQuery()
            .ToListAsync(cancellation);
        return
        [
            .. rows.Select(row =>
                    SheetOf.Answer(
                        [.. row.Parts.Select(part => ExerciseJson.Read<FrozenSheet>(part.Frozen))],
                        names ? row.DisplayName : row.CandidateCode,
                        row.Parts[0].ReleasedAt
                    )
                )
                .OrderBy(sheet => sheet.For, StringComparer.Ordinal),
        ];
    }

    private async Task WriteAsync(
        Exercise exercise,
        bool together,
        FeedbackSheet[] sheets,
        Stream body,
        CancellationToken cancellation
    )
    {
        await SayAsync(body, $"{sheets.Length}\n", cancellation);
        await Turn.WaitAsync(cancellation);
        try
        {
            using var process = DraftingProcess.Start(limits with { Time = Longest, Memory = TimesTheMemory * limits.Memory });
            var written = new List<byte[]>();
            await foreach (
                var reply in process.AskForAllAsync(DraftRequest.Of(sheets, together ? exercise.Title : null), cancellation)
            )
            {
                if (reply.Picture is { } document)
                {
                    written.Add(document);
                }

                if (reply.MoreFollow || !together)
                {
                    await SayAsync(body, ".", cancellation);
                }
            }

            await SayAsync(body, "\n", cancellation);
            await body.WriteAsync(together ? written[0] : Zipped(sheets, written), cancellation);
        }
        finally
        {
            Turn.Release();
        }
    }

    private static async Task SayAsync(Stream body, string text, CancellationToken cancellation)
    {
        await body.WriteAsync(Encoding.ASCII.GetBytes(text), cancellation);
        await body.FlushAsync(cancellation);
    }

    private static byte[] Zipped(FeedbackSheet[] sheets, List<byte[]> written)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            var used = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
            foreach (var (sheet, document) in sheets.Zip(written))
            {
                using var entry = zip.CreateEntry(NameFor(sheet, used), CompressionLevel.NoCompression).Open();
                entry.Write(document);
            }
        }

        return bytes.ToArray();
    }

    // Two of one name get numbers; what no file may be called is left out.
    private static string NameFor(FeedbackSheet sheet, HashSet<string> used)
    {
        var plain = new string([
            .. sheet.For.Where(letter => char.IsLetterOrDigit(letter) || letter is ' ' or '-' or '.' or '_'),
        ]).Trim(' ', '.');
        var name = plain.Length == 0 ? "answer" : plain;
        for (var number = 2; !used.Add(name); number++)
        {
            name = string.Create(CultureInfo.InvariantCulture, $"{plain} {number}");
        }

        return $"{name}.pdf";
    }
}
