namespace BlueSlate.Core.Checking.Kinds;

/// <summary>Kinds of facts by their names, for rules that explain facts of a certain kind.</summary>
public static class FactKinds
{
    public static FactKind Entity { get; } = new EntityFact();

    public static FactKind EntityKind { get; } = new EntityKindFact();

    public static FactKind Abstract { get; } = new AbstractFact();

    public static FactKind Stereotype { get; } = new StereotypeFact();

    public static FactKind Key { get; } = new KeyFact();

    public static FactKind PartialKey { get; } = new PartialKeyFact();

    public static FactKind AlternateKey { get; } = new AlternateKeyFact();

    public static FactKind ForeignKey { get; } = new ForeignKeyFact();

    public static FactKind Attribute { get; } = new AttributeFact();

    public static FactKind Multivalued { get; } = new MultivaluedFact();

    public static FactKind Derived { get; } = new DerivedFact();

    public static FactKind Optional { get; } = new OptionalFact();

    public static FactKind Part { get; } = new PartFact();

    public static FactKind Operation { get; } = new OperationFact();

    public static FactKind Signature { get; } = new SignatureFact();

    public static FactKind Literal { get; } = new LiteralFact();

    public static FactKind Scope { get; } = new ScopeFact();

    public static FactKind Type { get; } = new TypeFact();

    public static FactKind Visibility { get; } = new VisibilityFact();

    public static FactKind Relationship { get; } = new RelationshipFact();

    public static FactKind LinkKind { get; } = new LinkKindFact();

    public static FactKind Named { get; } = new NamedFact();

    public static FactKind Identifying { get; } = new IdentifyingFact();

    public static FactKind Exclusion { get; } = new ExclusionFact();

    public static FactKind Minimum { get; } = new MinimumFact();

    public static FactKind Maximum { get; } = new MaximumFact();

    public static FactKind RoleName { get; } = new RoleNameFact();

    public static FactKind Subtype { get; } = new SubtypeFact();

    public static FactKind Disjoint { get; } = new DisjointFact();

    public static FactKind Total { get; } = new TotalFact();

    public static FactKind Union { get; } = new UnionFact();

    public static FactKind NoForeignKeys { get; } = new NoForeignKeysFact();

    public static FactKind OwnNotation { get; } = new OwnNotationFact();

    public static FactKind NamedRelationships { get; } = new NamedRelationshipsFact();

    public static FactKind EndsComplete { get; } = new EndsCompleteFact();

    public static FactKind IdentifyingSolid { get; } = new IdentifyingSolidFact();

    public static FactKind TypedAttributes { get; } = new TypedAttributesFact();

    public static FactKind ModelVisibility { get; } = new ModelVisibilityFact();

    public static FactKind NoRelationship { get; } = new NoRelationshipFact();

    public static FactKind NoAttribute { get; } = new NoAttributeFact();
}
