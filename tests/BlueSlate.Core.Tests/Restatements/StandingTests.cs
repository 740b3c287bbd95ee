using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Checking;
using Shouldly;

namespace BlueSlate.Core.Tests.Restatements;

/// <summary>
/// Other ways of drawing that say less earn a part, with one finding each; which are the same, and which are not, an exercise
/// can say.
/// </summary>
public sealed class StandingTests
{
    private static readonly CrowsFootOptions CrowsFoot = new();
    private static readonly ChenOptions Chen = new();
    private static readonly UmlOptions Uml = new();

    /// <summary>A restatement with a model answer, an answer that draws it so, and what it is worth.</summary>
    public sealed record Case(string Code, NotationOptions Options, Drawing Model, Drawing Answer, Standing Worth)
    {
        public override string ToString() => $"{Code} in {Options.Notation}";
    }

    private static readonly Case[] All =
    [
        new(
            "subtypes-by-kind-attribute",
            CrowsFoot,
            Kinds(),
            new Sketch()
                .Box("Person", "PK person no", "name", "kind of person", "language", "jacket size")
                .Box("Tour", "PK tour no")
                .Box("Club", "PK club no")
                .Line("Person", Ends.One, "Tour", Ends.ZeroOrMore, "leads")
                .Line("Person", Ends.ZeroOrMore, "Club", Ends.One, "is member of")
                .ToDrawing(),
            Standing.InPart
        ),
        new(
            "supertype-by-subtypes",
            CrowsFoot,
            Kinds(),
            new Sketch()
                .Box("Guide", "PK person no", "name", "language")
                .Box("Steward", "PK person no", "name", "jacket size")
                .Box("Tour", "PK tour no")
                .Box("Club", "PK club no")
                .Line("Guide", Ends.One, "Tour", Ends.ZeroOrMore, "leads")
                .Line("Guide", Ends.ZeroOrMore, "Club", Ends.One, "is member of")
                .Line("Steward", Ends.ZeroOrMore, "Club", Ends.One, "is member of")
                .ToDrawing(),
            Standing.InPart
        ),
        new(
            "specialisation-by-is-a",
            CrowsFoot,
            Kinds(),
            People()
                .Line("Person", Ends.One, "Guide", Ends.ZeroOrOne, "may be")
                .Line("Person", Ends.One, "Steward", Ends.ZeroOrOne, "may be")
                .ToDrawing(),
            Standing.InPart
        ),
        new(
            "overlap-by-third-subtype",
            Chen,
            Guests().Circle("o", "Person", false, "Guest", "Helper").ToDrawing(),
            Guests().Box("Guest and helper").Circle("d", "Person", false, "Guest", "Helper", "Guest and helper").ToDrawing(),
            Standing.InPart
        ),
        new(
            "association-by-typed-attribute",
            Uml,
            new Sketch()
                .Class("Visit", ["visitNo", "date"])
                .Class("Item", ["itemNo", "fault"])
                .Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*")
                .ToDrawing(),
            new Sketch().Class("Visit", ["visitNo", "date", "items: Item[1..*]"]).Class("Item", ["itemNo", "fault"]).ToDrawing(),
            Standing.InPart
        ),
        new(
            "composite-by-parts",
            Chen,
            new Sketch()
                .Box("Person")
                .Oval("Person", "person no", Underline.Solid)
                .Oval("Person", "address")
                .Oval("address", "street")
                .Oval("address", "town")
                .ToDrawing(),
            new Sketch()
                .Box("Person")
                .Oval("Person", "person no", Underline.Solid)
                .Oval("Person", "street")
                .Oval("Person", "town")
                .ToDrawing(),
            Standing.InPart
        ),
        new(
            "composite-by-parts",
            CrowsFoot,
            new Sketch().Box("Person", "PK person no", "address (street, town)").ToDrawing(),
            new Sketch().Box("Person", "PK person no", "street", "town").ToDrawing(),
            Standing.Same
        ),
        new(
            "parts-by-composite",
            CrowsFoot,
            new Sketch().Box("Person", "PK person no", "street", "town").ToDrawing(),
            new Sketch().Box("Person", "PK person no", "address (street, town)").ToDrawing(),
            Standing.Same
        ),
        new(
            "enumeration-by-lookup",
            Uml,
            new Sketch()
                .Class("Item", ["itemNo", "state: ItemState"])
                .Class("«enumeration»\nItemState", ["WAITING", "MENDED"])
                .ToDrawing(),
            new Sketch()
                .Class("Item", ["itemNo"])
                .Class("State", ["name"])
                .Tie("Item", "State", Stroke.Solid, "has", "*", "1")
                .ToDrawing(),
            Standing.Same
        ),
        new(
            "lookup-by-enumeration",
            Uml,
            new Sketch()
                .Class("Item", ["itemNo"])
                .Class("State", ["name"])
                .Tie("Item", "State", Stroke.Solid, "has", "*", "1")
                .ToDrawing(),
            new Sketch()
                .Class("Item", ["itemNo", "state: ItemState"])
                .Class("«enumeration»\nItemState", ["WAITING", "MENDED"])
                .ToDrawing(),
            Standing.Same
        ),
        new(
            "enumeration-by-line",
            Uml,
            new Sketch().Class("Kiln", ["kilnNo", "fuel: Fuel"]).Class("«enumeration»\nFuel", ["WOOD", "GAS"]).ToDrawing(),
            new Sketch()
                .Class("Kiln", ["kilnNo"])
                .Class("«enumeration»\nFuel", ["WOOD", "GAS"])
                .Tie("Kiln", "«enumeration»\nFuel", Stroke.Solid, "burns", "*", "1")
                .ToDrawing(),
            Standing.Same
        ),
        new(
            "derived-by-operation",
            Uml,
            new Sketch().Class("Firing", ["firingNo", "heatedFrom: Time", "/duration: Integer"]).ToDrawing(),
            new Sketch().Class("Firing", ["firingNo", "heatedFrom: Time"], ["runningTime(): Integer"]).ToDrawing(),
            Standing.Same
        ),
        new(
            "operation-by-derived",
            Uml,
            new Sketch().Class("Firing", ["firingNo", "heatedFrom: Time"], ["runningTime(): Integer"]).ToDrawing(),
            new Sketch().Class("Firing", ["firingNo", "heatedFrom: Time", "/duration: Integer"]).ToDrawing(),
            Standing.Same
        ),
        new("qualifier-by-attribute", Uml, Seats(true), Seats(false), Standing.Same),
        new("qualifier-by-attribute", Uml, Seats(false), Seats(true), Standing.Same),
    ];

