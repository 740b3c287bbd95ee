using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class DenormalisationUnsaid : StageFindingKind
{
    public override string Code => "denormalisation-unaccounted";

    public override string Title => "Denormalisation missing or without a reason";

    public override string Help =>
        "The last stage was to put a table together again on purpose, and to say why. Without the reason nobody who comes later knows "
        + "whether it was a decision or an oversight.";

    public override int Rank => 92;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from verdict in Bad<StageDenormalisedFact>(comparison, pair)
        let wanted = StageDenormalisedFact.WantedBy(verdict.Fact, pair)
        let table = stage.Tables.FirstOrDefault(table => table.Drawn.Id == verdict.AnswerId && verdict.Kind == VerdictKind.Wrong)
        let title = stage.Stage.Title
        select About(
            pair,
            wanted.Id,
            table is null
                ? $"The sheet {title} has {comparison.Say(wanted.All)} in no one table."
                : $"The sheet {title} does not say why {table.Drawn.Said} holds together what could be apart."
        ) with
        {
            Tag = Tag.Missing,
            There = table is null
                ? $"The tables {Listed(stage.Stage)}."
                : $"{table.Drawn.Said} has {comparison.Say(table.All)}, without a note.",
            Wanted = table is null
                ? $"One table of {comparison.Say(wanted.All)}, with the reason beside it."
                : $"A note: {Denormalisation.Line(table.Drawn.Name, "")}.",
            Why = wanted.Denormalised!.IsAccountedFor
                ? $"The model answer keeps them together since {wanted.Denormalised.Reason}."
                : "What is put together again is written several times, and has to be worth it.",
            Claims = [verdict.Fact.Id],
            ModelElements = [wanted.Id],
            AnswerElements = [(table ?? stage.Tables[0]).Drawn.Id],
        };
}
