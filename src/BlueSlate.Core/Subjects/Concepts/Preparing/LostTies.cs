using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Something in the model answer was tied to words that the scenario no longer has.</summary>
internal sealed class LostTies : ConceptPreflightKind
{
    public override string Name => "lost-tie";

    public override int Order => 25;

    public override string Title => "Ties whose words are gone";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        one
            .Drawing.Ties.Where(tie => one.PlaceOf(tie) is null)
            .Select(tie =>
                Item(
                    $"{tie.Element}:{tie.Quote}",
                    $"“{tie.Quote}”, to which this is tied, no longer stands in the scenario."
                ) with
                {
                    Elements = [tie.Element],
                }
            );
}
