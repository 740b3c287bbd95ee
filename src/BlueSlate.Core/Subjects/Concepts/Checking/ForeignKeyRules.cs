using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>When foreign keys are as wanted: held against the parent's key as it is drawn, under whatever name.</summary>
internal sealed class ForeignKeyRules(VerdictLookup look, KeyRules keys)
{
    private readonly Lazy<ILookup<string, ForeignReference>> ofAnswer = new(() => ByColumn(look.Answer.Model));
    private readonly Lazy<ILookup<string, ForeignReference>> ofModel = new(() => ByColumn(look.Model.Model));

    public Verdict On(Fact fact)
    {
        if (look.Correspondence.Attributes.TryGetValue(fact.ConceptId, out var match))
        {
            var drawn = look.Answer.Attribute(match.AnswerId).Attribute;
            var wanted = look.Model.Attribute(fact.ConceptId).Attribute;
            var refers = drawn.ForeignKey is not null && !RefersElsewhere(fact.ConceptId, match.AnswerId);
            var all =
                drawn.ForeignKeys.Length >= wanted.ForeignKeys.Length && wanted.ForeignKeys.All(key => RefersAlike(drawn, key));
            return new Verdict(
                fact,
                refers && all ? VerdictKind.Holds : VerdictKind.Wrong,
                match.AnswerId,
                drawn.Name,
                PartlyRight: refers && !all
            );
        }

        var (owner, column) = look.Model.AttributesOfEntities[fact.ConceptId];
        if (look.Restated.Contains(fact.ConceptId) || look.CounterpartOf(owner.Id) is not { } entity)
        {
            return look.RestatedOr(fact, fact.ConceptId, VerdictKind.AbsentWithOwner);
        }

        if (owner.Primary is { } key && key.AttributeIds.Contains(fact.ConceptId) && keys.Inherits(owner, key))
        {
            return new Verdict(fact, VerdictKind.Tolerated, entity.Id, "");
        }

        // Without the relationship there is nothing for it to refer along.
        var along = column.ForeignKey!.RelationshipId;
        if (along is null || look.AnswerRelationship(along) is not { } relationship)
        {
            return new Verdict(fact, VerdictKind.AbsentWithOwner, entity.Id, "")
            {
                OwnerId = along
                    ?? look.Model.Model.Specialisations.SelectMany(set => set.Subtypes)
                        .FirstOrDefault(link => link.EntityId == owner.Id)
                        ?.Id,
            };
        }

        // Of two that go one with one, either may hold the other's key.
        if (
            look.Model.Relationships[along].Roles.All(role => role.CoOccurrence.Max == 1)
            && relationship.Roles.All(role => role.CoOccurrence.Max == 1)
            && ofAnswer
                .Value.SelectMany(references => references)
                .FirstOrDefault(reference =>
                    reference.Along.Id == relationship.Id
                    && reference.Holder.Id != entity.Id
                    && reference.Fit == ReferenceFit.Whole
                )
                is { } other
        )
        {
            return new Verdict(fact, VerdictKind.Tolerated, other.Columns[0].Id, other.Columns[0].Name);
        }

        // All of a key that is drawn with fewer columns than wanted.
        var whole = ofAnswer
            .Value.SelectMany(references => references)
            .FirstOrDefault(reference =>
                reference.Along.Id == relationship.Id && reference.Holder.Id == entity.Id && reference.Fit == ReferenceFit.Whole
            );
        return whole is null
            ? new Verdict(fact, VerdictKind.Absent, entity.Id, "")
            : new Verdict(fact, VerdictKind.Tolerated, whole.Columns[0].Id, whole.Columns[0].Name);
    }

    private bool RefersElsewhere(string modelColumn, string answerColumn) =>
        ofAnswer.Value[answerColumn].FirstOrDefault()?.Fit == ReferenceFit.OtherColumn
        && ofModel.Value[modelColumn].FirstOrDefault()?.Fit != ReferenceFit.OtherColumn;

    // Of a column in several foreign keys each has to be there; which of the answer's lines one is along may be unknown.
    private bool RefersAlike(ConceptAttribute drawn, ForeignKey wanted) =>
        wanted.RelationshipId is null
        || look.AnswerRelationship(wanted.RelationshipId) is not { } along
        || drawn.RefersAlong(along.Id)
        || drawn.ForeignKeys.Length == 1
        || drawn.ForeignKeys.Any(key => key.RelationshipId is null);

    private static ILookup<string, ForeignReference> ByColumn(ConceptModel model) =>
        ForeignReference
            .Of(model)
            .SelectMany(reference => reference.Columns.Select(column => (column.Id, reference)))
            .ToLookup(pair => pair.Id, pair => pair.reference, StringComparer.Ordinal);
}
