using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>That an entity is a subtype of another.</summary>
public sealed record SubtypeFact() : ConceptFactKind("subtype", 0)
{
    public override IEnumerable<Fact> OfSpecialisation(Specialisation specialisation, FactScope scope)
    {
        var super = scope.Names[specialisation.SupertypeId];
        return specialisation.Subtypes.Select(subtype =>
            New(subtype.Id, subtype.Id, $"{scope.Names[subtype.EntityId]} as a subtype of {super}", super)
        );
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Specialisations.OnSubtype(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Subtypes", 3, opens: fact.Value);
}

/// <summary>One of two things that a specialisation says of its subtypes together.</summary>
public abstract record SetKind(string Name, int Order, string Yes, string No) : ConceptFactKind(Name, Order)
{
    public sealed override FactSort Sort => FactSort.Set;

    public sealed override IEnumerable<Fact> OfSpecialisation(Specialisation specialisation, FactScope scope)
    {
        if (Said(specialisation) is { } said)
        {
            var word = said ? Yes : No;
            yield return New(
                specialisation.Id,
                $"{specialisation.Id} {Name}",
                $"specialisation of {scope.Names[specialisation.SupertypeId]} shown as {word}",
                word
            );
        }
    }

    public sealed override SchemePlace PlaceOf(Fact fact) =>
        SchemePlace.In("Disjoint or overlapping, total or partial: subtypes", 2);

    public sealed override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Variations.WithSet(model, fact.ConceptId, set => With(
                set,
                value == Yes ? true
                    : value == No ? false
                    : null
            ));

    protected abstract bool? Said(Specialisation specialisation);

    protected abstract Specialisation With(Specialisation set, bool? value);
}

/// <summary>Whether subtypes are disjoint or overlapping.</summary>
public sealed record DisjointFact() : SetKind("disjoint", 1, "disjoint", "overlapping")
{
    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Specialisations.OnSet(fact, (set, _) => set.Disjoint, Yes, No);

    protected override bool? Said(Specialisation specialisation) => specialisation.Disjoint;

    protected override Specialisation With(Specialisation set, bool? value) => set with { Disjoint = value };
}

/// <summary>Whether a specialisation is total or partial.</summary>
public sealed record TotalFact() : SetKind("total", 2, "total", "partial")
{
    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Specialisations.OnSet(fact, (set, super) => set.Total ?? (super.Abstract ? true : null), Yes, No);

    protected override bool? Said(Specialisation specialisation) => specialisation.Total;

    protected override Specialisation With(Specialisation set, bool? value) => set with { Total = value };
}

/// <summary>A category, a subset of the union of its supertypes.</summary>
public sealed record UnionFact() : ConceptFactKind("union", 0)
{
    public override IEnumerable<Fact> OfUnion(UnionType union, FactScope scope) =>
        [
            New(
                union.Id,
                union.Id,
                $"{scope.Names[union.CategoryId]} as a union",
                string.Join(", ", union.Supertypes.Select(super => scope.Names[super.EntityId]))
            ),
        ];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Specialisations.OnUnion(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line(Phrasing.Capital(fact.Title), 2);
}
