using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>That an entity is there.</summary>
public sealed record EntityFact() : ConceptFactKind("entity", 0)
{
    public override bool NamesAThing => true;

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope) =>
        [New(entity.Id, entity.Id, entity.Name, entity.Name) with { Noun = Notation.Of(scope.Options.Notation).ThingWord }];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Entities.OnEntity(fact);

    public override SchemePlace PlaceOf(Fact fact) =>
        SchemePlace.Line($"{Phrasing.Capital(fact.Noun)} {fact.Title}", 2, whole: true, opens: fact.Title);

    // With an entity go its attributes and the relationships in which it takes part.
    public override IEnumerable<string> ExcusedBy(Fact fact, ConceptModel model)
    {
        var entity = model.Entity(fact.ConceptId);
        return
        [
            entity.Id,
            .. entity.Attributes.Select(attribute => attribute.Id),
            .. model
                .RelationshipsOf(entity.Id)
                .SelectMany(relationship => relationship.Roles.Select(role => role.Id).Prepend(relationship.Id)),
        ];
    }
}

/// <summary>That an entity is weak, a linking one, an interface or an enumeration.</summary>
public sealed record EntityKindFact() : ConceptFactKind("kind", 1)
{
    public override bool SaysHow => true;

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope)
    {
        if (entity.Kind != EntityKind.Strong)
        {
            var kind = FactList.KindOf(entity.Kind);
            yield return New(entity.Id, entity.Id, $"{entity.Name} shown as {kind}", kind);
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Entities.OnKind(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 2);
}

/// <summary>That a class, or an operation, is abstract.</summary>
public sealed record AbstractFact() : ConceptFactKind("abstract", 8)
{
    public override bool SaysHow => true;

    private const string Word = "abstract";

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope)
    {
        if (entity.Abstract)
        {
            yield return New(entity.Id, entity.Id, $"{entity.Name} shown as abstract", Word);
        }
    }

    public override IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope)
    {
        if (operation.Abstract && owner.Kind != EntityKind.Interface)
        {
            yield return New(operation.Id, operation.Id, $"operation {operation.Name} of {owner.Name} shown as abstract", Word);
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Look.Model.Entities.ContainsKey(fact.ConceptId)
            ? rules.Entities.OnClassText(fact, entity => entity.Abstract ? Word : "")
            : rules.Members.OnMemberText(
                fact,
                _ => "",
                operation => rules.Members.IsAbstract(operation) ? Word : "",
                VerdictLookup.Equal
            );

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 1);
}

/// <summary>A stereotype of a class.</summary>
public sealed record StereotypeFact() : ConceptFactKind("stereotype", 9)
{
    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope)
    {
        if (entity.Stereotype.Length > 0)
        {
            yield return New(entity.Id, entity.Id, $"stereotype of {entity.Name}", entity.Stereotype);
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Entities.OnClassText(fact, entity => entity.Stereotype);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 1);
}
