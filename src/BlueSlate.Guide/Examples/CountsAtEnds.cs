using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class CountsAtEnds : ExampleArea
{
    public override string Title => "Counts at ends";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["cardinality-max"] = new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(Ends.One)),
            ["cardinality-min"] = new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(Ends.ZeroOrMore)),
            ["end-unsaid"] = new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Foot)),
            ["ends-swapped"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings.Boxes().Line("Visit", Ends.OneOrMore, "Item", Ends.One, "brings in", "comes in on").ToDrawing()
            ),
            ["history-kept"] = new(
                Shelved().Line("Shelf", Ends.One, "Item", Ends.ZeroOrMore, "holds", "lies on").ToDrawing(),
                Shelved()
                    .Box("Storing", "since")
                    .Line("Shelf", Ends.One, "Storing", Ends.ZeroOrMore, "is used for", "is at")
                    .Line("Item", Ends.One, "Storing", Ends.OneOrMore, "goes through", "is of")
                    .ToDrawing()
            ),
        };

    private static Sketch Shelved() => new Sketch().Box("Item", ExampleDrawings.Item).Box("Shelf", "PK shelf no", "room");
}
