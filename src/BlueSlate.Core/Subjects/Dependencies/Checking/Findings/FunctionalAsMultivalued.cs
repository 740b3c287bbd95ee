using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class FunctionalAsMultivalued : DependencyFindingKind
{
    public override string Code => "functional-as-multivalued";

    public override string Title => "A set of values where there is one";

    public override string Help =>
        "A double arrowhead says that there is a set of values for each determinant; here there is never "
        + "more than one. That is a functional "
        + "dependency, with a single arrowhead.";

    public override int Rank => 21;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from bad in comparison.BadArrows
        where !bad.Arrow.IsMultivalued
        let twofold = comparison.Drawn.Arrows.FirstOrDefault(arrow =>
            arrow.IsMultivalued && arrow.From == bad.Arrow.From && arrow.To == bad.Arrow.To
        )
        where twofold is not null
        let to = comparison.Say(bad.Arrow.To)
        let determinant = comparison.Say(twofold.From)
        select new Finding
        {
            Id = IdFor(bad.Arrow.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(determinant)} {Verb(twofold.From)} one {to}, not a set of them.",
            There =
                $"{Phrasing.Capital(determinant)} {Verb(twofold.From, "multidetermines", "multidetermine")} {to}, with a double arrowhead.",
            Wanted = $"{Phrasing.Capital(determinant)} {Verb(twofold.From)} {to}, with a single arrowhead.",
            Why = $"As drawn, one {determinant} could stand with several {Phrasing.Several(to)}.",
            Claims = [bad.Verdict.Fact.Id],
            Extras = comparison.Extras.Any(extra => extra.AnswerId == twofold.Id) ? [twofold.Id] : [],
            ModelElements = [bad.Arrow.Id],
            AnswerElements = [twofold.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) =>
        DependencyMissing.Rows(comparison, finding);
}
