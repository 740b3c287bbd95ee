using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>A drawing of concepts held against a model answer by one correspondence.</summary>
public sealed class ConceptComparison : Comparison
{
    private readonly ILookup<FactKind, Verdict> bad;

    internal ConceptComparison(
        IndexedReading model,
        IndexedReading answer,
        Correspondence correspondence,
        NotationOptions options,
        ImmutableArray<Verdict> verdicts,
        ImmutableArray<Extra> extras,
        bool showsLittle
    )
        : base(verdicts, extras)
    {
        (IndexedModel, IndexedAnswer, Correspondence, Options, ShowsLittle) = (
            model,
            answer,
            correspondence,
            options,
            showsLittle
        );
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

    /// <summary>The notation's options of this part.</summary>
    public NotationOptions Options { get; }

    /// <summary>The prose of the exercise.</summary>
    public ScenarioText Scenario { get; init; } = ScenarioText.None;

    /// <summary>Where the answer keeps what was, besides what is.</summary>
    public ImmutableArray<KeptHistory> Histories { get; init; } = [];

    /// <summary>True when so little of the exercise is drawn that lines about form are not earned.</summary>
    public bool ShowsLittle { get; }

    /// <summary>The bad verdicts on one aspect, without those that are half right by another way of drawing.</summary>
    public IEnumerable<Verdict> Bad(FactKind kind) => bad[kind];

    /// <inheritdoc />
    public override double Cost => Correspondence.Cost;

    /// <summary>Entities of the model answer, by id, that are matched by their place rather than by their name.</summary>
    public override ImmutableArray<string> Unsure =>
        [
            .. Correspondence
                .Entities.Where(pair => pair.Value.NameLikeness < Sureness)
                .Select(pair => pair.Key)
                .Order(StringComparer.Ordinal),
        ];

    /// <inheritdoc />
    public override IEnumerable<NamedThing> ModelThings => ThingsOf(Model.Model);

    /// <inheritdoc />
    public override IEnumerable<NamedThing> AnswerThings => ThingsOf(Answer.Model);

    /// <inheritdoc />
    public override IEnumerable<StandIn> StandIns =>
        Correspondence
            .Entities.Select(pair => new StandIn(pair.Key, pair.Value.AnswerId, pair.Value.Reason))
            .Concat(Correspondence.Attributes.Select(pair => new StandIn(pair.Key, pair.Value.AnswerId, "")))
            .OrderBy(pair => pair.ModelId, StringComparer.Ordinal);

    /// <inheritdoc />
    public override IEnumerable<Guess> Guesses => Guessing.Of(this);

    /// <inheritdoc />
    public override ImmutableSortedDictionary<string, string> Counterparts
    {
        get
        {
            var pairs = ImmutableSortedDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
            foreach (var (id, match) in Correspondence.Entities)
            {
                pairs[id] = match.AnswerId;
            }

            foreach (var (id, match) in Correspondence.Attributes)
            {
                pairs[id] = match.AnswerId;
            }

            foreach (var (id, match) in Correspondence.Relationships)
            {
                pairs[id] = match.AnswerId;
                pairs.AddRange(match.Roles);
            }

            return pairs.ToImmutable();
        }
    }

    /// <inheritdoc />
    public override IReadOnlyDictionary<string, string> InPlace => Correspondence.Counterparts();

    /// <inheritdoc />
    public override ImmutableArray<string> SaidAnotherWay =>
        [
            .. Correspondence
                .Restated.Where(match => match.Standing == Standing.Same && !match.Holding.IsEmpty)
                .Select(match => match.Said),
        ];

    /// <inheritdoc />
    public override string KeyOf(Extra extra) => ExtraKey.Of(extra, this);

    /// <inheritdoc />
    public override IEnumerable<string> NearTo(Extra extra) => ExtraKey.NearTo(extra, this);

    /// <inheritdoc />
    public override IEnumerable<(FindingKind Kind, Finding Finding)> Propose(IReadOnlyList<FindingKind> kinds)
    {
        var evidence = new Evidence(this);
        return kinds
            .OfType<ConceptFindingKind>()
            .OrderBy(kind => kind.Rank)
            .SelectMany(kind => kind.Find(evidence).Select(finding => ((FindingKind)kind, finding)));
    }

    // The entities and their attributes, each with its owner.
    private static IEnumerable<NamedThing> ThingsOf(ConceptModel model) =>
        model.Entities.SelectMany(entity =>
            entity
                .Attributes.Select(attribute => new NamedThing(attribute.Id, attribute.Name, entity.Id))
                .Prepend(new NamedThing(entity.Id, entity.Name, null))
        );
}
