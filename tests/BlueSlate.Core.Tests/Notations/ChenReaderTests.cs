using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Subjects.Concepts.Model;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>Chen's notation with extended ER, row by row: drawn so, read so.</summary>
public sealed class ChenReaderTests
{
    private static readonly ChenOptions Options = new();

    /// <summary>Repairs numbered within their item.</summary>
    public static Sketch Weak(Outline diamond = Outline.Double, Underline underline = Underline.Dashed) =>
        new Sketch()
            .Box("Item")
            .Oval("Item", "item no", Underline.Solid)
            .Shape(Form.Rectangle, "Repair", Outline.Double)
            .Oval("Repair", "repair no", underline)
            .Diamond("is tried in", diamond, ("Item", "1", false), ("Repair", "N", true));

    [Theory]
    [InlineData("1", false, "N", false, "0..1", "0..*")]
    [InlineData("1", true, "N", false, "0..1", "1..*")]
    [InlineData("1", false, "N", true, "1..1", "0..*")]
    [InlineData("M", true, "N", true, "1..*", "1..*")]
    [InlineData("", true, "", true, "1..?", "1..?")]
    public void Letters_and_double_lines(
        string atVisit,
        bool visitDouble,
        string atItem,
        bool itemDouble,
        string visits,
        string items
    )
    {
        var relationship = Read(Pair((atVisit, visitDouble), (atItem, itemDouble))).Model.Relationships.Single();
        relationship.Roles.Select(role => role.CoOccurrence.ToString()).ShouldBe([visits, items]);
    }

    [Fact]
    public void Without_double_lines_in_the_class_a_single_one_leaves_the_minimum_unsaid() =>
        Read(Pair(("1", false), ("N", false)), Options with { DoubleLineSaysAll = false })
            .Model.Relationships[0]
            .Roles.ShouldAllBe(role => role.CoOccurrence.Min == null);

    [Theory]
    [InlineData(false, "1..1", "0..*")]
    [InlineData(true, "0..*", "1..1")]
    public void Pairs_say_how_often_the_entity_takes_part_or_written_across_how_many_there_are(
        bool across,
        string visits,
        string items
    )
    {
        var reading = Read(
            Pair(("(0,n)", false), ("(1,1)", false)),
            Options with
            {
                Counts = CountStyle.Pairs,
                PairsAcross = across,
            }
        );
        reading.Model.Relationships[0].Roles.Select(role => role.CoOccurrence.ToString()).ShouldBe([visits, items]);
        reading.Remarks.ShouldBeEmpty();
    }

    [Fact]
    public void Ovals_are_attributes_of_what_they_hang_on()
    {
        var entity = Read(
            new Sketch()
                .Box("Fixer")
                .Oval("Fixer", "badge no", Underline.Solid)
                .Oval("Fixer", "skills", outline: Outline.Double)
                .Oval("Fixer", "age", outline: Outline.Dashed)
                .Oval("Fixer", "name")
                .Oval("name", "first")
                .Oval("name", "last")
        )
            .Model.Entities.Single();
        entity
            .Attributes.Select(attribute => (attribute.Name, attribute.Multivalued, attribute.Derived, attribute.Parts.Length))
            .ShouldBe([
                ("badge no", false, false, 0),
                ("skills", true, false, 0),
                ("age", false, true, 0),
                ("name", false, false, 2),
            ]);
        entity.Primary!.AttributeIds.ShouldBe(["b2"]);
    }

    [Fact]
    public void Ovals_in_a_ring_end_the_search()
    {
        var sketch = new Sketch()
            .Box("A")
            .Oval("A", "x")
            .Oval("x", "y")
            .Oval("y", "z")
            .Tie("z", "x")
            .Shape(Form.Oval, "loose", Outline.Single);
        var reading = Read(sketch.Tie("loose", "loose"));
        reading.Model.Entities[0].Attributes.Single().Leaves.Select(part => part.Name).ShouldBe(["y", "z"]);
        reading.Remarks.Select(remark => remark.Kind).ShouldBe([RemarkKind.LooseAttribute]);
    }

    [Fact]
    public void A_weak_entity_is_told_apart_within_its_owner()
    {
        var reading = Read(Weak());
        var entity = reading.Model.Entities[1];
        entity.Kind.ShouldBe(EntityKind.Weak);
        entity.Primary.ShouldNotBeNull();
        entity.Primary.Partial.ShouldBeTrue();
        entity.Primary.OwnerRelationshipIds.ShouldBe([reading.Model.Relationships[0].Id]);
        reading.Remarks.ShouldBeEmpty();
    }

