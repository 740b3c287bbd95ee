using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;
using Shouldly;

namespace BlueSlate.Core.Tests.Matching;

/// <summary>
/// What a thing stands for is judged by its word, by what it has, by what it hangs on and by what is left over, all at once.
/// </summary>
public sealed class EvidenceTests
{
    private static Sketch Pottery =>
        new Sketch()
            .Box("Potter", "PK potter no", "name", "birth year")
            .Box("Pot", "PK pot no", "glaze", "height")
            .Box("Kiln", "PK kiln no", "fuel")
            .Box("Firing", "PK firing no", "peak temperature")
            .Line("Potter", Ends.One, "Pot", Ends.ZeroOrMore, "throws")
            .Line("Firing", Ends.ZeroOrOne, "Pot", Ends.OneOrMore, "hardens")
            .Line("Kiln", Ends.One, "Firing", Ends.ZeroOrMore, "burns in");

    [Fact]
    public void Under_whatever_name_a_thing_is_known_by_what_it_hangs_on_and_has()
    {
        var answer = new Sketch()
            .Box("Potter", "PK potter no", "name", "birth year")
            .Box("Pot", "PK pot no", "glaze", "height")
            .Box("Hot box", "PK box no", "burns what")
            .Box("Grzmot", "PK gr no", "hottest degree")
            .Line("Potter", Ends.One, "Pot", Ends.ZeroOrMore, "makes")
            .Line("Grzmot", Ends.ZeroOrOne, "Pot", Ends.OneOrMore, "fixes")
            .Line("Hot box", Ends.One, "Grzmot", Ends.ZeroOrMore, "is used for")
            .ToDrawing();
        var found = Match(Pottery.ToDrawing(), answer);
        found.Entities["b3"].AnswerId.ShouldBe("b3");
        found.Entities["b4"].AnswerId.ShouldBe("b4");
        found.IsProved.ShouldBeTrue();
    }

    [Fact]
    public void A_drawing_of_something_else_earns_nothing_though_it_has_lines_in_the_same_places()
    {
        var other = new Sketch()
            .Box("Skipper", "PK skipper no", "name", "licence date")
            .Box("Voyage", "PK voyage no", "cargo")
            .Box("Harbour", "PK harbour code", "depth")
            .Box("Mooring", "PK mooring no", "from day")
            .Line("Skipper", Ends.One, "Voyage", Ends.ZeroOrMore, "sails")
            .Line("Voyage", Ends.One, "Mooring", Ends.ZeroOrMore, "includes")
            .Line("Harbour", Ends.One, "Mooring", Ends.ZeroOrMore, "grants")
            .ToDrawing();
        Match(Pottery.ToDrawing(), other).Entities.ShouldBeEmpty();
        Exercise.Of(Pottery.ToDrawing()).Assess(other, []).Sheet.Total.ShouldBe(0);
    }

    [Fact]
    public void Somebody_is_not_something()
    {
        Sketch With(string box) =>
            new Sketch()
                .Box("Potter", "PK potter no", "name", "birth year")
                .Box("Pot", "PK pot no", "glaze", "height")
                .Box(box, "PK no", "name")
                .Line("Potter", Ends.One, "Pot", Ends.ZeroOrMore, "throws")
                .Line(box, Ends.ZeroOrOne, "Pot", Ends.OneOrMore, "hardens");
        var model = Pottery.ToDrawing();
        Match(model, With("Furnace run").ToDrawing()).Entities["b4"].AnswerId.ShouldBe("b3");
        Match(model, With("Apprentice").ToDrawing()).Entities.ShouldNotContainKey("b4");
    }

    [Fact]
    public void Of_several_subtypes_the_last_is_known_by_the_others()
    {
        Sketch Kinds(string third) =>
            new Sketch()
                .Box("Pot", "PK pot no", "glaze")
                .Box("Jug", "spout length")
                .Box("Bowl", "rim width")
                .Box(third, "wall count")
                .Circle("d", "Pot", true, "Jug", "Bowl", third);
        var found = Match(Kinds("Tile").ToDrawing(), Kinds("Flat thing").ToDrawing(), new ChenOptions());
        found.Entities["b4"].AnswerId.ShouldBe("b4");
    }

