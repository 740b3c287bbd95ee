using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// No words decide a number that the model answer draws. Where nothing limits a number it is many: of that nobody needs to be
/// told.
/// </summary>
internal sealed class UndecidedNumbers : ConceptPreflightKind
{
    public override string Name => "undecided-number";

    public override int Order => 10;

    public override string Title => "Numbers that no words decide";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one) =>
        EndNumber.Of(one).Select(number => Find(number, one)).OfType<PreflightItem>();

    private PreflightItem? Find(EndNumber number, ConceptPreflight one)
    {
        var count = number.Role.CoOccurrence;
        var least = number.Least.Says == Deciding.Open && one.IsOpen(number.LeastFact, number.Role.Id);
        var most =
            number.Most.Says == Deciding.Open
            && one.IsOpen(number.MostFact, number.Role.Id)
            && (count.Max != Count.Many || least);
        if (!least && !most)
        {
            return null;
        }

        var (counted, each) = (number.Counted(one), number.For(one));
        var habit = one.Numbers[number.Role.Id].FirstOrDefault(evidence => evidence.IsHabit);
        var said =
            habit is not null ? $"“{habit.Place.Quote}” tells what is usual, and decides nothing."
            : least && most ? $"Nothing says {number.HowMany(one)}."
            : least ? $"Nothing says whether there may be {Phrasing.One(each)} without {Phrasing.One(counted)}."
            : $"Nothing limits {number.HowMany(one)}.";
        return Item(number.Role.Id, $"{said} The model answer has {EndNumber.InWords(count, counted)}.") with
        {
            Better = number.Sentence(one),
            Places = [.. one.Numbers[number.Role.Id].Select(evidence => evidence.Place).Distinct().Take(2)],
            Elements = [ConceptId.Of(number.Role.Id).Element],
            Accept = least && count.Min is 0 or 1 ? new AcceptedBesides(number.LeastFact, count.Min == 0 ? "1" : "0") : null,
        };
    }
}
