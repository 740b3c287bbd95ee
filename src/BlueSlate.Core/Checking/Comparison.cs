using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Matching;
using BlueSlate.Core.Notations;

namespace BlueSlate.Core.Checking;

/// <summary>What checking says of one fact.</summary>
public enum VerdictKind
{
    Holds,
    HoldsByRestatement,
    Tolerated,
    Wrong,
    Absent,
    AbsentWithOwner,
    NotAssessed,
}

/// <summary>The verdict on one fact of the model answer, with its evidence.</summary>
/// <param name="Fact">The fact.</param>
/// <param name="Kind">What is said of it.</param>
/// <param name="AnswerId">The concept of the answer that bears on it, or null.</param>
/// <param name="Drawn">What the answer says instead or as well, as text.</param>
/// <param name="PartlyRight"> Half right: a key with a superfluous attribute, an operation with an incomplete signature, a
/// right value at a relationship that is tied to the wrong entity.
/// </param>
public sealed record Verdict(Fact Fact, VerdictKind Kind, string? AnswerId, string Drawn, bool PartlyRight = false)
{
    /// <summary>
    /// What the answer says, as text in the model answer's own names, where that differs from <see cref="Drawn"/>.
    /// </summary>
    public string InModelTerms { get; init; } = Drawn;

    /// <summary>Whether a key is drawn as one attribute that was invented, beside the whole key that is wanted.</summary>
    public bool ByOwnNumber { get; init; }

    /// <summary>The other way of drawing by which it is half right, or null.</summary>
    public RestatedMatch? RestatedBy { get; init; }

    /// <summary>
    /// The entity or relationship of the model answer that the fact belongs to, for what is absent with it or half right.
    /// </summary>
    public string? OwnerId { get; init; }

    /// <summary>True when the fact is as wanted, in whatever way.</summary>
    public bool IsGood => Kind is VerdictKind.Holds or VerdictKind.HoldsByRestatement or VerdictKind.Tolerated;

    /// <summary>True when the fact counts and is not as wanted.</summary>
    public bool IsBad => Kind is VerdictKind.Wrong or VerdictKind.Absent or VerdictKind.AbsentWithOwner;
}

/// <summary>What kind of concept an extra is.</summary>
public enum ExtraKind
{
    Entity,
    Attribute,
    Relationship,
    Subtype,
    Operation,
}

/// <summary>Something in the answer that stands for nothing in the model answer.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="AnswerId">The concept of the answer.</param>
/// <param name="OwnerId">The entity of the answer that owns it, for an attribute.</param>
/// <param name="Name">Its name.</param>
public sealed record Extra(ExtraKind Kind, string AnswerId, string? OwnerId, string Name);

/// <summary>An answer held against a model answer: a verdict on every fact, and the extras.</summary>
public sealed class Comparison
{
    private readonly Dictionary<string, Verdict> byFact;
    private readonly ILookup<FactKind, Verdict> bad;

    internal Comparison(
        IndexedReading model,
        IndexedReading answer,
        Correspondence correspondence,
        NotationOptions options,
        ImmutableArray<Verdict> verdicts,
        ImmutableArray<Extra> extras,
        bool showsLittle
    )
    {
        (IndexedModel, IndexedAnswer, Correspondence, Options, Verdicts, Extras, ShowsLittle) = (
            model,
            answer,
            correspondence,
            options,
            verdicts,
            extras,
            showsLittle
        );
        byFact = verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        AllBad = [.. verdicts.Where(verdict => verdict.IsBad)];
        bad = AllBad.Where(verdict => verdict.RestatedBy is null).ToLookup(verdict => verdict.Fact.Kind);
    }

    /// <summary>What the model answer says.</summary>
    public Reading Model => IndexedModel.Reading;

    /// <summary>What the answer says.</summary>
    public Reading Answer => IndexedAnswer.Reading;

    internal IndexedReading IndexedModel { get; }

    internal IndexedReading IndexedAnswer { get; }

    /// <summary>Which element stands for which.</summary>
    public Correspondence Correspondence { get; }

    /// <summary>How alike two names have to be for a match not to rest on the place.</summary>
    public const double Sureness = 0.6;

    /// <summary>Entities of the model answer, by id, that are matched by their place rather than by their name.</summary>
    public ImmutableArray<string> Unsure =>
        [
            .. Correspondence
                .Entities.Where(pair => pair.Value.NameLikeness < Sureness)
                .Select(pair => pair.Key)
                .Order(StringComparer.Ordinal),
        ];

    /// <summary>The notation's options of this part.</summary>
    public NotationOptions Options { get; }

    /// <summary>A verdict on every fact of the model answer, in the facts' order.</summary>
    public ImmutableArray<Verdict> Verdicts { get; }

    /// <summary>What stands for nothing, in the order of the answer's drawing.</summary>
    public ImmutableArray<Extra> Extras { get; }

    /// <summary>Where the answer keeps what was, besides what is.</summary>
    public ImmutableArray<KeptHistory> Histories { get; init; } = [];

    /// <summary>True when so little of the exercise is drawn that lines about form are not earned.</summary>
    public bool ShowsLittle { get; }

    /// <summary>The verdict on an aspect of a concept, or null when the model answer does not state it.</summary>
    public Verdict? On(FactKind kind, string conceptId) => On(kind.IdOf(conceptId));

    /// <summary>The verdict on a fact, or null when there is none with this id.</summary>
    public Verdict? On(string factId) => byFact.GetValueOrDefault(factId);

    /// <summary>The bad verdicts, in the facts' order.</summary>
    public ImmutableArray<Verdict> AllBad { get; }

    /// <summary>The bad verdicts on one aspect, without those that are half right by another way of drawing.</summary>
    public IEnumerable<Verdict> Bad(FactKind kind) => bad[kind];
}
