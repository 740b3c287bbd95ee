using System.Globalization;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>The numbers at one end of a relationship, with what the scenario says of them.</summary>
/// <param name="Relationship">The relationship.</param>
/// <param name="Role">The end at which they stand.</param>
/// <param name="Least">What it says of the least number.</param>
/// <param name="Most">What it says of the greatest.</param>
internal sealed record EndNumber(RelationshipType Relationship, RelationshipRole Role, CountVerdict Least, CountVerdict Most)
{
    private RelationshipRole Other => Relationship.Other(Role);

    /// <summary>The id of the fact of the least number.</summary>
    public string LeastFact => $"min:{Role.Id}";

    /// <summary>The id of the fact of the greatest.</summary>
    public string MostFact => $"max:{Role.Id}";

    /// <summary>All ends whose numbers are to be decided by words, of relationships of two.</summary>
    public static IEnumerable<EndNumber> Of(ConceptPreflight one) =>
        from relationship in one.Model.Relationships
        where
            relationship.Roles.Length == 2
            && relationship.Kind is not (RelationshipKind.Dependency or RelationshipKind.Realization)
        from role in relationship.Roles
        let number = new EndNumber(
            relationship,
            role,
            CountVerdict.Of(one.Numbers[role.Id], role.CoOccurrence.Min, evidence => one.LeastAsDrawn(evidence.Min)),
            CountVerdict.Of(one.Numbers[role.Id], role.CoOccurrence.Max, evidence => one.MostAsDrawn(evidence.Max))
        )
        where !number.FollowsFromItself(one)
        select number;

    /// <summary>What is counted, by its role where it has one.</summary>
    public string Counted(ConceptPreflight one) =>
        Role.Role.Length > 0 ? Role.Role
        : Relationship.IsRecursive ? "other " + one.Model.Entity(Role.EntityId).Name
        : one.Model.Entity(Role.EntityId).Name;

    /// <summary>For what it is counted.</summary>
    public string For(ConceptPreflight one) => Other.Role.Length > 0 ? Other.Role : one.Model.Entity(Other.EntityId).Name;

    /// <summary>A sentence that decides both numbers as they are drawn.</summary>
    public string Sentence(ConceptPreflight one)
    {
        var (count, counted) = (Role.CoOccurrence, InWords(Role.CoOccurrence, Counted(one)));
        return Other.Verb.Length > 0 ? $"{Phrasing.Capital(Phrasing.One(For(one)))} {Other.Verb} {counted}."
            : count.Max == 1 || count.Min is 0 or null ? $"For one {Phrasing.InText(For(one))} there is {counted}."
            : $"For one {Phrasing.InText(For(one))} there are {counted}.";
    }

    /// <summary>How many there are for each, as a question that words leave open: <c>how many items a visit brings in</c>.</summary>
    public string HowMany(ConceptPreflight one)
    {
        var (counted, each) = (Phrasing.Several(Counted(one)), Phrasing.One(For(one)));
        return Other.Verb.Length > 0 ? $"how many {counted} {each} {Other.Verb}" : $"how many {counted} go with {each}";
    }

    /// <summary>A number of things, in words that decide it.</summary>
    public static string InWords(Count count, string name) =>
        count switch
        {
            { Min: 1, Max: 1 } => $"exactly one {Phrasing.InText(name)}",
            { Min: 0 or null, Max: 1 } => $"at most one {Phrasing.InText(name)}",
            { Min: 0 or null, Max: Count.Many } => $"any number of {Phrasing.Several(name)}, or none",
            { Min: 1, Max: Count.Many } => $"one or more {Phrasing.Several(name)}",
            { Max: Count.Many } => $"at least {Number(count.Min!.Value)} {Phrasing.Several(name)}",
            { Min: 0 or null } => $"at most {Number(count.Max!.Value)} {Phrasing.Several(name)}, or none",
            { Min: var min, Max: var max } when min == max => $"exactly {Number(max!.Value)} {Phrasing.Several(name)}",
            _ =>
                $"between {Number(count.Min!.Value)} and {(count.Max is { } most ? Number(most) : "many")} {Phrasing.Several(name)}",
        };

    /// <summary>A bound in words: <c>there may be none</c>.</summary>
    public static string LeastInWords(int? least) =>
        least switch
        {
            0 => "that there may be none",
            1 => "that there is always one",
            { } number => $"that there are at least {Number(number)}",
            null => "nothing of the least number",
        };

    /// <summary>A bound in words: <c>at most one</c>.</summary>
    public static string MostInWords(int? most) =>
        most switch
        {
            Count.Many => "that there may be any number",
            1 => "that there is never more than one",
            { } number => $"that there are at most {Number(number)}",
            null => "nothing of the greatest number",
        };

    private static string Number(int number) => number.ToString(CultureInfo.InvariantCulture);

    // What identifies has its owner, and what only links has what it links: that says itself.
    private bool FollowsFromItself(ConceptPreflight one) =>
        Role.CoOccurrence is { Min: 1, Max: 1 }
        && (Relationship.Identifying == true || one.Links.IsOnlyLinking(Other.EntityId))
        && Least.Says == Deciding.Open
        && Most.Says == Deciding.Open;
}
