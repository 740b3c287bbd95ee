using System.Collections.Immutable;
using BlueSlate.Core.Classes;
using BlueSlate.Core.Drawings;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Classes;

/// <summary>Answers that share what hardly anybody else has, told to a person.</summary>
public sealed class ResemblanceTests
{
    private const string Scenario = "A quay has cranes. Each crane has a crane number and a reach, and is greased by a fitter.";

    private static ImmutableArray<Resemblance> In(params Drawing[] drawings) =>
        Resemblance.In([.. drawings.Select(drawing => drawing.Traits)], [Scenario]);

    // Consonants and vowels in turn, so that no two words of a class are the same word but by being copied.
    private static string Word(Random random) =>
        string.Concat(Enumerable.Range(0, 4).Select(_ => $"{"bdfgklmprtvz"[random.Next(12)]}{"aeiou"[random.Next(5)]}"));

    private static Drawing Placed(Drawing drawing, Random random) =>
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
                                    Place = new Place(random.Next(800), random.Next(600), 90, 40),
                                }
                            ),
                        ],
                    }
                ),
            ],
        };

    // What everybody was taught, with two words of one's own and boxes where one likes.
    private static Drawing Own(Random random) =>
        Placed(
            new Sketch()
                .Box("Crane", "PK crane number", "reach", Word(random))
                .Box("Quay", "PK quay code")
                .Box("Fitter", $"PK {Word(random)} code")
                .Box("Greasing")
                .Line("Quay", Ends.One, "Crane", Ends.ZeroOrMore, "has")
                .ToDrawing(),
            random
        );

    private static Drawing[] Class(int answers, int seed)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, answers).Select(_ => Own(random))];
    }

    [Fact]
    public void Those_who_worked_by_themselves_resemble_nobody() =>
        Gen.Select(Gen.Int[2, 60], Gen.Int).Sample((answers, seed) => In(Class(answers, seed)).ShouldBeEmpty());

    [Fact]
    public void A_copy_is_found_though_a_row_and_a_box_of_it_are_others() =>
        Gen.Select(Gen.Int[6, 60], Gen.Int)
            .Sample(
                (answers, seed) =>
                {
                    var random = new Random(seed);
                    var drawings = Class(answers, seed);
                    var copied = random.Next(answers);
                    var shapes = drawings[copied].Sheets[0].Shapes;
                    var moved = shapes.SetItem(3, shapes[3] with { Place = new Place(805, 605, 90, 40) });
                    Drawing[] all =
                    [
                        .. drawings,
                        drawings[copied] with
                        {
                            Sheets = [drawings[copied].Sheets[0] with { Shapes = moved }],
                        },
                    ];
                    var found = In(all).ShouldHaveSingleItem();
                    (found.First, found.Second).ShouldBe((copied, answers));
                    found.Names.Length.ShouldBe(2);
                    found.Places.ShouldBeGreaterThanOrEqualTo(2);
                    found.Of.ShouldBe(4);
                }
            );

    [Fact]
    public void What_many_have_in_common_is_what_they_were_taught()
    {
        var one = Own(new Random(7));
        In([.. Enumerable.Repeat(one, 9), .. Class(9, 8)]).ShouldBeEmpty();
    }

    [Fact]
    public void The_same_places_alone_are_what_tidying_up_makes()
    {
        static Drawing Tidied(int seed) =>
            Placed(
                new Sketch()
                    .Box("Crane", "PK crane number")
                    .Box("Quay", "PK quay code")
                    .Box("Fitter")
                    .Box("Greasing")
                    .ToDrawing(),
                new Random(seed)
            );
        In([Tidied(1), Tidied(1), .. Enumerable.Range(2, 30).Select(Tidied)]).ShouldBeEmpty();
    }

    [Fact]
    public void Words_of_the_scenario_in_any_number_are_nobodys_own()
    {
        static Drawing Of(string name) => new Sketch().Box(name, "PK reaches", "crane fitter").ToDrawing();
        In([Of("Quays"), Of("Quays"), Of("Crane"), Of("Fitters"), Of("Cranes")]).ShouldBeEmpty();
    }

    [Fact]
    public void A_class_of_one_or_of_nobody_has_no_pairs()
    {
        In([]).ShouldBeEmpty();
        In([Own(new Random(1))]).ShouldBeEmpty();
    }
}
