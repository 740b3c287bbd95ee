using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>What matching accepts besides equal names and equal structure.</summary>
/// <param name="OtherNames">Further accepted names: concept id of the model answer → names.</param>
/// <param name="Standings">Code of a restatement → what it is worth here, where that is not the usual.</param>
public sealed record MatchAllowance(
    IReadOnlyDictionary<string, ImmutableArray<string>> OtherNames,
    IReadOnlyDictionary<string, Standing> Standings
)
{
    /// <summary>
    /// What a person said stands for what: entity or attribute of the model answer → that of the answer. Ids that are not there
    /// are passed over.
    /// </summary>
    public ImmutableDictionary<string, string> Stands { get; init; } = ImmutableDictionary<string, string>.Empty;

    /// <summary>No other names; all restatements.</summary>
    public static MatchAllowance Plain { get; } =
        new(ImmutableDictionary<string, ImmutableArray<string>>.Empty, ImmutableDictionary<string, Standing>.Empty);
}

/// <summary>A model answer prepared for matching once, for any number of answers.</summary>
public sealed class MatchModel
{
    private readonly FrozenDictionary<string, ImmutableArray<Name>> calledElse;

    /// <summary>Prepares a model answer, with the exercise's own words.</summary>
    public MatchModel(ConceptModel model, ExerciseWords words)
        : this(model, words, Weights.Shipped) { }

    /// <summary>The same by other weights than those that are shipped.</summary>
    public MatchModel(ConceptModel model, ExerciseWords words, Weights weights)
        : this(model, words, weights, ScenarioText.None) { }

    /// <summary>The same of an exercise that is told in prose.</summary>
    public MatchModel(ConceptModel model, ExerciseWords words, Weights weights, ScenarioText scenario)
    {
        (Model, Words, Weights) = (model, words, weights);

        // Names of two different things of the model answer never stand for each other.
        var names = model
            .Entities.Select(entity => Name.Of(entity.Name).Words)
            .Where(name => !name.IsEmpty)
            .Select(name => name[^1])
            .Distinct(StringComparer.Ordinal)
            .ToList();
        AnswerWords = names.Count > 1 ? words.KeepingApart(names) : words;
        calledElse = ScenarioNames.Of(model, scenario);
        Side = SideOf(model);
    }

    /// <summary>Prepares a model answer whose exercise says nothing of its words.</summary>
    public MatchModel(ConceptModel model)
        : this(model, ExerciseWords.None) { }

    /// <summary>What the model answer says.</summary>
    public ConceptModel Model { get; }

    internal ExerciseWords Words { get; }

    /// <summary>How much each sign counts.</summary>
    internal Weights Weights { get; }

    /// <summary>How names of answers are read.</summary>
    internal ExerciseWords AnswerWords { get; }

    internal Side Side { get; }

    /// <summary>The side of the model answer under accepted names.</summary>
    internal Side SideOf(ConceptModel renamed) => new(renamed, Words, calledElse);
}

/// <summary>The correspondence of least cost that was found, and others that cost hardly more.</summary>
/// <param name="Best">The cheapest.</param>
/// <param name="Near">Those that differ from it in one entity, or in two exchanged, and cost at most
/// <see cref="Matcher.Margin"/> more.</param>
public sealed record Matched(Correspondence Best, ImmutableArray<Correspondence> Near);

/// <summary>
/// Finds which element of an answer stands for which of the model answer. Entities come first, by least cost over names,
/// attributes and structure together; then relationships between matched entities, restatements among what is left,
/// relationships tied to the wrong entity, and attributes that stand elsewhere. Ties break by content, never by id.
/// </summary>
public static class Matcher
{
    private const double SameStructure = 0.8;

    /// <summary>
    /// How much more a correspondence may cost and still be as likely: two values at the ends of a relationship.
    /// </summary>
    public const double Margin = 0.25;

    /// <summary>How many of them are looked at.</summary>
    public const int MostNear = 6;

