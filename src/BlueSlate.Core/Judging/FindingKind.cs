namespace BlueSlate.Core.Judging;

/// <summary>
/// A kind of finding: what it is called and how to avoid it. A subject's own kinds look at its evidence and propose findings;
/// the selector then takes those that explain most in the fewest words.
/// </summary>
public abstract class FindingKind
{
    /// <summary>The kinds of all subjects, in the order of their codes.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [.. Subject.All.SelectMany(subject => subject.FindingKinds).OrderBy(kind => kind.Code, StringComparer.Ordinal)];

    /// <summary>Stable code, lower case with hyphens.</summary>
    public abstract string Code { get; }

    /// <summary>A few words for people.</summary>
    public abstract string Title { get; }

    /// <summary>Two or three sentences for students: what this is and how to avoid it.</summary>
    public abstract string Help { get; }

    /// <summary>Kinds that explain several differences at once come before those that name one: lower goes first.</summary>
    public virtual int Rank => 50;

    /// <summary>
    /// True when a finding of this kind is said even where others explain all that it does, as faults of notation are.
    /// </summary>
    public virtual bool IsIndependent => false;

    /// <summary>The id of its finding about a concept.</summary>
    protected string IdFor(string conceptId) => $"{Code}:{conceptId}";

    /// <summary>A finding that explains one bad verdict, whose concept is matched in the answer.</summary>
    protected Finding AboutFact(Verdict verdict, Tag tag, string headline, string there, string wanted, string why) =>
        new()
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = tag,
            Headline = headline,
            There = there,
            Wanted = wanted,
            Why = why,
            Claims = [verdict.Fact.Id],
            ModelElements = [verdict.Fact.ConceptId],
            AnswerElements = [verdict.AnswerId!],
        };

    /// <summary>That something has another of what it should have, or none: <c>the wrong type</c>, <c>no type</c>.</summary>
    protected static string Wrong(Verdict verdict, string what) => verdict.Drawn.Length > 0 ? $"the wrong {what}" : $"no {what}";
}
