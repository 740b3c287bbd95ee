using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A qualified association drawn without its qualifier, which is an attribute of the class at the other end; or such an
/// attribute drawn as a qualifier. What is said for each value of the qualifier is many without it.
/// </summary>
internal sealed class QualifierByAttribute : Restatement
{
    public override string Code => "qualifier-by-attribute";

    public override string Title =>
        "A qualified association, as a plain one with the qualifier as an attribute, and the other way round";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var link in leftovers.Model.Links)
        {
            if (
                !leftovers.Relationships.TryGetValue(link.Relationship.Id, out var match)
                || leftovers.Answer.Links.FirstOrDefault(candidate => candidate.Relationship.Id == match.AnswerId)
                    is not { } drawn
            )
            {
                continue;
            }

            foreach (var role in link.Relationship.Roles)
            {
                var far = link.Relationship.Other(role);
                var (own, other) = (
                    Role(drawn.Relationship, match.Roles[role.Id]),
                    Role(drawn.Relationship, match.Roles[far.Id])
                );
                var text = role.Qualifier.Length > 0 ? role.Qualifier : own.Qualifier;
                if (text.Length == 0 || (role.Qualifier.Length > 0) == (own.Qualifier.Length > 0))
                {
                    continue;
                }

                // The side without the qualifier has it as an attribute of what is at the other end, and many there.
                var plain = role.Qualifier.Length > 0 ? leftovers.Answer : leftovers.Model;
                var attribute = plain
                    .Entities[plain.IndexOf(role.Qualifier.Length > 0 ? other.EntityId : far.EntityId)]
                    .Attributes.FirstOrDefault(candidate => IsQualifier(candidate, text));
                var many = role.Qualifier.Length > 0 ? other.CoOccurrence : far.CoOccurrence;
                if (attribute is null || many.Max != Count.Many)
                {
                    continue;
                }

                var isModel = role.Qualifier.Length == 0;
                yield return new RestatedMatch(
                    Code,
                    isModel
                        ? $"{Phrasing.Capital(Phrasing.InText(text))} is drawn as a qualifier: same meaning."
                        : $"The qualifier {Phrasing.InText(text)} is drawn as an attribute: same meaning.",
                    isModel ? [attribute.Attribute.Id] : [],
                    ImmutableDictionary<string, RestatedCount>.Empty.Add(far.Id, new RestatedCount(far.CoOccurrence, other.Id)),
                    isModel ? [match.AnswerId] : [attribute.Attribute.Id]
                );
            }
        }
    }

    private static RelationshipRole Role(RelationshipType relationship, string id) =>
        relationship.Roles.First(role => role.Id == id);

    private static bool IsQualifier(NamedAttribute attribute, string text) =>
        NameSimilarity.OfBare(Name.Of(text), Name.Of(text), attribute.Name, attribute.Bare).Value >= AttributeMatcher.Sureness;
}
