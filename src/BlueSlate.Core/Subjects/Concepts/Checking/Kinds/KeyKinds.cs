using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>By which attributes and owners an entity is identified.</summary>
public sealed record KeyFact() : ConceptFactKind("key", 10)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope)
    {
        if (entity.Primary is { } key)
        {
            yield return New(entity.Id, entity.Id + " key", $"key of {entity.Name}", FactList.Members(entity, key));
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Keys.OnKey(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 2);

    public override bool Accepts(Tolerance tolerance, Verdict verdict) =>
        tolerance.Accepted.Any(accepted =>
            accepted == KeyRules.OwnNumber ? verdict.ByOwnNumber : KeyText.Of(accepted.Split('+')) == verdict.InModelTerms
        );

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Variations.KeyNamed(model.Entity(fact.ConceptId), value) is { } key
            ? Variations.WithPrimary(model, fact.ConceptId, key, [])
            : null;
}

/// <summary>That an attribute is only a partial key.</summary>
public sealed record PartialKeyFact() : ConceptFactKind("partial-key", 11)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope) =>
        entity.Primary is not { Partial: true } key
            ? []
            : entity
                .Attributes.Where(attribute => key.AttributeIds.Contains(attribute.Id))
                .Select(attribute =>
                    New(
                        attribute.Id,
                        entity.Id + " key",
                        $"{Phrasing.InText(attribute.Name)} of {entity.Name} shown as a partial key",
                        "partial key"
                    )
                );

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Keys.OnPartialKey(fact);

    public override SchemePlace PlaceOf(Fact fact) => new(SchemeStep.WithLast);
}

/// <summary>A further identifier.</summary>
public sealed record AlternateKeyFact() : ConceptFactKind("alternate-key", 12)
{
    public override FactSort Sort => FactSort.Key;

    public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope) =>
        entity.Alternates.Select(alternate =>
            New(
                alternate.AttributeId,
                alternate.AttributeId,
                $"alternate key of {entity.Name}",
                FactList.Members(entity, alternate.Identifier)
            )
        );

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Keys.OnAlternateKey(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 2);
}

/// <summary>A column that refers to another entity's key.</summary>
public sealed record ForeignKeyFact() : ConceptFactKind("foreign-key", 2)
{
    public override FactSort Sort => FactSort.Attribute;

    public override IEnumerable<Fact> OfAttribute(ConceptAttribute attribute, string owner, FactScope scope)
    {
        if (attribute.ForeignKey is not null)
        {
            yield return New(
                attribute.Id,
                attribute.Id,
                $"foreign key {AttributeKind.TitleOf(attribute, owner)}",
                attribute.Name
            );
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.ForeignKeys.On(fact);

    public override SchemePlace PlaceOf(Fact fact) => AttributeKind.Gathered;
}