    [Theory]
    [InlineData(Outline.Single, Underline.Dashed, RemarkKind.SingleDiamondAtWeak)]
    [InlineData(Outline.Double, Underline.Solid, RemarkKind.SolidUnderlineAtWeak)]
    public void A_forgotten_sign_of_weakness_is_remarked_on_and_read_as_meant(
        Outline diamond,
        Underline underline,
        RemarkKind remark
    )
    {
        var reading = Read(Weak(diamond, underline));
        reading.Remarks.Select(found => found.Kind).ShouldBe([remark]);
        reading.Model.Relationships[0].Identifying.ShouldBe(true);
        reading.Model.Entities[1].Primary!.Partial.ShouldBeTrue();
    }

    [Fact]
    public void Several_underlined_attributes_are_one_key_or_a_key_each_as_the_class_has_learned()
    {
        var sketch = new Sketch().Box("Hall").Oval("Hall", "street", Underline.Solid).Oval("Hall", "house no", Underline.Solid);
        Read(sketch).Model.Entities[0].Identifiers.Single().AttributeIds.Length.ShouldBe(2);
        Read(sketch, Options with { UnderlinesAreOneKey = false })
            .Model.Entities[0]
            .Identifiers.Select(identifier => identifier.AttributeIds.Length)
            .ShouldBe([1, 1]);
    }

    [Fact]
    public void A_diamond_of_three_keeps_what_was_written_at_each_line()
    {
        var relationship = Read(
            new Sketch()
                .Box("A")
                .Box("B")
                .Box("C")
                .Diamond("uses", Outline.Single, ("A", "1", true), ("B", "N", false), ("C", "M", false))
        )
            .Model.Relationships.Single();
        relationship.Roles.Select(role => role.CoOccurrence.Max).ShouldBe([1, Count.Many, Count.Many]);
        relationship.Roles.Select(role => role.Participation.Min).ShouldBe([1, 0, 0]);
    }

    [Fact]
    public void A_diamond_with_two_lines_to_one_entity_is_recursive_with_its_roles()
    {
        var sketch = new Sketch()
            .Box("Steward")
            .Diamond("instructs", Outline.Single, ("Steward", "1", false), ("Steward", "N", false));
        sketch.With(line: line => line with { From = line.From with { Role = "beginner" } });
        var relationship = Read(sketch).Model.Relationships.Single();
        relationship.IsRecursive.ShouldBeTrue();
        relationship.Roles.Select(role => role.Role).ShouldBe(["", "beginner"]);
    }

    [Fact]
    public void A_diamond_in_a_box_is_an_entity_that_embodies_what_it_links()
    {
        var sketch = new Sketch()
            .Box("Guest")
            .Box("Show")
            .Shape(Form.DiamondInRectangle, "Booking")
            .Tie("Guest", "Booking", atFrom: "M")
            .Tie("Show", "Booking", atFrom: "N");
        var model = Read(sketch).Model;
        model.Entities[2].Kind.ShouldBe(EntityKind.Associative);
        model.Relationships.Single().EntityId.ShouldBe("b3");
        var normal = ComparableForm.Of(Read(sketch)).Model;
        normal.Entities.Select(entity => entity.Name).ShouldBe(["Guest", "Show"]);
        normal.Relationships.Single().Name.ShouldBe("Booking");
        sketch.Box("Receipt").Diamond("is settled by", Outline.Single, ("Booking", "1", false), ("Receipt", "1", false));
        normal = ComparableForm.Of(Read(sketch)).Model;
        normal
            .Relationships.Where(relationship =>
                relationship.Roles.Any(role => role.EntityId == "b3") && relationship.Name.Length == 0
            )
            .Select(relationship => relationship.Roles.Select(role => role.CoOccurrence.ToString()))
            .ShouldBe([
                ["1..1", "0..*"],
                ["1..1", "0..*"],
            ]);
    }

