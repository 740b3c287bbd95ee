using BlueSlate.Core.Classes;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations.CrowsFoot;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Classes;

/// <summary>What a class drew, gathered from the digests of its answers.</summary>
public sealed class ClassPictureTests
{
    private static Drawing Wharf(string[]? least = null, string[]? rows = null) =>
        new Sketch()
            .Box("Crane", ["PK crane no", .. rows ?? ["reach"]])
            .Box("Berth", "PK berth no")
            .Line("Berth", Ends.One, "Crane", least ?? Ends.ZeroOrMore, "is served by", "serves")
            .ToDrawing();

    private static readonly Drawing Model = Wharf();
    private static readonly Assessor Assessor = Exercise.Of(Model);

    private static AnswerDigest DigestOf(Drawing answer) => AnswerDigest.Of(Assessor.Assess(answer, []), _ => null);

    private static ClassPicture PictureOf(params Drawing[] answers) =>
        ClassPicture.Of(Assessor.Facts, Assessor.Scheme, [.. answers.Select(DigestOf)]);

    [Fact]
    public void At_each_fact_it_tells_who_has_something_else_and_who_has_nothing()
    {
        var picture = PictureOf(Model, Wharf(Ends.OneOrMore), Wharf(Ends.OneOrMore), Wharf(Ends.ZeroOrMore, []));
        picture.Answers.ShouldBe(4);
        var minimum = picture.Facts.Single(count => count.Amiss == 2);
        minimum.Otherwise.Single().Drawn.ShouldBe("1");
        minimum.Otherwise.Single().Answers.ShouldBe([1, 2]);
        minimum.Absent.ShouldBeEmpty();
        picture.Facts.Single(count => count.Amiss == 1).Absent.ShouldBe([3]);
        picture.Facts.Count(count => count.Amiss == 0).ShouldBe(picture.Facts.Length - 2);
    }

    [Fact]
    public void What_was_drawn_besides_is_gathered_by_name_and_place_whatever_its_spelling()
    {
        static Drawing With(string name) =>
            new Sketch()
                .Box("Crane", "PK crane no", "reach")
                .Box("Berth", "PK berth no")
                .Box(name, "PK licence no")
                .Line("Berth", Ends.One, "Crane", Ends.ZeroOrMore, "is served by", "serves")
                .Line("Crane", Ends.One, name, Ends.ZeroOrMore, "has")
                .ToDrawing();
        var picture = PictureOf(With("Licence"), With("LICENCES"), Model);
        var extra = picture.Extras.Single(extra => extra.Kind == "Entity");
        extra.Places.Select(place => place.Answer).ShouldBe([0, 1]);
        extra.Near.ShouldBe([Model.Shapes.First(shape => shape.Text == "Crane").Id]);
    }

    [Fact]
    public void Alike_notes_of_different_answers_are_one_group_and_their_losses_add_up()
    {
        var digests = new[] { Wharf(Ends.OneOrMore), Model, Wharf(Ends.OneOrMore), Wharf(Ends.ZeroOrMore, []) }
            .Select(DigestOf)
            .ToList();
        var groups = AlikeNotes.Of(digests);
        groups.Single(group => group.Places.Length == 2).Places.Select(place => place.Answer).ShouldBe([0, 2]);
        groups
            .Aggregate(Rational.Zero, (sum, group) => sum + group.Loss)
            .ShouldBe(digests.SelectMany(digest => digest.Notes).Aggregate(Rational.Zero, (sum, note) => sum + note.Loss));
        groups.Select(group => (double)group.Loss).ShouldBeInOrder(SortDirection.Descending);
        AlikeNotes.Of([]).ShouldBeEmpty();
    }

