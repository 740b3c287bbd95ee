using BlueSlate.Core.Language;
using BlueSlate.Core.Matching;

namespace BlueSlate.Core.Checking;

/// <summary>The rule for each aspect: when its fact holds, and what is said otherwise.</summary>
internal sealed class VerdictRules
{
    private readonly VerdictLookup look;
    private readonly WholeDrawingRules whole;
    private readonly EntityRules entities;
    private readonly KeyRules keys;
    private readonly ForeignKeyRules foreignKeys;
    private readonly AttributeRules attributes;
    private readonly MemberRules members;
    private readonly RelationshipRules relationships;
    private readonly SpecialisationRules specialisations;

    public VerdictRules(IndexedReading model, IndexedReading answer, Correspondence correspondence, bool showsLittle)
    {
        look = new VerdictLookup(model, answer, correspondence);
        whole = new WholeDrawingRules(model.Model, answer.Reading, correspondence, showsLittle);
        (entities, keys, attributes, members, relationships, specialisations) = (new(look), new(look), new(look), new(look), new(look), new(look));
        foreignKeys = new ForeignKeyRules(look, keys);
    }

    public Verdict On(Fact fact)
    {
        var verdict = Judge(fact);
        return verdict.Kind == VerdictKind.AbsentWithOwner || verdict.PartlyRight ? verdict with { OwnerId = verdict.OwnerId ?? OwnerOf(fact.ConceptId) } : verdict;
    }

    private string? OwnerOf(string conceptId) =>
        look.Model.AttributesOfEntities.TryGetValue(conceptId, out var attribute) ? attribute.Owner.Id
        : look.Model.Roles.TryGetValue(conceptId, out var role) ? role.Relationship.Id
        : look.Model.Operations.TryGetValue(conceptId, out var operation) ? operation.Owner.Id : null;

    private Verdict Judge(Fact fact) => fact.Aspect switch
    {
        Aspect.Entity => entities.OnEntity(fact),
        Aspect.Kind => entities.OnKind(fact),
        Aspect.Key => keys.OnKey(fact),
        Aspect.AlternateKey => keys.OnAlternateKey(fact),
        Aspect.Attribute => attributes.OnAttribute(fact),
        Aspect.Multivalued => attributes.OnForm(fact, attribute => attribute.Multivalued),
        Aspect.Derived => attributes.OnForm(fact, attribute => attribute.Derived),
        Aspect.Optional => attributes.OnForm(fact, attribute => attribute.Optional),
        Aspect.ForeignKey => foreignKeys.On(fact),
        Aspect.Relationship => relationships.OnRelationship(fact),
        Aspect.Identifying => relationships.OnIdentifying(fact),
        Aspect.Named => relationships.OnNamed(fact),
        Aspect.RoleName => relationships.OnRoleName(fact),
        Aspect.Min => relationships.OnEnd(fact, count => count.Min),
        Aspect.Max => relationships.OnEnd(fact, count => count.Max),
        Aspect.Part => attributes.OnPart(fact),
        Aspect.Type => members.OnMemberText(fact, attribute => attribute.Type, null, TypeFamily.Same),
        Aspect.Visibility => members.OnMemberText(fact, attribute => attribute.Visibility, operation => operation.Visibility, VerdictLookup.Equal),
        Aspect.Scope => members.OnMemberText(fact, attribute => attribute.ClassScope ? "class scope" : "", operation => operation.ClassScope ? "class scope" : "", VerdictLookup.Equal),
        Aspect.Abstract when !look.Model.Entities.ContainsKey(fact.ConceptId) => members.OnMemberText(fact, _ => "", operation => members.IsAbstract(operation) ? "abstract" : "", VerdictLookup.Equal),
        Aspect.Abstract => entities.OnClassText(fact, entity => entity.Abstract ? "abstract" : ""),
        Aspect.Stereotype => entities.OnClassText(fact, entity => entity.Stereotype),
        Aspect.Operation or Aspect.Literal => members.OnMember(fact),
        Aspect.Signature => members.OnSignature(fact),
        Aspect.LinkKind => relationships.OnLinkKind(fact),
        Aspect.Subtype => specialisations.OnSubtype(fact),
        Aspect.Disjoint => specialisations.OnSet(fact, (set, _) => set.Disjoint, "disjoint", "overlapping"),
        Aspect.Total => specialisations.OnSet(fact, (set, super) => set.Total ?? (super.Abstract ? true : null), "total", "partial"),
        Aspect.Union => specialisations.OnUnion(fact),
        Aspect.Exclusion => relationships.OnExclusion(fact),
        Aspect.PartialKey => keys.OnPartialKey(fact),
        _ => whole.On(fact),
    };
}
