using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>Parts that are begun with one's own drawing of an earlier part: what was amiss there costs nothing again.</summary>
public sealed class FollowingOnTests
{
    private static readonly CrowsFootOptions Conceptual = new() { Level = Level.Conceptual };
    private static readonly CrowsFootOptions Logical = new() { Level = Level.Logical };

    private static Drawing Business(string[]? atBoat = null, bool named = true) =>
        new Sketch()
            .Box("Skipper", named ? ["PK licence", "name"] : ["PK licence"])
            .Box("Boat", "PK sail number", "colour")
            .Box("Race", "PK race number", "start")
            .Line("Skipper", Ends.One, "Boat", atBoat ?? Ends.ZeroOrMore, "sails", "is sailed by")
            .Line("Race", Ends.ZeroOrMore, "Boat", Ends.OneOrMore, "is run by", "runs")
            .ToDrawing();

    private static Drawing Tables(string[]? atBoat = null, bool named = true, string foreign = "FK licence") =>
        new Sketch()
            .Box("Skipper", named ? ["PK licence", "name"] : ["PK licence"])
            .Box("Boat", "PK sail number", "colour", foreign)
            .Box("Race", "PK race number", "start")
            .Box("Entry", "PK FK sail number", "PK FK race number")
            .Line("Skipper", Ends.One, "Boat", atBoat ?? Ends.ZeroOrMore, "sails", "is sailed by")
            .Line("Boat", Ends.One, "Entry", Ends.ZeroOrMore, "has", "is of")
            .Line("Race", Ends.One, "Entry", Ends.OneOrMore, "has", "is in")
            .ToDrawing();

    private static Assessor Tabled { get; } = Exercise.Of(Tables(), Logical);

    private static FollowingOn Following { get; } = new(Tabled, Exercise.Of(Business()));

    private static Assessment Marked(Drawing before, Drawing answer) =>
        Following.Inherited(Tabled.Assess(answer, []), before, ImmutableDictionary<string, string>.Empty);

    [Fact]
    public void What_was_amiss_before_and_still_is_costs_nothing_again()
    {
        var alone = Tabled.Assess(Tables(atBoat: Ends.OneOrMore), []);
        var after = Marked(Business(atBoat: Ends.OneOrMore), Tables(atBoat: Ends.OneOrMore));

        alone.Sheet.Exact.ShouldBeLessThan(alone.Sheet.Maximum);
        after.Sheet.Exact.ShouldBe(after.Sheet.Maximum);
        after.Notes.ShouldHaveSingleItem().Loss.ShouldBe(Rational.Zero);
        after.Inherited.Of(after.Notes[0]).ShouldBe(Inherited.Wholly);
    }

    [Fact]
    public void What_is_new_costs_what_it_always_does()
    {
        var worse = Tables(atBoat: Ends.OneOrMore, foreign: "hull");
        var after = Marked(Business(atBoat: Ends.OneOrMore), worse);
        var lost = Tabled.Assess(Tables(foreign: "hull"), []).Sheet;

        after.Sheet.Exact.ShouldBe(lost.Exact);
        after.Notes.Where(note => note.Loss > Rational.Zero).ShouldAllBe(note => after.Inherited.Of(note) == Inherited.Nothing);
    }

    [Fact]
    public void What_was_right_before_and_is_wrong_now_costs_as_well() =>
        Marked(Business(), Tables(atBoat: Ends.OneOrMore)).Inherited.IsNone.ShouldBeTrue();

    [Fact]
    public void What_the_earlier_part_did_not_ask_for_is_not_inherited()
    {
        var same = Marked(Business(), Business());

        same.Inherited.IsNone.ShouldBeTrue();
        same.Sheet.Exact.ShouldBeLessThan(same.Sheet.Maximum);
    }