    [Fact]
    public void Answers_held_against_a_variant_say_nothing_of_the_model_answers_facts()
    {
        var other = new Sketch().Box("Quay", "PK quay no", "length").ToDrawing();
        var assessor = new Assessor(
            Model,
            new CrowsFootOptions(),
            [],
            Assessor.Scheme,
            ExerciseTerms.Usual with
            {
                Variants = [other],
            }
        );
        var digest = AnswerDigest.Of(assessor.Assess(other, []), _ => null);
        var picture = ClassPicture.Of(assessor.Facts, assessor.Scheme, [DigestOf(Model), digest]);
        picture.ByVariant.ShouldBe([1]);
        picture.Facts.ShouldAllBe(count => count.Amiss == 0);
    }

    [Fact]
    public void A_line_is_counted_by_the_mean_share_that_it_earned()
    {
        var picture = PictureOf(Model, new Sketch().ToDrawing());
        picture.Lines.ShouldAllBe(line => line.Share == Rational.Half);
        picture.Lines.ShouldAllBe(line => line.Lost.SequenceEqual(new[] { 1 }));
        picture.Lines.ShouldAllBe(line => line.Tells == null);
    }

    [Fact]
    public void From_thirty_answers_on_a_line_that_only_the_strong_earn_tells_and_one_that_all_earn_does_not()
    {
        var scheme = new MarkingScheme(
            [
                new MarkLine("hard", "", 1, LineRule.Share, []),
                new MarkLine("other", "", 10, LineRule.Share, []),
                new MarkLine("given", "", 1, LineRule.Share, []),
            ],
            default,
            default,
            Rational.Half
        );
        var answers = Enumerable.Range(0, 30).Select(at => Digest(("hard", at / 15), ("other", at / 3), ("given", 1))).ToList();
        var lines = LineStatistics.Of(scheme, answers);
        lines[0].Tells!.Value.ShouldBeInRange(0.8, 1);
        lines[2].Tells.ShouldBeNull();
        LineStatistics.Of(scheme, answers[1..]).ShouldAllBe(line => line.Tells == null);
    }

    [Fact]
    public void The_correlation_is_pearsons()
    {
        LineStatistics.Correlation([1, 2, 3], [2, 4, 6])!.Value.ShouldBe(1, 1e-12);
        LineStatistics.Correlation([1, 2, 3], [1, 0, -1])!.Value.ShouldBe(-1, 1e-12);
        LineStatistics.Correlation([1, 2, 3, 4, 5], [2, 1, 4, 3, 5])!.Value.ShouldBe(0.8, 1e-12);
        LineStatistics.Correlation([1, 1, 1], [2, 4, 6]).ShouldBeNull();
    }

    [Fact]
    public void The_order_of_the_answers_changes_no_count() =>
        Gen.Shuffle(Enumerable.Range(0, 6).ToArray())
            .Sample(order =>
            {
                var answers = new[]
                {
                    Model,
                    Wharf(Ends.OneOrMore),
                    Wharf(Ends.ZeroOrMore, []),
                    Wharf(Ends.One),
                    new Sketch().ToDrawing(),
                    Wharf(Ends.OneOrMore, ["reach", "year built"]),
                };
                var (a, b) = (PictureOf(answers), PictureOf([.. order.Select(at => answers[at])]));
                b.Facts.Select(count => (count.Fact.Id, count.Amiss))
                    .ShouldBe(a.Facts.Select(count => (count.Fact.Id, count.Amiss)));
                b.Extras.Select(extra => (extra.Key, extra.Places.Length))
                    .ShouldBe(a.Extras.Select(extra => (extra.Key, extra.Places.Length)));
                b.Lines.Select(line => line.Share).ShouldBe(a.Lines.Select(line => line.Share));
                b.Kinds.Select(kind => (kind.Code, kind.Answers.Length))
                    .ShouldBe(a.Kinds.Select(kind => (kind.Code, kind.Answers.Length)));
            });

    private static AnswerDigest Digest(params (string Line, int Earned)[] lines) =>
        new()
        {
            Notes = [],
            Lines = [.. lines.Select(line => new DigestLine(line.Line, line.Earned))],
            Facts = [],
            Extras = [],
        };
}
