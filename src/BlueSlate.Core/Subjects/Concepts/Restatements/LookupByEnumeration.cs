using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A class of values, tied to others with one for each, drawn as an enumeration and an attribute of its type.
/// </summary>
internal sealed class LookupByEnumeration : Restatement
{
    private const int FewAttributes = 2;

    public override string Code => "lookup-by-enumeration";

    public override string Title => "A class of values, as an enumeration";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var link in leftovers.ModelLinks.Where(link => link.From != link.To))
        {
            foreach (
                var (owner, lookup, atLookup) in new[]
                {
                    (link.From, link.To, link.Relationship.Roles[1]),
                    (link.To, link.From, link.Relationship.Roles[0]),
                }
            )
            {
                var wanted = leftovers.Model.Entities[lookup];
                if (
                    leftovers.AnswerOf(owner) < 0
                    || atLookup.CoOccurrence.Max != 1
                    || wanted.Attributes.Length > FewAttributes
                    || wanted.Entity.Kind == EntityKind.Enumeration
                )
                {
                    continue;
                }

                var found = leftovers
                    .Answer.Entities[leftovers.AnswerOf(owner)]
                    .Attributes.Where(leftovers.Attributes.IsFreeAnswer)
                    .Select(attribute => (Attribute: attribute, Enumeration: EnumerationOf(attribute, leftovers.Answer)))
                    .FirstOrDefault(candidate =>
                        candidate.Enumeration is not null && Stands(candidate.Enumeration, candidate.Attribute, lookup, leftovers)
                    );
                if (found.Enumeration is not null)
                {
                    yield return new RestatedMatch(
                        Code,
                        $"{wanted.Entity.Name} is drawn as {found.Enumeration.Name}, an enumeration: same meaning.",
                        [
                            wanted.Entity.Id,
                            link.Relationship.Id,
                            .. link.Relationship.Roles.Select(role => role.Id),
                            .. wanted.Attributes.Select(attribute => attribute.Attribute.Id),
                        ],
                        ImmutableDictionary<string, RestatedCount>.Empty,
                        [found.Enumeration.Id, found.Attribute.Attribute.Id]
                    );
                    break;
                }
            }
        }
    }

    private static EntityType? EnumerationOf(NamedAttribute attribute, Side answer) =>
        attribute.Attribute.Type.Length == 0
            ? null
            : answer.Model.Entities.FirstOrDefault(entity =>
                entity.Kind == EntityKind.Enumeration && Name.Of(entity.Name).Key == Name.Of(attribute.Attribute.Type).Key
            );

    private static bool Stands(EntityType enumeration, NamedAttribute attribute, int lookup, Leftovers leftovers)
    {
        var index = leftovers.Answer.IndexOf(enumeration.Id);
        var wanted = leftovers.Model.Entities[lookup].Name;
        return leftovers.AnswerOf(lookup) == index
            || (
                !leftovers.IsMatched(index)
                && leftovers.AnswerOf(lookup) < 0
                && Math.Max(
                    NameSimilarity.Of(wanted, attribute.Name).Value,
                    NameSimilarity.Of(wanted, Name.Of(enumeration.Name)).Value
                ) >= AttributeMatcher.Sureness
            );
    }
}
