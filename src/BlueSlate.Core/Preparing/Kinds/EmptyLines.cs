using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Preparing.Kinds;

/// <summary>A line of the scheme is about nothing that the model answer states, so that everybody or nobody earns it.</summary>
internal sealed class EmptyLines : GeneralPreflightKind
{
    public override string Name => "empty-line";

    public override int Order => 62;

    public override string Title => "Lines about nothing";

    public override IEnumerable<PreflightItem> Find(PreflightCase one)
    {
        if (one.Scheme is not { } scheme)
        {
            return [];
        }

        var model = Subject.Of(one.Options).Prepare(one.Model, one.Options, one.Terms, one.Tolerances);
        var stated = model.Facts.Concat(model.Asked(scheme.Lines.SelectMany(line => line.FactIds))).Select(fact => fact.Id);
        var known = stated.ToHashSet(StringComparer.Ordinal);
        return scheme
            .Lines.Where(line => !line.FactIds.Any(known.Contains))
            .Select(line =>
                Item(line.Id, $"The line “{Phrasing.Capital(line.Title)}” is about nothing that the model answer still says.")
            );
    }
}