    /// <summary>The correspondence between a model answer and an answer.</summary>
    /// <param name="model">What the model answer says.</param>
    /// <param name="answer">What the answer says.</param>
    /// <param name="allowance">What else is accepted.</param>
    public static Matched Match(MatchModel model, ConceptModel answer, MatchAllowance allowance)
    {
        var renamed = StandsFor.Adopt(AcceptedNames.Adopt(model.Model, answer, allowance.OtherNames), answer, allowance.Stands);
        var modelSide = ReferenceEquals(renamed, model.Model) ? model.Side : model.SideOf(renamed);
        var answerSide = new Side(answer, model.AnswerWords);
        var trust = Trust.InSigns(model.Weights);
        var attributeMatcher = new AttributeMatcher(modelSide, answerSide, trust);
        var said = StandsFor.Pairs(modelSide, answerSide, allowance.Stands);
        var entityMatcher = new EntityMatcher(modelSide, answerSide, attributeMatcher, trust, said);
        var (map, cost) = entityMatcher.Solve();
        var bound = entityMatcher.LowerBound;
        if (Array.IndexOf(map, -1) >= 0 && answerSide.Count > map.Count(index => index >= 0))
        {
            var solution = ByStructure(modelSide, answerSide, map, said, Trust.InStructure(model.Weights));
            (map, cost, bound) = solution ?? (map, cost, bound);
        }

        map = Unlinked(modelSide, answerSide, entityMatcher, map);
        Correspondence Complete(int[] entities, double total) =>
            Matcher.Complete(
                new Matching(renamed, answer, modelSide, answerSide, attributeMatcher, entityMatcher, allowance, model.Weights),
                entities
            ) with
            {
                Cost = total,
                LowerBound = bound,
            };
        if (said.Count == 0 && !HasWordInCommon(modelSide, answerSide, entityMatcher, attributeMatcher, map))
        {
            int[] nothing = [.. map.Select(_ => -1)];
            return new Matched(Complete(nothing, cost), [Complete(map, cost + Margin)]);
        }

        return new Matched(
            Complete(map, cost),
            [.. entityMatcher.NearTo(map, Margin).Take(MostNear).Select(near => Complete(near.Map, cost + near.More))]
        );
    }

    // A place is known by what stands beside it. Where no name, no attribute and no verb of an answer is one of the model answer, the same
    // shape may be that of anything: it is told as what may be meant, and counts for nothing by itself.
    private static bool HasWordInCommon(
        Side model,
        Side answer,
        EntityMatcher entities,
        AttributeMatcher attributes,
        int[] map
    ) =>
        map.All(j => j < 0)
        || map.Where(
                (j, i) =>
                    j >= 0 && (entities.NameLikeness(i, j) >= AttributeMatcher.Sureness || attributes.Pairs(i, j).Length > 0)
            )
            .Any()
        || answer.Links.Any(link =>
            link.Verbs.Length > 0 && model.Likenesses.OfVerbs(link).Any(likeness => likeness >= AttributeMatcher.Sureness)
        );

    // Where a line from many to many ties the two that something links, that is the link, and not what merely stands beside one
    // of them under another name.
    private static int[] Unlinked(Side model, Side answer, EntityMatcher matcher, int[] map)
    {
        var free = (int[])map.Clone();
        for (var i = 0; i < map.Length; i++)
        {
            var parents = model
                .Links.Where(link => link.Relationship.Identifying == true && link.From != link.To)
                .Where(link => link.From == i || link.To == i)
                .Select(link => map[link.From == i ? link.To : link.From])
                .ToList();
            if (
                map[i] >= 0
                && parents is [>= 0 and var one, >= 0 and var other]
                && matcher.NameLikeness(i, map[i]) < AttributeMatcher.Sureness
                && !(answer.Joined(map[i], one) && answer.Joined(map[i], other))
                && answer.Links.Any(link => link.Joins(one, other) && link.Relationship.IsManyToMany)
            )
            {
                free[i] = -1;
            }
        }

        return free;
    }

