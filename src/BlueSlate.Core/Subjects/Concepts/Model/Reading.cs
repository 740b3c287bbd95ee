using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Model;

/// <summary>
/// What a drawing says: the concept model, the remarks made while reading, and the places on the slate of every concept. A
/// concept's own element is its id, without what stands after a tilde where one element says several concepts;
/// <see cref="AlsoDrawnBy"/> lists further elements (a line that completes a key, say).
/// </summary>
public sealed record Reading(
    ConceptModel Model,
    ImmutableArray<Remark> Remarks,
    ImmutableDictionary<string, ImmutableArray<string>> AlsoDrawnBy
)
{
    /// <summary>Whether the notation shows by which attributes an entity is identified.</summary>
    public bool SaysKeys { get; init; } = true;

    /// <summary>All elements that say the concept with this id, its own first.</summary>
    public ImmutableArray<string> ElementsOf(string conceptId) =>
        AlsoDrawnBy.TryGetValue(conceptId, out var more)
            ? more.Insert(0, ConceptId.Of(conceptId).Element)
            : [ConceptId.Of(conceptId).Element];
}

/// <summary>
/// Something that was drawn wrong or could not be read. <paramref name="Repaired"/> says that the reading went on with
/// what is clearly meant.
/// </summary>
public sealed record Remark(RemarkKind Kind, string ElementId, string Drawn, string ReadAs, bool Repaired);

/// <summary>The faults of notation that a reader remarks on.</summary>
public enum RemarkKind
{
    MarkOrder,
    TooManyMarks,
    ToesAway,
    Arrowhead,
    ForeignEndSymbol,
    ForeignShape,
    ForeignOutline,
    ForeignStroke,
    ForeignUnderline,
    CountAsText,
    UnreadableCount,
    UnreadableKeyMark,
    LooseEnd,
    JoinedByDiamond,
    LineToLine,
    UnnamedBox,
    NoDiamond,
    BoxForDiamond,
    LoneDiamond,
    SingleDiamondAtWeak,
    SolidUnderlineAtWeak,
    LooseAttribute,
    SharedAttribute,
    ListedAttributes,
    DiamondToDiamond,
    NoCup,
    PairWithDoubleLine,
    OtherCountStyle,
    SolidTriangle,
    OpenTriangle,
    DiamondAtBothEnds,
    SolidTieOfClass,
    CountOnGeneralisation,
    UnreadableMember,
    StrangeSpelling,
    ForeignStereotype,
    LoneCircle,
    NoSupertype,
}
