using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>Parts of attributes in brackets, how deep they lie; and how many values attributes have, in words.</summary>
public sealed class PartTextTests
{
    private static readonly Gen<string> Names = Gen.Int[0, 4]
        .Select(i => new[] { "street", "house no", "town", "first", "last" }[i]);

    private static Gen<PartText> Parts(int depth) =>
        depth == 0
            ? Names.Select(name => new PartText(name, []))
            : Gen.Select(Names, Parts(depth - 1).Array[0, 3], (name, inner) => new PartText(name, [.. inner]));

    [Fact]
    public void What_is_written_is_read_again() =>
        Parts(4)
            .Array[1, 3]
            .Sample(parts => PartText.Write(PartText.Read(PartText.Write(parts))).ShouldBe(PartText.Write(parts)), iter: 300);

    [Theory]
    [InlineData("a, b (c, d (e)), f", new[] { "a", "c", "e", "f" })]
    [InlineData("a, , b", new[] { "a", "b" })]
    [InlineData("a (b", new[] { "a (b" })]
    [InlineData("a) b", new[] { "a) b" })]
    [InlineData("", new string[0])]
    public void Whatever_is_between_brackets_has_its_innermost_parts(string inside, string[] innermost)
    {
        var attribute = ConceptAttribute.Plain("t1", "address") with
        {
            Parts = [.. PartText.Read(inside).Select((part, i) => AttributePart.Of(part, $"{i + 1}", place => place))],
        };
        attribute.Leaves.Select(part => part.Name).ShouldBe(innermost);
        attribute.Leaves.Select(part => part.Id).ShouldBeUnique();
    }

    [Fact]
    public void Depth_without_end_is_read_without_end()
    {
        var deep = string.Concat(Enumerable.Repeat("a (", 5000)) + "b" + new string(')', 5000);
        PartText.Read(deep).ShouldHaveSingleItem().Name.ShouldBe("a");

        // An oval on an oval on an oval, the first on the box.
        var drawing = Enumerable
            .Range(2, 299)
            .Aggregate(new Sketch().Box("Visitor").Oval("Visitor", "oval 1"), (sketch, i) =>
                sketch.Oval($"oval {i - 1}", $"oval {i}")
            )
            .ToDrawing();
        var attribute = Notation.Read(drawing, Chen).Model.Entities.Single().Attributes.Single();
        attribute.Leaves.Select(part => part.Name).ShouldContain("oval 300");
        Notation.Of(NotationNames.Chen).Write(Notation.Read(drawing, Chen).Model, Chen).Drawing.Shapes.Count().ShouldBe(301);
    }

    [Theory]
    [InlineData("2 to 5 values", 2, 5)]
    [InlineData("At least 2 values", 2, Count.Many)]
    [InlineData("exactly 3 values", 3, 3)]
    public void How_many_values_is_said_in_words(string words, int min, int max)
    {
        ValueCount.TryRead(words, out var count).ShouldBeTrue();
        count.ShouldBe(new Count(min, max));
        ValueCount.Write(count).ShouldBe(words.ToLowerInvariant());
        ValueCount.TryRead("values", out _).ShouldBeFalse();
    }

    [Fact]
    public void A_class_keeps_how_many_values_an_attribute_has()
    {
        var uml = new UmlOptions();
        var drawing = Amender.Amend(Drawing.Empty, ["Club: guests (several, 2 to 5 values), motto"], uml).Drawing;
        drawing.Shapes.SelectMany(shape => shape.TextLines).Select(row => row.Text).ShouldBe(["guests [2..5]", "motto"]);
        SentenceWriter.Write(Notation.Read(drawing, uml))[0].Text.ShouldBe("Club: guests (several, 2 to 5 values), motto");
    }

    private static readonly ChenOptions Chen = new();
}
