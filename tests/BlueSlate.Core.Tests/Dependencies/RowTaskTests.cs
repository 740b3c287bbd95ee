using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Checking;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Rows against a dependency, and what rows of the scenario show.</summary>
public sealed class RowTaskTests
{
    // Lamps along a canal: a lamp hangs at a lock, a lock lies in a reach; a keeper looks after a reach on a day.
    private static readonly string[] Canal =
    [
        "Attributes: lamp, lock, reach, day, keeper, oil",
        "Key: lamp, day",
        "Counterexample to keeper -> reach: reach, day, keeper; upper, 1, Brin; lower, 2, Brin",
        "Anomaly of rows 1 and 2: update, lamp -> lock",
        "Anomaly of row 4: deletion, lamp -> lock",
        "Lamp determines lock",
        "Lock determines reach",
        "Reach and day determine keeper",
        "Lamp and day determine oil",
    ];

    private static readonly RowTable Rows = Table(
        "lamp | lock | reach | day | keeper | oil",
        "L1 | Mill | upper | 1 | Brin | 2",
        "L1 | Mill | upper | 2 | Osk | 3",
        "L2 | Mill | upper | 1 | Brin | 1",
        "L3 | Weir | lower | 1 | Tove | 2",
        "L4 | Weir | lower |  |  | "
    );

    private static RowTable Table(string head, params string[] rows)
    {
        static ImmutableArray<RowCell> Cells(string row) => [.. row.Split('|').Select(cell => new RowCell(cell.Trim(), 0))];
        return new RowTable(Cells(head), [.. rows.Select(Cells)]);
    }

