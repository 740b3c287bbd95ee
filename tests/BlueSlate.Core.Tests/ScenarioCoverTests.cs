using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Preparing;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>How far scenarios and model answers cover each other, and the words that are proposed to be tied.</summary>
public sealed class ScenarioCoverTests
{
    public static TheoryData<string> Folders => [.. DemoExercises.FoldersOfConcepts];

    [Theory]
    [MemberData(nameof(Folders))]
    public void What_is_proposed_stands_in_the_scenario_and_ties_what_is_drawn(string folder)
    {
        var (one, cover) = CoverOf(folder);
        var drawing = (Drawing)one.Model;
        foreach (var tie in cover.Proposed)
        {
            one.Prose.Blocks[tie.Place.Block][tie.Place.Start..].ShouldStartWith(tie.Place.Quote);
        }

        cover.Proposed.Select(tie => tie.Element).ShouldBeUnique();
        cover.Unused.ShouldAllBe(place => one.Prose.Blocks[place.Block].Contains(place.Quote));
        cover.Decided.ShouldBeInRange(cover.Facts * 9 / 10, cover.Facts);

        // Tied, nothing is proposed any more, and what was open by these words is decided.
        var tied = drawing with
        {
            Ties = [.. cover.Proposed.Select(tie => new Tie(tie.Element, tie.Place.Block, tie.Place.Start, tie.Place.Quote))],
        };
        var after = Subject.Of(one.Options).Cover(one with { Model = tied });
        after.Proposed.ShouldBeEmpty();
        after.Decided.ShouldBeGreaterThanOrEqualTo(cover.Decided);
    }

    [Fact]
    public void Words_that_nothing_uses_and_facts_that_no_words_decide_are_told()
    {
        var drawing = new Sketch()
            .Box("Choir", "PK choir no", "name")
            .Box("Singer", "PK singer no", "voice")
            .Line("Choir", Ends.One, "Singer", Ends.OneOrMore, "consists of", "sings in")
            .ToDrawing();
        var prose = ScenarioProse.OfParagraphs([
            "A choir has a choir no, a name and a banner. A singer has a singer no and sings in exactly one choir.",
            "There are at most seven rehearsals.",
        ]);
        var options = Notation.Of(NotationNames.CrowsFoot).Usual;
        var cover = Subject.Of(options).Cover(new PreflightCase(drawing, options, prose));
        cover.Unused.Select(place => place.Quote).ShouldBe(["banner", "at most seven"]);
        cover.Undecided.Length.ShouldBe(2);
        cover.Proposed.Select(tie => tie.Place.Quote).ShouldContain("choir no");
        cover.Proposed.ShouldContain(tie => tie.Element.EndsWith("/from") && tie.Place.Quote.Contains("exactly one choir"));
    }

    private static (PreflightCase Case, ScenarioCover Cover) CoverOf(string folder)
    {
        var options = DemoExercises.OptionsOf(folder);
        var one = new PreflightCase(DemoExercises.Load($"{folder}/model.json"), options, DemoExercises.ProseOf(folder));
        var cover = Subject.Of(options).Cover(one);
        TestContext.Current.SendDiagnosticMessage(
            $"{folder}: {cover.Decided} of {cover.Facts}, {cover.Unused.Length} of {cover.Phrases} unused: "
                + string.Join(" | ", cover.Unused.Select(place => place.Quote))
                + $"; proposed {cover.Proposed.Length}; open {string.Join(' ', cover.Undecided)}"
        );
        return (one, cover);
    }
}
