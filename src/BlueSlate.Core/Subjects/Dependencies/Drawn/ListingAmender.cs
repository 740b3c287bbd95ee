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
        var form = said.OfType<DependencyStatement.OfForm>().LastOrDefault();
        (Func<string, bool> Lists, string? Text)[] kinds =
        [
            (line => ListingText.Keys(line) is not null, keys.Count == 0 ? null : ListingText.OfKeys(keys)),
            (line => ListingText.Primes(line) is not null, primes.Count == 0 ? null : ListingText.OfPrimes(primes)),
            (line => ListingText.Closure(line) is not null, closures.Count == 0 ? null : string.Join('\n', closures)),
            (line => ListingText.Derivation(line) is not null, derived.Count == 0 ? null : string.Join('\n', derived)),
            (line => ListingText.Cover(line) is not null, arrows.Count == 0 ? null : ListingText.OfCover(arrows)),
            (line => ListingText.Form(line) is not null, form is null ? null : ListingText.OfForm(form.Form)),
        ];
        return kinds.Aggregate(drawing, (changed, kind) => Put(changed, kind.Lists, kind.Text));
    }

    // The first line that lists gets the text, others that do go; a note of which nothing is left goes too.
    private static Drawing Put(Drawing drawing, Func<string, bool> lists, string? text)
    {
        var all = Listing.Lines(drawing).Where(line => lists(line.Line)).ToList();
        if (string.Join('\n', all.Select(line => line.Line)) == (text ?? "") || drawing.Sheets.IsEmpty)
        {
            return drawing;
        }

        var shapes = new List<Shape>();
        var open = text;
        foreach (var shape in drawing.Sheets[0].Shapes)
        {
            if (!all.Exists(line => line.Note == shape.Id))
            {
                shapes.Add(shape);
                continue;
            }

            var lines = new List<string>();
            foreach (var line in shape.Text.Split('\n'))
            {
                if (!lists(line))
                {
                    lines.Add(line);
                }
                else if (open is not null)
                {
                    lines.Add(open);
                    open = null;
                }
            }

            if (lines.Count > 0)
            {
                shapes.Add(shape with { Text = string.Join('\n', lines) });
            }
        }

        if (open is not null)
        {
            shapes.Add(new Shape(new FreshIds(drawing).Next(), Form.Note, Outline.Single, open, [], null));
        }

        var ids = shapes.Select(shape => shape.Id).ToHashSet(StringComparer.Ordinal);
        var gone = drawing.Sheets[0].Shapes.Where(shape => !ids.Contains(shape.Id)).Select(shape => shape.Id).ToList();
        var first = drawing.Sheets[0] with
        {
            Shapes = [.. shapes],
            Lines = drawing
                .Sheets[0]
                .Lines.RemoveAll(line => gone.Contains(line.From.On.Id ?? "") || gone.Contains(line.To.On.Id ?? "")),
        };
        var changed = drawing with { Sheets = drawing.Sheets.SetItem(0, first) };
        return changed with { Ties = changed.Ties.RemoveAll(tie => !changed.Has(tie.Element)) };
    }
}
