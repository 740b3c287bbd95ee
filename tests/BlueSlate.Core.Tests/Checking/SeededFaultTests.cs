using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>One mistake in a model answer of the demo: it is named, nothing else is alleged, and it never pays.</summary>
public sealed class SeededFaultTests
{
    private const int Seeds = 40;

    public static TheoryData<string> Codes => [.. SeededFaults.Codes];

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_mistake_is_named_and_nothing_else_is_alleged(string code)
    {
        var seeded = 0;
        foreach (var (name, answer, assessor) in Seeded(code))
        {
            seeded++;
            var findings = assessor.Assess(answer, []).Findings;
            findings
                .Where(finding => finding.ConsequenceOf is null)
                .Select(finding => finding.Code)
                .Distinct()
                .ShouldBe([code], name);
        }

        seeded.ShouldBeGreaterThanOrEqualTo(Seeds);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_mistake_never_raises_the_mark(string code)
    {
        foreach (var (name, answer, assessor) in Seeded(code))
        {
            var sheet = assessor.Assess(answer, []).Sheet;
            sheet.Exact.ShouldBeLessThanOrEqualTo(sheet.Maximum, name);
            sheet.Exact.ShouldBeGreaterThan(0, name);
        }
    }

    [Fact]
    public void The_more_mistakes_the_fewer_marks()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            for (var seed = 0; seed < Seeds; seed++)
            {
                var random = new Random(seed);
                var answer = model;
                var marks = assessor.Scheme.Maximum;
                for (var n = 0; n < 6; n++)
                {
                    var code = SeededFaults.Codes.ElementAt(random.Next(SeededFaults.Codes.Count));
                    answer = SeededFaults.Seed(answer, code, random) ?? answer;
                    var before = marks;
                    marks = assessor.Assess(answer, []).Sheet.Exact;
                    marks.ShouldBeLessThanOrEqualTo(before, $"{name} {seed}: {code} as number {n + 1}");
                }

                marks.ShouldBeLessThan(assessor.Scheme.Maximum, $"{name} {seed}");
            }
        }
    }

    private static IEnumerable<(string Name, Drawing Answer, Assessor Assessor)> Seeded(string code)
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            // At logical level a maximum of many on both sides is a finding of its own, and a key is what foreign keys are
            // named after.
            if (level == Level.Logical && code is "cardinality-max" or "key-missing")
            {
                continue;
            }

            var assessor = Exercise.Of(model, level);
            for (var seed = 0; seed < Seeds; seed++)
            {
                if (SeededFaults.Seed(model, code, seed) is { } answer)
                {
                    yield return ($"{name} {seed}", answer, assessor);
                }
            }
        }
    }
}
