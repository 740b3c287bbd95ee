using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Which element of an answer stands for which of the model answer. Keys are ids of the model answer, values of the answer.
/// </summary>
/// <param name="Entities">Matched entities with how sure each is.</param>
/// <param name="Attributes">Matched attributes, those that stand at another owner among them.</param>
/// <param name="Relationships">Matched binary relationships.</param>
/// <param name="Restated">Elements that are drawn another way with the same meaning.</param>
/// <param name="Misdirected">Relationships that are tied to the wrong entity.</param>
/// <param name="Cost">The weighted sum of the differences that are left.</param>
/// <param name="NodesExpanded">How many correspondences were tried.</param>
public sealed record Correspondence(
    ImmutableDictionary<string, EntityMatch> Entities,
    ImmutableDictionary<string, AttributeMatch> Attributes,
    ImmutableDictionary<string, RelationshipMatch> Relationships,
    ImmutableArray<RestatedMatch> Restated,
    ImmutableDictionary<string, MisdirectedMatch> Misdirected,
    double Cost,
    int NodesExpanded
)
{
    /// <summary>What any correspondence of entities costs at least.</summary>
    public double LowerBound { get; init; }

    /// <summary>Whether no cheaper correspondence of entities is possible.</summary>
    public bool IsProved => Cost - LowerBound <= 1e-6;

    /// <summary>Matched links of subtypes.</summary>
    public ImmutableDictionary<string, SubtypeMatch> Subtypes { get; init; } = ImmutableDictionary<string, SubtypeMatch>.Empty;

    /// <summary>Matched operations, and literals of enumerations.</summary>
    public ImmutableDictionary<string, MemberMatch> Members { get; init; } = ImmutableDictionary<string, MemberMatch>.Empty;

    /// <summary>
    /// Attributes of the answer that only repeat the key of a neighbour, without being marked as foreign keys.
    /// </summary>
    public ImmutableHashSet<string> InDisguise { get; init; } = [];

    /// <summary>Keys of the answer that were invented where the model answer has none of their own.</summary>
    public ImmutableHashSet<string> Surrogates { get; init; } = [];

    /// <summary>Entities of the answer that stand for what another one stands for already: entity → the other.</summary>
    public ImmutableDictionary<string, string> Duplicates { get; init; } = ImmutableDictionary<string, string>.Empty;

    /// <summary>Entities of the model answer that are drawn as an attribute only: entity → attribute of the answer.</summary>
    public ImmutableDictionary<string, string> Demoted { get; init; } = ImmutableDictionary<string, string>.Empty;

    /// <summary>Attributes of the model answer that are drawn as an entity: attribute → entity of the answer.</summary>
    public ImmutableDictionary<string, string> Promoted { get; init; } = ImmutableDictionary<string, string>.Empty;

    /// <summary>
    /// Everything that stands for something, by id: concepts of the model answer, roles and links among them → concepts of the
    /// answer.
    /// </summary>
    public IReadOnlyDictionary<string, string> Counterparts()
    {
        var pairs = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (
            var (model, answer) in Entities
                .Select(pair => (pair.Key, pair.Value.AnswerId))
                .Concat(Attributes.Where(pair => !pair.Value.Moved).Select(pair => (pair.Key, pair.Value.AnswerId)))
                .Concat(
                    Relationships.SelectMany(pair =>
                        pair.Value.Roles.Select(role => (role.Key, role.Value)).Prepend((pair.Key, pair.Value.AnswerId))
                    )
                )
                .Concat(Members.Where(pair => !pair.Value.Moved).Select(pair => (pair.Key, pair.Value.AnswerId)))
                .Concat(
                    Subtypes.Where(pair => !pair.Value.Reversed).SelectMany(pair => new[] { (pair.Key, pair.Value.AnswerId) })
                )
                .Concat(Parts.Select(pair => (pair.Key, pair.Value)))
        )
        {
            pairs.TryAdd(model, answer);
        }

        return pairs;
    }

    /// <summary>Matched parts of composite attributes.</summary>
    public ImmutableDictionary<string, string> Parts { get; init; } = ImmutableDictionary<string, string>.Empty;
}

