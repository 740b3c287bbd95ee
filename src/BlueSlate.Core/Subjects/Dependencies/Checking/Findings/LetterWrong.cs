using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class LetterWrong : LetterFindingKind
{
    public override string Code => "letter-wrong";

    public override string Title => "Partial and transitive mistaken";

    public override string Help =>
        "An arrow from a proper part of a candidate key is partial, whichever key was chosen; one from what is neither a key nor a part of "
        + "one is transitive. Here the one is taken for the other.";

    public override int Rank => 62;

    protected override bool IsOf(LetterJudged letter) => !letter.IsMissing;

    protected override Finding About(DependencyComparison comparison, LetterJudged letter) =>
        new()
        {
            Id = IdFor(letter.Wanted.Id),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"That {letter.From} {letter.Wanted.Verb} {letter.To} is {letter.Word}, not {letter.Drawn.Word()}.",
            There = $"The letter {letter.Drawn.Mark()} at the arrow from {letter.From} to {letter.To}.",
            Wanted = $"The letter {letter.Mark} at the arrow from {letter.From} to {letter.To}.",
            Why = letter.Why,
        };
}
