using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Checking.Findings.NotationFaults;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>docs/adding.md, held to its word: one class is all it takes, and nothing else needs to know of it.</summary>
public sealed class AddingTests
{
    private static readonly Drawing Model = new Sketch()
        .Box("Visit", "PK visit no")
        .Box("Item", "PK item no")
        .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
        .ToDrawing();

    [Fact]
    public void A_kind_of_finding_is_one_class()
    {
        var answer = new Sketch()
            .Box("VISIT", "PK visit no")
            .Box("Item", "PK item no")
            .Line("VISIT", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
            .ToDrawing();
        var found = Exercise
            .Of(Model)
            .Assess(answer, [], [.. FindingKind.All, new NameInCapitals()])
            .Findings.ShouldHaveSingleItem();
        (found.Code, found.Headline).ShouldBe(("name-in-capitals", "VISIT shouts."));
        Exercise.Of(Model).Assess(answer, []).Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Every_kind_is_found_by_its_type_alone()
    {
        var types = typeof(FindingKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(FindingKind)) && !type.IsAbstract && type != typeof(NotationFault));
        FindingKind
            .All.Where(kind => kind is not NotationFault)
            .Select(kind => kind.GetType())
            .ShouldBe(types, ignoreOrder: true);
        foreach (var kind in FindingKind.All)
        {
            kind.Title.ShouldNotBeNullOrWhiteSpace();
            kind.Help.ShouldMatch("[.?!]$");
        }
    }

    [Fact]
    public void Every_kind_of_finding_has_an_example_and_every_example_a_kind() =>
        ExampleArea.Codes.ShouldBe(FindingKind.All.Select(kind => kind.Code), ignoreOrder: true);

    [Fact]
    public void Every_remark_has_its_words() =>
        RemarkCatalogue.All.Select(text => text.Kind).ShouldBe(Enum.GetValues<RemarkKind>(), ignoreOrder: true);

    [Fact]
    public void A_kind_of_fact_is_one_class()
    {
        var options = new CrowsFootOptions();
        var terms = ExerciseTerms.Usual with { Kinds = [.. ConceptFactKind.All, new NeighboursFact()] };
        var facts = Subject.Of(options).Prepare(Model, options, terms, Tolerances.None).Facts;
        facts.Select(fact => fact.Id).ShouldContain("neighbours:b1");
        var scheme = SchemeDeriver.Derive(facts, 20);
        scheme.Lines.ShouldContain(line => line.Title == "Neighbours of Visit");
        var assessor = new Assessor(Model, options, [], scheme, terms);
        assessor.Assess(Model, []).Sheet.Total.ShouldBe(20);

        var lonely = new Sketch().Box("Visit", "PK visit no").Box("Item", "PK item no").ToDrawing();
        var assessment = assessor.Assess(lonely, []);
        assessment.Comparison.On("neighbours:b1")!.Drawn.ShouldBe("0");
        assessment.Sheet.Lines.Single(line => line.Line.FactIds.Contains("neighbours:b1")).Earned.ShouldBe(Rational.Zero);
        new Assessor(Model, options, [new Tolerance("neighbours:b1", ["0"], false, false)], scheme, terms)
            .Assess(lonely, [])
            .Comparison.On("neighbours:b1")!
            .IsGood.ShouldBeTrue();
    }

    [Fact]
    public void Every_kind_of_fact_is_found_by_its_type_alone()
    {
        var types = typeof(ConceptFactKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(ConceptFactKind)) && !type.IsAbstract);
        ConceptFactKind.All.Select(kind => kind.GetType()).ShouldBe(types, ignoreOrder: true);
        ConceptFactKind.All.Select(kind => kind.Name).ShouldBeUnique();
        typeof(FactKinds)
            .GetProperties()
            .Select(property => property.GetValue(null))
            .ShouldBe(ConceptFactKind.All, ignoreOrder: true);
    }

