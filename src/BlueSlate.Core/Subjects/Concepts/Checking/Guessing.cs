using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// Tells of a comparison what rests on the place alone: counterparts with other names, and what is missing beside what is too much in
/// one place, tied to the same neighbours or left over at the same owner.
/// </summary>
internal static class Guessing
{
    // Of more than so many left on one side nobody would ask which is which.
    private const int MostLeft = 3;

    // More reasons convince nobody more.
    private const int MostSaid = 3;

    public static IEnumerable<Guess> Of(ConceptComparison comparison) =>
        TakenEntities(comparison)
            .Concat(TakenAttributes(comparison))
            .Concat(LeftEntities(comparison))
            .Concat(LeftAttributes(comparison))
            .Where(guess => guess.Answer.Name.Trim().Length > 0 && guess.Model.Name.Trim().Length > 0)
            .Where(guess => Name.Of(guess.Answer.Name).Key != Name.Of(guess.Model.Name).Key);

    private static IEnumerable<Guess> TakenEntities(ConceptComparison comparison) =>
        comparison.Unsure.Select(id =>
        {
            var wanted = comparison.Model.Model.Entity(id);
            var drawn = comparison.Answer.Model.Entity(comparison.Correspondence.Entities[id].AnswerId);
            return Of(wanted, drawn, true) with
            {
                Said = $"{drawn.Name} is taken for {wanted.Name}, since {Since(wanted, drawn, comparison)}.",
            };
        });

    // By what a thing is known that is called otherwise: what it is tied to, and what it has.
    private static string Since(EntityType wanted, EntityType drawn, ConceptComparison comparison)
    {
        var beside = NeighboursOf(comparison.Answer.Model, drawn.Id);
        var tied = NeighboursOf(comparison.Model.Model, wanted.Id)
            .Select(id => comparison.Correspondence.Entities.GetValueOrDefault(id)?.AnswerId)
            .Where(id => id is not null && beside.Contains(id))
            .Select(id => comparison.Answer.Model.Entity(id!).Name)
            .Order(StringComparer.Ordinal)
            .Take(MostSaid)
            .ToList();
        var had = wanted
            .Attributes.Select(attribute => comparison.Correspondence.Attributes.GetValueOrDefault(attribute.Id))
            .Where(match => match is { ByPlace: false })
            .Select(match => drawn.Attributes.FirstOrDefault(attribute => attribute.Id == match!.AnswerId)?.Name)
            .OfType<string>()
            .Select(Phrasing.InText)
            .Take(MostSaid)
            .ToList();
        return (tied.Count, had.Count) switch
        {
            (0, 0) => "nothing else is left in its place",
            (0, _) => $"it has {Phrasing.List(had)} as well",
            (_, 0) => $"it is tied to {Phrasing.List(tied)} as well",
            _ => $"it is tied to {Phrasing.List(tied)} and has {Phrasing.List(had)} as well",
        };
    }

    private static IEnumerable<Guess> TakenAttributes(ConceptComparison comparison) =>
        from owner in comparison.Model.Model.Entities
        where comparison.Correspondence.Entities.ContainsKey(owner.Id)
        let drawn = comparison.Answer.Model.Entity(comparison.Correspondence.Entities[owner.Id].AnswerId)
        from attribute in owner.Attributes
        let match = comparison.Correspondence.Attributes.GetValueOrDefault(attribute.Id)
        where match is { ByPlace: true }
        let other = drawn.Attributes.FirstOrDefault(candidate => candidate.Id == match.AnswerId)
        where other is not null
        select Of(attribute, owner, other, drawn, true) with
        {
            Said =
                $"{Phrasing.Capital(Phrasing.InText(other.Name))} of {Phrasing.InText(drawn.Name)} is taken for "
                + $"{Phrasing.InText(attribute.Name)}, since nothing there is more like it.",
        };

