using Microsoft.AspNetCore.Http.HttpResults;

namespace BlueSlate.Server.Hosting;

/// <summary>Why somebody does what others are told of, or the record keeps.</summary>
internal static class Reason
{
    private const int Longest = 500;

    /// <summary>The answer to a reason that is none, or too long; null for one that will do.</summary>
    /// <param name="reason">The reason.</param>
    /// <param name="whose">For whom it is, as a sentence begins: <c>The students are told why</c>.</param>
    /// <param name="property">The property of the request that holds it.</param>
    public static ProblemHttpResult? Refusal(string reason, string whose, string property = "reason") =>
        reason.Trim().Length is 0 or > Longest
            ? Problems.Unreadable("reason-wanted", $"{whose}, in 1 to {Longest} characters.", property)
            : null;
}
