using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Wording;

/// <summary>
/// What the words of a scenario decide of the numbers in a model answer. By which words which number is decided: exactly n,
/// both; one or more, any number, both; at least n, the least; up to n, the greatest; at most one, both; may, some have none,
/// new ones, that there may be none; must, every, that there is one; several, a bare plural, that there may be more; as a rule
/// nothing. <c>A</c> and <c>one</c> are commonly understood as one.
/// </summary>
internal sealed class CountWording
{
    private readonly Links links;
    private readonly ThingNames names;
    private readonly List<CountEvidence> found = [];
    private readonly Dictionary<string, Link> latest = new(StringComparer.Ordinal);
    private (Mention Subject, Link Link)? last;

    private CountWording(ConceptModel model, ThingNames names, ScenarioProse prose)
    {
        (links, this.names) = (new Links(model), names);
        var verbs = model.Relationships.SelectMany(Link.VerbsOf).ToHashSet(StringComparer.Ordinal);
        foreach (var clause in new ClauseReader(names, verbs).Read(prose))
        {
            Read(clause);
        }
    }

    /// <summary>What each part of the scenario says of an end.</summary>
    public static ILookup<string, CountEvidence> Of(ConceptModel model, ThingNames names, ScenarioProse prose) =>
        new CountWording(model, names, prose).found.ToLookup(evidence => evidence.RoleId, StringComparer.Ordinal);

    private void Read(Clause clause)
    {
        if (clause.Adds)
        {
            foreach (var more in clause.Others)
            {
                if (last is var (subject, link))
                {
                    AddCounted(subject, more, link, clause, false);
                }
            }

            return;
        }

        foreach (var other in clause.Others)
        {
            foreach (var (subject, link) in LinksTo(other, clause))
            {
                Pair(subject, other, link, clause);
            }
        }

        if (clause.Others.Count == 0 && !clause.Not)
        {
            ReadAlone(clause);
        }

        // Some members never inspect; a telescope may stand idle.
        if (clause.Not && !clause.Others.Any(other => other.Thing is not null || other.Says.Kind == Quantifier.None))
        {
            foreach (var subject in clause.Subjects.Where(one => one.Says.Kind != Quantifier.None))
            {
                foreach (var link in Meant(subject, clause, null))
                {
                    Add(link.Counted, new Bound(0, Decides.Surely), Bound.Open, clause, false);
                }
            }
        }
    }

    // Exactly one leads it, at most one other is deputy; every locker is rented.
    private void ReadAlone(Clause clause)
    {
        foreach (var subject in clause.Subjects)
        {
            foreach (var link in links.Of(subject.Thing!).Where(link => !link.IsRecursive && Does(link, clause)))
            {
                if (subject.Says.Counts)
                {
                    Add(link.Counting, Least(subject.Says, true, clause), Most(subject, true), clause, false);
                }
                else if (subject.Says.Kind == Quantifier.Each && !clause.May)
                {
                    Add(link.Counted, new Bound(1, Decides.Surely), Bound.Open, clause, false);
                }
            }
        }
    }

    // What is done is what the first of the two does, or has done to it.
    private static bool Does(Link link, Clause clause) =>
        VerbForm.Of(link.Own.Verb.Length > 0 ? link.Own.Verb : link.Relationships[0].Name).Words.Any(clause.Verbs.Contains);

    // A thing is said of the subjects, or of what stands nearer before it, with which the model answer links it.
    private IEnumerable<(Mention Subject, Link Link)> LinksTo(Mention other, Clause clause)
    {
        if (other.Thing is null)
        {
            return clause.Subjects.SelectMany(subject => Meant(subject, clause, other).Select(link => (subject, link)));
        }

        foreach (var subjects in Before(other, clause))
        {
            var linked = subjects
                .SelectMany(subject =>
                    Meant(links.Between(subject.Thing!, other.Thing), subject, other, clause).Select(link => (subject, link))
                )
                .ToList();
            if (linked.Count > 0)
            {
                return linked;
            }
        }

        return [];
    }

