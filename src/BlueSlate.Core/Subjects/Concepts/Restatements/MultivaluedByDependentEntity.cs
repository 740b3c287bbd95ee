using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// A multivalued attribute drawn as an entity that depends on the attribute's owner, many of it for one owner.
/// </summary>
internal sealed class MultivaluedByDependentEntity : Restatement
{
    private const int FewAttributes = 2;

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
                var beside = Dependents(counterpart, leftovers).Where(one => !taken.Contains(one.Dependent)).ToList();
                foreach (var (link, dependent) in beside)
                {
                    // The only one that could be it is it, however it is called.
                    var entity = leftovers.Answer.Entities[dependent];
                    var only = beside.Count == 1 && entity.Attributes.Length <= FewAttributes && IsOnlyOne(owner, leftovers);
                    if (!only && !IsAlike(attribute.Bare, entity))
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

    // What hangs on an entity alone, many of it for one.
    private static IEnumerable<(Link Link, int Dependent)> Dependents(int counterpart, Leftovers leftovers) =>
        leftovers
            .AnswerLinks.Where(link => link.From != link.To && (link.From == counterpart || link.To == counterpart))
            .Select(link => (Link: link, Dependent: link.From == counterpart ? link.To : link.From))
            .Where(one =>
                leftovers.AnswerEntities.Contains(one.Dependent)
                && one.Link.Relationship.Roles[one.Link.From == counterpart ? 1 : 0].CoOccurrence.Max != 1
            );

    private static bool IsOnlyOne(int owner, Leftovers leftovers) =>
        leftovers
            .Model.Entities[owner]
            .Attributes.Count(attribute =>
                attribute.Attribute.Multivalued && !leftovers.Attributes.Found.ContainsKey(attribute.Attribute.Id)
            ) == 1;

    private static bool IsAlike(Name attribute, NamedEntity entity) =>
        NameSimilarity.Of(attribute, entity.Name).Value >= AttributeMatcher.Sureness
        || entity.Attributes.Any(own =>
            NameSimilarity.OfBare(attribute, attribute, own.Name, own.Bare).Value >= AttributeMatcher.Sureness
        );
}