    [Theory]
    [InlineData("d", true)]
    [InlineData("o", false)]
    [InlineData("", null)]
    public void A_circle_is_a_specialisation(string letter, bool? disjoint)
    {
        var set = Read(new Sketch().Box("Person").Box("Guest").Box("Helper").Circle(letter, "Person", true, "Guest", "Helper"))
            .Model.Specialisations.Single();
        (set.Disjoint, set.Total, set.SupertypeId).ShouldBe((disjoint, true, "b1"));
        set.Subtypes.Select(link => link.EntityId).ShouldBe(["b2", "b3"]);
    }

    [Fact]
    public void Cups_that_open_the_wrong_way_are_read_as_they_are_drawn()
    {
        var sketch = new Sketch()
            .Box("Person")
            .Box("Guest")
            .Shape(Form.Circle, "d", Outline.Single)
            .Tie("Person", "d")
            .With(line: line => line with { Along = [new Along(AlongMark.Cup, EndSide.To)] })
            .Tie("d", "Guest");
        Read(sketch).Model.Specialisations.Single().SupertypeId.ShouldBe("b2");
    }

    [Fact]
    public void A_line_with_a_cup_straight_to_the_supertype_is_a_specialisation_of_one()
    {
        var sketch = new Sketch()
            .Box("Person")
            .Box("Guest")
            .Tie("Guest", "Person")
            .With(line: line => line with { Along = [new Along(AlongMark.Cup, EndSide.To)] });
        var reading = Read(sketch);
        reading.Model.Specialisations.Single().SupertypeId.ShouldBe("b1");
        reading.Model.Relationships.ShouldBeEmpty();
    }

    [Fact]
    public void A_circle_with_u_is_a_category()
    {
        var sketch = new Sketch()
            .Box("Person")
            .Box("Club")
            .Box("Owner")
            .Shape(Form.Circle, "u", Outline.Single)
            .Tie("Person", "u")
            .Tie("Club", "u")
            .Tie("u", "Owner", Stroke.Double)
            .With(line: line => line with { Along = [new Along(AlongMark.Cup, EndSide.From)] });
        var union = Read(sketch).Model.Unions.Single();
        (union.CategoryId, union.Total).ShouldBe(("b3", true));
        union.Supertypes.Select(super => super.EntityId).ShouldBe(["b1", "b2"]);
    }

    [Fact]
    public void A_line_with_feet_in_place_of_a_diamond_is_read_by_its_feet()
    {
        var sketch = new Sketch()
            .Box("Visit")
            .Box("Item")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", stroke: Stroke.Solid);
        var reading = Read(sketch);
        reading.Model.Relationships.Single().Roles.Select(role => role.CoOccurrence.ToString()).ShouldBe(["1..1", "1..*"]);
        reading.Remarks.Select(remark => remark.Kind).ShouldBe([RemarkKind.NoDiamond]);
    }

    [Theory]
    [InlineData(EndMark.Arrow, RemarkKind.Arrowhead)]
    [InlineData(EndMark.Foot, RemarkKind.ForeignEndSymbol)]
    [InlineData(EndMark.SolidDiamond, RemarkKind.ForeignEndSymbol)]
    public void A_symbol_of_another_notation_at_a_diamonds_line_is_remarked_on(string mark, RemarkKind remark)
    {
        var sketch = Pair(("1", true), ("N", true));
        sketch.With(line: line => line with { From = line.From with { Marks = [mark] } });
        Read(sketch).Remarks.Select(found => found.Kind).ShouldBe([remark]);
    }

    [Fact]
    public void Every_form_end_and_stroke_either_means_something_or_is_remarked_on()
    {
        foreach (var form in Symbols.Forms.All.Select(symbol => symbol.Name).Except([Form.Note]))
        {
            var reading = Read(new Sketch().Shape(form, "x").Box("A").Tie("x", "A"));
            (
                reading.Model.Entities.Length
                + reading.Model.Relationships.Length
                + reading.Remarks.Length
                + reading.Model.Entities.Sum(entity => entity.Attributes.Length)
            ).ShouldBeGreaterThan(1, form);
        }
    }

    private static Sketch Pair((string Count, bool Double) visit, (string Count, bool Double) item) =>
        new Sketch()
            .Box("Visit")
            .Box("Item")
            .Diamond("brings in", Outline.Single, ("Visit", visit.Count, visit.Double), ("Item", item.Count, item.Double));

    private static Reading Read(Sketch sketch, NotationOptions? options = null) =>
        Notation.Read(sketch.ToDrawing(), options ?? Options);
}
