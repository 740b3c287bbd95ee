using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>
/// Takes the sentences of a scenario apart into what each part says of which things. It knows the things of the model answer
/// and the small words of English; it parses nothing else, so that any wording can be read, and what it does not see it leaves.
/// </summary>
internal sealed class ClauseReader(ThingNames names, IReadOnlySet<string> verbs)
{
    // How far from its beginning the verb of a clause is looked for.
    private const int Furthest = 6;

    private readonly MentionReader reader = new(names);

    // Of what the clause before said something, and all that was named since the sentence before.
    private IReadOnlyList<Mention> topic = [];
    private IReadOnlyList<Mention> named = [];
    private bool mayGoOn;

    /// <summary>The parts of all sentences, in their order.</summary>
    public IEnumerable<Clause> Read(ScenarioProse prose) =>
        prose.Sentences().SelectMany(one => Read(prose.Blocks[one.Block], one.Block, one.Sentence));

    private IEnumerable<Clause> Read(string text, int block, ScenarioSentence sentence)
    {
        var mentions = reader.Read(sentence);
        var bounds = Bounds(sentence, mentions);
        for (var i = 0; i < bounds.Count; i++)
        {
            var end = i + 1 < bounds.Count ? bounds[i + 1] : sentence.Written.Length;
            var span = new Span(sentence, mentions, bounds[i], end) { Verb = VerbIn(sentence, mentions, bounds[i], end) };
            if (Resolve(span, PlaceOf(text, block, span)) is { } clause)
            {
                yield return clause;
                topic = clause.Subjects.Count > 0 ? clause.Subjects : topic;
                var now = clause.Subjects.Concat(clause.Others).Where(mention => mention.Thing is not null);
                named = span.IsVerbless ? [.. named, .. now] : [.. now];
            }
        }
    }

    /// <summary>A part of a sentence, before it is known what it is about.</summary>
    private sealed class Span
    {
        public Span(ScenarioSentence sentence, List<Mention> mentions, int start, int end)
        {
            (Sentence, All, Start, End) = (sentence, mentions, start, end);
            Words = sentence.Written.AsSpan()[start..end].ToArray();
            Inside = mentions.FindAll(mention => mention.Start >= start && mention.Start < end);
        }

        public ScenarioSentence Sentence { get; }

        public List<Mention> All { get; }

        public List<Mention> Inside { get; }

        public int Start { get; }

        public int End { get; }

        public string[] Words { get; }

        /// <summary>Where its first verb stands; its end where it has none.</summary>
        public required int Verb { get; init; }

        public bool IsVerbless => Verb == End;

        /// <summary>In an episode, on each visit: it begins with that of which something else is said.</summary>
        public bool IsFronted => SmallWords.InFront.Contains(Words[0]) && Inside is [var first, ..] && first.Start <= Start + 2;

        /// <summary>Whom or what it follows on: the members <c>who</c>.</summary>
        public Mention? Antecedent =>
            Start > 0 && SmallWords.Relative.Contains(Words[0])
                ? All.FindLast(one => one.End <= Start && one.Thing is not null)
                : null;

        // Every piece in a firing: which pieces, and nothing of firings.
        public bool IsWithin(Mention mention) =>
            mention.Start < Verb
            && mention.Start > 1
            && SmallWords.InFront.Contains(Sentence.Written[mention.Start - 1])
            && All.Exists(before => before.End == mention.Start - 1 && before.Thing is not null);
    }

    private Clause? Resolve(Span span, ScenarioPlace place)
    {
        // What says which kinds there are says nothing of how many, unless it counts.
        var counts = span.Inside.Exists(mention => mention is { Says.Counts: true, Thing: not null });
        if (span.Words.Any(SmallWords.OfKinds.Contains) && !counts)
        {
            return null;
        }

        var (subjects, others) = Parties(span);
        var not = Array.FindIndex(span.Words, IsNot);
        var may =
            span.Words.Any(SmallWords.OfMay.Contains)
            || (span.Words.Length <= 4 && span.Words.Contains("if"))
            || (mayGoOn && span.Start > 0 && subjects == topic && !span.Words.Any(SmallWords.Auxiliaries.Contains));
        mayGoOn = may;
        return subjects.Count == 0 && others.Count == 0
            ? null
            : new Clause(place, subjects, others)
            {
                Adds = span.IsVerbless && span.Inside.TrueForAll(mention => mention.Thing is null),
                Verbs = span.Words.Select(Inflection.Infinitive).Concat(span.Words).ToHashSet(StringComparer.Ordinal),
                May = may,
                Not = not >= 0,
                OrNot = not > 0 && span.Words.AsSpan()[Math.Max(0, not - 3)..not].Contains("or"),
                IsHabit =
                    span.Words.Any(SmallWords.OfHabit.Contains)
                    || string.Join(' ', span.Words).Contains("as a rule", StringComparison.Ordinal),
                IsPassive = span.Words.Contains("by"),
            };
    }

