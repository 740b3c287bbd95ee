using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Relationships;

internal sealed class IdentifyingWithoutNeed : ConceptFindingKind
{
    public override string Code => "identifying-without-need";

    public override string Title => "Solid line where nothing is identified by it";

    public override string Help =>
        "Where the class uses it, a solid line means identifying. An entity with a key of its own hangs on dashed lines.";

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var solid = evidence
            .Comparison.Bad(FactKinds.Identifying)
            .Where(verdict => verdict is { Kind: VerdictKind.Wrong, Drawn: "identifying" })
            .ToList();
        if (solid.Count == 0)
        {
            yield break;
        }

        var lines = solid.Select(verdict => evidence.Named(evidence.ModelRelationship(verdict.Fact.ConceptId))).ToList();
        yield return new Finding
        {
            Id = IdFor(Fact.WholeDrawing),
            Code = Code,
            Tag = Tag.Notation,
            Headline =
                solid.Count == 1
                    ? $"The solid line of “{lines[0]}” identifies nothing."
                    : $"{solid.Count} solid lines identify nothing.",
            There = $"Solid: {Phrasing.List(lines)}.",
            Wanted = "Dashed lines where the entity has a key of its own.",
            Why = $"Read strictly, “{lines[0]}” would be part of what tells instances apart.",
            Claims = [.. solid.Select(verdict => verdict.Fact.Id)],
            ModelElements = [.. solid.Select(verdict => verdict.Fact.ConceptId)],
            AnswerElements = [.. solid.Select(verdict => verdict.AnswerId!)],
        };
    }
}
