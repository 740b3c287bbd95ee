using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What a scenario calls the attributes of a model answer. A sentence that lists what a thing has is laid beside its
/// attributes: what is alike by name first, then what alone holds values of one sort, and of the items between these the only
/// one that is left is what the only attribute that is left is called.
/// </summary>
internal static class ScenarioNames
{
    private const double Alike = AttributeMatcher.Sureness;

    // How many attributes of a list have to be known by name for it to be the list of a thing.
    private const int Enough = 2;

    /// <summary>Attribute → what the scenario calls it besides its own name.</summary>
    public static FrozenDictionary<string, ImmutableArray<Name>> Of(ConceptModel model, ScenarioText scenario)
    {
        if (scenario.Sentences.IsEmpty)
        {
            return FrozenDictionary<string, ImmutableArray<Name>>.Empty;
        }

        var things = model.Entities.Select(entity => Name.Of(entity.Name).Key).ToHashSet(StringComparer.Ordinal);
        return model
            .Entities.SelectMany(entity => Of(entity, things, scenario))
            .ToFrozenDictionary(called => called.AttributeId, called => called.Names, StringComparer.Ordinal);
    }

    private static IEnumerable<(string AttributeId, ImmutableArray<Name> Names)> Of(
        EntityType entity,
        HashSet<string> things,
        ScenarioText scenario
    )
    {
        var name = Name.Of(entity.Name);
        List<NamedAttribute> attributes =
        [
            .. entity
                .Attributes.Where(attribute => attribute.ForeignKey is null && attribute.Name.Length > 0)
                .Select(attribute => NamedAttribute.Of(attribute, name, false, ExerciseWords.None))
                .OrderBy(attribute => attribute.Name.Key, StringComparer.Ordinal),
        ];
        var best = scenario
            .Sentences.SelectMany(sentence => sentence.Find(name.Words).Select(end => Listing.From(sentence, end)))
            .Select(items => new ListBeside(attributes, items, things))
            .MaxBy(list => list.Value);
        return best is not null && best.Anchors >= Math.Min(Enough, attributes.Count) ? best.Names() : [];
    }

    /// <summary>A list beside the attributes that it may be of.</summary>
    private sealed class ListBeside
    {
        private readonly List<NamedAttribute> attributes;
        private readonly List<ImmutableArray<Name>> items;
        private readonly Dictionary<int, int> itemOf = [];

        public ListBeside(List<NamedAttribute> attributes, ImmutableArray<ListedItem> items, HashSet<string> things)
        {
            this.attributes = attributes;
            this.items = [.. items.Select(item => item.Readings().Where(name => !things.Contains(name.Key)).ToImmutableArray())];
            AnchorByName();
            Anchors = itemOf.Count;
            if (Anchors > 0)
            {
                FillBetween();
            }
        }

        /// <summary>How alike those are that are alike by name, all together.</summary>
        public double Value { get; private set; }

        /// <summary>How many attributes are known by name.</summary>
        public int Anchors { get; }

        /// <summary>What the list calls them, but for their own names.</summary>
        public IEnumerable<(string AttributeId, ImmutableArray<Name> Names)> Names()
        {
            var own = attributes
                .SelectMany(attribute => new[] { attribute.Name.Key, attribute.Bare.Key })
                .ToHashSet(StringComparer.Ordinal);
            return itemOf
                .Select(pair => (attributes[pair.Key].Attribute.Id, items[pair.Value].RemoveAll(name => own.Contains(name.Key))))
                .Where(called => !called.Item2.IsEmpty);
        }

        private void AnchorByName()
        {
            var candidates =
                from attribute in Enumerable.Range(0, attributes.Count)
                from item in Enumerable.Range(0, items.Count)
                let value = LikenessOf(attributes[attribute], items[item])
                where value >= Alike
                orderby value descending, item, attribute
                select (attribute, item, value);
            foreach (var (attribute, item, value) in candidates)
            {
                if (!itemOf.ContainsValue(item) && itemOf.TryAdd(attribute, item))
                {
                    Value += value;
                }
            }
        }

        // Between the first and the last of those that are known; the one with which the list ends belongs to it.
        private void FillBetween()
        {
            var (first, last) = (itemOf.Values.Min(), itemOf.Values.Max());
            Fill(first, last);
            if (last + 2 == items.Count)
            {
                Fill(last + 1, last + 1);
            }
        }

        private void Fill(int first, int last)
        {
            var free = Enumerable
                .Range(first, last - first + 1)
                .Where(item => !itemOf.ContainsValue(item) && items[item].Length > 0)
                .ToList();
            var left = Enumerable.Range(0, attributes.Count).Where(attribute => !itemOf.ContainsKey(attribute)).ToList();
            foreach (var sort in left.Select(attribute => attributes[attribute].Sort).Distinct().ToList())
            {
                if (sort != ValueSort.Unsaid)
                {
                    PairOnlyOnes(
                        left.FindAll(attribute => attributes[attribute].Sort == sort),
                        free.FindAll(item => items[item][0].Sort == sort)
                    );
                }
            }

            PairOnlyOnes(
                left.FindAll(attribute => !itemOf.ContainsKey(attribute)),
                free.FindAll(item => !itemOf.ContainsValue(item))
            );
        }

        private void PairOnlyOnes(List<int> ofAttributes, List<int> ofItems)
        {
            if (ofAttributes is [var attribute] && ofItems is [var item])
            {
                itemOf.Add(attribute, item);
            }
        }

        private static double LikenessOf(NamedAttribute attribute, ImmutableArray<Name> readings) =>
            readings
                .Select(reading => NameSimilarity.OfBare(attribute.Name, attribute.Bare, reading, reading).Value)
                .DefaultIfEmpty(0)
                .Max();
    }
}
