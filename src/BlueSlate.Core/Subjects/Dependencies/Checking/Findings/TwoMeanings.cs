using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class TwoMeanings : DependencyFindingKind
{
    public override string Code => "two-meanings";

    public override string Title => "Two meanings under one name";

    public override string Help =>
        "One box stands for two things that are called alike and depend on different things: a price in the list and the price that was "
        + "charged, a visitor’s town and the town of an event. Give each a name of its own, and an arrow of its own.";

    public override int Rank => 8;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: DependencyAttributeFact, Kind: VerdictKind.Absent }
        let hidden = comparison.Drawn.ModelIndex(verdict.Fact.ConceptId)
        let both = Of(hidden, comparison)
        where both is not null
        let arrow = both.Value.Foreign
        let shown = arrow.To
        let name = comparison.Say(shown)
        let one = comparison.Drawn.Model.Attributes[shown].Text
        let other = Phrasing.InText(verdict.Fact.Value)
        let ownFrom = comparison.Say(both.Value.Own.From)
        let otherFrom = comparison.Say(arrow.From)
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"“{name}” stands for two things, {one} and {other}.",
            There = $"Arrows to {name} from {ownFrom} and from {otherFrom}.",
            Wanted =
                $"Two boxes: {one}, which {ownFrom} {Verb(both.Value.Own.From)}, and {other}, which {otherFrom} {Verb(arrow.From)}.",
            Why = $"{Phrasing.Capital(one)} and {other} can differ; under one name, one of them is lost.",
            Claims =
            [
                verdict.Fact.Id,
                .. comparison.AllBad.Where(bad => bad.OwnerId == verdict.Fact.ConceptId).Select(bad => bad.Fact.Id),
                .. comparison.BadArrows.Where(bad => bad.Arrow.To == shown).Select(bad => bad.Verdict.Fact.Id),
            ],
            Extras = [arrow.Id, .. Meaning(hidden, shown, comparison.Drawn)],
            ModelElements = [verdict.Fact.ConceptId],
            AnswerElements = [comparison.Drawn.AnswerTo(shown)!.Id, arrow.Id],
        };

    // An arrow from what determines the hidden one, to something called alike that has its own arrow besides.
    private static (JudgedArrow Foreign, JudgedArrow Own)? Of(int hidden, DependencyComparison comparison)
    {
        var drawn = comparison.Drawn;
        var determinants = drawn
            .Model.Dependencies.Where(wanted => wanted.To == hidden)
            .Select(wanted => wanted.From)
            .ToHashSet();
        foreach (var foreign in drawn.Arrows.Where(arrow => arrow is { IsMultivalued: false, IsTrivial: false }))
        {
            bool IsOf(JudgedArrow arrow) =>
                drawn.Model.Dependencies.Any(wanted => wanted.From == arrow.From && wanted.To == arrow.To);
            var own = drawn.Arrows.FirstOrDefault(arrow => arrow.To == foreign.To && arrow != foreign && IsOf(arrow));
            if (
                own is not null
                && determinants.Contains(foreign.From)
                && !IsOf(foreign)
                && AreCalledAlike(hidden, foreign.To, drawn)
            )
            {
                return (foreign, own);
            }
        }

        return null;
    }

    // Arrows that hold of the hidden one.
    private static IEnumerable<string> Meaning(int hidden, int shown, DrawnAgainst drawn) =>
        from arrow in drawn.Arrows
        where !arrow.IsSound && arrow.From.Contains(shown)
        let meant = (arrow.From - AttributeSet.Of(shown)) | AttributeSet.Of(hidden)
        where drawn.Model.Set.Implied.ClosureOf(meant).Contains(arrow.To)
        select arrow.Id;

    private static bool AreCalledAlike(int one, int other, DrawnAgainst drawn) =>
        drawn.Model.Attributes[one].Name.Words.Intersect(drawn.Model.Attributes[other].Name.Words, StringComparer.Ordinal).Any();
}
