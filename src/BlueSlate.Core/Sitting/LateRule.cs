using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Sitting;

/// <summary>For how long a share of the marks is taken.</summary>
public enum LatePeriod
{
    Hour,
    Day,
}

/// <summary>What lateness costs: a share of an answer's maximum for each hour or day begun.</summary>
/// <param name="Percent">The share for each, in hundredths of the maximum, from 1 to 100.</param>
/// <param name="Per">For each hour begun, or for each day.</param>
/// <param name="Most">The most that is taken, in hundredths of the maximum, from <paramref name="Percent"/> to 100.</param>
/// <param name="Grace">So many minutes cost nothing; later, they count as well.</param>
public sealed record LateRule(int Percent, LatePeriod Per, int Most = 100, int Grace = 0)
{
    /// <summary>The longest time that can cost nothing, in minutes.</summary>
    public const int LongestGrace = 1440;

    private int Minutes => Per == LatePeriod.Hour ? 60 : 1440;

    /// <summary>What is taken from an answer of so many marks that came so many minutes late: 0 or above.</summary>
    public Rational Of(Rational maximum, int lateMinutes) =>
        maximum * new Rational(Math.Min(Math.Min((long)Percent * Begun(lateMinutes), Most), 100), 100);

    /// <summary>Why something is taken from an answer that came so many minutes late, as its author reads it.</summary>
    public string Why(int lateMinutes)
    {
        var begun = Begun(lateMinutes);
        var most = Most < 100 && (long)Percent * begun > Most ? $", {Most} % at the most" : "";
        return $"Handed in late, {begun} {Named(begun)} begun: {Percent} % of the marks for each{most}.";
    }

    /// <summary>What makes no sense in it, with a code and the property that says so; null when nothing does.</summary>
    public (string Code, string Said, string Property)? Problem =>
        Percent is < 1 or > 100 ? ("late-percent", "For each hour or day, 1 to 100 % of the marks can be taken.", "percent")
        : Most < Percent || Most > 100
            ? ("late-most", "The most that is taken is at least what one hour or day costs, and at most 100 %.", "most")
        : Grace is < 0 or > LongestGrace ? ("late-grace", $"From 0 to {LongestGrace} minutes can cost nothing.", "grace")
        : null;

    /// <summary>The rule in words, as it follows "late answers lose".</summary>
    public string Said =>
        $"{Percent} % of the marks for each {Named(1)} begun"
        + (Most < 100 ? $", {Most} % at the most" : "")
        + (Grace > 0 ? $", after {Grace} {(Grace == 1 ? "minute" : "minutes")} that cost nothing" : "");

    private int Begun(int lateMinutes) => lateMinutes <= Grace ? 0 : (lateMinutes + Minutes - 1) / Minutes;

    private string Named(int number) => (Per == LatePeriod.Hour ? "hour" : "day") + (number == 1 ? "" : "s");
}
