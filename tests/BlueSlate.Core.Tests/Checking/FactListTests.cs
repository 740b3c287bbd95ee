using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Checking.Kinds;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>
/// The facts of a model answer: what it says and what it leaves open, each under an id that survives redrawing elsewhere.
/// </summary>
public sealed class FactListTests
{
    private static Sketch Café =>
        new Sketch()
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "AK1 label", "o fault", "{photos}", "[age]")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on");

    [Fact]
    public void Every_part_of_a_box_is_a_fact() =>
        Of(Café.ToDrawing(), Level.Conceptual)
            .Where(fact => fact.ConceptId is "b2" or "t3" or "t4" or "t5" or "t6" or "t7")
            .Select(fact => fact.Id)
            .Order()
            .ShouldBe(
                [
                    "alternate-key:t4",
                    "attribute:t3",
                    "attribute:t4",
                    "attribute:t5",
                    "attribute:t6",
                    "attribute:t7",
                    "derived:t7",
                    "entity:b2",
                    "key:b2",
                    "multivalued:t6",
                    "optional:t5",
                ],
                ignoreOrder: true
            );

    [Fact]
    public void Every_end_of_a_line_has_a_least_and_a_most()
    {
        var facts = Of(Café.ToDrawing(), Level.Conceptual)
            .Where(fact => fact.Kind is MinimumFact or MaximumFact)
            .ToDictionary(fact => fact.Id, fact => fact.Value);
        facts.ShouldBe(
            new Dictionary<string, string>
            {
                ["min:r1/from"] = "1",
                ["max:r1/from"] = "1",
                ["min:r1/to"] = "1",
                ["max:r1/to"] = "*",
            },
            ignoreOrder: true
        );
    }

    [Theory]
    [InlineData(Level.Conceptual, true)]
    [InlineData(Level.Logical, false)]
    public void That_there_are_no_foreign_keys_is_a_fact_at_conceptual_level_only(Level level, bool stated) =>
        Of(Café.ToDrawing(), level).Any(fact => fact.Kind == FactKinds.NoForeignKeys).ShouldBe(stated);

    [Fact]
    public void What_the_model_answer_leaves_open_is_no_fact()
    {
        var open = new Sketch().Box("Visit", "PK no").Box("Item", "PK no").Line("Visit", [], "Item", [EndMark.Foot]).ToDrawing();
        var facts = Of(open, Level.Conceptual);
        facts.Where(fact => fact.Kind is MinimumFact or NamedFact).ShouldBeEmpty();
        facts.Where(fact => fact.Kind == FactKinds.Maximum).Select(fact => fact.Id).ShouldBe(["max:r1/to"]);
    }

    [Fact]
    public void The_stroke_is_a_fact_only_where_the_class_has_learned_it()
    {
        var options = new CrowsFootOptions { StrokeSaysIdentifying = false };
        FactList
            .Of(Notation.Read(Café.ToDrawing(), options), options)
            .ShouldNotContain(fact => fact.Kind == FactKinds.Identifying);
        Of(Café.ToDrawing(), Level.Conceptual).Count(fact => fact.Kind == FactKinds.Identifying).ShouldBe(1);
    }

    [Fact]
    public void Ids_and_titles_are_unique_in_every_demo_model_answer()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var facts = Of(model, level);
            facts.Select(fact => fact.Id).ShouldBeUnique(name);
            facts.Select(fact => $"{fact.Kind} {fact.Title}").ShouldBeUnique(name);
            facts.ShouldAllBe(fact => fact.Title.Length > 0 && fact.Value.Length > 0);
        }
    }

    [Fact]
    public void Moving_and_renaming_keep_every_id()
    {
        var before = Café.ToDrawing();
        var sheet = before.Sheets[0];
        var after = new Drawing([
            sheet with
            {
                Shapes =
                [
                    .. sheet.Shapes.Select(shape =>
                        shape with
                        {
                            Text = shape.Text + " record",
                            Place = new Place(9, 9, 99, 99),
                        }
                    ),
                ],
            },
        ]);
        Of(after, Level.Conceptual).Select(fact => fact.Id).ShouldBe(Of(before, Level.Conceptual).Select(fact => fact.Id));
    }

    private static System.Collections.Immutable.ImmutableArray<Fact> Of(Drawing drawing, Level level) =>
        FactList.Of(Exercise.Read(drawing, level), new CrowsFootOptions { Level = level });
}