    [Theory]
    [InlineData("glaze", "coating", true)]
    [InlineData("phone", "mailbox", false)]
    [InlineData("first day", "closing date", false)]
    [InlineData("first day", "opens on", true)]
    [InlineData("height", "kilos", false)]
    [InlineData("weight", "kilos", true)]
    [InlineData("birth year", "sort", false)]
    [InlineData("harbour pennant", "colour", false)]
    [InlineData("certainty", "how sure", true)]
    public void What_is_left_in_one_owner_is_one_unless_its_values_are_of_another_sort(string wanted, string drawn, bool same)
    {
        Sketch One(string attribute) => new Sketch().Box("Pot", "PK pot no", attribute).Box("Potter", "PK potter no", "name");
        Match(One(wanted).ToDrawing(), One(drawn).ToDrawing()).Attributes.Count.ShouldBe(same ? 4 : 3);
    }

    [Fact]
    public void Of_two_sorts_of_one_thing_the_nearer_is_meant()
    {
        Sketch Shelters(params string[] kinds) =>
            new Sketch()
                .Box("Shelter", "PK shelter no", "place")
                .Box(kinds[0], "PK shed no")
                .Box(kinds[1], "PK shed no")
                .Line("Shelter", Ends.One, kinds[0], Ends.ZeroOrMore, "has")
                .Line("Shelter", Ends.One, kinds[1], Ends.ZeroOrMore, "has");
        var found = Match(Shelters("Vehicle shed", "Fruit shed").ToDrawing(), Shelters("Pear shed", "Lorry shed").ToDrawing());
        found.Entities["b2"].AnswerId.ShouldBe("b3");
        found.Entities["b3"].AnswerId.ShouldBe("b2");
    }

    [Fact]
    public void A_key_that_says_what_a_thing_is_called_is_not_its_number()
    {
        Sketch Pots(string key) => new Sketch().Box("Pot", $"PK {key}", "glaze").Box("Potter", "PK potter no", "name");
        var model = Pots("pot no").ToDrawing();
        Match(model, Pots("stamp").ToDrawing()).Attributes.Count.ShouldBe(4);
        Match(model, Pots("pot title").ToDrawing()).Attributes.Count.ShouldBe(3);
    }

    [Fact]
    public void What_the_scenario_calls_an_attribute_is_that_attribute()
    {
        Sketch Pots(string attribute) =>
            new Sketch().Box("Pot", "PK pot no", "glaze", attribute, "height").Box("Potter", "PK potter no", "name");
        var concepts = Exercise.Read(Pots("throwing hand").ToDrawing()).Model;
        var model = new MatchModel(
            concepts,
            ExerciseWords.None,
            Weights.Shipped,
            new ScenarioText("A pot has a number, a glaze, a twist and a height.")
        );
        var answer = Exercise.Read(Pots("twist").ToDrawing()).Model;
        var hand = concepts.Entities.SelectMany(entity => entity.Attributes).Single(one => one.Name == "throwing hand");
        Matcher.Match(model, answer, MatchAllowance.Plain).Best.Attributes[hand.Id].ByPlace.ShouldBeFalse();
    }

    [Theory]
    [InlineData("Firing corner", 1, true)]
    [InlineData("Firing corner", 2, false)]
    [InlineData("Town", 1, true)]
    [InlineData("Apprentice", 1, false)]
    public void A_box_that_is_no_more_than_a_value_is_the_attribute(string box, int times, bool isAttribute)
    {
        Sketch Kilns(params string[] rows) =>
            new Sketch().Box("Kiln", ["PK kiln no", "fuel", .. rows]).Box("Potter", "PK potter no", "name");
        var model = Kilns("firing spot").ToDrawing();
        var answer = Kilns()
            .Box(box)
            .Line("Kiln", Ends.ZeroOrMore, box, times == 1 ? Ends.One : Ends.OneOrMore, "goes with")
            .ToDrawing();
        Match(model, answer).Promoted.Count.ShouldBe(isAttribute ? 1 : 0);
    }

    [Fact]
    public void A_number_is_no_amount_and_what_is_worked_out_is_not_what_it_is_worked_out_from()
    {
        Sketch Pots(params string[] rows) => new Sketch().Box("Pot", ["PK pot no", .. rows]).Box("Potter", "PK potter no");
        string Counterpart(string wanted, params string[] drawn)
        {
            var (model, answer) = (Pots("firing year", wanted).ToDrawing(), Pots(drawn).ToDrawing());
            var ids = Exercise.Read(model).Model.Entities[0].Attributes.ToDictionary(one => one.Name, one => one.Id);
            var names = Exercise.Read(answer).Model.Entities[0].Attributes.ToDictionary(one => one.Id, one => one.Name);
            return Match(model, answer).Attributes.TryGetValue(ids[wanted.Trim('[', ']')], out var match)
                ? names[match.AnswerId]
                : "";
        }

        NameSimilarity.Of(Name.Of("no"), Name.Of("amount")).Value.ShouldBe(0);
        Counterpart("[years of age]", "fired", "[years]").ShouldBe("years");
    }

