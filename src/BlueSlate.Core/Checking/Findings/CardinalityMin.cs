using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Checking.Findings;

internal sealed class CardinalityMin : FindingKind
{
    public override string Code => "cardinality-min";

    public override string Title => "Wrong minimum";

    public override string Help => "The mark further from the box says how many there must be at least: a ring for none, a bar for one. Ask: can there be one without?";

    public override FindingExample Example => new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(Ends.ZeroOrMore));

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Bad(Aspect.Min).Where(verdict => verdict.Kind == VerdictKind.Wrong).Select(verdict =>
        {
            var end = evidence.Wording(verdict.Fact.ConceptId);
            var couldBeNone = verdict.Drawn == "0";
            var wanted = end.Role.CoOccurrence;
            return AboutFact(
                verdict,
                Tag.Differs,
                headline: couldBeNone
                    ? $"There could be {end.OneOther} that {end.Verb} no {Phrasing.InText(end.Here)}."
                    : $"{Phrasing.Capital(end.OneOther)} without {end.OneHere} is ruled out.",
                there: $"Drawn at {end.Here}: at least {verdict.Drawn}.",
                wanted: $"{Phrasing.Capital(Phrasing.Amount(wanted))}.",
                why: couldBeNone
                    ? $"As drawn, {end.OneOther} may be kept before it {end.Verb} any {Phrasing.InText(end.Here)}; the scenario rules that out."
                    : $"As drawn, {end.OneOther} cannot be kept until it {end.Verb} {Phrasing.One(end.Here)}; the scenario allows it.");
        });
}
