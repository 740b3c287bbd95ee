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
            });

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
