using System.Collections.Immutable;
using System.Linq.Expressions;
using System.Security.Cryptography;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Draws a sample of so many answers.</summary>
public sealed record SampleRequest(int Count);

/// <summary>
/// The sample: how far each marker is, which answers the caller has still to mark, how many others could be drawn and how many cannot
/// since somebody has seen what was found in them, and how far two agree.
/// </summary>
public sealed record SampleReply(
    int Size,
    SampleMarker[] Markers,
    SampleTask[] Mine,
    int Free,
    int Seen,
    AgreementReply? Agreement
);

/// <summary>A marker and how many answers of the sample that person is done with.</summary>
public sealed record SampleMarker(string Name, int Done, bool Me);

/// <summary>An answer of the sample, and whether the caller is done with it.</summary>
public sealed record SampleTask(Guid Id, string Code, bool Done);

/// <summary>How far the two who marked most of the sample agree with each other, and their mean with the marks here.</summary>
/// <param name="First">One of the two.</param>
/// <param name="Second">The other.</param>
/// <param name="BetweenThem">Their agreement.</param>
/// <param name="WithMarks">The agreement of the mean of the two with the marks that stand.</param>
/// <param name="Maximum">The marks in all.</param>
/// <param name="Titles">What the lines are called, by id.</param>
/// <param name="Differences">The lines of answers on which the two differ, those that are furthest apart first.</param>
public sealed record AgreementReply(
    string First,
    string Second,
    Agreement BetweenThem,
    Agreement WithMarks,
    Rational Maximum,
    ImmutableSortedDictionary<string, string> Titles,
    SampleDifference[] Differences
);

/// <summary>A line of an answer that two people gave different marks.</summary>
/// <param name="WorkId">The work.</param>
/// <param name="Code">Its candidate code.</param>
/// <param name="Line">The line, by id.</param>
/// <param name="Marks">What it is worth.</param>
/// <param name="First">What the first gave.</param>
/// <param name="Second">What the second gave.</param>
/// <param name="FirstWhy">Why, as the first said; null when nothing was.</param>
/// <param name="SecondWhy">Why, as the second said.</param>
/// <param name="Here">What stands.</param>
/// <param name="Released">Whether the marks are released, so that nothing is settled here any more.</param>
public sealed record SampleDifference(
    Guid WorkId,
    string Code,
    string Line,
    Rational Marks,
    Rational First,
    Rational Second,
    string? FirstWhy,
    string? SecondWhy,
    Rational Here,
    bool Released
);

/// <summary>An answer to be marked without seeing what was found in it.</summary>
public sealed record BlindReply(
    Guid Id,
    Guid ExerciseId,
    string Title,
    string Code,
    string ScenarioHtml,
    PartDocument Part,
    string Drawing,
    BlindLine[] Lines,
    bool Done
);

/// <summary>A line of the scheme with what the caller gave it, null when nothing yet, and why.</summary>
public sealed record BlindLine(string Id, string Title, Rational Marks, Rational? Given, string? Why);

/// <summary>Marks by line; done when all are given and it says so.</summary>
public sealed record BlindRequest(GivenMarks[] Marks, bool Done);

/// <summary>What one line is given, and why where that wants to be said.</summary>
public sealed record GivenMarks(string Line, Rational Marks, string? Why = null);

