using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>What kinds of facts judge by, gathered for one answer: rules by area, over one look-up of both sides.</summary>
internal sealed class VerdictRules
{
    public VerdictRules(IndexedReading model, IndexedReading answer, Correspondence correspondence, bool showsLittle)
    {
        Look = new VerdictLookup(model, answer, correspondence);
        Whole = new WholeDrawingRules(model.Model, answer.Reading, correspondence, showsLittle);
        (Entities, Keys, Attributes, Members, Relationships, Specialisations) = (
            new(Look),
            new(Look),
            new(Look),
            new(Look),
            new(Look),
            new(Look)
        );
        ForeignKeys = new ForeignKeyRules(Look, Keys);
    }

    public VerdictLookup Look { get; }

    public WholeDrawingRules Whole { get; }

    public EntityRules Entities { get; }

    public KeyRules Keys { get; }

    public ForeignKeyRules ForeignKeys { get; }

    public AttributeRules Attributes { get; }

    public MemberRules Members { get; }

    public RelationshipRules Relationships { get; }

    public SpecialisationRules Specialisations { get; }

    /// <summary>
    /// The verdict on a fact, by its kind, with what it belongs to where it is absent or half right with that.
    /// </summary>
    public Verdict On(Fact fact)
    {
        var verdict = ((ConceptFactKind)fact.Kind).Judge(fact, this);
        return verdict.Kind == VerdictKind.AbsentWithOwner || verdict.PartlyRight
            ? verdict with
            {
                OwnerId = verdict.OwnerId ?? OwnerOf(fact.ConceptId),
            }
            : verdict;
    }

    private string? OwnerOf(string conceptId) =>
        Look.Model.AttributesOfEntities.TryGetValue(conceptId, out var attribute) ? attribute.Owner.Id
        : Look.Model.Roles.TryGetValue(conceptId, out var role) ? role.Relationship.Id
        : Look.Model.Operations.TryGetValue(conceptId, out var operation) ? operation.Owner.Id
        : null;
}
