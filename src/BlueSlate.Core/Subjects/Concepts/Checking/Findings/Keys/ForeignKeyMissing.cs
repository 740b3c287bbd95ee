using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyMissing : ConceptFindingKind
{
    public override string Code => "foreign-key-missing";

    public override string Title => "Foreign key missing";

    public override string Help => "At logical level the dependent side of a relationship holds the other side's key, marked FK.";

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.ForeignKey)
            .Where(verdict => verdict is { AnswerId: not null, Kind: not VerdictKind.AbsentWithOwner })
            .Select(verdict =>
            {
                var (owner, column) = evidence.ModelAttribute(verdict.Fact.ConceptId);
                var marked = verdict.Kind == VerdictKind.Wrong;
                if (marked && verdict.PartlyRight)
                {
                    return OfOneOfSeveral(owner, column, verdict, evidence);
                }

                var parent = column.ForeignKey!.RelationshipId is { } id
                    ? evidence
                        .ModelEntity(
                            evidence
                                .ModelRelationship(id)
                                .Roles.First(role => role.EntityId != owner.Id || evidence.ModelRelationship(id).IsRecursive)
                                .EntityId
                        )
                        .Name
                    : "its parent";
                return new Finding
                {
                    Id = IdFor(column.Id),
                    Code = Code,
                    Tag = marked ? Tag.Differs : Tag.Missing,
                    Headline = marked
                        ? $"{Phrasing.Capital(Phrasing.InText(column.Name))} of {Phrasing.InText(owner.Name)} is a foreign key."
                        : $"{owner.Name} has no foreign key to {parent}.",
                    There = marked ? "It is not marked FK." : $"No column of {owner.Name} refers to {parent}.",
                    Wanted = $"{Phrasing.Capital(Phrasing.InText(column.Name))}, marked FK.",
                    Why =
                        $"In the tables built from this, nothing would say which {Phrasing.InText(parent)} "
                        + $"{Phrasing.One(owner.Name)} goes with.",
                    Claims = evidence.BadFactsOf(column.Id),
                    ModelElements = [column.Id],
                    AnswerElements = [verdict.AnswerId!],
                };
            });

    private Finding OfOneOfSeveral(EntityType owner, ConceptAttribute column, Verdict verdict, Evidence evidence)
    {
        string ParentAlong(string relationshipId)
        {
            var relationship = evidence.ModelRelationship(relationshipId);
            return evidence
                .ModelEntity(
                    (relationship.Roles.FirstOrDefault(role => role.EntityId != owner.Id) ?? relationship.Roles[0]).EntityId
                )
                .Name;
        }

        var parents = Phrasing.List([
            .. column.ForeignKeys.Select(key => key.RelationshipId).OfType<string>().Select(ParentAlong).Distinct(),
        ]);
        var name = Phrasing.InText(column.Name);
        return new Finding
        {
            Id = IdFor(column.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline =
                $"{Phrasing.Capital(name)} of {Phrasing.InText(owner.Name)} is part of {column.ForeignKeys.Length} foreign keys.",
            There = $"{Phrasing.Capital(name)}, marked FK once.",
            Wanted = $"{Phrasing.Capital(name)}, marked FK for each of {parents}.",
            Why = $"In the tables built from this, one of the references to {parents} would be without its {name}.",
            Claims = evidence.BadFactsOf(column.Id),
            ModelElements = [column.Id],
            AnswerElements = [verdict.AnswerId!],
        };
    }
}
