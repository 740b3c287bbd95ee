using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>Changes the notes beside a diagram so that they list what is stated and no more; what else they say stays.</summary>
internal static class ListingAmender
{
    /// <summary>The drawing with what is stated; a new note has no place.</summary>
    public static Drawing To(Drawing drawing, IReadOnlyList<DependencyStatement> said)
    {
        var keys = said.OfType<DependencyStatement.OfKeys>().SelectMany(one => one.Keys).ToList();
        var primes = said.OfType<DependencyStatement.OfPrimes>().SelectMany(one => one.Names).Distinct().ToList();
        var closures = said.OfType<DependencyStatement.OfClosure>()
            .Select(one => ListingText.OfClosure(one.Of, one.Reached))
            .ToList();
        var arrows = said.OfType<DependencyStatement.OfCover>().SelectMany(one => one.Arrows).ToList();
        var derived = said.OfType<DependencyStatement.OfDerivation>()
            .Select(one => ListingText.OfDerivation(one.Goal, one.Steps))
            .ToList();
        var against = said.OfType<DependencyStatement.OfCounterexample>().Select(one => one.Text.Line).ToList();
        var shown = said.OfType<DependencyStatement.OfAnomaly>().Select(one => one.Text.Line).ToList();
        var form = said.OfType<DependencyStatement.OfForm>().LastOrDefault();
        (Func<string, bool> Lists, string? Text)[] kinds =
        [
            (line => ListingText.Keys(line) is not null, keys.Count == 0 ? null : ListingText.OfKeys(keys)),
            (line => ListingText.Primes(line) is not null, primes.Count == 0 ? null : ListingText.OfPrimes(primes)),
            (line => ListingText.Closure(line) is not null, closures.Count == 0 ? null : string.Join('\n', closures)),
            (line => ListingText.Derivation(line) is not null, derived.Count == 0 ? null : string.Join('\n', derived)),
            (line => CounterexampleText.Read(line) is not null, against.Count == 0 ? null : string.Join('\n', against)),
            (line => AnomalyText.Read(line) is not null, shown.Count == 0 ? null : string.Join('\n', shown)),
            (line => ListingText.Cover(line) is not null, arrows.Count == 0 ? null : ListingText.OfCover(arrows)),
            (line => ListingText.Form(line) is not null, form is null ? null : ListingText.OfForm(form.Form)),
        ];
        if (drawing.Sheets.IsEmpty)
        {
            return drawing;
        }

        var ids = new FreshIds(drawing);
        var first = kinds.Aggregate(drawing.Sheets[0], (sheet, kind) => NoteLines.Put(sheet, kind.Lists, kind.Text, ids));
        if (ReferenceEquals(first, drawing.Sheets[0]))
        {
            return drawing;
        }

        var changed = drawing with { Sheets = drawing.Sheets.SetItem(0, first) };
        return changed with { Ties = changed.Ties.RemoveAll(tie => !changed.Has(tie.Element)) };
    }
}
