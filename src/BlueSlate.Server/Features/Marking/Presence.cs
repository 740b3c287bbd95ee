using System.Collections.Concurrent;
using BlueSlate.Data;
using BlueSlate.Server.Hosting;
using Microsoft.EntityFrameworkCore;

namespace BlueSlate.Server.Features.Marking;

/// <summary>Who else has an answer open, by name.</summary>
public sealed record PresenceReply(string[] Others);

/// <summary>
/// Who has which work open on the desk, as far as this server knows: a page says so every few seconds, and whoever has not said so for a
/// while has left. It is a courtesy between markers and kept nowhere.
/// </summary>
public sealed class Presence(TimeProvider clock)
{
    /// <summary>After how long somebody who says nothing has left.</summary>
    public static TimeSpan Left { get; } = TimeSpan.FromSeconds(25);

    private readonly ConcurrentDictionary<(Guid Work, Guid Account), DateTimeOffset> seen = new();

    /// <summary>Says that somebody has work open; gives the others who have.</summary>
    public Guid[] Seen(Guid work, Guid account)
    {
        var now = clock.GetUtcNow();
        seen[(work, account)] = now;
        foreach (var (who, at) in seen)
        {
            if (now - at > Left)
            {
                seen.TryRemove(KeyValuePair.Create(who, at));
            }
        }

        return [.. seen.Keys.Where(who => who.Work == work && who.Account != account).Select(who => who.Account)];
    }

    /// <summary>The caller has work open.</summary>
    public static async Task<IResult> Here(
        Guid id,
        Access access,
        Presence presence,
        BlueSlateContext database,
        CancellationToken cancellation
    )
    {
        if (!await access.MarkableWorks().AnyAsync(work => work.Id == id, cancellation))
        {
            return MarkingEndpoints.NoSuchAnswer();
        }

        var others = presence.Seen(id, access.AccountId);
        return TypedResults.Ok(
            new PresenceReply(
                others.Length == 0
                    ? []
                    : await database
                        .Users.Where(account => others.Contains(account.Id))
                        .OrderBy(account => account.DisplayName)
                        .Select(account => account.DisplayName)
                        .ToArrayAsync(cancellation)
            )
        );
    }
}
