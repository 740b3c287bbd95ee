using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using BlueSlate.Core.Drawings;
using BlueSlate.Drafting;
using BlueSlate.Drafting.Painting;
using Shouldly;
using Xunit;

namespace BlueSlate.Cli.Tests;

/// <summary>Pictures: painted from the symbols' data, where the slate paints them too, and with the drawing inside.</summary>
public sealed partial class PictureTests
{
    private static readonly JsonElement Golden = JsonDocument
        .Parse(
            File.ReadAllBytes(
                Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "tests", "golden", "paths.json")
            )
        )
        .RootElement;

    private static Drawing Visits =>
        Placer.Place(
            new Sketch()
                .Box("Visit")
                .Oval("Visit", "visit no", Underline.Solid)
                .Box("Item")
                .Oval("Item", "fault", outline: Outline.Double)
                .Diamond("brings in", Outline.Double, ("Visit", "1", true), ("Item", "N", false))
                .ToDrawing()
        );

    [Fact]
    public void Symbols_are_painted_where_the_golden_list_says()
    {
        foreach (var form in Symbols.Forms.All)
        {
            Compare(form.Name, "forms", [.. form.Edge, .. form.Details, .. form.Double], path =>
                SymbolPaths.InBox(path, 10, 20, 100, 50)
            );
        }

        var stand = new Stand(100, 50, 0.6, 0.8);
        foreach (var end in Symbols.Ends.All)
        {
            Compare(end.Name, "ends", [.. end.Hollow, .. end.Paths, .. end.Filled], path => SymbolPaths.Turned(path, 3, stand));
        }

        foreach (var along in Symbols.Along.All)
        {
            Compare(along.Name, "along", along.Paths, path => SymbolPaths.Turned(path, 0, stand));
        }
    }

    [Theory]
    [InlineData(PictureFormat.Svg, "<svg")]
    [InlineData(PictureFormat.Png, "PNG")]
    [InlineData(PictureFormat.Pdf, "%PDF-")]
    public void A_picture_carries_the_drawing_and_gives_it_back(PictureFormat format, string begins)
    {
        var picture = Picture.Paint(Visits, format, [], 2);
        Encoding.Latin1.GetString(picture, 0, 200).ShouldContain(begins);
        var text = PictureInside.Find(picture);
        text.ShouldNotBeNull();
        DrawingWriter.Hash(DrawingReader.Read(text).Drawing!).ShouldBe(DrawingWriter.Hash(Visits));
    }

    [Fact]
    public void An_SVG_shows_every_text_in_shipped_faces_and_nothing_active()
    {
        var svg = Encoding.UTF8.GetString(Picture.Paint(Visits, PictureFormat.Svg, [], 1));
        foreach (var text in new[] { "Visit", "visit no", "brings in", "fault" })
        {
            svg.ShouldContain($">{text}</text>");
        }

        svg.ShouldContain("@font-face");
        svg.Replace("http://www.w3.org/2000/svg", "", StringComparison.Ordinal).ShouldNotContain("http");
        svg.ShouldNotContain("<script");
    }

    [Fact]
    public void A_dashed_line_is_whole_beneath_its_marks()
    {
        var drawing = new Sketch().Box("Visit").Box("Item").Line("Visit", Ends.One, "Item", Ends.ZeroOrMore).ToDrawing();
        // Not the line any more, but a piece of it at each end.
        WholeStrokes(Stroked(Stroke.Dashed)).ShouldBe(WholeStrokes(Stroked(Stroke.Solid)) - 1 + 2);

        Drawing Stroked(Stroke stroke) =>
            drawing with
            {
                Sheets =
                [
                    drawing.Sheets[0] with
                    {
                        Lines = [.. drawing.Sheets[0].Lines.Select(line => line with { Stroke = stroke })],
                    },
                ],
            };

        static int WholeStrokes(Drawing drawing) =>
            Whole().Count(Encoding.UTF8.GetString(Picture.Paint(Placer.Place(drawing), PictureFormat.Svg, [], 1)));
    }

    [GeneratedRegex("""<path d="M[^CZ"]+"(?![^>]*dasharray)""")]
    private static partial Regex Whole();

    [Fact]
    public void Texts_cannot_break_out_of_the_markup()
    {
        var drawing = Placer.Place(new Sketch().Box("</text><script>alert(1)</script>").ToDrawing());
        Encoding.UTF8.GetString(Picture.Paint(drawing, PictureFormat.Svg, [], 1)).ShouldNotContain("<script");
    }

    [Fact]
    public void A_picture_shows_the_sheet_that_is_meant_with_the_cells_of_its_tables()
    {
        var drawing = DrawingReader
            .Read(
                """
                { "format": "blue-slate-drawing", "version": 1, "sheets": [
                  { "id": "s1", "name": "diagram", "shapes": [
                    { "id": "a", "form": "rectangle", "text": "pier", "place": [0, 0, 400, 144] }] },
                  { "id": "s2", "name": "1NF", "shapes": [
                    { "id": "t", "form": "strip", "text": "Mooring", "place": [0, 0, 1200, 144], "compartments": [[
                      { "id": "c1", "text": "mooring no", "underline": "solid" }, { "id": "c2", "text": "berth" },
                      { "id": "c3", "mark": "FK", "text": "boat" }]] }],
                    "lines": [{ "id": "l", "from": { "row": "c1" }, "to": { "row": "c2", "marks": ["arrow"] } }] }] }
                """
            )
            .Drawing!;
        string Of(string sheet) =>
            Encoding.UTF8.GetString(Picture.Paint(SlateGeometry.Settle(drawing), PictureFormat.Svg, [], 1, sheet));
        Of("").ShouldContain(">pier</text>");
        Of("s1").ShouldNotContain(">Mooring</text>");
        var stage = XDocument.Parse(Of("s2"));
        double Left(string text) =>
            (double)stage.Descendants().Single(one => one.Name.LocalName == "text" && one.Value == text).Attribute("x")!;
        string[] texts = ["Mooring", "mooring no", "berth", "FK", "boat"];
        texts.Select(Left).ShouldBe(texts.Select(Left).Order());
        stage.Descendants().Count(one => one.Name.LocalName == "text").ShouldBe(texts.Length);
    }

    [Fact]
    public void Chosen_shapes_alone_make_a_smaller_picture()
    {
        var whole = ScenePainter.Extent(Visits.Sheets[0], null);
        var part = ScenePainter.Extent(Visits.Sheets[0], new HashSet<string>(["b1"]));
        part.Width.ShouldBeLessThan(whole.Width);
        Encoding.UTF8.GetString(Picture.Paint(Visits, PictureFormat.Svg, ["b1"], 1)).ShouldNotContain(">Item</text>");
    }

    [Theory]
    [InlineData("")]
    [InlineData("nothing of ours")]
    [InlineData("%PDF-1.7 broken")]
    [InlineData("<svg><metadata id=\"blue-slate-drawing\">!!!</metadata></svg>")]
    [InlineData("<!DOCTYPE svg [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><svg>&x;</svg>")]
    public void Foreign_files_carry_nothing(string content) => PictureInside.Find(Encoding.UTF8.GetBytes(content)).ShouldBeNull();

    [Fact]
    public void A_broken_PNG_carries_nothing()
    {
        var png = Picture.Paint(Visits, PictureFormat.Png, [], 1);
        PictureInside.Find(png[..40]).ShouldBeNull();
        png[33] = 0xFF;
        PictureInside.Find(png).ShouldBeNull();
    }

    private static void Compare(string name, string kind, IEnumerable<string> paths, Func<string, List<PathPiece>> put)
    {
        var golden = Golden.GetProperty(kind).GetProperty(name).EnumerateArray().Select(path => path.GetString()!).ToList();
        var painted = paths.Select(put).ToList();
        painted.Count.ShouldBe(golden.Count, name);
        foreach (var (pieces, wanted) in painted.Zip(golden))
        {
            string.Concat(pieces.Select(piece => piece.Command)).ShouldBe(string.Concat(wanted.Where(char.IsLetter)), name);
            var numbers = Numbers()
                .Matches(wanted)
                .Select(number => double.Parse(number.Value, System.Globalization.CultureInfo.InvariantCulture))
                .ToList();
            var mine = pieces.SelectMany(piece => piece.Numbers).ToList();
            mine.Count.ShouldBe(numbers.Count, name);
            mine.Zip(numbers).ShouldAllBe(pair => Math.Abs(pair.First - pair.Second) < 0.02, name);
        }
    }

    [GeneratedRegex(@"-?\d*\.?\d+(?:e-?\d+)?")]
    private static partial Regex Numbers();
}
