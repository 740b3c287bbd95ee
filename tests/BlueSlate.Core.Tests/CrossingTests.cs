using BlueSlate.Core.Crossing;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Dependencies;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>What is taken from a drawing of one subject into one of another.</summary>
public sealed class CrossingTests
{
    private static readonly DependencyOptions Dependencies = new();
    private static readonly CrowsFootOptions Columns = new();

    private static readonly string[] Pots =
    [
        "Attributes: kiln, firing, glaze, shelf, colour",
        "Kiln and firing determine shelf",
        "Glaze determines colour",
        "2NF: Load has kiln (key), firing (key), glaze, shelf, colour",
        "3NF: Load has kiln (key), firing (key), glaze (foreign key), shelf",
        "3NF: Glaze has glaze (key), colour",
    ];

    [Fact]
    public void The_farthest_stage_becomes_tables_with_foreign_keys_as_lines()
    {
        var crossed = Crossings.Of(Drawn(Pots), Dependencies, Columns, Piece.All);

        Said(crossed, Columns)
            .ShouldBe([
                "Load: kiln (key), firing (key), glaze (foreign key), shelf",
                "Glaze: glaze (key), colour",
                "Glaze goes with 0 or more Load; Load goes with exactly 1 Glaze",
            ]);
    }

    [Fact]
    public void Another_stage_is_taken_when_it_is_meant()
    {
        var drawing = Drawn(Pots);

        var crossed = Crossings.Of(drawing, Dependencies, Columns, new Piece(drawing.Sheets[1].Id, []));

        Said(crossed, Columns).ShouldBe(["Load: kiln (key), firing (key), glaze, shelf, colour"]);
    }

    [Fact]
    public void A_foreign_key_in_the_key_ties_to_the_owner_and_a_whole_key_to_one_at_most()
    {
        var drawing = Drawn([
            "Attributes: deck, cable, gain, note",
            "3NF: Deck has deck (key), gain",
            "3NF: Patch has deck (key, foreign key), cable (key)",
            "3NF: Remark has deck (key, foreign key), note",
        ]);

        var lines = Said(Crossings.Of(drawing, Dependencies, Columns, Piece.All), Columns);

        lines.ShouldContain("Deck goes with 0 or more Patch; Patch goes with exactly 1 Deck (identifying)");
        lines.ShouldContain("Deck goes with 0 or 1 Remark; Remark goes with exactly 1 Deck (identifying)");
    }

    [Fact]
    public void Attributes_of_an_entity_become_boxes_and_its_identifier_is_underlined()
    {
        var drawing = Drawn(["Kiln: kiln no (key), volume", "Glaze: glaze no (key), colour"], Columns);
        var kiln = drawing.Shapes.First(shape => shape.Text == "Kiln");

        var crossed = Crossings.Of(drawing, Columns, Dependencies, new Piece("", [kiln.Id]));

        Said(crossed, Dependencies).ShouldBe(["Attributes: kiln no, volume", "Key: kiln no"]);
    }

    [Fact]
    public void Names_that_several_entities_use_are_told_apart_and_foreign_keys_are_one_attribute()
    {
        var drawing = Drawn(["Kiln: kiln no (key), name", "Load: load no (key), kiln no (foreign key), name"], Columns);

        var crossed = Crossings.Of(drawing, Columns, Dependencies, Piece.All);

        Said(crossed, Dependencies).ShouldBe(["Attributes: kiln no, kiln name, load no, load name", "Key: kiln no, load no"]);
    }

    [Fact]
    public void Ways_lead_only_where_something_can_be_said()
    {
        Crossings.Lead(Dependencies, Columns).ShouldBeTrue();
        Crossings.Lead(new ChenOptions(), Dependencies).ShouldBeTrue();
        Crossings.Lead(Columns, new ChenOptions()).ShouldBeTrue();
        Crossings.Lead(Dependencies, new ChenOptions()).ShouldBeFalse();
        Crossings.Of(Drawn(["Attributes: kiln, shelf"]), Dependencies, Columns, Piece.All).ShouldBeNull();
        Crossings.Of(Drawing.Empty, Columns, Dependencies, Piece.All).ShouldBeNull();
    }

    private static Drawing Drawn(string[] lines) => Drawn(lines, Dependencies);

    private static Drawing Drawn(string[] lines, WorkOptions options)
    {
        var typed = Subject.Of(options).Retype(Drawing.Empty, lines, options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static string[] Said(IDocument? document, WorkOptions options) =>
        [.. Subject.Of(options).Sentences(document.ShouldNotBeNull(), options).Select(sentence => sentence.Text)];
}
