using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyTrivial : DependencyFindingKind
{
    public override string Code => "dependency-trivial";

    public override string Title => "Arrow that says nothing";

    public override string Help =>
        "An attribute is determined by any set that it is in itself. Such an arrow is true of every table and is left away.";

    public override int Rank => 60;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        from arrow in comparison.Drawn.Arrows
        where arrow.IsTrivial
        let to = comparison.Say(arrow.To)
        select new Finding
        {
            Id = IdFor(arrow.Id),
            Code = Code,
            Tag = Tag.Extra,
            Headline = $"That {comparison.Say(arrow.From)} {Verb(arrow.From)} {to} says nothing.",
            There = $"There is an arrow to {to} from a determinant in which it is.",
            Wanted = $"No arrow to {to} from a set in which {to} is.",
            Why = $"Two rows with the same {comparison.Say(arrow.From)} have the same {to} in any table.",
            Extras = [arrow.Id],
            AnswerElements = [arrow.Id],
        };
}
