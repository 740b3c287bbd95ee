using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Decides which attribute of an answer stands for which of the model answer, surest first: by name at owners that correspond,
/// keys by being keys, foreign keys by their relationship, then by name at another owner (moved), and what is then left at
/// corresponding owners by weaker signs together, as an optimal assignment.
/// </summary>
internal sealed class AttributePlacer(Side model, Side answer, Weights weights)
{
    private const double MovedSureness = 0.9;
    private const double MovedAsideSureness = 0.7;
    private const double OtherForm = 0.5;

    // More than what is left without a counterpart costs.
    private const double Never = 2;

    private readonly Dictionary<string, AttributeMatch> found = new(StringComparer.Ordinal);
    private readonly HashSet<string> taken = new(StringComparer.Ordinal);
    private readonly HashSet<string> used = new(StringComparer.Ordinal);
    private readonly List<(AttributeOwner Model, AttributeOwner Answer)> owners = [];

    /// <summary>Attributes that only repeat the key of a neighbour: what is foreign keys in all but their mark.</summary>
    public ImmutableHashSet<string> InDisguise { get; private set; } = [];

    public ImmutableDictionary<string, AttributeMatch> Found => found.ToImmutableDictionary(StringComparer.Ordinal);

    /// <summary>Two owners that stand for each other, with the pairs of their attributes that are alike by name.</summary>
    public void Near(string modelOwner, string answerOwner, IEnumerable<(int Model, int Answer)>? pairs = null)
    {
        var (ours, theirs) = (model.Owners[modelOwner], answer.Owners[answerOwner]);
        owners.Add((ours, theirs));
        foreach (var (i, j) in pairs ?? ByName(ours, theirs))
        {
            if (!IsOneOfItsParts(ours.Attributes[i], theirs.Attributes[j], theirs))
            {
                Match(ours.Attributes[i], theirs.Attributes[j], theirs, false);
            }
        }
    }

    // Beside a last name, a first name is no name as a whole.
    private static bool IsOneOfItsParts(NamedAttribute whole, NamedAttribute drawn, AttributeOwner owner)
    {
        if (whole.Attribute.Leaves.Length < 2 || !drawn.Attribute.Leaves.IsEmpty)
        {
            return false;
        }

        var parts = whole
            .Attribute.Leaves.Select(part => Name.Of($"{part.Name} {whole.Attribute.Name}").Key)
            .ToHashSet(StringComparer.Ordinal);
        return parts.Contains(drawn.Bare.Key) && owner.Attributes.Count(attribute => parts.Contains(attribute.Bare.Key)) > 1;
    }

    /// <summary>Sets aside what restatements have taken up.</summary>
    public void Take(IEnumerable<RestatedMatch> restated)
    {
        foreach (var match in restated)
        {
            Take(match.Uses.Where(id => !match.Owners.Any(owner => owner.Answer == id)), match.Holding);
        }
    }

    /// <summary>Sets aside attributes that are accounted for otherwise.</summary>
    public void Take(IEnumerable<string> ofAnswer, IEnumerable<string> ofModel)
    {
        used.UnionWith(ofAnswer);
        taken.UnionWith(ofModel);
    }

    /// <summary>
    /// Keys that were invented: of an entity whose counterpart has none but what it inherits or gets from those that it links,
    /// the one attribute that is its key and stands for nothing.
    /// </summary>
    public ImmutableHashSet<string> Surrogates() =>
        [
            .. owners
                .Where(pair => !pair.Model.Attributes.Any(attribute => attribute.InKey && attribute.Attribute.ForeignKey is null))
                .Select(pair => SoleKey(pair.Answer))
                .OfType<NamedAttribute>()
                .Where(IsFreeAnswer)
                .Select(attribute => attribute.Attribute.Id),
        ];

    /// <summary>
    /// Two sole keys of corresponding owners stand for each other whatever they are called, unless a like name is at hand or
    /// one only tells one from another and the other says something: a title is no number.
    /// </summary>
    public void Keys()
    {
        foreach (var (ours, theirs) in owners)
        {
            if (
                SoleKey(ours) is { } mine
                && SoleKey(theirs) is { } other
                && IsFree(mine)
                && IsFreeAnswer(other)
                && !AreOpposed(mine.Sort, other.Sort)
                && !model.AreApart(mine.Attribute.Name, other.Attribute.Name)
            )
            {
                Match(mine, other, theirs, false);
            }
        }
    }

    private static bool AreOpposed(ValueSort one, ValueSort other) =>
        (one, other) is (ValueSort.Mark, ValueSort.Called) or (ValueSort.Called, ValueSort.Mark);

