using System.Collections.Immutable;
using BlueSlate.Core.Checking;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Sums verdicts by a scheme. It never looks at a drawing nor at findings: the absence of a finding is not the presence
/// of a fact. All arithmetic is exact until the one rounding of the total.
/// </summary>
public static class Marker
{
    /// <summary>The mark sheet of an answer.</summary>
    public static MarkSheet Mark(MarkingScheme scheme, ImmutableArray<Verdict> verdicts, ImmutableArray<Extra> extras, ImmutableArray<Ruling> rulings)
    {
        var byFact = verdicts.ToDictionary(verdict => verdict.Fact.Id, StringComparer.Ordinal);
        var ruled = RuledFacts(rulings);
        var lines = scheme.Lines.Select(line => Judge(line, byFact, ruled)).ToImmutableArray();
        var extrasLoss = ExtrasLoss(scheme, extras, rulings);
        var earned = lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Earned);
        var exact = Rational.Max(Rational.Zero, earned - extrasLoss);
        var maximum = scheme.Maximum;
        return new MarkSheet(lines, Rational.Min(extrasLoss, earned), exact, Rational.Min(maximum, exact.RoundTo(scheme.Step)), maximum);
    }

    private static Dictionary<string, Decision> RuledFacts(ImmutableArray<Ruling> rulings)
    {
        var ruled = new Dictionary<string, Decision>(StringComparer.Ordinal);
        foreach (var ruling in rulings)
        {
            foreach (var fact in ruling.FactIds)
            {
                ruled[fact] = ruling.Decision;
            }
        }

        return ruled;
    }

    private static LineResult Judge(MarkLine line, Dictionary<string, Verdict> byFact, Dictionary<string, Decision> ruled)
    {
        var credits = ImmutableArray.CreateBuilder<FactCredit>(line.FactIds.Length);
        var places = new List<(string Place, Rational Credit)>();
        foreach (var id in line.FactIds)
        {
            if (byFact.TryGetValue(id, out var verdict) && verdict.Kind != VerdictKind.NotAssessed)
            {
                var (credit, isRuled) = CreditOf(verdict, line.Rule, ruled);
                credits.Add(new FactCredit(id, verdict.Kind, credit, isRuled));
                Lower(places, verdict.Fact.Place, credit);
            }
        }

        // A line whose facts are all not assessed, or lost from the model answer, cannot be lost either.
        var share = places.Count == 0 ? Rational.One : ShareOf(line.Rule, places);
        return new LineResult(line, line.Marks * share, credits.ToImmutable());
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

    private static (Rational Credit, bool Ruled) CreditOf(Verdict verdict, LineRule rule, Dictionary<string, Decision> ruled)
    {
        Rational own = verdict.IsGood ? Rational.One : verdict.PartlyRight && rule == LineRule.Share ? Rational.Half : Rational.Zero;
        return verdict.IsBad && ruled.TryGetValue(verdict.Fact.Id, out var decision)
            ? (decision switch
            {
                Decision.Allow => Rational.One,
                Decision.AllowInPart => Rational.Half,
                _ => own,
            }, true)
            : (own, false);
    }

    private static Rational ShareOf(LineRule rule, List<(string Place, Rational Credit)> places)
    {
        var (least, most) = (Rational.One, Rational.Zero);
        foreach (var (_, credit) in places)
        {
            (least, most) = (Rational.Min(least, credit), Rational.Max(most, credit));
        }

        return rule == LineRule.Share && places.Count > 1 && most == Rational.One ? Rational.Max(Rational.Half, least) : least;
    }

    private static Rational ExtrasLoss(MarkingScheme scheme, ImmutableArray<Extra> extras, ImmutableArray<Ruling> rulings)
    {
        var decisions = rulings.SelectMany(ruling => ruling.Extras.Select(extra => (extra, ruling.Decision)))
            .GroupBy(pair => pair.extra, StringComparer.Ordinal)
            .ToDictionary(group => group.Key, group => group.Last().Decision, StringComparer.Ordinal);
        var loss = Rational.Zero;
        foreach (var extra in extras)
        {
            loss += decisions.GetValueOrDefault(extra.AnswerId, Decision.KeepLoss) switch
            {
                Decision.Allow => Rational.Zero,
                Decision.AllowInPart => scheme.ExtraCost * Rational.Half,
                _ => scheme.ExtraCost,
            };
        }

        return Rational.Min(loss, scheme.ExtraCap);
    }
}