    public static TheoryData<string> Cases => [.. All.Select(one => one.ToString()).Distinct()];

    [Theory]
    [MemberData(nameof(Cases))]
    public void Another_way_of_drawing_earns_what_it_is_worth_and_says_so_once(string name)
    {
        foreach (var one in All.Where(one => one.ToString() == name))
        {
            var assessment = Assess(one, null);
            assessment.Comparison.Correspondence.Restated.ShouldHaveSingleItem().Code.ShouldBe(one.Code);
            if (one.Worth == Standing.Same)
            {
                assessment.Findings.ShouldBeEmpty(name);
                assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
            }
            else
            {
                assessment.Findings.ShouldHaveSingleItem().Code.ShouldBe("restated-in-part");
                assessment.Sheet.Exact.ShouldBeLessThan(assessment.Sheet.Maximum);
                assessment.Sheet.Exact.ShouldBeGreaterThan(assessment.Sheet.Maximum * Rational.Half);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void An_exercise_can_say_that_it_is_as_good(string name)
    {
        foreach (var one in All.Where(one => one.ToString() == name))
        {
            var assessment = Assess(one, Standing.Same);
            assessment.Findings.ShouldNotContain(finding => finding.Code == "restated-in-part");
            assessment.Sheet.Exact.ShouldBeGreaterThanOrEqualTo(Assess(one, null).Sheet.Exact);
        }
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void An_exercise_can_say_that_it_is_a_difference(string name)
    {
        foreach (var one in All.Where(one => one.ToString() == name))
        {
            var assessment = Assess(one, Standing.Different);
            assessment.Findings.ShouldNotBeEmpty();
            assessment.Findings.ShouldNotContain(finding => finding.Code == "restated-in-part");

            // An attribute in the place of a qualifier is something extra, which need not cost anything.
            assessment.Sheet.Exact.ShouldBeLessThanOrEqualTo(
                Assess(one, Standing.Same).Sheet.Exact - (one.Code == "qualifier-by-attribute" ? 0 : Rational.Half)
            );
        }
    }

    [Fact]
    public void Subtypes_that_are_only_missing_are_not_folded()
    {
        var answer = new Sketch()
            .Box("Person", "PK person no", "name")
            .Box("Tour", "PK tour no")
            .Box("Club", "PK club no")
            .Line("Person", Ends.ZeroOrMore, "Club", Ends.One, "is member of")
            .ToDrawing();
        Exercise.Of(Kinds()).Assess(answer, []).Findings.Count(finding => finding.Code == "entity-missing").ShouldBe(2);
    }

    [Fact]
    public void A_supertype_that_is_only_missing_is_not_pushed_down()
    {
        var answer = new Sketch()
            .Box("Guide", "language")
            .Box("Steward", "jacket size")
            .Box("Tour", "PK tour no")
            .Box("Club", "PK club no")
            .Line("Guide", Ends.One, "Tour", Ends.ZeroOrMore, "leads")
            .ToDrawing();
        Exercise.Of(Kinds()).Assess(answer, []).Findings.Select(finding => finding.Code).ShouldContain("entity-missing");
    }

    [Fact]
    public void A_subtype_tied_many_to_one_is_no_way_of_saying_is_a()
    {
        var answer = People()
            .Line("Person", Ends.One, "Guide", Ends.ZeroOrMore, "knows")
            .Line("Person", Ends.One, "Steward", Ends.ZeroOrMore, "knows")
            .ToDrawing();
        Exercise.Of(Kinds()).Assess(answer, []).Findings.Select(finding => finding.Code).ShouldContain("specialisation-missing");
    }

    [Fact]
    public void A_qualifier_that_is_nowhere_to_be_found_is_not_the_same()
    {
        var answer = new Sketch()
            .Class("Hall", ["name"])
            .Class("Seat", ["row"])
            .Tie("Hall", "Seat", Stroke.Solid, "has", "1", "*")
            .ToDrawing();
        var assessment = Exercise.Of(Seats(true), Uml).Assess(answer, []);
        assessment.Comparison.Correspondence.Restated.ShouldBeEmpty();
    }

    [Fact]
    public void A_relationship_of_three_drawn_two_at_a_time_is_said_once_with_a_row_that_never_was()
    {
        var example = ExampleArea.Of("relationship-degree");
        var assessment = Exercise.Of(example.Model, example).Assess(example.Answer, []);
        var shown = assessment.ExampleOf(assessment.Findings.ShouldHaveSingleItem()).ShouldNotBeNull();
        shown.Table.Rows.Length.ShouldBe(4);
        shown.Table.Rows.Take(3).ShouldNotContain(row => row.SequenceEqual(shown.Table.Rows[3]));
    }

    [Fact]
    public void Every_restatement_says_what_it_is_in_words_of_its_own() =>
        Subject.Of(Uml).OtherWays(Uml).Select(one => one.Title).ShouldBeUnique();

    [Fact]
    public void What_is_usual_depends_on_the_level_and_the_notation()
    {
        Usual(Chen, "composite-by-parts").ShouldBe(Standing.InPart);
        Usual(CrowsFoot, "composite-by-parts").ShouldBe(Standing.Same);
        Usual(new CrowsFootOptions { Level = Level.Logical }, "linking-entity-by-many-to-many").ShouldBe(Standing.Different);
        Subject.Of(Chen).OtherWays(Chen).ShouldNotContain(one => one.Code == "enumeration-by-lookup");

        static Standing Usual(NotationOptions options, string code) =>
            Subject.Of(options).OtherWays(options).First(one => one.Code == code).Usual;
    }

    private static Assessment Assess(Case one, Standing? standing)
    {
        var facts = FactList.Of(Notation.Read(one.Model, one.Options), one.Options);
        var standings = standing is { } said ? new Dictionary<string, Standing> { [one.Code] = said } : [];
        return new Assessor(
            one.Model,
            one.Options,
            [],
            SchemeDeriver.Derive(facts, 40),
            ExerciseTerms.Usual with
            {
                Standings = standings,
            }
        ).Assess(one.Answer, []);
    }

    private static Sketch People() =>
        new Sketch()
            .Box("Person", "PK person no", "name")
            .Box("Guide", "language")
            .Box("Steward", "jacket size")
            .Box("Tour", "PK tour no")
            .Box("Club", "PK club no")
            .Line("Guide", Ends.One, "Tour", Ends.ZeroOrMore, "leads")
            .Line("Person", Ends.ZeroOrMore, "Club", Ends.One, "is member of");

    private static Drawing Kinds() => People().Circle("d", "Person", true, "Guide", "Steward").ToDrawing();

    private static Sketch Guests() =>
        new Sketch()
            .Box("Person")
            .Oval("Person", "person no", Underline.Solid)
            .Box("Guest")
            .Oval("Guest", "birthday")
            .Box("Helper")
            .Oval("Helper", "skill");

    private static Drawing Seats(bool qualified) =>
        qualified
            ? new Sketch()
                .Class("Hall", ["name"])
                .Class("Seat", ["row"])
                .Line(
                    new LineEnd(Attachment.ToShape("b1"), [], Count: "1") { Qualifier = "seatNo" },
                    new LineEnd(Attachment.ToShape("b2"), [], Count: "0..1"),
                    Stroke.Solid,
                    "has"
                )
                .ToDrawing()
            : new Sketch()
                .Class("Hall", ["name"])
                .Class("Seat", ["seatNo", "row"])
                .Tie("Hall", "Seat", Stroke.Solid, "has", "1", "*")
                .ToDrawing();
}
