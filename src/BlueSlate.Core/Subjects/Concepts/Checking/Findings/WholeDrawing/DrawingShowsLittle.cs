using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.WholeDrawing;

internal sealed class DrawingShowsLittle : ConceptFindingKind
{
    public override string Code => "drawing-shows-little";

    public override string Title => "Too little drawn to judge its form";

    public override string Help =>
        "Marks for the form of a drawing, such as its notation, are earned only by a drawing that shows a fair part of the exercise.";

    public override int Rank => 0;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var boxes = evidence.Comparison.Answer.Model.Entities.Length;
        var form = evidence
            .Comparison.Verdicts.Where(verdict =>
                verdict.IsBad
                && (boxes == 0 || (verdict.Kind == VerdictKind.Absent && verdict.Fact.ConceptId == Fact.WholeDrawing))
            )
            .Select(verdict => verdict.Fact.Id)
            .ToList();
        if (evidence.Comparison.ShowsLittle && form.Count > 0)
        {
            yield return new Finding
            {
                Id = IdFor(Fact.WholeDrawing),
                Code = Code,
                Tag = Tag.Missing,
                Headline = boxes == 0 ? "No entity is drawn." : "Little of the exercise is drawn.",
                There = boxes == 0 ? "A slate without boxes." : $"{boxes} {(boxes == 1 ? "box" : "boxes")}.",
                Wanted =
                    evidence.Comparison.Model.Model.Entities.Length == 1
                        ? "One entity with its attributes."
                        : $"{evidence.Comparison.Model.Model.Entities.Length} entities with their relationships.",
                Why = "The form of a drawing can be judged only where there is a drawing.",
                Claims = [.. form],
                ModelElements =
                    boxes == 0
                        ?
                        [
                            .. evidence.Comparison.Model.Model.Entities.Select(entity => entity.Id),
                            .. evidence.Comparison.Model.Model.Relationships.Select(relationship => relationship.Id),
                        ]
                        : [],
            };
        }
    }
}
