using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>Drawn so, read so: crow's foot notation row by row, and that any drawing at all can be read.</summary>
public sealed class CrowsFootReaderTests
{
    [Theory]
    [InlineData("", null, null, null)]
    [InlineData("Bar", null, 1, null)]
    [InlineData("Foot", null, Count.Many, null)]
    [InlineData("Ring", 0, null, null)]
    [InlineData("Bar Bar", 1, 1, null)]
    [InlineData("Bar Ring", 0, 1, null)]
    [InlineData("Foot Bar", 1, Count.Many, null)]
    [InlineData("Foot Ring", 0, Count.Many, null)]
    [InlineData("Ring Bar", 0, 1, RemarkKind.MarkOrder)]
    [InlineData("Ring Foot", 0, Count.Many, RemarkKind.MarkOrder)]
    [InlineData("Bar Foot", 1, Count.Many, RemarkKind.MarkOrder)]
    [InlineData("FootOutward Ring", 0, Count.Many, RemarkKind.ToesAway)]
    [InlineData("Arrow Bar", 1, Count.Many, RemarkKind.Arrowhead)]
    [InlineData("Triangle", null, null, RemarkKind.ForeignEndSymbol)]
    [InlineData("Foot Ring Diamond", 0, Count.Many, RemarkKind.ForeignEndSymbol)]
    [InlineData("Foot Bar Ring", 1, Count.Many, RemarkKind.TooManyMarks)]
    [InlineData("Foot Foot", null, Count.Many, RemarkKind.TooManyMarks)]
    [InlineData("Ring Ring", 0, null, RemarkKind.TooManyMarks)]
    public void Marks_at_an_end(string marks, int? min, int? max, RemarkKind? remark)
    {
        string[] drawn =
        [
            .. marks
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(mark => mark == "FootOutward" ? EndMark.FootOutward : mark.ToLowerInvariant()),
        ];
        var reading = Exercise.Read(new Sketch().Box("A").Box("B").Line("A", Ends.One, "B", drawn, "has").ToDrawing());
        reading.Model.Relationships[0].Roles[1].CoOccurrence.ShouldBe(new Count(min, max));
        reading.Remarks.Select(found => (RemarkKind?)found.Kind).ShouldBe(remark is null ? [] : [remark]);
    }

    [Fact]
    public void What_is_numbered_within_a_numbered_thing_is_weak_and_links_nothing()
    {
        var drawing = new Sketch()
            .Box("Cabin", "PK cabin letter")
            .Box("Arm", "PK FK cabin letter", "PK arm no")
            .Box("Overhaul", "PK FK cabin letter", "PK FK arm no", "PK overhaul no")
            .Line("Cabin", Ends.One, "Arm", Ends.OneOrMore, "moves")
            .With(line: line => line with { Stroke = Stroke.Solid })
            .Line("Arm", Ends.One, "Overhaul", Ends.ZeroOrMore, "undergoes")
            .With(line: line => line with { Stroke = Stroke.Solid })
            .ToDrawing();
        var kinds = Exercise.Read(drawing, Level.Logical).Model.Entities.Select(entity => entity.Kind);
        kinds.ShouldBe([EntityKind.Strong, EntityKind.Weak, EntityKind.Weak]);
    }

    [Fact]
    public void A_single_bar_is_exactly_one_where_the_class_has_learned_it_so()
    {
        var drawing = new Sketch().Box("A").Box("B").Line("A", Ends.One, "B", [EndMark.Bar], "has").ToDrawing();
        Notation
            .Read(drawing, new CrowsFootOptions { SingleBarIsExactlyOne = true })
            .Model.Relationships[0]
            .Roles[1]
            .CoOccurrence.ShouldBe(new Count(1, 1));
    }

    [Theory]
    [InlineData("1..n", 1, Count.Many)]
    [InlineData("0,1", 0, 1)]
    [InlineData("1", null, 1)]
    [InlineData("n", null, Count.Many)]
    [InlineData("1+", 1, Count.Many)]
    [InlineData("3...10", 3, 10)]
    [InlineData("10..3", null, null)]
    [InlineData("some", null, null)]
    public void A_count_written_at_an_end_is_read_and_remarked_on(string written, int? min, int? max)
    {
        var end = new LineEnd(Attachment.ToShape("b2"), [], Count: written);
        var reading = Exercise.Read(
            new Sketch().Box("A").Box("B").Line(new LineEnd(Attachment.ToShape("b1"), [.. Ends.One]), end).ToDrawing()
        );
        reading.Model.Relationships[0].Roles[1].CoOccurrence.ShouldBe(new Count(min, max));
        reading.Remarks.Length.ShouldBe(1);
    }

