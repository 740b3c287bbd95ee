using System.Collections.Frozen;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking.Findings.Entities;

internal sealed class NamingStandard : ConceptFindingKind
{
    private static readonly FrozenSet<string> OneOfItsKind = new[]
    {
        "news",
        "goods",
        "premises",
        "works",
        "sports",
        "customs",
        "means",
        "headquarters",
        "clothes",
        "glasses",
        "stairs",
        "details",
        "data",
        "media",
    }.ToFrozenSet(StringComparer.Ordinal);

    public override string Code => "naming-standard";

    public override string Title => "Name against the standard";

    public override string Help =>
        "A box stands for one of its kind: its name is in the singular, and all names of boxes are written alike.";

    public override int Rank => 90;

    public override bool IsIndependent => true;

    public override IEnumerable<Finding> Find(Evidence evidence)
    {
        var named = evidence
            .Comparison.Answer.Model.Entities.Where(entity =>
                entity.Name.Length > 0 && !evidence.Comparison.Correspondence.Duplicates.ContainsKey(entity.Id)
            )
            .ToList();

        // An enumeration names all its values at once.
        var plural = named
            .Where(entity =>
                entity.Kind != EntityKind.Enumeration
                && IsPlural(entity.Name)
                && !IsPlural(evidence.ModelOf(entity.Id)?.Name ?? "")
            )
            .ToList();
        var small = named.Where(entity => char.IsLower(entity.Name[0])).ToList();
        var large = named.Where(entity => char.IsUpper(entity.Name[0])).ToList();
        var few = small.Count < large.Count ? small : large;
        var strange = few.Count > 0 && few.Count * 3 <= named.Count ? few : [];
        if (plural.Count > 0)
        {
            yield return Finding(
                plural,
                $"{List(plural)} {(plural.Count == 1 ? "is a plural" : "are plurals")}.",
                $"A name for one: {Name(plural[0])}.",
                $"A box for {Phrasing.InText(plural[0].Name)} reads as if each of them were many."
            );
        }
        else if (strange.Count > 0)
        {
            var initial = few == small ? "small" : "capital";
            yield return Finding(
                strange,
                $"{List(strange)} {(strange.Count == 1 ? "begins" : "begin")} with a {initial} letter, the others do not.",
                "Names of boxes written alike.",
                $"A reader would take {strange[0].Name} for something else than a box like the others."
            );
        }
    }

    private Finding Finding(List<EntityType> entities, string headline, string wanted, string why) =>
        new()
        {
            Id = IdFor(Fact.WholeDrawing),
            Code = Code,
            Tag = Tag.Differs,
            Headline = headline,
            There = $"Boxes named {List(entities)}.",
            Wanted = wanted,
            Why = why,
            AnswerElements = [.. entities.Select(entity => entity.Id)],
        };

    private static string List(List<EntityType> entities) => Phrasing.List([.. entities.Select(entity => entity.Name)]);

    private static string Name(EntityType entity)
    {
        var words = WordSplitter.Split(entity.Name);
        return string.Join(' ', words.Take(words.Count - 1).Append(Inflection.Singular(words[^1])));
    }

    // The word without its ending has to be a noun, and the word not one of those that are used for one thing.
    private static bool IsPlural(string name) =>
        WordSplitter.Split(name) is [.., var last]
        && !OneOfItsKind.Contains(last)
        && Inflection.IsPlural(last)
        && Lexicon.English.Find(Inflection.Singular(last)) is { IsNoun: true };
}
