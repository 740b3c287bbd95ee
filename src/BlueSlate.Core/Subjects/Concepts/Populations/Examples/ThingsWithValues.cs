using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>One thing with two values of an attribute, or with none.</summary>
internal sealed class ThingsWithValues : ExampleSource
{
    public override IEnumerable<Proposal> Propose(Dispute dispute)
    {
        foreach (
            var verdict in dispute
                .On(FactKinds.Multivalued, FactKinds.Optional)
                .Where(verdict => verdict.Kind == VerdictKind.Wrong)
        )
        {
            var owner = dispute.Model.Entities.FirstOrDefault(entity =>
                entity.Attributes.Any(attribute => attribute.Id == verdict.Fact.ConceptId)
            );
            if (owner is null || dispute.AsDrawn([verdict]) is not { } drawn)
            {
                continue;
            }

            var attribute = owner.Attributes.First(candidate => candidate.Id == verdict.Fact.ConceptId);
            var seed = new Growth(dispute.Model);
            var thing = seed.Add(owner.Id);
            seed.Set(thing, attribute.Id, verdict.Fact.Kind == FactKinds.Multivalued ? [thing, thing + 1] : []);
            yield return new Proposal(ExampleKind.RuledOutAsDrawn, seed, drawn, [verdict.Fact.Id], Show);

            ExampleTable Show(Population population)
            {
                var names = new ThingNames();
                string kind = dispute.NameOf(owner.Id),
                    head = dispute.NameOf(attribute);
                var values = population.Things[thing].ValuesOf(attribute.Id);
                var said = values.IsEmpty
                    ? $"{Phrasing.One(kind)} with no {Phrasing.InText(head)}."
                    : $"{Phrasing.One(kind)} with two {Phrasing.Several(head)}.";
                var cell = values.IsEmpty ? "none" : string.Join(", ", values.Select(value => names.Value(head, value)));
                return new ExampleTable(
                    Phrasing.Capital(said),
                    [kind, head],
                    [
                        [names.Of(kind, thing), cell],
                    ]
                );
            }
        }
    }
}
