using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class AnomalyMistaken : DependencyFindingKind
{
    public override string Code => "anomaly-mistaken";

    public override string Title => "Anomalies mistaken";

    public override string Help =>
        "What stands in several rows has to be changed in all of them: an update anomaly. What goes with the last row that says it is lost "
        + "by a deletion. What cannot be put in without something else cannot be inserted.";

    public override int Rank => 39;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: AnomalyFact, Kind: VerdictKind.Wrong }
        let named = AnomalyFact.NamedFor(verdict.Fact, comparison.Drawn)
        where !AnomalyFact.StandingOf(verdict.Fact, named, comparison.Drawn).IsKind
        let wanted = AnomalyFact.WantedBy(verdict.Fact, comparison.Drawn.Model)
        let rows = AnomalyText.SayRows(wanted.Rows)
        let show = wanted.Rows.Length == 1 ? "shows" : "show"
        let right = AnomalyText.Article(wanted.Kind)
        let said = Phrasing.InText(AnomalyText.Article(named.Kind))
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(rows)} {show} {Phrasing.InText(right)} anomaly, not {said} one.",
            There = $"The note calls it {said} anomaly.",
            Wanted = $"{right} anomaly: {CoverFact.Said(wanted.Cause, comparison.Drawn.Model)}.",
            Why = AnomalyText.Why(wanted.Kind, comparison.Say(wanted.Cause.From.Attributes)),
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Note],
            AnswerElements = [named.Note],
        };
}
