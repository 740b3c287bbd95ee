using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>One thing with as many at the end in dispute as only one of the two allows.</summary>
internal sealed class LinkedThings : ExampleSource
{
    private const int Most = 8;

    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        var ends = dispute.On(FactKinds.Minimum, FactKinds.Maximum).Where(verdict => verdict.Kind == VerdictKind.Wrong).ToList();
        if (ends.Count == 0 || dispute.AsDrawn(ends) is not { } drawn)
        {
            yield break;
        }

        foreach (var roleId in ends.Select(verdict => verdict.Fact.ConceptId).Distinct())
        {
            var wanted = dispute.Model.Relationships.First(candidate => candidate.Roles.Any(role => role.Id == roleId));
            if (wanted.Roles.Length != 2)
            {
                continue;
            }

            var otherwise = drawn.Relationships.First(candidate => candidate.Id == wanted.Id);
            Count here = CountAt(wanted, roleId),
                there = CountAt(otherwise, roleId);
            string[] about =
            [
                .. wanted.Roles.SelectMany(role => new[] { FactKinds.Minimum.IdOf(role.Id), FactKinds.Maximum.IdOf(role.Id) }),
            ];
            foreach (var number in Numbers(here, there))
            {
                var asDrawn = PopulationRules.Allows(there, number);
                if (asDrawn != PopulationRules.Allows(here, number))
                {
                    yield return asDrawn
                        ? Of(ExampleKind.AllowedAsDrawn, otherwise, roleId, number, drawn, drawn, about, dispute)
                        : Of(ExampleKind.RuledOutAsDrawn, wanted, roleId, number, dispute.Model, drawn, about, dispute);
                }
            }
        }
    }

    private static Count CountAt(RelationshipType relationship, string roleId) =>
        relationship.Roles.First(role => role.Id == roleId).CoOccurrence;

    // The numbers at which two counts can part.
    private static IEnumerable<int> Numbers(Count one, Count other) =>
        new[] { one.Min, one.Max, other.Min, other.Max }
            .Where(bound => bound is not null and not Count.Many)
            .SelectMany(bound => new[] { bound!.Value - 1, bound.Value, bound.Value + 1 })
            .Append(0)
            .Append(2)
            .Where(number => number is >= 0 and <= Most)
            .Distinct()
            .Order();

    private static Proposal Of(
        ExampleKind kind,
        RelationshipType relationship,
        string roleId,
        int number,
        ConceptModel growing,
        ConceptModel drawn,
        string[] about,
        Dispute dispute
    )
    {
        var role = relationship.Roles.First(candidate => candidate.Id == roleId);
        var other = relationship.Other(role);
        var seed = new Growth(growing);
        var fixedThing = seed.Add(other.EntityId);
        for (var i = 0; i < number; i++)
        {
            var thing = seed.Add(role.EntityId);
            seed.TieAt(relationship, role, thing, fixedThing);
        }

        seed.Close(roleId, fixedThing);
        return new Proposal(kind, seed, drawn, about, population =>
            Show(population, relationship, role, other, fixedThing, number, dispute)
        );
    }

    private static ExampleTable Show(
        Population population,
        RelationshipType relationship,
        RelationshipRole role,
        RelationshipRole other,
        int fixedThing,
        int number,
        Dispute dispute
    )
    {
        var names = new ThingNames();
        string here = dispute.NameOf(role.EntityId),
            there = dispute.NameOf(other.EntityId);
        var (own, far) = relationship.Roles[0].Id == role.Id ? (0, 1) : (1, 0);
        var owner = names.Of(there, fixedThing);
        var rows = population
            .TiesOf(relationship.Id)
            .Where(tie => tie.Players[far] == fixedThing)
            .Select(tie => ImmutableArray.Create(owner, names.Of(here, tie.Players[own])))
            .ToImmutableArray();
        var said = number switch
        {
            0 => $"{Phrasing.One(there)} with no {Phrasing.InText(Called(role, here))}",
            1 => $"{Phrasing.One(there)} with one {Phrasing.InText(Called(role, here))}",
            _ => $"{Phrasing.One(there)} with {number} {Phrasing.Several(Called(role, here))}",
        };
        return new ExampleTable(
            Phrasing.Capital(said) + ".",
            [Head(other, there, relationship), Head(role, here, relationship)],
            rows.IsEmpty
                ?
                [
                    [owner, "none"],
                ]
                : rows
        );
    }

    private static string Called(RelationshipRole role, string entity) => role.Role.Length > 0 ? role.Role : entity;

    private static string Head(RelationshipRole role, string entity, RelationshipType relationship) =>
        relationship.IsRecursive && role.Role.Length > 0 ? $"{entity} ({Phrasing.InText(role.Role)})" : entity;
}
