using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Drawings;
using BlueSlate.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Exercises;

/// <summary>Writing a part of an exercise: what is asked in it, model answer, tolerances, scheme.</summary>
public static class PartEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapParts(this IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/parts").WithTags("Exercises");
        group.MapPut("/{id:guid}", SavePart).ForInstructors().Produces<SavedReply>();
        group.MapDelete("/{id:guid}", PartList.Remove).ForInstructors().Produces(StatusCodes.Status204NoContent);
        group.MapPut("/{id:guid}/model", SaveModel).ForInstructors().Produces<SavedReply>();
        Repairing.Map(group);
        group.MapPut("/{id:guid}/assessment", SaveAssessment).ForInstructors().Produces<SavedReply>();
        group.MapPost("/{id:guid}/assessment/preview", MarkChanges.Preview).ForInstructors().Produces<MarkChangesReply>();
        group.MapPost("/{id:guid}/scheme", DeriveScheme).ForInstructors();
        group.MapPost("/{id:guid}/reading", Read).ForStaff();
        group.MapPost("/{id:guid}/preflight", Preparing.Look).ForStaff().Produces<PreflightReply>();
        group.MapPost("/{id:guid}/try", Trying.Check).ForStaff().Produces<TriedReply>();
        group.MapPost("/{id:guid}/try/reading", Trying.Read).ForStaff().Produces<ReadingReply>();
        group.MapGet("/{id:guid}/earlier", EarlierAnswers.List).ForInstructors().Produces<EarlierAnswersReply>();
        group.MapPost("/{id:guid}/earlier", EarlierAnswers.Try).ForInstructors().Produces<EarlierTryReply>();
        group.MapGet("/{id:guid}/steps", Preparing.Steps).ForStaff().Produces<PartStepsReply>();
        group.MapPut("/{id:guid}/steps", SaveSteps).ForInstructors().Produces<SavedReply>();
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
            route => route.ForStaff(),
            forAuthors: true
        );
    }

    /// <summary>A part with its documents.</summary>
    internal static ExercisePartReply ReplyOf(ExercisePart part)
    {
        var (asked, model, assessment) = (
            Document(part, DocumentKind.Part),
            Document(part, DocumentKind.Model),
            Document(part, DocumentKind.Assessment)
        );
        var document = ExerciseJson.Read<PartDocument>(asked.Text);
        return new ExercisePartReply(
            part.Id,
            new PartReply(asked.Revision, document),
            new TextDocument(model.Revision, model.Text),
            new AssessmentReply(assessment.Revision, ExerciseJson.Read<AssessmentDocument>(assessment.Text)),
            Subject.Of(document.Learned).OtherWays(document.Learned)
        );
    }

    private static async Task<IResult> SavePart(
        Guid id,
        SavePartRequest request,
        DocumentStore documents,
        CancellationToken cancellation
    ) =>
        request.Value.Problems().FirstOrDefault() is { Said: { } said } problem
            ? Problems.Unreadable(problem.Code, said, problem.Property.Length == 0 ? "value" : $"value.{problem.Property}")
            : await documents.SaveAsync(id, DocumentKind.Part, request.Revision, ExerciseJson.Write(request.Value), cancellation);

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

    private static async Task<IResult> SaveSteps(
        Guid id,
        SaveStepsRequest request,
        DocumentStore documents,
        CancellationToken cancellation
    ) =>
        request.Value.Problems().FirstOrDefault() is { } said
            ? Problems.Unreadable("steps", said, "value.steps")
            : await documents.SaveAsync(
                id,
                DocumentKind.Steps,
                request.Revision,
                ExerciseJson.Write(request.Value),
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
        var part = await access
            .StaffParts(instructorsOnly: true)
            .AsNoTracking()
            .Include(row => row.Documents)
            .FirstOrDefaultAsync(row => row.Id == id, cancellation);
        if (part is null)
        {
            return NoSuchPart();
        }

        var document = ExerciseJson.Read<PartDocument>(Document(part, DocumentKind.Part).Text);
        var options = document.Learned;
        var subject = Subject.Of(options);
        var facts = subject.Facts(subject.Parse(Document(part, DocumentKind.Model).Text)!, options);
        return TypedResults.Ok(SchemeDocument.Of(SchemeDeriver.Derive(facts, document.Marks)));
    }

    private static async Task<Results<Ok<FactsReply>, ProblemHttpResult>> Read(
        Guid id,
        ReadingRequest request,
        Access access,
        CancellationToken cancellation
    )
    {
        if (await FindAsync(id, access, cancellation) is not { } part)
        {
            return NoSuchPart();
        }

        var (drawing, refusal) = DrawingInput.Read(request.Drawing);
        if (drawing is null)
        {
            return refusal!;
        }

        var options = part.Learned;
        var subject = Subject.Of(options);
        var model = subject.Prepare(drawing, options, ExerciseTerms.Usual, Tolerances.None);
        return TypedResults.Ok(
            new FactsReply(
                DrawingWriter.Hash(drawing),
                [
                    .. model.Facts.Select(fact => new FactReply(
                        fact.Id,
                        fact.Kind.Name,
                        model.SymbolOf(fact),
                        fact.Title,
                        fact.Value
                    )),
                ],
                [.. subject.Sentences(drawing, options).Select(ResultSentence.Of)],
                [.. subject.Form(drawing, options)]
            )
        );
    }

    private static async Task<IResult> Tidy(
        Guid id,
        TidyRequest request,
        Access access,
        DraftingPool pool,
        CancellationToken cancellation
    ) =>
        await access.StaffParts().AnyAsync(part => part.Id == id, cancellation)
            ? await request.AnswerAsync(access.AccountId, pool, cancellation)
            : NoSuchPart();

    private static async Task<(PartDocument? Part, IResult? Refusal)> PartOf(
        Guid id,
        Access access,
        CancellationToken cancellation
    ) => await FindAsync(id, access, cancellation) is { } part ? (part, null) : (null, NoSuchPart());

    private static async Task<PartDocument?> FindAsync(Guid id, Access access, CancellationToken cancellation) =>
        await access
            .StaffParts()
            .Where(part => part.Id == id)
            .SelectMany(part => part.Documents)
            .Where(document => document.Kind == DocumentKind.Part)
            .Select(document => document.Text)
            .FirstOrDefaultAsync(cancellation)
            is { } text
            ? ExerciseJson.Read<PartDocument>(text)
            : null;

    private static ExercisePartDocument Document(ExercisePart part, DocumentKind kind) =>
        part.Documents.First(document => document.Kind == kind);

    /// <summary>The answer to whoever asks for a part that is not theirs.</summary>
    internal static ProblemHttpResult NoSuchPart() =>
        Problems.NotFound("no-such-part", "There is no such part in an exercise of yours.");
}
