using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyWithoutLine : ConceptFindingKind
{
    public override string Code => "foreign-key-without-line";

    public override string Title => "Foreign key without a line";

    public override string Help =>
        "A foreign key stands for a relationship, and the relationship is drawn as a line, with how many at both of its ends.";

    public override int Rank => 30;

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var answer = evidence.Comparison.Answer.Model;
        var models = evidence.Comparison.Correspondence.Attributes.ToDictionary(
            pair => pair.Value.AnswerId,
            pair => pair.Key,
            StringComparer.Ordinal
        );
        foreach (var holder in answer.Entities.Where(entity => evidence.ModelOf(entity.Id) is not null))
        {
            foreach (
                var column in holder.Attributes.Where(attribute =>
                    attribute.ForeignKeys.Any(key => key.RelationshipId is null) && !IsInherited(holder, attribute, answer)
                )
            )
            {
                var wanted = models.TryGetValue(column.Id, out var id) ? Wanted(evidence, id) : null;
                if (wanted is null && (id is not null || HasOpenLine(holder, answer)))
                {
                    continue;
                }

                var parent = wanted is null
                    ? answer.Entities.FirstOrDefault(entity => entity.Id != holder.Id && ForeignReference.Suits(column, entity))
                    : Parent(evidence, wanted, holder);
                var refersTo =
                    parent is null ? "anything else"
                    : parent.Id == holder.Id ? "itself"
                    : parent.Name;
                yield return new Finding
                {
                    Id = IdFor(column.Id),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline =
                        $"{Phrasing.Capital(Phrasing.InText(column.Name))} of {Phrasing.InText(holder.Name)} is a "
                        + "foreign key, but no line is drawn for it.",
                    There = $"No line ties {holder.Name} to {refersTo} where {Phrasing.InText(column.Name)} would stand for it.",
                    Wanted = wanted is null
                        ? parent is null
                            ? "No foreign key, or the box to which it refers and a line to that."
                            : $"A line from {holder.Name} to {refersTo}."
                        : $"A line: {evidence.Named(wanted)}.",
                    Why =
                        $"Nothing says how many {Phrasing.Several(holder.Name)} can have the same "
                        + $"{Phrasing.InText(column.Name)}, and whether each must have one.",
                    Claims = wanted is null ? [] : evidence.BadFactsOf(wanted.Roles.Select(role => role.Id).Append(wanted.Id)),
                    ModelElements = wanted is null ? [] : [wanted.Id],
                    AnswerElements = [column.Id],
                };
            }
        }
    }

    // The relationship for which a column of the model answer stands, if it is missing between two that are there.
    private static RelationshipType? Wanted(Evidence evidence, string modelColumn) =>
        evidence.ModelAttribute(modelColumn).Attribute.ForeignKey?.RelationshipId is { } along
        && evidence.Comparison.Correspondence.Restated.All(match => !match.Holding.Contains(along))
        && evidence.Comparison.On(FactKinds.Relationship, along) is { IsBad: true, Kind: not VerdictKind.Wrong }
        && evidence.ModelRelationship(along) is var relationship
        && relationship.Roles.All(role => evidence.CounterpartOf(role.EntityId) is not null)
            ? relationship
            : null;

    private static EntityType? Parent(Evidence evidence, RelationshipType wanted, EntityType holder) =>
        wanted.Roles.Select(role => evidence.CounterpartOf(role.EntityId)!).FirstOrDefault(entity => entity.Id != holder.Id)
        ?? holder;

    // A subtype holds the key of what it is a kind of.
    private static bool IsInherited(EntityType holder, ConceptAttribute column, ConceptModel answer) =>
        answer
            .Specialisations.Where(set => set.Subtypes.Any(link => link.EntityId == holder.Id))
            .Any(set =>
                holder.Primary?.AttributeIds.Contains(column.Id) == true
                || ForeignReference.Suits(column, answer.Entity(set.SupertypeId))
            );

    // A line along which nothing refers yet: the column may mean it under a name of its own.
    private static bool HasOpenLine(EntityType holder, ConceptModel answer)
    {
        var taken = answer
            .Entities.SelectMany(entity => entity.Attributes)
            .SelectMany(attribute => attribute.ForeignKeys)
            .Select(key => key.RelationshipId)
            .OfType<string>()
            .ToHashSet(StringComparer.Ordinal);
        return answer
            .RelationshipsOf(holder.Id)
            .Any(line => !taken.Contains(line.Id) && line.Roles.Any(role => role.EntityId != holder.Id || line.IsRecursive));
    }
}
