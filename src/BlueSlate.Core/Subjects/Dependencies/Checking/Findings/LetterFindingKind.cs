using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

/// <summary>A letter at an arrow that is not the one which is wanted.</summary>
/// <param name="Verdict">The verdict on it.</param>
/// <param name="Wanted">The arrow of the model answer.</param>
/// <param name="At">The arrow of the answer.</param>
/// <param name="From">What determines, as the answer calls it.</param>
/// <param name="To">What is determined.</param>
internal sealed record LetterJudged(Verdict Verdict, DrawnDependency Wanted, JudgedArrow At, string From, string To)
{
    public DependencyLetter Drawn => At.Letter;

    public bool IsMissing => Drawn == DependencyLetter.None;

    public string Word => Wanted.Letter.Word();

    public string Mark => Wanted.Letter.Mark();

    public string Why =>
        Wanted.Letter == DependencyLetter.Partial
            ? $"{Phrasing.Capital(From)} {Is} only a part of a candidate key, and {To} is in none."
            : $"{Phrasing.Capital(From)} {Is} neither a candidate key nor a part of one, and {Wanted.Verb} {To}.";

    private string Is => Wanted.From.Count == 1 ? "is" : "are";
}

/// <summary>A kind of finding about the letters at arrows.</summary>
internal abstract class LetterFindingKind : DependencyFindingKind
{
    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: DependencyLetterFact, Kind: not VerdictKind.AbsentWithOwner }
        let wanted = comparison.Drawn.ModelArrow(ConceptId.Of(verdict.Fact.ConceptId).Element)
        let at = comparison.Drawn.SameArrow(wanted)
        where at is not null
        let letter = new LetterJudged(verdict, wanted, at, comparison.Say(wanted.From), comparison.Say(wanted.To))
        where IsOf(letter)
        select About(comparison, letter) with
        {
            Claims = [verdict.Fact.Id],
            ModelElements = [ConceptId.Of(wanted.Id).Element],
            AnswerElements = [ConceptId.Of(at.Id).Element],
        };

    protected abstract bool IsOf(LetterJudged letter);

    protected abstract Finding About(DependencyComparison comparison, LetterJudged letter);
}
