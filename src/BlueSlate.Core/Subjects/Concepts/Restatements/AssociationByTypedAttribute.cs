using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>An association drawn as an attribute of one class whose type is the other, or as one at each.</summary>
internal sealed class AssociationByTypedAttribute : Restatement
{
    public override string Code => "association-by-typed-attribute";

    public override string Title => "An association, as an attribute typed by the other class";

    public override string? OnlyIn => "uml";

    public override Standing Usual => Standing.InPart;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var (link, found) in Typed(leftovers))
        {
            var (one, other) = (
                leftovers.Answer.Entities[leftovers.AnswerOf(link.From)].Entity.Name,
                leftovers.Answer.Entities[leftovers.AnswerOf(link.To)].Entity.Name
            );
            yield return new RestatedMatch(
                Code,
                $"What ties {one} and {other} is drawn as an attribute, "
                    + $"{Phrasing.List([.. found.Select(attribute => Phrasing.InText(attribute.Attribute.Name))])}.",
                [link.Relationship.Id, .. link.Relationship.Roles.Select(role => role.Id)],
                ImmutableDictionary<string, RestatedCount>.Empty,
                [.. found.Select(attribute => attribute.Attribute.Id)]
            )
            {
                Wanted = $"A line between {one} and {other}, with what is said at both its ends.",
                Why = $"Nothing in the drawing says how many of {one} go with one of {other}, and how many the other way round.",
            };
        }
    }

    // An attribute stands for one association, the one that is called like it, and an association has one at each class at
    // most.
    private static IEnumerable<(Link Link, List<NamedAttribute> Found)> Typed(Leftovers leftovers)
    {
        var links = leftovers
            .ModelLinks.Where(link =>
                link.Relationship.Kind
                    is RelationshipKind.Association
                        or RelationshipKind.Aggregation
                        or RelationshipKind.Composition
            )
            .ToList();
        var candidates =
            from link in links
            let ends = (From: leftovers.AnswerOf(link.From), To: leftovers.AnswerOf(link.To))
            where ends.From >= 0 && ends.To >= 0
            from side in new[] { (Owner: ends.From, Type: ends.To), (Owner: ends.To, Type: ends.From) }.Distinct()
            from attribute in Typed(side.Owner, side.Type, leftovers)
            orderby link
                .Verbs.Select(verb => NameSimilarity.Of(verb, attribute.Name).Value)
                .DefaultIfEmpty()
                .Max() descending, link.Index, attribute.Name.Key
            select (Link: link, side.Owner, Attribute: attribute);
        var (used, atClass) = (new HashSet<string>(StringComparer.Ordinal), new HashSet<(int Link, int Owner)>());
        var taken = candidates
            .ToList()
            .Where(candidate =>
                !used.Contains(candidate.Attribute.Attribute.Id)
                && atClass.Add((candidate.Link.Index, candidate.Owner))
                && used.Add(candidate.Attribute.Attribute.Id)
            )
            .ToLookup(candidate => candidate.Link, candidate => candidate.Attribute);
        return links.Where(taken.Contains).Select(link => (link, taken[link].ToList()));
    }

    private static IEnumerable<NamedAttribute> Typed(int owner, int type, Leftovers leftovers) =>
        leftovers
            .Answer.Entities[owner]
            .Attributes.Where(attribute =>
                attribute.Attribute.Type.Length > 0
                && leftovers.Attributes.IsFreeAnswer(attribute)
                && leftovers.Answer.Entities[type].Entity.Kind != EntityKind.Enumeration
                && (
                    Name.Of(attribute.Attribute.Type).Key == leftovers.Answer.Entities[type].Name.Key
                    || (
                        Name.Of(attribute.Attribute.Type).Words.Length > 1
                        && NameSimilarity.Mentions(Name.Of(attribute.Attribute.Type), leftovers.Answer.Entities[type].Name)
                    )
                )
            );
}