    [Theory]
    [InlineData("PK visit no", "visit no")]
    [InlineData("pk/fk visit no", "pk/fk visit no")]
    [InlineData("{phones}", "phones")]
    [InlineData("[age]", "age")]
    [InlineData("address (street, town)", "address")]
    public void Names_of_rows(string row, string name) =>
        Exercise.Read(new Sketch().Box("A", row).ToDrawing()).Model.Entities[0].Attributes[0].Name.ShouldBe(name);

    [Theory]
    [InlineData("PFK", true, true)]
    [InlineData("PK/FK", true, true)]
    [InlineData("PK FK2", true, true)]
    [InlineData("FK1", false, true)]
    [InlineData("pk", true, false)]
    public void Spellings_of_key_marks(string mark, bool primary, bool foreign)
    {
        var shape = new Shape(
            "b",
            Form.Rectangle,
            Outline.Single,
            "A",
            [
                [new TextLine("t", mark, false, "x", Underline.None)],
            ],
            null
        );
        var entity = Exercise.Read(new Drawing([new Sheet("s", "", [shape], [])])).Model.Entities[0];
        (entity.Primary is not null).ShouldBe(primary);
        (entity.Attributes[0].ForeignKey is not null).ShouldBe(foreign);
    }

    [Fact]
    public void All_primary_rows_form_one_key_and_each_alternate_group_another()
    {
        var entity = Exercise.Read(new Sketch().Box("A", "PK a", "PK b", "AK1 c", "AK1 d", "AK2 e").ToDrawing()).Model.Entities[
            0
        ];
        entity.Primary!.AttributeIds.Length.ShouldBe(2);
        entity
            .Identifiers.Where(identifier => identifier.Kind == IdentifierKind.Alternate)
            .Select(identifier => identifier.AttributeIds.Length)
            .ShouldBe([2, 1]);
    }

    [Fact]
    public void An_attribute_in_several_keys_belongs_to_each_of_them()
    {
        var entity = Exercise
            .Read(new Sketch().Box("Lesson", "PK lesson no", "AK1 room", "AK1 AK2 period", "AK2 teacher").ToDrawing())
            .Model.Entities[0];
        entity
            .Identifiers.Where(identifier => identifier.Kind == IdentifierKind.Alternate)
            .Select(identifier => string.Join('+', identifier.AttributeIds))
            .ShouldBe(["t2+t3", "t3+t4"]);
        entity.Alternates.Select(alternate => alternate.AttributeId).ShouldBe(["t2", "t3"]);
    }

    [Fact]
    public void A_column_of_two_foreign_keys_refers_along_both_lines_each_with_its_own_columns()
    {
        var entity = Exercise
            .Read(
                new Sketch()
                    .Box("Slot", "PK hall code", "PK period")
                    .Box("Duty", "PK warden no", "PK period")
                    .Box("Lesson", "PK lesson no", "FK2 warden no", "FK1 FK2 period", "FK1 hall code")
                    .Line("Slot", Ends.One, "Lesson", Ends.ZeroOrMore)
                    .Line("Duty", Ends.One, "Lesson", Ends.ZeroOrMore)
                    .ToDrawing(),
                Level.Logical
            )
            .Model.Entities[2];
        entity
            .Attributes.Select(attribute =>
                string.Join(' ', attribute.ForeignKeys.Select(key => $"{key.Group}:{key.RelationshipId}"))
            )
            .ShouldBe(["", "2:r2", "1:r1 2:r2", "1:r1"]);
    }

