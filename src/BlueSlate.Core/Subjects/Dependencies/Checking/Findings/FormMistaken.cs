using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class FormMistaken : DependencyFindingKind
{
    public override string Code => "form-mistaken";

    public override string Title => "Wrong normal form named";

    public override string Help =>
        "The form that is named is not the highest in which the attributes are as one table. Take the candidate keys, then ask of every "
        + "arrow what is in front of it: a part of a key, something that is no key at all, or a key.";

    public override int Rank => 37;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict is { Fact.Kind: ClaimedFormFact, Kind: VerdictKind.Wrong }
        let claimed = comparison.Drawn.Answer.Listed.Claimed!
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"As one table the attributes are in {verdict.Fact.Value}, not in {FormNames.Short(claimed.Form)}.",
            There = $"Normal form: {FormNames.Short(claimed.Form)}.",
            Wanted = $"Normal form: {verdict.Fact.Value}.",
            Why = WhyNoHigher(comparison),
            Claims = [verdict.Fact.Id],
            ModelElements = [comparison.Drawn.Model.Listed.Claimed!.Note],
            AnswerElements = [claimed.Note],
        };

    /// <summary>What keeps the attributes as one table from the next form.</summary>
    public static string WhyNoHigher(DependencyComparison comparison)
    {
        var set = comparison.Drawn.Model.Set;
        if (NormalForms.Of(set.All, set) is not { Against: { } against } verdict)
        {
            return "In front of every arrow stands a key.";
        }

        var from = Phrasing.Capital(comparison.Say(against.From));
        var isOrAre = Verb(against.From, "is", "are");
        var verb = verdict.Multivalued ? Verb(against.From, "multidetermines", "multidetermine") : Verb(against.From);
        var what = verdict.Form == NormalForm.First ? $"{isOrAre} only a part of a candidate key" : $"{isOrAre} no key";
        return $"{from} {verb} {comparison.Say(against.To)} and {what}.";
    }
}
