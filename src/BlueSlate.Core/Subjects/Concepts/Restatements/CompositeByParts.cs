using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>A composite attribute drawn as its parts alone, each an attribute of its own.</summary>
internal sealed class CompositeByParts : Restatement
{
    /// <summary>The code under which an exercise says what it is worth.</summary>
    public const string StableCode = "composite-by-parts";

    private const int FewestParts = 2;

    public override string Code => StableCode;

    public override string Title => "A composite attribute, as its parts alone";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        for (var owner = 0; owner < leftovers.Model.Count; owner++)
        {
            if (leftovers.AnswerOf(owner) is not (>= 0 and var counterpart))
            {
                continue;
            }

            var drawn = leftovers.Answer.Entities[counterpart].Attributes.Where(leftovers.Attributes.IsFreeAnswer).ToList();
            foreach (
                var composite in leftovers
                    .Model.Entities[owner]
                    .Attributes.Where(attribute =>
                        attribute.Attribute.Leaves.Length >= FewestParts && leftovers.Attributes.IsFree(attribute)
                    )
            )
            {
                var found = PartsAmong(composite, drawn, leftovers.Model.Entities[owner].Name);
                if (found.Count < FewestParts)
                {
                    continue;
                }

                drawn.RemoveAll(attribute => found.Exists(pair => pair.Drawn == attribute));
                var name = Phrasing.InText(composite.Attribute.Name);
                yield return new RestatedMatch(
                    Code,
                    $"{Phrasing.Capital(name)} is drawn as its parts alone: "
                        + $"{Phrasing.List([.. found.Select(pair => Phrasing.InText(pair.Drawn.Attribute.Name))])}.",
                    [composite.Attribute.Id, .. found.Select(pair => pair.PartId)],
                    ImmutableDictionary<string, RestatedCount>.Empty,
                    [.. found.Select(pair => pair.Drawn.Attribute.Id)]
                )
                {
                    FallingShort = [composite.Attribute.Id],
                    Wanted = $"{Phrasing.Capital(Phrasing.One(composite.Attribute.Name))} with its parts.",
                    Why =
                        $"Whoever builds this cannot ask for the {name} of "
                        + $"{Phrasing.One(leftovers.Model.Entities[owner].Entity.Name)} as a whole.",
                };
            }
        }
    }

    private static List<(string PartId, NamedAttribute Drawn)> PartsAmong(
        NamedAttribute composite,
        List<NamedAttribute> drawn,
        Name owner
    )
    {
        var found = new List<(string PartId, NamedAttribute Drawn)>();
        foreach (var part in composite.Attribute.Leaves)
        {
            // "first" of a name may stand alone, or as "first name".
            var (name, withWhole) = (Name.Of(part.Name), Name.Of($"{part.Name} {composite.Attribute.Name}"));
            var best = drawn
                .Where(attribute => !found.Exists(pair => pair.Drawn == attribute))
                .Select(attribute =>
                    (
                        Attribute: attribute,
                        Likeness: Math.Max(
                            NameSimilarity.OfAttributes(name, owner, attribute.Name, owner).Value,
                            NameSimilarity.OfAttributes(withWhole, owner, attribute.Name, owner).Value
                        )
                    )
                )
                .Where(candidate => candidate.Likeness >= AttributeMatcher.Sureness)
                .OrderByDescending(candidate => candidate.Likeness)
                .FirstOrDefault();
            if (best.Attribute is not null)
            {
                found.Add((part.Id, best.Attribute));
            }
        }

        return found;
    }
}
