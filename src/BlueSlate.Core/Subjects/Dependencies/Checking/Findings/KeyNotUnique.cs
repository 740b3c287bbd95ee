using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class KeyNotUnique : DependencyFindingKind
{
    public override string Code => "chosen-key-not-unique";

    public override string Title => "Key that does not determine everything";

    public override string Help =>
        "From the underlined attributes not all others are reached, so two different rows can agree on them. "
        + "Follow the arrows from what is "
        + "underlined: what is never reached has to be in the key or be determined by something that is.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict.Fact.Kind is ChosenKeyFact && comparison.Drawn.KeyStanding == KeyStanding.NotUnique
        let drawn = comparison.Drawn
        let marked = drawn.Answer.Key
        let said = drawn.Answer.Say(marked)
        let unreached = drawn.Model.Set.All - drawn.Model.Set.Implied.ClosureOf(Marked(drawn))
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(said)} {Verb(marked, "is", "are")} no key.",
            There = $"{Phrasing.Capital(said)} {Verb(marked, "is", "are")} underlined.",
            Wanted =
                $"{Phrasing.Capital(comparison.Say(drawn.Model.Key))} underlined, or another smallest set that determines everything.",
            Why = $"Nothing in {said} determines {comparison.Say(unreached)}.",
            Claims = [verdict.Fact.Id],
            ModelElements = [.. drawn.Model.Key.Select(i => drawn.Model.Attributes[i].Id)],
            AnswerElements = [.. marked.Select(i => drawn.Answer.Attributes[i].Id)],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding)
    {
        var marked = Marked(comparison.Drawn);
        return MadeRows.Agreeing(
            ExampleKind.RuledOutAsDrawn,
            comparison.Drawn.Model.Set.Implied.ClosureOf(marked),
            marked,
            comparison,
            $"two rows with the same {comparison.Say(marked)} that differ elsewhere."
        );
    }

    private static AttributeSet Marked(DrawnAgainst drawn) =>
        AttributeSet.Of(drawn.Answer.Key.Select(drawn.ModelOf).OfType<int>());
}
