using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>What notes beside a dependency diagram list: all candidate keys, and the prime attributes.</summary>
public sealed class ListingTests
{
    // A mill rents looms: a stand in a hall holds one loom, and a loom has one stand.
    private static readonly string[] Mill =
    [
        "Attributes: hall, stand, loom, width",
        "Key: hall, stand",
        "Candidate keys: hall, stand; loom",
        "Prime attributes: hall, stand, loom",
        "Hall and stand determine loom",
        "Loom determines hall, stand and width",
    ];

    private static Drawing Drawn(params string[] lines) => Retyped(Drawing.Empty, lines);

    private static Drawing Retyped(Drawing drawing, params string[] lines) =>
        (Drawing)DependencyAmender.Amend(drawing, lines).Document;

    private static Assessment Checked(params string[] lines) =>
        Exercise.Of(Drawn(Mill), new DependencyOptions()).Assess(Drawn(lines), []);

    private static string[] With(int at, string line) => [.. Mill[..at], line, .. Mill[(at + 1)..]];

    private static IEnumerable<string> CodesOf(Assessment assessment) => assessment.Findings.Select(finding => finding.Code);

    [Fact]
    public void Is_said_and_understood_and_kept_in_one_note_each()
    {
        var drawing = Drawn(Mill);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe(Mill);
        var notes = drawing.Shapes.Where(shape => shape.Form == Form.Note).ToList();
        notes.Select(note => note.Text).ShouldBe([Mill[2], Mill[3]]);

        // Another key is another line of the same note; a list that is taken away leaves no note behind.
        var more = Retyped(drawing, With(2, Mill[2] + "; hall, width"));
        more.Shapes.Single(shape => shape.Id == notes[0].Id).Text.ShouldBe("Candidate keys: hall, stand; loom; hall, width");
        var less = Retyped(drawing, [.. Mill[..2], .. Mill[4..]]);
        less.Shapes.ShouldNotContain(shape => shape.Form == Form.Note);
    }

    [Fact]
    public void A_note_keeps_what_else_is_written_in_it()
    {
        var drawing = Drawn(Mill);
        var sheet = drawing.Sheets[0];
        var note = sheet.Shapes.First(shape => shape.Form == Form.Note);
        var told = drawing with
        {
            Sheets = drawing.Sheets.SetItem(
                0,
                sheet with
                {
                    Shapes = sheet.Shapes.Replace(note, note with { Text = "As of May\n" + note.Text }),
                }
            ),
        };
        Retyped(told, With(2, "Candidate keys: loom"))
            .Shapes.First(shape => shape.Id == note.Id)
            .Text.ShouldBe("As of May\nCandidate keys: loom");
    }

    [Theory]
    [InlineData("Candidate keys: loom; hall, stand")]
    [InlineData("Candidate keys: {stand, hall}, {loom}")]
    [InlineData("All candidate keys: hall + stand or loom.")]
    [InlineData("Keys: loom")]
    public void All_keys_in_whatever_order_are_right(string line) => CodesOf(Checked(With(2, line))).ShouldBeEmpty();

    [Theory]
    [InlineData(2, "Candidate keys: hall, stand", "candidate-key-missing")]
    [InlineData(2, "Candidate keys: loom; hall, stand; hall", "listed-key-not-unique")]
    [InlineData(2, "Candidate keys: loom; hall, stand; loom, width", "listed-key-not-minimal")]
    [InlineData(2, "Candidate keys: loom; hall, stand; mood", "listed-key-not-unique")]
    [InlineData(3, "Prime attributes: hall, stand", "prime-attributes-wrong")]
    [InlineData(3, "Prime attributes: hall, stand, loom, width", "prime-attributes-wrong")]
    [InlineData(3, "", "prime-attributes-unlisted")]
    public void What_is_wrong_is_told(int at, string line, string code)
    {
        var assessment = Checked(With(at, line));
        CodesOf(assessment).ShouldBe([code]);
        assessment.Sheet.Exact.ShouldBeLessThanOrEqualTo(Checked(Mill).Sheet.Exact);
    }

    [Fact]
    public void Where_nobody_asked_for_a_list_one_costs_nothing()
    {
        var plain = Exercise.Of(Drawn([.. Mill[..2], .. Mill[4..]]), new DependencyOptions());
        var listed = plain.Assess(Drawn(With(2, "Candidate keys: width")), []);
        listed.Findings.ShouldBeEmpty();
        listed.Sheet.Total.ShouldBe(listed.Sheet.Maximum);
    }

    [Fact]
    public void The_keys_that_are_computed_are_the_list_that_is_right() =>
        Gen.Int[1, 4]
            .SelectMany(n => Gen.Select(Gen.Int[0, 4], Gen.Int[0, 4]).List[n, 2 * n])
            .Sample(arrows =>
            {
                string[] names = ["ash", "birch", "cedar", "elm", "fir"];
                var lines = arrows
                    .Where(arrow => arrow.Item1 != arrow.Item2)
                    .Select(arrow => $"{names[arrow.Item1]} determines {names[arrow.Item2]}")
                    .Prepend($"Attributes: {string.Join(", ", names)}")
                    .ToList();
                var set = DependencyReader.Read(Drawn([.. lines])).Set;
                var keys = CandidateKeys.Of(set.All, MinimalCover.Of(set.Functional)).Keys;
                var listed = "Candidate keys: " + string.Join("; ", keys.Select(key => string.Join(", ", set.NamesOf(key))));
                var model = Drawn([.. lines, listed]);
                var assessor = Exercise.Of(model, new DependencyOptions());
                assessor.Assess(model, []).Findings.ShouldNotContain(finding => finding.Code.Contains("key"));
                assessor.Facts.Count(fact => fact.Kind.Name == "candidate-key").ShouldBe(keys.Length);
            });
}