    private static Drawing Drawn(params IEnumerable<string> lines)
    {
        var typed = DependencyAmender.Amend(Drawing.Empty, [.. lines]);
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static Assessor Set(bool withRows = true)
    {
        var (model, options) = (Drawn(Canal), new DependencyOptions());
        var scheme = SchemeDeriver.Derive(Subject.Of(options).Facts(model, options), new Rational(20, 1));
        return new Assessor(model, options, [], scheme, ExerciseTerms.Usual with { Tables = withRows ? [Rows] : [] });
    }

    private static Assessment Checked(int at, string line, bool withRows = true) =>
        Set(withRows)
            .Assess(Drawn([.. Canal[..at], .. line.Length > 0 ? [line] : Array.Empty<string>(), .. Canal[(at + 1)..]]), []);

    private static IEnumerable<string> CodesOf(Assessment assessment) => assessment.Findings.Select(finding => finding.Code);

    [Fact]
    public void Is_said_and_understood_and_kept_in_notes()
    {
        var drawing = Drawn(Canal);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe(Canal);
        Set().Assess(drawing, []).Findings.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Counterexample to keeper -> reach: keeper, reach; a, b; a, c")]
    [InlineData(
        "A counter-example for keeper determines reach: lamp | keeper | reach | day; 7 | x | u | 1; 8 | x | l | 2; 9 | y | l | 3."
    )]
    public void Any_rows_that_do_it_are_right(string line) => CodesOf(Checked(2, line)).ShouldBeEmpty();

    [Theory]
    [InlineData("", "counterexample-missing", "No rows are given against keeper → reach")]
    [InlineData(
        "Counterexample to keeper -> reach: keeper, reach; a, b; c, d",
        "counterexample-harmless",
        "do not contradict keeper → reach"
    )]
    [InlineData(
        "Counterexample to keeper -> reach: keeper, reach, lock; a, b, Mill; a, c, Mill",
        "counterexample-impossible",
        "cannot stand in the table"
    )]
    // The lock is left open: whatever it is, one lamp hangs at one lock, in one reach.
    [InlineData(
        "Counterexample to keeper -> reach: keeper, reach, lamp; a, b, L1; a, c, L1",
        "counterexample-impossible",
        "cannot stand in the table"
    )]
    [InlineData("Counterexample to keeper -> lock: keeper, lock; a, b; a, c", "counterexample-missing", "No rows are given")]
    public void Rows_that_do_not_are_told(string line, string code, string said)
    {
        var assessment = Checked(2, line);
        CodesOf(assessment).ShouldBe([code]);
        assessment.Findings[0].Headline.ShouldContain(said);
        assessment.Sheet.Exact.ShouldBeLessThan(assessment.Sheet.Maximum);
    }

    [Fact]
    public void What_rows_break_is_said_with_the_smallest_determinant()
    {
        var found = Checked(2, "Counterexample to keeper -> reach: lamp, day, keeper, reach; L1, 1, a, b; L1, 1, a, c")
            .Findings.Single();
        found.There.ShouldBe("Rows 1 and 2 agree on lamp and not on reach.");
        found.Why.ShouldBe("Lamp determines reach: rows that break it never occur.");
    }

    [Theory]
    [InlineData("Counterexample to keeper -> reach: keeper, reach; a, b", "two rows or more")]
    [InlineData("Counterexample to keeper -> reach: keeper, reach; a, b; a", "Row 2 has not as many values")]
    public void Rows_that_are_no_rows_are_refused(string line, string said) =>
        DependencyAmender.Amend(Drawing.Empty, [line]).Problems.Single().Problem.Message.ShouldContain(said);

    [Theory]
    [InlineData(3, "The anomaly of rows 2 and 1 is an update anomaly, since lamp determines reach")]
    // A lock of which two rows say that it is in the upper reach makes the same trouble.
    [InlineData(3, "Anomaly of rows 1, 2: update, lock -> reach")]
    // No other row says where this lamp hangs: with them it is lost.
    [InlineData(3, "Anomaly of rows 1, 2: deletion, lamp -> lock")]
    [InlineData(4, "Anomaly of row 4: delete anomaly by lamp -> lock, reach")]
    public void What_the_rows_show_as_well_is_right(int at, string line) => CodesOf(Checked(at, line)).ShouldBeEmpty();

    [Theory]
    [InlineData(3, "", "anomaly-unnamed", "It is not said what goes wrong with rows 1 and 2.")]
    [InlineData(
        3,
        "Anomaly of rows 1, 2: insertion, lamp -> lock",
        "anomaly-mistaken",
        "Rows 1 and 2 show an update anomaly, not an insertion one."
    )]
    [InlineData(
        4,
        "Anomaly of row 4: update, lamp -> lock",
        "anomaly-mistaken",
        "Row 4 shows a deletion anomaly, not an update one."
    )]
    [InlineData(3, "Anomaly of rows 1, 2: update, lamp, day -> oil", "anomaly-cause", "does not come from lamp, day → oil")]
    [InlineData(3, "Anomaly of rows 1, 2: update, keeper -> reach", "anomaly-cause", "does not come from keeper → reach")]
    public void What_they_do_not_show_is_told(int at, string line, string code, string said)
    {
        var assessment = Checked(at, line);
        CodesOf(assessment).ShouldBe([code]);
        assessment.Findings[0].Headline.ShouldContain(said);
    }

    [Fact]
    public void Without_the_rows_only_what_the_model_answer_names_is_right()
    {
        CodesOf(Checked(3, Canal[3], false)).ShouldBeEmpty();
        CodesOf(Checked(3, "Anomaly of rows 1, 2: deletion, lamp -> lock", false)).ShouldBe(["anomaly-mistaken"]);
        CodesOf(Checked(3, "Anomaly of rows 1, 2: update, lock -> reach", false)).ShouldBe(["anomaly-cause"]);
    }

    [Fact]
    public void A_row_with_a_gap_where_the_key_should_stand_shows_an_insertion()
    {
        var (model, options) = (
            Drawn([.. Canal[..2], "Anomaly of row 5: insertion, lamp -> lock", .. Canal[5..]]),
            new DependencyOptions()
        );
        var reading = DependencyReader.Read(model);
        AnomalyFact
            .IsShown(
                AnomalyKind.Insertion,
                [5],
                new Dependency(AttributeSet.Of(0), AttributeSet.Of(1)),
                ColumnRows.Best([Rows], reading)!,
                reading.Set
            )
            .ShouldBeTrue();
        Subject
            .Of(options)
            .Preflight(new PreflightCase(model, options, new ScenarioProse([], [Rows])))
            .ShouldNotContain(item => item.Kind == "listing-wrong");
    }

    // Whether rows can be completed is what trying every completion from few values finds, with one value more than there are rows.
    [Fact]
    public void Rows_with_gaps_conflict_when_no_completion_keeps_the_arrows() =>
        Gen.Select(Gen.Select(Gen.Int[0, 3].Array[1, 2], Gen.Int[0, 3]).Array[1, 4], Gen.Int[-1, 1].Array[4].Array[2, 3])
            .Sample(
                (arrows, values) =>
                {
                    var given = new DependencySet(
                        ["a", "b", "c", "d"],
                        [.. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2)))],
                        []
                    );
                    ImmutableArray<ImmutableArray<string?>> rows =
                    [
                        .. values.Select(row => row.Select(value => value < 0 ? null : $"{value}").ToImmutableArray()),
                    ];
                    (RowConflict.In(rows, given) is null).ShouldBe(CanBeCompleted(values, given));
                },
                iter: 2_000
            );

    // Open values: 0, 1, or one of three that nothing else has.
    private static bool CanBeCompleted(int[][] rows, DependencySet given)
    {
        var open = Enumerable.Range(0, rows.Length * 4).Where(cell => rows[cell / 4][cell % 4] < 0).ToList();
        var full = rows.Select(row => row.ToArray()).ToArray();
        return Try(0);

        bool Try(int at)
        {
            if (at == open.Count)
            {
                return given.Functional.All(one =>
                    full.All(a => full.All(b => !one.From.All(i => a[i] == b[i]) || one.To.All(i => a[i] == b[i])))
                );
            }

            for (var value = 0; value < 2 + rows.Length; value++)
            {
                full[open[at] / 4][open[at] % 4] = value;
                if (Try(at + 1))
                {
                    return true;
                }
            }

            full[open[at] / 4][open[at] % 4] = -1;
            return false;
        }
    }
}