    [Fact]
    public void A_restatement_is_one_class()
    {
        var model = new Sketch()
            .Box("Repair", "PK no")
            .Box("Part", "PK code")
            .Line("Repair", Ends.ZeroOrMore, "Part", Ends.OneOrMore, "uses")
            .ToDrawing();
        var answer = new Sketch().Box("Repair", "PK no").Box("Part", "PK code").Box("Part list").ToDrawing();
        var left = LeftoversOf(model, answer);
        var match = new ListForManyToMany().Recognise(left).ShouldHaveSingleItem();
        match.Holding.ShouldBe(["r1"]);
        match.Uses.ShouldBe(["b3"]);
    }

    [Fact]
    public void Every_restatement_leaves_what_it_does_not_know_alone()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessment = Exercise.Of(model, level).Assess(model, []);
            assessment.Comparison.Correspondence.Restated.ShouldBeEmpty(name);
        }
    }

    private static Leftovers LeftoversOf(Drawing model, Drawing answer)
    {
        var (ours, theirs) = (
            new Side(Exercise.Read(model).Model, ExerciseWords.None),
            new Side(Exercise.Read(answer).Model, ExerciseWords.None)
        );
        var map = ours
            .Entities.Select(entity => Array.FindIndex(theirs.Entities, other => other.Name.Key == entity.Name.Key))
            .ToArray();
        return new Leftovers(ours, theirs, map, [], []) { Attributes = new AttributePlacer(ours, theirs, Weights.Shipped) };
    }

    private sealed class NameInCapitals : ConceptFindingKind
    {
        public override string Code => "name-in-capitals";

        public override string Title => "Name in capitals";

        public override string Help => "Names are written as one would say them.";

        public override bool IsIndependent => true;

        public override IEnumerable<Finding> Find(Evidence evidence) =>
            from entity in evidence.Comparison.Answer.Model.Entities
            where entity.Name.Length > 1 && entity.Name.All(char.IsUpper)
            select new Finding
            {
                Id = $"{Code}:{entity.Id}",
                Code = Code,
                Tag = Tag.Differs,
                Headline = $"{entity.Name} shouts.",
                There = "A name in capitals.",
                Wanted = "Small letters.",
                Why = "It is harder to read.",
                AnswerElements = [entity.Id],
            };
    }

    // How many others an entity is tied to: a kind that nobody wants, from outside the core.
    private sealed record NeighboursFact() : ConceptFactKind("neighbours", 50)
    {
        public override IEnumerable<Fact> OfEntity(EntityType entity, FactScope scope) =>
            [New(entity.Id, entity.Id, $"neighbours of {entity.Name}", Count(scope.Model, entity.Id))];

        public override SchemePlace PlaceOf(Fact fact) => SchemePlace.Line("N" + fact.Title[1..], 1);

        internal override Verdict Judge(Fact fact, VerdictRules rules) =>
            rules.Look.CounterpartOf(fact.ConceptId) is { } drawn
                ? VerdictLookup.Judge(fact, drawn.Id, Count(rules.Look.Answer.Model, drawn.Id), VerdictLookup.Equal)
                : new Verdict(fact, VerdictKind.AbsentWithOwner, null, "");

        private static string Count(ConceptModel model, string id) => $"{model.RelationshipsOf(id).Count()}";
    }

    private sealed class ListForManyToMany : Restatement
    {
        public override string Code => "list-for-many-to-many";

        public override string Title => "A many-to-many relationship, as a list at either side";

        public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
        {
            foreach (var link in leftovers.ModelLinks.Where(link => link.Relationship.IsManyToMany))
            {
                var list = leftovers
                    .AnswerEntities.Select(index => leftovers.Answer.Entities[index].Entity)
                    .FirstOrDefault(entity => entity.Name.EndsWith("list", StringComparison.Ordinal));
                if (list is not null)
                {
                    var count = new RestatedCount(new Count(0, Count.Many), list.Id);
                    yield return new RestatedMatch(
                        Code,
                        "Drawn as a list.",
                        [link.Relationship.Id],
                        System.Collections.Immutable.ImmutableDictionary<string, RestatedCount>.Empty.Add(
                            link.Relationship.Roles[0].Id,
                            count
                        ),
                        [list.Id]
                    );
                }
            }
        }
    }
}
