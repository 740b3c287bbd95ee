using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>What may be said of an attribute that is no foreign key.</summary>
public abstract record AttributeKind(string Name, int Order) : ConceptFactKind(Name, Order)
{
    public sealed override FactSort Sort => FactSort.Attribute;

    public sealed override IEnumerable<Fact> OfAttribute(ConceptAttribute attribute, string owner, FactScope scope) =>
        attribute.ForeignKey is null ? Of(attribute, TitleOf(attribute, owner), scope) : [];

    public override SchemePlace PlaceOf(Fact fact) => Gathered;

    internal static SchemePlace Gathered { get; } = SchemePlace.In("Attributes", 2);

    internal static string TitleOf(ConceptAttribute attribute, string owner) => $"{Phrasing.InText(attribute.Name)} of {owner}";

    protected abstract IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope);

    protected IEnumerable<Fact> If(bool said, ConceptAttribute attribute, string title, string word) =>
        said ? [New(attribute.Id, attribute.Id, $"{title} shown as {word}", word)] : [];
}

/// <summary>That an attribute is there.</summary>
public sealed record AttributeFact() : AttributeKind("attribute", 3)
{
    public override bool NamesAThing => true;

    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        [New(attribute.Id, attribute.Id, title, attribute.Name)];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Attributes.OnAttribute(fact);
}

/// <summary>That an attribute has several values.</summary>
public sealed record MultivaluedFact() : AttributeKind("multivalued", 4)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        If(attribute.Multivalued, attribute, title, "several values");

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Attributes.OnForm(fact, attribute => attribute.Multivalued);

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Variations.WithAttribute(model, fact.ConceptId, attribute => attribute with { Multivalued = value == fact.Value });
}

/// <summary>That an attribute is worked out from others.</summary>
public sealed record DerivedFact() : AttributeKind("derived", 5)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        If(attribute.Derived, attribute, title, "derived");

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Attributes.OnForm(fact, attribute => attribute.Derived);
}

/// <summary>That an attribute may be absent.</summary>
public sealed record OptionalFact() : AttributeKind("optional", 6)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        If(attribute.Optional, attribute, title, "optional");

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Attributes.OnForm(fact, attribute => attribute.Optional);

    public override ConceptModel? Vary(ConceptModel model, Fact fact, string value) =>
        Variations.WithAttribute(model, fact.ConceptId, attribute => attribute with { Optional = value == fact.Value });
}

/// <summary>
/// A part of a composite attribute. Only Chen's notation shows composites as such; elsewhere one and its name alone say the
/// same.
/// </summary>
public sealed record PartFact() : AttributeKind("part", 13)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        Notation.Of(scope.Options.Notation).ShowsComposites
            ? attribute.Leaves.Select(part =>
                New(part.Id, part.Id, $"{Phrasing.InText(part.Name)} as part of {title}", part.Name)
            )
            : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Attributes.OnPart(fact);
}
