using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Tests.Markups;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>What only follows from another finding stands under it, however many steps away, and its losses with it.</summary>
public sealed class FoldingTests
{
    [Fact]
    public void Chains_end_at_a_root_that_is_shown()
    {
        var folded = FindingSelector.Fold([Of("a", "b"), Of("b", "c"), Of("c", null), Of("d", "gone"), Of("e", "d")]);
        Shown(folded).ShouldBe(["c", "a<c", "b<c", "d", "e<d"]);
    }

    [Fact]
    public void Of_several_that_follow_from_each_other_the_first_is_the_root()
    {
        Shown(FindingSelector.Fold([Of("x", null), Of("a", "b"), Of("b", "a"), Of("c", "b")])).ShouldBe(["x", "a", "b<a", "c<a"]);
        Shown(FindingSelector.Fold([Of("a", "a")])).ShouldBe(["a"]);
    }

    [Fact]
    public void Whatever_follows_from_what_nothing_is_lost_and_every_root_is_shown() =>
        Gen.Int[-1, 9]
            .Array[1, 10]
            .Sample(causes =>
            {
                var folded = FindingSelector.Fold([.. causes.Select((cause, i) => Of($"f{i}", cause < 0 ? null : $"f{cause}"))]);
                folded.Select(finding => finding.Id).ShouldBe(causes.Select((_, i) => $"f{i}"), ignoreOrder: true);
                var roots = folded.Where(finding => finding.ConsequenceOf is null).Select(finding => finding.Id).ToHashSet();
                folded
                    .Where(finding => finding.ConsequenceOf is not null)
                    .ShouldAllBe(finding => roots.Contains(finding.ConsequenceOf!));
            });

    [Fact]
    public void A_reference_to_a_key_that_is_wrong_for_want_of_a_column_stands_under_that_column()
    {
        var assessment = Exercise
            .Of(
                Markup
                    .Parse(
                        """
                        Choir: PK choir code
                        Singer: PK singer no, PK FK choir code, voice
                        Locker: PK locker no, FK1 singer no, FK1 singer choir code
                        Choir 11 has / sings in 0m Singer
                        Singer 11 uses / is used by 0m Locker
                        """
                    )
                    .Drawing,
                BlueSlate.Core.Notations.Level.Logical
            )
            .Assess(
                Markup
                    .Parse(
                        """
                        Choir: PK choir code
                        Singer: PK singer no, voice
                        Locker: PK locker no, FK1 singer no, FK1 singer choir code
                        Choir 11 has / sings in 0m Singer
                        Singer 11 uses / is used by 0m Locker
                        """
                    )
                    .Drawing,
                []
            );
        var roots = assessment.Findings.Where(finding => finding.ConsequenceOf is null).Select(finding => finding.Id).ToList();
        assessment.Findings.Single(finding => finding.Code == "foreign-key-mismatch").ConsequenceOf.ShouldNotBeNull();
        assessment
            .Findings.Where(finding => finding.ConsequenceOf is not null)
            .ShouldAllBe(finding => roots.Contains(finding.ConsequenceOf!));
        assessment
            .Notes.Aggregate(Rational.Zero, (sum, note) => sum + note.Loss)
            .ShouldBe(assessment.Sheet.Maximum - assessment.Sheet.Exact);
    }

    private static Finding Of(string id, string? cause) =>
        new()
        {
            Id = id,
            Code = id,
            Tag = Tag.Differs,
            Headline = "",
            There = "",
            Wanted = "",
            Why = "",
            ConsequenceOf = cause,
        };

    private static IEnumerable<string> Shown(IEnumerable<Finding> folded) =>
        folded.Select(finding => finding.ConsequenceOf is null ? finding.Id : $"{finding.Id}<{finding.ConsequenceOf}");
}
