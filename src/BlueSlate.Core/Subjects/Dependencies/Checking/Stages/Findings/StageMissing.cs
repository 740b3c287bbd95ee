using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Stages.Findings;

internal sealed class StageMissing : StageFindingKind
{
    public override string Code => "stage-missing";

    public override string Title => "Stage missing";

    public override string Help =>
        "A stage that is asked for is not drawn. Every stage has a sheet of its own, begun from the one before, so that everybody can "
        + "see which dependency made a table be split.";

    public override int Rank => 70;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from pair in comparison.Drawn.Stages.Pairs
        where pair.Judged is null
        let title = pair.Plan.Stage.Title
        select new Finding
        {
            Id = IdFor(pair.Plan.Stage.Id),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"The stage {title} is not drawn.",
            There = comparison.Drawn.Answer.Stages.IsEmpty
                ? "No sheet has tables."
                : $"The last stage is {comparison.Drawn.Answer.Stages[^1].Title}.",
            Wanted = $"A sheet {title} with the tables {Listed(pair.Plan.Stage)}.",
            Why = pair.Plan.Wanted is { } form
                ? $"The way to {FormNames.Of(form)} is asked for, and cannot be followed."
                : "What repeats has to be seen before it can be taken apart.",
            Claims =
            [
                .. comparison
                    .AllBad.Where(verdict => verdict.Fact.Kind is StageFactKind && IsOf(verdict.Fact, pair))
                    .Select(verdict => verdict.Fact.Id),
            ],
            ModelElements = [.. pair.Plan.Stage.Tables.Select(table => table.Id)],
        };
}
