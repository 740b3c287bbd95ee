using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;

namespace BlueSlate.Core.Subjects.Concepts.Preparing;

/// <summary>
/// Builds a model answer up: things that depend on nothing, in the order in which the scenario names them, and at once every
/// relationship between things that are there; then what depends on others, kinds, and what links; at last what else is kept of
/// each.
/// </summary>
internal sealed class ConceptSteps
{
    private readonly ConceptPreflight one;
    private readonly ImmutableDictionary<string, string> sentences;
    private readonly HashSet<string> placed = new(StringComparer.Ordinal);
    private readonly HashSet<string> drawn = new(StringComparer.Ordinal);
    private readonly ImmutableArray<WorkedStep>.Builder steps = ImmutableArray.CreateBuilder<WorkedStep>();

    private ConceptSteps(ConceptPreflight one)
    {
        this.one = one;
        sentences = SentenceWriter
            .Write(one.Reading)
            .DistinctBy(sentence => sentence.ConceptId)
            .ToImmutableDictionary(sentence => sentence.ConceptId, sentence => sentence.Text, StringComparer.Ordinal);
    }

    private ConceptModel Model => one.Model;

    /// <summary>The steps, in their order.</summary>
    public static ImmutableArray<WorkedStep> Of(ConceptPreflight one)
    {
        var building = new ConceptSteps(one);
        building.Build();
        return building.steps.ToImmutable();
    }

    private void Build()
    {
        var waiting = Model.Entities.OrderBy(Depth).ThenBy(FirstPlace).ToList();
        while (waiting.Count > 0)
        {
            // What depends on itself over others comes all the same.
            var next = waiting.Find(entity => DependsOn(entity).All(placed.Contains)) ?? waiting[0];
            waiting.Remove(next);
            if (Model.Specialisations.FirstOrDefault(set => set.Subtypes.Any(link => link.EntityId == next.Id)) is { } set)
            {
                var kinds = set
                    .Subtypes.Select(link => Model.Entity(link.EntityId))
                    .Where(kind => !placed.Contains(kind.Id))
                    .ToList();
                waiting.RemoveAll(kinds.Contains);
                kinds.ForEach(kind => placed.Add(kind.Id));
                AddKinds(set, kinds);
            }
            else
            {
                placed.Add(next.Id);
                AddThing(next);
            }

            AddRelationships();
        }

        foreach (var union in Model.Unions)
        {
            Add(SaidOf(union.Id), "The words tell of all of them together.", [.. one.Reading.ElementsOf(union.Id)], []);
        }

        foreach (var entity in Model.Entities.OrderBy(FirstPlace))
        {
            AddAttributes(entity);
        }
    }

    private int Depth(EntityType entity) => DepthOf(entity, []);

    private int DepthOf(EntityType entity, ImmutableArray<string> above) =>
        above.Contains(entity.Id)
            ? 0
            : DependsOn(entity).Select(id => 1 + DepthOf(Model.Entity(id), above.Add(entity.Id))).DefaultIfEmpty(0).Max();

    // Its owners, what it is a kind of, what it links.
    private IEnumerable<string> DependsOn(EntityType entity) =>
        Owners(entity)
            .Concat(
                Model
                    .Specialisations.Where(set => set.Subtypes.Any(link => link.EntityId == entity.Id))
                    .Select(set => set.SupertypeId)
            )
            .Concat(one.Links.IsOnlyLinking(entity.Id) ? Model.RelationshipsOf(entity.Id).SelectMany(Participants) : [])
            .Where(id => id != entity.Id)
            .Distinct();

    private IEnumerable<string> Owners(EntityType entity) =>
        Model
            .Relationships.Where(tie => entity.Primary?.OwnerRelationshipIds.Contains(tie.Id) == true)
            .SelectMany(Participants)
            .Where(id => id != entity.Id);

    private static IEnumerable<string> Participants(RelationshipType relationship) =>
        relationship.Roles.Select(role => role.EntityId);

