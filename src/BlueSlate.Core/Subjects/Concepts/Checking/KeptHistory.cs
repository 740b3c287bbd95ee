using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// A relationship that the model answer states as it is now, drawn with its times, so that former ones are kept too: many where
/// the model answer has one. It may be more than the scenario asks for, but nothing that it says is wrong.
/// </summary>
/// <param name="RelationshipId">The relationship of the model answer.</param>
/// <param name="RoleId">Its end of which former ones are kept.</param>
/// <param name="FactId">The fact that says one there.</param>
/// <param name="HolderId">The entity or relationship of the answer that holds the times.</param>
/// <param name="Times">The attributes of the answer that say when.</param>
public sealed record KeptHistory(
    string RelationshipId,
    string RoleId,
    string FactId,
    string HolderId,
    ImmutableArray<string> Times
)
{
    private static readonly HashSet<string> WhenWords = new(StringComparer.Ordinal)
    {
        "date",
        "day",
        "time",
        "from",
        "until",
        "till",
        "since",
        "start",
        "begin",
        "end",
        "period",
        "month",
        "year",
    };

    /// <summary>The histories among the verdicts on an answer.</summary>
    internal static ImmutableArray<KeptHistory> In(
        ImmutableArray<Verdict> verdicts,
        ConceptModel model,
        ConceptModel answer,
        Correspondence correspondence
    )
    {
        var manyForOne = verdicts
            .Where(verdict => verdict is { Kind: VerdictKind.Wrong, Drawn: "*", Fact: { Kind: MaximumFact, Value: "1" } })
            .ToList();
        if (manyForOne.Count == 0)
        {
            return [];
        }

        var known = correspondence.Attributes.Values.Select(match => match.AnswerId).ToHashSet(StringComparer.Ordinal);
        var found = ImmutableArray.CreateBuilder<KeptHistory>();
        foreach (var verdict in manyForOne)
        {
            var relationship = model.Relationships.First(candidate =>
                candidate.Roles.Any(role => role.Id == verdict.Fact.ConceptId)
            );
            var (holder, attributes) = Holder(relationship.Id, answer, correspondence);
            ImmutableArray<string> times =
            [
                .. attributes
                    .Where(attribute => !known.Contains(attribute.Id) && SaysWhen(attribute))
                    .Select(attribute => attribute.Id),
            ];
            if (holder is not null && !times.IsEmpty)
            {
                found.Add(new KeptHistory(relationship.Id, verdict.Fact.ConceptId, verdict.Fact.Id, holder, times));
            }
        }

        return found.ToImmutable();
    }

    // What stands between the two, or the relationship itself with attributes of its own.
    private static (string? Id, ImmutableArray<ConceptAttribute> Attributes) Holder(
        string relationshipId,
        ConceptModel answer,
        Correspondence correspondence
    )
    {
        if (correspondence.Relationships.TryGetValue(relationshipId, out var match))
        {
            var drawn = answer.Relationships.First(candidate => candidate.Id == match.AnswerId);
            return drawn.EntityId is { } own ? (own, answer.Entity(own).Attributes) : (drawn.Id, drawn.Attributes);
        }

        var between = correspondence
            .Restated.Where(restated => restated.Holding.Contains(relationshipId))
            .SelectMany(restated => restated.Uses)
            .Select(id => answer.Entities.FirstOrDefault(entity => entity.Id == id))
            .FirstOrDefault(entity => entity is not null);
        return between is null ? (null, []) : (between.Id, between.Attributes);
    }

    private static bool SaysWhen(ConceptAttribute attribute) =>
        Name.Of(attribute.Name).Words is [.., var last] words && (WhenWords.Contains(last) || WhenWords.Contains(words[0]));
}
