using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Sums verdicts by a scheme. It never looks at a drawing nor at findings: the absence of a finding is not the presence
/// of a fact. All arithmetic is exact until the one rounding of the total.
/// </summary>
public static class Marker
{
    /// <summary>The mark sheet of an answer.</summary>
    public static MarkSheet Mark(
        MarkingScheme scheme,
        ImmutableArray<Verdict> verdicts,
        ImmutableArray<Extra> extras,
        Decisions decisions
    )
    {
        var rulings = decisions.Rulings;
        var byFact = verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        var ruled = RuledFacts(rulings);
        var anythingDrawn = verdicts.Any(verdict => verdict.AnswerId is not null);
        var effects = new Dictionary<string, Rational>(StringComparer.Ordinal);
        var lines = scheme
            .Lines.Select(line => Adjust(Judge(line, byFact, ruled, anythingDrawn), decisions.Adjustments, effects))
            .ToImmutableArray();
        var earned = lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Earned);
        var losses = LossesOf(scheme, extras, rulings, earned);
        var maximum = scheme.Maximum;
        var exact = losses.Aggregate(earned, (left, extra) => left - extra.Loss);
        foreach (var adjustment in decisions.Adjustments.Where(one => one.LineId is null))
        {
            exact = Within(exact, adjustment, maximum, effects);
        }

