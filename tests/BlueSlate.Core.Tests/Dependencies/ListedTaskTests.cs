using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Dependencies;
using BlueSlate.Core.Subjects.Dependencies.Drawn;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Dependencies;

/// <summary>What is asked of arrows without tables: closures, a minimal cover, and the normal form.</summary>
public sealed class ListedTaskTests
{
    // A theatre lends costumes: a costume hangs on a rail in one room, and a rail has a colour.
    private static readonly string[] Theatre =
    [
        "Attributes: costume, rail, room, colour, wearer",
        "Key: costume",
        "Closure of costume: costume, rail, room, colour, wearer",
        "Closure of rail, wearer: rail, room, colour, wearer",
        "Minimal cover: costume -> rail; rail -> room; rail -> colour; costume -> wearer",
        "Derivation of costume -> room: costume -> rail; rail -> room; costume -> room",
        "Normal form: 2NF",
        "Costume determines rail and wearer",
        "Rail determines room and colour",
    ];

    private static readonly string[] Names = ["ash", "birch", "cedar", "elm", "fir"];

    private static Drawing Drawn(params string[] lines)
    {
        var typed = DependencyAmender.Amend(Drawing.Empty, lines);
        typed.Problems.ShouldBeEmpty();
        return (Drawing)typed.Document;
    }

    private static string[] With(int at, string line) => [.. Theatre[..at], line, .. Theatre[(at + 1)..]];

    private static Assessment Checked(int at, string line) =>
        Exercise.Of(Drawn(Theatre), new DependencyOptions()).Assess(Drawn(With(at, line)), []);

    private static IEnumerable<string> CodesOf(Assessment assessment) => assessment.Findings.Select(finding => finding.Code);

    [Fact]
    public void Is_said_and_understood_and_kept_in_notes()
    {
        var drawing = Drawn(Theatre);
        DependencySentences.Write(DependencyReader.Read(drawing)).Select(said => said.Text).ShouldBe(Theatre);
        drawing
            .Shapes.Where(shape => shape.Form == Form.Note)
            .Select(note => note.Text)
            .ShouldBe([$"{Theatre[2]}\n{Theatre[3]}", Theatre[5], Theatre[4], Theatre[6]], ignoreOrder: true);
        var less = (Drawing)DependencyAmender.Amend(drawing, [.. Theatre[..2], .. Theatre[7..]]).Document;
        less.Shapes.ShouldNotContain(shape => shape.Form == Form.Note);
    }

    [Theory]
    [InlineData(3, "{wearer, rail}+ = colour, room")]
    [InlineData(3, "The closure of wearer and rail is colour, room, wearer and rail.")]
    [InlineData(4, "Minimal cover: rail -> room, colour; costume -> rail, wearer")]
    [InlineData(6, "Form: second normal form")]
    [InlineData(6, "Highest normal form: 2NF")]
    [InlineData(5, "Derivation of costume -> room: rail -> room, colour; costume -> rail (given); costume -> rail, room")]
    [InlineData(
        5,
        "Proof that costume determines room: 1. rail -> room (given); 2. costume, rail -> room (augmentation); "
            + "3. costume -> rail; 4. costume -> costume, rail; 5. costume -> room (transitivity)"
    )]
    public void The_same_in_other_words_is_right(int at, string line) => CodesOf(Checked(at, line)).ShouldBeEmpty();

    [Theory]
    [InlineData(2, "Closure of costume: costume, rail, wearer", "closure-wrong", "costume has room and colour as well")]
    [InlineData(3, "Closure of rail, wearer: rail, room, colour, costume", "closure-wrong", "does not have costume")]
    [InlineData(3, "Closure of wearer: wearer", "closure-missing", "The closure of rail and wearer is not given")]
    [InlineData(4, "", "cover-missing", "No minimal cover")]
    [InlineData(4, "Minimal cover: costume -> rail, wearer; rail -> room", "cover-not-equivalent", "rail determines colour")]
    [InlineData(
        4,
        "Minimal cover: costume -> rail; rail -> room; rail -> colour; room -> colour; costume -> wearer",
        "cover-not-equivalent",
        "room → colour, which does not hold"
    )]
    [InlineData(
        4,
        "Minimal cover: costume -> rail; rail -> room; rail -> colour; costume -> wearer; costume -> room",
        "cover-not-minimal",
        "costume → room says more"
    )]
    [InlineData(
        4,
        "Minimal cover: costume -> rail; rail, wearer -> room; rail -> colour; costume -> wearer",
        "cover-not-equivalent",
        "it does not follow that rail determines room"
    )]
    [InlineData(
        4,
        "Minimal cover: costume -> rail; rail, colour -> room; rail -> colour; costume -> wearer",
        "cover-not-minimal",
        "rail, colour → room says more"
    )]
    [InlineData(5, "", "derivation-missing", "No derivation of costume → room")]
    [InlineData(5, "Derivation of costume -> room: costume -> rail", "derivation-unfinished", "does not come to costume → room")]
    [InlineData(
        5,
        "Derivation of costume -> room: wearer -> room; costume -> wearer; costume -> room",
        "derivation-step-wrong",
        "wearer → room does not follow"
    )]
    [InlineData(5, "Derivation of costume -> room: costume -> room", "derivation-step-wrong", "costume → room does not follow")]
    [InlineData(6, "Normal form: 3NF", "form-mistaken", "in 2NF, not in 3NF")]
    [InlineData(6, "", "form-unnamed", "in which normal form")]
    public void What_is_wrong_is_told(int at, string line, string code, string said)
    {
        var assessment = Checked(at, line);
        CodesOf(assessment).ShouldBe([code]);
        assessment.Findings[0].Headline.ShouldContain(said);
        assessment.Sheet.Exact.ShouldBeLessThan(assessment.Sheet.Maximum);
    }

