using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Tests.Markups;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>Whatever is drawn, in a model answer or in an answer, it is checked, marked and explained.</summary>
public sealed class NothingEndsCheckingTests
{
    private static readonly NotationOptions[] Options =
    [
        new ChenOptions(),
        new CrowsFootOptions(),
        new UmlOptions(),
        new UmlOptions { Formal = true },
    ];

    [Fact]
    public void Any_drawing_is_held_against_any_other() =>
        Gen.Select(RandomDrawings.Any, RandomDrawings.Any, Gen.Int[0, 3], Gen.Bool)
            .Sample(
                (model, answer, notation, logical) =>
                    Tell(
                        Exercise.Of(model, Options[notation] with { Level = logical ? Level.Logical : Level.Conceptual }),
                        answer
                    ),
                iter: 1500
            );

    [Theory]
    [InlineData(Level.Conceptual)]
    [InlineData(Level.Logical)]
    public void A_key_mark_without_a_name_is_a_key_of_no_name(Level level)
    {
        var model = Markup
            .Parse(
                """
                Observer: PK observer no, name
                Session: PK session no, FK observer no
                Observer 11 leads / is led by 0m Session
                """
            )
            .Drawing;
        var answer = new Sketch()
            .Box("Observer", "PK ", "name")
            .Box("Session", "PK ", "FK1 ")
            .Line("Observer", Ends.One, "Session", Ends.ZeroOrMore, "leads", "is led by")
            .ToDrawing();
        Tell(Exercise.Of(model, level), answer);
        Tell(Exercise.Of(answer, level), model);
    }

    [Fact]
    public void An_underlined_oval_without_a_name_is_a_key_of_no_name()
    {
        var options = new ChenOptions();
        var model = Markup
            .Parse(
                """
                Observer: _observer no_, name
                Session: _session no_
                <leads> Observer 1, Session N
                """,
                NotationNames.Chen
            )
            .Drawing;
        var answer = new Sketch()
            .Box("Observer")
            .Oval("Observer", "", Underline.Solid)
            .Box("Session")
            .Oval("Session", "session no", Underline.Solid)
            .Diamond("leads", Outline.Single, ("Observer", "1", false), ("Session", "N", false))
            .ToDrawing();
        Tell(Exercise.Of(model, options), answer);
        Tell(Exercise.Of(answer, options), model);
    }

    [Fact]
    public void A_column_named_after_a_box_whose_key_has_no_name_is_no_copy_of_it()
    {
        var model = Markup
            .Parse(
                """
                Observer: PK observer no, name
                Session: PK session no, weather
                Observer 11 leads / is led by 0m Session
                """
            )
            .Drawing;
        var answer = new Sketch()
            .Box("Observer", "PK ", "name")
            .Box("Session", "PK session no", "observer mood")
            .Line("Observer", Ends.One, "Session", Ends.ZeroOrMore, "leads", "is led by")
            .ToDrawing();
        var assessment = Tell(Exercise.Of(model), answer);
        assessment.Comparison.Correspondence.InDisguise.ShouldBeEmpty();
    }

    [Fact]
    public void Texts_that_were_not_written_yet_end_no_checking() =>
        Gen.Select(Gen.Int[0, 10_000], Gen.Int[0, 100])
            .Sample(
                (pick, seed) =>
                {
                    var folders = DemoExercises.Folders.ToList();
                    var folder = folders[pick % folders.Count];
                    var model = DemoExercises.Load($"{folder}/model.json");
                    Drawing[] drawings = [model, .. DemoExercises.Answers(folder)];
                    var random = new Random(seed);
                    var answer = Unwritten(drawings[pick % drawings.Length], random);
                    Tell(DemoExercises.AssessorOf(folder), answer);
                    Tell(Exercise.Of(Unwritten(model, random), DemoExercises.OptionsOf(folder)), answer);
                },
                iter: 150
            );

    // Some names are not written yet, some keys are marked already, some lines are not drawn.
    private static Drawing Unwritten(Drawing drawing, Random random) =>
        drawing with
        {
            Sheets =
            [
                .. drawing.Sheets.Select(sheet =>
                    sheet with
                    {
                        Shapes =
                        [
                            .. sheet.Shapes.Select(shape =>
                                shape with
                                {
                                    Text = random.Next(4) == 0 ? "" : shape.Text,
                                    Compartments =
                                    [
                                        .. shape.Compartments.Select(rows =>
                                            rows.Select(row => Unwritten(row, random)).ToImmutableArray()
                                        ),
                                    ],
                                }
                            ),
                        ],
                        Lines = [.. sheet.Lines.Where(_ => random.Next(8) > 0)],
                    }
                ),
            ],
        };

    private static TextLine Unwritten(TextLine row, Random random) =>
        random.Next(4) > 0
            ? row
            : row with
            {
                Text = random.Next(3) == 0 ? "-" : "",
                Mark = random.Next(2) == 0 ? "PK" : row.Mark,
            };

    // All that an examiner may ask of an answer.
    private static Assessment Tell(Assessor assessor, Drawing answer)
    {
        var assessment = assessor.Assess(answer, []);
        foreach (var note in assessment.Notes)
        {
            _ = assessment.ExampleOf(note.Finding);
            AlikeKey.Of(note, assessment.Comparison).Length.ShouldBe(64);
            note.Finding.Headline.ShouldNotBeNullOrWhiteSpace();
        }

        assessment.Sheet.Total.ShouldBeLessThanOrEqualTo(assessment.Sheet.Maximum);
        _ = assessment.Sentences;
        return assessment;
    }
}