    [Fact]
    public void What_a_relationship_holds_is_known_at_one_of_its_ends_under_much_the_same_name()
    {
        Sketch Shelves() =>
            new Sketch()
                .Box("Shelf")
                .Oval("Shelf", "shelf no", Underline.Solid)
                .Box("Pot")
                .Oval("Pot", "pot no", Underline.Solid)
                .Diamond("holds", Outline.Single, ("Shelf", "M", false), ("Pot", "N", false));
        var model = Shelves().Oval("holds", "piece count").ToDrawing();
        var moved = Match(model, Shelves().Oval("Shelf", "no of pieces").ToDrawing(), new ChenOptions()).Attributes;
        moved.Values.ShouldContain(match => match.Moved);
    }

    [Fact]
    public void A_type_is_the_same_when_the_thing_that_stands_for_it_is_drawn()
    {
        Sketch Classes(string thing, string operation) =>
            new Sketch()
                .Class("Potter", ["name: String"], [$"{operation}(): {thing}"])
                .Class(thing, ["glaze: String", "height: Integer"])
                .Tie("Potter", thing, Stroke.Solid, "throws", "1", "*");
        var assessment = Exercise
            .Of(Classes("Pot", "throw").ToDrawing(), new UmlOptions { Formal = true })
            .Assess(Classes("Vessel", "throw").ToDrawing(), []);
        assessment.Findings.ShouldNotContain(finding => finding.Code == "operation-signature");
    }

    [Fact]
    public void An_enumeration_is_known_by_what_has_it_as_a_type()
    {
        Sketch Classes(string type, string[] values) =>
            new Sketch().Class("Kiln", ["kilnNo: Integer", $"fuel: {type}"]).Class($"«enumeration»\n{type}", values);
        var found = Match(
            Classes("Fuel", ["WOOD", "GAS", "PEAT"]).ToDrawing(),
            Classes("Burnt", ["LOGS", "BOTTLED", "TURF"]).ToDrawing(),
            new UmlOptions()
        );
        found.Entities["b2"].AnswerId.ShouldBe("b2");
        found.Members.Count.ShouldBe(3);
    }

    [Fact]
    public void What_hangs_on_a_linking_thing_besides_is_judged_where_it_is_drawn()
    {
        var model = new Sketch()
            .Box("Pot", "PK pot no")
            .Box("Fair", "PK fair code")
            .Box("Showing", "PK FK pot no", "PK FK fair code", "price")
            .Box("Judge", "PK badge no")
            .Line("Pot", Ends.One, "Showing", Ends.ZeroOrMore, "is shown in")
            .With(line: line => line with { Stroke = Stroke.Solid })
            .Line("Fair", Ends.One, "Showing", Ends.OneOrMore, "has")
            .With(line: line => line with { Stroke = Stroke.Solid })
            .Line("Judge", Ends.One, "Showing", Ends.ZeroOrMore, "marks")
            .ToDrawing();
        var answer = new Sketch()
            .Box("Pot", "PK pot no")
            .Box("Fair", "PK fair code")
            .Box("Judge", "PK badge no")
            .Line("Pot", Ends.OneOrMore, "Fair", Ends.ZeroOrMore, "is shown at")
            .Line("Judge", Ends.One, "Pot", Ends.ZeroOrMore, "looks at")
            .ToDrawing();
        var found = Match(model, answer);
        found.Restated.ShouldHaveSingleItem().Uses.ShouldContain("r1");
        found.Misdirected["r3"].AnswerId.ShouldBe("r2");
    }

    [Fact]
    public void A_bare_number_at_a_line_of_a_diamond_says_how_many_at_most()
    {
        var drawing = new Sketch()
            .Box("Pot")
            .Diamond("is copied from", Outline.Single, ("Pot", "N", false), ("Pot", "2", false))
            .ToDrawing();
        var reading = Notation.Read(drawing, new ChenOptions());
        reading.Remarks.ShouldNotContain(remark => remark.Kind == RemarkKind.UnreadableCount);
        reading.Model.Relationships[0].Roles.Select(role => role.CoOccurrence.Max).ShouldContain(2);
    }

