using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyUnnamed : DependencyFindingKind
{
    public override string Code => "anomaly-unnamed";

    public override string Title => "Anomaly not named";

    public override string Help =>
        "Rows that say something several times make trouble: it has to be changed in each of them, it goes with the last of them, or it "
        + "cannot be put in without something else. Which of these it is, and by which dependency, was to be said.";

    public override int Rank => 38;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: AnomalyFact, Kind: VerdictKind.Absent }
        let wanted = AnomalyFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let rows = AnomalyText.SayRows(wanted.Rows)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"It is not said what goes wrong with {rows}.",
            There = $"No note names the anomaly of {rows}.",
            Wanted = $"{AnomalyText.Article(wanted.Kind)} anomaly: {CoverFact.Said(wanted.Cause, comparison.Drawn.Model)}.",
            Why = AnomalyText.Why(wanted.Kind, comparison.Say(wanted.Cause.From.Attributes)),
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Note],
            AnswerElements = [.. ElementsOf(comparison, wanted.Cause.From.Attributes | wanted.Cause.To.Attributes)],
        };
}
