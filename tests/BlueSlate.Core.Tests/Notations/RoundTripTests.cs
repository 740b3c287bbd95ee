using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Notations;

/// <summary>What is said survives being drawn, read, put into sentences and drawn again, in every notation.</summary>
public sealed class RoundTripTests
{
    public static TheoryData<string> Names => [.. Notation.All.Select(notation => notation.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Concepts_drawn_and_read_are_the_same_concepts(string name) =>
        RandomConcepts.For(name).Sample(model => Read(Draw(model, name), name).ShouldBe(RandomConcepts.Said(model)), iter: 300);

    [Theory]
    [MemberData(nameof(Names))]
    public void What_is_read_drawn_again_keeps_its_ids(string name) =>
        RandomConcepts
            .For(name)
            .Sample(
                model =>
                {
                    var drawing = Draw(model, name);
                    DrawingWriter.Hash(Draw(Reading(drawing, name).Model, name)).ShouldBe(DrawingWriter.Hash(drawing));
                },
                iter: 200
            );

    [Theory]
    [MemberData(nameof(Names))]
    public void Sentences_typed_onto_an_empty_slate_say_the_same(string name) =>
        RandomConcepts
            .For(name)
            .Sample(
                model =>
                {
                    var lines = SentenceWriter
                        .Write(
                            new Reading(
                                model,
                                [],
                                System
                                    .Collections
                                    .Immutable
                                    .ImmutableDictionary<string, System.Collections.Immutable.ImmutableArray<string>>
                                    .Empty
                            )
                        )
                        .Select(sentence => sentence.Text)
                        // What is said twice in the same words is drawn once.
                        .Distinct(StringComparer.Ordinal)
                        .ToList();
                    var amended = Amender.Amend(Drawing.Empty, lines, Notation.Of(name).Usual);
                    amended.Problems.ShouldBeEmpty();
                    SentenceWriter
                        .Write(Reading(amended.Drawing, name))
                        .Select(sentence => sentence.Text)
                        .Order(StringComparer.Ordinal)
                        .ShouldBe(lines.Order(StringComparer.Ordinal));
                },
                iter: 200
            );

    [Theory]
    [MemberData(nameof(Names))]
    public void Sentences_typed_over_those_of_another_drawing_say_the_same(string name) =>
        Gen.Select(RandomConcepts.For(name), RandomConcepts.For(name))
            .Sample(
                (one, other) =>
                {
                    var lines = SentencesOf(Draw(other, name), name);
                    var amended = Amender.Amend(Draw(one, name), lines, Notation.Of(name).Usual);
                    amended.Problems.ShouldBeEmpty();
                    SentencesOf(amended.Drawing, name)
                        .Order(StringComparer.Ordinal)
                        .ShouldBe(lines.Order(StringComparer.Ordinal));
                },
                iter: 300
            );

    [Theory]
    [MemberData(nameof(Names))]
    public void Sentences_that_were_not_edited_change_nothing(string name) =>
        RandomConcepts
            .For(name)
            .Sample(
                model =>
                {
                    var drawing = Draw(model, name);
                    var lines = SentenceWriter.Write(Reading(drawing, name)).Select(sentence => sentence.Text).ToList();
                    DrawingWriter
                        .Hash(Amender.Amend(drawing, lines, Notation.Of(name).Usual).Drawing)
                        .ShouldBe(DrawingWriter.Hash(drawing));
                },
                iter: 100
            );

    [Fact]
    public void Redrawn_in_another_notation_and_back_what_both_can_say_is_there()
    {
        var chen = Notation
            .Read(
                new Sketch()
                    .Box("Visit")
                    .Oval("Visit", "visit no", Underline.Solid)
                    .Box("Item")
                    .Oval("Item", "item no", Underline.Solid)
                    .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
                    .ToDrawing(),
                new ChenOptions()
            )
            .Model;
        foreach (var name in new[] { NotationNames.CrowsFoot, NotationNames.Uml })
        {
            var there = Notation.Of(name).Write(chen, Notation.Of(name).Usual);
            there.Unsaid.ShouldBeEmpty();
            var back = Notation.Of(NotationNames.Chen).Write(Reading(there.Drawing, name).Model, new ChenOptions());
            RandomConcepts.Said(Reading(back.Drawing, NotationNames.Chen).Model).ShouldBe(RandomConcepts.Said(chen));
        }
    }

    [Fact]
    public void What_a_notation_cannot_say_stands_in_a_note()
    {
        var weak = Notation.Read(ChenReaderTests.Weak().ToDrawing(), new ChenOptions()).Model;
        var redrawn = Notation.Of(NotationNames.Uml).Write(weak, new UmlOptions());
        redrawn.Unsaid.ShouldContain("Repair is told apart within its owner by repair no.");
        redrawn.Drawing.Shapes.Where(shape => shape.Form == Form.Note).Select(shape => shape.Text).ShouldBe(redrawn.Unsaid);
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Any_drawing_gives_a_reading_sentences_and_another_drawing(string name) =>
        RandomDrawings.Any.Sample(
            drawing =>
            {
                var reading = Reading(drawing, name);
                SentenceWriter.Write(reading).ShouldAllBe(sentence => sentence.Text.Length > 0);
                foreach (var other in Notation.All)
                {
                    Notation.Read(
                        other.Write(reading.Model, Notation.Of(other.Name).Usual).Drawing,
                        Notation.Of(other.Name).Usual
                    );
                }
            },
            iter: 400
        );

    [Theory]
    [MemberData(nameof(Names))]
    public void Any_line_typed_is_taken_or_told(string name) =>
        Gen.String[Gen.Char["abc VI:;,()01 or more exactly is a kind of can one"], 0, 60]
            .Sample(
                line => Reading(Amender.Amend(ChenReaderTests.Weak().ToDrawing(), [line], Notation.Of(name).Usual).Drawing, name),
                iter: 300
            );

    // What is said twice in the same words is drawn once.
    private static List<string> SentencesOf(Drawing drawing, string name) =>
        [.. SentenceWriter.Write(Reading(drawing, name)).Select(sentence => sentence.Text).Distinct(StringComparer.Ordinal)];

    private static Drawing Draw(ConceptModel model, string name) =>
        Notation.Of(name).Write(model, Notation.Of(name).Usual).Drawing;

    private static Reading Reading(Drawing drawing, string name) => Notation.Read(drawing, Notation.Of(name).Usual);

    private static string Read(Drawing drawing, string name)
    {
        var reading = Reading(drawing, name);
        reading.Remarks.ShouldBeEmpty();
        return RandomConcepts.Said(reading.Model);
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void What_its_author_noted_is_noted_in_every_notation(string name)
    {
        var options = new CrowsFootOptions();
        var drawing = new Sketch()
            .Box("Visit", "PK visit no")
            .Shape(Form.Note, "Closed on Mondays", Outline.Single)
            .Tie("Closed on Mondays", "Visit")
            .ToDrawing();
        var model = Notation.Read(drawing, options).Model;
        model.Notes.ShouldHaveSingleItem().Text.ShouldBe("Closed on Mondays");
        model.Notes[0].AboutIds.ShouldBe([model.Entities[0].Id]);

        var redrawn = Notation.Of(name).Write(model, Notation.Of(name).Usual).Drawing;
        var again = Notation.Read(redrawn, Notation.Of(name).Usual).Model;
        var kept = again.Notes.Single(note => note.Text == "Closed on Mondays");
        again.Entity(kept.AboutIds.ShouldHaveSingleItem()).Name.ShouldBe("Visit");
    }
}
