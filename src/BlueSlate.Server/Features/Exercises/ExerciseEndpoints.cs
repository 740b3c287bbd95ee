using System.Text.Json;
using BlueSlate.Core;
using BlueSlate.Core.Checking;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Soundness;
using BlueSlate.Data;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Drawings;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Writing exercises: scenario, part, model answer, tolerances, scheme.</summary>
public static class ExerciseEndpoints
{
    private const int LongestTitle = 120;

    /// <summary>Maps the endpoints.</summary>
    public static void MapExercises(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/exercises").WithTags("Exercises");
        group.MapGet("", List).ForStaff();
        group.MapPost("", Create).ForInstructors().Produces<CreatedReply>();
        group.MapGet("/cohorts", Cohorts).ForInstructors();
        group.MapGet("/{id:guid}", Get).ForStaff();
        group.MapGet("/{id:guid}/set-aside", SetAsideTexts).ForInstructors().Produces<SetAsideReply[]>();
        group.MapPut("/{id:guid}/scenario", SaveScenario).ForInstructors().Produces<SavedReply>();
        group.MapPut("/{id:guid}/part", SavePart).ForInstructors().Produces<SavedReply>();
        group.MapPut("/{id:guid}/model", SaveModel).ForInstructors().Produces<SavedReply>();
        group.MapPut("/{id:guid}/assessment", SaveAssessment).ForInstructors().Produces<SavedReply>();
        group.MapPost("/{id:guid}/assessment/preview", MarkChanges.Preview).ForInstructors().Produces<MarkChangesReply>();
        group.MapPost("/{id:guid}/scheme", DeriveScheme).ForInstructors();
        group.MapPost("/{id:guid}/reading", Read).ForStaff();
        group.MapPost("/{id:guid}/tidy", Tidy).ForStaff().Produces<TidyReply>();
        group.MapDrawingTools(
            "",
            PartOf,
            _ => new AidsDocument
            {
                Sentences = true,
                Redraw = true,
                Lifting = true,
            },
            route => route.ForStaff()
        );
        group.MapPost("/{id:guid}/publish", Publishing.Publish).ForInstructors().Produces(StatusCodes.Status204NoContent);
    }

    private static async Task<ExerciseSummary[]> List(Access access, CancellationToken cancellation) =>
        await Summaries(access.StaffExercises()).ToArrayAsync(cancellation);

    /// <summary>Summaries of exercises, newest first.</summary>
    internal static IQueryable<ExerciseSummary> Summaries(IQueryable<Exercise> exercises) =>
        exercises
            .OrderByDescending(exercise => exercise.CreatedAt)
            .Select(exercise => new ExerciseSummary(
                exercise.Id,
                exercise.Title,
                exercise.CohortId,
                exercise.Cohort!.Name,
                exercise.PublishedAt,
                exercise.DueAt,
                exercise.ReleasedAt,
                exercise.Cohort.Members.Count(member => member.Role == CohortRole.Student),
                exercise.Answers.Count,
                exercise.Answers.Count(answer => answer.HandedInAt != null),
                exercise.Answers.Count(answer => answer.HandedInAt != null && answer.GoneThroughAt != null)
            ));

    private static async Task<CohortReply[]> Cohorts(Access access, CancellationToken cancellation)
    {
        return await access
            .OwnCohorts()
            .OrderBy(cohort => cohort.Name)
            .Select(cohort => new CohortReply(
                cohort.Id,
                cohort.Name,
                cohort.Members.Count(member => member.Role == CohortRole.Student)
            ))
            .ToArrayAsync(cancellation);
    }

    private static async Task<IResult> Create(
        NewExerciseRequest request,
        Access access,
        BlueSlateContext database,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var title = request.Title.Trim();
        if (title.Length is 0 or > LongestTitle)
        {
            return Problems.Unreadable("title", $"An exercise has a title of at most {LongestTitle} characters.", "title");
        }

        var account = access.AccountId;
        var mayTeach = await database.Memberships.AnyAsync(
            member => member.CohortId == request.CohortId && member.AccountId == account && member.Role == CohortRole.Instructor,
            cancellation
        );
        if (!mayTeach)
        {
            return Problems.NotFound("no-such-cohort", "There is no such cohort among yours.");
        }

        var exercise = NewExercise.Make(title, request.CohortId, clock.GetUtcNow());
        database.Exercises.Add(exercise);
        await database.SaveChangesAsync(cancellation);
        return TypedResults.Ok(new CreatedReply(exercise.Id));
    }

