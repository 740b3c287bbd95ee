using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Checking.Findings;

internal sealed class DependencyAttributeInvented : DependencyFindingKind
{
    public override string Code => "dependency-attribute-invented";

    public override string Title => "Attribute that nobody gave";

    public override string Help =>
        "The diagram has an attribute that the material has not. Attributes of a diagram are the columns that are given; a number of "
        + "one's own comes in, if at all, when tables are made.";

    public override int Rank => 48;

    public override IEnumerable<Finding> Find(DependencyComparison comparison) =>
        comparison
            .Extras.Where(extra => extra.Kind == DependencyExtras.Attribute)
            .Select(extra =>
            {
                var at = comparison.Drawn.Answer.Attributes.ToList().FindIndex(attribute => attribute.Id == extra.AnswerId);
                var text = Phrasing.InText(extra.Name);
                return new Finding
                {
                    Id = IdFor(extra.AnswerId),
                    Code = Code,
                    Tag = Tag.Extra,
                    Headline = $"Nothing that is given has “{text}”.",
                    There = $"There is a box for {text}.",
                    Wanted = $"The attributes that are given, without {text}.",
                    Why = $"What determines {text}, or what it determines, cannot be seen from what is given.",
                    Extras =
                    [
                        extra.AnswerId,
                        .. comparison
                            .Drawn.Strange.Where(arrow => arrow.To == at || arrow.From.Contains(at))
                            .Select(arrow => arrow.Id),
                    ],
                    AnswerElements = [extra.AnswerId],
                };
            });
}
