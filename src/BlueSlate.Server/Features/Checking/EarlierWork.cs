using System.Collections.Concurrent;
using System.Collections.Immutable;
using BlueSlate.Core;
using BlueSlate.Core.Interchange;
using BlueSlate.Data;
using BlueSlate.Server.Features.Answers;
using BlueSlate.Server.Features.Exercises;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Checking;

/// <summary>
/// The work on earlier parts with whose drawings others were begun, and the model answers of those parts: by them is known which
/// differences are inherited.
/// </summary>
internal sealed class EarlierWork
{
    private static readonly EarlierWork None = new([], [], new AssessorStore());

    private readonly Dictionary<Guid, Work> earlierOf;
    private readonly Dictionary<Guid, AssessmentRevision> revisionOf;
    private readonly AssessorStore assessors;
    private readonly ConcurrentDictionary<(Assessor Assessor, Guid Part), FollowingOn> parts = new();

    private EarlierWork(
        Dictionary<Guid, Work> earlierOf,
        Dictionary<Guid, AssessmentRevision> revisionOf,
        AssessorStore assessors
    ) => (this.earlierOf, this.revisionOf, this.assessors) = (earlierOf, revisionOf, assessors);

    /// <summary>What some work was begun with. Nothing is asked of the database where no part begins with another.</summary>
    public static async Task<EarlierWork> OfAsync(
        IReadOnlyList<Work> works,
        BlueSlateContext database,
        AssessorStore assessors,
        CancellationToken cancellation
    )
    {
        var parts = works.Select(work => work.Asked!).DistinctBy(asked => (asked.QuestionRevisionId, asked.PartId));
        var begun = parts
            .Select(asked => (asked, ExerciseJson.Read<PartDocument>(asked.Document).Begin))
            .Where(pair => pair.Begin is { With: BeginsWith.OwnDrawing, Part: not null })
            .ToDictionary(pair => (pair.asked.QuestionRevisionId, pair.asked.PartId), pair => pair.Begin.Part!.Value);
        if (begun.Count == 0)
        {
            return None;
        }

        var answers = works.Select(work => work.AnswerId).Distinct().ToArray();
        var positions = begun.Values.Distinct().ToArray();
        var earlier = await database
            .Works.AsNoTracking()
            .Include(work => work.Asked!.Question)
            .Where(work => answers.Contains(work.AnswerId) && positions.Contains(work.Asked!.Position))
            .ToListAsync(cancellation);
        var ids = earlier.Select(work => work.PartId).Distinct().ToArray();
        var revisions = await database
            .AssessmentRevisions.Where(row => ids.Contains(row.PartId))
            .GroupBy(row => row.PartId)
            .Select(group => group.OrderByDescending(row => row.Number).First())
            .ToDictionaryAsync(row => row.PartId, cancellation);
        var byPlace = earlier.ToDictionary(work => (work.AnswerId, work.Asked!.Position));
        return new EarlierWork(
            works
                .Where(work => begun.ContainsKey((work.QuestionRevisionId, work.PartId)))
                .Select(work =>
                    (work.Id, Earlier: byPlace.GetValueOrDefault((work.AnswerId, begun[(work.QuestionRevisionId, work.PartId)])))
                )
                .Where(pair => pair.Earlier is not null)
                .ToDictionary(pair => pair.Id, pair => pair.Earlier!),
            revisions,
            assessors
        );
    }

    /// <summary>An assessment of some work with what it inherits.</summary>
    public Assessment Inherited(Work work, Assessor assessor, Assessment assessment, ImmutableDictionary<string, string> stands)
    {
        if (!earlierOf.TryGetValue(work.Id, out var before) || !revisionOf.TryGetValue(before.PartId, out var revision))
        {
            return assessment;
        }

        var following = parts.GetOrAdd((assessor, before.PartId), _ => new FollowingOn(
            assessor,
            assessors.For(before.Asked!, revision)
        ));
        return following.Inherited(assessment, StoredDrawings.Read(assessor.Subject, before.Drawing), stands);
    }
}
