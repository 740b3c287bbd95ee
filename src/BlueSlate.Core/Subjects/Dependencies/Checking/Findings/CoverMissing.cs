using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class CoverMissing : DependencyFindingKind
{
    public override string Code => "cover-missing";

    public override string Title => "Minimal cover not given";

    public override string Help =>
        "A minimal cover says the same as all dependencies together, with one attribute behind each arrow, nothing too much in "
        + "front of one, and no arrow that follows from the others. There can be several; any is right.";

    public override int Rank => 35;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: CoverFact, Kind: VerdictKind.Absent }
        let model = comparison.Drawn.Model
        let cover = MinimalCover.Of(model.Set.Functional)
        let said = cover.Select(arrow =>
            $"{string.Join(", ", arrow.From.Select(comparison.Say))} -> {string.Join(", ", arrow.To.Select(comparison.Say))}"
        )
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = "No minimal cover is given.",
            There = "No note gives one.",
            Wanted = $"A note such as “Minimal cover: {string.Join("; ", said)}”.",
            Why = "Tables that lose no dependency are made from a minimal cover.",
            Claims = [verdict.Fact.Id],
            ModelElements = [model.Listed.Cover!.Note],
            AnswerElements = [.. comparison.Drawn.Answer.LaidOut.Take(1).Select(attribute => attribute.Id)],
        };
}
