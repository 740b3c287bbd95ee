using BlueSlate.Drafting.Painting;
using BlueSlate.Drafting.Worker;
using BlueSlate.Server.Features.Drafting;
using BlueSlate.Server.Features.Drawings;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;

namespace BlueSlate.Server.Features.Classes;

/// <summary>Asks for the picture of a class: its format, and how many have to have something before it is told.</summary>
/// <param name="Format">What is painted.</param>
/// <param name="Scale">How many times as large as on the slate, in pixels.</param>
/// <param name="Least">What fewer have is left out.</param>
public sealed record ClassPaperRequest(PictureFormat Format, double Scale = 2, int Least = 1);

/// <summary>The picture of a class as a file: the model answer with how many do not have it so, without names and codes.</summary>
public static class ClassPaper
{
    /// <summary>Paints it.</summary>
    public static async Task<IResult> Paint(
        Guid id,
        ClassPaperRequest request,
        Access access,
        ClassView view,
        DraftingPool pool,
        CancellationToken cancellation
    )
    {
        if (await ClassEndpoints.PartAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        if (part.Exercise!.PublishedAt is null)
        {
            return ClassEndpoints.NobodyAsked();
        }

        if (PictureFile.Refusal(request.Scale) is { } refusal)
        {
            return refusal;
        }

        var picture = await view.PictureAsync(part, cancellation);
        var (reply, refused) = await pool.DoAsync(
            access.AccountId,
            new DraftRequest(DraftKind.Paint, picture.Part.Model)
            {
                Format = request.Format,
                Scale = request.Scale,
                Counts = CountsOf(picture, request.Least),
            },
            cancellation
        );
        return reply is null ? refused! : PictureFile.Of(reply, request.Format, $"{picture.Part.Exercise} - class");
    }

    private static Counts CountsOf(ClassPictureReply picture, int least)
    {
        var answers = picture.Works.Length - picture.ByVariant.Length;
        return new Counts(
            picture.Part.Part.Length == 0 ? picture.Part.Exercise : $"{picture.Part.Exercise}: {picture.Part.Part}",
            $"{answers} {(answers == 1 ? "answer" : "answers")}. A number says how many do not have it so"
                + (least > 1 ? $"; what fewer than {least} have otherwise is not shown." : "."),
            answers,
            [
                .. picture
                    .Facts.GroupBy(fact => fact.Concept, StringComparer.Ordinal)
                    .Select(facts => new Count(facts.Key, facts.SelectMany(fact => AmissIn(fact, least)).Distinct().Count()))
                    .Where(count => count.Number > 0),
            ]
        );
    }

    private static IEnumerable<int> AmissIn(FactCountReply fact, int least) =>
        fact
            .Otherwise.Select(drawn => drawn.Works)
            .Append(fact.Absent)
            .Where(works => works.Length >= least)
            .SelectMany(works => works);
}
