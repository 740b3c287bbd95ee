using BlueSlate.Core.Helping;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>
/// Asks for a step of help with a drawing: how many differences there are; without that and without a number, where one is of which
/// nothing was said yet; with the number of an earlier step, the step after it.
/// </summary>
public sealed record HelpRequest(string Drawing, bool HowMany = false, int? After = null);

/// <summary>A step of help as its student reads it.</summary>
/// <param name="Number">Which it is, from 1.</param>
/// <param name="About">The number of the first step about the same difference; null where it is about none.</param>
/// <param name="Step">How far it goes.</param>
/// <param name="Said">What is said.</param>
/// <param name="Elements">What it is about on the slate.</param>
/// <param name="Places">The words of the scenario that it is about.</param>
/// <param name="Last">Whether it is the last that was said of its difference, so that more may be asked.</param>
public sealed record HintReply(
    int Number,
    int? About,
    HelpStep Step,
    string Said,
    string[] Elements,
    ScenarioPlace[] Places,
    bool Last
);

/// <summary>All help that was given with work, and how often one may still ask.</summary>
/// <param name="Left">How often one may still ask.</param>
/// <param name="Hints">What was said, in its order.</param>
/// <param name="Mended">The numbers of first steps whose difference is no longer there; null where nobody has looked.</param>
/// <param name="Refused">Why nothing more was said this time; it cost nothing.</param>
public sealed record HelpReply(int Left, HintReply[] Hints, int[]? Mended = null, string? Refused = null);

/// <summary>Help while one draws for practice: rationed, a step at a time, and kept with the work.</summary>
public sealed class Help(BlueSlateContext database, WorkAssessment assessment, ScenarioRenderer renderer, TimeProvider clock)
{
    /// <summary>What a step showed, as it is stored.</summary>
    private sealed record Shown(string Said, string[] Elements, ScenarioPlace[] Places);

    /// <summary>Asks for a step.</summary>
    public static async Task<IResult> Ask(Guid id, HelpRequest request, Access access, Help help, CancellationToken cancellation)
    {
        if (!await access.OwnWorks().AnyAsync(work => work.Id == id, cancellation))
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        return await help.AskAsync(id, request, cancellation);
    }

    /// <summary>What was said so far with work of which so many steps are allowed.</summary>
    public async Task<HelpReply> OfAsync(Guid work, int allowed, CancellationToken cancellation) =>
        ReplyOf(await GivenAsync(work, cancellation), allowed);

    private async Task<IResult> AskAsync(Guid id, HelpRequest request, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        // One step at a time, so that two pages of one student do not get more than is allowed.
        await database.Database.ExecuteSqlAsync($"SELECT 1 FROM works WHERE id = {id} FOR UPDATE", cancellation);
        var work = await database
            .Works.AsNoTracking()
            .Include(row => row.Answer)
            .Include(row => row.Asked!.Question)
            .FirstAsync(row => row.Id == id, cancellation);
        var part = ExerciseJson.Read<PartDocument>(work.Asked!.Document);
        if (part.Aids.Help == 0)
        {
            return Problems.NotAllowed("In this exercise there is no help.");
        }

        if (work.Answer!.HandedInAt is not null)
        {
            return Problems.Conflict("handed-in", "This answer is handed in; its notes come with its marks.");
        }

        if (Subject.Of(part.Learned).Parse(request.Drawing) is not { } document)
        {
            return DrawingInput.Read(request.Drawing).Refusal!;
        }

        var given = await GivenAsync(id, cancellation);
        var (assessed, revision) = await assessment.OfAsync(work, document, cancellation);
        var helper = new Helper(assessed, PlacesOf(work, part, revision));
        var (hint, refused) =
            document.IsBlank ? (null, "Draw something first.")
            : given.Count >= part.Aids.Help ? (null, "You have asked as often as this exercise allows.")
            : Next(helper, given, request);
        if (hint is not null)
        {
            var made = new GivenHelp
            {
                WorkId = id,
                Number = given.Count + 1,
                Step = hint.Step.ToString(),
                FindingId = hint.Finding,
                Said = ExerciseJson.Write(new Shown(hint.Said, [.. hint.Elements], [.. hint.Places])),
                At = clock.GetUtcNow(),
            };
            database.GivenHelp.Add(made);
            given.Add(made);
            await database.SaveChangesAsync(cancellation);
        }

        await transaction.CommitAsync(cancellation);
        var reply = ReplyOf(given, part.Aids.Help);
        return TypedResults.Ok(
            reply with
            {
                Refused = refused,
                Mended =
                [
                    .. reply
                        .Hints.Where(one => one.About == one.Number && !helper.IsOpen(given[one.Number - 1].FindingId!))
                        .Select(one => one.Number),
                ],
            }
        );
    }

    private static (Hint? Hint, string? Refused) Next(Helper helper, List<GivenHelp> given, HelpRequest request)
    {
        if (request.HowMany)
        {
            return (helper.HowMany(), null);
        }

        if (request.After is not { } number)
        {
            var spokenOf = given.Select(one => one.FindingId).OfType<string>().ToHashSet(StringComparer.Ordinal);
            return helper.Where(spokenOf) is { } where
                ? (where, null)
                : (null, "Nothing differs of which you have not been told.");
        }

        return given.Find(one => one.Number == number) is not { FindingId: { } finding } ? (null, "There is no such step.")
            : !helper.IsOpen(finding) ? (null, "That is mended.")
            : helper.Further(finding, Reached(given, finding)) is { } further ? (further, null)
            : (null, "All has been said of this.");
    }

    private static HelpStep Reached(List<GivenHelp> given, string finding) =>
        given.Where(one => one.FindingId == finding).Max(one => Enum.Parse<HelpStep>(one.Step));

    private Func<string, System.Collections.Immutable.ImmutableArray<ScenarioPlace>> PlacesOf(
        Work work,
        PartDocument part,
        AssessmentRevision revision
    )
    {
        var subject = Subject.Of(part.Learned);
        var steps = new Lazy<ILookup<string, ScenarioPlace>>(() =>
            subject
                .Steps(
                    PreflightCase.Of(
                        part,
                        subject.Parse(revision.Model)!,
                        ExerciseJson.Read<AssessmentDocument>(revision.Assessment),
                        renderer.ToProse(work.Asked!.Question!.Scenario)
                    )
                )
                .SelectMany(step => step.Elements.SelectMany(element => step.Places.Select(place => (element, place))))
                .ToLookup(pair => pair.element, pair => pair.place, StringComparer.Ordinal)
        );
        return element => [.. steps.Value[element]];
    }

    private Task<List<GivenHelp>> GivenAsync(Guid work, CancellationToken cancellation) =>
        database.GivenHelp.Where(row => row.WorkId == work).OrderBy(row => row.Number).ToListAsync(cancellation);

    private static HelpReply ReplyOf(List<GivenHelp> given, int allowed)
    {
        var numbers = given.Where(one => one.FindingId is not null).ToLookup(one => one.FindingId!, one => one.Number);
        return new HelpReply(
            Math.Max(0, allowed - given.Count),
            [
                .. given.Select(one =>
                {
                    var shown = ExerciseJson.Read<Shown>(one.Said);
                    var about = one.FindingId is { } finding ? numbers[finding] : [];
                    return new HintReply(
                        one.Number,
                        about.Any() ? about.First() : null,
                        Enum.Parse<HelpStep>(one.Step),
                        shown.Said,
                        shown.Elements,
                        shown.Places,
                        about.Any() && about.Last() == one.Number
                    );
                }),
            ]
        );
    }
}
