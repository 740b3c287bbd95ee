using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations.Chen;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class NotationFaults : ExampleArea
{
    public override string Title => "Faults of notation";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["notation-arrowhead"] = new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Arrow, EndMark.Bar)),
            ["notation-box-for-diamond"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings
                    .Ovals()
                    .Box("brings in")
                    .Tie("Visit", "brings in", Stroke.Double, "", "1")
                    .Tie("Item", "brings in", Stroke.Double, "", "N")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-count-as-text"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line(
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.One], "brings in"),
                        new LineEnd(Attachment.ToShape("b2"), [], "comes in on", Count: "1..n")
                    )
                    .ToDrawing()
            ),
            ["notation-count-on-generalisation"] = new(
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing(),
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", atTo: "1", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["notation-diamond-at-both-ends"] = new(
                ExampleDrawings.Associated().ToDrawing(),
                ExampleDrawings
                    .Classes()
                    .Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*", EndMark.Diamond, EndMark.Diamond)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["notation-diamond-to-diamond"] = new(
                new Sketch()
                    .Box("Visit")
                    .Oval("Visit", "visit no", Underline.Solid)
                    .Box("Item")
                    .Oval("Item", "item no", Underline.Solid)
                    .Box("Fixer")
                    .Oval("Fixer", "badge no", Underline.Solid)
                    .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
                    .Diamond("looks at", Outline.Single, ("Fixer", "1", false), ("Item", "N", false))
                    .ToDrawing(),
                new Sketch()
                    .Box("Visit")
                    .Oval("Visit", "visit no", Underline.Solid)
                    .Box("Item")
                    .Oval("Item", "item no", Underline.Solid)
                    .Box("Fixer")
                    .Oval("Fixer", "badge no", Underline.Solid)
                    .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
                    .Diamond("looks at", Outline.Single, ("Fixer", "1", false), ("Item", "N", false))
                    .Tie("brings in", "looks at")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-foreign-end-symbol"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings.WithEndAtItem(EndMark.Foot, EndMark.Bar, EndMark.Diamond)
            ),
            ["notation-foreign-outline"] = new(ExampleDrawings.Conceptual, WithOutline(Outline.Dashed)),
            ["notation-foreign-shape"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Shape(Form.Oval, "colour")
                    .ToDrawing()
            ),
            ["notation-foreign-stereotype"] = new(
                ExampleDrawings.Associated().ToDrawing(),
                new Sketch()
                    .Class("Visit", ["visitNo", "date"])
                    .Class("«screen» Item", ["itemNo", "fault"])
                    .Tie("Visit", "«screen» Item", Stroke.Solid, "brings in", "1", "1..*")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { Stereotypes = ["boundary", "control"] },
            },
            ["notation-foreign-stroke"] = new(
                Solid.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid).ToDrawing(),
                Solid.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Double).ToDrawing()
            ),
            ["notation-foreign-underline"] = new(ExampleDrawings.Conceptual, Underlined()),
            ["notation-joined-by-diamond"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Shape(Form.Diamond, "")
                    .ToDrawing()
            ),
            ["notation-line-to-line"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []))
                    .ToDrawing()
            ),
            ["notation-listed-attributes"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                new Sketch()
                    .Box("Visit")
                    .Oval("Visit", "visit no", Underline.Solid)
                    .Oval("Visit", "date")
                    .Box("Item", "fault")
                    .Oval("Item", "item no", Underline.Solid)
                    .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-lone-circle"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings.Chained().Shape(Form.Circle, "d", Outline.Single).Tie("Visit", "d").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-lone-diamond"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings.Chained().Shape(Form.Diamond, "pays", Outline.Single).Tie("Visit", "pays").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-loose-attribute"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings.Chained().Shape(Form.Oval, "colour", Outline.Single).ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-loose-end"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .Line(new LineEnd(Attachment.ToShape("b1"), []), new LineEnd(Attachment.Nothing, []))
                    .ToDrawing()
            ),
            ["notation-mark-order"] = new(ExampleDrawings.Conceptual, ExampleDrawings.WithEndAtItem(EndMark.Bar, EndMark.Foot)),
            ["notation-no-cup"] = new(
                ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing(),
                ExampleDrawings
                    .People()
                    .Shape(Form.Circle, "d", Outline.Single)
                    .Tie("Person", "d")
                    .Tie("d", "Visitor")
                    .Tie("d", "Fixer")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-no-diamond"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings.Ovals().Tie("Visit", "Item", Stroke.Double, "brings in", "1", "N").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-no-supertype"] = new(
                Kinds()
                    .Shape(Form.HalfCircle, "d", Outline.Single)
                    .Tie("Item", "d")
                    .Tie("d", "Lamp")
                    .Tie("d", "Radio")
                    .ToDrawing(),
                Kinds()
                    .Shape(Form.HalfCircle, "d", Outline.Single)
                    .Tie("d", "Item")
                    .Tie("d", "Lamp")
                    .Tie("d", "Radio")
                    .ToDrawing()
            ),
            ["notation-open-triangle"] = new(
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle, text: "{complete, disjoint}")
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing(),
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.OpenArrow, text: "{complete, disjoint}")
                    .Tie("Fixer", "Person", markTo: EndMark.OpenArrow)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["notation-other-count-style"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings
                    .Ovals()
                    .Diamond("brings in", Outline.Single, ("Visit", "(1,n)", true), ("Item", "(1,1)", true))
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-pair-with-double-line"] = new(
                ExampleDrawings
                    .Ovals()
                    .Diamond("brings in", Outline.Single, ("Visit", "(0,n)", false), ("Item", "(1,1)", false))
                    .ToDrawing(),
                ExampleDrawings
                    .Ovals()
                    .Diamond("brings in", Outline.Single, ("Visit", "(0,n)", true), ("Item", "(1,1)", false))
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen with { Counts = CountStyle.Pairs },
            },
            ["notation-shared-attribute"] = new(
                ExampleDrawings.Chained().ToDrawing(),
                ExampleDrawings.Chained().Tie("Item", "date").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-single-diamond-at-weak"] = new(
                ExampleDrawings.Repairs(Outline.Double, Underline.Dashed).ToDrawing(),
                ExampleDrawings.Repairs(Outline.Single, Underline.Dashed).ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-solid-tie-of-class"] = new(
                ExampleDrawings
                    .Associated()
                    .Class("Handover", ["time"])
                    .Line(
                        new LineEnd(Attachment.ToShape("b3"), []),
                        new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []),
                        Stroke.Dashed
                    )
                    .ToDrawing(),
                ExampleDrawings
                    .Associated()
                    .Class("Handover", ["time"])
                    .Line(
                        new LineEnd(Attachment.ToShape("b3"), []),
                        new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []),
                        Stroke.Solid
                    )
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["notation-solid-triangle"] = new(
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing(),
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.SolidTriangle)
                    .Tie("Fixer", "Person", markTo: EndMark.Triangle)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["notation-solid-underline-at-weak"] = new(
                ExampleDrawings.Repairs(Outline.Double, Underline.Dashed).ToDrawing(),
                ExampleDrawings.Repairs(Outline.Double, Underline.Solid).ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["notation-strange-spelling"] = new(
                ExampleDrawings.Associated().ToDrawing(),
                ExampleDrawings.Classes().Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..n").ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml with { StrictCounts = true },
            },
            ["notation-toes-away"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings.WithEndAtItem(EndMark.FootOutward, EndMark.Bar)
            ),
            ["notation-too-many-marks"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings.WithEndAtItem(EndMark.Foot, EndMark.Bar, EndMark.Ring)
            ),
            ["notation-unnamed-box"] = new(Named("Item"), Named("")),
            ["notation-unreadable-count"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line(
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.One], "brings in"),
                        new LineEnd(Attachment.ToShape("b2"), [], "comes in on", Count: "some")
                    )
                    .ToDrawing()
            ),
            ["notation-unreadable-key-mark"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "XX description", "fault")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["notation-unreadable-member"] = new(
                ExampleDrawings.Bench(["lamps: Integer"], ["isFree()"]).ToDrawing(),
                ExampleDrawings.Bench(["lamps: Integer [9..3]"], ["isFree()"]).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
        };

    private static Drawing WithOutline(Outline outline)
    {
        var sheet = ExampleDrawings.Conceptual.Sheets[0];
        return new Drawing([sheet with { Shapes = sheet.Shapes.SetItem(1, sheet.Shapes[1] with { Outline = outline }) }]);
    }

    private static Sketch Solid => new Sketch().Box("Item", ExampleDrawings.Item).Box("Repair", "PPK repair no", "outcome");

    private static Drawing Underlined()
    {
        var sheet = ExampleDrawings.Conceptual.Sheets[0];
        var box = sheet.Shapes[0];
        var key = box.Compartments[0][0] with { Mark = "", Underline = Underline.Solid };
        return new Drawing([
            sheet with
            {
                Shapes = sheet.Shapes.SetItem(0, box with { Compartments = [box.Compartments[0].SetItem(0, key)] }),
            },
        ]);
    }

    private static Drawing Named(string name) =>
        new Sketch()
            .Box("Visit", ExampleDrawings.Visit)
            .Box(name, ExampleDrawings.Item)
            .Line("Visit", Ends.One, name, Ends.OneOrMore, "brings in", "comes in on")
            .ToDrawing();

    private static Sketch Kinds() =>
        new Sketch().Box("Item", "PK item no", "fault").Box("Lamp", "wattage").Box("Radio", "wave band");
}
