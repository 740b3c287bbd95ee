using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ListedKeyNotMinimal : ListedKeyFindingKind
{
    public override string Code => "listed-key-not-minimal";

    public override string Title => "Listed as a candidate key, with an attribute too many";

    public override string Help =>
        "What is listed determines everything, and so does a part of it: it is a superkey. "
        + "Of a candidate key no attribute can be left out.";

    protected override KeyStanding Standing => KeyStanding.TooLarge;

    protected override (string Headline, string Why) Say(ListedSet key, string said, DependencyComparison comparison)
    {
        var drawn = comparison.Drawn;
        var known = drawn.InModel(key);
        var least = known.Aggregate(known, (left, i) =>
            drawn.Model.Set.Implied.ClosureOf(left - AttributeSet.Of(i)) == drawn.Model.Set.All ? left - AttributeSet.Of(i) : left
        );
        return (
            $"{Phrasing.Capital(said)} are more than a candidate key.",
            $"{Phrasing.Capital(comparison.Say(least))} alone {(least.Count == 1 ? "determines" : "determine")} every attribute."
        );
    }
}
