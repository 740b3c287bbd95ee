using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>
/// Says a dependency diagram in sentences, in the order in which it was drawn; <see cref="DependencyStatement"/> reads them.
/// </summary>
internal static class DependencySentences
{
    private const string Key = "key";

    /// <summary>Its attributes, its key, what each determinant determines, and its tables.</summary>
    public static ImmutableArray<Sentence> Write(DependencyReading reading) =>
        [.. Statements(reading).Select(pair => pair.Sentence)];

    /// <summary>The sentences, each with what it states.</summary>
    public static IEnumerable<(Sentence Sentence, DependencyStatement Statement)> Statements(DependencyReading reading)
    {
        var all = reading.Set.All;
        if (!all.IsEmpty)
        {
            yield return (
                NamesOf("Attributes: ", all, reading, reading.Attributes[0].Id),
                new DependencyStatement.OfAttributes(reading.Set.NamesOf(all))
            );
        }

        if (!reading.Key.IsEmpty)
        {
            var id = new ConceptId(reading.Attributes[reading.Key.First()].Id, Key).ToString();
            yield return (
                NamesOf("Key: ", reading.Key, reading, id),
                new DependencyStatement.OfKey(reading.Set.NamesOf(reading.Key))
            );
        }

        if (!reading.Calculated.IsEmpty)
        {
            var id = new ConceptId(reading.Attributes[reading.Calculated.First()].Id, "calculated").ToString();
            yield return (
                NamesOf("Calculated: ", reading.Calculated, reading, id),
                new DependencyStatement.OfCalculated(reading.Set.NamesOf(reading.Calculated))
            );
        }

        if (!reading.Listed.Keys.IsEmpty)
        {
            ImmutableArray<ImmutableArray<string>> keys = [.. reading.Listed.Keys.Select(reading.NamesIn)];
            yield return (
                Listed(ListingText.OfKeys(keys.Select(InText)), Key + "s", reading.Listed.Keys),
                new DependencyStatement.OfKeys(keys)
            );
        }

        if (reading.Listed.Primes is { } primes)
        {
            yield return (
                Listed(ListingText.OfPrimes(InText(reading.NamesIn(primes))), "primes", [primes]),
                new DependencyStatement.OfPrimes(reading.NamesIn(primes))
            );
        }

        foreach (var said in ListedSentences(reading))
        {
            yield return said;
        }

        foreach (var group in reading.Dependencies.GroupBy(arrow => (arrow.From, arrow.IsMultivalued, arrow.Letter)))
        {
            var arrows = group.DistinctBy(arrow => arrow.To).ToList();
            yield return (
                Of(arrows, reading),
                new DependencyStatement.OfDeterminant(
                    reading.Set.NamesOf(group.Key.From),
                    [.. arrows.Select(arrow => reading.Attributes[arrow.To].Name.Text)],
                    group.Key.IsMultivalued,
                    group.Key.Letter
                )
            );
        }

        foreach (var said in StageSentences.Statements(reading))
        {
            yield return said;
        }
    }

