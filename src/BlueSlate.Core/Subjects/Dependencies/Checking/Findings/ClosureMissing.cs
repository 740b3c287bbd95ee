using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class ClosureMissing : DependencyFindingKind
{
    public override string Code => "closure-missing";

    public override string Title => "Closure not given";

    public override string Help =>
        "The closure of some attributes is everything that they determine, directly or on the way over others. It shows whether they are a "
        + "key, and whether a dependency follows.";

    public override int Rank => 34;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: ClosureFact, Kind: VerdictKind.Absent }
        let drawn = comparison.Drawn
        let set = ClosureFact.SetOf(verdict.Fact, drawn.Model)
        let of = comparison.Say(set)
        let reached = drawn.Model.Set.Implied.ClosureOf(set)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"The closure of {of} is not given.",
            There = $"No note says what {of} {Verb(set)} all in all.",
            Wanted = $"Closure of {of}: {string.Join(", ", reached.Select(comparison.Say))}.",
            Why = $"It says whether {of} {Verb(set, "is", "are")} a key.",
            Claims = [verdict.Fact.Id],
            ModelElements = [ConceptId.Of(verdict.Fact.ConceptId).Element],
            AnswerElements = [.. ElementsOf(comparison, set)],
        };
}