    private sealed record Matching(
        ConceptModel Renamed,
        ConceptModel Answer,
        Side ModelSide,
        Side AnswerSide,
        AttributeMatcher AttributeMatcher,
        EntityMatcher EntityMatcher,
        MatchAllowance Allowance,
        Weights Weights
    );

    // Everything else follows from which entity stands for which.
    private static Correspondence Complete(Matching matching, int[] map)
    {
        var (renamed, answer, modelSide, answerSide, attributeMatcher, entityMatcher, allowance, weights) = matching;
        var sameStructure = entityMatcher.Agreement(map) >= SameStructure;

        var entities = ImmutableDictionary.CreateBuilder<string, EntityMatch>(StringComparer.Ordinal);
        var placer = new AttributePlacer(modelSide, answerSide, weights);
        for (var i = 0; i < map.Length; i++)
        {
            if (map[i] >= 0)
            {
                entities.Add(
                    modelSide.Entities[i].Entity.Id,
                    MatchOf(modelSide.Entities[i], answerSide.Entities[map[i]], entityMatcher.NameLikeness(i, map[i]))
                );
                placer.Near(
                    modelSide.Entities[i].Entity.Id,
                    answerSide.Entities[map[i]].Entity.Id,
                    attributeMatcher.Pairs(i, map[i])
                );
            }
        }

        // What stands for one entity may stand for others as well: from here on it does.
        var (matchedModel, matchedAnswer) = (
            new HashSet<string>(StringComparer.Ordinal),
            new HashSet<string>(StringComparer.Ordinal)
        );
        var early = Restate(
            Stage.Entities,
            allowance,
            new Leftovers(modelSide, answerSide, map, matchedModel, matchedAnswer) { Attributes = placer },
            matchedModel,
            matchedAnswer
        );
        map = StandIn(early, map);
        var duplicates = Duplicates(modelSide, answerSide, map);
        var relationships = MatchRelationships(modelSide, answerSide, map, duplicates);
        matchedModel.UnionWith(relationships.Keys);
        matchedAnswer.UnionWith(relationships.Values.Select(match => match.AnswerId));
        ImmutableArray<RestatedMatch> restated =
        [
            .. early,
            .. Restate(
                Stage.Links,
                allowance,
                new Leftovers(modelSide, answerSide, map, matchedModel, matchedAnswer)
                {
                    Attributes = placer,
                    Relationships = relationships,
                },
                matchedModel,
                matchedAnswer
            ),
        ];
        var misdirected = Misdirection.Find(modelSide, answerSide, map, matchedModel, matchedAnswer);
        foreach (
            var (ours, theirs) in relationships
                .Select(pair => (pair.Key, pair.Value.AnswerId))
                .Concat(restated.SelectMany(match => match.Owners))
                .Concat(ManySides(modelSide, answerSide, map, relationships))
        )
        {
            placer.Near(ours, theirs);
        }

        placer.Take(restated);
        placer.Keys();
        placer.ForeignKeys(relationships);
        placer.Disguised();
        var free = new Leftovers(modelSide, answerSide, map, matchedModel, matchedAnswer) { Attributes = placer };
        var promoted = Reclassified.AttributesAsEntities(free, duplicates);
        var demoted = Reclassified.EntitiesAsAttributes(free);
        placer.Take(
            promoted.Values.SelectMany(id => answer.Entity(id).Attributes.Select(attribute => attribute.Id)),
            promoted.Keys
        );
        placer.Take(demoted.Values, []);
        placer.Moved();
        var types = new DrawnTypes(renamed, answer, entities.Select(pair => (pair.Key, pair.Value.AnswerId)));
        placer.Repeated(types);
        placer.Weak(sameStructure, types);
        var attributes = placer.Found;
        var members = new MemberMatcher(renamed, answer, entities.ToImmutable(), types, matchedAnswer);
        return new Correspondence(
            entities.ToImmutable(),
            attributes,
            relationships,
            restated,
            misdirected,
            0,
            entityMatcher.NodesExpanded
        )
        {
            Members = members.Members(),
            Parts = members.Parts(attributes, promoted),
            Subtypes = members.Subtypes(),
            InDisguise = placer.InDisguise,
            Surrogates = placer.Surrogates(),
            Duplicates = duplicates.ToImmutableDictionary(
                pair => answerSide.Entities[pair.Key].Entity.Id,
                pair => answerSide.Entities[pair.Value].Entity.Id,
                StringComparer.Ordinal
            ),
            Promoted = promoted,
            Demoted = demoted,
        };
    }