    [Fact]
    public void A_composite_in_a_box_of_its_own_keeps_its_parts_and_half_of_its_worth()
    {
        var model = new Sketch()
            .Box("Potter")
            .Oval("Potter", "potter no", Underline.Solid)
            .Oval("Potter", "address")
            .Oval("address", "street")
            .Oval("address", "town")
            .ToDrawing();
        var answer = new Sketch()
            .Box("Potter")
            .Oval("Potter", "potter no", Underline.Solid)
            .Box("Address")
            .Oval("Address", "street")
            .Oval("Address", "town")
            .Diamond("lives at", Outline.Single, ("Potter", "N", false), ("Address", "1", false))
            .ToDrawing();
        var assessment = Exercise.Of(model, new ChenOptions()).Assess(answer, []);
        assessment.Findings.ShouldHaveSingleItem().Code.ShouldBe("attribute-as-entity");
        assessment.Comparison.Verdicts.Count(verdict => verdict is { Fact.Kind: PartFact, IsGood: true }).ShouldBe(2);
        assessment
            .Comparison.Verdicts.Single(verdict => verdict is { Fact.Kind: AttributeFact, IsBad: true })
            .PartlyRight.ShouldBeTrue();
    }

    [Fact]
    public void A_recursive_foreign_key_is_known_by_its_role_in_another_form()
    {
        var drawing = new Sketch()
            .Box("Potter", "PK potter no", "FK teach no")
            .Line("Potter", Ends.ZeroOrOne, "Potter", Ends.ZeroOrMore, "teaches")
            .ToDrawing();
        var column = Exercise.Read(drawing, Level.Logical).Model.Entities[0].Attributes[1];
        column.ForeignKey!.RelationshipId.ShouldBe("r1");
    }

    [Theory]
    [InlineData("depth", 0, 0.4)]
    [InlineData("title", 1, 0)]
    public void An_everyday_word_tells_where_only_one_thing_has_what_is_called_so(string wreck, int everyday, double known)
    {
        var model = SideOf(new Sketch().Box("Chart", "PK chart no", "title").Box("Wreck", "PK wreck no", wreck));
        var answer = SideOf(new Sketch().Box("Paper", "PK paper mark", "title"));
        var attributes = new AttributeMatcher(model, answer, Trust.InSigns(Weights.Shipped));
        attributes.Cost(model.IndexOf("b1"), 0);
        attributes.Everyday.ShouldBe(everyday);
        attributes.Known.ShouldBe(known, 1e-9);
    }

    [Fact]
    public void What_all_kinds_of_a_thing_are_called_tells_none_of_them_apart()
    {
        static Side Kinds(string super, string one, string other) =>
            SideOf(new Sketch().Box(super, "PK no").Box(one, "a").Box(other, "b").Circle("d", super, true, one, other));
        var model = Kinds("Excursion", "Boat excursion", "Trip abroad");
        var answer = Kinds("Trip", "Ferry trip", "Bus trip");
        var ferry = answer.Entities[answer.IndexOf("b2")];
        var (byAll, byKind) = (model.Likenesses.OfEntity(ferry.Name), model.Likenesses.OfEntity(ferry.Name, ferry.WithinKinds));
        byKind[model.IndexOf("b2")].ShouldBeGreaterThan(byKind[model.IndexOf("b3")]);
        byKind[model.IndexOf("b3")].ShouldBeLessThanOrEqualTo(byAll[model.IndexOf("b3")] / 2);
        model.Entities[model.IndexOf("b3")].WithinKinds!.Key.ShouldBe("trip abroad");
    }

    [Fact]
    public void A_fact_never_stands_for_what_only_refers_to_another_thing()
    {
        static Sketch Lock(string[] columns) =>
            new Sketch()
                .Box("Passage", columns)
                .Box("Barge", "PK barge no")
                .Box("Toll", "PK toll no")
                .Line("Barge", Ends.One, "Passage", Ends.ZeroOrMore, "makes")
                .Line("Toll", Ends.One, "Passage", Ends.ZeroOrMore, "covers");
        var skipper = SideOf(new Sketch().Box("Skipper", "boots", "beard"));
        double CostOf(params string[] columns)
        {
            var side = SideOf(Lock(columns));
            return new AttributeMatcher(side, skipper, Trust.InSigns(Weights.Shipped)).Cost(side.IndexOf("b1"), 0);
        }

        CostOf("FK barge no", "FK toll no").ShouldBe((2 * Costs.AttributeMissing) + (2 * Costs.AttributeExtra));
        CostOf("draught", "berth").ShouldBeGreaterThan(0);
        CostOf("FK barge no", "draught")
            .ShouldBe(Costs.AttributeMissing + Costs.AttributeExtra + Weights.Shipped.Values["strangeAttribute"]);
    }

