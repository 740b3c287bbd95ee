using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CoverNotMinimal : DependencyFindingKind
{
    public override string Code => "cover-not-minimal";

    public override string Title => "Cover that is not minimal";

    public override string Help =>
        "Something of the cover can be left out without any loss: an arrow that follows from the others, or an attribute in "
        + "front of an arrow that is not needed there.";

    public override int Rank => 36;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CoverFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let cover = drawn.Answer.Listed.Cover!
        let standing = CoverFact.StandingOf(cover, drawn)
        where standing is { Lost.IsEmpty: true, False.IsEmpty: true }
        let spare = standing.Spare.Select(i => CoverFact.Said(cover.Arrows[i], drawn.Answer)).ToList()
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Extra,
            Headline =
                $"The cover is not minimal: {Phrasing.List(spare)} {(spare.Count == 1 ? "says" : "say")} more than is needed.",
            There = $"Minimal cover: {string.Join("; ", cover.Arrows.Select(arrow => CoverFact.Said(arrow, drawn.Answer)))}.",
            Wanted = "The same, without what follows from the rest.",
            Why = $"The rest implies {Phrasing.List(spare)} already.",
            Claims = [verdict.Fact.Id],
            ModelElements = [drawn.Model.Listed.Cover!.Note],
            AnswerElements = [cover.Note],
        };
}
