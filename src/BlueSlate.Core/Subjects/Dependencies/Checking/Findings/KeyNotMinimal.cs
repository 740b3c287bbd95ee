using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class KeyNotMinimal : DependencyFindingKind
{
    public override string Code => "chosen-key-not-minimal";

    public override string Title => "Attribute too many in the key";

    public override string Help =>
        "The underlined attributes determine everything, and so do fewer of them. A candidate key has no "
        + "attribute too many; what has one is "
        + "only a superkey.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict.Fact.Kind is ChosenKeyFact && comparison.Drawn.KeyStanding == KeyStanding.TooLarge
        let drawn = comparison.Drawn
        let marked = drawn.Answer.Key
        let said = drawn.Answer.Say(marked)
        let more = Phrasing.List([.. TooMuch(drawn).Select(i => drawn.Answer.Attributes[i].Text)])
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Differs,
            Headline = $"The key has more than it needs: {more}.",
            There = $"{Phrasing.Capital(said)} {Verb(marked, "is", "are")} underlined.",
            Wanted = $"A smallest set that determines everything, such as {comparison.Say(drawn.Model.Key)}.",
            Why = $"Without {more} the rest of it still determines every attribute.",
            Claims = [verdict.Fact.Id],
            ModelElements = [.. drawn.Model.Key.Select(i => drawn.Model.Attributes[i].Id)],
            AnswerElements = [.. marked.Select(i => drawn.Answer.Attributes[i].Id)],
        };

    // What can go, one after the other, so that the rest stays a superkey.
    private static List<int> TooMuch(DrawnAgainst drawn)
    {
        var known = drawn.Answer.Key.Where(i => drawn.ModelOf(i) is not null).ToList();
        var left = AttributeSet.Of(known.Select(i => drawn.ModelOf(i)!.Value));
        var more = drawn.Answer.Key.Where(i => drawn.ModelOf(i) is null).ToList();
        foreach (var i in known.AsEnumerable().Reverse())
        {
            var less = left - AttributeSet.Of(drawn.ModelOf(i)!.Value);
            if (drawn.Model.Set.Implied.ClosureOf(less) == drawn.Model.Set.All)
            {
                left = less;
                more.Add(i);
            }
        }

        return [.. more.Order()];
    }
}