    // A drawing in words of its own is known by its structure, if that is the model answer's all over.
    private static (int[] Map, double Cost, double LowerBound)? ByStructure(
        Side model,
        Side answer,
        int[] byNames,
        IReadOnlyList<(int Model, int Answer)> said,
        Trust trust
    )
    {
        var matcher = new EntityMatcher(model, answer, new AttributeMatcher(model, answer, trust), trust, said);
        var (map, cost) = matcher.Solve();
        return matcher.Agreement(map) is var agreement && agreement >= SameStructure && agreement >= matcher.Agreement(byNames)
            ? (map, cost, matcher.LowerBound)
            : null;
    }

    private static EntityMatch MatchOf(NamedEntity model, NamedEntity answer, double likeness) =>
        new(
            answer.Entity.Id,
            likeness,
            likeness >= 0.6 ? NameSimilarity.Of(model.Name, answer.Name).Reason : "its place among the others"
        );

    // What a one-to-many relationship has of its own may as well stand at the many side, of which each goes with one only.
    private static IEnumerable<(string Model, string Answer)> ManySides(
        Side model,
        Side answer,
        int[] map,
        ImmutableDictionary<string, RelationshipMatch> relationships
    )
    {
        foreach (var link in model.Links.Where(link => map[link.From] >= 0 && map[link.To] >= 0))
        {
            var roles = link.Relationship.Roles;
            foreach (var (role, other, index) in new[] { (roles[0], roles[1], link.From), (roles[1], roles[0], link.To) })
            {
                if (other.CoOccurrence.Max != 1)
                {
                    continue;
                }

                if (!link.Relationship.Attributes.IsEmpty)
                {
                    yield return (link.Relationship.Id, answer.Entities[map[index]].Entity.Id);
                }

                if (
                    relationships.TryGetValue(link.Relationship.Id, out var match)
                    && answer.Owners[match.AnswerId].Attributes.Length > 0
                )
                {
                    yield return (role.EntityId, match.AnswerId);
                }
            }
        }
    }

    // An entity that nothing stands for, under the name of one that is matched, or under that name with a role before it and
    // with its key; or under a role's name alone, with the key of one that is related to itself, and tied to it.
    private static Dictionary<int, int> Duplicates(Side model, Side answer, int[] map)
    {
        var twins = new Dictionary<int, int>();
        foreach (var extra in Enumerable.Range(0, answer.Count).Except(map))
        {
            var name = answer.Entities[extra].Name;
            var twin = map.Where(index => index >= 0)
                .Order()
                .FirstOrDefault(
                    index =>
                        (
                            IsTwin(name, answer.Entities[extra], answer.Entities[index])
                            || IsInRole(model, answer, Array.IndexOf(map, index), extra, index)
                        )
                        && !answer.Trees.Contains((extra, index))
                        && !answer.Trees.Contains((index, extra)),
                    -1
                );
            if (twin >= 0)
            {
                twins.Add(extra, twin);
            }
        }

        return twins;
    }

    private static bool IsTwin(Name name, NamedEntity extra, NamedEntity other)
    {
        if (other.Name.Words.IsEmpty)
        {
            return false;
        }

        var withRole =
            name.Words.Length == other.Name.Words.Length + 1 && name.Words.AsSpan().EndsWith(other.Name.Words.AsSpan());
        return name.Key == other.Name.Key || (withRole && ShareKey(extra, other));
    }

