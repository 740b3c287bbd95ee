using System.Collections.Immutable;

namespace BlueSlate.Core.Judging;

/// <summary>
/// An answer held against a model answer in one likely way: a verdict on every fact, the extras, and what stands for what.
/// </summary>
public abstract class Comparison
{
    private readonly Dictionary<string, Verdict> byFact;

    /// <summary>By its verdicts, in the facts' order, and its extras, in the order of the answer.</summary>
    protected Comparison(ImmutableArray<Verdict> verdicts, ImmutableArray<Extra> extras)
    {
        (Verdicts, Extras) = (verdicts, extras);
        byFact = verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        AllBad = [.. verdicts.Where(verdict => verdict.IsBad)];
    }

    /// <summary>A verdict on every fact of the model answer, in the facts' order.</summary>
    public ImmutableArray<Verdict> Verdicts { get; }

    /// <summary>What stands for nothing, in the order of the answer.</summary>
    public ImmutableArray<Extra> Extras { get; }

    /// <summary>The bad verdicts, in the facts' order.</summary>
    public ImmutableArray<Verdict> AllBad { get; }

    /// <summary>The verdict on an aspect of a concept, or null when the model answer does not state it.</summary>
    public Verdict? On(FactKind kind, string conceptId) => On(kind.IdOf(conceptId));

    /// <summary>The verdict on a fact, or null when there is none with this id.</summary>
    public Verdict? On(string factId) => byFact.GetValueOrDefault(factId);

    /// <summary>How much differs when it is read in this way; of several ways the cheapest is the likeliest.</summary>
    public abstract double Cost { get; }

    /// <summary>Things of the model answer, by id, for whose counterparts hardly anything speaks.</summary>
    public abstract ImmutableArray<string> Unsure { get; }

    /// <summary>The things of the model answer of which a person may say what stands for them.</summary>
    public abstract IEnumerable<NamedThing> ModelThings { get; }

    /// <summary>The things of the answer of which a person may say what they stand for.</summary>
    public abstract IEnumerable<NamedThing> AnswerThings { get; }

    /// <summary>Which of these things stand for each other, and why.</summary>
    public abstract IEnumerable<StandIn> StandIns { get; }

    /// <summary>
    /// What was taken for something by its place, whatever it is called, and what stands for nothing though it may be meant by something
    /// in the same place that is missing: what only somebody who knows the scenario can say.
    /// </summary>
    public virtual IEnumerable<Guess> Guesses => [];

    /// <summary>Everything of the model answer that something stands for, wherever that is, for the two to be shown together.</summary>
    public abstract ImmutableSortedDictionary<string, string> Counterparts { get; }

    /// <summary>Everything of the model answer that the answer says in the same place: id → id of the answer.</summary>
    public abstract IReadOnlyDictionary<string, string> InPlace { get; }

    /// <summary>What is said another way with the same meaning, in sentences.</summary>
    public abstract ImmutableArray<string> SaidAnotherWay { get; }

    /// <summary>Equal for alike extras of answers to the same model answer, whatever the ids of the documents.</summary>
    public abstract string KeyOf(Extra extra);

    /// <summary>The things of the model answer, by id, for whose counterparts an extra is tied to.</summary>
    public abstract IEnumerable<string> NearTo(Extra extra);

    /// <summary>What some kinds of findings propose, by their rank.</summary>
    public abstract IEnumerable<(FindingKind Kind, Finding Finding)> Propose(IReadOnlyList<FindingKind> kinds);
}

/// <summary>A thing that may stand for another: an entity, or an attribute with its owner.</summary>
public sealed record NamedThing(string Id, string Name, string? OwnerId);

/// <summary>A thing of the answer that may be meant by one of the model answer.</summary>
/// <param name="Model">The one of the model answer.</param>
/// <param name="Answer">The one of the answer, under another name.</param>
/// <param name="FactId">The fact that the one of the model answer is there.</param>
/// <param name="Taken">Whether it was taken for it; otherwise the one is missing and the other too much.</param>
public sealed record Guess(NamedThing Model, NamedThing Answer, string FactId, bool Taken)
{
    /// <summary>In a sentence, what was taken for what, and why; empty where nothing was taken.</summary>
    public string Said { get; init; } = "";
}

/// <summary>A thing of the answer that stands for one of the model answer.</summary>
public sealed record StandIn(string ModelId, string AnswerId, string Reason);