    private void AddThing(EntityType entity)
    {
        var name = Phrasing.One(entity.Name);
        var key = KeyOf(entity);
        var keys = Phrasing.List([.. key.Select(attribute => Phrasing.InText(attribute.Name))]);
        var owners = Owners(entity).Select(id => Phrasing.One(Model.Entity(id).Name)).ToList();
        var (said, why) =
            one.Links.IsOnlyLinking(entity.Id)
                ? (
                    $"{Phrasing.Capital(name)} stands between {Phrasing.List(owners.Count > 0 ? owners : Linked(entity))}.",
                    "For one of the one there may be several of the other, and the other way round: "
                        + "what is kept of the two together has its place here."
                )
            : owners.Count > 0
                ? (
                    $"{Phrasing.Capital(Phrasing.Several(entity.Name))} are told apart by their {keys} only within "
                        + $"{Phrasing.List(owners)}.",
                    $"Its {keys} alone says nothing: it depends on {Phrasing.List(owners)}."
                )
            : key.Count > 0 ? ($"{Phrasing.Capital(name)} is known by its {keys}.", Kept(entity))
            : ($"{Phrasing.Capital(name)} is a thing of its own.", Kept(entity));
        Add(said, why, ElementsOf(entity), owners.Count > 0 ? Telling(entity, key) : PlacesOf(entity).Take(1));
    }

    private List<string> Linked(EntityType entity) =>
        [
            .. Model
                .RelationshipsOf(entity.Id)
                .SelectMany(Participants)
                .Where(id => id != entity.Id)
                .Distinct()
                .Select(id => Phrasing.One(Model.Entity(id).Name)),
        ];

    private static string Kept(EntityType entity)
    {
        var kept = entity
            .Attributes.Where(attribute =>
                attribute.ForeignKey is null && entity.Primary?.AttributeIds.Contains(attribute.Id) != true
            )
            .Select(attribute => Phrasing.InText(attribute.Name))
            .ToList();
        return kept.Count > 0
            ? $"Something of its own is to be kept of it: {Phrasing.List(kept)}."
            : "Others go with it, and it is told from others of its kind.";
    }

    private void AddKinds(Specialisation set, List<EntityType> kinds)
    {
        var own = kinds
            .Where(kind => kind.Attributes.Any(attribute => attribute.ForeignKey is null))
            .Select(kind => kind.Name)
            .ToList();
        Add(
            SaidOf(set.Id),
            own.Count > 0
                ? $"{Phrasing.Capital(Phrasing.List([.. own.Select(Phrasing.Several)]))} have facts that the others have not."
                : "Only some of them go with what these go with.",
            [
                .. one.Reading.ElementsOf(set.Id),
                .. set.Subtypes.SelectMany(link => one.Reading.ElementsOf(link.Id)),
                .. kinds.SelectMany(ElementsOf),
            ],
            kinds.SelectMany(kind => PlacesOf(kind).Take(1)).Distinct()
        );
    }

    private void AddRelationships()
    {
        foreach (var relationship in Model.Relationships.Where(tie => Participants(tie).All(placed.Contains)))
        {
            var elements = one
                .Reading.ElementsOf(relationship.Id)
                .Concat(relationship.Roles.SelectMany(role => one.Reading.ElementsOf(role.Id)))
                .Concat(relationship.Attributes.SelectMany(ElementsOf));
            var evidence = relationship.Roles.SelectMany(role => Deciding(role)).ToList();
            Add(SaidOf(relationship.Id), WhyOf(evidence), elements, evidence.Select(said => said.Place).Distinct());
        }
    }

    // The words that decide the numbers at an end as they are drawn: the sure ones, where there are any.
    private IEnumerable<CountEvidence> Deciding(RelationshipRole role)
    {
        var deciding = one.Numbers[role.Id]
            .Where(said =>
                !said.IsUnsure
                && (
                    (said.Min.How != Decides.No && said.Min.Value == role.CoOccurrence.Min)
                    || (said.Max.How != Decides.No && said.Max.Value == role.CoOccurrence.Max)
                )
            )
            .DistinctBy(said => said.Place)
            .ToList();
        var sure = deciding.FindAll(said => said.Min.How == Decides.Surely || said.Max.How == Decides.Surely);
        return (sure.Count > 0 ? sure : deciding).Take(2);
    }

    private static string WhyOf(List<CountEvidence> evidence)
    {
        var quotes = evidence.Select(said => $"“{said.Place.Quote}”").Distinct().ToList();
        return quotes.Count switch
        {
            0 => "The words leave its numbers open.",
            1 => $"{quotes[0]} decides its numbers.",
            _ => $"{Phrasing.List(quotes)} decide its numbers.",
        };
    }

