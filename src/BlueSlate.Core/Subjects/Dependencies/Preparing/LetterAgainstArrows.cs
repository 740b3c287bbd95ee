using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>A letter at an arrow of the model answer that is not what the arrow is by its own arrows.</summary>
internal sealed class LetterAgainstArrows : DependencyPreflightKind
{
    public override string Name => "letter-wrong";

    public override int Order => 4;

    public override string Title => "Letters against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one) =>
        from arrow in one.Reading.Dependencies
        where arrow.Letter != DependencyLetter.None
        let real = DependencyLetters.Of(arrow.From, arrow.To, one.Reading.Set)
        where real is not null && real != arrow.Letter
        let what = $"{one.Reading.Say(arrow.From)} {arrow.Verb} {one.Reading.Attributes[arrow.To].Text}"
        let said = $"That {what} is marked as {arrow.Letter.Word()}"
        select Item(
            ConceptId.Of(arrow.Id).Element,
            real == DependencyLetter.None
                ? $"{said}, and is neither partial nor transitive."
                : $"{said}, and is {real.Value.Word()} by the arrows."
        );
}
