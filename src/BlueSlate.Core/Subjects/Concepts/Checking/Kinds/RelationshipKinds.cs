using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>That a relationship is there.</summary>
public sealed record RelationshipFact() : ConceptFactKind("relationship", 0)
{
    public override IEnumerable<Fact> OfRelationship(RelationshipType relationship, FactScope scope)
    {
        var title = scope.TitleOf(relationship);
        return [New(relationship.Id, relationship.Id, title, title)];
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnRelationship(fact);

    public override SchemePlace PlaceOf(Fact fact) =>
        SchemePlace.Line($"Relationship {fact.Title}", 2, whole: true, opens: fact.Title);

    public override IEnumerable<string> ExcusedBy(Fact fact, ConceptModel model) =>
        model
            .Relationships.First(relationship => relationship.Id == fact.ConceptId)
            .Roles.Select(role => role.Id)
            .Prepend(fact.ConceptId);
}

/// <summary>What kind of link a relationship is, and which way round.</summary>
public sealed record LinkKindFact() : ConceptFactKind("link-kind", 20)
{
    public override bool SaysHow => true;

    private const string Plain = "association";

    public override IEnumerable<Fact> OfTie(RelationshipType relationship, FactScope scope)
    {
        if (Notation.Of(scope.Options.Notation).ShowsLinkKinds)
        {
            var kind = FactList.KindOf(relationship, scope.Names);
            yield return New(relationship.Id, relationship.Id, $"{scope.TitleOf(relationship)} shown as {kind}", kind);
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnLinkKind(fact);

    public override SchemePlace PlaceOf(Fact fact) =>
        fact.Value == Plain
            ? new SchemePlace(SchemeStep.WithRelationship)
            : SchemePlace.Line(Phrasing.Capital(fact.Title), 1, whole: true);

    public override bool Accepts(Tolerance tolerance, Verdict verdict) => tolerance.Accepted.Contains(verdict.InModelTerms);
}

/// <summary>That a relationship has a name.</summary>
public sealed record NamedFact() : ConceptFactKind("named", 21)
{
    public override IEnumerable<Fact> OfTie(RelationshipType relationship, FactScope scope)
    {
        if (relationship.IsNamed && relationship.Kind is RelationshipKind.Association)
        {
            yield return New(relationship.Id, relationship.Id, $"a name on {scope.TitleOf(relationship)}", "named");
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnNamed(fact);

    public override SchemePlace PlaceOf(Fact fact) => new(SchemeStep.WithRelationship);
}

/// <summary>That a relationship identifies one of its sides, or does not.</summary>
public sealed record IdentifyingFact() : ConceptFactKind("identifying", 22)
{
    public override bool SaysHow => true;

    /// <summary>What it says of one that does.</summary>
    public const string Yes = "identifying";

    public override IEnumerable<Fact> OfTie(RelationshipType relationship, FactScope scope)
    {
        if (relationship.Identifying is { } identifying && scope.Options.SaysIdentifying)
        {
            var word = identifying ? Yes : "not identifying";
            yield return New(relationship.Id, relationship.Id, $"{scope.TitleOf(relationship)} shown as {word}", word);
        }
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnIdentifying(fact);

    public override SchemePlace PlaceOf(Fact fact) =>
        fact.Value == Yes ? new SchemePlace(SchemeStep.WithStrokes) : SchemePlace.Nowhere;
}

/// <summary>Relationships that exclude each other.</summary>
public sealed record ExclusionFact() : ConceptFactKind("exclusion", 0)
{
    public override IEnumerable<Fact> OfExclusion(ExclusiveConstraint exclusion, FactScope scope) =>
        [New(exclusion.Id, exclusion.Id, "relationships that exclude each other", "only one")];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnExclusion(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 2);

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        model with
        {
            Exclusions = model.Exclusions.RemoveAll(exclusion => exclusion.Id == fact.ConceptId),
        };
}
