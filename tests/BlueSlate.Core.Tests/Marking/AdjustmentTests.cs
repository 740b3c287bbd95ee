using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>What a person gives or takes besides what was found: it counts, within what there is, and in sight.</summary>
public sealed class AdjustmentTests
{
    private static readonly Assessment[] Assessed =
    [
        .. DemoExercises.Models.SelectMany(model =>
            DemoExercises
                .Answers(model.Name)
                .Append(Drawing.Empty)
                .Select(answer => Exercise.Of(model.Model, model.Level).Assess(answer, []))
        ),
    ];

    private static Adjustment By(Rational amount, string? line, string id = "a") => new(id, line, amount, "because", []);

    private static readonly Gen<(Assessment Assessment, Adjustment[] Adjustments)> Any =
        from index in Gen.Int[0, Assessed.Length - 1]
        let assessment = Assessed[index]
        from chosen in Gen.Select(Gen.Int[-8, 8], Gen.Int[0, 40]).Array[0, 8]
        select (
            assessment,
            chosen
                .Select(
                    (one, at) =>
                        By(
                            new Rational(one.Item1, 4),
                            one.Item2 % 3 == 0 ? null : assessment.Sheet.Lines[one.Item2 % assessment.Sheet.Lines.Length].Line.Id,
                            $"a{at}"
                        )
                )
                .ToArray()
        );

    [Fact]
    public void Whatever_is_given_or_taken_lines_and_total_stay_within_what_there_is_and_add_up() =>
        Any.Sample(
            (assessment, adjustments) =>
            {
                var after = assessment.Under(new Decisions([], [.. adjustments]));
                var sheet = after.Sheet;
                sheet.Lines.ShouldAllBe(line => line.Earned >= 0 && line.Earned <= line.Line.Marks);
                (sheet.Exact >= 0 && sheet.Exact <= sheet.Maximum).ShouldBeTrue();
                sheet.Adjustments.Select(one => one.Adjustment).ShouldBe(adjustments);
                foreach (var (adjustment, effect) in sheet.Adjustments)
                {
                    (
                        adjustment.Amount >= 0
                            ? effect >= 0 && effect <= adjustment.Amount
                            : effect <= 0 && effect >= adjustment.Amount
                    ).ShouldBeTrue();
                }

                var lost = after.Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss);
                var given = sheet.Adjustments.Aggregate(Rational.Zero, (sum, one) => sum + one.Effect);
                sheet.Exact.ShouldBe(sheet.Maximum - lost + given);
            },
            iter: 400
        );

    [Fact]
    public void What_is_within_bounds_counts_in_full_in_its_line_or_in_the_total()
    {
        var assessment = Assessed.First(one =>
            one.Sheet.Lines.Any(line => line.Earned == line.Line.Marks && line.Line.Marks >= 1)
        );
        var line = assessment.Sheet.Lines.First(one => one.Earned == one.Line.Marks && one.Line.Marks >= 1);
        var after = assessment.Under(new Decisions([], [By(new Rational(-1, 2), line.Line.Id), By(-1, null, "b")]));
        after.Sheet.Exact.ShouldBe(assessment.Sheet.Exact - Rational.Half - 1);
        after.Sheet.Lines.First(one => one.Line.Id == line.Line.Id).Earned.ShouldBe(line.Earned - Rational.Half);
        after.Notes.Select(note => note.Loss).ShouldBe(assessment.Notes.Select(note => note.Loss));
    }

    [Fact]
    public void What_is_given_in_a_line_that_the_scheme_has_no_longer_changes_nothing()
    {
        var after = Assessed[0].Under(new Decisions([], [By(3, "gone")]));
        after.Sheet.Exact.ShouldBe(Assessed[0].Sheet.Exact);
        after.Sheet.Adjustments[0].Effect.ShouldBe(0);
    }
}
