using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Entities : ExampleArea
{
    public override string Title => "Entities and classes";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["attribute-as-entity"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "description")
                    .Box("Fault", "PK fault name")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Line("Fault", Ends.One, "Item", Ends.ZeroOrMore, "ails", "has")
                    .ToDrawing()
            ),
            ["entity-as-attribute"] = new(
                ExampleDrawings.WithFixer,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "description", "fault", "fixer")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["entity-duplicate"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Box("Items", ExampleDrawings.Item)
                    .ToDrawing()
            ),
            ["entity-extra"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Box("Café", "PK address")
                    .ToDrawing()
            ),
            ["entity-kind-not-shown"] = new(
                ExampleDrawings
                    .Boxes()
                    .Box("Repair", "PPK repair no", "outcome")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid)
                    .ToDrawing(),
                ExampleDrawings
                    .Boxes()
                    .Box("Repair", "PK repair no", "outcome")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries")
                    .ToDrawing()
            ),
            ["entity-missing"] = new(ExampleDrawings.WithFixer, ExampleDrawings.Conceptual),
            ["naming-standard"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Items", ExampleDrawings.Item)
                    .Line("Visit", Ends.One, "Items", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
        };
}
