using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Preparing.Kinds;

/// <summary>The model answer states something that no line of the scheme counts, and nobody said that it is not assessed.</summary>
internal sealed class UncountedFacts : GeneralPreflightKind
{
    public override string Name => "uncounted";

    public override int Order => 61;

    public override string Title => "What no line counts";

    public override IEnumerable<PreflightItem> Find(PreflightCase one)
    {
        if (one.Scheme is not { } scheme)
        {
            return [];
        }

        var counted = scheme.Lines.SelectMany(line => line.FactIds).ToHashSet(StringComparer.Ordinal);
        var model = Subject.Of(one.Options).Prepare(one.Model, one.Options, one.Terms, one.Tolerances);
        var usual = Usual(one);
        return model
            .Facts.Where(fact => !fact.Kind.IsOnRequest && !counted.Contains(fact.Id) && usual.Contains(fact.Id))
            .Where(fact => one.Tolerances.At(fact.Id) is not { NotAssessed: true })
            .Select(fact =>
                Item(fact.Id, $"No line of the scheme counts this: {fact.Title}.") with
                {
                    Elements = [model.SymbolOf(fact)],
                }
            );
    }

    // What a scheme that is derived would count.
    private static HashSet<string> Usual(PreflightCase one) =>
        Marking
            .SchemeDeriver.Derive(one.Facts, one.Marks ?? 40)
            .Lines.SelectMany(line => line.FactIds)
            .ToHashSet(StringComparer.Ordinal);
}
