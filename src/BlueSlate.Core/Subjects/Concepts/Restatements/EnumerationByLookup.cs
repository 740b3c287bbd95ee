using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>
/// An enumeration and the attribute of its type, drawn as a class whose instances are the values, tied to the attribute's owner
/// with at most one for each.
/// </summary>
internal sealed class EnumerationByLookup : Restatement
{
    private const int FewAttributes = 2;

    public override string Code => "enumeration-by-lookup";

    public override string Title => "An enumeration, as a class of values";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        for (var index = 0; index < leftovers.Model.Count; index++)
        {
            var enumeration = leftovers.Model.Entities[index].Entity;
            if (enumeration.Kind != EntityKind.Enumeration)
            {
                continue;
            }

            var found = Typed(enumeration, leftovers)
                .SelectMany(typed =>
                    leftovers.AnswerLinks.Select(link => (typed.Attribute, Link: link, Lookup: Across(link, typed.Counterpart)))
                )
                .FirstOrDefault(candidate =>
                    candidate.Lookup >= 0
                    && StandsFor(candidate.Lookup, index, candidate.Attribute, leftovers)
                    && IsOne(candidate.Link, candidate.Lookup)
                );
            if (found.Link is not null)
            {
                var lookup = leftovers.Answer.Entities[found.Lookup].Entity;
                yield return new RestatedMatch(
                    Code,
                    $"{enumeration.Name} is drawn as {lookup.Name}, a class whose instances are the values: same meaning.",
                    [enumeration.Id, found.Attribute.Id, .. enumeration.Literals.Select(literal => literal.Id)],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [lookup.Id, found.Link.Relationship.Id, .. lookup.Attributes.Select(attribute => attribute.Id)]
                );
            }
        }
    }

    private static IEnumerable<(ConceptAttribute Attribute, int Counterpart)> Typed(
        EntityType enumeration,
        Leftovers leftovers
    ) =>
        from owner in Enumerable.Range(0, leftovers.Model.Count)
        where leftovers.AnswerOf(owner) >= 0
        from attribute in leftovers.Model.Entities[owner].Attributes
        where
            attribute.Attribute.Type.Length > 0
            && Name.Of(attribute.Attribute.Type).Key == Name.Of(enumeration.Name).Key
            && leftovers.Attributes.IsFree(attribute)
        select (attribute.Attribute, leftovers.AnswerOf(owner));

    private static int Across(Link link, int from) =>
        link.From == from && link.To != from ? link.To
        : link.To == from && link.From != from ? link.From
        : -1;

    private static bool StandsFor(int lookup, int enumeration, ConceptAttribute attribute, Leftovers leftovers)
    {
        var drawn = leftovers.Answer.Entities[lookup];
        var (named, typed) = (
            NameSimilarity.Of(drawn.Name, Name.Of(attribute.Name)).Value,
            NameSimilarity.Of(drawn.Name, leftovers.Model.Entities[enumeration].Name).Value
        );
        return drawn.Entity.Kind != EntityKind.Enumeration
            && drawn.Attributes.Length <= FewAttributes
            && (leftovers.AnswerOf(enumeration) == lookup || !leftovers.IsMatched(lookup))
            && (leftovers.AnswerOf(enumeration) == lookup || Math.Max(named, typed) >= AttributeMatcher.Sureness);
    }

    private static bool IsOne(Link link, int lookup) =>
        link.Relationship.Roles[link.From == lookup ? 0 : 1].CoOccurrence.Max == 1;
}
