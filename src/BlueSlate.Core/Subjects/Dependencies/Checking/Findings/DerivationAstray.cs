using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DerivationAstray : DependencyFindingKind
{
    public override string Code => "derivation-step-wrong";

    public override string Title => "Step that does not follow";

    public override string Help =>
        "A step of a derivation is neither given nor follows by one rule from the steps before it. The rules: a set determines its "
        + "parts; what is added in front may be added behind; what determines something determines what that determines; two things "
        + "determined by the same are determined together.";

    public override int Rank => 38;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: DerivationFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let given = DerivationFact.GivenFor(verdict.Fact, drawn)!
        let standing = DerivationFact.StandingOf(given, drawn)
        where standing.Astray.Count > 0
        let at = standing.Astray[0]
        let step = CoverFact.Said(given.Steps[at], drawn.Answer)
        let before = Phrasing.List([.. given.Steps.Take(at).Select(one => CoverFact.Said(one, drawn.Answer))])
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"In the derivation of {verdict.Fact.Value}, {step} does not follow.",
            There = $"Step {at + 1} is {step}.",
            Wanted = "An arrow, or what follows by one rule from the steps that are written before it.",
            Why =
                before.Length == 0
                    ? $"No arrow says {step}, and no step stands before it."
                    : $"It is no arrow, and does not follow from {before}.",
            Claims = [verdict.Fact.Id],
            ModelElements = [DerivationFact.WantedBy(verdict.Fact, drawn.Model).Note],
            AnswerElements = [given.Note],
        };
}
