using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Language.Statements;

/// <summary>One typed statement, its names as written.</summary>
public abstract record Statement;

/// <summary>An entity with its attributes, or an enumeration with its literals.</summary>
public sealed record EntityStatement(
    string Name,
    EntityKind? Kind,
    bool Abstract,
    string Stereotype,
    ImmutableArray<AttributeText> Attributes
) : Statement;

/// <summary>An attribute as written.</summary>
public sealed record AttributeText(
    string Name,
    ImmutableArray<PartText> Parts,
    string Type,
    string Default,
    ImmutableArray<string> Markers
);

/// <summary>An operation of a class.</summary>
public sealed record OperationStatement(
    string Owner,
    string Name,
    ImmutableArray<Parameter> Parameters,
    string Returns,
    ImmutableArray<string> Markers
) : Statement;

/// <summary>One end of a typed relationship: what is there, in which role, and how many go with the others.</summary>
public sealed record EndText(string Entity, string Role, string Verb, Count Count);

/// <summary>
/// A relationship; with two ends each verb is read from its own end. <paramref name="Name"/> is that of one with more ends.
/// </summary>
public sealed record RelationshipStatement(
    string Name,
    ImmutableArray<EndText> Ends,
    ImmutableArray<AttributeText> Noting,
    string Embodied,
    ImmutableArray<string> Markers
) : Statement;

/// <summary>A dependency or realization.</summary>
public sealed record DirectedStatement(RelationshipKind Kind, string From, string To) : Statement;

/// <summary>Subtypes of a supertype.</summary>
public sealed record SpecialisationStatement(
    ImmutableArray<string> Subtypes,
    string Supertype,
    string Name,
    bool? Disjoint,
    bool? Total
) : Statement;

/// <summary>A category of several supertypes.</summary>
public sealed record UnionStatement(string Category, ImmutableArray<string> Supertypes, bool Total) : Statement;

/// <summary>Ties of which one thing can have only one, each by who, what and whom.</summary>
public sealed record ExclusionStatement(ImmutableArray<string> Ties) : Statement;

/// <summary>
/// What of a line cannot be taken: where, from 0, and how many characters; in words what is wanted. The rest of the line is
/// taken as it is understood.
/// </summary>
public sealed record StatementProblem(int Start, int Length, string Message);

/// <summary>A problem at a line, counted from 0.</summary>
public sealed record LineProblem(int Line, StatementProblem Problem);
