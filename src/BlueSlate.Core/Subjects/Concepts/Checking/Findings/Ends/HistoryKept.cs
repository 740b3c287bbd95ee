using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Ends;

internal sealed class HistoryKept : ConceptFindingKind
{
    public override string Code => "history-kept";

    public override string Title => "A history that the scenario may not ask for";

    public override string Help =>
        "Who goes with whom now has one value; who went with whom at what time has many. Both can be right: it is a "
        + "question, and costs no marks.";

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence.Comparison.Histories.Select(history =>
        {
            var end = evidence.Wording(history.RoleId);
            var times = Phrasing.List([
                .. history.Times.Select(id => Phrasing.InText(evidence.AnswerAttribute(id).Attribute.Name)),
            ]);
            return new Finding
            {
                Id = IdFor(history.RoleId),
                Code = Code,
                Tag = Tag.Differs,
                Headline = $"Does the scenario ask for former {Phrasing.Several(end.Here)} of {end.OneOther}?",
                There = $"With {times}, every {Phrasing.InText(end.Here)} of {end.OneOther} stays on record, the past ones too.",
                Wanted = $"The {Phrasing.InText(end.Here)} of now is enough; nothing is wrong with keeping more.",
                Why = $"Whoever builds this would write down {times} with each change of {Phrasing.InText(end.Here)}.",
                ModelElements = [history.RelationshipId],
                AnswerElements = [history.HolderId, .. history.Times],
            };
        });
}
