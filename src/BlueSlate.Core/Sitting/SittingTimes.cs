namespace BlueSlate.Core.Sitting;

/// <summary>
/// From when until when an exercise is sat, and how long it may take. The clock is never stopped: it runs from the start of an
/// answer to its end, whether or not anybody draws.
/// </summary>
/// <param name="OpensAt">Nobody starts before; null when it is open from its publication.</param>
/// <param name="DueAt">What is handed in after it is late; null for no such time.</param>
/// <param name="ClosesAt">Nothing is taken after it: what is drawn by then is handed in; null when it never closes.</param>
/// <param name="Minutes">The time allowed from the start; null for no limit.</param>
public sealed record SittingTimes(DateTimeOffset? OpensAt, DateTimeOffset? DueAt, DateTimeOffset? ClosesAt, int? Minutes)
{
    /// <summary>
    /// The same for one student. Extra minutes lengthen the clock, and move the due time and the closing by as much; a later time
    /// of their own takes the place of the due time, and of the closing where that is earlier. Without a due time or a closing for
    /// everybody there is none for one student.
    /// </summary>
    public SittingTimes For(OwnTime own) =>
        this with
        {
            DueAt = Own(DueAt, own),
            ClosesAt = Own(ClosesAt, own),
            Minutes = Minutes + own.ExtraMinutes,
        };

    /// <summary>Whether an answer can be started at a moment.</summary>
    public Openness At(DateTimeOffset now) =>
        now < OpensAt ? Openness.NotYet
        : now >= ClosesAt ? Openness.Closed
        : Openness.Open;

    /// <summary>When an answer ends that was started at a moment; null for never.</summary>
    public DateTimeOffset? EndOf(DateTimeOffset startedAt)
    {
        var clock = Minutes is { } minutes ? startedAt.AddMinutes(minutes) : (DateTimeOffset?)null;
        return clock is null ? ClosesAt
            : ClosesAt < clock ? ClosesAt
            : clock;
    }

    /// <summary>Whether what is handed in at a moment is late.</summary>
    public bool IsLate(DateTimeOffset handedInAt) => handedInAt > DueAt;

    /// <summary>How many minutes late what is handed in at a moment is, a begun one counted; 0 where it is not.</summary>
    public int LateBy(DateTimeOffset handedInAt) =>
        DueAt is { } due && handedInAt > due ? (int)Math.Min(int.MaxValue, Math.Ceiling((handedInAt - due).TotalMinutes)) : 0;

    /// <summary>What makes no sense in them, each with a code and the property that says so.</summary>
    public IEnumerable<(string Code, string Said, string Property)> Problems()
    {
        if (DueAt <= OpensAt)
        {
            yield return ("due", "Answers are due after the exercise opens, not before.", "dueAt");
        }

        if (ClosesAt <= OpensAt)
        {
            yield return ("closes", "An exercise closes after it opens, not before.", "closesAt");
        }

        if (ClosesAt < DueAt)
        {
            yield return ("closes", "An exercise does not close before its answers are due.", "closesAt");
        }
    }

    private static DateTimeOffset? Own(DateTimeOffset? everybodys, OwnTime own)
    {
        var later = everybodys?.AddMinutes(own.ExtraMinutes);
        return later is null ? null
            : own.Until > later ? own.Until
            : later;
    }
}

/// <summary>What one student has beyond everybody's time.</summary>
/// <param name="Until">A later time by which the answer is due; null for none.</param>
/// <param name="ExtraMinutes">Minutes more, 0 or above.</param>
public readonly record struct OwnTime(DateTimeOffset? Until, int ExtraMinutes);

/// <summary>Whether an exercise can be started.</summary>
public enum Openness
{
    NotYet,
    Open,
    Closed,
}