/// <summary>A link of a subtype in the answer, the specialisation that holds it, and whether it leads the wrong way.</summary>
public sealed record SubtypeMatch(string AnswerId, string AnswerSetId, bool Reversed);

/// <summary>A member of a class of the answer and the class at which it stands.</summary>
public sealed record MemberMatch(string AnswerId, string AnswerOwnerId, bool Moved);

/// <summary>An entity of the answer, how alike the names are, and why the two belong together.</summary>
public sealed record EntityMatch(string AnswerId, double NameLikeness, string Reason);

/// <summary>An attribute of the answer and the entity of the answer at which it stands.</summary>
public sealed record AttributeMatch(string AnswerId, string AnswerOwnerId, bool Moved)
{
    /// <summary>Whether their names do not tell that they are one: what is left at the same place does.</summary>
    public bool ByPlace { get; init; }
}

/// <summary>
/// A relationship of the answer, and for each role of the model answer's relationship the role that stands for it.
/// </summary>
public sealed record RelationshipMatch(string AnswerId, ImmutableDictionary<string, string> Roles);

/// <summary>
/// A relationship of the answer that stands for the model answer's but ends, at one role, at the wrong entity.
/// </summary>
public sealed record MisdirectedMatch(string AnswerId, string WrongRoleId, ImmutableDictionary<string, string> Roles);

/// <summary>
/// Elements of the model answer that the answer draws another way. <paramref name="Counts"/> gives, for roles of the model
/// answer, what the answer's drawing says in their stead.
/// </summary>
/// <param name="Code">The restatement's stable code.</param>
/// <param name="Said">One sentence for people.</param>
/// <param name="Holding">Ids of the model answer's concepts that hold by it.</param>
/// <param name="Counts">Role id of the model answer → what is drawn, and the element that says it.</param>
/// <param name="Uses">Ids of the answer's concepts that it takes up.</param>
public sealed record RestatedMatch(
    string Code,
    string Said,
    ImmutableArray<string> Holding,
    ImmutableDictionary<string, RestatedCount> Counts,
    ImmutableArray<string> Uses
)
{
    /// <summary>What it is worth here.</summary>
    public Standing Standing { get; init; }

    /// <summary>
    /// Ids of the concepts that earn half where it stands in part; all that hold by it when nothing is listed.
    /// </summary>
    public ImmutableArray<string> FallingShort { get; init; } = [];

    /// <summary>Ids of concepts whose differences only follow from it.</summary>
    public ImmutableArray<string> Following { get; init; } = [];

    /// <summary>What would say it fully, for where it stands in part.</summary>
    public string Wanted { get; init; } = "";

    /// <summary>What a reader would wrongly build by it.</summary>
    public string Why { get; init; } = "";

    /// <summary>
    /// Entities of the model answer for which one that stands for another stands as well: their indexes on both sides.
    /// </summary>
    internal ImmutableArray<(int Model, int Answer)> StandIns { get; init; } = [];

    /// <summary>Whether a concept earns only half by it.</summary>
    public bool IsShort(string conceptId) =>
        Standing == Standing.InPart && (FallingShort.IsEmpty ? Holding : FallingShort).Contains(conceptId);

    /// <summary>What is left of it where it is not accepted: the values that are drawn at its ends.</summary>
    public RestatedMatch OnlyDrawnEnds() =>
        this with
        {
            Holding = [],
            Uses = [],
            Owners = [],
            FallingShort = [],
            Following = [],
            Standing = Standing.Different,
            Counts = Counts.RemoveRange(Counts.Where(pair => pair.Value.IsImplied).Select(pair => pair.Key)),
        };

    /// <summary>Owners of attributes that stand for each other by it: id of the model answer, id of the answer.</summary>
    public ImmutableArray<(string Model, string Answer)> Owners { get; init; } = [];
}

/// <summary>What the answer's drawing says in a role's stead, and where.</summary>
public sealed record RestatedCount(Count CoOccurrence, string AnswerRoleId)
{
    /// <summary>Whether it only follows from the way of drawing, and is drawn nowhere.</summary>
    public bool IsImplied { get; init; }
}