    [Fact]
    public void A_closure_that_is_wrong_is_shown_on_its_way() =>
        Checked(2, "Closure of costume: costume, rail, wearer, colour")
            .Findings[0]
            .Why.ShouldBe("Costume determines rail and rail determines room.");

    [Fact]
    public void Where_nobody_asked_for_it_it_costs_nothing()
    {
        var plain = Exercise.Of(Drawn([.. Theatre[..2], .. Theatre[7..]]), new DependencyOptions());
        var more = plain.Assess(Drawn(With(6, "Normal form: BCNF")), []);
        more.Findings.ShouldBeEmpty();
        more.Sheet.Total.ShouldBe(more.Sheet.Maximum);
    }

    [Fact]
    public void Whichever_minimal_cover_is_right_and_less_or_more_of_it_is_not() =>
        Gen.Select(Gen.Int[0, 4].Array[1, 2], Gen.Int[0, 4])
            .List[2, 6]
            .Select(Gen.Shuffle(Enumerable.Range(0, 6).ToArray()))
            .Sample(
                (arrows, order) =>
                {
                    var functional = arrows
                        .Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2)))
                        .Where(arrow => !arrow.IsTrivial)
                        .Distinct()
                        .ToList();
                    var shuffled = order.Where(i => i < functional.Count).Select(i => functional[i]).ToList();
                    var cover = MinimalCover.Of(shuffled);
                    if (cover.Length < 2)
                    {
                        return;
                    }

                    string[] told = [$"Attributes: {string.Join(", ", Names)}", .. functional.Select(Said)];
                    string Listed(IEnumerable<Dependency> all) => "Minimal cover: " + string.Join("; ", all.Select(Said));
                    var assessor = Exercise.Of(Drawn([.. told, Listed(MinimalCover.Of(functional))]), new DependencyOptions());
                    IEnumerable<string> Codes(IEnumerable<Dependency> all) =>
                        CodesOf(assessor.Assess(Drawn([.. told, Listed(all)]), [])).Where(code => code.StartsWith("cover"));
                    Codes(cover).ShouldBeEmpty();
                    Codes(cover.Skip(1)).ShouldBe(["cover-not-equivalent"]);
                    var closure = new Closure(functional);
                    var followed =
                        from a in Enumerable.Range(0, Names.Length)
                        from b in Enumerable.Range(0, Names.Length)
                        let one = new Dependency(AttributeSet.Of(a), AttributeSet.Of(b))
                        where a != b && closure.Implies(one) && !cover.Contains(one)
                        select one;
                    foreach (var more in followed.Take(1))
                    {
                        Codes(cover.Append(more)).ShouldBe(["cover-not-minimal"]);
                    }
                },
                iter: 300
            );

    [Fact]
    public void A_derivation_that_is_made_is_right_and_none_leads_to_what_does_not_hold() =>
        Gen.Select(Gen.Int[0, 4].Array[1, 2], Gen.Int[0, 4])
            .List[2, 6]
            .Select(Gen.Int[0, 4].Array[1, 2], Gen.Int[0, 4])
            .Sample(
                (arrows, from, to) =>
                {
                    List<Dependency> given =
                    [
                        .. arrows.Select(arrow => new Dependency(AttributeSet.Of(arrow.Item1), AttributeSet.Of(arrow.Item2))),
                    ];
                    var goal = new Dependency(AttributeSet.Of(from), AttributeSet.Of(to));
                    // Everything that one rule gives, again and again, is what is implied: neither more nor less.
                    var known = new List<Dependency>();
                    IEnumerable<Dependency> New() =>
                        from one in given.Concat(known).Append(new Dependency(goal.From, goal.From)).ToList()
                        from a in Enumerable.Range(0, 5)
                        let step = new Dependency(goal.From, AttributeSet.Of(a))
                        where !known.Contains(step) && DerivationCheck.Follows(step, [.. given, .. known], given)
                        select step;
                    for (var more = New().Distinct().ToList(); more.Count > 0; more = [.. New().Distinct()])
                    {
                        known.AddRange(more);
                    }

                    var closure = new Closure(given);
                    (known.Contains(goal) || WithUnion(goal, known, given)).ShouldBe(closure.Implies(goal));
                    known.ShouldAllBe(step => closure.Implies(step));
                },
                iter: 300
            );

    // A determinant of several is reached by putting together first what was derived.
    private static bool WithUnion(Dependency goal, List<Dependency> known, List<Dependency> given)
    {
        var all = new Dependency(goal.From, known.Aggregate(goal.From, (reached, step) => reached | step.To));
        var steps = new List<Dependency>(known) { all };
        for (var before = -1; before < steps.Count; )
        {
            before = steps.Count;
            var reached = steps[^1].To;
            var next = given.Where(one => one.From.IsSubsetOf(reached)).Aggregate(reached, (sum, one) => sum | one.To);
            if (next != reached)
            {
                steps.Add(new Dependency(goal.From, next));
            }
        }

        return goal.To.IsSubsetOf(steps[^1].To);
    }

    private static string Said(Dependency arrow) =>
        $"{string.Join(", ", arrow.From.Select(i => Names[i]))} -> {string.Join(", ", arrow.To.Select(i => Names[i]))}";
}