    private static bool IsNot(string word) => SmallWords.OfNot.Contains(word) || word.EndsWith("n't", StringComparison.Ordinal);

    // Of what it says something, and what else it names.
    private (IReadOnlyList<Mention> Subjects, IReadOnlyList<Mention> Others) Parties(Span span)
    {
        var inside = InRoles(span.Inside.FindAll(mention => !span.IsWithin(mention)), span);
        if (span.Antecedent is { } antecedent)
        {
            return ([antecedent with { Says = Again(antecedent.Says) }], inside);
        }

        if (span.IsVerbless && !span.IsFronted && span.Start > 0)
        {
            // One telescope on one date; any number, or none: more on what was named.
            return (inside.Exists(mention => mention.Thing is not null) ? named : topic, inside);
        }

        var stranger = Stranger(span);
        var before = inside.FindAll(mention => mention.Start < span.Verb && mention.Thing is not null);
        if (before is [var first, ..] && (stranger is null || span.IsFronted || stranger.Value > first.Start))
        {
            return span.IsFronted && before.Count > 1
                ? ([first], [.. inside.Where(mention => mention != first)])
                : (before, [.. inside.Except(before)]);
        }

        if (stranger is { } noun)
        {
            return (Strangers(span.Sentence.Forms[noun], noun), inside);
        }

        if (inside.Find(mention => mention.Start < span.Verb) is { } anaphor)
        {
            return (
                [.. MeantBy(anaphor, span).Select(mention => mention with { Says = anaphor.Says, IsRestricted = false })],
                [.. inside.Where(mention => mention != anaphor)]
            );
        }

        return (Spoken(span), inside);
    }

    // One experienced member as mentor: who has the role is whom it is said of. Where several are named before it, one as mentor of
    // several members, or it comes first, it is said of whom the sentence is about.
    private static List<Mention> InRoles(List<Mention> mentions, Span span)
    {
        bool IsBeside(Mention one, Mention role) =>
            role.Role is not null
            && one.Role is null
            && one.Thing == role.Thing
            && one.End == role.Start - 1
            && span.Sentence.Written[one.End] == "as";
        var holders = new Dictionary<Mention, Mention>();
        foreach (var role in mentions)
        {
            var subject = mentions.Find(one => one.Start < span.Verb && one.Thing == role.Thing && one.Role is null);
            var beside = mentions.Find(one => IsBeside(one, role));
            // As mentor a member looks after others.
            var isFirst = role.Role is not null && role.Start == span.Start + 1 && span.Words[0] == "as";
            var isOfSubject = isFirst || beside is { IsPlural: true } && !role.IsPlural;
            if ((isOfSubject ? subject ?? beside : beside) is { } holder)
            {
                holders[role] = holder;
            }
        }

        return
        [
            .. mentions
                .Where(one => !holders.ContainsKey(one))
                .Select(one =>
                    holders.FirstOrDefault(pair => pair.Value == one).Key is { } role
                        ? one with
                        {
                            Role = role.Role,
                            End = one.End == role.Start - 1 ? role.End : one.End,
                        }
                        : one
                ),
        ];
    }

    // Each of these are all that were named; each alone is one of the several that were named last.
    private IReadOnlyList<Mention> MeantBy(Mention anaphor, Span span)
    {
        if (anaphor.Says.Kind != Quantifier.Each)
        {
            return topic;
        }

        var behind = span.Sentence.Written.AsSpan()[anaphor.End..];
        return behind is ["these" or "those" or "them", ..] ? named
            : named.LastOrDefault(mention => mention.IsPlural) is { } several ? [several]
            : named;
    }

    // Who is meant where none is named: he, it, or nobody where a sentence begins by telling what is to be done.
    private IReadOnlyList<Mention> Spoken(Span span)
    {
        var isPronoun = span.Words.AsSpan()[..(span.Verb - span.Start)].ToArray().Any(SmallWords.Pronouns.Contains);
        if (isPronoun && span.Words.Contains("it") && topic.All(mention => names.IsSomebody(mention.Thing!)))
        {
            // Nobody is it.
            var thing = named.LastOrDefault(mention => !names.IsSomebody(mention.Thing!));
            return thing is null ? topic : [thing with { Says = Again(thing.Says) }];
        }

        return isPronoun ? [.. topic.Select(mention => mention with { Says = Again(mention.Says) })]
            : span.Start == 0 ? []
            : topic;
    }

    // Newcomers are some of the people who were named; anything else is nothing of the model answer.
    private Mention[] Strangers(string noun, int at) =>
        Name.Of(noun).Thing == ThingSort.Somebody && reader.Person is { } person
            ? [new Mention(at, at + 1, person, Quantity.Bare) { IsRestricted = true, IsPlural = true }]
            : [];

