using BlueSlate.Core.Drawings;

namespace BlueSlate.Core.Checking.Findings;

/// <summary>The small exercise on which most examples build: visits to a repair café and the items that they bring in.</summary>
internal static class ExampleDrawings
{
    public static string[] Visit => ["PK visit no", "date"];

    public static string[] Item => ["PK item no", "description", "fault"];

    public static string[] Fixer => ["PK badge no", "name"];

    public static Drawing Conceptual { get; } = Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing();

    public static Drawing Logical { get; } = new Sketch()
        .Box("Visit", Visit)
        .Box("Item", "PK item no", "FK visit no", "fault")
        .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
        .ToDrawing();

    /// <summary>Three entities, two relationships.</summary>
    public static Drawing WithFixer { get; } = WithFixerUpTo(true).ToDrawing();

    public static Sketch Boxes() => new Sketch().Box("Visit", Visit).Box("Item", Item);

    public static Sketch WithFixerUpTo(bool secondLine)
    {
        var sketch = Boxes().Box("Fixer", Fixer).Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on");
        return secondLine ? sketch.Line("Fixer", Ends.One, "Item", Ends.ZeroOrMore, "looks at", "is looked at by") : sketch;
    }

    /// <summary>The conceptual example with one end drawn otherwise.</summary>
    public static Drawing WithEndAtItem(params EndMark[] marks) =>
        Boxes().Line("Visit", Ends.One, "Item", marks, "brings in", "comes in on").ToDrawing();
}