    private static async Task<Results<Ok<ExerciseReply>, ProblemHttpResult>> Get(
        Guid id,
        Access access,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises()
            .AsNoTracking()
            .Include(row => row.Documents)
            .Include(row => row.Cohort)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return NoSuchExercise();
        }

        var mayEdit = await access.StaffExercises(instructorsOnly: true).AnyAsync(row => row.Id == id, cancellation);
        var scenario = Document(exercise, DocumentKind.Scenario);
        var part = Document(exercise, DocumentKind.Part);
        var model = Document(exercise, DocumentKind.Model);
        var assessment = Document(exercise, DocumentKind.Assessment);
        return TypedResults.Ok(
            new ExerciseReply(
                exercise.Id,
                exercise.Title,
                exercise.Cohort!.Name,
                mayEdit,
                exercise.PublishedAt,
                exercise.DueAt,
                new TextDocument(scenario.Revision, scenario.Text),
                renderer.Render(scenario.Text),
                new PartReply(part.Revision, ExerciseJson.Read<PartDocument>(part.Text)),
                new TextDocument(model.Revision, model.Text),
                new AssessmentReply(assessment.Revision, ExerciseJson.Read<AssessmentDocument>(assessment.Text)),
                Assessor.Restatements(ExerciseJson.Read<PartDocument>(part.Text).ToOptions())
            )
        );
    }

    private static async Task<IResult> SetAsideTexts(
        Guid id,
        Access access,
        BlueSlateContext database,
        CancellationToken cancellation
    ) =>
        await access.StaffExercises(instructorsOnly: true).AnyAsync(exercise => exercise.Id == id, cancellation)
            ? TypedResults.Ok(
                await database
                    .SetAside.AsNoTracking()
                    .Where(row => row.ExerciseId == id)
                    .OrderByDescending(row => row.At)
                    .Select(row => new SetAsideReply(
                        row.Id,
                        row.Kind,
                        row.At,
                        database
                            .Users.Where(account => account.Id == row.ById)
                            .Select(account => account.DisplayName)
                            .FirstOrDefault(),
                        row.Text
                    ))
                    .ToArrayAsync(cancellation)
            )
            : NoSuchExercise();

    private static async Task<IResult> SaveScenario(
        Guid id,
        SaveTextRequest request,
        DocumentStore documents,
        ScenarioRenderer renderer,
        CancellationToken cancellation
    ) =>
        request.Text.Length > ScenarioRenderer.Longest
            ? Problems.Unreadable("too-long", $"A scenario has at most {ScenarioRenderer.Longest} characters.", "text")
        : !renderer.CanRender(request.Text)
            ? Problems.Unreadable(
                "too-deep",
                "Lists or quotations are nested too deep here to be shown. Take out a few levels.",
                "text"
            )
        : await documents.SaveAsync(id, DocumentKind.Scenario, request.Revision, request.Text, cancellation);

    private static async Task<IResult> SavePart(
        Guid id,
        SavePartRequest request,
        DocumentStore documents,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var title = request.Title.Trim();
        if (title.Length is 0 or > LongestTitle)
        {
            return Problems.Unreadable("title", $"An exercise has a title of at most {LongestTitle} characters.", "title");
        }

        if (request.Value.Problems().FirstOrDefault() is { Said: { } said } problem)
        {
            return Problems.Unreadable(problem.Code, said, problem.Property.Length == 0 ? "value" : $"value.{problem.Property}");
        }

        var reply = await documents.SaveAsync(
            id,
            DocumentKind.Part,
            request.Revision,
            ExerciseJson.Write(request.Value),
            cancellation
        );
        if (reply is Ok<SavedReply>)
        {
            await database
                .Exercises.Where(exercise => exercise.Id == id)
                .ExecuteUpdateAsync(set => set.SetProperty(exercise => exercise.Title, title), cancellation);
        }

        return reply;
    }

    private static async Task<IResult> SaveModel(
        Guid id,
        SaveTextRequest request,
        DocumentStore documents,
        CancellationToken cancellation
    )
    {
        var (drawing, refusal) = DrawingInput.Read(request.Text);
        return drawing is null
            ? refusal!
            : await documents.SaveAsync(id, DocumentKind.Model, request.Revision, DrawingWriter.WriteText(drawing), cancellation);
    }

    private static async Task<IResult> SaveAssessment(
        Guid id,
        SaveAssessmentRequest request,
        DocumentStore documents,
        CancellationToken cancellation
    ) =>
        Refusal(request.Value)
        ?? await documents.SaveAsync(
            id,
            DocumentKind.Assessment,
            request.Revision,
            ExerciseJson.Write(request.Value.Canonical()),
            cancellation
        );

    /// <summary>The answer to an assessment with which something is wrong; null when nothing is.</summary>
    internal static IResult? Refusal(AssessmentDocument assessment) =>
        assessment.Problems().FirstOrDefault() is { Code: { } code } problem
            ? Problems.Unreadable(code, problem.Said, $"value.{problem.Property}")
            : null;

    private static async Task<Results<Ok<SchemeDocument>, ProblemHttpResult>> DeriveScheme(
        Guid id,
        Access access,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises(instructorsOnly: true)
            .AsNoTracking()
            .Include(row => row.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return NoSuchExercise();
        }

        var part = ExerciseJson.Read<PartDocument>(Document(exercise, DocumentKind.Part).Text);
        var model = DrawingReader.Read(Document(exercise, DocumentKind.Model).Text).Drawing!;
        var options = part.ToOptions();
        return TypedResults.Ok(
            SchemeDocument.Of(SchemeDeriver.Derive(FactList.Of(Notation.Read(model, options), options), part.Marks))
        );
    }

    private static async Task<Results<Ok<FactsReply>, ProblemHttpResult>> Read(
        Guid id,
        ReadingRequest request,
        Access access,
        CancellationToken cancellation
    )
    {
        var exercise = await access
            .StaffExercises()
            .AsNoTracking()
            .Include(row => row.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (exercise is null)
        {
            return NoSuchExercise();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        if (drawing is null)
        {
            return refusal!;
        }

        var options = ExerciseJson.Read<PartDocument>(Document(exercise, DocumentKind.Part).Text).ToOptions();
        var reading = Notation.Read(drawing, options);
        return TypedResults.Ok(
            new FactsReply(
                DrawingWriter.Hash(drawing),
                [
                    .. FactList
                        .Of(reading, options)
                        .Select(fact => new FactReply(
                            fact.Id,
                            fact.Kind.Name,
                            fact.Kind.SymbolOf(fact, reading, options),
                            fact.Title,
                            fact.Value
                        )),
                ],
                [.. SentenceWriter.Write(reading).Select(ResultSentence.Of)],
                [.. FormRule.Check(reading, options)]
            )
        );
    }

    private static async Task<(PartDocument? Part, IResult? Refusal)> PartOf(
        Guid id,
        Access access,
        CancellationToken cancellation
    )
    {
        var part = await access
            .StaffExercises()
            .Where(exercise => exercise.Id == id)
            .SelectMany(exercise => exercise.Documents)
            .Where(document => document.Kind == DocumentKind.Part)
            .Select(document => document.Text)
            .FirstOrDefaultAsync(cancellation);
        return part is null ? (null, NoSuchExercise()) : (ExerciseJson.Read<PartDocument>(part), null);
    }

    private static async Task<IResult> Tidy(
        Guid id,
        TidyRequest request,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    ) =>
        await access.StaffExercises().AnyAsync(exercise => exercise.Id == id, cancellation)
            ? await request.AnswerAsync(access.AccountId, pool, cancellation)
            : NoSuchExercise();

    private static ExerciseDocument Document(Exercise exercise, DocumentKind kind) =>
        exercise.Documents.First(document => document.Kind == kind);

    /// <summary>The answer to whoever asks for an exercise that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchExercise() =>
        Problems.NotFound("no-such-exercise", "There is no such exercise among yours.");
}

/// <summary>Documents of the open formats as they stand in the database.</summary>
internal static class ExerciseJson
{
    public static T Read<T>(string text) => JsonSerializer.Deserialize<T>(text, Formats.Json)!;

    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Formats.Compact);
}
