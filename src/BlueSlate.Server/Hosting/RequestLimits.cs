using System.Security.Claims;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace BlueSlate.Server.Hosting;

/// <summary>
/// How much one account may ask for. Never by address: an examination hall shares one. Drawing sends about one save and one
/// reading every second or two, so that a person at work never meets the limit, while a program that runs wild does.
/// </summary>
public static class RequestLimits
{
    /// <summary>For how many seconds' worth of requests may come at once.</summary>
    public const int BurstSeconds = 12;

    /// <summary>Sets the limits.</summary>
    public static void Configure(RateLimiterOptions options, int aSecond)
    {
        options.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        options.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
            context.User.FindFirstValue(ClaimTypes.NameIdentifier) is { } account
                ? RateLimitPartition.GetTokenBucketLimiter(account, _ => new TokenBucketRateLimiterOptions
                {
                    TokenLimit = aSecond * BurstSeconds,
                    TokensPerPeriod = aSecond,
                    ReplenishmentPeriod = TimeSpan.FromSeconds(1),
                    QueueLimit = 0,
                })
                : RateLimitPartition.GetNoLimiter("")
        );
        options.OnRejected = async (context, _) =>
        {
            context.HttpContext.Response.Headers.RetryAfter = "2";
            await Problems.TooMuch().ExecuteAsync(context.HttpContext);
        };
    }
}
