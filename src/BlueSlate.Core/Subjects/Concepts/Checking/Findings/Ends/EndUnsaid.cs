using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Ends;

internal sealed class EndUnsaid : ConceptFindingKind
{
    public override string Code => "end-unsaid";

    public override string Title => "Minimum or maximum unsaid";

    public override string Help =>
        "An end says two things: how many there may be at most, and how many there must be at least. One of them is not drawn.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Verdicts.Where(verdict =>
                verdict.Kind == VerdictKind.Absent
                && verdict.Fact.Kind is MinimumFact or MaximumFact
                && verdict.IsBad
                && verdict.AnswerId is not null
                && verdict.Kind != VerdictKind.Wrong
            )
            .GroupBy(verdict => verdict.Fact.ConceptId)
            .Select(group =>
            {
                var end = evidence.Wording(group.Key);
                var unsaid = Phrasing.List([
                    .. group.Select(verdict => verdict.Fact.Kind == FactKinds.Minimum ? "least" : "most"),
                ]);
                var (one, verb) = end.IsOfSeveral ? (end.OneOfEach, "go with") : (end.OneOther, end.Verb);
                return new Finding
                {
                    Id = IdFor(group.Key),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = $"How many {Phrasing.Several(end.Here)} go with {one} is not fully said.",
                    There = $"At {end.Here} the {unsaid} that {one} {verb} is left open.",
                    Wanted = $"{Phrasing.Capital(one)} {verb} {Phrasing.Counted(end.Role.CoOccurrence, end.Here)}.",
                    Why =
                        $"A reader would have to guess whether {one} {verb} {Phrasing.Counted(end.Role.CoOccurrence, end.Here)}.",
                    Claims = [.. group.Select(verdict => verdict.Fact.Id)],
                    ModelElements = [group.Key],
                    AnswerElements = [group.First().AnswerId!],
                };
            });
}
