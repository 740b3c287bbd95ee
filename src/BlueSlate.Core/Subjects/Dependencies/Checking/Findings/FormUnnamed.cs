using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class FormUnnamed : DependencyFindingKind
{
    public override string Code => "form-unnamed";

    public override string Title => "Normal form not named";

    public override string Help =>
        "Before a table is split, one says in which normal form it is: the highest that it is in, by all its candidate keys. What keeps it "
        + "from the next is what is split off first.";

    public override int Rank => 37;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: ClaimedFormFact, Kind: VerdictKind.Absent }
        let model = comparison.Drawn.Model
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = "No note says in which normal form the attributes are as one table.",
            There = "No form is named.",
            Wanted = $"A note: “Normal form: {verdict.Fact.Value}”.",
            Why = FormMistaken.WhyNoHigher(comparison),
            Claims = [verdict.Fact.Id],
            ModelElements = [model.Listed.Claimed!.Note],
            AnswerElements = [.. comparison.Drawn.Answer.LaidOut.Take(1).Select(attribute => attribute.Id)],
        };
}
