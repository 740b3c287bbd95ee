using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.WholeDrawing;

internal sealed class FormRuleBroken : ConceptFindingKind
{
    public override string Code => "form-rule-broken";

    public override string Title => "A rule for the whole drawing not kept";

    public override string Help =>
        "A line of the marking scheme is about the drawing as a whole: every relationship named, every end complete, "
        + "or nothing of some sort drawn. One place is enough to break it.";

    public override int Rank => 95;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Verdicts.Where(verdict =>
                verdict is { Fact.Kind.IsOnRequest: true, Kind: VerdictKind.Wrong, AnswerId: not null }
            )
            .Select(verdict => new Finding
            {
                Id = IdFor(verdict.Fact.Id),
                Code = Code,
                Tag = Tag.Differs,
                Headline = $"Not so in the whole drawing: {verdict.Fact.Title}.",
                There = "Somewhere it is otherwise.",
                Wanted = $"{Language.Phrasing.Capital(verdict.Fact.Title)}.",
                Why = "A line of the marking scheme asks for it.",
                Claims = [verdict.Fact.Id],
                AnswerElements = [verdict.AnswerId!],
            });
}
