using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>The letters at arrows: partial and transitive.</summary>
public sealed class LetterTests
{
    private const int Attributes = 5;
    private static readonly DependencyOptions Options = new();
    private static readonly Subject Subject = Subject.Of(Options);

    private static readonly string[] Model =
    [
        "Attributes: kiln, firing, shelf, potter, studio, cone",
        "Key: kiln, firing",
        "Kiln and firing determine shelf and potter",
        "Potter determines studio (transitive)",
        "Kiln determines cone (partial)",
    ];

    [Fact]
    public void They_are_said_as_they_are_typed_and_written_at_the_arrow()
    {
        var drawing = Typed(Model);

        Said(drawing).ShouldBe(Model);
        drawing.Lines.Select(line => line.Text).Where(text => text.Length > 0).ShouldBe(["T", "P"], ignoreOrder: true);
    }

    [Fact]
    public void A_letter_changes_with_its_sentence_and_the_arrow_stays()
    {
        var drawing = Typed(Model);
        string[] lines = [.. Model[..3], "Potter determines studio (partial)", "Kiln determines cone"];

        var changed = (Drawing)Subject.Retype(drawing, lines, Options)!.Document;

        Said(changed).ShouldBe(lines);
        changed.Lines.Select(line => line.Id).ShouldBe(drawing.Lines.Select(line => line.Id));
    }

    [Theory]
    [InlineData("P")]
    [InlineData(" pd ")]
    [InlineData("(partial dependency)")]
    [InlineData("Partial")]
    public void What_is_written_at_an_arrow_is_read_in_several_ways(string text) =>
        DependencyLetters.Read(text).ShouldBe(DependencyLetter.Partial);

    [Fact]
    public void Another_text_at_an_arrow_says_nothing() => DependencyLetters.Read("Potter").ShouldBe(DependencyLetter.None);

    [Theory]
    [InlineData("Potter determines studio (partial)", "letter-wrong: That potter determines studio is transitive, not partial.")]
    [InlineData("Potter determines studio", "letter-missing: That potter determines studio is not marked as transitive.")]
    [InlineData("", "dependency-missing: Nothing says that potter determines studio.")]
    public void A_letter_that_is_wrong_or_not_there_is_one_mistake(string instead, string told)
    {
        string[] answer = [.. Model[..3], .. instead.Length == 0 ? [] : new[] { instead }, Model[4]];

        Told(answer).ShouldBe([told]);
    }

    [Fact]
    public void Who_is_not_asked_for_letters_loses_nothing_by_them()
    {
        string[] plain = [.. Model[..3], "Potter determines studio", "Kiln determines cone"];

        var assessment = Of(Typed(plain)).Assess(Typed(Model), []);

        assessment.Findings.ShouldBeEmpty();
        assessment.Sheet.Total.ShouldBe(assessment.Sheet.Maximum);
    }

    [Fact]
    public void What_an_arrow_is_agrees_with_all_keys_tried_one_by_one() =>
        Gen.Select(Gen.Int[0, Attributes - 1].Array[1, 2], Gen.Int[0, Attributes - 1])
            .Array[1, 7]
            .Sample(
                arrows =>
                {
                    var given = new DependencySet(
                        [.. Enumerable.Range(0, Attributes).Select(i => $"a{i}")],
                        [.. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2)))],
                        []
                    );
                    return arrows
                        .Where(arrow => !arrow.Item1.Contains(arrow.Item2))
                        .All(arrow =>
                            DependencyLetters.Of(AttributeSet.Of(arrow.Item1), arrow.Item2, given) == ByTrying(arrow, arrows)
                        );
                },
                iter: 500
            );

    private static DependencyLetter ByTrying((int[] From, int To) arrow, (int[] From, int To)[] arrows)
    {
        var sets = Enumerable.Range(0, 1 << Attributes).ToList();
        var whole = (1 << Attributes) - 1;
        var keys = sets.Where(set => Reached(set, arrows) == whole)
            .Where(set => sets.All(other => other == set || (other & ~set) != 0 || Reached(other, arrows) != whole))
            .ToList();
        var from = arrow.From.Aggregate(0, (bits, i) => bits | (1 << i));
        return keys.Exists(key => (key & (1 << arrow.To)) != 0) || Reached(from, arrows) == whole ? DependencyLetter.None
            : keys.Exists(key => key != from && (from & ~key) == 0) ? DependencyLetter.Partial
            : DependencyLetter.Transitive;
    }

    private static int Reached(int set, (int[] From, int To)[] arrows)
    {
        for (var before = -1; before != set; )
        {
            before = set;
            foreach (var (from, to) in arrows)
            {
                set |= Array.TrueForAll(from, i => (set & (1 << i)) != 0) ? 1 << to : 0;
            }
        }

        return set;
    }

    private static string[] Told(string[] answer) =>
        [
            .. Of(Typed(Model))
                .Assess(Typed(answer), [])
                .Findings.Where(finding => finding.ConsequenceOf is null)
                .Select(finding => $"{finding.Code}: {finding.Headline}"),
        ];

    private static Assessor Of(Drawing model) => new(model, Options, [], SchemeDeriver.Derive(Subject.Facts(model, Options), 40));

    private static Drawing Typed(string[] lines)
    {
        var typed = Subject.Retype(Drawing.Empty, lines, Options)!;
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static string[] Said(IDocument drawing) => [.. Subject.Sentences(drawing, Options).Select(sentence => sentence.Text)];
}
