using System.Collections.Immutable;
using BlueSlate.Core.Checking;

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
            switch (fact.Aspect)
            {
                case Aspect.Entity:
                    drafts.Open(fact.Title);
                    drafts.Add(new LineDraft($"Entity {fact.Title}", 2, LineRule.AllOrNothing, fact.Id));
                    break;
                case Aspect.Kind or Aspect.Key or Aspect.AlternateKey or Aspect.Union or Aspect.Exclusion:
                    drafts.Add(new LineDraft(Capital(fact.Title), 2, LineRule.Share, fact.Id));
                    break;
                case Aspect.PartialKey:
                    drafts.AddToLast(fact);
                    break;
                case Aspect.Abstract or Aspect.Stereotype:
                    drafts.Add(new LineDraft(Capital(fact.Title), 1, LineRule.Share, fact.Id));
                    break;
                case Aspect.Attribute or Aspect.Multivalued or Aspect.Derived or Aspect.Optional or Aspect.ForeignKey or Aspect.Part or Aspect.Literal:
                    drafts.Gather("Attributes", 2, fact);
                    break;
                case Aspect.Type or Aspect.Visibility or Aspect.Scope:
                    drafts.Gather("Types and visibilities", 1, fact);
                    break;
                case Aspect.Operation or Aspect.Signature:
                    drafts.Gather("Operations", 2, fact);
                    break;
                case Aspect.Relationship:
                    drafts.Open(fact.Title);
                    drafts.Add(new LineDraft($"Relationship {fact.Title}", 2, LineRule.AllOrNothing, fact.Id));
                    break;
                case Aspect.Named or Aspect.RoleName:
                    drafts.AddToRelationship(fact);
                    break;
                case Aspect.LinkKind when fact.Value == "association":
                    drafts.AddToRelationship(fact);
                    break;
                case Aspect.LinkKind:
                    drafts.Add(new LineDraft(Capital(fact.Title), 1, LineRule.AllOrNothing, fact.Id));
                    break;
                case Aspect.Min or Aspect.Max:
                    drafts.Gather("Ends", 3, fact);
                    break;
                case Aspect.Subtype:
                    drafts.Open(fact.Value);
                    drafts.Gather("Subtypes", 3, fact);
                    break;
                case Aspect.Disjoint or Aspect.Total:
                    drafts.Gather("Disjoint or overlapping, total or partial: subtypes", 2, fact);
                    break;
                case Aspect.NoForeignKeys or Aspect.OwnNotation:
                    AddToForm(drafts.All, fact);
                    break;
                case Aspect.Identifying:
                    break;
                case var _ when fact.IsOnRequest:
                    break;
                default:
                    throw new ArgumentOutOfRangeException(nameof(facts));
            }
        }

        AddStrokes(drafts.All, facts);
        return [.. drafts.All.Where(draft => !draft.FactIds.IsEmpty)];
    }

    private static void AddToForm(List<LineDraft> drafts, Fact fact)
    {
        var form = drafts.LastOrDefault(draft => draft.Title == "Notation and level");
        if (form is null)
        {
            drafts.Add(form = new LineDraft("Notation and level", 2, LineRule.Share));
        }

        form.FactIds = form.FactIds.Add(fact.Id);
    }

    private static void AddStrokes(List<LineDraft> drafts, ImmutableArray<Fact> facts)
    {
        var identifying = facts.Where(fact => fact.Aspect == Aspect.Identifying && fact.Value == "identifying").ToList();
        if (identifying.Count > 0)
        {
            drafts.Add(new LineDraft("Identifying relationships solid", 2, LineRule.Share) { FactIds = [.. identifying.Select(fact => fact.Id)] });
        }
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

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    private sealed class LineDraft(string title, int weight, LineRule rule, params ImmutableArray<string> factIds)
    {
        public string Title => title;

        public int Weight => weight;

        public LineRule Rule { get; set; } = rule;

        public ImmutableArray<string> FactIds { get; set; } = factIds;
    }

    // The lines so far, and what they are about just now: an entity, a relationship, a specialisation.
    private sealed class Drafts
    {
        private string about = "";

        public List<LineDraft> All { get; } = [];

        public void Open(string title) => about = title;

        public void Add(LineDraft draft) => All.Add(draft);

        public void AddToLast(Fact fact) => All[^1].FactIds = All[^1].FactIds.Add(fact.Id);

        // Facts of one sort about one thing are one line.
        public void Gather(string what, int weight, Fact fact)
        {
            var title = $"{what} of {about}";
            var draft = All.LastOrDefault(candidate => candidate.Title == title);
            if (draft is null)
            {
                All.Add(draft = new LineDraft(title, weight, LineRule.Share));
            }

            draft.FactIds = draft.FactIds.Add(fact.Id);
        }

        public void AddToRelationship(Fact fact)
        {
            var draft = All.Last(candidate => candidate.Title == $"Relationship {about}");
            draft.FactIds = draft.FactIds.Add(fact.Id);
            draft.Rule = LineRule.Share;
        }
    }
}
