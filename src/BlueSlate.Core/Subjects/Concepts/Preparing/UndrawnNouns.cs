using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// The scenario lists something that a thing has, beside what the model answer draws of it, and the model answer has it nowhere.
/// </summary>
internal sealed class UndrawnNouns : ConceptPreflightKind
{
    private const double Alike = 0.55;
    private const double Surely = 0.85;

    public override string Name => "undrawn";

    public override int Order => 21;

    public override string Title => "What the model answer lacks";

    public override IEnumerable<PreflightItem> Find(ConceptPreflight one)
    {
        List<Name> drawn = [.. Drawn(one.Model)];
        foreach (var (block, sentence) in one.Sentences)
        {
            for (var i = 0; i < sentence.Written.Length; i++)
            {
                if (one.Names.At(sentence, i) is var (end, thing, _))
                {
                    foreach (var item in Undrawn(one, sentence, end, thing, drawn))
                    {
                        yield return Say(one, block, sentence, item, thing);
                    }
                }
            }
        }
    }

    // The items of a list that nothing drawn is called like; of a list of which something is drawn at the thing. Each item is
    // one of its attributes.
    private static IEnumerable<ListedItem> Undrawn(
        ConceptPreflight one,
        ScenarioSentence sentence,
        int end,
        string thing,
        List<Name> drawn
    )
    {
        var listed = Listing
            .From(sentence, end)
            .Where(item =>
                IsNoun(item) && !IsBracketed(sentence, end, item) && !IsDone(sentence, item) && !HoldsThing(one, sentence, item)
            )
            .ToList();
        var own = one
            .Links.Above(thing)
            .SelectMany(id => one.Model.Entity(id).Attributes)
            .SelectMany(attribute => attribute.Parts.Select(part => part.Name).Prepend(attribute.Name))
            .Select(Language.Name.Of)
            .ToList();
        var left = new List<ListedItem>();
        foreach (var item in listed.OrderByDescending(item => Best(item, own).Value))
        {
            if (Best(item, own) is { Value: >= Alike, At: var at })
            {
                own.RemoveAt(at);
            }
            else
            {
                left.Add(item);
            }
        }

        if (left.Count == listed.Count)
        {
            return [];
        }

        left.RemoveAll(item => TakesSort(item, own));
        return left.Where(item => !item.Words.All(ThingNames.IsHead) && !drawn.Exists(name => IsCalled(item, name)));
    }

    // What has the same head as an attribute that is left, or holds values of its sort, may be what it is.
    private static bool TakesSort(ListedItem item, List<Name> own)
    {
        var reading = Language.Name.Of(string.Join(' ', item.Words));
        var at = own.FindIndex(name =>
            name.Words[^1] == reading.Words[^1] || (reading.Sort != ValueSort.Unsaid && name.Sort == reading.Sort)
        );
        if (at >= 0)
        {
            own.RemoveAt(at);
        }

        return at >= 0;
    }

    private static (int At, double Value) Best(ListedItem item, List<Name> names) =>
        names
            .Select((name, at) => (at, Readings(item).Select(reading => Likeness(reading, name)).DefaultIfEmpty(0).Max()))
            .DefaultIfEmpty((-1, 0))
            .MaxBy(found => found.Item2);

    private static double Likeness(Name reading, Name name) =>
        reading.Key == name.Key ? 1
        : reading.Words.All(name.Words.Contains) || name.Words.All(reading.Words.Contains) ? 0.8
        : NameSimilarity.Of(reading, name).Value;

    private static bool IsCalled(ListedItem item, Name name) =>
        Readings(item).Any(reading => reading.Words.All(name.Words.Contains) || NameSimilarity.Of(reading, name).Value >= Surely);

    // A badge is worn: what stands behind the last article.
    private static IEnumerable<Name> Readings(ListedItem item)
    {
        var article = item.Words.LastIndexOf("a") is >= 0 and var a ? a : item.Words.LastIndexOf("an");
        return item.Readings().Concat(article >= 0 ? [Language.Name.Of(string.Join(' ', item.Words[(article + 1)..]))] : []);
    }

