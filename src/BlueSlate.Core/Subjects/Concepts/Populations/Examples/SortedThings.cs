using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>One thing that is of two subtypes at once, or of none.</summary>
internal sealed class SortedThings : ExampleSource
{
    private const int MostSubtypes = 4;

    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        foreach (
            var verdict in dispute
                .On(FactKinds.Disjoint, FactKinds.Total)
                .Where(verdict => verdict.Kind != VerdictKind.AbsentWithOwner)
        )
        {
            var set = dispute.Model.Specialisations.First(candidate => candidate.Id == verdict.Fact.ConceptId);
            var subtypes = set.Subtypes.Select(link => link.EntityId).ToList();
            if (dispute.AsDrawn([verdict]) is not { } drawn || (verdict.Fact.Kind == FactKinds.Disjoint && subtypes.Count < 2))
            {
                continue;
            }

            List<string> belonging = verdict.Fact.Kind == FactKinds.Disjoint ? [.. subtypes.Take(2)] : [set.SupertypeId];
            var forbidden = verdict.Fact.Value is "disjoint" or "total";
            var seed = new Growth(forbidden ? drawn : dispute.Model);
            var thing = seed.AddExactly(belonging);
            yield return new Proposal(
                forbidden ? ExampleKind.AllowedAsDrawn : ExampleKind.RuledOutAsDrawn,
                seed,
                drawn,
                [verdict.Fact.Id],
                Show
            );

            ExampleTable Show(Population population)
            {
                var names = new ThingNames();
                var super = dispute.NameOf(set.SupertypeId);
                var shown = subtypes.Take(MostSubtypes).ToList();
                var said =
                    verdict.Fact.Kind == FactKinds.Disjoint
                        ? $"{Phrasing.One(super)} that is {Phrasing.One(dispute.NameOf(subtypes[0]))} and "
                            + $"{Phrasing.One(dispute.NameOf(subtypes[1]))} at once."
                        : $"{Phrasing.One(super)} that is {NoneOf([.. subtypes.Select(id => Phrasing.InText(dispute.NameOf(id)))])}.";
                ImmutableArray<string> row =
                [
                    names.Of(super, thing),
                    .. shown.Select(id => population.Things[thing].Types.Contains(id) ? "yes" : "no"),
                ];
                return new ExampleTable(Phrasing.Capital(said), [super, .. shown.Select(dispute.NameOf)], [row]);
            }
        }
    }

    private static string NoneOf(string[] kinds) =>
        kinds switch
        {
            [var only] => $"no {only}",
            [var one, var other] => $"neither {one} nor {other}",
            _ => $"none of {Phrasing.List(kinds)}",
        };
}
