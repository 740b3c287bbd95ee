using System.Collections.Immutable;
using BlueSlate.Core.Checking.Findings.NotationFaults;

namespace BlueSlate.Core.Checking;

/// <summary>The word that a difference carries where it is drawn.</summary>
public enum Tag
{
    Missing,
    Extra,
    Differs,
    Moved,
    Notation,
}

/// <summary>One difference between answer and model answer, or one fault of notation.</summary>
public sealed record Finding
{
    /// <summary>Unique within one answer: the code and the concept that it is about.</summary>
    public required string Id { get; init; }

    /// <summary>The stable code of its kind.</summary>
    public required string Code { get; init; }

    /// <summary>The word shown at the difference.</summary>
    public required Tag Tag { get; init; }

    /// <summary>The difference in one short sentence.</summary>
    public required string Headline { get; init; }

    /// <summary>What is there.</summary>
    public required string There { get; init; }

    /// <summary>What is wanted.</summary>
    public required string Wanted { get; init; }

    /// <summary>Why it matters, in the scenario's own things.</summary>
    public required string Why { get; init; }

    /// <summary>Ids of the facts whose bad verdicts it explains.</summary>
    public ImmutableArray<string> Claims { get; init; } = [];

    /// <summary>Ids of the answer's concepts that it explains as extras.</summary>
    public ImmutableArray<string> Extras { get; init; } = [];

    /// <summary>Elements of the model answer that it shows.</summary>
    public ImmutableArray<string> ModelElements { get; init; } = [];

    /// <summary>Elements of the answer that it shows.</summary>
    public ImmutableArray<string> AnswerElements { get; init; } = [];

    /// <summary>The finding from which this one only follows, or null for a root.</summary>
    public string? ConsequenceOf { get; init; }
}

/// <summary>
/// A kind of finding. One class a kind, found by its type, and one entry a fault of notation; no other code knows which kinds
/// there are. A kind looks at the evidence and proposes findings; the selector then takes those that explain most in the fewest
/// words.
/// </summary>
public abstract class FindingKind
{
    /// <summary>All kinds, in the order of their codes.</summary>
    public static IReadOnlyList<FindingKind> All { get; } =
    [
        .. typeof(FindingKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(FindingKind)) && !type.IsAbstract && type != typeof(NotationFault))
            .Select(type => (FindingKind)Activator.CreateInstance(type, nonPublic: true)!)
            .Concat(NotationFault.OfCatalogue)
            .OrderBy(kind => kind.Code, StringComparer.Ordinal),
    ];

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

    /// <summary>The findings that this kind proposes.</summary>
    public abstract IEnumerable<Finding> Find(Evidence evidence);

    private protected string IdFor(string conceptId) => $"{Code}:{conceptId}";

    /// <summary>A finding that explains one bad verdict, whose concept is matched in the answer.</summary>
    private protected Finding AboutFact(Verdict verdict, Tag tag, string headline, string there, string wanted, string why) =>
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
}
