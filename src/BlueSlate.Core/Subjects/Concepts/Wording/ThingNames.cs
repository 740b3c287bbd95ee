using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>By which words a scenario names the entity types of a model answer.</summary>
internal sealed class ThingNames
{
    private const double Synonym = 0.85;

    private static readonly FrozenSet<string> Heads = FrozenSet.Create(
        StringComparer.Ordinal,
        "number",
        "code",
        "id",
        "name",
        "date",
        "title",
        "kind",
        "type"
    );

    private readonly List<(ImmutableArray<string> Words, string Thing, string? Role)> names = [];
    private readonly Dictionary<string, string?> synonyms = new(StringComparer.Ordinal);
    private readonly HashSet<string> attributes;
    private readonly ConceptModel model;
    private readonly List<(Name Name, string Id)> things;

    /// <summary>The names that things have, and others that are theirs: what was tied to them, what is accepted for them.</summary>
    public ThingNames(ConceptModel model, IEnumerable<(string Thing, string Name)> others)
    {
        this.model = model;
        things = [.. model.Entities.Where(IsNamed).Select(entity => (Name.Of(entity.Name), entity.Id))];
        names.AddRange(things.Select(thing => (thing.Name.Words, thing.Id, (string?)null)));
        names.AddRange(others.Select(other => (Name.Of(other.Name).Words, other.Thing, (string?)null)));
        names.AddRange(
            from relationship in model.Relationships
            from role in relationship.Roles
            where role.Role.Length > 0
            select (Name.Of(role.Role).Words, role.EntityId, (string?)role.Id)
        );
        names.AddRange(
            from thing in things
            where thing.Name.Words.Length > 1
            let last = thing.Name.Words[^1]
            where things.TrueForAll(other => other.Id == thing.Id || !other.Name.Words.Contains(last))
            select (ImmutableArray.Create(last), thing.Id, (string?)null)
        );
        names.RemoveAll(name => name.Words.IsEmpty);
        names.Sort((a, b) => b.Words.Length.CompareTo(a.Words.Length));
        attributes = model.AllAttributes.Select(attribute => Name.Of(attribute.Name).Key).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>The thing that is named at a place, the longest name first; null when none is.</summary>
    public (int End, string Thing, string? Role)? At(ScenarioSentence sentence, int start)
    {
        foreach (var (words, thing, role) in names)
        {
            var end = start + words.Length;
            if (
                end <= sentence.Forms.Length
                && sentence.Forms.AsSpan()[start..end].SequenceEqual(words.AsSpan())
                && sentence.After.AsSpan()[start..(end - 1)].IndexOfAnyExcept(Pause.None) < 0
            )
            {
                return IsOwner(sentence, start, end) ? null : (end, thing, role);
            }
        }

        return SynonymOf(sentence.Forms[start]) is { } other ? (start + 1, other, null) : null;
    }

    /// <summary>The things that a sentence names, in their order.</summary>
    public IEnumerable<string> In(ScenarioSentence sentence) =>
        Enumerable.Range(0, sentence.Written.Length).Select(i => At(sentence, i)?.Thing).OfType<string>();

    /// <summary>Whether a word is the name of an attribute, or what names of attributes end in.</summary>
    public bool IsAttribute(string form) => attributes.Contains(form) || Heads.Contains(form);

    // A visitor number is no visitor, and a tram museum no tram.
    private bool IsOwner(ScenarioSentence sentence, int start, int end) =>
        end < sentence.Forms.Length
        && sentence.After[end - 1] == Pause.None
        && (
            Heads.Contains(sentence.Forms[end])
            || attributes.Contains(Name.Of(string.Join(' ', sentence.Written[start..(end + 1)])).Key)
            || (!SmallWords.Contain(sentence.Written[end]) && IsOnlyNoun(sentence.Written[end]))
        );

    // A word that the lexicon has not, in whatever form, is the name of something too: a café.
    private static bool IsOnlyNoun(string word) =>
        Lexicon.English.Find(word) is { } known
            ? known is { IsNoun: true, IsVerb: false }
            : Lexicon.English.Find(Inflection.Infinitive(word)) is null
                && Lexicon.English.Find(Inflection.Singular(word)) is null;

    /// <summary>The words of its own name.</summary>
    public ImmutableArray<string> NameOf(string thing) => Name.Of(model.Entity(thing).Name).Words;

    /// <summary>Whether a word says no more than a number, a name or a date.</summary>
    public static bool IsHead(string word) => Heads.Contains(word) || word is "day" or "time" or "text";

    /// <summary>Whether a word is more often the name of something than said of what is done.</summary>
    public static bool IsMostlyNoun(LexicalWord word) =>
        word.IsNoun && word.Senses.Count(sense => sense.Kind == 'v') <= word.Senses.Count(sense => sense.Kind == 'n');

    /// <summary>Whether a word is a verb and nothing else.</summary>
    public static bool IsVerb(string word) =>
        SmallWords.Auxiliaries.Contains(word) || Lexicon.English.Find(word) is { IsVerb: true, IsNoun: false };

    /// <summary>Whether a thing is one of people.</summary>
    public bool IsSomebody(string thing) => Name.Of(model.Entity(thing).Name).Thing == ThingSort.Somebody;

    private string? SynonymOf(string word)
    {
        if (!synonyms.TryGetValue(word, out var found))
        {
            var name = Name.Of(word);
            var alike = things.FindAll(thing => NameSimilarity.Of(name, thing.Name).Value >= Synonym);
            synonyms[word] = found =
                name.Lexical is [{ IsNoun: true, IsVerb: false }] && alike is [var only] && only.Name.Words.Length == 1
                    ? only.Id
                    : null;
        }

        return found;
    }

    private static bool IsNamed(EntityType entity) => entity.Name.Length > 0;
}