        return new MarkSheet(lines, losses, exact, Rational.Min(maximum, exact.RoundTo(scheme.Step)), maximum)
        {
            Adjustments = [.. decisions.Adjustments.Select(one => new Adjusted(one, effects.GetValueOrDefault(one.Id)))],
        };
    }

    private static LineResult Adjust(
        LineResult line,
        ImmutableArray<Adjustment> adjustments,
        Dictionary<string, Rational> effects
    )
    {
        var earned = line.Earned;
        foreach (var adjustment in adjustments.Where(one => string.Equals(one.LineId, line.Line.Id, StringComparison.Ordinal)))
        {
            earned = Within(earned, adjustment, line.Line.Marks, effects);
        }

        return line with
        {
            Earned = earned,
            Adjusted = earned - line.Earned,
        };
    }

    // Nobody gets less than nothing, nor more than there is.
    private static Rational Within(Rational before, Adjustment by, Rational most, Dictionary<string, Rational> effects)
    {
        var after = Rational.Max(Rational.Zero, Rational.Min(most, before + by.Amount));
        effects[by.Id] = after - before;
        return after;
    }

    private static Dictionary<string, Ruling> RuledFacts(ImmutableArray<Ruling> rulings)
    {
        var ruled = new Dictionary<string, Ruling>(StringComparer.Ordinal);
        foreach (var ruling in rulings)
        {
            foreach (var fact in ruling.FactIds)
            {
                ruled[fact] = ruling;
            }
        }

        return ruled;
    }

    private static LineResult Judge(
        MarkLine line,
        Dictionary<string, Verdict> byFact,
        Dictionary<string, Ruling> ruled,
        bool anythingDrawn
    )
    {
        var credits = ImmutableArray.CreateBuilder<FactCredit>(line.FactIds.Length);
        var judged = new List<(Fact Fact, Rational Credit)>();

        // What is absent with one and the same entity is taken off once.
        var gone = new HashSet<string>(StringComparer.Ordinal);
        foreach (var id in line.FactIds)
        {
            if (byFact.TryGetValue(id, out var verdict) && verdict.Kind != VerdictKind.NotAssessed)
            {
                if (
                    line.Rule == LineRule.Deduct
                    && verdict is { Kind: VerdictKind.AbsentWithOwner, OwnerId: { } owner }
                    && !gone.Add(owner)
                )
                {
                    continue;
                }

                var credit = CreditOf(verdict, line.Rule, ruled);
                credits.Add(credit);
                judged.Add((verdict.Fact, credit.Credit));
            }
        }

        // A line whose facts are all not assessed, or lost from the model answer, is granted to whoever drew anything of the
        // exercise.
        var earned =
            judged.Count == 0
                ? anythingDrawn
                    ? line.Marks
                    : Rational.Zero
                : line.Rule == LineRule.Deduct
                    ? Deducted(line, credits)
                    : line.Marks * ShareOf(line, judged);
        return new LineResult(line, earned + GivenBack(line.Marks - earned, credits), credits.ToImmutable());
    }

    // What is allowed in part gives that part of its own share of what the line lost, whatever else the line lost.
    private static Rational GivenBack(Rational lost, IReadOnlyCollection<FactCredit> credits)
    {
        var (all, back) = (Rational.Zero, Rational.Zero);
        foreach (var credit in credits)
        {
            all += Rational.One - credit.Credit;
            back += (Rational.One - credit.Credit) * credit.GivenBack;
        }

        return back.IsZero ? Rational.Zero : lost * back / all;
    }

    // What little is taken off an empty drawing would leave it something: a line is earned only by what is drawn.
    private static Rational Deducted(MarkLine line, IEnumerable<FactCredit> credits)
    {
        var (lost, any) = (Rational.Zero, false);
        foreach (var credit in credits)
        {
            lost += line.Off * (Rational.One - credit.Credit);
            any |= credit.Credit > Rational.Zero;
        }

        return any ? Rational.Max(Rational.Zero, line.Marks - lost) : Rational.Zero;
    }

    // A place earns what the least of its facts earns.
    private static void Lower(List<(string Place, Rational Credit)> places, string place, Rational credit)
    {
        var at = places.FindIndex(known => string.Equals(known.Place, place, StringComparison.Ordinal));
        if (at < 0)
        {
            places.Add((place, credit));
        }
        else if (credit < places[at].Credit)
        {
            places[at] = (place, credit);
        }
    }

    private static FactCredit CreditOf(Verdict verdict, LineRule rule, Dictionary<string, Ruling> ruled)
    {
        Rational own =
            verdict.IsGood ? (verdict.PartlyRight ? Rational.Half : Rational.One)
            : verdict.PartlyRight && rule != LineRule.AllOrNothing ? Rational.Half
            : Rational.Zero;
        var ruling = verdict.IsBad || verdict.PartlyRight ? ruled.GetValueOrDefault(verdict.Fact.Id) : null;
        return ruling?.Decision == Decision.Allow
            ? new FactCredit(verdict.Fact.Id, verdict.Kind, Rational.One, true)
            : new FactCredit(verdict.Fact.Id, verdict.Kind, own, ruling is not null)
            {
                GivenBack = ruling?.GivenBack ?? Rational.Zero,
            };
    }

    private static Rational ShareOf(MarkLine line, List<(Fact Fact, Rational Credit)> judged)
    {
        var least = judged.Aggregate(Rational.One, (sum, one) => Rational.Min(sum, one.Credit));
        if (line.Rule == LineRule.AllOrNothing)
        {
            return least;
        }

        // Where the thing is there and only how it is drawn is wrong, that is half of what is worth two marks or more.
        var (how, thing) = (
            judged.Where(one => one.Fact.Kind.SaysHow).ToList(),
            judged.Where(one => !one.Fact.Kind.SaysHow).ToList()
        );
        if (
            least.IsZero
            && thing.Count > 0
            && thing.TrueForAll(one => one.Credit == Rational.One)
            && (line.Marks >= new Rational(2, 1) || how.TrueForAll(one => one.Fact.Kind.HalvesAlways || !one.Credit.IsZero))
        )
        {
            return Rational.Half;
        }

        if (judged.Any(one => one.Fact.Kind.Sort == FactSort.Form))
        {
            return OfForm(judged);
        }

        // Only what can stand at several places is shared: without the thing itself there is nothing to share.
        var alike = judged.All(one =>
            one.Fact.Kind.Sort == judged[0].Fact.Kind.Sort
            && (one.Fact.Kind.Sort != FactSort.Thing || one.Fact.Kind == judged[0].Fact.Kind)
        );
        var places = new List<(string Place, Rational Credit)>();
        foreach (var (fact, credit) in judged)
        {
            if (alike || fact.Kind.Sort is FactSort.End or FactSort.Attribute or FactSort.Key)
            {
                Lower(places, fact.Place, credit);
            }
            else if (credit.IsZero)
            {
                return Rational.Zero;
            }
        }

        return places.Count > 1 && places.Any(place => place.Credit == Rational.One) ? Rational.Max(Rational.Half, least) : least;
    }

    // A line about the form of the drawing loses half for each kind of fault.
    private static Rational OfForm(List<(Fact Fact, Rational Credit)> judged)
    {
        var left = judged.Aggregate(Rational.One, (sum, one) =>
            sum - (one.Fact.Kind.Sort == FactSort.Form ? Rational.One - one.Credit : (Rational.One - one.Credit) * Rational.Half)
        );
        return judged.Any(one => one.Credit > Rational.Zero) ? Rational.Max(Rational.Zero, left) : Rational.Zero;
    }

    // Beyond the cap, and beyond what was earned, they share what there is to lose.
    private static ImmutableArray<ExtraLoss> LossesOf(
        MarkingScheme scheme,
        ImmutableArray<Extra> extras,
        ImmutableArray<Ruling> rulings,
        Rational earned
    )
    {
        var ruled = rulings
            .SelectMany(ruling => ruling.Extras.Select(extra => (Extra: extra, ruling.GivenBack)))
            .GroupBy(pair => pair.Extra, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.Last().GivenBack, StringComparer.Ordinal);
        var losses = extras
            .Select(extra => new ExtraLoss(
                extra.AnswerId,
                scheme.ExtraCost * (Rational.One - ruled.GetValueOrDefault(extra.AnswerId))
            ))
            .ToImmutableArray();
        var all = losses.Aggregate(Rational.Zero, (sum, extra) => sum + extra.Loss);
        var most = Rational.Min(scheme.ExtraCap, earned);
        return all <= most ? losses : [.. losses.Select(extra => extra with { Loss = extra.Loss * most / all })];
    }
}
