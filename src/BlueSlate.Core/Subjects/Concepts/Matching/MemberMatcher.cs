using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Matches what hangs on matched concepts: operations and literals of classes, parts of composite attributes, and links of
/// subtypes.
/// </summary>
/// <param name="model">The model answer.</param>
/// <param name="answer">The answer.</param>
/// <param name="entities">Which entity stands for which.</param>
/// <param name="types">Which types are the same.</param>
/// <param name="used">What of the answer stands for something else already.</param>
internal sealed class MemberMatcher(
    ConceptModel model,
    ConceptModel answer,
    ImmutableDictionary<string, EntityMatch> entities,
    DrawnTypes types,
    IReadOnlySet<string> used
)
{
    private const double Sureness = 0.6;
    private const double MovedSureness = 0.95;
    private const double WeakSureness = 0.45;

    /// <summary>Operations and literals, first within matched classes, then operations that stand at another one.</summary>
    public ImmutableDictionary<string, MemberMatch> Members()
    {
        if (model.Entities.All(entity => entity.Operations.IsEmpty && entity.Literals.IsEmpty))
        {
            return ImmutableDictionary<string, MemberMatch>.Empty;
        }

        var found = ImmutableDictionary.CreateBuilder<string, MemberMatch>(StringComparer.Ordinal);
        var byId = answer.Entities.ToDictionary(entity => entity.Id, StringComparer.Ordinal);
        var loose = answer
            .Entities.SelectMany(entity => entity.Operations.Select(operation => (Owner: entity, Operation: operation)))
            .Where(candidate => !used.Contains(candidate.Operation.Id))
            .ToList();
        foreach (var entity in model.Entities.Where(entity => entities.ContainsKey(entity.Id)))
        {
            var other = byId[entities[entity.Id].AnswerId];
            foreach (
                var (mine, theirs) in Pair(
                    entity.Operations,
                    operation => operation.Name,
                    [.. other.Operations.Where(operation => !used.Contains(operation.Id))],
                    operation => operation.Name
                )
            )
            {
                found.Add(mine.Id, new MemberMatch(theirs.Id, other.Id, false));
                loose.RemoveAll(candidate => candidate.Operation.Id == theirs.Id);
            }

            // What one class is asked in other words: the same question is known by its answer.
            foreach (var operation in entity.Operations.Where(operation => !found.ContainsKey(operation.Id)))
            {
                var best = loose
                    .Where(candidate => candidate.Owner == other)
                    .Select(candidate => (candidate.Operation, Likeness: Likeness(operation, candidate.Operation)))
                    .Where(candidate => candidate.Likeness >= WeakSureness)
                    .OrderByDescending(candidate => candidate.Likeness)
                    .ThenBy(candidate => candidate.Operation.Name, StringComparer.Ordinal)
                    .FirstOrDefault();
                if (best.Operation is not null)
                {
                    found.Add(operation.Id, new MemberMatch(best.Operation.Id, other.Id, false));
                    loose.RemoveAll(candidate => candidate.Operation == best.Operation);
                }
            }

            foreach (
                var (mine, theirs) in Pair(entity.Literals, literal => literal.Name, other.Literals, literal => literal.Name)
            )
            {
                found.Add(mine.Id, new MemberMatch(theirs.Id, other.Id, false));
            }

            // As many words as are left on both sides are other words for each other.
            var (wanted, drawn) = (
                entity.Literals.Where(literal => !found.ContainsKey(literal.Id)).ToList(),
                other.Literals.Where(literal => !found.Values.Any(match => match.AnswerId == literal.Id)).ToList()
            );
            if (wanted.Count == drawn.Count)
            {
                foreach (var (mine, theirs) in wanted.Zip(drawn))
                {
                    found.Add(mine.Id, new MemberMatch(theirs.Id, other.Id, false));
                }
            }

            // Drawn as a class, an enumeration has its literals where a class has its attributes.
            if (entity.Kind == EntityKind.Enumeration && other.Kind != EntityKind.Enumeration)
            {
                var pairs =
                    entity.Literals.Length == other.Attributes.Length
                    && !entity.Literals.Any(literal =>
                        other.Attributes.Any(one => NameSimilarity.Of(Name.Of(literal.Name), Name.Of(one.Name)).Value >= Sureness)
                    )
                        ? entity.Literals.Zip(other.Attributes)
                        : Pair(entity.Literals, literal => literal.Name, other.Attributes, attribute => attribute.Name);
                foreach (var (mine, theirs) in pairs)
                {
                    found.Add(mine.Id, new MemberMatch(theirs.Id, other.Id, false));
                }
            }
        }

        foreach (
            var operation in model
                .Entities.Where(entity => entities.ContainsKey(entity.Id))
                .SelectMany(entity => entity.Operations)
                .Where(operation => !found.ContainsKey(operation.Id))
        )
        {
            var best = loose.FirstOrDefault(candidate =>
                NameSimilarity.Of(Name.Of(operation.Name), Name.Of(candidate.Operation.Name)).Value >= MovedSureness
            );
            if (best.Operation is not null)
            {
                loose.Remove(best);
                found.Add(operation.Id, new MemberMatch(best.Operation.Id, best.Owner.Id, true));
            }
        }

        return found.ToImmutable();
    }

    /// <summary>Parts of matched attributes, and of those that are drawn as entities with what they consist of.</summary>
    public ImmutableDictionary<string, string> Parts(
        IReadOnlyDictionary<string, AttributeMatch> attributes,
        IReadOnlyDictionary<string, string> promoted
    )
    {
        var found = ImmutableDictionary.CreateBuilder<string, string>(StringComparer.Ordinal);
        var drawn = answer.AllAttributes.ToDictionary(attribute => attribute.Id, StringComparer.Ordinal);
        foreach (var attribute in model.AllAttributes.Where(attribute => !attribute.Parts.IsEmpty))
        {
            if (attributes.TryGetValue(attribute.Id, out var match))
            {
                PairParts(attribute, [.. drawn[match.AnswerId].Leaves.Select(part => (part.Id, part.Name))], found);
            }
            else if (promoted.TryGetValue(attribute.Id, out var box))
            {
                PairParts(attribute, [.. answer.Entity(box).Attributes.Select(own => (own.Id, own.Name))], found);
            }
        }

        return found.ToImmutable();
    }

    private static void PairParts(
        ConceptAttribute whole,
        ImmutableArray<(string Id, string Name)> there,
        ImmutableDictionary<string, string>.Builder found
    )
    {
        ImmutableArray<AttributePart> parts = [.. there.Select(part => new AttributePart(part.Id, part.Name))];
        foreach (var (mine, theirs) in Pair(whole.Leaves, part => part.Name, parts, part => part.Name))
        {
            found.Add(mine.Id, theirs.Id);
        }

        // As many as are left on both sides are other words for each other.
        var (wanted, left) = (
            whole.Leaves.Where(part => !found.ContainsKey(part.Id)).ToList(),
            there.Where(part => !found.ContainsValue(part.Id)).ToList()
        );
        foreach (var (mine, theirs) in wanted.Count == left.Count ? wanted.Zip(left) : [])
        {
            found.Add(mine.Id, theirs.Id);
        }
    }

    /// <summary>Links of subtypes between matched entities, the right way round before the wrong one.</summary>
    public ImmutableDictionary<string, SubtypeMatch> Subtypes()
    {
        var found = ImmutableDictionary.CreateBuilder<string, SubtypeMatch>(StringComparer.Ordinal);
        var links = answer.Specialisations.SelectMany(set => set.Subtypes.Select(link => (Set: set, Link: link))).ToList();
        foreach (var turned in new[] { false, true })
        {
            foreach (
                var (set, link) in model
                    .Specialisations.SelectMany(set => set.Subtypes.Select(link => (set, link)))
                    .Where(pair => !found.ContainsKey(pair.link.Id))
            )
            {
                if (
                    !entities.TryGetValue(set.SupertypeId, out var super) || !entities.TryGetValue(link.EntityId, out var subtype)
                )
                {
                    continue;
                }

                var (wantedSuper, wantedSub) = turned ? (subtype.AnswerId, super.AnswerId) : (super.AnswerId, subtype.AnswerId);
                var at = links.FindIndex(candidate =>
                    candidate.Set.SupertypeId == wantedSuper && candidate.Link.EntityId == wantedSub
                );
                if (at >= 0)
                {
                    found.Add(link.Id, new SubtypeMatch(links[at].Link.Id, links[at].Set.Id, turned));
                    links.RemoveAt(at);
                }
            }
        }

        return found.ToImmutable();
    }

    private static double Nearness(LexicalWord first, LexicalWord second) =>
        first.Word == second.Word || first.IsSynonymOf(second) || first.IsDerivedFrom(second)
            ? 0.5
            : 0.4 * Lexicon.English.Closeness(first, second);

    private double Likeness(Operation mine, Operation theirs)
    {
        var (a, b) = (Name.Of(mine.Name), Name.Of(theirs.Name));
        var words = a
            .Lexical.OfType<LexicalWord>()
            .SelectMany(first => b.Lexical.OfType<LexicalWord>().Select(second => Nearness(first, second)));
        var value = Math.Max(NameSimilarity.Of(a, b).Value, words.DefaultIfEmpty().Max());

        // Of an operation the first word tells what it does.
        value += !a.Words.IsEmpty && !b.Words.IsEmpty && a.Words[0] == b.Words[0] ? 0.25 : 0;
        value += types.Same(mine.Returns, theirs.Returns) ? 0.25 : -0.15;
        return value
            + (
                mine.Parameters.Length == theirs.Parameters.Length
                && mine.Parameters.Zip(theirs.Parameters).All(pair => types.Same(pair.First.Type, pair.Second.Type))
                    ? 0.2
                    : -0.1
            );
    }

    // Best pairs first; of equal likeness, in the order of their names.
    private static IEnumerable<(TMine Mine, TTheirs Theirs)> Pair<TMine, TTheirs>(
        ImmutableArray<TMine> mine,
        Func<TMine, string> nameOf,
        ImmutableArray<TTheirs> theirs,
        Func<TTheirs, string> otherNameOf
    )
        where TMine : class
        where TTheirs : class
    {
        var pairs = mine.SelectMany(a =>
                theirs.Select(b => (A: a, B: b, Likeness: NameSimilarity.Of(Name.Of(nameOf(a)), Name.Of(otherNameOf(b))).Value))
            )
            .Where(pair => pair.Likeness >= Sureness)
            .OrderByDescending(pair => pair.Likeness)
            .ThenBy(pair => nameOf(pair.A), StringComparer.Ordinal)
            .ThenBy(pair => otherNameOf(pair.B), StringComparer.Ordinal)
            .ToList();
        var (takenMine, takenTheirs) = (new HashSet<TMine>(), new HashSet<TTheirs>());
        foreach (var (a, b, _) in pairs)
        {
            if (!takenMine.Contains(a) && !takenTheirs.Contains(b))
            {
                takenMine.Add(a);
                takenTheirs.Add(b);
                yield return (a, b);
            }
        }
    }
}
