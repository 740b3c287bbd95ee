using System.Text.Json.Nodes;
using BlueSlate.Core.Drawings;

namespace BlueSlate.Drafting;

/// <summary>Gives places to a drawing that has none. A drawing whose every shape has a place is given back as it is.</summary>
public static class Placer
{
    /// <summary>The drawing with a place for every shape, in quarter units; sheet by sheet, lines without routes.</summary>
    public static Drawing Place(Drawing drawing) =>
        drawing.Shapes.All(shape => shape.Place is not null) ? drawing : drawing with { Sheets = [.. drawing.Sheets.Select(PlaceSheet)] };

    private static Sheet PlaceSheet(Sheet sheet)
    {
        if (sheet.Shapes.IsEmpty)
        {
            return sheet;
        }

        var places = LayoutEngine.LayOut(GraphOf(sheet))["children"]!.AsArray()
            .ToDictionary(node => (string)node!["id"]!, node => PlaceOf(node!), StringComparer.Ordinal);
        return sheet with { Shapes = [.. sheet.Shapes.Select(shape => shape with { Place = places[shape.Id] })], Lines = [.. sheet.Lines.Select(line => line with { Route = [] })] };
    }

    private static JsonObject GraphOf(Sheet sheet)
    {
        var owners = sheet.Shapes.SelectMany(shape => shape.TextLines.Select(row => (Element: row.Id, Shape: shape.Id)))
            .Concat(sheet.Shapes.Select(shape => (Element: shape.Id, Shape: shape.Id)))
            .ToDictionary(pair => pair.Element, pair => pair.Shape, StringComparer.Ordinal);
        var edges = sheet.Lines.Where(line => owners.ContainsKey(line.From.On.Id ?? "") && owners.ContainsKey(line.To.On.Id ?? ""));
        return new JsonObject
        {
            ["id"] = "root",
            ["layoutOptions"] = new JsonObject
            {
                ["elk.algorithm"] = "layered",
                ["elk.direction"] = "RIGHT",
                ["elk.edgeRouting"] = "ORTHOGONAL",
                ["elk.spacing.nodeNode"] = "60",
                ["elk.layered.spacing.nodeNodeBetweenLayers"] = "120",
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

    private static JsonNode NodeOf(Shape shape)
    {
        var (width, height) = ShapeSizes.Of(shape);
        return new JsonObject { ["id"] = shape.Id, ["width"] = width, ["height"] = height };
    }

    private static Place PlaceOf(JsonNode node) => new(Quarters(node["x"]!), Quarters(node["y"]!), Quarters(node["width"]!), Quarters(node["height"]!));

    private static int Quarters(JsonNode pixels) => (int)Math.Round(pixels.GetValue<double>() * 4);
}