    [Theory]
    [InlineData("gear used", true)]
    [InlineData("colour", false)]
    public void What_all_kinds_of_a_thing_have_under_one_name_is_what_the_thing_lacks(string drawn, bool isIt)
    {
        static Sketch Trips(string[] super, string[] dive, string[] climb) =>
            new Sketch()
                .Box("Outing", ["PK outing no", "day", .. super])
                .Box("Dive", ["depth", .. dive])
                .Box("Climb", ["height", .. climb])
                .Circle("d", "Outing", true, "Dive", "Climb");
        var found = Match(Trips(["equipment"], [], []).ToDrawing(), Trips([], [drawn], [drawn]).ToDrawing(), new ChenOptions());
        found.Attributes.Values.Any(match => match.Moved).ShouldBe(isIt);
        found.Attributes.Count.ShouldBe(isIt ? 5 : 4);
    }

    [Theory]
    [InlineData("lamplighter", true)]
    [InlineData("date", false)]
    [InlineData("lamp count", false)]
    public void The_only_person_that_is_missing_is_the_one_whom_an_attribute_names(string drawn, bool isSomebody)
    {
        static Sketch Street(params string[] lamp) => new Sketch().Box("Lamp", ["PK lamp no", .. lamp]).Box("Square", "PK name");
        var model = Street()
            .Box("Warden", "PK warden no", "name", "home town")
            .Box("Round", "PK round no", "hour")
            .Line("Warden", Ends.One, "Round", Ends.ZeroOrMore, "makes")
            .Line("Round", Ends.One, "Lamp", Ends.ZeroOrMore, "passes")
            .Line("Square", Ends.One, "Lamp", Ends.ZeroOrMore, "has");
        var answer = Street(drawn).Line("Square", Ends.One, "Lamp", Ends.ZeroOrMore, "has");
        Match(model.ToDrawing(), answer.ToDrawing()).Demoted.ContainsKey("b3").ShouldBe(isSomebody);
    }

    [Theory]
    [InlineData("instructor", "instructs", "novice", true)]
    [InlineData("trainer", "trains", "", true)]
    [InlineData("", "trains", "trained", true)]
    [InlineData("", "learns from", "learner", false)]
    [InlineData("", "knows", "", false)]
    public void Who_does_what_the_verb_says_is_who_does_it(string doer, string verb, string other, bool tells)
    {
        static Drawing Among(string doer, string atDoer, string verb, string other, string atOther) =>
            new Sketch()
                .Class("Diver", ["name: String"])
                .Line(
                    new LineEnd(Attachment.ToShape("b1"), [], Role: doer, Count: atDoer),
                    new LineEnd(Attachment.ToShape("b1"), [], Role: other, Count: atOther),
                    Stroke.Solid,
                    verb
                )
                .ToDrawing();
        var wanted = Among("mentor", "0..1", "mentors", "trainee", "*");
        var drawn = Among(doer, "*", verb, other, "0..1");
        var reading = Notation.Read(drawn, new UmlOptions()).Model.Relationships[0];
        var found = Match(wanted, drawn, new UmlOptions()).Relationships.Values.Single();
        var mentor = Notation.Read(wanted, new UmlOptions()).Model.Relationships[0].Roles.Single(role => role.Role == "mentor");
        var many = reading.Roles.Single(role => role.CoOccurrence.Max == Count.Many);
        found.Roles[mentor.Id].ShouldBe(tells ? many.Id : reading.Other(many).Id);
    }

    [Fact]
    public void Weights_are_named_numbers_and_only_those_that_there_are()
    {
        Weights.Shipped.With([]).ShouldBeSameAs(Weights.Shipped);
        Weights.Shipped.With([new("strangeName", 9)]).Values["strangeName"].ShouldBe(9);
        Should.Throw<KeyNotFoundException>(() => Weights.Shipped.With([new("strangerName", 9)]));
    }

    [Fact]
    public void Every_weight_changes_what_is_found_or_is_not_there()
    {
        var source = string.Join(
            '\n',
            Directory
                .EnumerateFiles(Path.Combine(SourceTests.Root, "src/BlueSlate.Core/Subjects/Concepts/Matching"), "*.cs")
                .Select(File.ReadAllText)
        );
        foreach (var name in Weights.Shipped.Values.Keys)
        {
            source.ShouldContain(JsonSerializer.Serialize(name));
        }
    }

    private static Side SideOf(Sketch sketch) =>
        new(Notation.Read(sketch.ToDrawing(), new CrowsFootOptions()).Model, ExerciseWords.None);

    private static Correspondence Match(Drawing model, Drawing answer) => Match(model, answer, new CrowsFootOptions());

    private static Correspondence Match(Drawing model, Drawing answer, NotationOptions options) =>
        Matcher
            .Match(
                new MatchModel(Notation.Read(model, options).Model, ExerciseWords.None),
                Notation.Read(answer, options).Model,
                MatchAllowance.Plain
            )
            .Best;
}
