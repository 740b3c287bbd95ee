using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ClosureWrong : DependencyFindingKind
{
    public override string Code => "closure-wrong";

    public override string Title => "Closure with something too many or too few";

    public override string Help =>
        "Begin with the attributes themselves. Whenever everything in front of an arrow is there, add what the arrow leads to; go through "
        + "the arrows again until nothing is added any more.";

    public override int Rank => 34;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: ClosureFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let set = ClosureFact.SetOf(verdict.Fact, drawn.Model)
        let given = ClosureFact.GivenFor(verdict.Fact, drawn)!
        let astray = ClosureFact.Astray(verdict.Fact, given, drawn)
        let of = comparison.Say(set)
        let left = comparison.Say(astray.Left)
        let more = Phrasing.List([.. astray.More.Select(Phrasing.InText)])
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline =
                more.Length == 0 ? $"The closure of {of} has {left} as well."
                : left.Length == 0 ? $"The closure of {of} does not have {more}."
                : $"The closure of {of} has {left}, and not {more}.",
            There = $"Closure of {of}: {string.Join(", ", drawn.Answer.NamesIn(given.Reached).Select(Phrasing.InText))}.",
            Wanted = $"Closure of {of}: {string.Join(", ", drawn.Model.Set.Implied.ClosureOf(set).Select(comparison.Say))}.",
            Why = astray.Left.IsEmpty ? $"No arrow leads from {of} to {more}." : Way(set, astray.Left, comparison),
            Claims = [verdict.Fact.Id],
            ModelElements = [ConceptId.Of(verdict.Fact.ConceptId).Element],
            AnswerElements = [given.Of.Note],
        };

    // The steps on which the first that is left out is reached.
    private static string Way(AttributeSet set, AttributeSet left, DependencyComparison comparison)
    {
        var steps = Derivation.Of(set, AttributeSet.Of(left.First()), comparison.Drawn.Model.Set.Implied) ?? [];
        var said = steps.Select(step => $"{comparison.Say(step.From)} {Verb(step.From)} {comparison.Say(step.To)}").ToList();
        return $"{Phrasing.Capital(Phrasing.List(said))}.";
    }
}