    private static IEnumerable<(Sentence Sentence, DependencyStatement Statement)> ListedSentences(DependencyReading reading)
    {
        foreach (var closure in reading.Listed.Closures)
        {
            var (of, reached) = (reading.NamesIn(closure.Of), reading.NamesIn(closure.Reached));
            yield return (
                Listed(ListingText.OfClosure(InText(of), InText(reached)), $"closure of {string.Join('+', of)}", [closure.Of]),
                new DependencyStatement.OfClosure(of, reached)
            );
        }

        if (reading.Listed.Cover is { } cover)
        {
            var arrows = cover
                .Arrows.Select(arrow => (From: reading.NamesIn(arrow.From), To: reading.NamesIn(arrow.To)))
                .ToList();
            var text = ListingText.OfCover(arrows.Select(arrow => (InText(arrow.From), InText(arrow.To))));
            yield return (Noted(text, "cover", cover.Note), new DependencyStatement.OfCover([.. arrows]));
        }

        foreach (var (i, derivation) in reading.Listed.Derivations.Index())
        {
            (ImmutableArray<string> From, ImmutableArray<string> To) Names((ListedSet From, ListedSet To) arrow) =>
                (reading.NamesIn(arrow.From), reading.NamesIn(arrow.To));
            (IEnumerable<string> From, IEnumerable<string> To) Text(
                (ImmutableArray<string> From, ImmutableArray<string> To) arrow
            ) => (InText(arrow.From), InText(arrow.To));
            var (goal, steps) = (Names(derivation.Goal), derivation.Steps.Select(Names).ToImmutableArray());
            yield return (
                Noted(ListingText.OfDerivation(Text(goal), steps.Select(Text)), $"derivation-{i + 1}", derivation.Note),
                new DependencyStatement.OfDerivation(goal, steps)
            );
        }

        foreach (var (i, against) in reading.Listed.Counterexamples.Index())
        {
            yield return (
                Noted(against.Text.Line, $"counterexample-{i + 1}", against.Note),
                new DependencyStatement.OfCounterexample(against.Text)
            );
        }

        foreach (var anomaly in reading.Listed.Anomalies)
        {
            var text = new AnomalyText(
                anomaly.Rows,
                anomaly.Kind,
                (reading.NamesIn(anomaly.Cause.From), reading.NamesIn(anomaly.Cause.To))
            );
            yield return (
                Noted(text.Line, $"anomaly-{string.Join('-', anomaly.Rows)}", anomaly.Note),
                new DependencyStatement.OfAnomaly(text)
            );
        }

        if (reading.Listed.Claimed is { } form)
        {
            yield return (Noted(ListingText.OfForm(form.Form), "form", form.Note), new DependencyStatement.OfForm(form.Form));
        }
    }

    private static Sentence Noted(string text, string facet, string note) =>
        new(new ConceptId(note, facet).ToString(), [new SentencePiece(text, note)], [note], null);

    private static IEnumerable<string> InText(ImmutableArray<string> names) => names.Select(Phrasing.InText);

    private static Sentence Listed(string text, string facet, ImmutableArray<ListedSet> sets) =>
        new(
            new ConceptId(sets[0].Note, facet).ToString(),
            [new SentencePiece(text, sets[0].Note)],
            [.. sets.Select(set => set.Note).Distinct(StringComparer.Ordinal)],
            null
        );

    private static Sentence NamesOf(string head, AttributeSet set, DependencyReading reading, string id)
    {
        var names = set.Select((attribute, i) => (Comma: i > 0, reading.Attributes[attribute]));
        return new Sentence(
            id,
            [new SentencePiece(head), .. names.SelectMany(one => Piece(one.Comma, one.Item2))],
            [.. set.SelectMany(i => reading.Attributes[i].Elements)],
            null
        );
    }

    private static IEnumerable<SentencePiece> Piece(bool afterComma, DrawnAttribute attribute)
    {
        if (afterComma)
        {
            yield return new SentencePiece(", ");
        }

        yield return new SentencePiece(attribute.Text, attribute.Id);
    }

    private static Sentence Of(List<DrawnDependency> arrows, DependencyReading reading)
    {
        var first = arrows[0];
        var from = first.From.Select(i => (reading.Attributes[i].Text, reading.Attributes[i].Id)).ToList();
        var to = arrows.ConvertAll(arrow => (reading.Attributes[arrow.To].Text, ConceptId.Of(arrow.Id).Element));
        ImmutableArray<SentencePiece> pieces =
        [
            .. List(from),
            new SentencePiece($" {first.Verb} ", ConceptId.Of(first.Id).Element),
            .. List(to),
            .. first.Letter == DependencyLetter.None
                ? []
                : new[] { new SentencePiece($" ({first.Letter.Word()})", ConceptId.Of(first.Id).Element) },
        ];
        return new Sentence(
            first.Id,
            [pieces[0] with { Text = Phrasing.Capital(pieces[0].Text) }, .. pieces[1..]],
            [
                .. arrows
                    .SelectMany(arrow => arrow.Elements)
                    .Concat(first.From.Concat(arrows.Select(arrow => arrow.To)).SelectMany(i => reading.Attributes[i].Elements))
                    .Distinct(StringComparer.Ordinal),
            ],
            null
        );
    }

    private static IEnumerable<SentencePiece> List(List<(string Text, string Element)> names)
    {
        for (var i = 0; i < names.Count; i++)
        {
            if (i > 0)
            {
                yield return new SentencePiece(i == names.Count - 1 ? " and " : ", ");
            }

            yield return new SentencePiece(names[i].Text, names[i].Element);
        }
    }
}
