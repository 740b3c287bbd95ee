using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CoverNotEquivalent : DependencyFindingKind
{
    public override string Code => "cover-not-equivalent";

    public override string Title => "Cover that says something else";

    public override string Help =>
        "A cover must say exactly what the dependencies say: each of them follows from it, and each of its arrows follows from them. Test "
        + "each by a closure.";

    public override int Rank => 35;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CoverFact, Kind: VerdictKind.Wrong }
        let drawn = comparison.Drawn
        let cover = drawn.Answer.Listed.Cover!
        let standing = CoverFact.StandingOf(cover, drawn)
        where standing.Lost.Length + standing.False.Length > 0
        let lost = standing.Lost.Select(one => $"{comparison.Say(one.From)} {Verb(one.From)} {comparison.Say(one.To)}").ToList()
        let more = standing.False.Select(i => CoverFact.Said(cover.Arrows[i], drawn.Answer)).ToList()
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline =
                lost.Count > 0
                    ? $"From the minimal cover it does not follow that {lost[0]}."
                    : $"The minimal cover has {more[0]}, which does not hold.",
            There = $"Minimal cover: {string.Join("; ", cover.Arrows.Select(arrow => CoverFact.Said(arrow, drawn.Answer)))}.",
            Wanted =
                lost.Count > 0
                    ? $"A cover from which it follows that {Phrasing.List(lost)}."
                    : $"A cover without {Phrasing.List(more)}.",
            Why =
                lost.Count > 0
                    ? $"Two rows that keep all of it could agree on {comparison.Say(standing.Lost[0].From)} and differ in "
                        + $"{comparison.Say(standing.Lost[0].To)}."
                    : "It forbids rows that are allowed.",
            Claims = [verdict.Fact.Id],
            ModelElements = [drawn.Model.Listed.Cover!.Note],
            AnswerElements = [cover.Note],
        };
}
