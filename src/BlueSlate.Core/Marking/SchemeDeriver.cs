using System.Collections.Immutable;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Derives a marking scheme from a model answer: a line for every entity, key, set of attributes, relationship, pair of ends
/// and the notation, with the marks in all shared out by weight in steps of a half (largest remainders first).
/// </summary>
public static class SchemeDeriver
{
    /// <summary>The scheme for these facts, worth so many marks in all.</summary>
    public static MarkingScheme Derive(ImmutableArray<Fact> facts, Rational marks)
    {
        var drafts = Draft(facts);
        var shares = ShareOut(marks, [.. drafts.Select(draft => draft.Weight)]);
        var lines = drafts.Select((draft, i) => new MarkLine($"line{i + 1}", draft.Title, shares[i], draft.Rule, draft.FactIds));
        return new MarkingScheme([.. lines], Rational.Zero, Rational.Zero, Rational.Half);
    }

    private static List<LineDraft> Draft(ImmutableArray<Fact> facts)
    {
        var drafts = new Drafts();
        foreach (var fact in facts)
        {
            drafts.Put(fact, fact.Kind.PlaceOf(fact));
        }

        return [.. drafts.All.Where(draft => !draft.FactIds.IsEmpty)];
    }

    private static List<Rational> ShareOut(Rational marks, List<int> weights)
    {
        var total = Math.Max(1, weights.Sum());
        var exact = weights.Select(weight => marks * new Rational(weight, total)).ToList();
        var shares = exact.Select(share => share.FloorTo(Rational.Half)).ToList();
        var left = marks - shares.Aggregate(Rational.Zero, (sum, share) => sum + share);
        foreach (var i in Enumerable.Range(0, shares.Count).OrderByDescending(i => exact[i] - shares[i]))
        {
            var step = Rational.Min(left, Rational.Half);
            shares[i] += step;
            left -= step;
        }

        return shares;
    }

    private sealed class LineDraft(string title, int weight, LineRule rule, params ImmutableArray<string> factIds)
    {
        public string Title => title;

        public int Weight => weight;

        public LineRule Rule { get; set; } = rule;

        public ImmutableArray<string> FactIds { get; private set; } = factIds;

        public void Add(Fact fact) => FactIds = FactIds.Add(fact.Id);
    }

    // The lines so far, and what they are about just now: an entity, a relationship, a specialisation.
    private sealed class Drafts
    {
        private readonly List<LineDraft> lines = [];
        private readonly LineDraft strokes = new("Identifying relationships solid", 2, LineRule.Share);
        private string about = "";

        // What the strokes say comes last.
        public IEnumerable<LineDraft> All => lines.Append(strokes);

        public void Put(Fact fact, SchemePlace place)
        {
            about = place.Opens ?? about;
            switch (place.Step)
            {
                case SchemeStep.NewLine:
                    lines.Add(
                        new LineDraft(place.Title, place.Weight, place.Whole ? LineRule.AllOrNothing : LineRule.Share, fact.Id)
                    );
                    break;
                case SchemeStep.Gathered:
                    Gather($"{place.Title} of {about}", place.Weight, fact);
                    break;
                case SchemeStep.WithLast:
                    lines[^1].Add(fact);
                    break;
                case SchemeStep.WithRelationship:
                    AddToRelationship(fact);
                    break;
                case SchemeStep.WithForm:
                    Gather("Notation and level", 2, fact);
                    break;
                case SchemeStep.WithStrokes:
                    strokes.Add(fact);
                    break;
                default:
                    break;
            }
        }

        // Facts of one sort about one thing are one line.
        private void Gather(string title, int weight, Fact fact)
        {
            var draft = lines.LastOrDefault(candidate => candidate.Title == title);
            if (draft is null)
            {
                lines.Add(draft = new LineDraft(title, weight, LineRule.Share));
            }

            draft.Add(fact);
        }

        private void AddToRelationship(Fact fact)
        {
            var draft = lines.Last(candidate => candidate.Title == $"Relationship {about}");
            draft.Add(fact);
            draft.Rule = LineRule.Share;
        }
    }
}
