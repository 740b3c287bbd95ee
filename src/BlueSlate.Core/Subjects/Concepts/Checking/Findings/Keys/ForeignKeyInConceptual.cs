using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Keys;

internal sealed class ForeignKeyInConceptual : ConceptFindingKind
{
    public override string Code => "foreign-key-in-conceptual";

    public override string Title => "Foreign key in a conceptual diagram";

    public override string Help =>
        "At conceptual level the line says who goes with whom. Foreign keys come later, when tables are made of it.";

    public override int Rank => 45;

    public override IEnumerable<Finding> Find(Evidence evidence) =>
        evidence
            .Comparison.Bad(FactKinds.NoForeignKeys)
            .Where(verdict => verdict.Kind == VerdictKind.Wrong)
            .Select(verdict =>
            {
                var columns = evidence
                    .Comparison.Answer.Model.Entities.SelectMany(entity =>
                        entity.Attributes.Select(attribute => (Owner: entity, Attribute: attribute))
                    )
                    .Where(column =>
                        column.Attribute.ForeignKey is not null
                        || evidence.Comparison.Correspondence.InDisguise.Contains(column.Attribute.Id)
                    )
                    .ToList();
                var said = columns.Select(column =>
                    $"{Phrasing.InText(column.Attribute.Name)} of {Phrasing.InText(column.Owner.Name)}"
                );
                return new Finding
                {
                    Id = IdFor(Fact.WholeDrawing),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = "Foreign keys are drawn in a conceptual diagram.",
                    There =
                        $"{Phrasing.Capital(Phrasing.List([.. said]))} "
                        + $"{(columns.Count == 1 ? "is drawn as a foreign key" : "are drawn as foreign keys")}.",
                    Wanted = "The lines alone.",
                    Why =
                        $"The line from {columns[0].Owner.Name} already says what {Phrasing.InText(columns[0].Attribute.Name)} would.",
                    Claims = [verdict.Fact.Id],
                    Extras = [.. columns.Select(column => column.Attribute.Id)],
                    AnswerElements = [.. columns.Select(column => column.Attribute.Id)],
                };
            });
}