/// <summary>
/// A sample of answers that two people mark line by line, neither seeing what was found nor what the other gave, so that a
/// class can be told how far its marks are to be trusted.
/// </summary>
public sealed class BlindSample(
    BlueSlateContext database,
    WorkAssessment assessment,
    ScenarioRenderer renderer,
    Access access,
    TimeProvider clock
)
{
    private const int MostAnswers = 50;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder group)
    {
        group
            .MapGet("/parts/{id:guid}/sample", (Guid id, BlindSample sample, CancellationToken cancellation) =>
                sample.GetAsync(id, cancellation)
            )
            .ForStaff()
            .Produces<SampleReply>();
        group
            .MapPost(
                "/parts/{id:guid}/sample",
                (Guid id, SampleRequest request, BlindSample sample, CancellationToken cancellation) =>
                    sample.DrawAsync(id, request, cancellation)
            )
            .ForInstructors()
            .Produces<SampleReply>();
        group
            .MapGet("/blind/{id:guid}", (Guid id, BlindSample sample, CancellationToken cancellation) =>
                sample.OpenAsync(id, cancellation)
            )
            .ForStaff()
            .Produces<BlindReply>();
        group
            .MapPut("/blind/{id:guid}", (Guid id, BlindRequest request, BlindSample sample, CancellationToken cancellation) =>
                sample.SaveAsync(id, request, cancellation)
            )
            .ForStaff()
            .Produces<BlindReply>();
    }

    /// <summary>
    /// Answers of the sample that the caller has still to mark, and that not yet two have marked: what was found in them is not
    /// for the caller yet.
    /// </summary>
    public IQueryable<Guid> BlindForMe()
    {
        var me = access.AccountId;
        return database
            .SampleWorks.Where(row =>
                !database.BlindMarkings.Any(marking =>
                    marking.WorkId == row.WorkId && marking.ById == me && marking.DoneAt != null
                )
                && database.BlindMarkings.Count(marking => marking.WorkId == row.WorkId && marking.DoneAt != null) < 2
            )
            .Select(row => row.WorkId);
    }

    /// <summary>Whether some of this work is in the sample, and not yet marked by two.</summary>
    public Task<bool> AnyIsBlindAsync(IReadOnlyCollection<Guid> works, CancellationToken cancellation) =>
        database.SampleWorks.AnyAsync(
            row =>
                works.Contains(row.WorkId)
                && database.BlindMarkings.Count(marking => marking.WorkId == row.WorkId && marking.DoneAt != null) < 2,
            cancellation
        );

    /// <summary>How far two agree; null while no answer has been marked by two.</summary>
    public async Task<AgreementReply?> AgreementAsync(Guid partId, CancellationToken cancellation) =>
        await AgreementAsync(await DoneAsync(partId, cancellation), cancellation);

    private async Task<AgreementReply?> AgreementAsync(List<BlindMarking> done, CancellationToken cancellation)
    {
        var people = done.GroupBy(marking => marking.ById)
            .OrderByDescending(group => group.Count())
            .ThenBy(group => group.Min(marking => marking.At))
            .Select(group => group.ToDictionary(marking => marking.WorkId))
            .ToList();
        var pair = people
            .SelectMany(
                (one, i) =>
                    people
                        .Skip(i + 1)
                        .Select(other => (One: one, Other: other, Both: one.Keys.Intersect(other.Keys).Order().ToList()))
            )
            .Where(pair => pair.Both.Count > 0)
            .OrderByDescending(pair => pair.Both.Count)
            .FirstOrDefault();
        if (pair.Both is null)
        {
            return null;
        }

        var lines =
            new List<(
                ImmutableSortedDictionary<string, Rational> One,
                ImmutableSortedDictionary<string, Rational> Other,
                ImmutableSortedDictionary<string, Rational> Here
            )>();
        var maximum = Rational.Zero;
        var titles = ImmutableSortedDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var differences = new List<SampleDifference>();
        foreach (var id in pair.Both)
        {
            var run = await assessment.RunAsync(id, cancellation);
            var sheet = run.Assessment.Sheet;
            maximum = sheet.Maximum;

            // Lines that have come or gone since are left out on all sides.
            var (one, other) = (MarksOf(pair.One[id]), MarksOf(pair.Other[id]));
            var (oneSaid, otherSaid) = (ReasonsOf(pair.One[id]), ReasonsOf(pair.Other[id]));
            var known = sheet.Lines.Where(line => one.ContainsKey(line.Line.Id) && other.ContainsKey(line.Line.Id)).ToList();
            ImmutableSortedDictionary<string, Rational> Of(Func<LineResult, Rational> marks) =>
                known.ToImmutableSortedDictionary(line => line.Line.Id, marks, StringComparer.Ordinal);
            foreach (var line in known)
            {
                titles[line.Line.Id] = line.Line.Title;
                var (first, second) = (one[line.Line.Id], other[line.Line.Id]);
                if (first != second)
                {
                    differences.Add(
                        new SampleDifference(
                            id,
                            run.Work.Answer!.CandidateCode,
                            line.Line.Id,
                            line.Line.Marks,
                            first,
                            second,
                            oneSaid.GetValueOrDefault(line.Line.Id),
                            otherSaid.GetValueOrDefault(line.Line.Id),
                            line.Earned,
                            run.Work.Released is not null
                        )
                    );
                }
            }

            lines.Add((Of(line => one[line.Line.Id]), Of(line => other[line.Line.Id]), Of(line => line.Earned)));
        }

        var names = await NamesAsync([pair.One.Values.First().ById, pair.Other.Values.First().ById], cancellation);
        var mean = lines.ConvertAll(line =>
            line.One.ToImmutableSortedDictionary(
                mark => mark.Key,
                mark => (mark.Value + line.Other[mark.Key]) * Rational.Half,
                StringComparer.Ordinal
            )
        );
        return new AgreementReply(
            names[pair.One.Values.First().ById],
            names[pair.Other.Values.First().ById],
            Agreement.Of(lines.ConvertAll(line => line.One), lines.ConvertAll(line => line.Other))!,
            Agreement.Of(mean, lines.ConvertAll(line => line.Here))!,
            maximum,
            titles.ToImmutable(),
            [
                .. differences
                    .OrderByDescending(difference =>
                        Rational.Max(difference.First, difference.Second) - Rational.Min(difference.First, difference.Second)
                    )
                    .ThenBy(difference => difference.Code, StringComparer.Ordinal)
                    .ThenBy(difference => titles[difference.Line], StringComparer.Ordinal),
            ]
        );
    }

    private async Task<IResult> GetAsync(Guid partId, CancellationToken cancellation) =>
        await access.StaffParts().AnyAsync(row => row.Id == partId, cancellation)
            ? TypedResults.Ok(await ReplyAsync(partId, cancellation))
            : PartEndpoints.NoSuchPart();

    private async Task<IResult> DrawAsync(Guid partId, SampleRequest request, CancellationToken cancellation)
    {
        if (!await access.StaffParts(instructorsOnly: true).AnyAsync(row => row.Id == partId, cancellation))
        {
            return PartEndpoints.NoSuchPart();
        }

        if (request.Count is < 1 or > MostAnswers)
        {
            return Problems.Unreadable("sample", $"A sample holds 1 to {MostAnswers} answers.", "count");
        }

        if (
            await database.ExerciseParts.AnyAsync(
                part => part.Id == partId && database.Exercises.Any(trial => trial.TrialOfId == part.ExerciseId),
                cancellation
            )
        )
        {
            return Problems.Conflict(
                "trial",
                "Another marking is tried on copies of these answers, where everybody sees what was found. Take the copy away first."
            );
        }

        // What is in the sample stays in it; only what is not released, and what nobody has seen, can be marked blind.
        var inIt = await database.SampleWorks.CountAsync(row => row.PartId == partId, cancellation);
        var others = await Undrawn(partId).Where(IsUnseen()).Select(work => work.Id).ToArrayAsync(cancellation);
        if (others.Length == 0 && await Undrawn(partId).AnyAsync(cancellation))
        {
            return Problems.Conflict("all-seen", "Somebody has looked at every other answer: none is left to be marked blind.");
        }

        RandomNumberGenerator.Shuffle(others.AsSpan());
        var now = clock.GetUtcNow();
        database.SampleWorks.AddRange(
            others
                .Take(Math.Max(0, request.Count - inIt))
                .Select(id => new SampleWork
                {
                    WorkId = id,
                    PartId = partId,
                    DrawnAt = now,
                })
        );
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(await ReplyAsync(partId, cancellation));
    }

    private IQueryable<Work> Undrawn(Guid partId) =>
        database.Works.Where(work =>
            work.PartId == partId
            && work.Answer!.Counts
            && work.Released == null
            && !database.SampleWorks.Any(row => row.WorkId == work.Id)
        );

    private Expression<Func<Work, bool>> IsUnseen() =>
        work => work.GoneThroughAt == null && !database.SeenWorks.Any(row => row.WorkId == work.Id);

    /// <summary>Keeps that the caller has looked at what was found in work.</summary>
    public Task SawAsync(Guid workId, CancellationToken cancellation) =>
        database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO seen_works (work_id, by_id, at) VALUES ({workId}, {access.AccountId}, {clock.GetUtcNow()})
            ON CONFLICT DO NOTHING
            """,
            cancellation
        );

    private async Task<SampleReply> ReplyAsync(Guid partId, CancellationToken cancellation)
    {
        var me = access.AccountId;
        var answers = await database
            .SampleWorks.Where(row => row.PartId == partId)
            .Join(database.Works, row => row.WorkId, work => work.Id, (_, work) => new { work.Id, work.Answer!.CandidateCode })
            .OrderBy(row => row.CandidateCode)
            .ToListAsync(cancellation);
        var done = await DoneAsync(partId, cancellation);
        var staff = await database
            .ExerciseParts.Where(row => row.Id == partId)
            .SelectMany(row => row.Exercise!.Cohort!.Members)
            .Where(member => member.Role != CohortRole.Student)
            .Select(member => member.AccountId)
            .ToListAsync(cancellation);
        var free = await Undrawn(partId).CountAsync(IsUnseen(), cancellation);
        var names = await NamesAsync(staff.Union(done.Select(marking => marking.ById)), cancellation);
        return new SampleReply(
            answers.Count,
            [
                .. names
                    .Select(name => new SampleMarker(name.Value, done.Count(marking => marking.ById == name.Key), name.Key == me))
                    .OrderByDescending(marker => marker.Me)
                    .ThenBy(marker => marker.Name, StringComparer.Ordinal),
            ],
            [
                .. answers.Select(answer => new SampleTask(
                    answer.Id,
                    answer.CandidateCode,
                    done.Exists(marking => marking.WorkId == answer.Id && marking.ById == me)
                )),
            ],
            free,
            await Undrawn(partId).CountAsync(cancellation) - free,
            await AgreementAsync(done, cancellation)
        );
    }

    private async Task<IResult> OpenAsync(Guid workId, CancellationToken cancellation) =>
        await InSampleAsync(workId, cancellation) ? TypedResults.Ok(await BlindAsync(workId, cancellation)) : NotInSample();

    private async Task<IResult> SaveAsync(Guid workId, BlindRequest request, CancellationToken cancellation)
    {
        if (!await InSampleAsync(workId, cancellation))
        {
            return NotInSample();
        }

        var blind = await BlindAsync(workId, cancellation);
        if (blind.Done)
        {
            return Problems.Conflict("done", "You are done with this answer; what you gave stands.");
        }

        var lines = blind.Lines.ToDictionary(line => line.Id, StringComparer.Ordinal);
        if (request.Marks.DistinctBy(given => given.Line, StringComparer.Ordinal).Count() < request.Marks.Length)
        {
            return Problems.Unreadable("twice", "A line is given marks once.", "marks");
        }

        foreach (var (id, marks, why) in request.Marks)
        {
            if (why?.Trim().Length > MarkingEndpoints.LongestComment)
            {
                return Problems.Unreadable(
                    "too-long",
                    $"A reason has at most {MarkingEndpoints.LongestComment} characters.",
                    $"marks.{id}"
                );
            }

            if (!lines.TryGetValue(id, out var line))
            {
                return Problems.Unreadable("no-such-line", "The scheme has no such line.", $"marks.{id}");
            }

            if (marks < Rational.Zero || marks > line.Marks)
            {
                return Problems.Unreadable("marks", $"“{line.Title}” is worth 0 to {line.Marks.ToDisplay()}.", $"marks.{id}");
            }
        }

        if (request.Done && request.Marks.Length < lines.Count)
        {
            return Problems.Unreadable("lines-left", $"{lines.Count - request.Marks.Length} lines have no marks yet.", "marks");
        }

        var (me, now, text) = (
            access.AccountId,
            clock.GetUtcNow(),
            ExerciseJson.Write(
                request.Marks.ToImmutableSortedDictionary(given => given.Line, given => given.Marks, StringComparer.Ordinal)
            )
        );
        var said = ExerciseJson.Write(
            request
                .Marks.Where(given => !string.IsNullOrWhiteSpace(given.Why))
                .ToImmutableSortedDictionary(given => given.Line, given => given.Why!.Trim(), StringComparer.Ordinal)
        );
        DateTimeOffset? doneAt = request.Done ? now : null;
        await database.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO blind_markings (work_id, by_id, marks, reasons, at, done_at)
            VALUES ({workId}, {me}, {text}, {said}, {now}, {doneAt})
            ON CONFLICT (work_id, by_id)
            DO UPDATE SET marks = excluded.marks, reasons = excluded.reasons, at = excluded.at, done_at = excluded.done_at
                WHERE blind_markings.done_at IS NULL
            """,
            cancellation
        );
        return TypedResults.Ok(await BlindAsync(workId, cancellation));
    }

    private async Task<BlindReply> BlindAsync(Guid workId, CancellationToken cancellation)
    {
        var me = access.AccountId;
        var (work, scheme) = await assessment.SchemeOfAsync(workId, cancellation);
        var marking = await database
            .BlindMarkings.AsNoTracking()
            .FirstOrDefaultAsync(row => row.WorkId == workId && row.ById == me, cancellation);
        var given = marking is null ? ImmutableSortedDictionary<string, Rational>.Empty : MarksOf(marking);
        var reasons = marking is null ? ImmutableSortedDictionary<string, string>.Empty : ReasonsOf(marking);
        return new BlindReply(
            workId,
            work.Answer!.ExerciseId,
            work.Answer.Exercise!.Title,
            work.Answer.CandidateCode,
            renderer.Render(work.Asked!.Question!.Scenario),
            ExerciseJson.Read<PartDocument>(work.Asked.Document),
            work.Drawing,
            [
                .. scheme.Lines.Select(line => new BlindLine(
                    line.Id,
                    line.Title,
                    line.Marks,
                    given.TryGetValue(line.Id, out var marks) ? marks : null,
                    reasons.GetValueOrDefault(line.Id)
                )),
            ],
            marking?.DoneAt is not null
        );
    }

    private Task<bool> InSampleAsync(Guid workId, CancellationToken cancellation) =>
        access
            .MarkableWorks()
            .AnyAsync(work => work.Id == workId && database.SampleWorks.Any(row => row.WorkId == workId), cancellation);

    private Task<List<BlindMarking>> DoneAsync(Guid partId, CancellationToken cancellation) =>
        database
            .BlindMarkings.AsNoTracking()
            .Where(marking =>
                marking.DoneAt != null && database.SampleWorks.Any(row => row.WorkId == marking.WorkId && row.PartId == partId)
            )
            .ToListAsync(cancellation);

    private Task<Dictionary<Guid, string>> NamesAsync(IEnumerable<Guid> people, CancellationToken cancellation)
    {
        var ids = people.ToList();
        return database
            .Users.Where(account => ids.Contains(account.Id))
            .ToDictionaryAsync(account => account.Id, account => account.DisplayName, cancellation);
    }

    private static ImmutableSortedDictionary<string, Rational> MarksOf(BlindMarking marking) =>
        ExerciseJson.Read<ImmutableSortedDictionary<string, Rational>>(marking.Marks);

    private static ImmutableSortedDictionary<string, string> ReasonsOf(BlindMarking marking) =>
        ExerciseJson.Read<ImmutableSortedDictionary<string, string>>(marking.Reasons);

    private static IResult NotInSample() =>
        Problems.NotFound("no-such-answer", "There is no such answer in a sample that you mark.");
}
