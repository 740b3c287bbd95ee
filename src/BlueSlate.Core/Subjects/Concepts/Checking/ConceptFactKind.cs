using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// What of a model answer's concepts a fact is about, with all that follows from it: which facts a model answer states, when
/// one holds, what else may be accepted, where it goes in a scheme, and what the model answer would be without it. One class a
/// kind, found by its type; no other code knows which kinds there are.
/// </summary>
/// <param name="Name">Stable, lower case with hyphens; facts' ids begin with it.</param>
/// <param name="Order">Its place among the facts of one concept.</param>
public abstract record ConceptFactKind(string Name, int Order) : FactKind(Name, Order)
{
    /// <summary>All kinds, in their order.</summary>
    public static IReadOnlyList<ConceptFactKind> All { get; } =
    [
        .. typeof(ConceptFactKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(ConceptFactKind)) && !type.IsAbstract)
            .Select(type => (ConceptFactKind)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(kind => kind.Order)
            .ThenBy(kind => kind.Name, StringComparer.Ordinal),
    ];

    /// <summary>Whether values that are accepted besides are other names of the thing, under which it is found.</summary>
    public virtual bool NamesAThing => false;

    /// <summary>Where on the model answer a fact is drawn, so that it can be edited at its symbol.</summary>
    public virtual string SymbolOf(Fact fact, Reading model, NotationOptions options) => fact.ConceptId;

    /// <summary>The verdict on a fact.</summary>
    internal abstract Verdict Judge(Fact fact, VerdictRules rules);

    /// <summary>
    /// The model with another value at a fact, in the fact's own words; null where the words say nothing of data.
    /// </summary>
    public virtual ConceptModel? Vary(ConceptModel model, Fact fact, string value) => null;

    /// <summary>What is absent only because a fact of this kind is, where that is optional: concepts by id.</summary>
    public virtual IEnumerable<string> ExcusedBy(Fact fact, ConceptModel model) => [fact.ConceptId];

    /// <summary>The facts of an entity type.</summary>
    public virtual IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope) => [];

    /// <summary>The facts of an attribute of an entity type or a relationship.</summary>
    public virtual IEnumerable<Fact> OfAttribute(ConceptAttribute attribute, string owner, FactScope scope) => [];

    /// <summary>The facts of an operation.</summary>
    public virtual IEnumerable<Fact> OfOperation(Operation operation, EntityType owner, FactScope scope) => [];

    /// <summary>The facts of a literal.</summary>
    public virtual IEnumerable<Fact> OfLiteral(Literal literal, EntityType owner, FactScope scope) => [];

    /// <summary>The facts of a relationship itself, before those of its attributes.</summary>
    public virtual IEnumerable<Fact> OfRelationship(RelationshipType relationship, FactScope scope) => [];

    /// <summary>The facts of how a relationship is shown, after those of its attributes.</summary>
    public virtual IEnumerable<Fact> OfTie(RelationshipType relationship, FactScope scope) => [];

    /// <summary>The facts of one end of a relationship.</summary>
    public virtual IEnumerable<Fact> OfRole(RelationshipRole role, RelationshipType relationship, FactScope scope) => [];

    /// <summary>The facts of a specialisation.</summary>
    public virtual IEnumerable<Fact> OfSpecialisation(Specialisation specialisation, FactScope scope) => [];

    /// <summary>The facts of a category.</summary>
    public virtual IEnumerable<Fact> OfUnion(UnionType union, FactScope scope) => [];

    /// <summary>The facts of relationships that exclude each other.</summary>
    public virtual IEnumerable<Fact> OfExclusion(ExclusiveConstraint exclusion, FactScope scope) => [];

    /// <summary>The facts of the drawing as a whole.</summary>
    public virtual IEnumerable<Fact> OfDrawing(FactScope scope) => [];

    /// <summary>The fact that an id names though the model answer is silent about it; null for ids of other kinds.</summary>
    public virtual Fact? Asked(string factId, ConceptModel model) => null;
}

/// <summary>What facts are listed by: the model answer, what the class has learned, and what entity types are called.</summary>
public sealed record FactScope(ConceptModel Model, NotationOptions Options, IReadOnlyDictionary<string, string> Names)
{
    /// <summary>A relationship in words.</summary>
    public string TitleOf(RelationshipType relationship) => FactList.TitleOf(relationship, Names);
}
