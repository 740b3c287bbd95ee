using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>That no foreign keys are drawn where they do not belong.</summary>
public sealed record NoForeignKeysFact() : ConceptFactKind("no-foreign-keys", 30)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) =>
        scope.Options.Level == Level.Conceptual ? [New(Fact.WholeDrawing, "level", "no foreign keys drawn", "none")] : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnNoForeignKeys(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Form("no foreign keys");
}

/// <summary>That the drawing is in the notation that the class has learned.</summary>
public sealed record OwnNotationFact() : ConceptFactKind("own-notation", 40)
{
    public override FactSort Sort => FactSort.Form;

    public override IEnumerable<Fact> OfDrawing(FactScope scope)
    {
        var notation = Notation.Of(scope.Options.Notation).Title;
        return [New(Fact.WholeDrawing, "notation", $"drawn in {notation} notation", notation)];
    }

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnOwnNotation(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Form("the notation kept");
}

/// <summary>A rule for the form of the drawing as a whole, which a scheme may ask for.</summary>
public abstract record FormKind(string Name, int Order) : ConceptFactKind(Name, Order)
{
    public sealed override FactSort Sort => FactSort.Form;

    public sealed override bool IsOnRequest => true;

    protected IEnumerable<Fact> Form(bool wanted, string title, string value) =>
        wanted ? [New(Fact.WholeDrawing, Name, title, value)] : [];
}

/// <summary>Every relationship has a name.</summary>
public sealed record NamedRelationshipsFact() : FormKind("named-relationships", 31)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) => Form(true, "every relationship named", "named");

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnBreaches(fact, rules.Whole.Unnamed());
}

/// <summary>A minimum and a maximum stand at every end.</summary>
public sealed record EndsCompleteFact() : FormKind("ends-complete", 32)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) => Form(true, "minimum and maximum at every end", "complete");

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnBreaches(fact, rules.Whole.Incomplete());
}

/// <summary>Identifying relationships, and no others, are drawn as such.</summary>
public sealed record IdentifyingSolidFact() : FormKind("identifying-solid", 33)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) =>
        Form(
            Notation.Of(scope.Options.Notation).ShowsIdentifying && scope.Options.SaysIdentifying,
            "identifying relationships, and no others, drawn as such",
            "as identifying"
        );

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnBreaches(fact, rules.Whole.WrongStroke());
}

/// <summary>Every attribute of a formal diagram has a type.</summary>
public sealed record TypedAttributesFact() : FormKind("typed-attributes", 34)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) =>
        Form(
            scope.Options.WantsSignatures && Notation.Of(scope.Options.Notation).ShowsMembers,
            "a type at every attribute",
            "typed"
        );

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Whole.OnBreaches(fact, rules.Whole.Untyped());
}

/// <summary>Visibilities are those of the model answer.</summary>
public sealed record ModelVisibilityFact() : FormKind("model-visibility", 35)
{
    public override IEnumerable<Fact> OfDrawing(FactScope scope) =>
        Form(
            scope.Options.WantsSignatures && Notation.Of(scope.Options.Notation).ShowsMembers,
            "visibilities as in the model answer",
            VisibilityText.Of(scope.Model)
        );

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Whole.OnBreaches(fact, rules.Whole.OtherVisibilities());
}

/// <summary>What must not be there: of two parts, joined by a plus sign, the first an entity.</summary>
public abstract record AbsenceKind(string Name, int Order) : ConceptFactKind(Name, Order)
{
    public sealed override bool IsOnRequest => true;

    public sealed override Fact? Asked(string factId, ConceptModel model)
    {
        var start = IdOf("");
        var at = factId.IndexOf('+', StringComparison.Ordinal);
        return factId.StartsWith(start, StringComparison.Ordinal) && at > start.Length
            ? Of(factId, factId[start.Length..at], factId[(at + 1)..], model)
            : null;
    }

    protected abstract Fact? Of(string factId, string first, string second, ConceptModel model);

    protected static string? NameOf(string entityId, ConceptModel model) =>
        model.Entities.FirstOrDefault(entity => entity.Id == entityId)?.Name;
}

/// <summary>Nothing is between two entities besides what the model answer has: <c>no-relationship:b1+b2</c>.</summary>
public sealed record NoRelationshipFact() : AbsenceKind("no-relationship", 41)
{
    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Whole.OnAbsence(fact, rules.Whole.FurtherBetween(fact.ConceptId));

    protected override Fact? Of(string factId, string first, string second, ConceptModel model) =>
        NameOf(first, model) is { } one && NameOf(second, model) is { } other
            ? new Fact(factId, this, $"{first}+{second}", factId, $"nothing further between {one} and {other}", "none")
            : null;
}

/// <summary>No attribute of a name is at an entity: <c>no-attribute:b1+client code</c>.</summary>
public sealed record NoAttributeFact() : AbsenceKind("no-attribute", 42)
{
    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Whole.OnAbsence(fact, rules.Whole.AttributeLike(fact));

    protected override Fact? Of(string factId, string first, string second, ConceptModel model) =>
        NameOf(first, model) is { } owner
            ? new Fact(factId, this, first, factId, $"no {Phrasing.InText(second)} at {owner}", second)
            : null;
}
