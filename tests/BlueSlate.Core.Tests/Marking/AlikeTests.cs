using BlueSlate.Core.Drawings;
using BlueSlate.Core.Marking;
using Shouldly;

namespace BlueSlate.Core.Tests.Marking;

/// <summary>Which notes on different answers are about the same difference.</summary>
public sealed class AlikeTests
{
    private static readonly Assessor Assessor = Exercise.Of(Draw(Ends.OneOrMore));

    [Fact]
    public void The_same_difference_in_drawings_of_other_ids_order_and_places_is_alike()
    {
        foreach (var seed in Enumerable.Range(1, 5))
        {
            var answer = Draw(Ends.ZeroOrMore, "weather");
            KeysOf(Shuffle.Of(answer, seed)).ShouldBe(KeysOf(answer), ignoreOrder: true);
        }
    }

    [Fact]
    public void Another_value_at_the_same_fact_is_not_alike() =>
        KeysOf(Draw(Ends.ZeroOrMore)).ShouldNotBe(KeysOf(Draw(Ends.One)));

    [Fact]
    public void Extras_are_alike_by_their_name_and_by_where_they_are()
    {
        KeysOf(Draw(Ends.OneOrMore, "weather")).ShouldBe(KeysOf(Draw(Ends.OneOrMore, "Weather")));
        KeysOf(Draw(Ends.OneOrMore, "weather")).ShouldNotBe(KeysOf(Draw(Ends.OneOrMore, "mood")));
        var elsewhere = new Sketch()
            .Box("Visit", "PK visit no", "date")
            .Box("Item", "PK item no", "fault", "weather")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in", "comes in on")
            .ToDrawing();
        KeysOf(Draw(Ends.OneOrMore, "weather")).ShouldNotBe(KeysOf(elsewhere));
    }

    [Fact]
    public void What_only_follows_from_a_difference_makes_it_no_other_one()
    {
        var model = new Sketch()
            .Box("Visit", "PK visit no")
            .Box("Item", "PK item no")
            .Box("Porter", "PK porter no")
            .Line("Visit", Ends.One, "Item", Ends.OneOrMore, "brings in")
            .Line("Visit", Ends.One, "Porter", Ends.OneOrMore, "is met by")
            .ToDrawing();
        var assessor = Exercise.Of(model);
        string Missing(Drawing answer)
        {
            var assessment = assessor.Assess(answer, []);
            return assessment
                .Notes.Where(note => note.Finding.Headline.StartsWith("Visit is missing", StringComparison.Ordinal))
                .Select(note => AlikeKey.Of(note, assessment.Comparison))
                .Single();
        }

        var (item, porter) = (new Sketch().Box("Item", "PK item no"), new Sketch().Box("Porter", "PK porter no"));
        Missing(item.ToDrawing()).ShouldBe(Missing(porter.ToDrawing()));
    }

    [Fact]
    public void Different_notes_of_one_answer_are_never_alike()
    {
        foreach (var (name, model, level) in DemoExercises.Models)
        {
            var assessor = Exercise.Of(model, level);
            foreach (var answer in DemoExercises.Answers(name))
            {
                var assessment = assessor.Assess(answer, []);
                assessment.Notes.Select(note => AlikeKey.Of(note, assessment.Comparison)).ShouldBeUnique();
            }
        }
    }

    private static List<string> KeysOf(Drawing answer)
    {
        var assessment = Assessor.Assess(answer, []);
        return [.. assessment.Notes.Select(note => AlikeKey.Of(note, assessment.Comparison))];
    }

    private static Drawing Draw(string[] items, params string[] more) =>
        new Sketch()
            .Box("Visit", ["PK visit no", "date", .. more])
            .Box("Item", "PK item no", "fault")
            .Line("Visit", Ends.One, "Item", items, "brings in", "comes in on")
            .ToDrawing();
}
