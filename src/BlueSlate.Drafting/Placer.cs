using System.Globalization;
using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Gives places to a drawing that has none. A drawing whose every shape has a place is given back as it is.</summary>
public static class Placer
{
    private const double Least = 120;
    private const double Most = 420;
    private const double EndSymbols = 120;

    /// <summary>The drawing with a place for every shape, in quarter units; sheet by sheet, lines without routes.</summary>
    public static Drawing Place(Drawing drawing) =>
        drawing.Shapes.All(shape => shape.Place is not null) ? drawing : drawing with { Sheets = [.. drawing.Sheets.Select(PlaceSheet)] };

    private static Sheet PlaceSheet(Sheet sheet)
    {
        if (sheet.Shapes.IsEmpty)
        {
            return sheet;
        }

        var places = PlacesOf(sheet);
        return sheet with { Shapes = [.. sheet.Shapes.Select(shape => shape with { Place = places[shape.Id] })], Lines = [.. sheet.Lines.Select(line => line with { Route = [] })] };
    }

    /// <summary>Places for the shapes of a sheet by their lines, in quarter units from the upper left.</summary>
    internal static Dictionary<string, Place> PlacesOf(Sheet sheet) =>
        LayoutEngine.LayOut(GraphOf(sheet))["children"]!.AsArray()
            .ToDictionary(node => (string)node!["id"]!, node => PlaceOf(node!), StringComparer.Ordinal);

    private static JsonObject GraphOf(Sheet sheet)
    {
        var owners = sheet.Shapes.SelectMany(shape => shape.TextLines.Select(row => (Element: row.Id, Shape: shape.Id)))
            .Concat(sheet.Shapes.Select(shape => (Element: shape.Id, Shape: shape.Id)))
            .ToDictionary(pair => pair.Element, pair => pair.Shape, StringComparer.Ordinal);
        var edges = sheet.Lines.Where(line => owners.ContainsKey(line.From.On.Id ?? "") && owners.ContainsKey(line.To.On.Id ?? "")).ToList();
        return new JsonObject
        {
            ["id"] = "root",
            ["layoutOptions"] = new JsonObject
            {
                ["elk.algorithm"] = "layered",
                ["elk.direction"] = "RIGHT",
                ["elk.edgeRouting"] = "ORTHOGONAL",
                ["elk.spacing.nodeNode"] = "60",
                ["elk.spacing.componentComponent"] = "60",
                ["elk.layered.spacing.nodeNodeBetweenLayers"] = Between(edges).ToString(CultureInfo.InvariantCulture),
                ["elk.randomSeed"] = "1",
            },
            ["children"] = new JsonArray([.. sheet.Shapes.Select(NodeOf)]),
            ["edges"] = new JsonArray([.. edges.Select(line => (JsonNode)new JsonObject
            {
                ["id"] = line.Id,
                ["sources"] = new JsonArray(owners[line.From.On.Id!]),
                ["targets"] = new JsonArray(owners[line.To.On.Id!]),
            })]),
        };
    }

    // Room for what is written at both ends of a line, one text after the other.
    private static double Between(IReadOnlyCollection<Line> lines) =>
        Math.Clamp(lines.Select(line => Longest(line.From) + Longest(line.To) + EndSymbols).Append(0).Max(), Least, Most);

    private static double Longest(LineEnd end) => new[] { end.Label, end.Role, end.Count }.Max(text => TextWidths.Of(text ?? ""));

    private static JsonNode NodeOf(Shape shape)
    {
        var (width, height) = ShapeSizes.Of(shape);
        return new JsonObject { ["id"] = shape.Id, ["width"] = width, ["height"] = height };
    }

    private static Place PlaceOf(JsonNode node) => new(Quarters(node["x"]!), Quarters(node["y"]!), Quarters(node["width"]!), Quarters(node["height"]!));

    private static int Quarters(JsonNode pixels) => (int)Math.Round(pixels.GetValue<double>() * 4);
}
