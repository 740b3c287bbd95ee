using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>Two things alike in all of one key, and not in all of another.</summary>
internal sealed class AlikeThings : ExampleSource
{
    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        foreach (var verdict in dispute.On(FactKinds.Key, FactKinds.EntityKind))
        {
            var entity = dispute.Model.Entity(verdict.Fact.ConceptId);
            if (
                entity.Primary is { } wanted
                && dispute.Comparison.On(FactKinds.Key, entity.Id)?.AnswerId is { } answerId
                && Drawn(entity, answerId, dispute) is var (drawn, added)
            )
            {
                var asDrawn = Variations.WithPrimary(dispute.Model, entity.Id, drawn, added);
                foreach (var proposal in Between(entity.Id, wanted, drawn, asDrawn, FactKinds.Key.IdOf(entity.Id), dispute))
                {
                    yield return proposal;
                }
            }
        }

        foreach (var verdict in dispute.On(FactKinds.AlternateKey).Where(verdict => verdict.Kind == VerdictKind.Absent))
        {
            var entity = dispute.Model.Entities.First(candidate =>
                candidate.Attributes.Any(attribute => attribute.Id == verdict.Fact.ConceptId)
            );
            var wanted = entity.AlternateBy(verdict.Fact.ConceptId);
            foreach (
                var proposal in Between(
                    entity.Id,
                    wanted,
                    null,
                    Variations.WithoutAlternate(dispute.Model, entity.Id, verdict.Fact.ConceptId),
                    verdict.Fact.Id,
                    dispute
                )
            )
            {
                yield return proposal;
            }
        }
    }

    private static IEnumerable<Proposal> Between(
        string entityId,
        Identifier wanted,
        Identifier? drawn,
        ConceptModel asDrawn,
        string factId,
        Dispute dispute
    )
    {
        var entity = asDrawn.Entity(entityId);
        List<KeyMember> inModel = [.. KeyMember.Of(entity, wanted, asDrawn)],
            inDrawn = drawn is null ? [] : [.. KeyMember.Of(entity, drawn, asDrawn)];
        if (inModel.Count > 0)
        {
            var accepted = dispute
                .AcceptedKeys(factId, entity)
                .SelectMany(identifier => KeyMember.Of(entity, identifier, asDrawn));
            yield return Of(ExampleKind.AllowedAsDrawn, [.. inModel.Union(accepted)], asDrawn);
        }

        // An attribute of the drawing that the model answer lacks cannot be spoken of in the model answer's data.
        if (
            inDrawn.Count > 0
            && inDrawn.TrueForAll(member =>
                member.AttributeId is null
                || dispute.Model.Entity(entityId).Attributes.Any(attribute => attribute.Id == member.AttributeId)
            )
        )
        {
            yield return Of(ExampleKind.RuledOutAsDrawn, inDrawn, dispute.Model);
        }

        Proposal Of(ExampleKind kind, List<KeyMember> alike, ConceptModel growing)
        {
            var columns = inModel.Union(inDrawn).Union(alike).ToList();
            var seed = new Growth(growing);
            int one = seed.Add(entityId),
                other = seed.Add(entityId);
            foreach (var member in columns)
            {
                if (member.AttributeId is { } attributeId)
                {
                    seed.Set(one, attributeId, one);
                    seed.Set(other, attributeId, alike.Contains(member) ? one : other);
                    continue;
                }

                var relationship = growing.Relationships.First(candidate => candidate.Id == member.RelationshipId);
                var own = relationship.Roles.First(role => role.EntityId == entityId);
                var owner = seed.Add(relationship.Other(own).EntityId);
                Hang(one, owner);
                Hang(other, alike.Contains(member) ? owner : seed.Add(relationship.Other(own).EntityId));

                void Hang(int thing, int to) => seed.TieAt(relationship, own, thing, to);
            }

            return new Proposal(kind, seed, asDrawn, [factId], population =>
                Show(population, entity, columns, alike, [one, other], asDrawn, dispute)
            );
        }
    }

    // The answer's key in the model answer's terms, with attributes that only the answer has; null when a piece of it cannot be
    // placed.
    private static (Identifier? Key, ImmutableArray<ConceptAttribute> Added)? Drawn(
        EntityType wanted,
        string answerEntityId,
        Dispute dispute
    )
    {
        bool IsTiedTo(string relationshipId) =>
            dispute.Model.RelationshipsOf(wanted.Id).Any(relationship => relationship.Id == relationshipId);

        var correspondence = dispute.Comparison.Correspondence;
        var entity = dispute.Comparison.Answer.Model.Entity(answerEntityId);
        if (entity.Primary is not { } key || (key.AttributeIds.IsEmpty && key.OwnerRelationshipIds.IsEmpty))
        {
            return (null, []);
        }

        var attributes = correspondence
            .Attributes.Where(pair => !pair.Value.Moved)
            .ToDictionary(pair => pair.Value.AnswerId, pair => pair.Key, StringComparer.Ordinal);
        var relationships = correspondence.Relationships.ToDictionary(
            pair => pair.Value.AnswerId,
            pair => pair.Key,
            StringComparer.Ordinal
        );
        var members = ImmutableArray.CreateBuilder<string>();
        var added = ImmutableArray.CreateBuilder<ConceptAttribute>();
        var owners = new List<string>();
        foreach (var id in key.AttributeIds)
        {
            var attribute = entity.Attributes.First(candidate => candidate.Id == id);
            if (attributes.TryGetValue(id, out var modelId))
            {
                if (!wanted.Attributes.Any(one => one.Id == modelId))
                {
                    return null;
                }

                members.Add(modelId);
            }
            else if (
                attribute
                    .ForeignKeys.Select(foreign =>
                        foreign.RelationshipId is null ? null : relationships.GetValueOrDefault(foreign.RelationshipId)
                    )
                    .OfType<string>()
                    .Where(IsTiedTo)
                    .ToList() is
                { Count: > 0 } along
            )
            {
                owners.AddRange(along);
            }
            else
            {
                members.Add($"drawn {id}");
                added.Add(ConceptAttribute.Plain($"drawn {id}", attribute.Name));
            }
        }

        foreach (var id in key.OwnerRelationshipIds)
        {
            if (!relationships.TryGetValue(id, out var modelRelationship) || !IsTiedTo(modelRelationship))
            {
                return null;
            }

            owners.Add(modelRelationship);
        }

        return (
            new Identifier(IdentifierKind.Primary, 0, false, members.ToImmutable(), [.. owners.Distinct(StringComparer.Ordinal)]),
            added.ToImmutable()
        );
    }

    private static ExampleTable Show(
        Population population,
        EntityType entity,
        List<KeyMember> columns,
        List<KeyMember> alike,
        int[] pair,
        ConceptModel asDrawn,
        Dispute dispute
    )
    {
        var names = new ThingNames();
        var kind = dispute.NameOf(entity.Id);
        var heads = columns.Select(Head).ToList();
        var rows = pair.Select(thing =>
                columns.Select((member, i) => Cell(member, heads[i], thing)).Prepend(names.Of(kind, thing)).ToImmutableArray()
            )
            .ToImmutableArray();
        var same = Phrasing.List([
            .. columns.Where(alike.Contains).Select(member => Phrasing.InText(heads[columns.IndexOf(member)])),
        ]);
        return new ExampleTable($"Two {Phrasing.Several(kind)} with the same {same}.", [kind, .. heads], rows);

        string Head(KeyMember member)
        {
            if (member.AttributeId is { } id)
            {
                return dispute.NameOf(entity.Attributes.First(attribute => attribute.Id == id));
            }

            return dispute.NameOf(Far(member).EntityId);
        }

        RelationshipRole Far(KeyMember member)
        {
            var relationship = asDrawn.Relationships.First(candidate => candidate.Id == member.RelationshipId);
            return relationship.Other(relationship.Roles.First(role => role.EntityId == entity.Id));
        }

        string Cell(KeyMember member, string head, int thing)
        {
            if (member.AttributeId is { } id)
            {
                return string.Join(", ", population.Things[thing].ValuesOf(id).Select(value => names.Value(head, value)));
            }

            var far = asDrawn.Relationships.First(candidate => candidate.Id == member.RelationshipId).Roles.IndexOf(Far(member));
            return string.Join(
                ", ",
                population
                    .TiesOf(member.RelationshipId!)
                    .Where(tie => tie.Players[1 - far] == thing)
                    .Select(tie => names.Of(head, tie.Players[far]))
            );
        }
    }
}
