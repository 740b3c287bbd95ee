using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What is drawn as another kind of thing: an attribute as an entity of its own, an entity as no more than an attribute.
/// </summary>
internal static class Reclassified
{
    private const double Sureness = 0.74;
    private const int FewAttributes = 2;

    /// <summary>
    /// Attribute of the model answer → the entity that is drawn for it, beside the one that stands for the attribute's owner.
    /// </summary>
    public static ImmutableDictionary<string, string> AttributesAsEntities(Leftovers leftovers, Dictionary<int, int> duplicates)
    {
        var found = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var taken = new HashSet<int>(duplicates.Keys);
        for (var owner = 0; owner < leftovers.Model.Count; owner++)
        {
            var counterpart = leftovers.AnswerOf(owner);
            foreach (
                var attribute in leftovers
                    .Model.Entities[owner]
                    .Attributes.Where(attribute =>
                        counterpart >= 0 && attribute.Attribute.ForeignKey is null && leftovers.Attributes.IsFree(attribute)
                    )
            )
            {
                var beside = leftovers
                    .AnswerLinks.Where(link => link.From != link.To && (link.From == counterpart || link.To == counterpart))
                    .Select(link => link.From == counterpart ? link.To : link.From)
                    .FirstOrDefault(
                        index =>
                            !taken.Contains(index)
                            && leftovers.AnswerEntities.Contains(index)
                            && StandsFor(leftovers.Answer.Entities[index], attribute.Bare),
                        -1
                    );
                if (beside >= 0)
                {
                    taken.Add(beside);
                    found.Add(attribute.Attribute.Id, leftovers.Answer.Entities[beside].Entity.Id);
                }
            }
        }

        return found.ToImmutable();
    }

    private static bool StandsFor(NamedEntity entity, Name attribute) =>
        entity.Attributes.Length <= FewAttributes
        && (
            NameSimilarity.Of(entity.Name, attribute).Value >= Sureness
            || entity.Attributes.Any(own => NameSimilarity.OfBare(own.Name, own.Bare, attribute, attribute).Value >= Sureness)
        );

    /// <summary>Entity of the model answer → the attribute that is drawn for it, at whatever entity.</summary>
    public static ImmutableDictionary<string, string> EntitiesAsAttributes(Leftovers leftovers)
    {
        var found = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var drawn = leftovers
            .Answer.Entities.Where((_, index) => leftovers.IsMatched(index))
            .SelectMany(entity => entity.Attributes)
            .Where(attribute =>
                attribute.Attribute.ForeignKey is null
                && leftovers.Attributes.IsFreeAnswer(attribute)
                && !leftovers.Attributes.InDisguise.Contains(attribute.Attribute.Id)
            )
            .ToList();
        foreach (
            var entity in leftovers
                .ModelEntities.Select(index => leftovers.Model.Entities[index])
                .Where(entity => !leftovers.IsRestated(entity.Entity.Id))
        )
        {
            var best = drawn
                .Select(attribute => (Attribute: attribute, Likeness: NameSimilarity.Of(attribute.Name, entity.Name).Value))
                .Where(candidate => candidate.Likeness >= Sureness)
                .OrderByDescending(candidate => candidate.Likeness)
                .FirstOrDefault();
            if (best.Attribute is not null)
            {
                drawn.Remove(best.Attribute);
                found.Add(entity.Entity.Id, best.Attribute.Attribute.Id);
            }
        }

        return found.ToImmutable();
    }
}