    private void AddAttributes(EntityType entity)
    {
        var all = entity.Attributes.Where(attribute => !drawn.Contains(one.Reading.ElementsOf(attribute.Id)[0])).ToList();
        var kept = all.FindAll(attribute => attribute.ForeignKey is null);
        if (kept.Count > 0 || entity.Operations.Length > 0)
        {
            Add(
                SaidOf(entity, kept),
                $"That is said of {Phrasing.One(entity.Name)} alone, and of nothing else.",
                kept.SelectMany(ElementsOf).Concat(entity.Operations.Select(operation => operation.Id)),
                Telling(entity, kept)
            );
        }

        var foreign = all.FindAll(attribute => attribute.ForeignKey is not null);
        if (foreign.Count > 0)
        {
            var names = Phrasing.List([.. foreign.Select(attribute => Phrasing.InText(attribute.Name))]);
            Add(
                $"{Phrasing.Capital(Phrasing.One(entity.Name))} refers by {names}.",
                "A foreign key repeats the key of what it leads to, on the side of the many.",
                foreign.SelectMany(ElementsOf),
                []
            );
        }
    }

    private static string SaidOf(EntityType entity, List<ConceptAttribute> kept)
    {
        var (name, operations) = (Phrasing.One(entity.Name), Phrasing.List([.. entity.Operations.Select(Named)]));
        var attributes = Phrasing.List([.. kept.Select(Described)]);
        var offers = entity.Operations.Length == 1 ? "the operation" : "the operations";
        return kept.Count == 0 ? $"{Phrasing.Capital(name)} offers {offers} {operations}."
            : entity.Operations.IsEmpty ? $"What is kept of {name}: {attributes}."
            : $"What is kept of {name}: {attributes}. It offers {offers} {operations}.";
    }

    private static string Named(Operation operation) => Phrasing.InText(operation.Name);

    private static string Described(ConceptAttribute attribute)
    {
        var name = Phrasing.InText(attribute.Name);
        return attribute switch
        {
            { Multivalued: true } => $"{name} (several)",
            { Derived: true } => $"{name} (derived)",
            { Optional: true } => $"{name} (if there is one)",
            _ => name,
        };
    }

    private static List<ConceptAttribute> KeyOf(EntityType entity) =>
        [
            .. entity.Attributes.Where(attribute =>
                entity.Primary?.AttributeIds.Contains(attribute.Id) == true && attribute.ForeignKey is null
            ),
        ];

    private IEnumerable<string> ElementsOf(EntityType entity) =>
        one
            .Reading.ElementsOf(entity.Id)
            .Concat(KeyOf(entity).SelectMany(ElementsOf))
            .Concat(entity.Literals.Select(literal => literal.Id));

    private IEnumerable<string> ElementsOf(ConceptAttribute attribute) =>
        one.Reading.ElementsOf(attribute.Id).Concat(attribute.Leaves.SelectMany(part => one.Reading.ElementsOf(part.Id)));

    private string SaidOf(string conceptId) => sentences.GetValueOrDefault(conceptId, "");

    private int FirstPlace(EntityType entity) =>
        Naming(entity).Select(said => (said.Block * 100_000) + said.Sentence.Starts[0]).DefaultIfEmpty(int.MaxValue).First();

    // The sentences that name a thing: those that begin with it, then the others.
    private IEnumerable<ScenarioPlace> PlacesOf(EntityType entity) =>
        Naming(entity).OrderBy(said => said.First ? 0 : 1).Select(said => Whole(said.Block, said.Sentence));

    private IEnumerable<(int Block, ScenarioSentence Sentence, bool First)> Naming(EntityType entity) =>
        from said in one.Sentences
        let named = one.Names.In(said.Sentence).ToList()
        where named.Contains(entity.Id)
        select (said.Block, said.Sentence, named[0] == entity.Id);

    // The sentence about a thing that names most of what is kept of it.
    private IEnumerable<ScenarioPlace> Telling(EntityType entity, List<ConceptAttribute> kept)
    {
        var words = kept.SelectMany(attribute => Name.Of(attribute.Name).Words).ToHashSet(StringComparer.Ordinal);
        return one
            .Spoken.Of(entity.Id)
            .OrderByDescending(said => said.Sentence.Forms.Distinct().Count(words.Contains))
            .Take(1)
            .Where(said => said.Sentence.Forms.Any(words.Contains))
            .Select(said => Whole(said.Block, said.Sentence));
    }

    private ScenarioPlace Whole(int block, ScenarioSentence sentence) => one.PlaceOf(block, sentence, 0, sentence.Written.Length);

    // Each element is drawn once; what draws nothing is no step.
    private void Add(string said, string why, IEnumerable<string> elements, IEnumerable<ScenarioPlace> places)
    {
        var own = elements.Where(drawn.Add).ToImmutableArray();
        if (!own.IsEmpty)
        {
            steps.Add(new WorkedStep(said, why, own, [.. places]));
        }
    }
}
