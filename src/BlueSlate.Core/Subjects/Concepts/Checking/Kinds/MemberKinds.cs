using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>An operation of a class.</summary>
public sealed record OperationFact() : ConceptFactKind("operation", 2)
{
    internal static SchemePlace Gathered { get; } = SchemePlace.In("Operations", 2);

    public override FactSort Sort => FactSort.Operation;

    public override IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope) =>
        [New(operation.Id, operation.Id, TitleOf(operation, owner), operation.Name)];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Members.OnMember(fact);

    public override SchemePlace PlaceOf(Fact fact) => Gathered;

    internal static string TitleOf(Operation operation, EntityType owner) => $"operation {operation.Name} of {owner.Name}";
}

/// <summary>Parameters and return type of an operation, in a formal diagram.</summary>
public sealed record SignatureFact() : ConceptFactKind("signature", 14)
{
    public override FactSort Sort => FactSort.Operation;

    public override IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope) =>
        scope.Options.WantsSignatures
            ?
            [
                New(
                    operation.Id,
                    operation.Id,
                    $"signature of {OperationFact.TitleOf(operation, owner)}",
                    FactList.SignatureOf(operation)
                ),
            ]
            : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Members.OnSignature(fact);

    public override SchemePlace PlaceOf(Fact fact) => OperationFact.Gathered;
}

/// <summary>A literal of an enumeration.</summary>
public sealed record LiteralFact() : ConceptFactKind("literal", 17)
{
    public override FactSort Sort => FactSort.Attribute;

    public override IEnumerable<Fact> OfLiteral(Literal literal, EntityType owner, FactScope scope) =>
        [New(literal.Id, literal.Id, $"literal {literal.Name} of {owner.Name}", literal.Name)];

    internal override Verdict Judge(Fact fact, VerdictRules rules) => rules.Members.OnMember(fact);

    public override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Literals", 2);
}

/// <summary>What is said of a member besides its name: an attribute's or an operation's.</summary>
public abstract record MemberTextKind(string Name, int Order) : AttributeKind(Name, Order)
{
    public sealed override SchemePlace PlaceOf(Fact fact) => SchemePlace.In("Types and visibilities", 1);
}

/// <summary>That a member belongs to the class rather than to each instance.</summary>
public sealed record ScopeFact() : MemberTextKind("scope", 7)
{
    public override bool SaysHow => true;

    public override bool HalvesAlways => true;

    private const string Word = "class scope";

    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        If(attribute.ClassScope, attribute, title, Word);

    public override IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope) =>
        operation.ClassScope
            ? [New(operation.Id, operation.Id, $"{OperationFact.TitleOf(operation, owner)} shown as {Word}", Word)]
            : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Members.OnMemberText(
            fact,
            attribute => attribute.ClassScope ? Word : "",
            operation => operation.ClassScope ? Word : "",
            VerdictLookup.Equal
        );
}

/// <summary>The type of an attribute, in a formal diagram.</summary>
public sealed record TypeFact() : MemberTextKind("type", 15)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        scope.Options.WantsSignatures && attribute.Type.Length > 0
            ? [New(attribute.Id, attribute.Id, $"type of {title}", attribute.Type)]
            : [];

    internal override Verdict Judge(Fact fact, VerdictRules rules) =>
        rules.Members.OnMemberText(fact, attribute => attribute.Type, null, rules.Look.Types.Same);
}

/// <summary>The visibility of a member, in a formal diagram.</summary>
public sealed record VisibilityFact() : MemberTextKind("visibility", 16)
{
    protected override IEnumerable<Fact> Of(ConceptAttribute attribute, string title, FactScope scope) =>
        Said(attribute.Id, attribute.Visibility, title, scope);

    public override IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope) =>
        Said(operation.Id, operation.Visibility, OperationFact.TitleOf(operation, owner), scope);

    internal override Verdict Judge(Fact fact, VerdictRules rules)
    {
        var verdict = rules.Members.OnMemberText(
            fact,
            attribute => attribute.Visibility,
            operation => operation.Visibility,
            VerdictLookup.Equal
        );

        // What is folded into another class is as visible as what that has.
        return
            verdict.Kind == VerdictKind.Wrong
            && rules.Look.Model.AttributesOfEntities.TryGetValue(fact.ConceptId, out var attribute)
            && rules.Look.Restated.Contains(attribute.Owner.Id)
            ? verdict with
            {
                Kind = VerdictKind.HoldsByRestatement,
            }
            : verdict;
    }

    private IEnumerable<Fact> Said(string id, string visibility, string title, FactScope scope) =>
        scope.Options.WantsSignatures && visibility.Length > 0 ? [New(id, id, $"visibility of {title}", visibility)] : [];
}
