using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class WholeDrawing : ExampleArea
{
    public override string Title => "The drawing as a whole";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["drawing-shows-little"] = new(new Sketch().Box("Visit", ExampleDrawings.Visit).ToDrawing(), Drawing.Empty),
            ["form-rule-broken"] = new(
                new Sketch()
                    .Box("Fixer", ExampleDrawings.Fixer)
                    .Box("Skill", "PK skill code")
                    .Line("Fixer", Ends.ZeroOrMore, "Skill", Ends.OneOrMore, "has learned")
                    .ToDrawing(),
                new Sketch()
                    .Box("Fixer", ExampleDrawings.Fixer)
                    .Box("Skill", "PK skill code")
                    .Box("Learning")
                    .Line("Fixer", Ends.One, "Learning", Ends.OneOrMore)
                    .Line("Skill", Ends.One, "Learning", Ends.ZeroOrMore)
                    .ToDrawing()
            )
            {
                Asked = ["named-relationships:drawing"],
            },
            ["restated-in-part"] = new(
                ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing(),
                new Sketch()
                    .Box("Person")
                    .Oval("Person", "person no", Underline.Solid)
                    .Oval("Person", "kind of person")
                    .Oval("Person", "first visit")
                    .Oval("Person", "since")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
        };
}
