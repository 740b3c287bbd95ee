using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>
/// What a table keeps and is given: several values in one cell, what is calculated, a number of its own, a form that it only claims; and
/// two things under one name.
/// </summary>
public sealed class KeptAndGivenTests
{
    // A lighthouse is supplied by boat; each trip takes several goods out.
    private static readonly string[] Supply =
    [
        "Attributes: trip no, sailing day, skipper, street, town, good, unit cost, crates, freight",
        "Key: trip no, good",
        "Calculated: freight",
        "Trip no determines sailing day and skipper",
        "Skipper determines street and town",
        "Good determines unit cost",
        "Trip no and good determine crates",
        "Unit cost and crates determine freight",
        "UNF: Log has trip no (key), sailing day, skipper, home (street, town), {good, unit cost, crates, freight}",
        "1NF: Log has trip no (key), sailing day, skipper, street, town, good (key), unit cost, crates, freight",
        "2NF: Trip has trip no (key), sailing day, skipper, street, town",
        "2NF: Good has good (key), unit cost",
        "2NF: Load has trip no (key, foreign key), good (key, foreign key), crates",
        "3NF: Trip has trip no (key), sailing day, skipper (foreign key)",
        "3NF: Skipper has skipper (key), street, town",
        "3NF: Good has good (key), unit cost",
        "3NF: Load has trip no (key, foreign key), good (key, foreign key), crates",
    ];

