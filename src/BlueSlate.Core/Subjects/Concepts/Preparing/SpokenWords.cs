using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Where a scenario speaks of the things and attributes of a model answer.</summary>
internal sealed class SpokenWords
{
    private readonly ConceptPreflight one;
    private readonly List<(int Block, ScenarioSentence Sentence, HashSet<string> Things)> sentences = [];
    private readonly ILookup<string, ImmutableArray<Name>> called;
    private readonly HashSet<string> words;

    public SpokenWords(ConceptPreflight one)
    {
        this.one = one;
        HashSet<string> before = [];
        foreach (var (block, sentence) in one.Sentences)
        {
            var things = one.Names.In(sentence).SelectMany(one.Links.Above).ToHashSet(StringComparer.Ordinal);
            sentences.Add((block, sentence, [.. things, .. before]));
            before = things.Count > 0 ? things : before;
        }

        words = one
            .Sentences.SelectMany(said =>
                said.Sentence.Forms.Concat(said.Sentence.Written.SelectMany(word => Name.Of(word).Words))
            )
            .ToHashSet(StringComparer.Ordinal);
        called = ScenarioNames
            .Of(one.Model, new ScenarioText(string.Join("\n\n", one.Case.Prose.Blocks)))
            .ToLookup(pair => pair.Key, pair => pair.Value, StringComparer.Ordinal);
    }

    /// <summary>Whether the scenario names a thing, its role, or one of its kinds.</summary>
    public bool Names(EntityType entity) =>
        sentences.Exists(said =>
            said.Things.Contains(entity.Id)
            || one.Links.Above(entity.Id).Skip(1).Any(super => NamesBySort(entity.Id, super, said.Sentence))
        )
        || Name.Of(entity.Name).Words.All(IsSaid)
        || one.Printed.PlaceOf(entity.Name) is not null;

    /// <summary>Whether a sentence names a subtype by what tells it from its supertype alone: <c>home-bred</c>.</summary>
    public bool NamesBySort(string kind, string super, ScenarioSentence sentence)
    {
        var above = Name.Of(one.Model.Entity(super).Name).Words;
        var own = Name.Of(one.Model.Entity(kind).Name).Words.RemoveAll(above.Contains);
        var said = sentence.Written.SelectMany(word => Name.Of(word).Words).ToHashSet(StringComparer.Ordinal);
        return !own.IsEmpty && own.All(said.Contains);
    }

    /// <summary>Whether the scenario speaks of an attribute of a thing.</summary>
    public bool Speaks(ConceptAttribute attribute, string owner)
    {
        var thing = one.Model.Entities.FirstOrDefault(entity => entity.Id == owner);
        if (called.Contains(attribute.Id) || one.Printed.PlaceOf(attribute.Name, thing?.Name ?? "") is not null)
        {
            return true;
        }

        var name = Name.Of(attribute.Name);
        var telling = name.Words.Where(word => !ThingNames.IsHead(word)).ToList();
        var own = thing is null ? [] : Name.Of(thing.Name).Words;
        var others = telling.Where(word => !own.Contains(word) && !SmallWords.Contain(word)).ToList();
        if (others.Count == 0 && telling.Exists(SmallWords.Contain))
        {
            // Since, at, until: when it was.
            return sentences.Exists(said => (thing is null || said.Things.Contains(owner)) && Says(said.Sentence, "date"));
        }

        return others.Count > 0
            ? others.Exists(IsSaid)
            : sentences.Exists(said =>
                (thing is null || said.Things.Contains(owner))
                && name.Words.Where(ThingNames.IsHead).All(head => Says(said.Sentence, head))
            );
    }

    /// <summary>The sentences in which a thing is named, or that follow on one.</summary>
    public IEnumerable<(int Block, ScenarioSentence Sentence)> Of(string thing) =>
        sentences.Where(said => said.Things.Contains(thing)).Select(said => (said.Block, said.Sentence));

    private bool IsSaid(string word) =>
        words.Contains(word)
        || (
            Lexicon.English.Find(word) is { } known
            && words.Any(other =>
                DesignWords.Same(word, other)
                || (Lexicon.English.Find(other) is { } said && (known.IsDerivedFrom(said) || known.IsSynonymOf(said)))
            )
        );

    private static bool Says(ScenarioSentence sentence, string head) =>
        sentence.Forms.Any(form =>
            form == head
            || DesignWords.Same(form, head)
            || (head is "number" && form is "count" or "numbered" or "known")
            || (head is "date" or "day" or "time" && form is "date" or "day" or "time" or "when" or "year" or "month")
        );
}
