using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class PrimesWrong : DependencyFindingKind
{
    public override string Code => "prime-attributes-wrong";

    public override string Title => "Prime attributes mistaken";

    public override string Help =>
        "An attribute is prime when it is in a candidate key, and not only in the one that was chosen. "
        + "What is in none is not prime, however much it determines.";

    public override int Rank => 33;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: PrimesFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let listed = drawn.Answer.Listed.Primes!
        let wanted = drawn.Model.Listed.Primes!.Attributes
        let left = Phrasing.List([.. (wanted - drawn.InModel(listed)).Select(comparison.Say)])
        let names = listed.Attributes.Where(i => drawn.ModelOf(i) is not { } one || !wanted.Contains(one))
        let more = Phrasing.List([
            .. names.Select(i => drawn.Answer.Attributes[i].Text),
            .. listed.Strange.Select(Phrasing.InText),
        ])
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline =
                left.Length == 0 ? $"Listed as prime, and in no candidate key: {more}."
                : more.Length == 0 ? $"In a candidate key, and not listed as prime: {left}."
                : $"Listed as prime are {more}, and not {left}.",
            There = $"Prime attributes: {Phrasing.List([.. drawn.Answer.NamesIn(listed).Select(Phrasing.InText)])}.",
            Wanted = $"{Phrasing.Capital(Phrasing.List([.. wanted.Select(comparison.Say)]))}.",
            Why = "Prime is what is in a candidate key, whichever.",
            Claims = [verdict.Fact.Id],
            ModelElements = [drawn.Model.Listed.Primes!.Note],
            AnswerElements = [listed.Note],
        };
}
