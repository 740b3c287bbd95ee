using BlueSlate.Core.Classes;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Checking;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Classes;

/// <summary>An answer in which a question arises: the element that it is about, and the drawing for the first few.</summary>
public sealed record QuestionPlaceReply(Guid WorkId, string Code, string Element, string? Drawing);

/// <summary>A question about the answers of a class.</summary>
/// <param name="ModelElement">The thing of the model answer.</param>
/// <param name="Model">Its name.</param>
/// <param name="Owner">The name of what owns it; null for a thing that stands by itself.</param>
/// <param name="Drawn">What answers call it.</param>
/// <param name="TakenIn">In how many of the answers it counts as that so far.</param>
/// <param name="SaysItself">Whether the class says it itself: several answers use the name, for this thing and for nothing else.</param>
/// <param name="AtStake">By how many marks the answers together differ between one reply and the other.</param>
/// <param name="Places">Where it arises.</param>
public sealed record ClassQuestionReply(
    string ModelElement,
    string Model,
    string? Owner,
    string Drawn,
    int TakenIn,
    bool SaysItself,
    Rational AtStake,
    QuestionPlaceReply[] Places
);

/// <summary>The questions about a part, most marks at stake first.</summary>
/// <param name="ExerciseId">The exercise.</param>
/// <param name="Title">Its title.</param>
/// <param name="Part">The title of the part.</param>
/// <param name="ModelDrawing">The model answer.</param>
/// <param name="Questions">The questions.</param>
/// <param name="More">How many more there are, each about fewer answers.</param>
public sealed record ClassQuestionsReply(
    Guid ExerciseId,
    string Title,
    string Part,
    string ModelDrawing,
    ClassQuestionReply[] Questions,
    int More
);

/// <summary>A reply to one of them.</summary>
/// <param name="ModelElement">The thing of the model answer.</param>
/// <param name="Drawn">What answers call it.</param>
/// <param name="Same">Whether the two are one.</param>
public sealed record ClassAnswerRequest(string ModelElement, string Drawn, bool Same);

/// <summary>Replies to some of them at once.</summary>
/// <param name="Answers">The replies, one at least.</param>
public sealed record ClassAnswersRequest(ClassAnswerRequest[] Answers);

/// <summary>
/// The questions of a class: what only the instructor can say of the names in its answers, asked once for all of them. The replies
/// become words of the exercise, by which answers that come later are judged as well. What somebody has still to mark blind is left
/// out for them.
/// </summary>
public static class ClassQuestions
{
    private const int Most = 40;
    private const int MostDrawings = 3;

