using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class KeyUnmarked : DependencyFindingKind
{
    public override string Code => "chosen-key-unmarked";

    public override string Title => "No key marked";

    public override string Help =>
        "No attribute is underlined. A candidate key is a smallest set of attributes from which, arrow by arrow, all others are reached; "
        + "underline those of the one that is chosen.";

    public override int Rank => 30;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from verdict in comparison.AllBad
        where verdict.Fact.Kind is ChosenKeyFact && comparison.Drawn.KeyStanding == KeyStanding.None
        let key = comparison.Drawn.Model.Key
        select new Finding
        {
            Id = IdFor(verdict.Fact.ConceptId),
            Code = Code,
            Tag = Tag.Missing,
            Headline = "No key is marked.",
            There = "No attribute is underlined.",
            Wanted = $"{Phrasing.Capital(comparison.Say(key))} underlined.",
            Why = "Without a key nobody can tell which dependencies are partial or transitive.",
            Claims = [verdict.Fact.Id],
            ModelElements = [.. key.Select(i => comparison.Drawn.Model.Attributes[i].Id)],
            AnswerElements = [.. ElementsOf(comparison, key)],
        };
}
