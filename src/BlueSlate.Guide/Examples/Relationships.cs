using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Relationships : ExampleArea
{
    public override string Title => "Relationships";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["exclusion-missing"] = new(
                ExampleDrawings
                    .Associated()
                    .Class("Fixer", ["since"])
                    .Tie("Fixer", "Item", Stroke.Solid, "looks at", "1", "*")
                    .Line(
                        new LineEnd(new Attachment(AttachmentKind.Line, "r1"), []),
                        new LineEnd(new Attachment(AttachmentKind.Line, "r2"), []),
                        Stroke.Dashed,
                        "{xor}"
                    )
                    .ToDrawing(),
                ExampleDrawings
                    .Associated()
                    .Class("Fixer", ["since"])
                    .Tie("Fixer", "Item", Stroke.Solid, "looks at", "1", "*")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["identifying-not-shown"] = new(
                Base.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries", Stroke.Solid).ToDrawing(),
                Base.Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries").ToDrawing()
            ),
            ["identifying-without-need"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings
                    .Boxes()
                    .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on", Stroke.Solid)
                    .ToDrawing()
            ),
            ["many-to-many-unresolved"] = new(
                new Sketch()
                    .Box("Repair", "PK repair no")
                    .Box("Part", "PK part code", "price")
                    .Box("Part use", "PK FK1 repair no", "PK FK2 part code")
                    .Line("Repair", Ends.One, "Part use", Ends.ZeroOrMore, "has", "is of", Stroke.Solid)
                    .Line("Part", Ends.One, "Part use", Ends.ZeroOrMore, "is in", "uses", Stroke.Solid)
                    .ToDrawing(),
                new Sketch()
                    .Box("Repair", "PK repair no")
                    .Box("Part", "PK part code", "price")
                    .Line("Repair", Ends.ZeroOrMore, "Part", Ends.ZeroOrMore, "uses", "is used in")
                    .ToDrawing(),
                Logical: true
            ),
            ["relationship-degree"] = new(
                Teaching()
                    .Diamond("mends with", Outline.Single, ("Fixer", "M", false), ("Item", "N", false), ("Tool", "P", false))
                    .ToDrawing(),
                Split()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["relationship-extra"] = new(
                ExampleDrawings.WithFixer,
                ExampleDrawings
                    .WithFixerUpTo(true)
                    .Line("Fixer", Ends.ZeroOrMore, "Visit", Ends.One, "greets", "is greeted by")
                    .ToDrawing()
            ),
            ["relationship-kind"] = new(
                ExampleDrawings
                    .Classes()
                    .Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*", EndMark.SolidDiamond, null)
                    .ToDrawing(),
                ExampleDrawings.Associated().ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["relationship-missing"] = new(ExampleDrawings.WithFixer, ExampleDrawings.WithFixerUpTo(false).ToDrawing()),
            ["relationship-redundant"] = new(ExampleDrawings.WithRepair(false), ExampleDrawings.WithRepair(true)),
            ["relationship-unnamed"] = new(
                ExampleDrawings.Conceptual,
                ExampleDrawings.Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore).ToDrawing()
            ),
            ["relationship-wrong-entity"] = new(
                ExampleDrawings.WithFixer,
                ExampleDrawings
                    .WithFixerUpTo(false)
                    .Line("Fixer", Ends.One, "Visit", Ends.ZeroOrMore, "looks at", "is looked at by")
                    .ToDrawing()
            ),
            ["role-missing"] = new(
                Fixers
                    .Line(
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrOne], Role: "mentor"),
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrMore], Role: "newcomer")
                    )
                    .ToDrawing(),
                Fixers
                    .Line(
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrOne], Role: "mentor"),
                        new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrMore])
                    )
                    .ToDrawing()
            ),
            ["whole-part-reversed"] = new(
                ExampleDrawings
                    .Classes()
                    .Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*", EndMark.SolidDiamond, null)
                    .ToDrawing(),
                ExampleDrawings
                    .Classes()
                    .Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*", null, EndMark.SolidDiamond)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
        };

    private static Sketch Base => new Sketch().Box("Item", ExampleDrawings.Item).Box("Repair", "PPK repair no", "outcome");

    private static Sketch Teaching() =>
        new Sketch()
            .Box("Fixer")
            .Oval("Fixer", "badge no", Underline.Solid)
            .Box("Item")
            .Oval("Item", "item no", Underline.Solid)
            .Box("Tool")
            .Oval("Tool", "tool no", Underline.Solid);

    private static Drawing Split() =>
        Teaching()
            .Diamond("mends", Outline.Single, ("Fixer", "M", false), ("Item", "N", false))
            .Diamond("uses", Outline.Single, ("Fixer", "M", false), ("Tool", "N", false))
            .Diamond("needs", Outline.Single, ("Item", "M", false), ("Tool", "N", false))
            .ToDrawing();

    private static Sketch Fixers => new Sketch().Box("Fixer", ExampleDrawings.Fixer);
}
