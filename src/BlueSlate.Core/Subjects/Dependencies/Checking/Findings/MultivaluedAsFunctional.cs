using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class MultivaluedAsFunctional : DependencyFindingKind
{
    public override string Code => "multivalued-as-functional";

    public override string Title => "One value where a set of values depends";

    public override string Help =>
        "A single arrowhead says that there is one value for each determinant; here there is a set of them, "
        + "independent of the rest. That is "
        + "a multivalued dependency, with a double arrowhead.";

    public override int Rank => 21;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from wanted in comparison.Drawn.Model.Dependencies
        where wanted.IsMultivalued
        let single = comparison.Drawn.Arrows.FirstOrDefault(arrow =>
            !arrow.IsMultivalued && arrow.From == wanted.From && arrow.To == wanted.To
        )
        where single is { IsSound: false }
        let to = comparison.Say(wanted.To)
        let several = Phrasing.Several(to)
        let determinant = comparison.Say(single.From)
        select new Finding
        {
            Id = IdFor(wanted.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"{Phrasing.Capital(determinant)} {Verb(single.From)} a set of {several}, not one.",
            There = $"{Phrasing.Capital(determinant)} {Verb(single.From)} {to}, with a single arrowhead.",
            Wanted =
                $"{Phrasing.Capital(determinant)} {Verb(single.From, "multidetermines", "multidetermine")} {to}, with a double arrowhead.",
            Why = $"One {determinant} may stand with several {several}.",
            Claims = [.. comparison.BadArrows.Where(bad => bad.Arrow.Id == wanted.Id).Select(bad => bad.Verdict.Fact.Id)],
            Extras = [single.Id],
            ModelElements = [wanted.Id],
            AnswerElements = [single.Id],
        };

    public override Example? Show(DependencyComparison comparison, Finding finding) => NotImplied.Rows(comparison, finding);
}
