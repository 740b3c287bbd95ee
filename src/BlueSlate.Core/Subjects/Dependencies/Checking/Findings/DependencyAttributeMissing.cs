using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyAttributeMissing : DependencyFindingKind
{
    public override string Code => "dependency-attribute-missing";

    public override string Title => "Attribute not laid out";

    public override string Help =>
        "A column or value of the material has no box in the diagram, so nothing can be said of what determines it. Lay out every column "
        + "first, then draw arrows.";

    public override int Rank => 10;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        comparison
            .AllBad.Where(verdict => verdict.Fact.Kind is DependencyAttributeFact)
            .Select(verdict =>
            {
                var text = Phrasing.InText(verdict.Fact.Value);
                return new Finding
                {
                    Id = IdFor(verdict.Fact.ConceptId),
                    Code = Code,
                    Tag = Tag.Missing,
                    Headline = $"The attribute “{text}” is not laid out.",
                    There = $"No box stands for {text}.",
                    Wanted = $"A box for {text} as well.",
                    Why = $"Without it the diagram says nothing of what determines {text}.",
                    Claims =
                    [
                        verdict.Fact.Id,
                        .. comparison
                            .AllBad.Where(other => other.OwnerId == verdict.Fact.ConceptId)
                            .Select(other => other.Fact.Id),
                    ],
                    ModelElements = [verdict.Fact.ConceptId],
                };
            });
}
