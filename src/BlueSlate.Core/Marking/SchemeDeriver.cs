using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Marking;

/// <summary>
/// Derives a marking scheme from a model answer: a line for every entity, key, set of attributes, relationship, pair of ends
/// and the notation, with the marks in all shared out evenly by weight (<see cref="EvenShares"/>).
/// </summary>
public static class SchemeDeriver
{
    /// <summary>The scheme for these facts, worth so many marks in all.</summary>
    public static MarkingScheme Derive(ImmutableArray<Fact> facts, Rational marks)
    {
        var drafts = Draft(facts);
        var shares = EvenShares.Of(
            marks,
            [.. drafts.Select(draft => new ShareOfLine(draft.Sort, draft.Weight, draft.FactIds.Length))]
        );
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

    private sealed class LineDraft(string title, string sort, int weight, LineRule rule)
    {
        public string Title { get; set; } = title;

        // The lines of one sort are alike: all entities, all ends.
        public string Sort => sort;

        public int Weight => weight;

        public LineRule Rule { get; set; } = rule;

        public ImmutableArray<string> FactIds { get; private set; } = [];

        public void Add(Fact fact) => FactIds = FactIds.Add(fact.Id);
    }

    // The lines so far, and what they are about just now: an entity, a relationship, a specialisation.
    private sealed class Drafts
    {
        private readonly List<LineDraft> lines = [];
        private readonly LineDraft strokes = new("Identifying relationships drawn as such", "strokes", 2, LineRule.Share);
        private string about = "";

        private const string FormSort = "form";

        // What the strokes say comes last.
        public IEnumerable<LineDraft> All => lines.Append(strokes);

        public void Put(Fact fact, SchemePlace place)
        {
            about = place.Opens ?? about;
            switch (place.Step)
            {
                case SchemeStep.NewLine:
                    var rule = place.Whole ? LineRule.AllOrNothing : LineRule.Share;
                    Begin(place.Title, fact.Kind.Name, place.Weight, rule).Add(fact);
                    break;
                case SchemeStep.Gathered:
                    Gather($"{place.Title} of {about}", place.Title, place.Weight, fact);
                    break;
                case SchemeStep.WithLast:
                    lines[^1].Add(fact);
                    break;
                case SchemeStep.WithRelationship:
                    AddToRelationship(fact);
                    break;
                case SchemeStep.WithForm:
                    AddToForm(place.Title, fact);
                    break;
                case SchemeStep.WithStrokes:
                    strokes.Add(fact);
                    break;
                default:
                    break;
            }
        }

        // Facts of one sort about one thing are one line.
        private void Gather(string title, string sort, int weight, Fact fact) =>
            (lines.LastOrDefault(candidate => candidate.Title == title) ?? Begin(title, sort, weight, LineRule.Share)).Add(fact);

        // One line for the form of the whole drawing, whose title says all that it asks for.
        private void AddToForm(string what, Fact fact)
        {
            if (lines.Find(candidate => candidate.Sort == FormSort) is { } form)
            {
                form.Title = $"{form.Title}; {what}";
                form.Add(fact);
            }
            else
            {
                Begin(Phrasing.Capital(what), FormSort, 2, LineRule.Share).Add(fact);
            }
        }

        private LineDraft Begin(string title, string sort, int weight, LineRule rule)
        {
            var draft = new LineDraft(title, sort, weight, rule);
            lines.Add(draft);
            return draft;
        }

        private void AddToRelationship(Fact fact)
        {
            var draft = lines.Last(candidate => candidate.Title == $"Relationship {about}");
            draft.Add(fact);
            draft.Rule = LineRule.Share;
        }
    }
}
