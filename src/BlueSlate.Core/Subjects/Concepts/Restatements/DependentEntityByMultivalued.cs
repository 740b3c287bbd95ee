using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// An entity with one attribute of its own that depends on one other, drawn as a multivalued attribute of that other.
/// </summary>
internal sealed class DependentEntityByMultivalued : Restatement
{
    public override string Code => "dependent-entity-by-multivalued";

    public override string Title => "A dependent entity, as an attribute with several values";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var dependent in leftovers.ModelEntities)
        {
            var entity = leftovers.Model.Entities[dependent];
            var own = leftovers.ModelLinks.Where(link => link.From == dependent || link.To == dependent).ToList();
            if (
                own is not [var link]
                || leftovers.AnswerOf(link.From == dependent ? link.To : link.From) is not (>= 0 and var owner)
                || entity.Attributes.Where(attribute => attribute.Attribute.ForeignKey is null).ToList() is not [var only]
            )
            {
                continue;
            }

            var found = leftovers
                .Answer.Entities[owner]
                .Attributes.FirstOrDefault(attribute =>
                    attribute.Attribute.Multivalued
                    && Math.Max(
                        NameSimilarity.Of(attribute.Bare, entity.Name).Value,
                        NameSimilarity.Of(attribute.Name, only.Name).Value
                    ) >= AttributeMatcher.Sureness
                );
            if (found is not null)
            {
                yield return new RestatedMatch(
                    Code,
                    $"{entity.Entity.Name} is drawn as an attribute with several values: same meaning.",
                    [
                        entity.Entity.Id,
                        link.Relationship.Id,
                        .. link.Relationship.Roles.Select(role => role.Id),
                        .. entity.Attributes.Select(attribute => attribute.Attribute.Id),
                    ],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [found.Attribute.Id]
                );
            }
        }
    }
}
