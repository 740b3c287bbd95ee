using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyMismatch : ConceptFindingKind
{
    public override string Code => "foreign-key-mismatch";

    public override string Title => "Foreign key that is not the parent's key";

    public override string Help =>
        "A foreign key holds the parent's key as that is drawn: all of its columns, and no other ones. Whoever changes "
        + "the one has to change the other.";

    public override int Rank => 20;

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var wanted = ForeignReference.ByRelationship(evidence.Comparison.Model.Model);
        var named = new HashSet<string>(StringComparer.Ordinal);
        foreach (var reference in ForeignReference.Of(evidence.Comparison.Answer.Model))
        {
            var model = evidence.ModelRelationshipOf(reference.Along.Id) is { } along ? wanted.GetValueOrDefault(along.Id) : null;
            if (reference.Fit is ReferenceFit.Whole or ReferenceFit.Unsaid || model?.Fit == reference.Fit)
            {
                continue;
            }

            var (holder, parent) = (reference.Holder.Name, reference.Parent.Name);
            var columns = Phrasing.List([.. reference.Columns.Select(column => Phrasing.InText(column.Name))]);
            var key = Phrasing.List([.. reference.KeyNames.Select(Phrasing.InText)]);
            var (headline, why) = reference.Fit switch
            {
                ReferenceFit.Part => (
                    $"{Phrasing.Capital(columns)} of {Phrasing.InText(holder)} is only part of the key of {parent}.",
                    $"Several {Phrasing.Several(parent)} can have the same {columns}, and nothing would say which of "
                        + $"them {Phrasing.One(holder)} goes with."
                ),
                ReferenceFit.More => (
                    $"{Phrasing.Capital(columns)} of {Phrasing.InText(holder)} are more than the key of {parent}.",
                    $"What is kept twice would have to be changed at every {Phrasing.InText(holder)} when it changes at "
                        + $"its {Phrasing.InText(parent)}."
                ),
                _ => (
                    $"{Phrasing.Capital(columns)} of {Phrasing.InText(holder)} does not refer to the key of {parent}.",
                    $"Two {Phrasing.Several(parent)} with the same {Phrasing.InText(reference.OtherColumn!.Name)} could "
                        + $"not be told apart from {Phrasing.One(holder)}."
                ),
            };
            var columnsOfModel = model
                ?.Columns.Select(column => column.Id)
                .OrderByDescending(id => evidence.Comparison.On(FactKinds.ForeignKey, id) is { IsBad: true })
                .ToList()
                ?? [];
            var parentOfModel = model is null ? null : evidence.Comparison.On(FactKinds.Key, model.Parent.Id);
            yield return new Finding
            {
                Id = IdFor((reference.Columns.FirstOrDefault(column => named.Add(column.Id)) ?? reference.Columns[0]).Id),
                Code = Code,
                Tag = Tag.Differs,
                Headline = headline,
                There = $"{Phrasing.Capital(columns)}, marked FK.",
                Wanted = $"{Phrasing.Capital(key)}, marked FK: the whole key of {parent} as it is drawn.",
                Why = why,
                Claims =
                [
                    .. evidence
                        .BadFactsOf(columnsOfModel)
                        .Where(id => id.StartsWith(FactKinds.ForeignKey.IdOf(""), StringComparison.Ordinal)),
                ],
                ModelElements = [.. columnsOfModel],
                AnswerElements = [.. reference.Columns.Select(column => column.Id)],
                ConsequenceOf = parentOfModel is { IsBad: true, Kind: VerdictKind.Wrong }
                    ? $"{CodeOfKey(parentOfModel)}:{parentOfModel.Fact.ConceptId}"
                    : null,
            };
        }
    }

    private static string CodeOfKey(Verdict key) =>
        !key.PartlyRight ? "key-wrong"
        : key.ByOwnNumber ? "key-by-own-number"
        : "key-not-minimal";
}
