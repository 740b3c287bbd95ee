using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Dependencies;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>Dependency diagrams: read, typed, and judged by what they mean.</summary>
public sealed class DependencyDiagramTests
{
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);
    private static readonly string[] Names = ["kiln", "glaze", "shelf", "potter", "firing", "cone"];

    // Determinants of one or two of so many attributes, each with one that it determines.
    private static Gen<(int[] From, int To)[]> Arrows(int attributes, int most) =>
        Gen.Select(
                Gen.Int[0, attributes - 1].Array[1, 2].Select(from => from.Distinct().Order().ToArray()),
                Gen.Int[0, attributes - 1]
            )
            .Where((from, to) => !from.Contains(to))
            .Array[1, most]
            .Select(arrows => arrows.DistinctBy(arrow => $"{string.Join(',', arrow.Item1)}>{arrow.Item2}").ToArray());

    [Fact]
    public void Any_minimal_cover_of_the_model_answer_gets_full_marks_and_no_finding() =>
        Arrows(5, 7)
            .Sample(
                arrows =>
                {
                    var given = Given(5, arrows);
                    var cover = MinimalCover.Of([.. given.Functional.Reverse()]);
                    var key = CandidateKeys.Of(given.All, cover).Keys[^1];
                    var assessment = Of(Typed(5, MinimalCover.Of(given.Functional), CandidateKeys.Of(given.All, cover).Keys[0]))
                        .Assess(Typed(5, cover, key), []);
                    assessment.Findings.Select(finding => finding.Headline).ShouldBeEmpty();
                    assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
                },
                iter: 300
            );

    [Fact]
    public void What_is_right_without_thought_earns_next_to_nothing() =>
        Arrows(5, 6)
            .Sample(
                arrows =>
                {
                    var given = Given(5, arrows);
                    var cover = MinimalCover.Of(given.Functional);
                    var assessor = Of(Typed(5, cover, CandidateKeys.Of(given.All, cover).Keys[0]));
                    Dependency[] all =
                    [
                        .. from i in Enumerable.Range(0, 5)
                        from j in Enumerable.Range(0, 5)
                        where i != j
                        select new Dependency(AttributeSet.Of(i), AttributeSet.Of(j)),
                    ];
                    var tenth = assessor.Scheme.Maximum / 10;
                    assessor.Assess(Drawing.Empty, []).Sheet.Exact.ShouldBe(0);
                    assessor.Assess(Typed(5, [], AttributeSet.Empty), []).Sheet.Exact.ShouldBeLessThanOrEqualTo(tenth);
                    // Where each determines each, drawing all arrows is right.
                    if (all.Any(arrow => !given.Implied.Implies(arrow) && cover.Any(one => one.To == arrow.To)))
                    {
                        var unearned = cover.Where(one => all.Any(arrow => arrow.To == one.To && !given.Implied.Implies(arrow)));
                        var held = assessor.Assess(Typed(5, all, AttributeSet.Empty), []).Comparison.Verdicts;
                        held.Count(verdict => verdict.Fact.Id.StartsWith("dependency:") && verdict.Kind == VerdictKind.Holds)
                            .ShouldBe(cover.Length - unearned.Count());
                    }
                },
                iter: 200
            );

    [Fact]
    public void Rows_beside_a_finding_keep_what_they_say_they_keep() =>
        Gen.Select(Arrows(4, 4), Arrows(4, 4))
            .Sample(
                (model, answer) =>
                {
                    var (wanted, drawn) = (Given(4, model), Given(4, answer));
                    var assessment = Of(Typed(4, [.. wanted.Functional], AttributeSet.Empty))
                        .Assess(Typed(4, [.. drawn.Functional], AttributeSet.Empty), []);
                    assessment
                        .Comparison.AllBad.Select(verdict => verdict.Fact.Id)
                        .ShouldBeSubsetOf(assessment.Findings.SelectMany(finding => finding.Claims));
                    assessment
                        .Comparison.Extras.Select(extra => extra.AnswerId)
                        .ShouldBeSubsetOf(assessment.Findings.SelectMany(finding => finding.Extras));
                    foreach (var finding in assessment.Findings)
                    {
                        if (assessment.ExampleOf(finding) is not { } example)
                        {
                            continue;
                        }

                        example.Table.Columns.ShouldBe(Names[..4]);
                        var agree = AttributeSet.Of(
                            Enumerable.Range(0, 4).Where(i => example.Table.Rows[0][i] == example.Table.Rows[1][i])
                        );
                        Func<Dependency, bool> keeps = one => !one.From.IsSubsetOf(agree) || one.To.IsSubsetOf(agree);
                        if (example.Kind == ExampleKind.RuledOutAsDrawn)
                        {
                            wanted.Functional.ShouldAllBe(one => keeps(one), finding.Headline);
                            drawn.Functional.ShouldContain(one => !keeps(one), finding.Headline);
                        }
                        else
                        {
                            drawn.Functional.Where(wanted.Implied.Implies).ShouldAllBe(one => keeps(one), finding.Headline);
                            wanted.Functional.ShouldContain(one => !keeps(one), finding.Headline);
                        }
                    }
                },
                iter: 300
            );

    [Fact]
    public void What_is_typed_is_said_again_in_the_same_words() =>
        Arrows(6, 8)
            .Sample(
                arrows =>
                {
                    var lines = Lines(6, Given(6, arrows).Functional, AttributeSet.Of([0, 3]));
                    var drawing = Subject.Retype(Drawing.Empty, lines, Options)!.Document;
                    Said(drawing).ShouldBe(lines);
                    // Without one of them the others are left as they were drawn.
                    for (var gone = 1; gone < lines.Length; gone++)
                    {
                        var less = Subject.Retype(drawing, [.. lines[..gone], .. lines[(gone + 1)..]], Options)!;
                        Said(less.Document).ShouldBe([.. lines[..gone], .. lines[(gone + 1)..]]);
                        Subject.Write(Subject.Retype(drawing, lines, Options)!.Document).ShouldBe(Subject.Write(drawing));
                    }
                },
                iter: 200
            );

    [Theory]
    [InlineData("kiln, glaze -> cone", "Kiln and glaze determine cone")]
    [InlineData("kiln + glaze → cone, firing", "Kiln and glaze determine cone and firing")]
    [InlineData("Kiln ->> shelf", "Kiln multidetermines shelf")]
    [InlineData("the kiln determines the shelf.", "The kiln determines the shelf")]
    public void Arrows_are_understood_as_text(string typed, string said) =>
        Said(Subject.Retype(Drawing.Empty, [typed], Options)!.Document)[^1].ShouldBe(said);

    [Theory]
    [InlineData("the kiln is warm")]
    [InlineData("Key:")]
    [InlineData("determines glaze")]
    public void What_is_not_understood_is_told_and_changes_nothing(string line)
    {
        var drawing = Subject.Retype(Drawing.Empty, ["Kiln determines glaze"], Options)!.Document;
        var typed = Subject.Retype(drawing, [.. Said(drawing), line], Options)!;
        typed.Problems.ShouldHaveSingleItem().Line.ShouldBe(2);
        Subject.Write(typed.Document).ShouldBe(Subject.Write(drawing));
    }

    [Fact]
    public void Lines_of_a_box_are_attributes_and_its_marks_say_the_key()
    {
        var drawing = new Sketch()
            .Box("FIRING", "PK kiln", "PK cone", "glaze")
            .Line(
                new LineEnd(new Attachment(AttachmentKind.Row, "t1"), []),
                new LineEnd(new Attachment(AttachmentKind.Row, "t3"), [EndMark.OpenArrow])
            )
            .ToDrawing();
        Said(drawing).ShouldBe(["Attributes: kiln, cone, glaze", "Key: kiln, cone", "Kiln determines glaze"]);
    }

    [Theory]
    [InlineData(
        "Job and part determine count;Part determines price",
        "By the arrows, the candidate key is job and part.",
        "As one table it is in first normal form and no higher: part, only a part of a candidate key, determines price."
    )]
    [InlineData(
        "Job determines visitor;Visitor determines phone",
        "By the arrows, the candidate key is job.",
        "As one table it is in second normal form and no higher: visitor, which is no key, determines phone."
    )]
    [InlineData(
        "Street and town determine code;Code determines town",
        "By the arrows, the candidate keys are these: street and town; street and code.",
        "As one table it is in third normal form and no higher: code, which is no key, determines town, a part of one."
    )]
    [InlineData(
        "Badge determines name",
        "By the arrows, the candidate key is badge.",
        "As one table it is in Boyce-Codd normal form: every determinant holds a key."
    )]
    [InlineData(
        "Badge multidetermines desk and language",
        "By the arrows, the candidate key is badge, desk and language.",
        "As one table it is in Boyce-Codd normal form and no higher: badge, which is no key, multidetermines desk."
    )]
    public void Keys_and_form_that_follow_from_the_arrows_are_told(string lines, string keys, string form) =>
        Subject
            .Form(Subject.Retype(Drawing.Empty, lines.Split(';'), Options)!.Document, Options)
            .Select(remark => remark.Text)
            .ShouldBe([keys, form]);

    [Fact]
    public void A_person_says_which_attribute_is_meant()
    {
        var assessor = Of(Typed(2, [new Dependency(AttributeSet.Of(0), AttributeSet.Of(1))], AttributeSet.Of(0)));
        var answer = (Drawing)
            Subject.Retype(Drawing.Empty, ["Attributes: oven, glaze", "Key: oven", "Oven determines glaze"], Options)!.Document;
        assessor.Assess(answer, []).Findings.Select(finding => finding.Code).ShouldContain("dependency-attribute-missing");
        var stands = ImmutableDictionary<string, string>.Empty.Add(
            assessor.Facts[0].ConceptId,
            answer.Shapes.First(shape => shape.Text == "oven").Id
        );
        assessor.AssessAs(answer, stands).Sheet.Total.ShouldBe(assessor.Scheme.Maximum);
    }

    private static string[] Said(IDocument drawing) => [.. Subject.Sentences(drawing, Options).Select(sentence => sentence.Text)];

    private static Assessor Of(Drawing model) => new(model, Options, [], SchemeDeriver.Derive(Subject.Facts(model, Options), 40));

    private static DependencySet Given(int attributes, (int[] From, int To)[] arrows) =>
        new(
            [.. Names[..attributes]],
            [.. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.From), AttributeSet.Of(arrow.To)))],
            []
        );

    private static Drawing Typed(int attributes, IReadOnlyList<Dependency> dependencies, AttributeSet key)
    {
        var typed = Subject.Retype(Drawing.Empty, Lines(attributes, dependencies, key), Options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static string[] Lines(int attributes, IReadOnlyList<Dependency> dependencies, AttributeSet key) =>
        [
            $"Attributes: {string.Join(", ", Names[..attributes])}",
            .. key.IsEmpty ? [] : new[] { $"Key: {string.Join(", ", key.Select(i => Names[i]))}" },
            .. dependencies
                .GroupBy(one => one.From)
                .Select(group =>
                    Phrasing.Capital(Phrasing.List([.. group.Key.Select(i => Names[i])]))
                    + (group.Key.Count == 1 ? " determines " : " determine ")
                    + Phrasing.List([.. group.SelectMany(one => one.To).Distinct().Select(i => Names[i])])
                ),
        ];
}