    // The place of the first noun before the verb that names nothing of the model answer and belongs to nothing that does.
    private int? Stranger(Span span)
    {
        for (var i = span.Start; i < span.Verb; i++)
        {
            var word = span.Sentence.Written[i];
            if (
                !span.All.Exists(mention => mention.Start <= i && i < mention.End)
                && !SmallWords.Contain(word)
                && Lexicon.English.Find(span.Sentence.Forms[i]) is { IsNoun: true }
                && !span.All.Exists(mention => mention.Start == i + 1)
                && (names.IsAttribute(span.Sentence.Forms[i]) || word.Length > 2)
            )
            {
                return
                    names.IsAttribute(span.Sentence.Forms[i])
                    && span.Inside.TrueForAll(mention => mention.Start > i)
                    && i - span.Start <= 1
                    ? null
                    : i;
            }
        }

        return null;
    }

    // Of what was counted, each is meant when it is spoken of again.
    private static Quantity Again(Quantity says) => says.Counts ? new Quantity(Quantifier.Definite, null, null) : says;

    private static ScenarioPlace PlaceOf(string text, int block, Span span)
    {
        var last = span.Sentence.Starts[span.End - 1] + span.Sentence.Written[span.End - 1].Length;
        var from = span.Sentence.Starts[span.Start];
        return new ScenarioPlace(block, from, text[from..last]);
    }

    private List<int> Bounds(ScenarioSentence sentence, List<Mention> mentions)
    {
        var bounds = new List<int> { 0 };
        for (var i = 1; i < sentence.Written.Length; i++)
        {
            if (mentions.Exists(mention => mention.Start < i && i < mention.End) || !IsBound(sentence, mentions, bounds[^1], i))
            {
                continue;
            }

            // Words that only join belong to what they join.
            if (Enumerable.Range(bounds[^1], i - bounds[^1]).All(at => SmallWords.Joining.Contains(sentence.Written[at])))
            {
                bounds.RemoveAt(bounds.Count - 1);
            }

            bounds.Add(i);
        }

        return bounds;
    }

    private bool IsBound(ScenarioSentence sentence, List<Mention> mentions, int start, int i)
    {
        var pause = sentence.After[i - 1];
        var joins = SmallWords.Joining.Contains(sentence.Written[i]);
        return pause is Pause.Break or Pause.Opening or Pause.Closing
            || (
                SmallWords.Relative.Contains(sentence.Written[i])
                && mentions.Exists(mention => mention.Thing is not null && mention.End <= i && i - mention.End <= 1)
            )
            || (
                (pause == Pause.Comma || joins)
                && IsWhole(sentence, mentions, start, i)
                && StartsClause(sentence, mentions, joins ? i + 1 : i)
            );
    }

    // Riders, bicycles, docks and passes, or on a ferry: things of which nothing was said yet go on.
    private bool IsWhole(ScenarioSentence sentence, List<Mention> mentions, int start, int end) =>
        VerbIn(sentence, mentions, start, end) < end
        || !mentions.Exists(mention => mention.Thing is not null && mention.Start >= start && mention.Start < end);

    // Somebody or something of which something is said comes next, or what is said of the same as before.
    private bool StartsClause(ScenarioSentence sentence, List<Mention> mentions, int start)
    {
        start += start < sentence.Written.Length && SmallWords.Joining.Contains(sentence.Written[start]) ? 1 : 0;
        var end = start;
        while (
            end < sentence.Written.Length
            && end - start <= Furthest
            && (end == start || sentence.After[end - 1] == Pause.None)
            && !(end > start && SmallWords.Joining.Contains(sentence.Written[end]))
        )
        {
            end++;
        }

        return VerbIn(sentence, mentions, start, end) < end;
    }

    private int VerbIn(ScenarioSentence sentence, List<Mention> mentions, int start, int end)
    {
        for (var i = start; i < end; i++)
        {
            if (IsVerb(sentence, mentions, i))
            {
                return i;
            }
        }

        return end;
    }

    private bool IsVerb(ScenarioSentence sentence, List<Mention> mentions, int i)
    {
        var word = sentence.Written[i];
        if (mentions.Exists(mention => mention.Start <= i && i < mention.End))
        {
            return false;
        }

        var infinitive = Inflection.Infinitive(word);
        if (SmallWords.Auxiliaries.Contains(word) || verbs.Contains(infinitive))
        {
            return true;
        }

        if (SmallWords.Contain(word) || Lexicon.English.Find(infinitive) is not { IsVerb: true } verb)
        {
            return false;
        }

        var follows =
            i > 0
            && sentence.After[i - 1] == Pause.None
            && (
                SmallWords.Pronouns.Contains(sentence.Written[i - 1])
                || SmallWords.Relative.Contains(sentence.Written[i - 1])
                || mentions.Exists(mention => mention.End == i)
            );
        return follows
            || (
                infinitive != word
                && Lexicon.English.Find(word) is not { IsNoun: true }
                && (word[^1] != 's' || !ThingNames.IsMostlyNoun(verb))
            );
    }
}
