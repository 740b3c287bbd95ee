using BlueSlate.Core.Drawings;

namespace BlueSlate.Guide.Examples;

/// <summary>An example for each kind of finding of this area.</summary>
internal sealed class Specialisations : ExampleArea
{
    public override string Title => "Specialisations";

    public override IReadOnlyDictionary<string, FindingExample> ByCode =>
        new Dictionary<string, FindingExample>(StringComparer.Ordinal)
        {
            ["specialisation-disjointness"] = new(
                ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing(),
                ExampleDrawings.People().Circle("o", "Person", false, "Visitor", "Fixer").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["specialisation-extra"] = new(
                ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.Triangle).ToDrawing(),
                ExampleDrawings
                    .Persons()
                    .Tie("Visitor", "Person", markTo: EndMark.Triangle)
                    .Tie("Fixer", "Visitor", markTo: EndMark.Triangle)
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["specialisation-level"] = new(People("Fixer"), People("Person")) { Options = ExampleDrawings.Uml },
            ["specialisation-missing"] = new(
                ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing(),
                ExampleDrawings.People().ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["specialisation-reversed"] = new(
                ExampleDrawings.Persons().Tie("Visitor", "Person", markTo: EndMark.Triangle).ToDrawing(),
                ExampleDrawings.Persons().Tie("Visitor", "Person", markFrom: EndMark.Triangle).ToDrawing()
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["specialisation-several"] = new(PeopleOfSpecialisationSeveral(false), PeopleOfSpecialisationSeveral(true))
            {
                Options = ExampleDrawings.Uml,
            },
            ["specialisation-totality"] = new(
                ExampleDrawings.People().Circle("d", "Person", true, "Visitor", "Fixer").ToDrawing(),
                ExampleDrawings.People().Circle("d", "Person", false, "Visitor", "Fixer").ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
            ["specialisation-wrong-supertype"] = new(
                PeopleOfSpecialisationWrongSupertype("Person"),
                PeopleOfSpecialisationWrongSupertype("Thing")
            )
            {
                Options = ExampleDrawings.Uml,
            },
            ["union-missing"] = new(
                new Sketch()
                    .Box("Person")
                    .Oval("Person", "person no", Underline.Solid)
                    .Box("Club")
                    .Oval("Club", "club no", Underline.Solid)
                    .Box("Owner")
                    .Oval("Owner", "since")
                    .Shape(Form.Circle, "u", Outline.Single)
                    .Tie("Person", "u")
                    .Tie("Club", "u")
                    .Tie("u", "Owner")
                    .With(line: line => line with { Along = [new Along(AlongMark.Cup, EndSide.From)] })
                    .ToDrawing(),
                new Sketch()
                    .Box("Person")
                    .Oval("Person", "person no", Underline.Solid)
                    .Box("Club")
                    .Oval("Club", "club no", Underline.Solid)
                    .Box("Owner")
                    .Oval("Owner", "since")
                    .ToDrawing()
            )
            {
                Options = ExampleDrawings.Chen,
            },
        };

    private static Drawing People(string above) =>
        new Sketch()
            .Class("Person", ["name"])
            .Class("Fixer", ["since"])
            .Class("Electrician", ["licence"])
            .Tie("Fixer", "Person", markTo: EndMark.Triangle)
            .Tie("Electrician", above, markTo: EndMark.Triangle)
            .ToDrawing();

    private static Drawing PeopleOfSpecialisationSeveral(bool both)
    {
        var sketch = new Sketch()
            .Class("Person", ["name"])
            .Class("Visitor", ["firstVisit"])
            .Class("Tool", ["label"])
            .Class("Fixer", ["since"])
            .Tie("Visitor", "Person", markTo: EndMark.Triangle)
            .Tie("Fixer", "Person", markTo: EndMark.Triangle)
            .Tie("Fixer", "Tool", Stroke.Solid, "uses", "*", "*");
        return (both ? sketch.Tie("Fixer", "Tool", markTo: EndMark.Triangle) : sketch).ToDrawing();
    }

    private static Drawing PeopleOfSpecialisationWrongSupertype(string above) =>
        new Sketch()
            .Class("Person", ["name"])
            .Class("Visitor", ["firstVisit"])
            .Class("Thing", ["fault"])
            .Class("Fixer", ["since"])
            .Tie("Visitor", "Person", markTo: EndMark.Triangle)
            .Tie("Fixer", above, markTo: EndMark.Triangle)
            .Tie("Visitor", "Thing", Stroke.Solid, "brings in", "1", "1..*")
            .ToDrawing();
}
