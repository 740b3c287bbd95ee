using System.Collections.Immutable;
using System.Text.RegularExpressions;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies.Checking.Stages;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>The same mistake at two places is said twice, of each place in words of its own.</summary>
public sealed partial class FindingPlacesTests
{
    public static TheoryData<string> Codes =>
        [
            .. FindingKind
                .All.Where(kind =>
                    !kind.Code.StartsWith("notation-", StringComparison.Ordinal)
                    && !OncePerDrawing.Contains(kind.Code)
                    && !KnownByWords.Contains(kind.Code)
                    // What two worlds have in one table cannot be split without loss.
                    && kind is not StageFindingKind
                )
                .Select(kind => kind.Code),
        ];

    private static readonly string[] OncePerDrawing =
    [
        "chosen-key-not-minimal",
        "chosen-key-not-unique",
        "chosen-key-unmarked",
        "claimed-form-wrong",
        "cover-missing",
        "cover-not-equivalent",
        "cover-not-minimal",
        "drawing-shows-little",
        "foreign-key-in-conceptual",
        "form-mistaken",
        "form-rule-broken",
        "form-unnamed",
        "identifying-without-need",
        // Of two worlds together a key of one determines half.
        "listed-key-not-minimal",
        "naming-standard",
        "prime-attributes-unlisted",
        "prime-attributes-wrong",
    ];

    // In the names of another world a date is no date, a list of keys none, and two prices have nothing in common.
    private static readonly string[] KnownByWords =
    [
        "anomaly-cause",
        "anomaly-mistaken",
        "anomaly-unnamed",
        "candidate-key-missing",
        "closure-missing",
        "closure-wrong",
        "counterexample-harmless",
        "counterexample-impossible",
        "counterexample-missing",
        "derivation-missing",
        "derivation-step-wrong",
        "derivation-unfinished",
        "history-kept",
        "two-meanings",
    ];

    [Theory]
    [MemberData(nameof(Codes))]
    public void Two_places_share_no_sentence(string code)
    {
        var example = ExampleArea.Of(code);
        var assessor = Exercise.Of(Twice(example.Model), example.Options);
        var findings = assessor.Assess(Twice(example.Answer), []).Findings.Where(finding => finding.Code == code).ToList();
        findings.Count.ShouldBeGreaterThan(1);
        findings.Select(finding => finding.Id).ShouldBeUnique();
        findings.Select(finding => finding.Headline).ShouldBeUnique();
        findings.Select(finding => finding.There).ShouldBeUnique();
        findings.Select(finding => finding.Wanted).ShouldBeUnique();
        findings.Select(finding => finding.Why).ShouldBeUnique();
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_finding_points_at_what_it_is_about(string code)
    {
        var example = ExampleArea.Of(code);
        var assessor = Exercise.Of(example.Model, example);
        var finding = assessor.Assess(example.Answer, []).Findings.First(finding => finding.Code == code);
        (finding.ModelElements.Length + finding.AnswerElements.Length).ShouldBeGreaterThan(0);
        Elements(example.Model).IsSupersetOf(finding.ModelElements).ShouldBeTrue();
        Elements(example.Answer).IsSupersetOf(finding.AnswerElements).ShouldBeTrue();
        var tagged = finding.Tag switch
        {
            Tag.Missing => finding.ModelElements,
            Tag.Extra => finding.AnswerElements,
            _ => finding.AnswerElements.AddRange(finding.ModelElements),
        };
        tagged.ShouldNotBeEmpty();
    }

    // The drawing and, beside it, a copy in which every box and verb has another name.
    private static Drawing Twice(Drawing drawing)
    {
        var sheet = drawing.Sheets[0];
        var shapes = sheet.Shapes.Select(shape =>
            shape with
            {
                Id = "copy" + shape.Id,
                Text = Other(shape.Text),
                Compartments =
                [
                    .. shape.Compartments.Select(lines =>
                        lines.Select(line => line with { Id = "copy" + line.Id, Text = OtherRow(line.Text) }).ToImmutableArray()
                    ),
                ],
            }
        );
        var lines = sheet.Lines.Select(line =>
            line with
            {
                Id = "copy" + line.Id,
                Text = Other(line.Text),
                From = Other(line.From),
                To = Other(line.To),
            }
        );
        return new Drawing([sheet with { Shapes = [.. sheet.Shapes, .. shapes], Lines = [.. sheet.Lines, .. lines] }]);
    }

    private static LineEnd Other(LineEnd end) =>
        end with
        {
            On = end.On with { Id = end.On.Id is null ? null : "copy" + end.On.Id },
            Label = Other(end.Label),
            Role = Other(end.Role),
        };

    // Names of another world: the same name always becomes the same other one.
    private static string Other(string name)
    {
        if (name.Length < 2 || name[0] == '{')
        {
            return name;
        }

        if (name[0] == '«')
        {
            var end = name.IndexOf('»', StringComparison.Ordinal) + 1;
            return name[..end] + " " + Other(name[end..].Trim());
        }

        var letters = name.ToLowerInvariant().Where(char.IsLetter).ToList();
        var plural = letters.Count > 0 && letters[^1] == 's';
        return letters.Count == 0 ? "" : "Q" + string.Concat(letters.SkipLast(plural ? 1 : 0).Reverse()) + (plural ? "s" : "");
    }

    private static string OtherRow(string text) =>
        text.IndexOfAny(['{', '[', '(', ':']) < 0
            ? Other(text)
            : text[0] switch
            {
                '{' => $"{{{Other(text[1..^1])}}}",
                '[' => $"[{Other(text[1..^1])}]",
                _ => MemberPattern()
                    .Replace(text, match => match.Groups[1].Value + Other(match.Groups[2].Value) + match.Groups[3].Value),
            };

    // A sign before the name, the name, and what follows it.
    [GeneratedRegex(@"^([-+#~/ ]*)([\w ]+?)(\s*[:(\[{].*)$")]
    private static partial Regex MemberPattern();

    private static HashSet<string> Elements(Drawing drawing) =>
        [
            .. drawing.Shapes.SelectMany(shape => shape.TextLines.Select(line => line.Id).Prepend(shape.Id)),
            .. drawing.Lines.SelectMany(line => new[] { line.Id, line.Id + "/from", line.Id + "/to" }),
        ];
}
