using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>An attribute whose type is an enumeration, drawn as a line from its owner to the enumeration.</summary>
internal sealed class EnumerationByLine : Restatement
{
    public override string Code => "enumeration-by-line";

    public override string Title => "An attribute typed by an enumeration, as a line to it";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal);
        for (var enumeration = 0; enumeration < leftovers.Model.Count; enumeration++)
        {
            var drawn = leftovers.AnswerOf(enumeration);
            var wanted = leftovers.Model.Entities[enumeration];
            if (
                wanted.Entity.Kind != EntityKind.Enumeration
                || drawn < 0
                || leftovers.Answer.Entities[drawn].Entity.Kind != EntityKind.Enumeration
            )
            {
                continue;
            }

            foreach (var owner in Enumerable.Range(0, leftovers.Model.Count).Where(index => leftovers.AnswerOf(index) >= 0))
            {
                foreach (
                    var attribute in leftovers
                        .Model.Entities[owner]
                        .Attributes.Where(attribute =>
                            attribute.Attribute.Type.Length > 0
                            && Name.Of(attribute.Attribute.Type).Key == wanted.Name.Key
                            && leftovers.Attributes.IsFree(attribute)
                        )
                )
                {
                    var link = leftovers.AnswerLinks.FirstOrDefault(link =>
                        link.Joins(leftovers.AnswerOf(owner), drawn)
                        && link.Relationship.Roles[link.From == drawn ? 0 : 1].CoOccurrence.Max == 1
                        && !taken.Contains(link.Relationship.Id)
                    );
                    if (link is not null)
                    {
                        taken.Add(link.Relationship.Id);
                        yield return new RestatedMatch(
                            Code,
                            $"{Phrasing.Capital(Phrasing.InText(attribute.Attribute.Name))} is drawn as a line to "
                                + $"{leftovers.Answer.Entities[drawn].Entity.Name}: same meaning.",
                            [attribute.Attribute.Id],
                            ImmutableDictionary<string, RestatedCount>.Empty,
                            [link.Relationship.Id]
                        );
                    }
                }
            }
        }
    }
}