    [Fact]
    public void What_was_drawn_besides_costs_once()
    {
        var extra = new Sketch().Box("Weather");
        Drawing With(Drawing drawing) =>
            drawing with
            {
                Sheets =
                [
                    drawing.Sheets[0] with
                    {
                        Shapes = [.. drawing.Shapes, extra.ToDrawing().Shapes.Single() with { Id = "weather" }],
                    },
                ],
            };
        var scheme = Tabled.Scheme with { ExtraCost = 1, ExtraCap = 3 };
        var assessor = new Assessor(Tables(), Logical, [], scheme);
        var following = new FollowingOn(assessor, Exercise.Of(Business()));
        Rational Total(Drawing before, Drawing answer) =>
            following.Inherited(assessor.Assess(answer, []), before, ImmutableDictionary<string, string>.Empty).Sheet.Exact;

        Total(With(Business()), With(Tables())).ShouldBe(scheme.Maximum);
        Total(Business(), With(Tables())).ShouldBe(scheme.Maximum - 1);
        // What the earlier part wanted, and this one does not, is not inherited: to take it apart is what is asked.
        Total(Business(), Business()).ShouldBe(assessor.Assess(Business(), []).Sheet.Exact);
    }

    [Fact]
    public void Whoever_brings_next_to_nothing_has_the_work_still_to_do()
    {
        Marked(Drawing.Empty, Drawing.Empty).Sheet.Exact.ShouldBe(Rational.Zero);
        var little = new Sketch().Box("Skipper", "PK licence").ToDrawing();
        Marked(little, little).Sheet.Exact.ShouldBe(Tabled.Assess(little, []).Sheet.Exact);
    }

    [Fact]
    public void What_is_taken_away_meanwhile_is_ones_own_doing()
    {
        var renamed = Marked(Business(named: false), Tables(named: false));
        var gone = Marked(Business(atBoat: Ends.OneOrMore), new Sketch().Box("Skipper", "PK licence", "name").ToDrawing());

        renamed.Sheet.Exact.ShouldBe(renamed.Sheet.Maximum);
        gone.Sheet.Exact.ShouldBe(Tabled.Assess(new Sketch().Box("Skipper", "PK licence", "name").ToDrawing(), []).Sheet.Exact);
    }

    [Fact]
    public void A_person_decides_on_what_is_inherited_too()
    {
        var after = Marked(Business(atBoat: Ends.OneOrMore), Tables(atBoat: Ends.OneOrMore));
        var kept = after.Under(new Decisions([after.Notes[0].Ruled(Decision.KeepLoss, "it was asked for anew")], []));

        kept.Sheet.Exact.ShouldBeLessThan(after.Sheet.Exact);
        kept.Under(Decisions.None).Sheet.Exact.ShouldBe(after.Sheet.Exact);
    }

    [Fact]
    public void An_earlier_part_in_another_notation_is_held_against_this_one_all_the_same()
    {
        var chen = new ChenOptions();
        var model = Notation.Of(NotationNames.Chen).Write(Notation.Read(Business(), Conceptual).Model, chen).Drawing;
        var wrong = Notation.Of(NotationNames.Chen).Write(Notation.Read(Business(named: false), Conceptual).Model, chen).Drawing;
        var answer = Tables(named: false);

        var after = new FollowingOn(Tabled, Exercise.Of(model, chen)).Inherited(
            Tabled.Assess(answer, []),
            wrong,
            ImmutableDictionary<string, string>.Empty
        );

        Tabled.Assess(answer, []).Sheet.Exact.ShouldBeLessThan(after.Sheet.Exact);
        after.Sheet.Exact.ShouldBe(after.Sheet.Maximum);
    }

    [Fact]
    public void Inheriting_never_takes_a_mark()
    {
        Drawing[] all =
        [
            Business(),
            Business(atBoat: Ends.OneOrMore),
            Business(named: false),
            Tables(),
            Tables(atBoat: Ends.One),
            Tables(foreign: "hull"),
            Tables(named: false, foreign: "FK race number"),
            Drawing.Empty,
        ];
        var drawn = Gen.Int[0, all.Length - 1].Select(at => all[at]);
        Gen.Select(drawn, drawn)
            .Sample(
                (before, answer) =>
                {
                    var (alone, after) = (Tabled.Assess(answer, []).Sheet.Exact, Marked(before, answer).Sheet);
                    after.Exact.ShouldBeGreaterThanOrEqualTo(alone);
                    after.Exact.ShouldBeLessThanOrEqualTo(after.Maximum);
                },
                iter: 100
            );
    }
}
