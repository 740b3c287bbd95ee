using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Attributes : ExampleArea
{
    public override string Title => "Attributes";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["attribute-extra"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", "PK visit no", "date", "weather")
                    .Box("Item", ExampleDrawings.Item)
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["attribute-form-not-shown"] = new(
                new Sketch().Box("Fixer", "PK badge no", "name", "{skills}").ToDrawing(),
                new Sketch().Box("Fixer", "PK badge no", "name", "skills").ToDrawing()
            ),
            ["attribute-misplaced"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", "PK visit no", "date", "fault")
                    .Box("Item", "PK item no", "description")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["attribute-missing"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "description")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["attribute-repeated-in-subtypes"] = new(
                new Sketch()
                    .Class("Person", ["name", "phone"])
                    .Class("Visitor", ["firstVisit"])
                    .Class("Fixer", ["since"])
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing(),
                new Sketch()
                    .Class("Person", ["name"])
                    .Class("Visitor", ["firstVisit", "phone"])
                    .Class("Fixer", ["since", "phone"])
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["attributes-exchanged"] = new(Drawn("weather", "fault"), Drawn("fault", "weather")),
            ["part-missing"] = new(
                new Sketch()
                    .Box("Fixer")
                    .Oval("Fixer", "badge no", Underline.Solid)
                    .Oval("Fixer", "name")
                    .Oval("name", "first")
                    .Oval("name", "last")
                    .ToDrawing(),
                new Sketch()
                    .Box("Fixer")
                    .Oval("Fixer", "badge no", Underline.Solid)
                    .Oval("Fixer", "name")
                    .Oval("name", "first")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
        };

    private static Drawing Drawn(string ofVisit, string ofItem) =>
        new Sketch()
            .Box("Visit", "PK visit no", ofVisit)
            .Box("Item", "PK item no", ofItem)
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
            .ToDrawing();
}
