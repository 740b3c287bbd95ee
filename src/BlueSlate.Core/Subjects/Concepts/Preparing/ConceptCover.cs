using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>Holds the words of a scenario against a model answer of concepts, both ways.</summary>
internal sealed class ConceptCover
{
    private readonly ConceptPreflight one;
    private readonly List<ProposedTie> proposed = [];
    private readonly List<string> undecided = [];
    private readonly HashSet<ScenarioPlace> used = [];
    private int facts;

    private ConceptCover(ConceptPreflight one) => this.one = one;

    /// <summary>How far they cover each other.</summary>
    public static ScenarioCover Of(ConceptPreflight one)
    {
        var cover = new ConceptCover(one);
        cover.ReadThings();
        cover.ReadAttributes();
        cover.ReadNumbers();
        var unused = cover.Unused().Distinct().ToImmutableArray();
        return new ScenarioCover(
            cover.facts,
            cover.facts - cover.undecided.Count,
            [.. cover.undecided.Distinct(StringComparer.Ordinal)],
            cover.used.Count + unused.Length,
            unused,
            [.. cover.proposed]
        );
    }

    private void ReadThings()
    {
        foreach (var entity in one.Model.Entities)
        {
            var places = NamesOf(entity.Id).ToList();
            used.UnionWith(places);
            Count(entity.Id, places.Count > 0 || one.Spoken.Names(entity));
            Propose(entity.Id, places.FirstOrDefault());
        }
    }

    private void ReadAttributes()
    {
        foreach (var (owner, attribute) in Attributes())
        {
            var place = PlaceOf(attribute, owner) ?? one.Printed.PlaceOf(attribute.Name, NameOf(owner));
            if (place is not null)
            {
                used.Add(place);
            }

            Count(attribute.Id, place is not null || one.Spoken.Speaks(attribute, owner));
            Propose(attribute.Id, place);
        }
    }

    private void ReadNumbers()
    {
        foreach (var number in EndNumber.Of(one))
        {
            var evidence = one.Numbers[number.Role.Id].ToList();
            used.UnionWith(evidence.Select(words => words.Place));
            var least = one.Case.IsTolerated(number.LeastFact) || number.Least.Says != Deciding.Open;
            // Where nothing limits a number it is many: of that nobody needs to be told.
            var unlimited = number.Role.CoOccurrence.Max == Model.Count.Many && least;
            Count(number.Role.Id, least);
            Count(number.Role.Id, unlimited || one.Case.IsTolerated(number.MostFact) || number.Most.Says != Deciding.Open);
            Propose(number.Role.Id, evidence.FirstOrDefault(words => words is { IsHabit: false, IsUnsure: false })?.Place);
        }
    }

    private void Count(string conceptId, bool decided)
    {
        facts++;
        if (!decided && !one.IsTied(conceptId))
        {
            undecided.Add(ConceptId.Of(conceptId).Element);
        }
    }

    private void Propose(string conceptId, ScenarioPlace? place)
    {
        if (place is not null && !one.IsTied(conceptId))
        {
            proposed.Add(new ProposedTie(ConceptId.Of(conceptId).Element, place));
        }
    }

    private IEnumerable<ScenarioPlace> NamesOf(string thing)
    {
        foreach (var (block, sentence) in one.Sentences)
        {
            for (var i = 0; i < sentence.Written.Length; i++)
            {
                if (one.Names.At(sentence, i) is var (end, named, _) && named == thing)
                {
                    yield return one.PlaceOf(block, sentence, i, end);
                }
            }
        }
    }

    private IEnumerable<(string Owner, ConceptAttribute Attribute)> Attributes() =>
        one
            .Model.Entities.SelectMany(entity => entity.Attributes.Select(attribute => (entity.Id, attribute)))
            .Concat(
                one.Model.Relationships.SelectMany(tie =>
                    tie.Attributes.Select(attribute => (tie.EntityId ?? tie.Roles[0].EntityId, attribute))
                )
            )
            .Where(pair => pair.attribute.ForeignKey is null);

    // The words of its name, next to each other, where the scenario speaks of its owner.
    private ScenarioPlace? PlaceOf(ConceptAttribute attribute, string owner)
    {
        var words = Name.Of(attribute.Name).Words;
        foreach (var (block, sentence) in one.Spoken.Of(owner))
        {
            for (var i = 0; i + words.Length <= sentence.Written.Length; i++)
            {
                if (Enumerable.Range(0, words.Length).All(at => IsCalled(sentence, i + at, words[at])))
                {
                    return one.PlaceOf(block, sentence, i, i + words.Length);
                }
            }
        }

        return null;
    }

    private string NameOf(string thing) => one.Model.Entities.FirstOrDefault(entity => entity.Id == thing)?.Name ?? "";

    private static bool IsCalled(ScenarioSentence sentence, int at, string word) =>
        sentence.Forms[at] == word || Name.Of(sentence.Written[at]).Words is [var only] && only == word;

    // What is listed and nowhere drawn, and numbers that count nothing that is drawn.
    private IEnumerable<ScenarioPlace> Unused() =>
        new UndrawnNouns()
            .Find(one)
            .Concat(new UndrawnFields().Find(one))
            .Concat(new ChoicesUndrawn().Find(one))
            .SelectMany(item => item.Places)
            .Concat(
                one.Sentences.SelectMany(said =>
                    QuantityReader
                        .Read(said.Sentence)
                        .Where(amount => amount.Value.Says is { Explicit: true, Counts: true })
                        .Where(amount => !IsOfWhatIsUsed(said.Block, said.Sentence, amount.Value.End))
                        .Select(amount => one.PlaceOf(said.Block, said.Sentence, amount.Key, amount.Value.End))
                )
            )
            .Where(place => !used.Any(other => Covers(other, place)));

    // One or more skills: the number is that of what stands behind it.
    private bool IsOfWhatIsUsed(int block, ScenarioSentence sentence, int end) =>
        end < sentence.Written.Length && used.Any(place => Covers(place, one.PlaceOf(block, sentence, end, end + 1)));

    private static bool Covers(ScenarioPlace outer, ScenarioPlace inner) =>
        outer.Block == inner.Block
        && outer.Start <= inner.Start
        && outer.Start + outer.Quote.Length >= inner.Start + inner.Quote.Length;
}