    private static IEnumerable<IReadOnlyList<Mention>> Before(Mention other, Clause clause)
    {
        yield return clause.Subjects;
        foreach (var nearer in clause.Others.Where(one => one.Thing is not null && one.Start < other.Start).Reverse())
        {
            yield return [nearer];
        }

        foreach (var later in clause.Others.Where(one => one.Thing is not null && one.Start > other.Start))
        {
            yield return [later];
        }
    }

    // What words without a thing are about: what the verb names, else what was spoken of last.
    private List<Link> Meant(Mention subject, Clause clause, Mention? other)
    {
        var all = links.Of(subject.Thing!).ToList();
        if (other is { IsAnother: true })
        {
            all.RemoveAll(link => !link.IsRecursive);
            return Meant(all, subject, other, clause).ToList();
        }

        var named = all.FindAll(link => IsNamed(link, clause));
        if (named.Count == 0)
        {
            named = all.FindAll(link => IsNamedByThing(link, clause));
        }

        // Who is spoken of by a role is spoken of in its relationship.
        if (named.Count == 0 && subject.Role is { } role)
        {
            named = all.FindAll(link => link.Own.Id == role);
        }

        return named.Count > 0 ? [.. Meant(named, subject, other, clause)]
            : links
                .Above(subject.Thing!)
                .Select(thing => latest.GetValueOrDefault(thing))
                .FirstOrDefault(link => link is not null)
                is { } link
                ? [link]
            : [];
    }

    // Of several the one that the verb names; of one entity type with itself, the role that the words tell.
    private static IEnumerable<Link> Meant(IEnumerable<Link> all, Mention subject, Mention? other, Clause clause)
    {
        var some = all.ToList();
        if (some.Exists(link => IsNamed(link, clause)))
        {
            some.RemoveAll(link => !IsNamed(link, clause));
        }
        else if (some.Select(link => link.Relationships[0].Id).Distinct().Count() > 1)
        {
            some.RemoveAll(link => link.Relationships.Count > 1);
        }

        if (subject.Role is { } own && some.Exists(link => link.Own.Id == own))
        {
            some.RemoveAll(link => link.Own.Id != own);
        }

        if (other?.Role is { } role && some.Exists(link => link.Counted.Id == role))
        {
            some.RemoveAll(link => link.Counted.Id != role);
        }

        var told = some.FindAll(link => link.IsRecursive && Tells(link, clause));
        return told.Count > 0 ? told : some;
    }

    private static bool Tells(Link link, Clause clause)
    {
        var said = link.Own.Verb.Length > 0 ? link.Own.Verb : link.Relationships[0].Name;
        var passive = link.Own.Verb.Length > 0 ? VerbForm.IsPassive(said) : link.Own.Id != link.Relationships[0].Roles[0].Id;
        return said.Length > 0 && VerbForm.Of(said).Words.Any(clause.Verbs.Contains) && passive == clause.IsPassive;
    }

    private static bool IsNamed(Link link, Clause clause) => link.Verbs.Any(clause.Verbs.Contains);

    // Members who never inspect have no inspection.
    private bool IsNamedByThing(Link link, Clause clause) =>
        names.NameOf(link.Counted.EntityId) is [.., { } last]
        && Lexicon.English.Find(last) is { } noun
        && clause.Verbs.Any(word => Lexicon.English.Find(word) is { } verb && noun.IsDerivedFrom(verb));

    private void Pair(Mention subject, Mention other, Link link, Clause clause)
    {
        // No other member uses it: said of a value.
        if (other is { IsAnother: true, Says.Kind: Quantifier.None })
        {
            return;
        }

        last = (subject, link);
        latest[link.Own.EntityId] = link;
        latest[link.Counting.EntityId] = link;
        if (!link.IsRecursive)
        {
            latest[other.Thing ?? link.Counted.EntityId] = new Link(
                link.Counting,
                link.Counted,
                link.Counted,
                link.Relationships
            );
        }

        var (counts, unsure) = (
            subject.Says.Counts && !clause.Not && other.Says.Kind != Quantifier.None,
            link.IsRecursive && subject.Role is null && other.Role is null && !Tells(link, clause)
        );
        if (counts && (other.Says.IsOneByOne || other.Says.Counts || other is { Says.Kind: Quantifier.Bare, Thing: not null }))
        {
            var each = other.Says.Kind == Quantifier.Each;
            if (!IsCombined(subject, other, clause))
            {
                Add(link.Counting, Least(subject.Says, each, clause), Most(subject, each), clause, unsure);
            }
        }
        else if (!counts && subject is { IsPlural: true, Says.Kind: Quantifier.Bare or Quantifier.Definite })
        {
            Add(link.Counting, Bound.Open, new Bound(Quantity.Many, Decides.Commonly), clause, unsure);
        }

        // Sheds stand on some plots: on others there are none.
        if (!counts && !clause.Not && subject.IsPlural && other is { Says.Kind: Quantifier.Some, IsPlural: true })
        {
            Add(link.Counting, new Bound(0, Decides.Commonly), Bound.Open, clause, unsure);
        }

        if ((!counts || other.Says.Counts) && !IsCombined(other, subject, clause))
        {
            AddCounted(subject, other, link, clause, unsure);
        }
    }

