using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Members : ExampleArea
{
    public override string Title => "Members of classes";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["abstract-missing"] = new(
                new Sketch().Class("Person", ["name"]).With(shape => shape with { Italic = true }).ToDrawing(),
                new Sketch().Class("Person", ["name"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["literal-missing"] = new(
                new Sketch().Class("«enumeration» Skill", ["sewing", "wood"]).ToDrawing(),
                new Sketch().Class("«enumeration» Skill", ["sewing"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["operation-extra"] = new(
                ExampleDrawings.Bench(["+ lamps: Integer"], ["+ isFree(on: Date): Boolean"]).ToDrawing(),
                ExampleDrawings.Bench(["+ lamps: Integer"], ["+ isFree(on: Date): Boolean", "+ paint()"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
            ["operation-misplaced"] = new(
                ExampleDrawings
                    .Bench(["+ lamps: Integer"], ["+ isFree(on: Date): Boolean"])
                    .Class("Visit", ["+ date: Date"])
                    .ToDrawing(),
                new Sketch()
                    .Class("Workbench", ["+ lamps: Integer"])
                    .Class("Visit", ["+ date: Date"], ["+ isFree(on: Date): Boolean"])
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
            ["operation-missing"] = new(
                ExampleDrawings.Bench(["+ lamps: Integer"], ["+ isFree(on: Date): Boolean"]).ToDrawing(),
                new Sketch().Class("Workbench", ["+ lamps: Integer"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
            ["operation-signature"] = new(
                ExampleDrawings.Bench(["+ lamps: Integer"], ["+ isFree(on: Date): Boolean"]).ToDrawing(),
                ExampleDrawings.Bench(["+ lamps: Integer"], ["+ isFree(): Boolean"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
            ["class-scope-not-shown"] = new(
                new Sketch()
                    .Class("Workbench", ["next number"])
                    .With(shape =>
                        shape with
                        {
                            Compartments =
                            [
                                [shape.Compartments[0][0] with { Underline = Underline.Solid }],
                            ],
                        }
                    )
                    .ToDrawing(),
                new Sketch().Class("Workbench", ["next number"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["stereotype-not-shown"] = new(
                new Sketch().Class("«boundary» Gate", ["name"]).ToDrawing(),
                new Sketch().Class("Gate", ["name"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["type"] = new(
                ExampleDrawings.Bench(["- lamps: Integer"], ["isFree()"]).ToDrawing(),
                ExampleDrawings.Bench(["- lamps: String"], ["isFree()"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
            ["visibility"] = new(
                ExampleDrawings.Bench(["- lamps: Integer"], ["isFree()"]).ToDrawing(),
                ExampleDrawings.Bench(["+ lamps: Integer"], ["isFree()"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Formal = true },
            },
        };
}