    private static Drawing Drawn(params string[] lines)
    {
        var typed = DependencyAmender.Amend(Drawing.Empty, lines);
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static Assessment Checked(params string[] lines) =>
        Exercise.Of(Drawn(Supply), new DependencyOptions()).Assess(Drawn(lines), []);

    // Pairs: how a line begins, and what stands in its place.
    private static Assessment With(params string[] changes)
    {
        var answer = Supply.ToList();
        foreach (var change in changes.Chunk(2))
        {
            var at = answer.FindIndex(line => line.StartsWith(change[0], StringComparison.Ordinal));
            answer.RemoveAt(at);
            answer.InsertRange(at, change[1].Split('\n', StringSplitOptions.RemoveEmptyEntries));
        }

        return Checked([.. answer]);
    }

    private static IEnumerable<string> CodesOf(Assessment assessment) => assessment.Findings.Select(finding => finding.Code);

    private static string SaidOf(Assessment assessment, string code) =>
        assessment.Findings.First(finding => finding.Code == code) is var found
            ? $"{found.Headline} {found.There} {found.Wanted} {found.Why}"
            : "";

    [Fact]
    public void Is_said_and_understood_alike()
    {
        var drawing = Drawn(Supply);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe(Supply, ignoreOrder: true);
        Checked(Supply).Findings.ShouldBeEmpty();

        // What is calculated has a dashed box, and has it no longer when the sentence goes.
        string Outlined(Drawing of) => of.Shapes.First(shape => shape.Text == "freight").Outline.ToString();
        Outlined(drawing).ShouldBe("Dashed");
        var lines = Supply.Where(line => !line.StartsWith("Calculated", StringComparison.Ordinal)).ToArray();
        Outlined((Drawing)DependencyAmender.Amend(drawing, lines).Document).ShouldBe("Single");
    }

    [Fact]
    public void Marks_of_columns_and_parts_of_cells_are_told_apart()
    {
        string[] lines =
        [
            "Attributes: lamp no, key no, ring",
            "1NF: Lamp has id (key), lamp no (alternate key), lock (key no, ring) (foreign key)",
        ];
        var drawing = Drawn(lines);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe(lines);
        drawing
            .Sheets[1]
            .Shapes[0]
            .TextLines.Select(row => (row.Mark, row.Text))
            .ShouldBe([("", "id"), ("AK1", "lamp no"), ("FK", "lock (key no, ring)")]);
    }

    [Fact]
    public void A_cell_of_several_values_is_left_in_first_normal_form()
    {
        var whole = With("1NF", "1NF: Log has trip no (key), sailing day, skipper, home, good (key), unit cost, crates, freight");
        CodesOf(whole).ShouldBe(["cell-not-atomic"]);
        SaidOf(whole, "cell-not-atomic").ShouldStartWith("In 1NF, Log has street and town in one cell, home.");
        var bracketed = With(
            "1NF",
            "1NF: Log has trip no (key), sailing day, skipper, home (street, town), good (key), unit cost, crates, freight"
        );
        CodesOf(bracketed).ShouldBe(["cell-not-atomic"]);
        // Without it, that is another mistake: the attributes are gone.
        CodesOf(With("1NF", "1NF: Log has trip no (key), sailing day, skipper, good (key), unit cost, crates, freight"))
            .ShouldBe(["stage-attribute-dropped"]);
    }

    [Fact]
    public void What_is_calculated_is_kept_until_it_is_to_go()
    {
        var kept = With("2NF: Load", Supply[12] + ", freight", "3NF: Load", Supply[16] + ", freight");
        CodesOf(kept).ShouldBe(["calculated-stored"]);
        SaidOf(kept, "calculated-stored")
            .ShouldBe(
                "Load of 2NF keeps freight, which is calculated from unit cost and crates. A column freight. "
                    + "Unit cost and crates alone; freight is worked out when it is wanted. "
                    + "When unit cost and crates change and freight does not, the row contradicts itself."
            );
        // It may go before, and need not be shown as calculated by who leaves it away.
        var gone = With("Calculated", "", "1NF", Supply[9].Replace(", freight", "", StringComparison.Ordinal));
        gone.Findings.ShouldBeEmpty();
        // In a later stage it does not come back, and a table of its own keeps it as well.
        CodesOf(With("3NF: Load", Supply[16] + "\n3NF: Price has crates (key), unit cost (key), freight"))
            .ShouldBe(["calculated-stored"]);
    }

    [Fact]
    public void A_number_of_its_own_leaves_the_natural_key_unique()
    {
        string[] numbered =
        [
            "3NF: Trip",
            "3NF: Trip has trip no (key), sailing day, skipper no (foreign key)",
            "3NF: Skipper",
            "3NF: Skipper has skipper no (key), skipper (alternate key), street, town",
        ];
        With(numbered).Findings.ShouldBeEmpty();
        var unmarked = With([.. numbered[..3], numbered[3].Replace(" (alternate key)", "", StringComparison.Ordinal)]);
        CodesOf(unmarked).ShouldBe(["surrogate-without-alternate"]);
        SaidOf(unmarked, "surrogate-without-alternate")
            .ShouldStartWith("Skipper of 3NF has skipper no for its key, and nothing keeps skipper unique.");

        string[] linked = ["3NF: Load", "3NF: Load has load no (key), trip no (foreign key), good (foreign key), crates"];
        CodesOf(With(linked)).ShouldBe(["surrogate-without-alternate"]);
        With(linked[0], linked[1].Replace("(foreign key)", "(alternate key, foreign key)", StringComparison.Ordinal))
            .Findings.ShouldBeEmpty();
    }

    [Fact]
    public void A_number_at_the_wrong_place_is_no_key_of_its_own()
    {
        // Beside the natural key it identifies nothing, and in a table of nothing else it stands for nothing.
        CodesOf(With("3NF: Good", "3NF: Good has good no (key), good (key), unit cost")).ShouldContain("table-column-invented");
        CodesOf(With("3NF: Good", "3NF: Good has shelf no (key), unit cost"))
            .ShouldContain(code => code == "table-column-invented" || code == "dependency-lost");
    }

    [Fact]
    public void A_form_that_nobody_asked_for_is_held_to_its_title()
    {
        string[] lessons =
        [
            "Attributes: diver, wreck, guide",
            "Key: diver, wreck",
            "Diver and wreck determine guide",
            "Guide determines wreck",
            "3NF: Dive has diver (key), wreck (key), guide",
        ];
        var model = Exercise.Of(Drawn(lessons), new DependencyOptions());
        Assessment Assessed(string more) => model.Assess(Drawn([.. lessons, .. more.Split('\n')]), []);
        var copied = Assessed("BCNF: Dive has diver (key), wreck (key), guide");
        CodesOf(copied).ShouldBe(["claimed-form-wrong"]);
        SaidOf(copied, "claimed-form-wrong")
            .ShouldBe(
                "The sheet BCNF is in third normal form only. The title BCNF. Tables in Boyce-Codd normal form, or no such title. "
                    + "In Dive, guide determines wreck and is no key."
            );
        Assessed("BCNF: Guide has guide (key), wreck\nBCNF: Dive has diver (key), guide (key, foreign key)")
            .Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Two_things_under_one_name_are_told_apart_by_what_determines_them()
    {
        string[] market =
        [
            "Attributes: stall no, fish, day price, sale no, sale price, weight",
            "Key: sale no, fish",
            "Stall no and fish determine day price",
            "Sale no determines stall no",
            "Sale no and fish determine sale price and weight",
        ];
        var model = Exercise.Of(Drawn(market), new DependencyOptions());
        var mixed = model.Assess(
            Drawn(
                "Attributes: stall no, fish, price, sale no, weight",
                "Key: sale no, fish",
                "Stall no and fish determine price",
                "Sale no determines stall no",
                "Sale no and fish determine price and weight"
            ),
            []
        );
        CodesOf(mixed).ShouldBe(["two-meanings"]);
        var said = SaidOf(mixed, "two-meanings");
        said.ShouldContain("stands for two things");
        said.ShouldContain("day price, which stall no and fish determine");
        said.ShouldContain("sale price, which fish and sale no determine");

        // With one arrow it is one of the two, and the other is not there.
        foreach (var (left, gone) in new[] { (2, "sale price"), (4, "day price") })
        {
            var one = model.Assess(
                Drawn(
                    "Attributes: stall no, fish, price, sale no, weight",
                    "Key: sale no, fish",
                    "Sale no determines stall no",
                    "Sale no and fish determine weight",
                    left == 2 ? "Stall no and fish determine price" : "Sale no and fish determine price"
                ),
                []
            );
            CodesOf(one).ShouldBe(["dependency-attribute-missing"]);
            SaidOf(one, "dependency-attribute-missing").ShouldContain(gone);
        }
    }
}
