using BlueSlate.Core.Classes;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Classes;

/// <summary>
/// Answers to a part that share what hardly anybody else has, for a person to look at side by side. Nobody is charged with anything.
/// </summary>
/// <param name="ExerciseId">The exercise.</param>
/// <param name="Title">Its title.</param>
/// <param name="Part">The part's title.</param>
/// <param name="Compared">How many answers were compared.</param>
/// <param name="Pairs">The pairs, those that share most first.</param>
public sealed record ResemblancesReply(Guid ExerciseId, string Title, string Part, int Compared, ResemblanceReply[] Pairs);

/// <summary>Two answers and what they share.</summary>
/// <param name="First">One of them.</param>
/// <param name="Second">The other.</param>
/// <param name="Names">What both have written and hardly anybody else.</param>
/// <param name="Places">How many things stand at the same place in both, where hardly anybody else has them.</param>
/// <param name="Of">How many things the one with fewer has.</param>
public sealed record ResemblanceReply(ResemblingWork First, ResemblingWork Second, string[] Names, int Places, int Of);

/// <summary>One of two that resemble each other.</summary>
public sealed record ResemblingWork(Guid Id, string Code, DateTimeOffset HandedInAt, string Drawing);

/// <summary>Compares the answers to a part with each other.</summary>
public static class Resemblances
{
    /// <summary>The pairs of a part.</summary>
    public static async Task<IResult> List(Guid id, Access access, BlueSlateContext database, CancellationToken cancellation)
    {
        if (await ClassEndpoints.PartAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var asked = ExerciseJson.Read<PartDocument>(part.Documents.TextOf(DocumentKind.Part));
        var works = await database
            .Works.AsNoTracking()
            .Where(work => work.PartId == id && work.Answer!.Counts)
            .OrderBy(work => work.Answer!.CandidateCode)
            .Select(work => new ResemblingWork(work.Id, work.Answer!.CandidateCode, work.Answer.HandedInAt!.Value, work.Drawing))
            .ToListAsync(cancellation);
        var pairs = Resemblance.In(
            works.ConvertAll(work => StoredDrawings.Read(asked, work.Drawing).Traits),
            await KnownAsync(part, asked, database, cancellation)
        );
        return TypedResults.Ok(
            new ResemblancesReply(
                part.ExerciseId,
                part.Exercise!.Title,
                asked.Title,
                works.Count,
                [
                    .. pairs.Select(pair => new ResemblanceReply(
                        works[pair.First],
                        works[pair.Second],
                        [.. pair.Names],
                        pair.Places,
                        pair.Of
                    )),
                ]
            )
        );
    }

    // What anybody may write: words of the scenario, and what the model answer calls its things.
    private static async Task<IEnumerable<string>> KnownAsync(
        ExercisePart part,
        PartDocument asked,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        var scenario = await database
            .ExerciseDocuments.Where(document => document.ExerciseId == part.ExerciseId && document.Kind == DocumentKind.Scenario)
            .Select(document => document.Text)
            .FirstAsync(cancellation);
        var model = StoredDrawings.Read(asked, part.Documents.TextOf(DocumentKind.Model));
        return model.Traits.Texts.Append(scenario);
    }
}
