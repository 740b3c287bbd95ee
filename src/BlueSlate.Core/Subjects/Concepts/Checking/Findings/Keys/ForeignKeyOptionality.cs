using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyOptionality : ConceptFindingKind
{
    public override string Code => "foreign-key-optionality";

    public override string Title => "Foreign key and line contradict each other";

    public override string Help =>
        "Whether a foreign key may be empty and the minimum at the parent's end are one fact, drawn twice: a ring at "
        + "the column goes with minimum zero, no ring with minimum one.";

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var wanted = ForeignReference.ByRelationship(evidence.Comparison.Model.Model);
        var drawn = ForeignReference.Of(evidence.Comparison.Answer.Model);
        var rings = drawn.Any(IsOptional);
        foreach (var reference in drawn)
        {
            var along = evidence.ModelRelationshipOf(reference.Along.Id);
            var model = along is null ? null : wanted.GetValueOrDefault(along.Id);
            var optional = IsOptional(reference);
            if (
                reference.ParentRole.CoOccurrence.Min is not (0 or 1)
                || optional == (reference.ParentRole.CoOccurrence.Min == 0)
                || (
                    model is not null
                    && (
                        model.ParentRole.CoOccurrence.Min != reference.ParentRole.CoOccurrence.Min
                        || IsOptional(model) == optional
                    )
                )
                || (!optional && !rings && model is null)
            )
            {
                continue;
            }

            var (holder, parent) = (Phrasing.InText(reference.Holder.Name), Phrasing.InText(reference.Parent.Name));
            var column = Phrasing.InText(reference.Columns[0].Name);
            yield return new Finding
            {
                Id = IdFor(reference.Columns[0].Id),
                Code = Code,
                Tag = Tag.Differs,
                Headline = optional
                    ? $"{Phrasing.Capital(column)} of {holder} may be empty, though the line wants {Phrasing.One(parent)}."
                    : $"{Phrasing.Capital(column)} of {holder} has to be filled, though the line wants no {parent}.",
                There = optional
                    ? $"A ring at {column}, and a minimum of one at {reference.Parent.Name}."
                    : $"No ring at {column}, and a minimum of zero at {reference.Parent.Name}.",
                Wanted = optional ? $"No ring at {column}." : $"A ring at {column}.",
                Why = optional
                    ? $"Whoever builds the table would let in {Phrasing.One(holder)} without {Phrasing.One(parent)}."
                    : $"Whoever builds the table would turn away {Phrasing.One(holder)} that has no {parent}.",
                ModelElements = model is null ? [] : [.. model.Columns.Select(one => one.Id)],
                AnswerElements = [.. reference.Columns.Select(one => one.Id)],
            };
        }
    }

    private static bool IsOptional(ForeignReference reference) => reference.Columns.Any(column => column.Optional);
}
