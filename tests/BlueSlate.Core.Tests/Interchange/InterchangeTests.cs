using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Marking;
using Shouldly;

namespace BlueSlate.Core.Tests.Interchange;

/// <summary>The open formats besides drawings: there and back, and what is refused.</summary>
public sealed class InterchangeTests
{
    [Fact]
    public void A_scheme_is_the_same_there_and_back()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            var scheme = Exercise.Of(model, level).Scheme;
            var text = JsonSerializer.Serialize(SchemeDocument.Of(scheme), Formats.Json);
            var again = JsonSerializer.Deserialize<SchemeDocument>(text, Formats.Json)!.ToScheme();
            again.Maximum.ShouldBe(scheme.Maximum);
            again
                .Lines.Select(line => (line.Id, line.Title, line.Marks, line.Rule, string.Join(',', line.FactIds)))
                .ShouldBe(
                    scheme.Lines.Select(line => (line.Id, line.Title, line.Marks, line.Rule, string.Join(',', line.FactIds)))
                );
        }
    }

    [Theory]
    [InlineData("""{"lines":[]}""")]
    [InlineData("""{"lines":[{"id":"a","title":"x","marks":"-1"}]}""")]
    [InlineData("""{"lines":[{"id":"a","title":" ","marks":"1"}]}""")]
    [InlineData("""{"lines":[{"id":"a","title":"x","marks":"2000"}]}""")]
    [InlineData("""{"lines":[{"id":"a","title":"x","marks":"1"},{"id":"a","title":"y","marks":"1"}]}""")]
    [InlineData("""{"lines":[{"id":"a","title":"x","marks":"1"}],"extraCost":"-1"}""")]
    [InlineData("""{"lines":[{"id":"a","title":"x","marks":"1"}],"step":"0"}""")]
    public void A_scheme_that_makes_no_sense_says_why(string text) =>
        JsonSerializer.Deserialize<SchemeDocument>(text, Formats.Json)!.Problems().ShouldNotBeEmpty();

    [Theory]
    [InlineData("\"1/0\"")]
    [InlineData("\"two\"")]
    [InlineData("true")]
    public void A_number_that_is_none_is_refused(string text) =>
        Should.Throw<Exception>(() => JsonSerializer.Deserialize<Rational>(text, Formats.Json)).ShouldBeAssignableTo<Exception>();

    [Fact]
    public void A_result_holds_both_sides_and_adds_up()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            foreach (var answer in DemoExercises.Answers(name))
            {
                var result = ResultDocument.Of(Exercise.Of(model, level).Assess(answer, []), DrawingWriter.Hash(answer));
                var again = JsonSerializer.Deserialize<ResultDocument>(
                    JsonSerializer.Serialize(result, Formats.Json),
                    Formats.Json
                )!;
                again.Total.ShouldBe(result.Total);
                again.Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss).ShouldBe(result.Maximum - result.Exact);
                var drawn = answer
                    .Shapes.Select(shape => shape.Id)
                    .Concat(answer.Shapes.SelectMany(shape => shape.TextLines).Select(row => row.Id))
                    .Concat(answer.Lines.SelectMany(line => new[] { line.Id, line.FromId, line.ToId }))
                    .ToHashSet();
                again.Notes.SelectMany(note => note.AnswerElements).ShouldBeSubsetOf(drawn);
                again.Counterparts.Values.ShouldBeSubsetOf(drawn);
            }
        }
    }

    [Fact]
    public void Derived_marks_are_shared_out_in_halves_without_a_rest()
    {
        foreach (var (_, model, level) in DemoExercises.Models)
        {
            foreach (var marks in new Rational[] { 1, 7, new(25, 2), 40, 100 })
            {
                var facts = Exercise.Of(model, level).Facts;
                var scheme = SchemeDeriver.Derive(facts, marks);
                scheme.Maximum.ShouldBe(marks);
                scheme.Lines.ShouldAllBe(line => line.Marks == line.Marks.FloorTo(Rational.Half));
            }
        }
    }
}
