using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>Gives the verdict on every fact of a model answer, by a correspondence, and lists the extras.</summary>
public static class Comparer
{
    /// <summary>The comparison of an answer with a model answer.</summary>
    public static ConceptComparison Compare(
        IndexedReading model,
        ImmutableArray<Fact> facts,
        Tolerances tolerances,
        IndexedReading answer,
        Correspondence correspondence,
        NotationOptions options,
        ScenarioText scenario
    )
    {
        var drawn = correspondence.Entities.Count + correspondence.Restated.Length;
        var showsLittle = drawn == 0 || drawn * 3 < model.Model.Entities.Length;
        var rules = new VerdictRules(model, answer, correspondence, showsLittle);
        var strict = facts.Select(rules.On).ToImmutableArray();
        var excused = answer.Model.Entities.IsEmpty ? [] : Excused(model.Model, strict, tolerances);
        var verdicts = strict
            .Select(verdict => Tolerate(verdict, tolerances, excused, answer.Model.Entities.IsEmpty))
            .ToImmutableArray();
        verdicts = [.. verdicts.Select(verdict => FollowingKey(verdict, model.Model, verdicts))];
        var histories = KeptHistory.In(verdicts, model.Model, answer.Model, correspondence);
        var kept = histories.Select(history => history.FactId).ToHashSet(StringComparer.Ordinal);
        var excusedExtras = histories
            .SelectMany(history => history.Times)
            .Concat(
                verdicts
                    .Where(verdict => verdict is { ByOwnNumber: true, Kind: VerdictKind.Tolerated })
                    .Select(verdict => answer.Model.Entity(verdict.AnswerId!).Primary!.AttributeIds[0])
            )
            .ToHashSet(StringComparer.Ordinal);
        verdicts =
        [
            .. verdicts.Select(verdict =>
                kept.Contains(verdict.Fact.Id) ? verdict with { Kind = VerdictKind.Tolerated } : verdict
            ),
        ];
        return new ConceptComparison(
            model,
            answer,
            correspondence,
            options,
            verdicts,
            [.. ExtraList.Of(answer.Reading, correspondence).Where(extra => !excusedExtras.Contains(extra.AnswerId))],
            showsLittle
        )
        {
            Histories = histories,
            Scenario = scenario,
        };
    }

    // Concepts that are absent only because an optional entity or relationship is.
    private static HashSet<string> Excused(ConceptModel model, ImmutableArray<Verdict> verdicts, Tolerances tolerances)
    {
        var excused = new HashSet<string>(StringComparer.Ordinal);
        foreach (
            var verdict in verdicts.Where(verdict =>
                verdict.Kind == VerdictKind.Absent && tolerances.At(verdict.Fact.Id) is { Optional: true }
            )
        )
        {
            excused.UnionWith(((ConceptFactKind)verdict.Fact.Kind).ExcusedBy(verdict.Fact, model));
        }

        return excused;
    }

    // Where another key than the model answer's is accepted, a line that has no part in it need not be drawn as identifying.
    private static Verdict FollowingKey(Verdict verdict, ConceptModel model, ImmutableArray<Verdict> all)
    {
        if (verdict is not { Kind: VerdictKind.Wrong, Fact.Kind: IdentifyingFact })
        {
            return verdict;
        }

        var relationship = model.Relationships.First(candidate => candidate.Id == verdict.Fact.ConceptId);
        var dependent = relationship.Roles.FirstOrDefault(role => role.Id == relationship.DependentRoleId)?.EntityId;
        var otherKey = all.Any(other =>
            other.Fact.Kind == FactKinds.Key
            && other.Fact.ConceptId == dependent
            && (other.Kind is VerdictKind.Tolerated or VerdictKind.HoldsByRestatement || other.ByOwnNumber && other.PartlyRight)
        );
        return otherKey ? verdict with { Kind = VerdictKind.Tolerated } : verdict;
    }

    private static Verdict Tolerate(Verdict verdict, Tolerances tolerances, HashSet<string> excused, bool blank)
    {
        if (verdict.Kind == VerdictKind.AbsentWithOwner && excused.Contains(verdict.Fact.ConceptId))
        {
            return verdict with { Kind = VerdictKind.Tolerated };
        }

        if (tolerances.At(verdict.Fact.Id) is not { } tolerance)
        {
            return verdict;
        }

        return verdict switch
        {
            _ when tolerance.NotAssessed => verdict with { Kind = VerdictKind.NotAssessed },
            { IsGood: true } => verdict,
            _ when blank => verdict,
            { Kind: VerdictKind.Absent } or { Drawn: VerdictLookup.NotShown } when tolerance.Optional => verdict with
            {
                Kind = VerdictKind.Tolerated,
            },
            { Kind: VerdictKind.Wrong or VerdictKind.Absent } when verdict.Fact.Kind.Accepts(tolerance, verdict) => verdict with
            {
                Kind = VerdictKind.Tolerated,
                PartlyRight = false,
            },
            _ => verdict,
        };
    }
}
