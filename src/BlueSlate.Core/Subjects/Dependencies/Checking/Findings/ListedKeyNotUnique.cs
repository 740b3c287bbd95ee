using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ListedKeyNotUnique : ListedKeyFindingKind
{
    public override string Code => "listed-key-not-unique";

    public override string Title => "Listed as a key, and determines not everything";

    public override string Help =>
        "Two different rows can agree on what is listed, since the arrows do not lead from it to every attribute. "
        + "A candidate key reaches all of them.";

    protected override KeyStanding Standing => KeyStanding.NotUnique;

    protected override (string Headline, string Why) Say(ListedSet key, string said, DependencyComparison comparison)
    {
        var drawn = comparison.Drawn;
        var unreached = drawn.Model.Set.All - drawn.Model.Set.Implied.ClosureOf(drawn.InModel(key));
        var isOne = key.Attributes.Count + key.Strange.Length == 1;
        return (
            $"{Phrasing.Capital(said)} {(isOne ? "is" : "are")} no candidate key.",
            isOne
                ? $"{Phrasing.Capital(said)} does not determine {comparison.Say(unreached)}."
                : $"Nothing in {said} determines {comparison.Say(unreached)}."
        );
    }

    public override Example? Show(DependencyComparison comparison, Finding finding)
    {
        var drawn = comparison.Drawn;
        var key = drawn.FalseKeys.First(one => DependencyComparison.KeyOf(one, drawn) == finding.Extras[0]);
        var known = drawn.InModel(key);
        return MadeRows.Agreeing(
            ExampleKind.RuledOutAsDrawn,
            drawn.Model.Set.Implied.ClosureOf(known),
            known,
            comparison,
            $"two rows with the same {comparison.Say(known)} that differ elsewhere."
        );
    }
}
