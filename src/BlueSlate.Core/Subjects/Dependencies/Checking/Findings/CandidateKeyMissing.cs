using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CandidateKeyMissing : DependencyFindingKind
{
    public override string Code => "candidate-key-missing";

    public override string Title => "Candidate key not listed";

    public override string Help =>
        "A table can have several candidate keys: every smallest set of attributes that determines all others is one. "
        + "What no arrow leads to is in each of them; "
        + "whatever determines a part of a key can stand in its place, and gives another.";

    public override int Rank => 31;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict.Fact.Kind is CandidateKeyFact
        let drawn = comparison.Drawn
        let wanted = CandidateKeyFact.WantedBy(verdict.Fact, drawn.Model)
        let said = comparison.Say(wanted)
        let listed = drawn.Answer.Listed.Keys
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline =
                wanted.Count == 1
                    ? $"{Phrasing.Capital(said)} is not listed as a candidate key."
                    : $"{Phrasing.Capital(said)} together are not listed as a candidate key.",
            There = listed.IsEmpty ? "No candidate keys are listed." : $"{Count(listed.Length)} listed.",
            Wanted = $"{Phrasing.Capital(said)} among the candidate keys.",
            Why = $"{Phrasing.Capital(said)} {Verb(wanted)} every attribute, and nothing can be left out.",
            Claims = [verdict.Fact.Id],
            ModelElements = [ConceptId.Of(verdict.Fact.ConceptId).Element],
            AnswerElements = [.. ElementsOf(comparison, wanted), .. listed.Take(1).Select(key => key.Note)],
        };

    private static string Count(int keys) => keys == 1 ? "One candidate key is" : $"{keys} candidate keys are";
}
