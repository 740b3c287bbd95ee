using BlueSlate.Core.Judging;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>The words decide a number otherwise than the model answer draws it, or say now this and now that.</summary>
internal sealed class OtherNumbers : ConceptPreflightKind
{
    public override string Name => "other-number";

    public override int Order => 0;

    public override string Title => "Words against the model answer";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        EndNumber
            .Of(one)
            .SelectMany(number =>
                new[]
                {
                    Find(
                        number,
                        number.LeastFact,
                        number.Least,
                        EndNumber.LeastInWords(number.Role.CoOccurrence.Min),
                        evidence => EndNumber.LeastInWords(evidence.Min.Value),
                        one
                    ),
                    Find(
                        number,
                        number.MostFact,
                        number.Most,
                        EndNumber.MostInWords(number.Role.CoOccurrence.Max),
                        evidence => EndNumber.MostInWords(evidence.Max.Value),
                        one
                    ),
                }
            )
            .OfType<PreflightItem>();

    private PreflightItem? Find(
        EndNumber number,
        string fact,
        CountVerdict verdict,
        string drawn,
        Func<CountEvidence, string> inWords,
        ConceptPreflight one
    )
    {
        if (verdict.Says is not (Deciding.Otherwise or Deciding.Contradicted) || !one.IsOpen(fact, number.Role.Id))
        {
            return null;
        }

        var against = verdict.Against[0];
        var contradicts = verdict.Says == Deciding.Contradicted;
        return Item(
            fact,
            contradicts
                ? $"“{against.Place.Quote}” says {inWords(against)}, but “{verdict.For[0].Place.Quote}” says {drawn}."
                : $"“{against.Place.Quote}” says {inWords(against)}; the model answer says {drawn}."
        ) with
        {
            Better = number.Sentence(one),
            Places = contradicts ? [against.Place, verdict.For[0].Place] : [against.Place],
            Elements = [ConceptId.Of(number.Role.Id).Element],
        };
    }
}
