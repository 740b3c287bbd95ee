using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A multivalued attribute drawn as an entity that depends on the attribute's owner, many of it for one owner.
/// </summary>
internal sealed class MultivaluedByDependentEntity : Restatement
{
    public override string Code => "multivalued-by-dependent-entity";

    public override string Title => "An attribute with several values, as a dependent entity";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var taken = new HashSet<int>();
        for (var owner = 0; owner < leftovers.Model.Count; owner++)
        {
            var counterpart = leftovers.AnswerOf(owner);
            foreach (
                var attribute in leftovers
                    .Model.Entities[owner]
                    .Attributes.Where(attribute =>
                        attribute.Attribute.Multivalued
                        && counterpart >= 0
                        && !leftovers.Attributes.Found.ContainsKey(attribute.Attribute.Id)
                    )
            )
            {
                foreach (
                    var link in leftovers.AnswerLinks.Where(link =>
                        link.From != link.To && (link.From == counterpart || link.To == counterpart)
                    )
                )
                {
                    var dependent = link.From == counterpart ? link.To : link.From;
                    var entity = leftovers.Answer.Entities[dependent];
                    var atDependent = link.Relationship.Roles[link.From == counterpart ? 1 : 0];
                    if (
                        taken.Contains(dependent)
                        || !leftovers.AnswerEntities.Contains(dependent)
                        || atDependent.CoOccurrence.Max == 1
                        || !IsAlike(attribute.Bare, entity)
                    )
                    {
                        continue;
                    }

                    taken.Add(dependent);
                    yield return new RestatedMatch(
                        Code,
                        $"Drawn as {entity.Entity.Name}, an entity with one of them in each: same meaning.",
                        [attribute.Attribute.Id],
                        ImmutableDictionary<string, RestatedCount>.Empty,
                        [entity.Entity.Id, link.Relationship.Id, .. entity.Attributes.Select(own => own.Attribute.Id)]
                    );
                    break;
                }
            }
        }
    }

    private static bool IsAlike(Name attribute, NamedEntity entity) =>
        NameSimilarity.Of(attribute, entity.Name).Value >= AttributeMatcher.Sureness
        || entity.Attributes.Any(own =>
            NameSimilarity.OfBare(attribute, attribute, own.Name, own.Bare).Value >= AttributeMatcher.Sureness
        );
}
