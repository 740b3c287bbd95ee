using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Populations.Examples;

namespace BlueSlate.Core.Subjects.Concepts.Populations;

/// <summary>
/// Finds, for a finding, data on which the drawing and the model answer disagree: allowed as drawn and forbidden under every
/// accepted value, or the other way round, with everything else as the model answer wants it. Each is made by a source, grown
/// into a whole population, and only given when <see cref="PopulationRules"/> confirms both.
/// </summary>
internal sealed class ExampleFinder(ConceptModel model, Tolerances tolerances)
{
    /// <summary>The most combinations of accepted values that are gone through; with more no example is given.</summary>
    public const int MostCombinations = 64;

    /// <summary>An example for a finding of a comparison, or null when the two allow the same data, or none is found.</summary>
    public ExamplePopulation? For(ConceptComparison comparison, Finding finding)
    {
        var claimed = finding.Claims.ToHashSet(StringComparer.Ordinal);
        var verdicts = comparison.AllBad.Where(verdict => claimed.Contains(verdict.Fact.Id)).ToImmutableArray();
        if (verdicts.IsEmpty)
        {
            return null;
        }

        var dispute = new Dispute(model, comparison, verdicts, tolerances);
        return ExampleSource
            .All.SelectMany(source => source.Propose(dispute))
            .Select(proposal => Confirm(proposal, comparison))
            .FirstOrDefault(example => example is not null);
    }

    private ExamplePopulation? Confirm(Proposal proposal, ConceptComparison comparison)
    {
        if (Accepted(proposal.About, comparison) is not { } accepted || proposal.Seed.Complete() is not { } population)
        {
            return null;
        }

        if (proposal.Holds is { } holds)
        {
            return PopulationRules.Allows(model, population) && holds(population)
                ? new ExamplePopulation(proposal.Kind, proposal.Show(population), population)
                : null;
        }

        var asDrawn = PopulationRules.Allows(proposal.AsDrawn, population);
        var confirmed =
            proposal.Kind == ExampleKind.AllowedAsDrawn
                ? asDrawn && accepted.TrueForAll(variant => !PopulationRules.Allows(variant, population))
                : !asDrawn && accepted.TrueForAll(variant => PopulationRules.Allows(variant, population));
        return confirmed ? new ExamplePopulation(proposal.Kind, proposal.Show(population), population) : null;
    }

    // The model with every combination of what it accepts at these facts; null when there are too many, or one says what cannot
    // be put into a model.
    private List<ConceptModel>? Accepted(IEnumerable<string> factIds, ConceptComparison comparison)
    {
        var variants = new List<ConceptModel> { model };
        foreach (var id in factIds)
        {
            if (tolerances.At(id) is not { } tolerance || comparison.On(id) is not { } verdict)
            {
                continue;
            }

            var further = tolerance
                .Accepted.Where(value => value != "?")
                .SelectMany(value =>
                    variants.Select(variant => ((ConceptFactKind)verdict.Fact.Kind).Vary(variant, verdict.Fact, value))
                )
                .ToList();
            if (further.Contains(null) || variants.Count + further.Count > MostCombinations)
            {
                return null;
            }

            variants.AddRange(further.OfType<ConceptModel>());
        }

        return variants;
    }
}

/// <summary>What a finding claims, with what is needed to speak of it in the student's own names.</summary>
internal sealed class Dispute(
    ConceptModel model,
    ConceptComparison comparison,
    ImmutableArray<Verdict> verdicts,
    Tolerances tolerances
)
{
    public ConceptModel Model => model;

    public ConceptComparison Comparison => comparison;

    /// <summary>The bad verdicts that the finding explains.</summary>
    public ImmutableArray<Verdict> Verdicts => verdicts;

    /// <summary>The bad verdicts of some kinds, in their order.</summary>
    public IEnumerable<Verdict> On(params ReadOnlySpan<FactKind> kinds)
    {
        var wanted = kinds.ToArray();
        return verdicts.Where(verdict => wanted.Contains(verdict.Fact.Kind));
    }

    /// <summary>The keys that are accepted at a key's fact besides the model answer's own.</summary>
    public IEnumerable<Identifier> AcceptedKeys(string factId, EntityType entity) =>
        (tolerances.At(factId)?.Accepted ?? []).Select(names => Variations.KeyNamed(entity, names)).OfType<Identifier>();

    /// <summary>The model with what is drawn at some facts; null when one of them says nothing of data.</summary>
    public ConceptModel? AsDrawn(IEnumerable<Verdict> facts) =>
        facts.Aggregate((ConceptModel?)model, (sofar, verdict) =>
            sofar is null ? null : ((ConceptFactKind)verdict.Fact.Kind).Vary(sofar, verdict.Fact, verdict.Drawn)
        );

    /// <summary>An entity type as its author calls it.</summary>
    public string NameOf(string entityId) =>
        comparison.Correspondence.Entities.TryGetValue(entityId, out var match)
            ? comparison.Answer.Model.Entity(match.AnswerId).Name
            : model.Entity(entityId).Name;

    /// <summary>An attribute as its author calls it.</summary>
    public string NameOf(ConceptAttribute attribute) =>
        comparison.Correspondence.Attributes.TryGetValue(attribute.Id, out var match)
            ? comparison
                .Answer.Model.Entities.SelectMany(entity => entity.Attributes)
                .FirstOrDefault(drawn => drawn.Id == match.AnswerId)
                ?.Name
                ?? attribute.Name
            : attribute.Name;
}