    // An entity that stands for nothing, with the missing one that has most of its neighbours and attributes; with several, with none.
    private static IEnumerable<Guess> LeftEntities(ConceptComparison comparison)
    {
        var (model, answer) = (comparison.Model.Model, comparison.Answer.Model);
        var counterparts = comparison.Correspondence.Entities.ToDictionary(
            pair => pair.Key,
            pair => pair.Value.AnswerId,
            StringComparer.Ordinal
        );
        var missing = model
            .Entities.Where(entity => comparison.On(FactKinds.Entity, entity.Id) is { IsBad: true })
            .Where(entity => !counterparts.ContainsKey(entity.Id))
            .ToList();
        foreach (var extra in comparison.Extras.Where(extra => extra.Kind == ExtraKinds.Entity))
        {
            var drawn = answer.Entity(extra.AnswerId);
            var beside = NeighboursOf(answer, drawn.Id);
            var ranked = missing
                .Where(entity => entity.Kind is EntityKind.Enumeration == drawn.Kind is EntityKind.Enumeration)
                .Select(entity => (Entity: entity, Shared: Shared(entity)))
                .Where(pair => pair.Shared > 0)
                .OrderByDescending(pair => pair.Shared)
                .ToList();
            if (ranked.Count > 0 && (ranked.Count == 1 || ranked[0].Shared > ranked[1].Shared))
            {
                yield return Of(ranked[0].Entity, drawn, false);
            }

            int Shared(EntityType entity) =>
                NeighboursOf(model, entity.Id).Count(id => counterparts.TryGetValue(id, out var other) && beside.Contains(other))
                + entity.Attributes.Count(attribute => drawn.Attributes.Any(other => AreAlike(attribute, other)));
        }
    }

    // Attributes left at corresponding owners: the only ones, or the only ones that hold values of their sort.
    private static IEnumerable<Guess> LeftAttributes(ConceptComparison comparison)
    {
        foreach (var owner in comparison.Model.Model.Entities)
        {
            if (!comparison.Correspondence.Entities.TryGetValue(owner.Id, out var match))
            {
                continue;
            }

            var drawn = comparison.Answer.Model.Entity(match.AnswerId);
            var missing = owner
                .Attributes.Where(attribute =>
                    comparison.On(FactKinds.Attribute, attribute.Id) is { IsBad: true }
                    && !comparison.Correspondence.Attributes.ContainsKey(attribute.Id)
                )
                .ToList();
            var extra = drawn
                .Attributes.Where(attribute =>
                    comparison.Extras.Any(one => one.Kind == ExtraKinds.Attribute && one.AnswerId == attribute.Id)
                )
                .ToList();
            if (missing.Count is 0 or > MostLeft || extra.Count is 0 or > MostLeft)
            {
                continue;
            }

            foreach (var attribute in missing)
            {
                var others = extra.Where(other => SortOf(other) == SortOf(attribute)).ToList();
                var alone = missing.Count(one => SortOf(one) == SortOf(attribute)) == 1;
                if (others is [var only] && alone)
                {
                    yield return Of(attribute, owner, only, drawn, false);
                }
                else if (missing.Count == 1 && extra.Count == 1)
                {
                    yield return Of(attribute, owner, extra[0], drawn, false);
                }
            }
        }
    }

    private static HashSet<string> NeighboursOf(ConceptModel model, string id) =>
        [
            .. model
                .RelationshipsOf(id)
                .SelectMany(relationship => relationship.Roles.Select(role => role.EntityId))
                .Concat(
                    model
                        .Specialisations.Where(set =>
                            set.SupertypeId == id || set.Subtypes.Any(subtype => subtype.EntityId == id)
                        )
                        .SelectMany(set => set.Subtypes.Select(subtype => subtype.EntityId).Append(set.SupertypeId))
                )
                .Where(other => other != id),
        ];

    private static bool AreAlike(ConceptAttribute one, ConceptAttribute other) =>
        Name.Of(one.Name).Key == Name.Of(other.Name).Key;

    private static ValueSort SortOf(ConceptAttribute attribute) => Name.Of(attribute.Name).Sort;

    private static Guess Of(EntityType model, EntityType answer, bool taken) =>
        new(
            new NamedThing(model.Id, model.Name, null),
            new NamedThing(answer.Id, answer.Name, null),
            FactKinds.Entity.IdOf(model.Id),
            taken
        );

    private static Guess Of(ConceptAttribute model, EntityType owner, ConceptAttribute answer, EntityType drawn, bool taken) =>
        new(
            new NamedThing(model.Id, model.Name, owner.Id),
            new NamedThing(answer.Id, answer.Name, drawn.Id),
            FactKinds.Attribute.IdOf(model.Id),
            taken
        );
}
