using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Marking;
using BlueSlate.Core.Notations.CrowsFoot;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>What a person decides overrides what the checker says, at the facts concerned and nowhere else.</summary>
public sealed class RulingTests
{
    private static Sketch Boxes => new Sketch().Box("Visit", "PK visit no", "date").Box("Item", "PK item no", "fault");

    private static Drawing Model => Boxes.Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on").ToDrawing();

    private static Drawing Answer =>
        new Sketch()
            .Box("Visit", "PK visit no", "date", "weather")
            .Box("Item", "item no", "fault")
            .Line("Visit", Ends.One, "Item", Ends.ZeroOrMore, "brings in", "comes in on")
            .ToDrawing();

    [Fact]
    public void Allowing_one_note_restores_its_loss_and_no_other()
    {
        var before = Assess();
        foreach (var note in before.Notes)
        {
            var after = Assess(Ruling(note, Decision.Allow));
            after.Sheet.Exact.ShouldBe(before.Sheet.Exact + note.Loss, note.Finding.Code);
        }
    }

    [Fact]
    public void A_part_that_is_allowed_is_given_of_every_note_whatever_else_its_lines_lost()
    {
        var third = new Rational(1, 3);
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var answer in DemoExercises.Answers(name))
            {
                var before = assessor.Assess(answer, []);
                foreach (var note in before.Notes.Where(note => note.Finding.Extras.IsEmpty))
                {
                    var after = assessor.Assess(answer, [Ruling(note, Decision.AllowInPart) with { Part = third }]);
                    after.Sheet.Exact.ShouldBe(before.Sheet.Exact + note.Loss * third, note.Finding.Id);
                    after
                        .Notes.Single(same => same.Finding.Id == note.Finding.Id)
                        .Loss.ShouldBe(note.Loss * (Rational.One - third), note.Finding.Id);
                }
            }
        }
    }

    [Fact]
    public void Faults_that_lose_a_line_together_share_its_loss_evenly()
    {
        var model = new Sketch().Box("Mast", "PK mast no", "height", "owner").ToDrawing();
        var answer = new Sketch().Box("Mast", "PK mast no").ToDrawing();
        var facts = Exercise.Of(model).Facts.Where(fact => fact.Id.StartsWith("attribute:", StringComparison.Ordinal));
        var scheme = new MarkingScheme(
            [new MarkLine("all", "what is noted of a mast", 3, LineRule.AllOrNothing, [.. facts.Select(fact => fact.Id)])],
            default,
            default,
            Rational.Half
        );
        var notes = new Assessor(model, new CrowsFootOptions(), [], scheme).Assess(answer, []).Notes;
        notes.Select(note => note.Loss).ShouldBe([new Rational(3, 2), new Rational(3, 2)]);
    }

    [Fact]
    public void Extras_beyond_what_they_may_cost_share_it_evenly()
    {
        var model = new Sketch().Box("Mast", "PK mast no").ToDrawing();
        var answer = new Sketch().Box("Mast", "PK mast no", "colour", "smell", "taste").ToDrawing();
        var scheme = Exercise.Of(model).Scheme with { ExtraCost = 1, ExtraCap = 2 };
        var sheet = new Assessor(model, new CrowsFootOptions(), [], scheme).Assess(answer, []).Sheet;
        sheet.Extras.Select(extra => extra.Loss).ShouldAllBe(loss => loss == new Rational(2, 3));
        sheet.ExtrasLoss.ShouldBe(2);
    }

    [Fact]
    public void The_later_of_two_rulings_on_a_note_stands()
    {
        var note = Assess().Notes[0];
        Assess(Ruling(note, Decision.KeepLoss), Ruling(note, Decision.Allow))
            .Sheet.ShouldBe(Assess(Ruling(note, Decision.Allow)).Sheet, Comparer);
        Assess(Ruling(note, Decision.Allow), Ruling(note, Decision.KeepLoss)).Sheet.Exact.ShouldBe(Assess().Sheet.Exact);
    }

    [Fact]
    public void A_ruling_on_a_fact_that_holds_earns_nothing_more()
    {
        var all = new Ruling(Decision.Allow, [.. Assessor.Facts.Select(fact => fact.Id)], [], "");
        Assessor.Assess(Model, [all]).Sheet.Exact.ShouldBe(Assessor.Scheme.Maximum);
        Assessor.Assess(Model, [all with { Decision = Decision.AllowInPart }]).Sheet.Exact.ShouldBe(Assessor.Scheme.Maximum);
    }

    [Fact]
    public void A_ruling_on_what_is_not_there_does_no_harm() =>
        Assess(new Ruling(Decision.Allow, ["min:nowhere"], ["nobody"], "")).Sheet.Exact.ShouldBe(Assess().Sheet.Exact);

    [Fact]
    public void An_extra_that_is_allowed_costs_nothing()
    {
        var scheme = Exercise.Of(Model).Scheme with { ExtraCost = 1, ExtraCap = 3 };
        var assessor = new Assessor(Model, new CrowsFootOptions(), [], scheme);
        var before = assessor.Assess(Answer, []);
        var extra = before.Notes.Single(note => note.Finding.Code == "attribute-extra");
        extra.Loss.ShouldBe(Rational.One);
        assessor.Assess(Answer, [Ruling(extra, Decision.Allow)]).Sheet.ExtrasLoss.ShouldBe(Rational.Zero);
        assessor.Assess(Answer, [Ruling(extra, Decision.AllowInPart)]).Sheet.ExtrasLoss.ShouldBe(Rational.Half);
    }

    [Fact]
    public void Every_line_tells_the_credit_of_each_of_its_facts_and_whether_a_person_gave_it()
    {
        var note = Assess().Notes.First(note => !note.Loss.IsZero);
        var sheet = Assess(Ruling(note, Decision.Allow)).Sheet;
        var ruled = sheet
            .Lines.SelectMany(line => line.Credits)
            .Where(credit => credit.Ruled)
            .Select(credit => credit.FactId)
            .ToList();
        ruled.ShouldNotBeEmpty();
        ruled.ShouldBeSubsetOf(note.Finding.Claims.Concat(note.Consequences.SelectMany(finding => finding.Claims)));
        sheet.Lines.Aggregate(Rational.Zero, (sum, line) => sum + line.Earned).ShouldBe(sheet.Exact + sheet.ExtrasLoss);
    }

    [Fact]
    public void A_scheme_with_other_weights_marks_by_them()
    {
        var scheme = Assessor.Scheme;
        var heavier = scheme with { Lines = [.. scheme.Lines.Select(line => line with { Marks = line.Marks * 3 })] };
        new Assessor(Model, new CrowsFootOptions(), [], heavier)
            .Assess(Answer, [])
            .Sheet.Exact.ShouldBe(Assess().Sheet.Exact * 3);
    }

    [Fact]
    public void All_or_nothing_never_earns_more_than_by_share()
    {
        var scheme = Assessor.Scheme;
        Rational Marks(LineRule rule) =>
            new Assessor(
                Model,
                new CrowsFootOptions(),
                [],
                scheme with
                {
                    Lines = [.. scheme.Lines.Select(line => line with { Rule = rule })],
                }
            )
                .Assess(Answer, [])
                .Sheet.Exact;
        Marks(LineRule.AllOrNothing).ShouldBeLessThanOrEqualTo(Marks(LineRule.Share));
    }

    private static Assessor Assessor { get; } = Exercise.Of(Model);

    private static IEqualityComparer<MarkSheet> Comparer { get; } =
        EqualityComparer<MarkSheet>.Create(
            (a, b) =>
                a!.Exact == b!.Exact && a.Lines.Select(line => line.Earned).SequenceEqual(b.Lines.Select(line => line.Earned))
        );

    private static Assessment Assess(params ImmutableArray<Ruling> rulings) => Assessor.Assess(Answer, rulings);

    private static Ruling Ruling(Note note, Decision decision) =>
        new(
            decision,
            [.. note.Finding.Claims.Concat(note.Consequences.SelectMany(finding => finding.Claims))],
            note.Finding.Extras,
            ""
        );
}
