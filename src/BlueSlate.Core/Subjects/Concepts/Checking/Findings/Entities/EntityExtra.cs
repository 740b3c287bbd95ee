using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class EntityExtra : ConceptFindingKind
{
    private static readonly HashSet<string> Shown = new(StringComparer.Ordinal)
    {
        "report",
        "list",
        "overview",
        "statistic",
        "summary",
        "screen",
        "page",
        "menu",
        "printout",
        "ranking",
        "timetable",
    };
    private static readonly LexicalWord[] Organisations =
    [
        .. new[] { "organization", "institution", "company", "establishment", "association" }
            .Select(Lexicon.English.Find)
            .OfType<LexicalWord>(),
    ];

    public override string Code => "entity-extra";

    public override string Title => "Entity that the scenario does not ask for";

    public override string Help =>
        "A box stands for something of which the scenario wants nothing kept: the organisation itself, a report, a "
        + "role beside its holder, or a single value that is an attribute elsewhere.";

    // Before its attributes.
    public override int Rank => 45;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Entity)
            .Select(extra =>
            {
                var lines = evidence
                    .Comparison.Extras.Where(other => other.Kind == ExtraKinds.Relationship)
                    .Select(other => evidence.AnswerRelationship(other.AnswerId))
                    .Where(relationship => relationship.Roles.Any(role => role.EntityId == extra.AnswerId))
                    .ToList();
                var name = extra.Name.Length > 0 ? extra.Name : "A box without a name";
                var (headline, wanted, why) = Wording(evidence.AnswerEntity(extra.AnswerId), name, lines, evidence);
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = headline,
                    There = $"{name} is drawn as an entity.",
                    Wanted = wanted,
                    Why = why,
                    Extras = [extra.AnswerId, .. lines.Select(line => line.Id)],
                    AnswerElements = [extra.AnswerId],
                };
            })
            .Concat(TiesWithFacts(evidence));

    // A box that says no more than a line would, but for facts that nobody wants kept: that is one thing too many, and not a
    // fact too many for each of them.
    private IEnumerable<Finding> TiesWithFacts(Evidence evidence)
    {
        var comparison = evidence.Comparison;
        var known = comparison.Correspondence.Entities.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        var facts = comparison
            .Extras.Where(extra => extra.Kind == ExtraKinds.Attribute)
            .ToLookup(extra => extra.OwnerId, StringComparer.Ordinal);
        foreach (
            var entity in comparison.Answer.Model.Entities.Where(entity => facts[entity.Id].Any() && !known.Contains(entity.Id))
        )
        {
            var tied = comparison
                .Correspondence.Restated.Where(match => match.Uses.Contains(entity.Id))
                .SelectMany(match => comparison.Model.Model.Relationships.Where(tie => match.Holding.Contains(tie.Id)))
                .ToList();
            var invented = facts[entity.Id].Select(extra => extra.AnswerId).ToList();
            if (
                tied is [{ Attributes.IsEmpty: true, Roles: [var one, var other] }]
                && entity.Attributes.All(attribute =>
                    invented.Contains(attribute.Id)
                    || attribute.ForeignKey is not null
                    || entity.Primary?.AttributeIds.Contains(attribute.Id) == true
                )
            )
            {
                var several = Phrasing.Several(entity.Name);
                var names = facts[entity.Id].Select(extra => Phrasing.InText(extra.Name)).ToList();
                yield return new Finding
                {
                    Id = IdFor(entity.Id),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"The scenario wants nothing kept of {several}.",
                    There = $"{entity.Name} is drawn as an entity with {Phrasing.List(names)}.",
                    Wanted =
                        $"Only what ties {Phrasing.InText(evidence.ModelEntity(one.EntityId).Name)} and "
                        + $"{Phrasing.InText(evidence.ModelEntity(other.EntityId).Name)}.",
                    Why = $"Whoever builds this would ask for {Phrasing.List(names)} each time the two are tied.",
                    Extras = [.. invented],
                    AnswerElements = [entity.Id],
                };
            }
        }
    }

    // What sort of thing was drawn too many, told by its name and by how it is tied.
    private static (string Headline, string Wanted, string Why) Wording(
        EntityType entity,
        string name,
        List<RelationshipType> lines,
        Evidence evidence
    )
    {
        var words = Name.Of(entity.Name).Words;
        if (words.IsEmpty)
        {
            return (
                "A box without a name is drawn besides.",
                "A name for it, or no box.",
                "Nobody can tell what this box stands for, or what would be kept in it."
            );
        }

        var several = Phrasing.Several(entity.Name);
        if (Shown.Contains(words[^1]))
        {
            return (
                $"{name} is worked out from what is kept.",
                $"No box {name}: it is only shown or printed.",
                $"Whoever builds this would keep {several} that are out of date with the next change."
            );
        }

        if (
            lines.Count > 0
            && lines.TrueForAll(line => IsOneFor(entity, line))
            && Lexicon.English.Find(words[^1]) is { } word
            && Array.Exists(Organisations, kind => word == kind || word.IsKindOf(kind))
        )
        {
            return (
                $"{name} is the organisation itself.",
                $"No box {name}: all this is its data.",
                $"Whoever builds this would keep a list of {several} with one line in it, and tie everything to that."
            );
        }

        if (
            lines is [{ Roles.Length: 2, IsRecursive: false } only]
            && only.Roles.All(role => role.CoOccurrence.Max == 1)
            && Holder(entity, only, evidence) is { } holder
        )
        {
            return (
                $"{name} is what {Phrasing.One(holder)} is at times, no thing of its own.",
                $"{holder} alone, with the relationships of {Phrasing.InText(entity.Name)}.",
                $"Whoever builds this would keep the same {Phrasing.InText(holder)} twice, once more among {several}."
            );
        }

        return (
            evidence.Comparison.Scenario.Mentions(entity.Name)
                ? $"The scenario wants nothing kept of {several}."
                : $"{name} is not in the scenario.",
            $"No box {name}: the scenario wants nothing of it kept.",
            $"Whoever builds this would keep {several} that nobody asked for."
        );
    }

    private static bool IsOneFor(EntityType entity, RelationshipType line) =>
        line.Roles.Length == 2 && line.Roles.First(role => role.EntityId == entity.Id).CoOccurrence.Max == 1;

    private static string? Holder(EntityType entity, RelationshipType line, Evidence evidence) =>
        evidence.AnswerEntity(line.Roles.First(role => role.EntityId != entity.Id).EntityId) is { } other
        && evidence.ModelOf(other.Id) is not null
            ? other.Name
            : null;
}
