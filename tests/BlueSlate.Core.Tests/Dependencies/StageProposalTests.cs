using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Dependencies;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>The stages that the core proposes.</summary>
public sealed class StageProposalTests
{
    private const int Attributes = 6;
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);

    private static readonly Gen<DependencySet> Given = Gen.Select(
            Gen.Int[0, Attributes - 1].Array[1, 2],
            Gen.Int[0, Attributes - 1]
        )
        .Array[1, 7]
        .Select(arrows => new DependencySet(
            [.. Enumerable.Range(0, Attributes).Select(i => $"kiln{i}")],
            [.. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2)))],
            []
        ));

    [Fact]
    public void Each_stage_is_in_its_form_loses_nothing_and_marks_candidate_keys() =>
        Given.Sample(
            given =>
            {
                foreach (var stage in StageProposal.Of(given, AttributeSet.Empty))
                {
                    var parts = stage.Tables.Select(table => table.All).ToList();
                    Chase.Of([.. parts], given).Lossless.ShouldBe(true);
                    (StageForms.Of(parts, given) >= stage.Form).ShouldBeTrue();
                    if (stage.Form < NormalForm.BoyceCodd)
                    {
                        Preservation.Lost(parts, given).ShouldBeEmpty();
                    }

                    foreach (var table in stage.Tables)
                    {
                        table.All.IsSubsetOf(given.Implied.ClosureOf(table.Key)).ShouldBeTrue();
                        table
                            .Key.All(i => !table.All.IsSubsetOf(given.Implied.ClosureOf(table.Key - AttributeSet.Of(i))))
                            .ShouldBeTrue();
                    }
                }
            },
            iter: 500
        );

    [Fact]
    public void What_is_proposed_is_right_by_itself_and_has_nothing_amiss() =>
        Given.Sample(
            given =>
            {
                var cover = MinimalCover.Of(given.Functional);
                if (cover.IsEmpty)
                {
                    return;
                }

                var drawing = Proposed([
                    $"Attributes: {string.Join(", ", given.Attributes)}",
                    .. cover.Select(one => $"{string.Join(", ", given.NamesOf(one.From))} -> {given.NamesOf(one.To)[0]}"),
                ]);
                var assessor = new Assessor(drawing, Options, [], SchemeDeriver.Derive(Subject.Facts(drawing, Options), 40));
                var assessment = assessor.Assess(drawing, []);
                assessment.Findings.Select(finding => finding.Headline).ShouldBeEmpty();
                assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
            },
            iter: 150
        );

    [Fact]
    public void Tables_are_called_after_what_identifies_a_row_and_refer_to_each_other()
    {
        var drawing = Proposed([
            "Attributes: load no, kiln no, kiln, site, glaze no, colour, weight",
            "Key: load no, glaze no",
            "Load no determines kiln no",
            "Kiln no determines kiln and site",
            "Glaze no determines colour",
            "Load no and glaze no determine weight",
        ]);

        Subject
            .Sentences(drawing, Options)
            .Select(sentence => sentence.Text)
            .Where(text => text.StartsWith("3NF", StringComparison.Ordinal))
            .ShouldBe([
                "3NF: Load glaze has load no (key, foreign key), glaze no (key, foreign key), weight",
                "3NF: Load has load no (key), kiln no (foreign key)",
                "3NF: Glaze has glaze no (key), colour",
                "3NF: Kiln has kiln no (key), kiln, site",
            ]);
        drawing.Sheets.Select(sheet => sheet.Name).ShouldBe(["diagram", "1NF", "2NF", "3NF"]);
    }

    [Fact]
    public void Nothing_is_proposed_over_stages_that_are_drawn()
    {
        var drawn = Proposed(["Attributes: kiln, site", "Kiln determines site"]);

        Subject.Do(drawn, "propose-stages", []).ShouldNotBeNull().Problem.ShouldContain("There are stages already");
        Subject.Do(Drawing.Empty, "propose-stages", []).ShouldNotBeNull().Problem.ShouldContain("Draw the dependencies first");
    }

    private static Drawing Proposed(string[] lines)
    {
        var typed = Subject.Retype(Drawing.Empty, lines, Options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)Subject.Do(typed.Document, "propose-stages", []).ShouldNotBeNull().Document.ShouldNotBeNull();
    }
}
