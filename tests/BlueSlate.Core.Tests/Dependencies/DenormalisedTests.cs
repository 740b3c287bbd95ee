using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Tables that hold together on purpose what could be apart.</summary>
public sealed class DenormalisedTests
{
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);

    // A choir's library: copies of a score on shelves, borrowed by singers.
    private static readonly string[] Diagram =
    [
        "Attributes: copy, score, composer, shelf, room, singer, voice",
        "Key: copy",
        "Copy determines score, shelf and singer",
        "Score determines composer",
        "Shelf determines room",
        "Singer determines voice",
    ];

    private static readonly string[] Third =
    [
        "3NF: Copy has copy (key), score (foreign key), shelf (foreign key), singer (foreign key)",
        "3NF: Score has score (key), composer",
        "3NF: Shelf has shelf (key), room",
        "3NF: Singer has singer (key), voice",
    ];

    private static readonly string[] Together =
    [
        "3NF: Copy has copy (key), score (foreign key), shelf, room, singer (foreign key)",
        "3NF: Score has score (key), composer",
        "3NF: Singer has singer (key), voice",
    ];

    private static readonly string[] Last =
    [
        "denormalised: Copy has copy (key), score (foreign key), shelf, room, singer (foreign key)",
        "denormalised: Score has score (key), composer",
        "denormalised: Singer has singer (key), voice",
        "denormalised: Copy is denormalised, since copies are looked for by room every evening",
    ];

    private static Drawing Typed(params IEnumerable<string> lines)
    {
        var typed = DependencyAmender.Amend(Drawing.Empty, [.. lines]);
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static Assessment Checked(IEnumerable<string> model, IEnumerable<string> answer) =>
        Exercise.Of(Typed([.. Diagram, .. model]), Options).Assess(Typed([.. Diagram, .. answer]), []);

    private static IEnumerable<string> CodesOf(Assessment assessment) => assessment.Findings.Select(finding => finding.Code);

    [Fact]
    public void Is_said_and_understood_and_kept_in_a_note_of_its_sheet()
    {
        var drawing = Typed([.. Diagram, .. Last]);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe([.. Diagram, .. Last]);
        drawing
            .Sheets[1]
            .Shapes.Single(shape => shape.Form == Form.Note)
            .Text.ShouldBe("Denormalised: Copy, since copies are looked for by room every evening");
        var without = (Drawing)DependencyAmender.Amend(drawing, [.. Diagram, .. Last[..3]]).Document;
        without.Shapes.ShouldNotContain(shape => shape.Form == Form.Note);
    }

    [Theory]
    [InlineData("Denormalised: Copy, since the list is long", "Copy", "the list is long")]
    [InlineData("de-normalized: Copy because the list is long.", "Copy", "the list is long")]
    [InlineData("Denormalised: Copy: the list is long", "Copy", "the list is long")]
    [InlineData("Denormalised: Copy, since …", "Copy", "")]
    [InlineData("Denormalised: Copy, since … it is read often.", "Copy", "it is read often")]
    [InlineData("Denormalised: Copy", "Copy", "")]
    [InlineData("Denormalised: Notes since sung, since asked for", "Notes", "sung, since asked for")]
    public void A_note_is_read_in_whatever_words(string line, string table, string reason)
    {
        var read = Denormalisation.Read(line)!;
        (read.Table, read.Reason).ShouldBe((table, reason));
    }

    [Fact]
    public void Of_a_stage_without_tables_it_cannot_be_said()
    {
        var typed = DependencyAmender.Amend(Typed(Diagram), [.. Diagram, "3NF: Copy is denormalised, since it is read often"]);
        typed.Problems.Single().Problem.Message.ShouldBe("Say first which tables 3NF has.");
        DependencyAmender
            .Amend(Typed(Diagram), [.. Diagram, "Denormalised: Copy, since the list has it"])
            .Problems.Single()
            .Problem.Message.ShouldStartWith("Say of which stage");
    }

    [Fact]
    public void With_a_reason_half_is_given_and_a_person_is_asked()
    {
        var full = Checked(Third, Third);
        var without = Checked(Third, Together);
        var with = Checked(Third, [.. Together, "3NF: Copy is denormalised, since copies are looked for by room"]);
        full.Findings.ShouldBeEmpty();
        full.Doubt.IsOpen.ShouldBeFalse();
        CodesOf(without).ShouldBe(["transitive-dependency-left"]);
        CodesOf(with).ShouldBe(["denormalised-knowingly"]);
        with.Findings[0].There.ShouldBe("The note says: since copies are looked for by room.");
        with.Sheet.Exact.ShouldBeGreaterThan(without.Sheet.Exact);
        with.Sheet.Exact.ShouldBeLessThan(full.Sheet.Exact);
        with.Doubt.IsOpen.ShouldBeTrue();
        with.Doubt.Highest.ShouldBe(full.Sheet.Maximum);
    }

    [Theory]
    [InlineData("3NF: Copy is denormalised")]
    [InlineData("3NF: Score is denormalised, since composers are asked for")]
    public void Without_a_reason_or_for_another_table_it_is_what_it_is(string said) =>
        CodesOf(Checked(Third, [.. Together, said])).ShouldBe(["transitive-dependency-left"]);

    [Fact]
    public void After_the_form_it_is_nobodys_fault()
    {
        var built = Checked(Third, [.. Third, .. Last]);
        built.Findings.ShouldBeEmpty();
        built.Sheet.Total.ShouldBe(built.Sheet.Maximum);
        // Under the title of a form too, as long as only what is accounted for is lower.
        var titled = Last.Select(line => line.Replace("denormalised:", "3NF, denormalised:", StringComparison.Ordinal));
        Checked(Third, [.. Third, .. titled]).Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Where_the_model_answer_puts_together_it_is_asked_for_with_its_reason()
    {
        string[] model = [.. Third, .. Last];
        var same = Checked(model, model);
        same.Findings.ShouldBeEmpty();
        same.Doubt.IsOpen.ShouldBeFalse();
        var facts = Exercise.Of(Typed([.. Diagram, .. model]), Options).Facts;
        facts.Count(fact => fact.Kind.Name == "stage-denormalised").ShouldBe(1);

        var unsaid = Checked(model, [.. Third, .. Last[..3]]);
        CodesOf(unsaid).ShouldBe(["denormalisation-unaccounted"]);
        unsaid.Findings[0].Headline.ShouldBe("The sheet denormalised does not say why Copy holds together what could be apart.");
        CodesOf(Checked(model, Third)).ShouldBe(["stage-missing"]);

        var other = Checked(
            model,
            [
                .. Third,
                "denormalised: Copy has copy (key), score, composer, shelf (foreign key), singer (foreign key)",
                "denormalised: Shelf has shelf (key), room",
                "denormalised: Singer has singer (key), voice",
                "denormalised: Copy is denormalised, since copies are looked for by composer",
            ]
        );
        CodesOf(other).ShouldContain("denormalisation-unaccounted");
    }

    [Fact]
    public void Tables_are_put_together_with_a_note_that_waits_for_the_reason()
    {
        var drawing = Typed([.. Diagram, .. Third]);
        string[] two = [drawing.Sheets[1].Shapes[0].Id, drawing.Sheets[1].Shapes[2].Id];
        var made = (Drawing)Subject.Do(drawing, "denormalise", two)!.Document!;
        var said = DependencySentences.Write(DependencyReader.Read(made)).Select(one => one.Text).ToList();
        said.ShouldContain("3NF: Copy has copy (key), score (foreign key), shelf, singer (foreign key), room");
        said.ShouldContain("3NF: Copy is denormalised");
        made.Sheets[1].Shapes[^1].Text.ShouldBe("Denormalised: Copy, since …");
        drawing.Sheets[1].Shapes.Select(shape => shape.Id).ShouldNotContain(made.Sheets[1].Shapes[^1].Id);
        StageRemarks
            .Of(DependencyReader.Read(made))
            .ShouldContain(remark => remark.Text == "3NF: the note does not say why Copy is denormalised.");

        Subject.Do(made, "denormalise", [two[0]])!.Problem.ShouldBe("A note says already that Copy is denormalised.");
        var alone = (Drawing)Subject.Do(drawing, "denormalise", [two[0]])!.Document!;
        alone.Sheets[1].Shapes.Length.ShouldBe(5);
        Subject.Do(drawing, "denormalise", [])!.Problem.ShouldBe("Choose the tables of one sheet that are to be one.");
    }

    [Fact]
    public void While_drawing_what_is_accounted_for_keeps_no_stage_back()
    {
        IEnumerable<string> Said(params IEnumerable<string> lines) =>
            StageRemarks.Of(DependencyReader.Read(Typed([.. Diagram, .. lines]))).Select(remark => remark.Text);
        Said([.. Together, "3NF: Copy is denormalised, since copies are looked for by room"])
            .ShouldBe(["3NF: every table but Copy is in Boyce-Codd normal form, and nothing is lost."]);
        Said([.. Third, "3NF: Score is denormalised, since it is short"])
            .ShouldContain("3NF: by the arrows, nothing of Score could be apart, though a note calls it denormalised.");
    }

    [Fact]
    public void The_worked_solution_says_why()
    {
        var model = Typed([.. Diagram, .. Third, .. Last]);
        var steps = Subject.Steps(new PreflightCase(model, Options, ScenarioProse.None));
        steps
            .Single(step => step.Said.StartsWith("denormalised: Copy", StringComparison.Ordinal))
            .Why.ShouldBe("It could be apart, and is together on purpose, since copies are looked for by room every evening.");
    }
}
