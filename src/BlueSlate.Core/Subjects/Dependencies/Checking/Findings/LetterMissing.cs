using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class LetterMissing : LetterFindingKind
{
    public override string Code => "letter-missing";

    public override string Title => "Partial or transitive not marked";

    public override string Help =>
        "An arrow that keeps the attributes from a higher form is not marked as such. P stands at an arrow from a proper part of a "
        + "candidate key, T at one from what is neither a key nor a part of one.";

    public override int Rank => 64;

    protected override bool IsOf(LetterJudged letter) => letter.IsMissing;

    protected override Finding About(DependencyComparison comparison, LetterJudged letter) =>
        new()
        {
            Id = IdFor(letter.Wanted.Id),
            Code = Code,
            Tag = Tag.Missing,
            Headline = $"That {letter.From} {letter.Wanted.Verb} {letter.To} is not marked as {letter.Word}.",
            There = $"Nothing stands at the arrow from {letter.From} to {letter.To}.",
            Wanted = $"The letter {letter.Mark} at the arrow from {letter.From} to {letter.To}.",
            Why = letter.Why,
        };
}
