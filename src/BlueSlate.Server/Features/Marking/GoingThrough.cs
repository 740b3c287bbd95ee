using BlueSlate.Data;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Marks work as gone through.</summary>
internal static class GoingThrough
{
    /// <summary>By somebody, at a moment; it is confirmed with that where they teach. How much work it was.</summary>
    public static Task<int> GoneThroughAsync(
        this IQueryable<Work> works,
        Guid by,
        bool teaches,
        DateTimeOffset now,
        CancellationToken cancellation
    ) =>
        works.ExecuteUpdateAsync(
            set =>
                set.SetProperty(work => work.GoneThroughAt, now)
                    .SetProperty(work => work.GoneThroughById, by)
                    .SetProperty(work => work.ConfirmedAt, work => teaches ? now : work.ConfirmedAt),
            cancellation
        );
}
