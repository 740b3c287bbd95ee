namespace BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

/// <summary>Kinds of facts by their names, for rules that explain facts of a certain kind.</summary>
public static class FactKinds
{
    public static ConceptFactKind Entity { get; } = new EntityFact();

    public static ConceptFactKind EntityKind { get; } = new EntityKindFact();

    public static ConceptFactKind Abstract { get; } = new AbstractFact();

    public static ConceptFactKind Stereotype { get; } = new StereotypeFact();

    public static ConceptFactKind Key { get; } = new KeyFact();

    public static ConceptFactKind PartialKey { get; } = new PartialKeyFact();

    public static ConceptFactKind AlternateKey { get; } = new AlternateKeyFact();

    public static ConceptFactKind ForeignKey { get; } = new ForeignKeyFact();

    public static ConceptFactKind Attribute { get; } = new AttributeFact();

    public static ConceptFactKind Multivalued { get; } = new MultivaluedFact();

    public static ConceptFactKind Derived { get; } = new DerivedFact();

    public static ConceptFactKind Optional { get; } = new OptionalFact();

    public static ConceptFactKind Part { get; } = new PartFact();

    public static ConceptFactKind Operation { get; } = new OperationFact();

    public static ConceptFactKind Signature { get; } = new SignatureFact();

    public static ConceptFactKind Literal { get; } = new LiteralFact();

    public static ConceptFactKind Scope { get; } = new ScopeFact();

    public static ConceptFactKind Type { get; } = new TypeFact();

    public static ConceptFactKind Visibility { get; } = new VisibilityFact();

    public static ConceptFactKind Relationship { get; } = new RelationshipFact();

    public static ConceptFactKind LinkKind { get; } = new LinkKindFact();

    public static ConceptFactKind Named { get; } = new NamedFact();

    public static ConceptFactKind Identifying { get; } = new IdentifyingFact();

    public static ConceptFactKind Exclusion { get; } = new ExclusionFact();

    public static ConceptFactKind Minimum { get; } = new MinimumFact();

    public static ConceptFactKind Maximum { get; } = new MaximumFact();

    public static ConceptFactKind RoleName { get; } = new RoleNameFact();

    public static ConceptFactKind Subtype { get; } = new SubtypeFact();

    public static ConceptFactKind Disjoint { get; } = new DisjointFact();

    public static ConceptFactKind Total { get; } = new TotalFact();

    public static ConceptFactKind Union { get; } = new UnionFact();

    public static ConceptFactKind NoForeignKeys { get; } = new NoForeignKeysFact();

    public static ConceptFactKind OwnNotation { get; } = new OwnNotationFact();

    public static ConceptFactKind NamedRelationships { get; } = new NamedRelationshipsFact();

    public static ConceptFactKind EndsComplete { get; } = new EndsCompleteFact();

    public static ConceptFactKind IdentifyingSolid { get; } = new IdentifyingSolidFact();

    public static ConceptFactKind TypedAttributes { get; } = new TypedAttributesFact();

    public static ConceptFactKind ModelVisibility { get; } = new ModelVisibilityFact();

    public static ConceptFactKind NoRelationship { get; } = new NoRelationshipFact();

    public static ConceptFactKind NoAttribute { get; } = new NoAttributeFact();
}
