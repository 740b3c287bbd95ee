using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>
/// What is said at one end of a relationship. The ends of a linking entity's own making are exactly one: nobody draws them.
/// </summary>
public abstract record EndKind(string Name, int Order) : ConceptFactKind(Name, Order)
{
    public sealed override IEnumerable<Fact> OfRole(RelationshipRole role, RelationshipType relationship, FactScope scope) =>
        ConceptId.Of(role.Id).Facet == ComparableForm.One ? [] : Of(role, relationship, scope);

    protected abstract IEnumerable<Fact> Of(RelationshipRole role, RelationshipType relationship, FactScope scope);
}

/// <summary>A minimum or a maximum.</summary>
public abstract record CountKind(string Name, int Order) : EndKind(Name, Order)
{
    /// <summary>The one of the two that it is about.</summary>
    public abstract int? Of(Count count);

    public sealed override FactSort Sort => FactSort.End;

    public sealed override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Ends", 3);

    internal sealed override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnEnd(fact, Of);

    public sealed override string SymbolOf(Fact fact, Reading model, NotationOptions options)
    {
        var relationship = model.Model.Relationships.FirstOrDefault(one => one.Roles.Any(role => role.Id == fact.ConceptId));
        return relationship is null
            ? fact.ConceptId
            : Notation
                .Of(options.Notation)
                .WhereCountStands(
                    relationship,
                    relationship.Roles.First(role => role.Id == fact.ConceptId),
                    this is MinimumFact,
                    options
                );
    }

    protected static string TitleOf(string word, RelationshipRole role, RelationshipType relationship, FactScope scope) =>
        $"{word} at {(relationship.IsRecursive && role.Role.Length > 0 ? role.Role : scope.Names[role.EntityId])} in "
        + $"{scope.TitleOf(relationship)}";

    protected static int? Bound(string value) =>
        value == "*" ? Count.Many
        : int.TryParse(value, out var number) ? number
        : null;
}

/// <summary>The least number at an end.</summary>
public sealed record MinimumFact() : CountKind("min", 1)
{
    public override int? Of(Count count) => count.Min;

    protected override IEnumerable<Fact> Of(RelationshipRole role, RelationshipType relationship, FactScope scope) =>
        role.CoOccurrence.Min is not null && relationship.Roles.Length == 2
            ? [New(role.Id, role.Id, TitleOf("minimum", role, relationship, scope), Count.Spell(role.CoOccurrence.Min))]
            : [];

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Bound(value) is { } bound ? Variations.WithCount(model, fact.ConceptId, count => count with { Min = bound }) : null;
}

/// <summary>The greatest number at an end.</summary>
public sealed record MaximumFact() : CountKind("max", 2)
{
    public override int? Of(Count count) => count.Max;

    protected override IEnumerable<Fact> Of(RelationshipRole role, RelationshipType relationship, FactScope scope) =>
        role.CoOccurrence.Max is not null
            ? [New(role.Id, role.Id, TitleOf("maximum", role, relationship, scope), Count.Spell(role.CoOccurrence.Max))]
            : [];

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Bound(value) is { } bound ? Variations.WithCount(model, fact.ConceptId, count => count with { Max = bound }) : null;
}

/// <summary>The name of a role, where an entity is related to itself.</summary>
public sealed record RoleNameFact() : EndKind("role-name", 0)
{
    protected override IEnumerable<Fact> Of(RelationshipRole role, RelationshipType relationship, FactScope scope) =>
        relationship.IsRecursive && role.Role.Length > 0 ? [New(role.Id, role.Id, $"role {role.Role}", role.Role)] : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Relationships.OnRoleName(fact);

    public override SchemePlace PlaceOf(Fact fact) => new(SchemeStep.WithRelationship);
}
