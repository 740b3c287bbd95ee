using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Model;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>UML class diagrams, row by row: drawn so, read so.</summary>
public sealed class UmlReaderTests
{
    private static readonly UmlOptions Options = new();

    [Theory]
    [InlineData("name", "", "name", "", 1, 1)]
    [InlineData("- name: String", "-", "name", "String", 1, 1)]
    [InlineData("+ /age : Integer", "+", "age", "Integer", 1, 1)]
    [InlineData("# skills: Skill [1..*]", "#", "skills", "Skill", 1, Count.Many)]
    [InlineData("phones [0..3]: String", "", "phones", "String", 0, 3)]
    [InlineData("tags: String[]", "", "tags", "String", 0, Count.Many)]
    [InlineData("tags: List<String>", "", "tags", "String", 0, Count.Many)]
    [InlineData("~ minutes: Integer = 30 {readOnly}", "~", "minutes", "Integer", 1, 1)]
    public void An_attribute_by_the_grammar(string line, string visibility, string name, string type, int min, int max)
    {
        var member = MemberText.Parse(line);
        (member.IsOperation, member.Visibility, member.Name, member.Type, member.Count).ShouldBe(
            (false, visibility, name, type, new Count(min, max))
        );
        member.Derived.ShouldBe(line.Contains('/', StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("open()", "", "open", "", "")]
    [InlineData("+ isFree(on: Date): Boolean", "+", "isFree", "on: Date", "Boolean")]
    [InlineData("- add(in item: Item, n: Integer = 1) : List<Item> {query}", "-", "add", "item: Item; n: Integer", "List<Item>")]
    public void An_operation_by_the_grammar(string line, string visibility, string name, string parameters, string returns)
    {
        var member = MemberText.Parse(line);
        (member.IsOperation, member.Visibility, member.Name, member.Type).ShouldBe((true, visibility, name, returns));
        string.Join("; ", member.Parameters.Select(parameter => $"{parameter.Name}: {parameter.Type}")).ShouldBe(parameters);
    }

    [Theory]
    [InlineData("«interface» Bookable", EntityKind.Interface, false, "")]
    [InlineData("<<enumeration>> Skill", EntityKind.Enumeration, false, "")]
    [InlineData("«boundary» Gate", EntityKind.Strong, false, "boundary")]
    [InlineData("Person {abstract}", EntityKind.Strong, true, "")]
    public void A_name_compartment(string text, EntityKind kind, bool isAbstract, string stereotype)
    {
        var entity = Read(new Sketch().Class(text)).Model.Entities.Single();
        (entity.Kind, entity.Abstract, entity.Stereotype).ShouldBe((kind, isAbstract, stereotype));
        entity.Name.ShouldNotContain("«");
    }

    [Theory]
    [InlineData("1", "1..1")]
    [InlineData("*", "0..*")]
    [InlineData("0..1", "0..1")]
    [InlineData("1,2", "1..2")]
    [InlineData("n", "0..*")]
    [InlineData("0..n", "0..*")]
    [InlineData("1+", "1..*")]
    [InlineData("0-1", "0..1")]
    [InlineData("3...10", "3..10")]
    [InlineData(" 1 .. * ", "1..*")]
    [InlineData("", "?..?")]
    public void Multiplicities_in_every_spelling(string written, string read)
    {
        Read(Pair("1", written)).Model.Relationships.Single().Roles[1].CoOccurrence.ToString().ShouldBe(read);
        Read(Pair("1", written)).Remarks.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("some")]
    [InlineData("10..3")]
    [InlineData("1,3,5")]
    public void An_unreadable_multiplicity_is_unsaid_and_told(string written)
    {
        var reading = Read(Pair("1", written));
        reading.Model.Relationships.Single().Roles[1].CoOccurrence.ShouldBe(Count.Unsaid);
        reading.Remarks.Select(remark => remark.Kind).ShouldBe([RemarkKind.UnreadableCount]);
    }

    [Theory]
    [InlineData(EndMark.Diamond, null, RelationshipKind.Aggregation, "r1/from")]
    [InlineData(null, EndMark.SolidDiamond, RelationshipKind.Composition, "r1/to")]
    [InlineData(null, EndMark.OpenArrow, RelationshipKind.Association, null)]
    public void A_diamond_is_at_the_whole(string? atVisit, string? atItem, RelationshipKind kind, string? whole)
    {
        var relationship = Read(Classes().Tie("Visit", "Item", Stroke.Solid, "has", "1", "*", atVisit, atItem))
            .Model.Relationships.Single();
        (relationship.Kind, relationship.WholeRoleId).ShouldBe((kind, whole));
        relationship.Roles[1].Navigable.ShouldBe(atItem == EndMark.OpenArrow ? true : null);
    }

    [Theory]
    [InlineData(Stroke.Dashed, EndMark.Triangle, RelationshipKind.Realization)]
    [InlineData(Stroke.Dashed, EndMark.OpenArrow, RelationshipKind.Dependency)]
    public void A_dashed_line_leads_to_what_is_realised_or_used(Stroke stroke, string mark, RelationshipKind kind)
    {
        var relationship = Read(Classes().Tie("Item", "Visit", stroke, markFrom: mark)).Model.Relationships.Single();
        relationship.Kind.ShouldBe(kind);
        relationship.Roles.Select(role => role.EntityId).ShouldBe(["b1", "b2"]);
    }

    [Fact]
    public void Generalisations_to_one_class_are_one_set_unless_they_are_named()
    {
        var sketch = new Sketch()
            .Class("Person")
            .Class("Guest")
            .Class("Helper")
            .Class("Adult")
            .Tie("Guest", "Person", text: "{complete, disjoint}", markTo: EndMark.Triangle)
            .Tie("Helper", "Person", markTo: EndMark.Triangle)
            .Tie("Adult", "Person", text: "by age", markTo: EndMark.Triangle);
        var sets = Read(sketch).Model.Specialisations;
        sets.Select(set => (set.Name, set.Subtypes.Length, set.Disjoint, set.Total))
            .ShouldBe([("", 2, true, true), ("by age", 1, null, null)]);
        Read(sketch, Options with { UnmarkedSetIsOpen = true }).Model.Specialisations[1].Total.ShouldBe(false);
    }

    [Fact]
    public void A_junction_gathers_subclasses_under_one_triangle()
    {
        var sketch = new Sketch()
            .Class("Person")
            .Class("Guest")
            .Class("Helper")
            .Shape(Form.Junction, "j", Outline.Single)
            .Tie("j", "Person", markTo: EndMark.Triangle)
            .Tie("Guest", "j")
            .Tie("Helper", "j");
        Read(sketch).Model.Specialisations.Single().Subtypes.Select(link => link.EntityId).ShouldBe(["b2", "b3"]);
    }

    [Fact]
    public void An_association_class_is_tied_to_its_line_and_a_line_to_its_box_is_legal()
    {
        var sketch = Pair("0..1", "*")
            .Class("Registration", ["fault"])
            .Line(
                new LineEnd(Attachment.ToShape("b3"), []),
                new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []),
                Stroke.Dashed
            )
            .Class("Desk")
            .Tie("Desk", "Registration", text: "keeps", atFrom: "1", atTo: "*");
        var reading = Read(sketch);
        reading.Remarks.ShouldBeEmpty();
        reading.Model.Relationships.Single(relationship => relationship.Id == "r1").EntityId.ShouldBe("b3");
        reading.Model.Entities[2].Kind.ShouldBe(EntityKind.Associative);
        var normal = ComparableForm
            .Of(reading)
            .Model.Relationships.Where(relationship => relationship.Id.StartsWith("r1", StringComparison.Ordinal))
            .ToList();
        normal.Select(relationship => relationship.Roles[1].CoOccurrence.ToString()).ShouldBe(["0..*", "0..1"]);
    }

    [Fact]
    public void A_qualifier_leaves_the_other_ends_plain_count_unsaid()
    {
        var sketch = Pair("1", "0..1");
        sketch.With(line: line => line with { From = line.From with { Qualifier = "item no" } });
        var relationship = Read(sketch).Model.Relationships.Single();
        relationship.Roles[0].Qualifier.ShouldBe("item no");
        relationship.Roles.Select(role => role.CoOccurrence.ToString()).ShouldBe(["1..1", "?..?"]);
    }

    [Fact]
    public void A_ball_is_provided_and_with_a_socket_required()
    {
        var sketch = Classes()
            .Shape(Form.Ball, "Bookable", Outline.Single)
            .Tie("Visit", "Bookable")
            .Tie("Item", "Bookable", markTo: EndMark.Socket);
        var model = Read(sketch).Model;
        model.Entities[2].Kind.ShouldBe(EntityKind.Interface);
        model
            .Relationships.Select(relationship => relationship.Kind)
            .ShouldBe([RelationshipKind.Realization, RelationshipKind.Dependency]);
    }

    [Fact]
    public void A_diamond_shape_joins_three_and_xor_keeps_two_associations_apart()
    {
        var sketch = new Sketch()
            .Class("A")
            .Class("B")
            .Class("C")
            .Diamond("uses", Outline.Single, ("A", "1", false), ("B", "*", false), ("C", "*", false))
            .Tie("A", "B", text: "has", atFrom: "1", atTo: "*")
            .Tie("A", "C", text: "owns", atFrom: "1", atTo: "*")
            .Line(
                new LineEnd(new Attachment(AttachmentKind.Line, "r4"), []),
                new LineEnd(new Attachment(AttachmentKind.Line, "r5"), []),
                Stroke.Dashed,
                "{xor}"
            );
        var model = Read(sketch).Model;
        model.Relationships.Count(relationship => relationship.Roles.Length == 3).ShouldBe(1);
        model.Exclusions.Single().RelationshipIds.ShouldBe(["r4", "r5"]);
    }

    [Fact]
    public void An_interfaces_operations_count_as_public_and_abstract_without_any_mark()
    {
        var operation = Read(new Sketch().Class("«interface» Bookable", ["isFree()"])).Model.Entities[0].Operations.Single();
        (operation.Visibility, operation.Abstract).ShouldBe(("+", true));
    }

    [Fact]
    public void Every_symbol_at_an_end_either_means_something_or_is_remarked_on()
    {
        var plain = Read(Classes().Tie("Visit", "Item", Stroke.Solid, "has")).Model.Relationships.Single();
        foreach (var mark in Symbols.Ends.All.Select(symbol => symbol.Name))
        {
            var reading = Read(Classes().Tie("Visit", "Item", Stroke.Solid, "has", markTo: mark));
            var says =
                reading.Model.Specialisations.Length > 0
                || reading.Remarks.Length > 0
                || reading.Model.Relationships.Single().Kind != plain.Kind
                || reading.Model.Relationships.Single().Roles[1].Navigable != null;
            says.ShouldBeTrue(mark);
        }
    }

    private static Sketch Classes() => new Sketch().Class("Visit", ["date"]).Class("Item", ["fault"]);

    private static Sketch Pair(string atVisit, string atItem) =>
        Classes().Tie("Visit", "Item", Stroke.Solid, "brings in", atVisit, atItem);

    private static Reading Read(Sketch sketch, NotationOptions? options = null) =>
        Notation.Read(sketch.ToDrawing(), options ?? Options);
}
