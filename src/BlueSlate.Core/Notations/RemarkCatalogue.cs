using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>What is said of a fault of notation, wherever a reader remarks on it.</summary>
/// <param name="Kind">The remark.</param>
/// <param name="Title">A few words for people.</param>
/// <param name="Help">What it is and how to avoid it.</param>
/// <param name="Wants">What is wanted instead.</param>
/// <param name="One">The fault at one place.</param>
/// <param name="Several">The fault at several, whose number stands for <c>{0}</c>.</param>
public sealed record RemarkText(RemarkKind Kind, string Title, string Help, string Wants, string One, string Several)
{
    /// <summary>The stable code of the finding that says it.</summary>
    public string Code => $"notation-{Hyphens.Of(Kind)}";
}

/// <summary>All remarks that readers make, as data: one entry for each.</summary>
public static class RemarkCatalogue
{
    /// <summary>The entries, by name.</summary>
    public static ImmutableArray<RemarkText> All { get; } =
    [
        new(
            RemarkKind.Arrowhead,
            "Arrowhead on a line",
            "Crow's foot notation has no arrowheads; many is shown by a foot.",
            "A foot.",
            "A line has an arrowhead in place of a foot.",
            "{0} ends have an arrowhead in place of a foot."
        ),
        new(
            RemarkKind.BoxForDiamond,
            "Box in place of a diamond",
            "A box is an entity. What ties two entities together is a diamond.",
            "A diamond.",
            "A relationship is drawn as a box.",
            "{0} relationships are drawn as boxes."
        ),
        new(
            RemarkKind.CountAsText,
            "Numbers in place of marks",
            "Crow's foot notation shows least and most by marks at the end, not by numbers or letters.",
            "The marks for it.",
            "An end says in writing what marks show.",
            "{0} ends say in writing what marks show."
        ),
        new(
            RemarkKind.CountOnGeneralisation,
            "Multiplicity on a generalisation",
            "A generalisation says what something is, not how many there are.",
            "No multiplicity.",
            "A generalisation carries a multiplicity.",
            "{0} ends of generalisations carry a multiplicity."
        ),
        new(
            RemarkKind.DiamondAtBothEnds,
            "Diamond at both ends",
            "One of two is the whole: the diamond stands at it alone.",
            "A diamond at the whole only, or none.",
            "An association has a diamond at both ends.",
            "{0} associations have a diamond where none can be."
        ),
        new(
            RemarkKind.DiamondToDiamond,
            "Line between two relationships",
            "Relationships join entities. Where one depends on another, the other is to be an associative entity.",
            "Lines to entities only.",
            "A line joins two relationships.",
            "{0} lines join two relationships."
        ),
        new(
            RemarkKind.ForeignEndSymbol,
            "Line end of another notation",
            "Triangles, diamonds and crosses at a line's end belong to other notations and say nothing here.",
            "Bars, rings and feet only.",
            "An end carries a symbol of another notation.",
            "{0} ends carry symbols of another notation."
        ),
        new(
            RemarkKind.ForeignOutline,
            "Double or dashed outline",
            "Crow's foot notation has boxes with one plain outline; what is weak is shown by its key and its line.",
            "One plain outline.",
            "A box has an outline of another notation.",
            "{0} boxes have an outline of another notation."
        ),
        new(
            RemarkKind.ForeignShape,
            "Shape of another notation",
            "Crow's foot notation has boxes, lines and notes. Ovals, circles and diamonds in boxes belong to others.",
            "Boxes with lines of attributes.",
            "A shape of another notation is drawn.",
            "{0} shapes of another notation are drawn."
        ),
        new(
            RemarkKind.ForeignStereotype,
            "Stereotype that is not in use",
            "The part lists the stereotypes that may be used.",
            "One of the stereotypes of this exercise, or none.",
            "A class has a stereotype that is not in use here.",
            "{0} classes have stereotypes that are not in use here."
        ),
        new(
            RemarkKind.ForeignStroke,
            "Double line",
            "Crow's foot notation has solid and dashed lines only.",
            "A solid or a dashed line.",
            "A line is drawn double.",
            "{0} lines are drawn double."
        ),
        new(
            RemarkKind.ForeignUnderline,
            "Underlined key",
            "Crow's foot notation marks a key with PK before its name; a solid underline belongs to another notation.",
            "PK before the name.",
            "A key is underlined in place of its mark.",
            "{0} keys are underlined in place of their marks."
        ),
        new(
            RemarkKind.JoinedByDiamond,
            "Diamond",
            "Crow's foot notation has no diamonds: a relationship is a line, and one of three entities becomes an entity between them.",
            "A line, or an entity between.",
            "A diamond is drawn.",
            "{0} diamonds are drawn."
        ),
        new(
            RemarkKind.LineToLine,
            "Line that ends on a line",
            "A relationship joins entities. If a relationship itself takes part in another one, it wants an entity of its own.",
            "A linking entity to which the line can go.",
            "A line ends on another line.",
            "{0} lines end on other lines."
        ),
        new(
            RemarkKind.ListedAttributes,
            "Attributes listed in the box",
            "In Chen's notation an attribute is an oval of its own, tied to its entity.",
            "An oval for each attribute.",
            "A box lists its attributes inside.",
            "{0} boxes list their attributes inside."
        ),
        new(
            RemarkKind.LoneCircle,
            "Circle that joins nothing",
            "A circle stands between a supertype and its subtypes.",
            "A line to the supertype and one to each subtype.",
            "A circle joins fewer than two entities.",
            "{0} circles join fewer than two entities."
        ),
        new(
            RemarkKind.LoneDiamond,
            "Diamond that joins nothing",
            "A relationship joins at least two, or one with itself by two lines.",
            "A line to every entity that takes part.",
            "A diamond joins fewer than two entities.",
            "{0} diamonds join fewer than two entities."
        ),
        new(
            RemarkKind.LooseAttribute,
            "Attribute tied to nothing",
            "An oval says something of what its line leads to.",
            "A line to the entity or relationship that it describes.",
            "An attribute is tied to nothing.",
            "{0} attributes are tied to nothing."
        ),
        new(
            RemarkKind.LooseEnd,
            "Line with a loose end",
            "A line joins two boxes. An end that is tied to nothing says nothing.",
            "Both ends at a box.",
            "A line ends in the open.",
            "{0} lines end in the open."
        ),
        new(
            RemarkKind.MarkOrder,
            "Marks of an end in the wrong order",
            "Nearest the box stands the maximum, behind it the minimum. A ring nearest the box is read as the minimum all the same.",
            "Nearest the box the most, behind it the least.",
            "An end has its marks in the wrong order.",
            "{0} ends have their marks in the wrong order."
        ),
        new(
            RemarkKind.NoCup,
            "Subset symbol missing",
            "The cup on a line between circle and subtype says which way round it is: its open side is to the supertype.",
            "A cup on every line to a subtype, open to the supertype.",
            "The lines at a circle carry no cup.",
            "The lines at {0} circles carry no cup."
        ),
        new(
            RemarkKind.NoDiamond,
            "Relationship without its diamond",
            "In Chen's notation a relationship is a diamond with a line to each entity that takes part.",
            "A diamond, with a line to each of the entities.",
            "A relationship is drawn without its diamond.",
            "{0} relationships are drawn without their diamonds."
        ),
        new(
            RemarkKind.NoSupertype,
            "Nothing says which is the supertype",
            "A line leads from the supertype to the symbol, and one from the symbol to each subtype; where they belong "
                + "must show in the drawing, not in which box happens to be higher.",
            "One line that leads to the symbol, from the supertype; all others lead from it.",
            "Nothing at a symbol says which of its boxes is the supertype.",
            "Nothing at {0} symbols says which of their boxes is the supertype."
        ),
        new(
            RemarkKind.OpenTriangle,
            "Open arrowhead on a generalisation",
            "A generalisation ends in a closed, hollow triangle at the general class. An open arrowhead on a solid "
                + "line says that an association can be followed that way.",
            "A hollow triangle at the general end.",
            "A generalisation has an open arrowhead.",
            "{0} generalisations have open arrowheads."
        ),
        new(
            RemarkKind.OtherCountStyle,
            "Letters and pairs mixed up",
            "A class uses letters or pairs at the lines of a diamond; the other is read, but not what was asked for.",
            "What the class has learned: a letter, or a pair.",
            "A count is written in the other style.",
            "{0} counts are written in the other style."
        ),
        new(
            RemarkKind.PairWithDoubleLine,
            "Double line with a minimum of 0",
            "A double line says that all take part; a pair that begins with 0 says that some may not.",
            "A single line, or a minimum of 1.",
            "A double line carries a minimum of 0.",
            "{0} double lines carry a minimum of 0."
        ),
        new(
            RemarkKind.SharedAttribute,
            "Attribute tied to two owners",
            "An attribute belongs to one entity or relationship. What two have in common is an entity, or is said of what joins them.",
            "One line, to its one owner.",
            "An attribute is tied to two owners.",
            "{0} attributes are tied to two owners."
        ),
        new(
            RemarkKind.SingleDiamondAtWeak,
            "Single diamond at a weak entity",
            "The relationship through which a weak entity is told apart has a double outline, as the weak entity itself has.",
            "A diamond with a double outline.",
            "The diamond of a weak entity has a single outline.",
            "{0} diamonds of weak entities have a single outline."
        ),
        new(
            RemarkKind.SolidTieOfClass,
            "Association class tied by a solid line",
            "The line between an association and its class is dashed.",
            "A dashed line.",
            "An association class is tied by a solid line.",
            "{0} association classes are tied by a solid line."
        ),
        new(
            RemarkKind.SolidTriangle,
            "Solid triangle",
            "The triangle of a generalisation is hollow.",
            "A hollow triangle at the general end.",
            "A generalisation has a solid triangle.",
            "{0} generalisations have a solid triangle."
        ),
        new(
            RemarkKind.SolidUnderlineAtWeak,
            "Partial key underlined as a full one",
            "What tells a weak entity apart only within its owner has a dashed underline.",
            "A dashed underline.",
            "A partial key is underlined like a full one.",
            "{0} partial keys are underlined like full ones."
        ),
        new(
            RemarkKind.StrangeSpelling,
            "Multiplicity in another spelling",
            "The standard writes 0..1, 1, 1..* and *.",
            "The standard's spelling.",
            "A multiplicity is not spelled as the standard does.",
            "{0} multiplicities are not spelled as the standard does."
        ),
        new(
            RemarkKind.ToesAway,
            "Foot turned away from the box",
            "The toes of a crow's foot rest on the box of which there may be many.",
            "The toes on the box.",
            "A foot has its toes turned away from the box.",
            "{0} feet have their toes turned away from the box."
        ),
        new(
            RemarkKind.TooManyMarks,
            "Too many marks at an end",
            "An end has two marks: one for the most, one for the least.",
            "One mark for the most, one for the least.",
            "An end has more marks than it can say.",
            "{0} ends have more marks than they can say."
        ),
        new(
            RemarkKind.UnnamedBox,
            "Box without a name",
            "Every entity has a name, a singular noun.",
            "A singular noun.",
            "A box has no name.",
            "{0} boxes have no name."
        ),
        new(
            RemarkKind.UnreadableCount,
            "Number at an end that cannot be read",
            "What is written at the end is none of the spellings in use, so the end says nothing.",
            "Marks, or at least a count such as 1..n.",
            "What is written at an end cannot be read as a count.",
            "What is written at {0} ends cannot be read as counts."
        ),
        new(
            RemarkKind.UnreadableKeyMark,
            "Key mark that cannot be read",
            "Before a name stand PK, FK, AK with a number, or PPK. Anything else says nothing.",
            "PK, FK, AK1, PPK, or nothing.",
            "A mark before a name cannot be read.",
            "{0} marks before names cannot be read."
        ),
        new(
            RemarkKind.UnreadableMember,
            "Member that cannot be read",
            "An attribute is a name, a type after a colon, a multiplicity in brackets; an operation has its parameters in parentheses.",
            "A row by the grammar of UML, such as “lamps: Integer [0..3]”.",
            "A row of a class cannot be read.",
            "{0} rows of classes cannot be read."
        ),
    ];

    private static readonly FrozenDictionary<RemarkKind, RemarkText> ByKind = All.ToFrozenDictionary(text => text.Kind);

    /// <summary>What is said of a remark.</summary>
    public static RemarkText Of(RemarkKind kind) => ByKind[kind];
}
