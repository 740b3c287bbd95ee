using BlueSlate.Core.Drawings;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.Uml;

namespace BlueSlate.Guide.Examples;

/// <summary>
/// The small exercise on which most examples build: visits to a repair café and the items that they bring in.
/// </summary>
internal static class ExampleDrawings
{
    public static string[] Visit => ["PK visit no", "date"];

    public static string[] Item => ["PK item no", "description", "fault"];

    public static string[] Fixer => ["PK badge no", "name"];

    public static Drawing Conceptual { get; } =
        Boxes().Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing();

    public static Drawing Logical { get; } =
        new Sketch()
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

    /// <summary>Visits, items and their repairs, the repairs tied to the visit as well or not.</summary>
    public static Drawing WithRepair(bool direct)
    {
        var sketch = Boxes()
            .Box("Repair", "PK repair no", "outcome")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
            .Line("Item", Ends.One, "Repair", Ends.ZeroOrMore, "is tried in", "tries");
        return (direct ? sketch.Line("Visit", Ends.One, "Repair", Ends.ZeroOrMore, "leads to", "follows") : sketch).ToDrawing();
    }

    /// <summary>The conceptual example with one end drawn otherwise.</summary>
    public static Drawing WithEndAtItem(params string[] marks) =>
        Boxes().Line("Visit", Ends.One, "Item", marks, "brings in", "comes in on").ToDrawing();

    public static ChenOptions Chen => new ChenOptions();

    public static UmlOptions Uml => new UmlOptions();

    /// <summary>The same visits and items with ovals, without what joins them.</summary>
    public static Sketch Ovals() =>
        new Sketch()
            .Box("Visit")
            .Oval("Visit", "visit no", Underline.Solid)
            .Oval("Visit", "date")
            .Box("Item")
            .Oval("Item", "item no", Underline.Solid)
            .Oval("Item", "fault");

    public static Sketch Chained() => Ovals().Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true));

    /// <summary>Repairs numbered within their item.</summary>
    public static Sketch Repairs(Outline diamond, Underline underline) =>
        new Sketch()
            .Box("Item")
            .Oval("Item", "item no", Underline.Solid)
            .Shape(Form.Rectangle, "Repair", Outline.Double)
            .Oval("Repair", "repair no", underline)
            .Oval("Repair", "outcome")
            .Diamond("is tried in", diamond, ("Item", "1", false), ("Repair", "N", true));

    public static Sketch People() =>
        new Sketch()
            .Box("Person")
            .Oval("Person", "person no", Underline.Solid)
            .Box("Visitor")
            .Oval("Visitor", "first visit")
            .Box("Fixer")
            .Oval("Fixer", "since");

    public static Sketch Classes() => new Sketch().Class("Visit", ["visitNo", "date"]).Class("Item", ["itemNo", "fault"]);

    public static Sketch Associated() => Classes().Tie("Visit", "Item", Stroke.Solid, "brings in", "1", "1..*");

    public static Sketch Persons() =>
        new Sketch().Class("Person", ["name"]).Class("Visitor", ["firstVisit"]).Class("Fixer", ["since"]);

    /// <summary>A class with operations, in a formal diagram.</summary>
    public static Sketch Bench(string[] fields, string[] operations) => new Sketch().Class("Workbench", fields, operations);
}
