using System.Text.RegularExpressions;
using BlueSlate.Core.Judging;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>What no finding of any answer of the demo may say, read as its reader.</summary>
public sealed partial class SayingTests
{
    public static TheoryData<string> Folders => [.. DemoExercises.Folders];

    [Theory]
    [MemberData(nameof(Folders))]
    public void Every_sentence_of_every_finding_reads_well(string folder)
    {
        var assessor = DemoExercises.AssessorOf(folder);
        foreach (var answer in DemoExercises.Answers(folder))
        {
            foreach (var finding in assessor.Assess(answer, []).Findings)
            {
                Requirement().IsMatch(finding.Headline).ShouldBeFalse(finding.Headline);
                foreach (var sentence in new[] { finding.Headline, finding.There, finding.Wanted, finding.Why })
                {
                    sentence.ShouldNotBeNullOrWhiteSpace(finding.Id);
                    sentence[^1].ShouldBeOneOf('.', '?');
                    Clumsy().Match(sentence).Value.ShouldBe("", $"{finding.Id}: {sentence}");
                }
            }
        }
    }

    [Fact]
    public void A_title_names_the_fault_and_not_what_is_wanted() =>
        FindingKind.All.Where(kind => Requirement().IsMatch(kind.Title)).Select(kind => kind.Title).ShouldBeEmpty();

    // A headline that says what ought to be reads, with a loss beside it, as if that were wrong.
    [GeneratedRegex("^(Wanted|Use|Draw|Give|Put)\\b|\\b(must|should|ought to|do not belong|needs to|wants to be)\\b")]
    private static partial Regex Requirement();

    // Two are neither or both; many is no bound; a place has a name; what has no name is not named; nothing is said twice over.
    [GeneratedRegex(
        "\\b(none|several) of [^,.]+ and [^,.]+|at (most|least) many|this place|stumble|“”|\\ba a\\b|\\b(\\w+) \\2\\b(?<!that that)"
            + "| {2}|^\\w+ and \\w+ is missing|\\ba line of a class\\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Clumsy();
}
