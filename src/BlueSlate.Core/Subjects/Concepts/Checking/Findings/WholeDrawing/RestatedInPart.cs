using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.WholeDrawing;

internal sealed class RestatedInPart : ConceptFindingKind
{
    public override string Code => "restated-in-part";

    public override string Title => "Drawn another way, which says less";

    public override string Help =>
        "What is meant can be seen, but the way in which it is drawn leaves out some of what the model answer says. It "
        + "earns a part of the marks.";

    // It explains at one stroke what would otherwise be a row of things missing and misplaced.
    public override int Rank => 5;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Verdicts.Where(verdict => verdict.RestatedBy is not null)
            .GroupBy(verdict => verdict.RestatedBy!)
            .Select(group =>
            {
                var match = group.Key;
                var shown = match.FallingShort.IsEmpty ? match.Holding : match.FallingShort;
                var seen = match.Uses.Select(id => evidence.NameOfAnswer(id)).OfType<string>().Distinct(StringComparer.Ordinal);
                return new Finding
                {
                    Id = IdFor(shown[0]),
                    Code = Code,
                    Tag = Tag.Differs,
                    Headline = match.Said,
                    There = $"What is meant can be seen: {Phrasing.List([.. seen.Select(Phrasing.InText)])}.",
                    Wanted = match.Wanted,
                    Why = match.Why,
                    Claims = [.. group.Select(verdict => verdict.Fact.Id), .. evidence.BadFactsOf(match.Following)],
                    ModelElements = [.. shown, .. match.Following],
                    AnswerElements = match.Uses,
                };
            });
}