    /// <summary>Foreign keys of one relationship stand for each other, whatever their columns are called.</summary>
    public void ForeignKeys(IReadOnlyDictionary<string, RelationshipMatch> relationships)
    {
        foreach (var (ours, theirs) in owners)
        {
            foreach (
                var column in ours.Attributes.Where(column =>
                    column.Attribute.ForeignKeys.Any(key => key.RelationshipId is not null) && IsFree(column)
                )
            )
            {
                var wanted = column
                    .Attribute.ForeignKeys.Select(key =>
                        key.RelationshipId is null ? null : relationships.GetValueOrDefault(key.RelationshipId)?.AnswerId
                    )
                    .OfType<string>()
                    .ToList();
                var other = theirs.Attributes.FirstOrDefault(candidate =>
                    IsFreeAnswer(candidate) && wanted.Exists(candidate.Attribute.RefersAlong)
                );
                if (other is not null)
                {
                    Match(column, other, theirs, false);
                }
            }
        }
    }

    /// <summary>Attributes under their own name at an owner where they do not belong.</summary>
    public void Moved()
    {
        var known = owners.Select(pair => pair.Answer.Id).ToHashSet(StringComparer.Ordinal);
        var loose = answer
            .Owners.Values.Where(owner => known.Contains(owner.Id))
            .SelectMany(owner =>
                owner
                    .Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && IsFreeAnswer(attribute))
                    .Select(attribute => (Owner: owner, Attribute: attribute))
            )
            .OrderBy(candidate => candidate.Owner.Name.Key, StringComparer.Ordinal)
            .ToList();
        foreach (var owner in model.Owners.Values)
        {
            foreach (
                var attribute in owner.Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && IsFree(attribute))
            )
            {
                var best = loose
                    .Where(candidate =>
                        IsFreeAnswer(candidate.Attribute) && !InDisguise.Contains(candidate.Attribute.Attribute.Id)
                    )
                    .Select(candidate =>
                        (candidate.Owner, candidate.Attribute, Value: ElsewhereLikeness(attribute, owner, candidate.Attribute))
                    )
                    .Where(candidate =>
                        candidate.Value >= (IsAtAnEndOf(owner, candidate.Owner) ? MovedAsideSureness : MovedSureness)
                        && (!IsEveryday(attribute.Name, owner.Name, candidate.Attribute.Name) || IsBelow(owner, candidate.Owner))
                    )
                    .OrderByDescending(candidate => candidate.Value)
                    .FirstOrDefault();
                if (best.Attribute is not null)
                {
                    Match(attribute, best.Attribute, best.Owner, true);
                }
            }
        }
    }

    private static double ElsewhereLikeness(NamedAttribute wanted, AttributeOwner owner, NamedAttribute drawn) =>
        NameSimilarity.MeasureTheSame(wanted.Bare, drawn.Bare)
            ? 1
            : NameSimilarity.OfAttributes(wanted.Name, owner.Name, drawn.Name, owner.Name).Value;

    /// <summary>
    /// What is left at corresponding owners, by weaker signs; where the drawings agree all over, as many as are left on both
    /// sides are meant as each other.
    /// </summary>
    public void Weak(bool sameStructure, DrawnTypes types)
    {
        var likeness = new WeakLikeness(weights, types);
        foreach (var (ours, theirs) in owners)
        {
            // With each pair that is found fewer are left, of which the others are told more easily.
            while (MatchLeft(ours, theirs, likeness, sameStructure)) { }
        }
    }

    /// <summary>
    /// What is drawn under one name at all subtypes that are drawn, two or more, and stands for nothing there, is something of
    /// the supertype's that is left over.
    /// </summary>
    public void Repeated(DrawnTypes types)
    {
        var likeness = new WeakLikeness(weights, types);
        foreach (var specialisation in model.Model.Specialisations)
        {
            var drawn = specialisation
                .Subtypes.SelectMany(link => owners.Where(pair => pair.Model.Id == link.EntityId).Take(1))
                .Select(pair => pair.Answer)
                .ToList();
            if (drawn.Count < 2 || drawn.Distinct().Count() < drawn.Count)
            {
                continue;
            }

            var everywhere = drawn[0]
                .Attributes.Select(attribute => drawn.ConvertAll(owner => Alike(owner, attribute)))
                .Where(repeated => !repeated.Contains(null))
                .Select(repeated => repeated.OfType<NamedAttribute>().ToList())
                .ToList();
            var left = model
                .Owners[specialisation.SupertypeId]
                .Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && IsFree(attribute))
                .ToList();
            var alone = left.Count == 1 && everywhere.Count == 1 ? weights["onlyOnesLeft"] : 0;
            var pairs =
                from one in left
                from repeated in everywhere
                let value = likeness.Of(one, repeated[0]) + alone
                where value >= weights["weakSureness"]
                orderby value descending
                select (one, repeated);
            foreach (var (one, repeated) in pairs)
            {
                if (repeated.TrueForAll(IsFreeAnswer))
                {
                    Match(one, repeated[0], drawn[0], true, byPlace: true);
                    used.UnionWith(IsFree(one) ? [] : repeated.Select(attribute => attribute.Attribute.Id));
                }
            }
        }
    }

    private NamedAttribute? Alike(AttributeOwner owner, NamedAttribute attribute) =>
        Array.Find(owner.Attributes, other =>
            other.Bare.Key == attribute.Bare.Key
            && IsFreeAnswer(other)
            && !other.InKey
            && other.Attribute.ForeignKey is null
            && !InDisguise.Contains(other.Attribute.Id)
        );

    private bool MatchLeft(AttributeOwner ours, AttributeOwner theirs, WeakLikeness likeness, bool sameStructure)
    {
        var left = ours.Attributes.Where(attribute => attribute.Attribute.ForeignKey is null && IsFree(attribute)).ToList();
        var right = theirs
            .Attributes.Where(attribute =>
                attribute.Attribute.ForeignKey is null && IsFreeAnswer(attribute) && !InDisguise.Contains(attribute.Attribute.Id)
            )
            .ToList();
        if (left.Count == 0 || right.Count == 0)
        {
            return false;
        }

        var sureness = sameStructure && left.Count == right.Count ? 0 : weights["weakSureness"];
        var alone = left.Count == 1 && right.Count == 1 ? weights["onlyOnesLeft"] : 0;
        var cost = new double[left.Count, right.Count + left.Count];
        for (var i = 0; i < left.Count; i++)
        {
            for (var j = 0; j < right.Count + left.Count; j++)
            {
                cost[i, j] =
                    j >= right.Count ? 1 - sureness
                    : NamesAPart(left[i], right[j]) || model.AreApart(left[i].Attribute.Name, right[j].Attribute.Name) ? Never
                    : 1
                        - likeness.Of(left[i], right[j])
                        - alone
                        - (OnlyOnesOfTheirSort(likeness, left, left[i], right, right[j]) ? weights["onlyOnesOfTheirSort"] : 0)
                        + (sameStructure && !WeakLikeness.SameForm(left[i], right[j]) ? OtherForm : 0);
            }
        }

        var found = Assignment
            .Solve(cost)
            .Select((column, i) => (One: left[i], Other: column < right.Count ? right[column] : null))
            .Where(pair => pair.Other is not null)
            .ToList();
        foreach (var (one, other) in found)
        {
            Match(one, other!, theirs, false, byPlace: true);
        }

        return found.Count > 0;
    }

    // A street is not the address that it is a part of.
    private static bool NamesAPart(NamedAttribute whole, NamedAttribute drawn) =>
        drawn.Attribute.Leaves.IsEmpty && whole.Attribute.Leaves.Any(part => Name.Of(part.Name).Key == drawn.Bare.Key);

    // No other that is left holds values of their sort.
    private static bool OnlyOnesOfTheirSort(
        WeakLikeness likeness,
        List<NamedAttribute> left,
        NamedAttribute one,
        List<NamedAttribute> right,
        NamedAttribute other
    ) =>
        likeness.SameSort(one, other)
        && left.TrueForAll(candidate => candidate == one || !likeness.SameSort(candidate, other))
        && right.TrueForAll(candidate => candidate == other || !likeness.SameSort(one, candidate));

    /// <summary>Marks attributes that repeat a neighbour's key and stand for nothing else.</summary>
    public void Disguised()
    {
        var disguised = ImmutableHashSet.CreateBuilder<string>(StringComparer.Ordinal);
        var known = owners.Select(pair => pair.Answer.Id).ToHashSet(StringComparer.Ordinal);
        foreach (var link in answer.Links)
        {
            foreach (
                var (here, there, role) in new[]
                {
                    (link.From, link.To, link.Relationship.Roles[1]),
                    (link.To, link.From, link.Relationship.Roles[0]),
                }
            )
            {
                var parent = answer.Entities[there];
                disguised.UnionWith(
                    answer
                        .Entities[here]
                        .Attributes.Where(attribute =>
                            known.Contains(answer.Entities[here].Entity.Id)
                            && attribute.Attribute.ForeignKey is null
                            && IsFreeAnswer(attribute)
                            && NamesKeyOf(attribute.Name, parent, role, here == there)
                        )
                        .Select(attribute => attribute.Attribute.Id)
                );
            }
        }

        foreach (var entity in answer.Entities)
        {
            disguised.UnionWith(
                entity
                    .Attributes.Where(attribute =>
                        known.Contains(entity.Entity.Id)
                        && !attribute.InKey
                        && attribute.Attribute.ForeignKey is null
                        && IsFreeAnswer(attribute)
                        && EndsInItsKey(attribute.Name, entity)
                    )
                    .Select(attribute => attribute.Attribute.Id)
            );
        }

        InDisguise = disguised.ToImmutable();
    }

    // The code of the earlier production refers to another one, whether or not a line is drawn.
    private static bool EndsInItsKey(Name name, NamedEntity entity) =>
        entity.Attributes.Any(attribute =>
            attribute.InKey
            && attribute.Name.Words.Length > 1
            && name.Words.Length > attribute.Name.Words.Length
            && name.Words.AsSpan().EndsWith(attribute.Name.Words.AsSpan())
        );

    // Where no keys are drawn, a number that bears its owner's name.
    private static bool IsItsOwnMark(NamedAttribute attribute) =>
        attribute.Sort == ValueSort.Mark && attribute.Bare.Words.Length < attribute.Name.Words.Length;

    private static bool NamesKeyOf(Name name, NamedEntity parent, RelationshipRole role, bool recursive)
    {
        var called = new[] { parent.Name, Name.Of(role.Role) }
            .Where(other =>
                !other.Words.IsEmpty && NameSimilarity.Mentions(name, other) && name.Words.Length > other.Words.Length
            )
            .ToList();
        var keys = parent.Attributes.Where(attribute => attribute.InKey).ToList();
        keys = keys.Count > 0 ? keys : [.. parent.Attributes.Where(IsItsOwnMark)];
        return called.Count > 0
            ? NameSimilarity.EndsAsKey(name) || keys.Any(key => !key.Bare.Words.IsEmpty && key.Bare.Words[^1] == name.Words[^1])
            : !recursive
                && keys.Any(key =>
                    key.Name.Key == name.Key && (key.Name.Words.Length > 1 || key.Bare.Words.Length < key.Name.Words.Length)
                );
    }

    private static IEnumerable<(int Model, int Answer)> ByName(AttributeOwner ours, AttributeOwner theirs)
    {
        var pairs =
            from i in Enumerable.Range(0, ours.Attributes.Length)
            from j in Enumerable.Range(0, theirs.Attributes.Length)
            let value = NameSimilarity
                .OfBare(ours.Attributes[i].Name, ours.Attributes[i].Bare, theirs.Attributes[j].Name, theirs.Attributes[j].Bare)
                .Value
            where value >= AttributeMatcher.Sureness
            orderby value descending
            select (i, j);
        var (left, right) = (new HashSet<int>(), new HashSet<int>());
        return
        [
            .. pairs.Where(pair => !left.Contains(pair.i) && !right.Contains(pair.j) && left.Add(pair.i) && right.Add(pair.j)),
        ];
    }

    private static NamedAttribute? SoleKey(AttributeOwner owner) =>
        owner.Attributes.Where(attribute => attribute.InKey && attribute.Attribute.ForeignKey is null).ToList() is [var only]
            ? only
            : null;

    /// <summary>Whether nothing stands for an attribute of the model answer yet.</summary>
    public bool IsFree(NamedAttribute attribute) =>
        !found.ContainsKey(attribute.Attribute.Id) && !taken.Contains(attribute.Attribute.Id);

    /// <summary>Whether an attribute of the answer stands for nothing yet.</summary>
    public bool IsFreeAnswer(NamedAttribute attribute) => !used.Contains(attribute.Attribute.Id);

    private void Match(NamedAttribute ours, NamedAttribute theirs, AttributeOwner owner, bool moved, bool byPlace = false)
    {
        if (IsFree(ours) && used.Add(theirs.Attribute.Id))
        {
            found.Add(ours.Attribute.Id, new AttributeMatch(theirs.Attribute.Id, owner.Id, moved) { ByPlace = byPlace });
        }
    }

    // Whether what belongs to a relationship stands at one of those that it ties.
    private bool IsAtAnEndOf(AttributeOwner owner, AttributeOwner drawn) =>
        model.Model.Relationships.FirstOrDefault(relationship => relationship.Id == owner.Id) is { } relationship
        && owners.Any(pair => pair.Answer.Id == drawn.Id && relationship.Roles.Any(role => role.EntityId == pair.Model.Id));

    // Whether the answer's owner stands for a subtype of the model answer's.
    private bool IsBelow(AttributeOwner super, AttributeOwner drawn) =>
        owners.Any(pair =>
            pair.Answer.Id == drawn.Id
            && model.Model.Specialisations.Any(set =>
                set.SupertypeId == super.Id && set.Subtypes.Any(link => link.EntityId == pair.Model.Id)
            )
        );

    // "name" at one entity is not the "name" that another lacks; "visitor name" would be.
    private static bool IsEveryday(Name wanted, Name owner, Name candidate)
    {
        var bare = wanted.Without(owner);
        var everyday =
            bare.Words
            is [
                "name"
                or "date"
                or "number"
                or "id"
                or "code"
                or "description"
                or "type"
                or "title"
                or "price"
                or "time"
                or "note",
            ];
        return everyday && candidate.Words.Length == 1;
    }
}
