using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>A fact is edited at the symbol that says it.</summary>
public sealed class FactSymbolTests
{
    [Fact]
    public void A_double_line_says_how_few_there_are_of_the_other_and_a_letter_how_many_are_beside_it()
    {
        var model = new Sketch()
            .Box("Guide")
            .Box("Show")
            .Diamond("leads", Outline.Single, ("Guide", "1", false), ("Show", "N", true))
            .ToDrawing();
        foreach (var style in Enum.GetValues<CountStyle>())
        {
            var options = new ChenOptions { Counts = style };
            var reading = Notation.Read(model, options);
            var guide = reading
                .Model.Relationships.Single()
                .Roles.Single(role => reading.Model.Entity(role.EntityId).Name == "Guide");
            var ends = model
                .Sheets[0]
                .Lines.ToDictionary(line => line.From.On.Id!, line => $"{line.Id}/from", StringComparer.Ordinal);
            string At(ConceptFactKind kind) =>
                kind.SymbolOf(
                    FactList.Of(reading, options).Single(fact => fact.Kind == kind && fact.ConceptId == guide.Id),
                    reading,
                    options
                );
            At(FactKinds.Minimum).ShouldBe(ends[model.Shapes.Single(shape => shape.Text == "Show").Id]);
            At(FactKinds.Maximum)
                .ShouldBe(ends[model.Shapes.Single(shape => shape.Text == (style == CountStyle.Letters ? "Guide" : "Show")).Id]);
        }
    }

    [Fact]
    public void In_other_notations_it_is_the_end_itself()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            var options = new CrowsFootOptions { Level = level };
            var reading = Notation.Read(model, options);
            FactList
                .Of(reading, options)
                .ShouldAllBe(fact => ((ConceptFactKind)fact.Kind).SymbolOf(fact, reading, options) == fact.ConceptId);
        }
    }
}
