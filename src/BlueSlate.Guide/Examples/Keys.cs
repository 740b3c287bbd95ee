using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Keys : ExampleArea
{
    public override string Title => "Keys";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["alternate-key-missing"] = new(
                new Sketch().Box("Fixer", "PK badge no", "AK1 email", "name").ToDrawing(),
                new Sketch().Box("Fixer", "PK badge no", "email", "name").ToDrawing()
            ),
            ["foreign-key-in-conceptual"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "description", "fault", "FK visit no")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["foreign-key-mismatch"] = new(Lent("FK1 item no", "FK1 part no"), Lent("FK item no"), Logical: true),
            ["foreign-key-missing"] = new(
                ExampleDrawings.Logical,
                new Sketch()
                    .Box("Visit", ExampleDrawings.Visit)
                    .Box("Item", "PK item no", "fault")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing(),
                Logical: true
            ),
            ["foreign-key-optionality"] = new(Looked("o badge no"), Looked("badge no"), Logical: true),
            ["foreign-key-without-line"] = new(
                LookedOfForeignKeyWithoutLine(true),
                LookedOfForeignKeyWithoutLine(false),
                Logical: true
            ),
            ["foreign-key-wrong-side"] = new(
                ExampleDrawings.Logical,
                new Sketch()
                    .Box("Visit", "PK visit no", "date", "FK item no")
                    .Box("Item", "PK item no", "fault")
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing(),
                Logical: true
            ),
            ["key-by-own-number"] = new(
                Used("PK FK1 visit no", "PK FK2 skill code"),
                Used("PK use no", "FK1 visit no", "FK2 skill code"),
                Logical: true
            ),
            ["key-missing"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", "visit no", "date")
                    .Box("Item", ExampleDrawings.Item)
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["key-not-minimal"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", "PK visit no", "PK date")
                    .Box("Item", ExampleDrawings.Item)
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["key-wrong"] = new(
                ExampleDrawings.Conceptual,
                new Sketch()
                    .Box("Visit", "visit no", "PK date")
                    .Box("Item", ExampleDrawings.Item)
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
                    .ToDrawing()
            ),
            ["partial-key-not-shown"] = new(Base("PPK repair no").ToDrawing(), Base("PK repair no").ToDrawing()),
        };

    // Parts are numbered within their item.
    private static Drawing Lent(params string[] columns) =>
        new Sketch()
            .Box("Spare", "PK item no", "PK part no", "price")
            .Box("Repair", ["PK repair no", .. columns])
            .Line("Spare", Ends.One, "Repair", Ends.ZeroOrMore, "is used up in", "uses up")
            .ToDrawing();

    private static Drawing Looked(string column) =>
        new Sketch()
            .Box("Fixer", ExampleDrawings.Fixer)
            .Box("Item", "PK item no", "fault", $"FK {column}")
            .Line("Fixer", Ends.ZeroOrOne, "Item", Ends.ZeroOrMore, "looks at", "is looked at by")
            .ToDrawing();

    private static Drawing LookedOfForeignKeyWithoutLine(bool line)
    {
        var sketch = new Sketch()
            .Box("Visit", ExampleDrawings.Visit)
            .Box("Item", "PK item no", "fault", "FK1 visit no", "FK2 badge no")
            .Box("Fixer", ExampleDrawings.Fixer)
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on");
        return (
            line ? sketch.Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "looks at", "is looked at by") : sketch
        ).ToDrawing();
    }

    private static Drawing Used(params string[] columns) =>
        new Sketch()
            .Box("Visit", ExampleDrawings.Visit)
            .Box("Skill", "PK skill code")
            .Box("Use", [.. columns, "minutes"])
            .Line("Visit", Ends.One, "Use", Ends.ZeroOrMore, "needs", "is of")
            .Line("Skill", Ends.One, "Use", Ends.ZeroOrMore, "is put to", "is of")
            .ToDrawing();

    private static Sketch Base(string key) =>
        new Sketch()
            .Box("Item", ExampleDrawings.Item)
            .Box("Repair", key, "outcome")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid);
}
