using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// The scheme for another accepted model answer. What both say keeps its line and its marks; the marks of lines about what the
/// other one does not say go to what it says instead, shared out as in a scheme derived from it.
/// </summary>
public static class VariantScheme
{
    /// <summary>The scheme for a variant, worth as much as the model answer's.</summary>
    /// <param name="scheme">The scheme of the model answer.</param>
    /// <param name="facts">The facts of the model answer.</param>
    /// <param name="counterparts">Concept of the model answer → the one of the variant that stands for it.</param>
    /// <param name="variantFacts">The facts of the variant.</param>
    public static MarkingScheme Of(
        MarkingScheme scheme,
        ImmutableArray<Fact> facts,
        IReadOnlyDictionary<string, string> counterparts,
        ImmutableArray<Fact> variantFacts
    )
    {
        var there = variantFacts.Select(fact => fact.Id).ToHashSet(StringComparer.Ordinal);
        var known = facts.ToDictionary(fact => fact.Id, StringComparer.Ordinal);
        var kept = scheme
            .Lines.Select(line =>
                line with
                {
                    FactIds = [.. line.FactIds.Select(InVariant).OfType<string>().Distinct(StringComparer.Ordinal)],
                }
            )
            .Where(line => !line.FactIds.IsEmpty)
            .ToList();
        var asked = kept.SelectMany(line => line.FactIds).ToHashSet(StringComparer.Ordinal);
        var free = scheme.Maximum - Sum(kept.Select(line => line.Marks));

        // What is new in it, as a scheme of its own would put it.
        var added = SchemeDeriver
            .Derive(variantFacts, scheme.Maximum)
            .Lines.Select(line =>
                line with
                {
                    Id = $"variant-{line.Id}",
                    FactIds = [.. line.FactIds.Where(id => !asked.Contains(id))],
                }
            )
            .Where(line => !line.FactIds.IsEmpty && line.Marks > Rational.Zero)
            .ToList();
        var weight = Sum(added.Select(line => line.Marks));
        if (added.Count == 0 || free.IsZero)
        {
            var earned = Sum(kept.Select(line => line.Marks));
            return scheme with
            {
                Lines = earned.IsZero ? [] : [.. kept.Select(line => line with { Marks = line.Marks * scheme.Maximum / earned })],
            };
        }

        return scheme with
        {
            Lines = [.. kept, .. added.Select(line => line with { Marks = line.Marks * free / weight })],
        };

        string? InVariant(string factId)
        {
            if (!known.TryGetValue(factId, out var fact))
            {
                return null;
            }

            var concept = fact.ConceptId == Fact.WholeDrawing ? fact.ConceptId : counterparts.GetValueOrDefault(fact.ConceptId);
            return concept is not null && fact.Kind.IdOf(concept) is var id && there.Contains(id) ? id : null;
        }
    }

    /// <summary>
    /// The scheme of a model answer that was repaired, whose things kept their ids: what it still says keeps its line, and the marks of
    /// lines about what it no longer says go to what it says instead.
    /// </summary>
    /// <param name="scheme">The scheme so far.</param>
    /// <param name="facts">The facts of the model answer as it was.</param>
    /// <param name="repaired">Its facts as it is now.</param>
    public static MarkingScheme Repaired(MarkingScheme scheme, ImmutableArray<Fact> facts, ImmutableArray<Fact> repaired) =>
        Of(
            scheme,
            facts,
            facts.Select(fact => fact.ConceptId).Distinct(StringComparer.Ordinal).ToDictionary(id => id, StringComparer.Ordinal),
            repaired
        );

    private static Rational Sum(IEnumerable<Rational> marks) => marks.Aggregate(Rational.Zero, (sum, mark) => sum + mark);
}