    private static bool IsNoun(ListedItem item) =>
        item.Words.Length <= 3
        && Language.Name.Of(string.Join(' ', item.Words)).Lexical is [.., { } last]
        && ThingNames.IsMostlyNoun(last)
        && !item.Words.Any(word =>
            Inflection.IsParticiple(word)
            || ThingNames.IsVerb(word)
            || (SmallWords.Contain(word) && word is not ("of" or "a" or "an"))
        );

    private static bool HoldsThing(ConceptPreflight one, ScenarioSentence sentence, ListedItem item) =>
        StartOf(sentence, item) is var start
        && Enumerable.Range(start, item.Words.Length).Any(i => one.Names.At(sentence, i) is not null);

    // What stands in brackets behind an attribute are its values.
    private static bool IsBracketed(ScenarioSentence sentence, int end, ListedItem item) =>
        StartOf(sentence, item) is var start
        && sentence.After.AsSpan()[end..start] is var between
        && between.LastIndexOf(Pause.Opening) > between.LastIndexOf(Pause.Closing);

    // Some go by a nickname, jobs coming from a customer: what is done is no noun. A noun alone that is also a verb has an
    // article, or stands in a list.
    private static bool IsDone(ScenarioSentence sentence, ListedItem item)
    {
        var start = StartOf(sentence, item);
        return item.Words is [var only]
            && (start == 0 || sentence.Written[start - 1] is not ("a" or "an" or "the" or "its" or "their" or "one"))
            && start + 1 < sentence.Written.Length
            && sentence.After[start] == Pause.None
            && (Lexicon.English.Find(Inflection.Infinitive(only)) is { IsVerb: true } || IsQuality(only));
    }

    // Static, public: what it is like.
    private static bool IsQuality(string word) =>
        Lexicon.English.Find(word) is { } known && known.Senses.Any(sense => sense.Kind is not ('n' or 'v'));

    private static int StartOf(ScenarioSentence sentence, ListedItem item) =>
        Enumerable
            .Range(0, sentence.Written.Length - item.Words.Length + 1)
            .Last(at => sentence.Written.AsSpan()[at..(at + item.Words.Length)].SequenceEqual(item.Words.AsSpan()));

    private PreflightItem Say(ConceptPreflight one, int block, ScenarioSentence sentence, ListedItem item, string thing)
    {
        var start = StartOf(sentence, item);
        var place = one.PlaceOf(block, sentence, start, start + item.Words.Length);
        return Item(
            string.Join('-', item.Words),
            $"“{place.Quote}” is listed with what {Phrasing.One(one.Model.Entity(thing).Name)} has, and the model answer draws it nowhere."
        ) with
        {
            Places = [place],
            Elements = [thing],
        };
    }

    /// <summary>Whatever has a name in a model answer.</summary>
    public static IEnumerable<Name> Drawn(ConceptModel model) =>
        model
            .AllAttributes.SelectMany(attribute => attribute.Leaves.Select(part => part.Name).Prepend(attribute.Name))
            .Concat(model.Entities.Select(entity => entity.Name))
            .Concat(model.Entities.SelectMany(entity => entity.Operations.Select(operation => operation.Name)))
            .Concat(
                model.Entities.SelectMany(entity =>
                    entity.Operations.SelectMany(operation => operation.Parameters.Select(parameter => parameter.Name))
                )
            )
            .Concat(model.Entities.SelectMany(entity => entity.Literals.Select(literal => literal.Name)))
            .Concat(model.Relationships.SelectMany(tie => tie.Roles.SelectMany(role => new[] { role.Role, role.Verb })))
            .Concat(model.Relationships.Select(tie => tie.Name))
            .Where(name => name.Length > 0)
            .Select(Language.Name.Of);
}