    [Fact]
    public void A_partial_key_on_an_identifying_line_makes_a_weak_entity()
    {
        var reading = Exercise.Read(
            new Sketch()
                .Box("Item", "PK no")
                .Box("Repair", "PPK no")
                .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "has", "of", Stroke.Solid)
                .ToDrawing()
        );
        reading.Model.Entities[1].Kind.ShouldBe(EntityKind.Weak);
        reading.Model.Entities[1].Primary!.OwnerRelationshipIds.ShouldBe(["r1"]);
        reading.ElementsOf("b2").ShouldContain("r1");
    }

    [Fact]
    public void At_logical_level_a_key_of_two_foreign_keys_makes_a_linking_entity_and_finds_its_lines()
    {
        var entity = Exercise
            .Read(
                new Sketch()
                    .Box("Repair", "PK repair no")
                    .Box("Part", "PK code")
                    .Box("Use", "PK FK1 repair no", "PK FK2 part code")
                    .Line("Repair", Ends.One, "Use", Ends.ZeroOrMore)
                    .Line("Part", Ends.One, "Use", Ends.ZeroOrMore)
                    .ToDrawing(),
                Level.Logical
            )
            .Model.Entities[2];
        entity.Kind.ShouldBe(EntityKind.Associative);
        entity.Attributes.Select(attribute => attribute.ForeignKey!.RelationshipId).ShouldBe(["r1", "r2"]);
    }

    [Theory]
    [InlineData(Form.Oval, RemarkKind.ForeignShape)]
    [InlineData(Form.Circle, RemarkKind.LoneCircle)]
    [InlineData(Form.Diamond, RemarkKind.JoinedByDiamond)]
    [InlineData(Form.DiamondInRectangle, RemarkKind.ForeignShape)]
    public void Shapes_of_other_notations_are_remarked_on(string form, RemarkKind remark) =>
        Exercise.Read(new Sketch().Shape(form, "x").ToDrawing()).Remarks.Select(found => found.Kind).ShouldBe([remark]);

    [Fact]
    public void A_diamond_that_joins_three_boxes_is_read_as_what_it_is()
    {
        var sketch = new Sketch().Box("A").Box("B").Box("C").Shape(Form.Diamond, "uses");
        foreach (var box in new[] { "b1", "b2", "b3" })
        {
            sketch.Line(new LineEnd(Attachment.ToShape(box), [EndMark.Foot]), new LineEnd(Attachment.ToShape("b4"), []));
        }

        var relationship = Exercise.Read(sketch.ToDrawing()).Model.Relationships.Single();
        relationship.Roles.Length.ShouldBe(3);
        relationship.Roles.ShouldAllBe(role => role.Participation == Count.Unsaid);
    }

    [Fact]
    public void Notes_and_their_ties_say_nothing()
    {
        var reading = Exercise.Read(
            new Sketch()
                .Box("A")
                .Shape(Form.Note, "remember")
                .Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(Attachment.ToShape("b2"), []))
                .ToDrawing()
        );
        reading.Remarks.ShouldBeEmpty();
        reading.Model.Relationships.ShouldBeEmpty();
        reading.Model.Entities.Length.ShouldBe(1);
    }

    [Fact]
    public void A_text_with_a_slash_names_both_directions()
    {
        var drawing = new Sketch()
            .Box("A")
            .Box("B")
            .Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(Attachment.ToShape("b2"), []), text: "pays / is paid by")
            .ToDrawing();
        Exercise.Read(drawing).Model.Relationships[0].Roles.Select(role => role.Verb).ShouldBe(["pays", "is paid by"]);
    }

    [Fact]
    public void Any_drawing_gives_a_reading_and_sentences_whatever_is_drawn() =>
        RandomDrawings.Any.Sample(
            drawing =>
            {
                foreach (var level in Enum.GetValues<Level>())
                {
                    var reading = Exercise.Read(drawing, level);
                    SentenceWriter
                        .Write(reading)
                        .Length.ShouldBe(
                            reading.Model.Entities.Length
                                + reading.Model.Relationships.Length
                                + reading.Model.Specialisations.Length
                        );
                }

                DrawnSentenceWriter.Write(drawing).Length.ShouldBe(drawing.Shapes.Count() + drawing.Lines.Count());
            },
            iter: 500
        );

    [Fact]
    public void Every_symbol_at_an_end_either_means_something_or_is_remarked_on()
    {
        foreach (var mark in Symbols.Ends.All.Select(symbol => symbol.Name))
        {
            var reading = Exercise.Read(new Sketch().Box("A").Box("B").Line("A", Ends.One, "B", [mark]).ToDrawing());
            (reading.Model.Relationships[0].Roles[1].CoOccurrence != Count.Unsaid || reading.Remarks.Length > 0).ShouldBeTrue(
                mark
            );
        }
    }

    [Theory]
    [InlineData(Stroke.Solid, true)]
    [InlineData(Stroke.Dashed, false)]
    [InlineData(Stroke.Thin, null)]
    public void A_thin_line_says_nothing_about_identifying_and_is_drawn_so_again(Stroke stroke, bool? identifying)
    {
        var options = new CrowsFootOptions();
        var drawing = new Sketch()
            .Box("Item", "PK item no")
            .Box("Repair", "PPK repair no")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "has", "of", stroke)
            .ToDrawing();
        var model = Notation.Read(drawing, options).Model;
        model.Relationships.ShouldHaveSingleItem().Identifying.ShouldBe(identifying);
        var written = Notation.Of(NotationNames.CrowsFoot).Write(model, options).Drawing;
        written.Lines.ShouldHaveSingleItem().Stroke.ShouldBe(stroke);
        Notation
            .Read(drawing, options with { StrokeSaysIdentifying = false })
            .Model.Relationships.ShouldHaveSingleItem()
            .Identifying.ShouldBeNull();
    }
}
