using System.Collections.Frozen;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// A greatest number of something that comes and goes (who has a book out, who rents a locker) of which the words do not say
/// whether it is meant at any one time, or ever.
/// </summary>
internal sealed class NowOrEver : ConceptPreflightKind
{
    // What is so for a while, and then is not.
    private static readonly FrozenSet<string> ComesAndGoes = FrozenSet.Create(
        StringComparer.Ordinal,
        "borrow",
        "lend",
        "rent",
        "hire",
        "lease",
        "wear",
        "occupy",
        "park",
        "drive"
    );

    private static readonly FrozenSet<string> OfTime = FrozenSet.Create(
        StringComparer.Ordinal,
        "time",
        "once",
        "now",
        "ever",
        "never",
        "current",
        "currently",
        "present",
        "moment",
        "history",
        "always",
        "later",
        "after",
        "earlier",
        "out"
    );

    public override string Name => "now-or-ever";

    public override int Order => 13;

    public override string Title => "At any one time, or ever";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        from number in EndNumber.Of(one)
        where number.Role.CoOccurrence.Max == 1 && one.IsOpen(number.MostFact, number.Role.Id)
        where Link.VerbsOf(number.Relationship).Any(ComesAndGoes.Contains)
        let places = number.Most.For.Select(evidence => evidence.Place).Distinct().ToList()
        where places.Count > 0 && !places.Exists(place => SaysWhen(one, place.Block))
        select Item(
            number.Role.Id,
            $"“{places[0].Quote}”: at any one time, or ever? The model answer keeps at most one {Phrasing.InText(number.Counted(one))} "
                + $"for {Phrasing.One(number.For(one))}."
        ) with
        {
            Better = $"{number.Sentence(one).TrimEnd('.')} at any one time.",
            Places = [places[0]],
            Elements = [ConceptId.Of(number.Role.Id).Element],
            Accept = new AcceptedBesides(number.MostFact, Count.Spell(Count.Many)),
        };

    private static bool SaysWhen(ConceptPreflight one, int block) =>
        one.Sentences.Any(said => said.Block == block && said.Sentence.Written.Any(OfTime.Contains));
}
