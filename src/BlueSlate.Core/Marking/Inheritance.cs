using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>How much of a difference stood in the drawing of an earlier part already.</summary>
public enum Inherited
{
    Nothing,
    InPart,
    Wholly,
}

/// <summary>
/// What of the differences of an answer was there already in the drawing of an earlier part, with which this one was begun. It was marked
/// there, and costs nothing here (error carried forward, as examiners call it).
/// </summary>
/// <param name="FactIds">The facts that were already as they are.</param>
/// <param name="Extras">What was drawn besides already, by the answer's concepts.</param>
public sealed record Inheritance(ImmutableArray<string> FactIds, ImmutableArray<string> Extras)
{
    /// <summary>Nothing is inherited.</summary>
    public static Inheritance None { get; } = new([], []);

    /// <summary>Whether nothing is.</summary>
    public bool IsNone => FactIds.IsEmpty && Extras.IsEmpty;

    /// <summary>
    /// What an answer inherits. A fact that the earlier part asked for as well, and that was not as wanted in its drawing, is inherited as
    /// long as it is no worse here. What is not drawn at all is inherited only where at least half of what the earlier part asked for
    /// was drawn there: who begins with next to nothing has the work still to do.
    /// </summary>
    /// <param name="asked">The facts of this part that the model answer of the earlier one states too.</param>
    /// <param name="before">The drawing of the earlier part, held against this part's model answer.</param>
    /// <param name="there">The same drawing, held against its own part's model answer: what was drawn besides there costs nothing here.
    /// </param>
    /// <param name="answer">The answer to this part.</param>
    public static Inheritance Of(ImmutableHashSet<string> asked, Comparison before, Comparison there, Comparison answer)
    {
        var was = before.Verdicts.Where(verdict => asked.Contains(verdict.Fact.Id)).ToList();
        var begun = 2 * was.Count(verdict => verdict.IsGood) >= was.Count;
        var lost = was.Where(IsLost).ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        var extra = there.Extras.Select(one => one.AnswerId).ToHashSet(StringComparer.Ordinal);
        return new Inheritance(
            [
                .. answer
                    .Verdicts.Where(now =>
                        IsLost(now) && lost.TryGetValue(now.Fact.Id, out var then) && IsInherited(then, now, begun)
                    )
                    .Select(now => now.Fact.Id),
            ],
            [.. answer.Extras.Select(one => one.AnswerId).Where(extra.Contains)]
        );
    }

    /// <summary>Decisions with what is inherited before them: a person's decision on it counts for more.</summary>
    internal Decisions Under(Decisions decisions) =>
        IsNone ? decisions : decisions with { Rulings = [new Ruling(Decision.Allow, FactIds, Extras, ""), .. decisions.Rulings] };

    /// <summary>How much of what a note is about is inherited.</summary>
    public Inherited Of(Note note)
    {
        var inherited = note.AllFactIds.Select(FactIds.Contains).Concat(note.Finding.Extras.Select(Extras.Contains)).ToList();
        return !inherited.Contains(true) ? Inherited.Nothing
            : inherited.Contains(false) ? Inherited.InPart
            : Inherited.Wholly;
    }

    private static bool IsInherited(Verdict then, Verdict now, bool begun) =>
        IsDrawn(then) ? IsDrawn(now) : begun || IsDrawn(now);

    private static bool IsLost(Verdict verdict) => verdict.IsBad || verdict.PartlyRight;

    private static bool IsDrawn(Verdict verdict) => verdict.Kind is not (VerdictKind.Absent or VerdictKind.AbsentWithOwner);
}