    private void AddCounted(Mention subject, Mention other, Link link, Clause clause, bool unsure)
    {
        var none = clause is { Not: true, OrNot: false } && !other.Says.Counts || other.Says.Kind == Quantifier.None;
        if (subject.Says.Kind == Quantifier.None)
        {
            return;
        }

        if (none || (IsSome(subject) && (clause.Not || other.Says.OrNone)))
        {
            Add(link.Counted, new Bound(0, Decides.Surely), Bound.Open, clause, unsure);
        }
        else if (IsSome(subject))
        {
            // Most are made in one of the studios: some are not.
            var most = Most(other, false);
            var least = other.Says.Counts && !clause.May ? new Bound(0, Decides.Commonly) : Bound.Open;
            Add(
                link.Counted,
                clause.May ? new Bound(0, Decides.Surely) : least,
                most.Value == Quantity.Many ? most : most with { How = most.How == Decides.No ? Decides.No : Decides.Commonly },
                clause,
                unsure
            );
        }
        else
        {
            var each = subject.Says.Kind == Quantifier.Each;
            Add(link.Counted, Least(other.Says, each, clause), Most(other, each), clause, unsure);
        }
    }

    private static bool IsSome(Mention subject) =>
        subject.IsRestricted
        || subject.Says.Kind == Quantifier.Some
        || subject.Says is { Counts: true, Min: null, Max: Quantity.Many };

    private static Bound Least(Quantity says, bool each, Clause clause) =>
        says.OrNone || clause.May || clause.OrNot ? new Bound(0, Decides.Surely)
        : says is { Counts: true, Explicit: true, Min: { } least } ? new Bound(least, Decides.Surely)
        : says.Min is { } one ? new Bound(one, each ? Decides.Surely : Decides.Commonly)
        : each && says is { Counts: true } ? new Bound(1, Decides.Surely)
        : Bound.Open;

    private static Bound Most(Mention mention, bool each) =>
        mention.Says switch
        {
            { Counts: true, Max: { } most, Explicit: var sure } => new Bound(
                most,
                sure || each ? Decides.Surely : Decides.Commonly
            ),
            { Kind: Quantifier.Indefinite } => new Bound(1, Decides.Commonly),
            { Kind: Quantifier.Bare or Quantifier.Definite } when mention.IsPlural => new Bound(Quantity.Many, Decides.Commonly),
            _ => Bound.Open,
        };

    // Of one target there is at most one exposure in a session: said of the two together, and of neither alone.
    private bool IsCombined(Mention counted, Mention with, Clause clause) =>
        counted is { Says.Max: <= 1, Thing: { } thing }
        && clause
            .Subjects.Concat(clause.Others)
            .Any(third =>
                third.Thing is { } one
                && third.Start != counted.Start
                && third.Start != with.Start
                && one != with.Thing
                && third.Says.IsOneByOne
                && (third.Says.Kind != Quantifier.Definite)
                && links.Between(one, thing).Any()
                && with.Says.IsOneByOne
            );

    private void Add(RelationshipRole role, Bound min, Bound max, Clause clause, bool unsure) =>
        found.Add(
            new CountEvidence(role.Id, clause.IsHabit ? Bound.Open : min, clause.IsHabit ? Bound.Open : max, clause.Place)
            {
                IsUnsure = unsure,
                IsHabit = clause.IsHabit,
            }
        );
}
