using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

/// <summary>A kind of finding about what is listed as a candidate key and is none.</summary>
internal abstract class ListedKeyFindingKind : DependencyFindingKind
{
    public override int Rank => 32;

    /// <summary>What such a key is by the model answer.</summary>
    protected abstract KeyStanding Standing { get; }

    /// <summary>What is said of one, by its names in running text.</summary>
    protected abstract (string Headline, string Why) Say(ListedSet key, string said, DependencyComparison comparison);

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from key in comparison.Drawn.FalseKeys
        where comparison.Drawn.StandingOf(key) == Standing
        let said = Phrasing.List([.. comparison.Drawn.Answer.NamesIn(key).Select(Phrasing.InText)])
        let says = Say(key, said, comparison)
        let id = DependencyComparison.KeyOf(key, comparison.Drawn)
        select new Finding
        {
            Id = IdFor(id),
            Code = Code,
            Tag = Tag.Extra,
            Headline = says.Headline,
            There = $"{Phrasing.Capital(said)} among the candidate keys.",
            Wanted = $"{Phrasing.Capital(said)} not among them: only smallest sets that determine every attribute.",
            Why = says.Why,
            Extras = [id],
            ModelElements = [],
            AnswerElements = [key.Note],
        };
}
