using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>What the model answer lists as candidate keys or prime attributes is not what its own arrows make them.</summary>
internal sealed class ListingAgainstArrows : DependencyPreflightKind
{
    public override string Name => "listing-wrong";

    public override int Order => 4;

    public override string Title => "What is listed against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var (reading, listed) = (one.Reading, one.Reading.Listed);
        var set = reading.Set;
        if (
            (listed.Keys.IsEmpty && listed.Primes is null)
            || !set.Multivalued.IsEmpty
            || CandidateKeys.Of(set.All, MinimalCover.Of(set.Functional)) is not { Complete: true } keys
        )
        {
            yield break;
        }

        string Say(AttributeSet attributes) => $"{{{string.Join(", ", attributes.Select(i => reading.Attributes[i].Text))}}}";
        var drawn = listed.Keys.Select(key => key.Attributes).ToList();
        if (drawn.Count > 0 && (!keys.Keys.ToHashSet().SetEquals(drawn) || listed.Keys.Any(key => !key.Strange.IsEmpty)))
        {
            yield return Item(
                listed.Keys[0].Note,
                $"By the arrows, the candidate keys are {Phrasing.List([.. keys.Keys.Select(Say)])}."
            ) with
            {
                Elements = [listed.Keys[0].Note],
            };
        }

        if (listed.Primes is { } primes && (primes.Attributes != keys.Prime || !primes.Strange.IsEmpty))
        {
            yield return Item(primes.Note, $"By the arrows, the prime attributes are {Say(keys.Prime)}.") with
            {
                Elements = [primes.Note],
            };
        }
    }
}
