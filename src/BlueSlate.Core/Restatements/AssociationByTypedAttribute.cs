using System.Collections.Immutable;
using BlueSlate.Core.Concepts;
using BlueSlate.Core.Language;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Restatements;

/// <summary>An association drawn as an attribute of one class whose type is the other, or as one at each.</summary>
internal sealed class AssociationByTypedAttribute : Restatement
{
    public override string Code => "association-by-typed-attribute";

    public override string Title => "An association, as an attribute typed by the other class";

    public override string? OnlyIn => "uml";

    public override Standing Usual => Standing.InPart;

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var link in leftovers.ModelLinks.Where(link => link.Relationship.Kind is RelationshipKind.Association or RelationshipKind.Aggregation or RelationshipKind.Composition))
        {
            int from = leftovers.AnswerOf(link.From), to = leftovers.AnswerOf(link.To);
            if (from < 0 || to < 0)
            {
                continue;
            }

            var found = new[] { Typed(from, to, leftovers), Typed(to, from, leftovers) }.OfType<NamedAttribute>().Distinct().ToList();
            if (found.Count > 0)
            {
                var (one, other) = (leftovers.Answer.Entities[from].Entity.Name, leftovers.Answer.Entities[to].Entity.Name);
                yield return new RestatedMatch(
                    Code,
                    $"What ties {one} and {other} is drawn as an attribute, {Phrasing.List([.. found.Select(attribute => Phrasing.InText(attribute.Attribute.Name))])}.",
                    [link.Relationship.Id, .. link.Relationship.Roles.Select(role => role.Id)],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [.. found.Select(attribute => attribute.Attribute.Id)])
                {
                    Wanted = $"A line between {one} and {other}, with what is said at both its ends.",
                    Why = $"Nothing in the drawing says how many of {one} go with one of {other}, and how many the other way round.",
                };
            }
        }
    }

    private static NamedAttribute? Typed(int owner, int type, Leftovers leftovers) => leftovers.Answer.Entities[owner].Attributes.FirstOrDefault(attribute =>
        attribute.Attribute.Type.Length > 0 && leftovers.Attributes.IsFreeAnswer(attribute) && leftovers.Answer.Entities[type].Entity.Kind != EntityKind.Enumeration
        && (Name.Of(attribute.Attribute.Type).Key == leftovers.Answer.Entities[type].Name.Key || (Name.Of(attribute.Attribute.Type).Words.Length > 1 && NameSimilarity.Mentions(Name.Of(attribute.Attribute.Type), leftovers.Answer.Entities[type].Name))));
}
