using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;
using BlueSlate.Data;
using BlueSlate.Scenarios;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Features.Marking;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Answers;

/// <summary>The model answer step by step for a student whose marks are released, where it is shown at all: as it was then.</summary>
internal static class OwnSolution
{
    /// <summary>The steps of the part that work is for.</summary>
    public static async Task<IResult> Get(Guid id, Access access, ScenarioRenderer renderer, CancellationToken cancellation)
    {
        var work = await access
            .OwnWorks()
            .AsNoTracking()
            .Where(row => row.Id == id)
            .Select(row => new
            {
                Frozen = row.Released == null ? null : row.Released.Frozen,
                Steps = row.Part!.Documents.First(document => document.Kind == DocumentKind.Steps).Text,
            })
            .FirstOrDefaultAsync(cancellation);
        if (work is null)
        {
            return AnswerEndpoints.NoSuchAnswer();
        }

        if (work.Frozen is null || ExerciseJson.Read<FrozenSheet>(work.Frozen) is not { Part.ShowModelAnswer: true } sheet)
        {
            return Problems.NotFound("not-shown", "The model answer is not shown, or not yet.");
        }

        var subject = Subject.Of(sheet.Part.Learned);
        var one = PreflightCase.Of(
            sheet.Part,
            subject.Parse(sheet.ModelDrawing)!,
            new AssessmentDocument(),
            renderer.ToProse(sheet.Scenario)
        );
        var steps = EditedSteps.Of(subject.Steps(one), ExerciseJson.Read<StepsDocument>(work.Steps));
        return TypedResults.Ok(StepsReply.Of(steps.Select(edited => edited.Step)));
    }
}
