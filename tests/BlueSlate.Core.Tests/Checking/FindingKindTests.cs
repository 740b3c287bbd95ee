using BlueSlate.Core.Judging;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>
/// Every kind of finding, by its own example: it is found, nothing else is, and nobody else says it in its stead.
/// </summary>
public sealed class FindingKindTests
{
    public static TheoryData<string> Codes => [.. FindingKind.All.Select(kind => kind.Code)];

    [Theory]
    [MemberData(nameof(Codes))]
    public void The_example_of_a_kind_gives_that_finding_and_no_other(string code)
    {
        var kind = Kind(code);
        var roots = Assess(ExampleArea.Of(kind.Code), FindingKind.All)
            .Findings.Where(finding => finding.ConsequenceOf is null)
            .Select(finding => finding.Code)
            .Distinct();
        roots.ShouldBe([code]);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void Without_the_kind_nobody_says_what_it_says(string code)
    {
        var with = Assess(ExampleArea.Of(code), FindingKind.All);
        var said = with.Findings.Where(finding => finding.Code == code).SelectMany(Sentences).ToList();
        var without = Assess(ExampleArea.Of(code), [.. FindingKind.All.Where(kind => kind.Code != code)]);
        var left = without.Findings.SelectMany(Sentences).ToList();
        said.Except(left).ShouldNotBeEmpty("another kind says all of it");

        // What it explained is then unexplained, or told in other words; its marks are lost all the same.
        without.Sheet.Exact.ShouldBe(with.Sheet.Exact);
        var explained = without.Findings.SelectMany(finding => finding.Claims.Concat(finding.Extras)).ToHashSet();
        var own = with
            .Findings.Where(finding => finding.Code == code)
            .SelectMany(finding => finding.Claims.Concat(finding.Extras))
            .ToList();
        (
            own.Count == 0 || own.Exists(id => !explained.Contains(id)) || left.Except(with.Findings.SelectMany(Sentences)).Any()
        ).ShouldBeTrue("nobody misses it");

        static IEnumerable<string> Sentences(Finding finding) => [finding.Headline, finding.There, finding.Wanted, finding.Why];
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void The_model_answer_of_the_example_has_no_finding_and_full_marks(string code)
    {
        var example = ExampleArea.Of(code);
        var assessment = Assess(example with { Answer = example.Model }, FindingKind.All);
        assessment.Findings.ShouldBeEmpty();
        assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_finding_says_what_is_there_what_is_wanted_and_why(string code)
    {
        var finding = Assess(ExampleArea.Of(code), FindingKind.All).Findings.First(finding => finding.Code == code);
        foreach (var sentence in new[] { finding.Headline, finding.There, finding.Wanted, finding.Why })
        {
            sentence.ShouldNotBeNullOrWhiteSpace();
            sentence.ShouldMatch(@"^[\p{Lu}\d“].*[.!?]$");
            sentence.ShouldNotContain("  ");
        }
    }

    [Fact]
    public void Every_bad_verdict_of_every_example_is_explained()
    {
        foreach (var kind in FindingKind.All)
        {
            var assessment = Assess(ExampleArea.Of(kind.Code), FindingKind.All);
            var explained = assessment.Findings.SelectMany(finding => finding.Claims).ToHashSet();
            assessment
                .Comparison.Verdicts.Where(verdict => verdict.IsBad)
                .Select(verdict => verdict.Fact.Id)
                .ShouldBeSubsetOf(explained, kind.Code);
        }
    }

    [Fact]
    public void Codes_are_unique_and_spelled_alike()
    {
        var codes = FindingKind.All.Select(kind => kind.Code).ToList();
        codes.ShouldBeUnique();
        codes.ShouldAllBe(code => code.All(c => char.IsAsciiLetterLower(c) || c == '-'));
    }

    private static FindingKind Kind(string code) => FindingKind.All.Single(kind => kind.Code == code);

    private static Assessment Assess(FindingExample example, IReadOnlyList<FindingKind> kinds) =>
        Exercise.Of(example.Model, example).Assess(example.Answer, [], kinds);
}
