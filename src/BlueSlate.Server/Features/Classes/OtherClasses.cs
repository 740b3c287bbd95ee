using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using BlueSlate.Data;
using BlueSlate.Server.Features.Exercises;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Classes;

/// <summary>Other classes that were marked by lines of the same titles, such as last year's.</summary>
public sealed record OtherClassesReply(OtherClass[] Classes);

/// <summary>Another class, and what it earned of the lines that both have.</summary>
/// <param name="PartId">The part that it worked on.</param>
/// <param name="ExerciseId">Of which exercise.</param>
/// <param name="Exercise">The exercise's title.</param>
/// <param name="Cohort">The class.</param>
/// <param name="PublishedAt">When it was asked.</param>
/// <param name="Answers">How many answers are checked.</param>
/// <param name="Lines">What it earned of each line that both have.</param>
public sealed record OtherClass(
    Guid PartId,
    Guid ExerciseId,
    string Exercise,
    string Cohort,
    DateTimeOffset PublishedAt,
    int Answers,
    OtherShare[] Lines
);

/// <summary>The mean share that a class earned of a line, from 0 to 1.</summary>
public sealed record OtherShare(string Title, Rational Share);

/// <summary>Puts classes side by side that were asked the same.</summary>
public static class OtherClasses
{
    private const int Most = 4;

    /// <summary>The other classes of whoever marks this one, the newest first.</summary>
    public static async Task<IResult> List(
        Guid id,
        Access access,
        BlueSlateContext database,
        ClassView view,
        CancellationToken cancellation
    )
    {
        if (await ClassEndpoints.PartAsync(id, access, cancellation) is not { } part)
        {
            return PartEndpoints.NoSuchPart();
        }

        var titles = TitlesOf(part.Documents.TextOf(DocumentKind.Assessment));
        var others = await access
            .StaffParts()
            .AsNoTracking()
            .Where(other =>
                other.Id != id && other.Exercise!.PublishedAt != null && other.Exercise.Answers.Any(row => row.Counts)
            )
            .Include(other => other.Documents)
            .Include(other => other.Exercise!.Cohort)
            .OrderByDescending(other => other.Exercise!.PublishedAt)
            .ToListAsync(cancellation);
        var classes = new List<OtherClass>();
        foreach (var other in others.Where(other => AreAlike(titles, other)).Take(Most))
        {
            var picture = await view.PictureAsync(other, cancellation);
            classes.Add(
                new OtherClass(
                    other.Id,
                    other.ExerciseId,
                    other.Exercise!.Title,
                    other.Exercise.Cohort!.Name,
                    other.Exercise.PublishedAt!.Value,
                    picture.Works.Length,
                    [
                        .. picture
                            .Lines.Where(line => titles.Contains(line.Title))
                            .DistinctBy(line => line.Title, StringComparer.Ordinal)
                            .Select(line => new OtherShare(line.Title, line.Share)),
                    ]
                )
            );
        }

        return TypedResults.Ok(new OtherClassesReply([.. classes]));
    }

    // Half of the lines of either have the same title as one of the other.
    private static bool AreAlike(HashSet<string> titles, ExercisePart other)
    {
        var theirs = TitlesOf(other.Documents.TextOf(DocumentKind.Assessment));
        return theirs.Count > 0 && 2 * theirs.Count(titles.Contains) >= Math.Max(titles.Count, theirs.Count);
    }

    private static HashSet<string> TitlesOf(string assessment) =>
        [.. ExerciseJson.Read<AssessmentDocument>(assessment).Scheme?.Lines.Select(line => line.Title) ?? []];
}