    /// <summary>What is to be asked now.</summary>
    public static async Task<IResult> List(
        Guid id,
        Access access,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        if (await ClassEndpoints.PartAsync(id, access, cancellation, instructorsOnly: true) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var current = AssessmentOf(part);
        var (works, questions) = await FindAsync(part.Id, current, assessment, sample, cancellation);
        var asked = new List<ClassQuestionReply>();
        foreach (var question in questions.Take(Most))
        {
            var some = question.Places.Select(place => works[place.Answer]).Distinct().ToList();
            var same = await TotalAsync(some, part, ClassAnswer.In(current, question, true), assessment, cancellation);
            var apart = await TotalAsync(some, part, ClassAnswer.In(current, question, false), assessment, cancellation);
            asked.Add(ReplyOf(question, works, Rational.Max(same - apart, apart - same)));
        }

        return TypedResults.Ok(
            new ClassQuestionsReply(
                part.ExerciseId,
                part.Exercise!.Title,
                ExerciseJson.Read<PartDocument>(Text(part, DocumentKind.Part)).Title,
                Text(part, DocumentKind.Model),
                [.. asked.OrderByDescending(question => question.AtStake)],
                Math.Max(0, questions.Count - Most)
            )
        );
    }

    /// <summary>Whose marks some replies would change.</summary>
    public static async Task<IResult> Preview(
        Guid id,
        ClassAnswersRequest request,
        Access access,
        BlueSlateContext database,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var (replied, refusal) = await RepliedAsync(id, request, access, assessment, sample, cancellation);
        return replied is null
            ? refusal!
            : await MarkChanges.Preview(
                id,
                new AssessmentPreviewRequest(replied),
                access,
                database,
                assessment,
                sample,
                cancellation
            );
    }

    /// <summary>
    /// Replies to some at once: what is said becomes part of what the class is held against, and all answers are checked again.
    /// </summary>
    public static async Task<IResult> Answer(
        Guid id,
        ClassAnswersRequest request,
        Access access,
        DocumentStore documents,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var (replied, refusal) = await RepliedAsync(id, request, access, assessment, sample, cancellation);
        if (replied is null)
        {
            return refusal!;
        }

        var part = (await ClassEndpoints.PartAsync(id, access, cancellation, instructorsOnly: true))!;
        var revision = part.Documents.First(document => document.Kind == DocumentKind.Assessment).Revision;
        return PartEndpoints.Refusal(replied)
            ?? await documents.SaveAsync(
                id,
                DocumentKind.Assessment,
                revision,
                ExerciseJson.Write(replied.Canonical()),
                cancellation
            );
    }

    private static async Task<(AssessmentDocument? Replied, IResult? Refusal)> RepliedAsync(
        Guid id,
        ClassAnswersRequest request,
        Access access,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        if (await ClassEndpoints.PartAsync(id, access, cancellation, instructorsOnly: true) is not { } part)
        {
            return (null, PartEndpoints.NoSuchPart());
        }

        if (request.Answers.Length is 0 or > Most)
        {
            return (null, Problems.Unreadable("class-answers", $"One to {Most} questions are answered at once.", "answers"));
        }

        var replied = AssessmentOf(part);
        var (_, questions) = await FindAsync(part.Id, replied, assessment, sample, cancellation);
        foreach (var (element, drawn, same) in request.Answers)
        {
            if (questions.FirstOrDefault(one => one.ModelId == element && one.Drawn == drawn) is not { } question)
            {
                return (
                    null,
                    Problems.NotFound(
                        "no-such-question",
                        "That is no question any more: the answers are judged otherwise by now."
                    )
                );
            }

            replied = ClassAnswer.In(replied, question, same);
        }

        return (replied, null);
    }

    private static async Task<(IReadOnlyList<CheckedWork> Works, IReadOnlyList<ClassQuestion> Questions)> FindAsync(
        Guid id,
        AssessmentDocument current,
        WorkAssessment assessment,
        BlindSample sample,
        CancellationToken cancellation
    )
    {
        var blind = await sample.BlindForMe().ToHashSetAsync(cancellation);
        var works = (await assessment.RunAllAsync(id, cancellation))
            .Where(work => !blind.Contains(work.Work.Id))
            .OrderBy(work => work.Work.Answer!.CandidateCode, StringComparer.Ordinal)
            .ToList();
        return (works, ClassQuestion.Of([.. works.Select(work => work.Assessment.Comparison)], current.ToWords()));
    }

    private static async Task<Rational> TotalAsync(
        List<CheckedWork> some,
        ExercisePart part,
        AssessmentDocument replied,
        WorkAssessment assessment,
        CancellationToken cancellation
    )
    {
        var thoughtOf = new AssessmentRevision
        {
            Id = Guid.Empty,
            PartId = part.Id,
            Number = 0,
            Model = Text(part, DocumentKind.Model),
            Assessment = ExerciseJson.Write(replied),
        };
        var checkedAgain = await assessment.RunSomeAsync(some, thoughtOf, cancellation);
        return checkedAgain.Aggregate(Rational.Zero, (sum, one) => sum + one.Assessment.Sheet.Total);
    }

    private static ClassQuestionReply ReplyOf(ClassQuestion question, IReadOnlyList<CheckedWork> works, Rational atStake) =>
        new(
            question.ModelId,
            question.Model,
            question.Owner,
            question.Drawn,
            question.TakenIn,
            question.SaysItself,
            atStake,
            [
                .. question.Places.Select(
                    (place, at) =>
                        new QuestionPlaceReply(
                            works[place.Answer].Work.Id,
                            works[place.Answer].Work.Answer!.CandidateCode,
                            place.Guess.Answer.Id,
                            at < MostDrawings ? works[place.Answer].Work.Drawing : null
                        )
                ),
            ]
        );

    private static AssessmentDocument AssessmentOf(ExercisePart part) =>
        ExerciseJson.Read<AssessmentDocument>(Text(part, DocumentKind.Assessment));

    private static string Text(ExercisePart part, DocumentKind kind) =>
        part.Documents.First(document => document.Kind == kind).Text;
}
