using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class ForeignKeyUnmarked : StageFindingKind
{
    public override string Code => "table-foreign-key-unmarked";

    public override string Title => "Foreign key not marked";

    public override string Help =>
        "A column leads to another table, whose key it is, and is not marked as a foreign key. It stands in the table from which "
        + "something was split off, never in the new one.";

    public override int Rank => 88;

    protected override IEnumerable<Finding> Find(DependencyComparison comparison, StagePair pair, JudgedStage stage) =>
        from verdict in Bad<StageForeignFact>(comparison, pair)
        where verdict.Kind == VerdictKind.Absent
        let table = stage.Tables.First(table => table.Drawn.Id == verdict.AnswerId)
        let key = StageForeignFact.KeyOf(verdict.Fact, pair)
        let said = comparison.Say(key)
        let reversed = stage.Tables.FirstOrDefault(other => other != table && key.IsSubsetOf(other.Foreign))
        select About(
            pair,
            verdict.Fact.ConceptId,
            $"In {table.Drawn.Said} of {stage.Stage.Title}, {said} {Verb(key, "is", "are")} not marked as a foreign key."
        ) with
        {
            Tag = Tag.Missing,
            There = reversed is null
                ? $"{Phrasing.Capital(said)} {Verb(key, "has", "have")} no mark."
                : $"The mark stands in {reversed.Drawn.Said}.",
            Wanted = $"{Phrasing.Capital(said)} of {table.Drawn.Said} marked as a foreign key.",
            Why = $"Nothing says that only a {said} that is there may stand in {table.Drawn.Said}.",
            Claims = [verdict.Fact.Id],
            ModelElements = [ConceptId.Of(verdict.Fact.ConceptId).Element],
            AnswerElements = [.. table.ElementsOf(key)],
        };
}