    private static bool IsInRole(Side model, Side answer, int holder, int extra, int drawn) =>
        model.Links.Any(link => link.From == holder && link.To == holder)
        && ShareKey(answer.Entities[extra], answer.Entities[drawn])
        && answer.Links.Any(link => link.Joins(extra, drawn))
        && !answer.Links.Any(link => link.Joins(extra, extra) || link.Joins(drawn, drawn));

    private static bool ShareKey(NamedEntity one, NamedEntity other) =>
        one.Attributes.Any(attribute =>
            attribute.InKey && other.Attributes.Any(own => own.InKey && own.Name.Key == attribute.Name.Key)
        );

    private static ImmutableDictionary<string, RelationshipMatch> MatchRelationships(
        Side model,
        Side answer,
        int[] map,
        Dictionary<int, int> duplicates
    )
    {
        var links =
            duplicates.Count == 0
                ? answer.Links
                :
                [
                    .. answer.Links.Select(link =>
                        link.Between(
                            duplicates.GetValueOrDefault(link.From, link.From),
                            duplicates.GetValueOrDefault(link.To, link.To)
                        )
                    ),
                ];
        var comparer = new LinkComparer(model);
        var matches = ImmutableDictionary.CreateBuilder<string, RelationshipMatch>(StringComparer.Ordinal);
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var group in model.Links.GroupBy(link => (Math.Min(link.From, link.To), Math.Max(link.From, link.To))))
        {
            var (a, b) = (map[group.Key.Item1], map[group.Key.Item2]);
            if (a < 0 || b < 0)
            {
                continue;
            }

            var candidates = links.Where(link => link.Joins(a, b) && !taken.Contains(link.Relationship.Id)).ToList();
            foreach (var (modelLink, answerLink, flipped) in comparer.PairUp([.. group], candidates, index => map[index]).Pairs)
            {
                taken.Add(answerLink.Relationship.Id);
                matches.Add(
                    modelLink.Relationship.Id,
                    new RelationshipMatch(answerLink.Relationship.Id, PairRoles(modelLink, answerLink, flipped))
                );
            }
        }

        foreach (var (id, match) in DiamondMatcher.Match(model, answer, map))
        {
            matches.Add(id, match);
        }

        return matches.ToImmutable();
    }

    /// <summary>Which role of one link stands for which of another.</summary>
    internal static ImmutableDictionary<string, string> PairRoles(Link model, Link answer, bool flipped)
    {
        var (mine, theirs) = (model.Relationship.Roles, answer.Relationship.Roles);
        return ImmutableDictionary<string, string>
            .Empty.Add(mine[0].Id, theirs[flipped ? 1 : 0].Id)
            .Add(mine[1].Id, theirs[flipped ? 0 : 1].Id);
    }

    private static ImmutableArray<RestatedMatch> Restate(
        Stage stage,
        MatchAllowance allowance,
        Leftovers leftovers,
        HashSet<string> matchedModel,
        HashSet<string> matchedAnswer
    )
    {
        var restated = ImmutableArray.CreateBuilder<RestatedMatch>();
        foreach (var restatement in Restatement.All.Where(restatement => restatement.Stage == stage))
        {
            // Where it is not accepted, what stands at its ends still says what was meant there.
            var standing = allowance.Standings.GetValueOrDefault(restatement.Code, restatement.Usual);
            if (standing == Standing.Different && stage == Stage.Entities)
            {
                continue;
            }

            foreach (var match in restatement.Recognise(leftovers).ToList())
            {
                restated.Add(standing == Standing.Different ? match.OnlyDrawnEnds() : match with { Standing = standing });
                matchedModel.UnionWith(standing == Standing.Different ? [] : match.Holding);
                matchedAnswer.UnionWith(match.Uses);
            }
        }

        return restated.ToImmutable();
    }

    private static int[] StandIn(ImmutableArray<RestatedMatch> restated, int[] map)
    {
        var whole = (int[])map.Clone();
        foreach (var (model, answer) in restated.SelectMany(match => match.StandIns))
        {
            whole[model] = answer;
        }

        return whole;
    }
}
