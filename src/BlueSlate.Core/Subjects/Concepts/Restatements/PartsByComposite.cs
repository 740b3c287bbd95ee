using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>Attributes drawn as the parts of one composite attribute.</summary>
internal sealed class PartsByComposite : Restatement
{
    private const int FewestParts = 2;

    public override string Code => "parts-by-composite";

    public override string Title => "Single attributes, as the parts of a composite one";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        for (var owner = 0; owner < leftovers.Model.Count; owner++)
        {
            if (leftovers.AnswerOf(owner) is not (>= 0 and var counterpart))
            {
                continue;
            }

            var wanted = leftovers.Model.Entities[owner].Attributes.Where(leftovers.Attributes.IsFree).ToList();
            foreach (
                var composite in leftovers
                    .Answer.Entities[counterpart]
                    .Attributes.Where(attribute =>
                        attribute.Attribute.Leaves.Length >= FewestParts && leftovers.Attributes.IsFreeAnswer(attribute)
                    )
            )
            {
                var found = new List<NamedAttribute>();
                foreach (var part in composite.Attribute.Leaves)
                {
                    var (name, withWhole) = (Name.Of(part.Name), Name.Of($"{part.Name} {composite.Attribute.Name}"));
                    var like = wanted.FirstOrDefault(attribute =>
                        !found.Contains(attribute)
                        && Math.Max(
                            NameSimilarity.Of(name, attribute.Bare).Value,
                            NameSimilarity.Of(withWhole, attribute.Bare).Value
                        ) >= AttributeMatcher.Sureness
                    );
                    if (like is not null)
                    {
                        found.Add(like);
                    }
                }

                if (found.Count >= FewestParts)
                {
                    wanted.RemoveAll(found.Contains);
                    yield return new RestatedMatch(
                        Code,
                        $"{Phrasing.Capital(Phrasing.List([.. found.Select(attribute => Phrasing.InText(attribute.Attribute.Name))]))} "
                            + $"are drawn as parts of {Phrasing.InText(composite.Attribute.Name)}: same meaning.",
                        [.. found.Select(attribute => attribute.Attribute.Id)],
                        ImmutableDictionary<string, RestatedCount>.Empty,
                        [composite.Attribute.Id]
                    );
                }
            }
        }
    }
}
