using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>
/// Words: how names are split, abbreviations spelled out, verbs reduced, slips measured, counts put into words.
/// </summary>
public sealed class WordTests
{
    [Theory]
    [InlineData("VisitNo", "visit no")]
    [InlineData("visit_no", "visit no")]
    [InlineData("HTTPAddress", "http address")]
    [InlineData("item2", "item 2")]
    [InlineData("ITEM#", "item #")]
    [InlineData("fixer's bench", "fixers bench")]
    [InlineData("  re-open / date ", "re open date")]
    [InlineData("Größe", "größe")]
    [InlineData("", "")]
    [InlineData("__--", "")]
    public void A_name_is_split_into_words(string name, string words) =>
        string.Join(' ', WordSplitter.Split(name)).ShouldBe(words);

    [Fact]
    public void Splitting_what_was_split_changes_nothing() =>
        Gen.String[Gen.Char["abcXYZ019 _-#'ß漢"], 0, 24]
            .Sample(name =>
            {
                var once = WordSplitter.Split(name);
                WordSplitter.Split(string.Join(' ', once)).ShouldBe(once);
                once.ShouldAllBe(word => word.Length > 0 && !word.Any(char.IsUpper));
            });

    [Theory]
    [InlineData("qty", "quantity")]
    [InlineData("dob", "birth date")]
    [InlineData("fname", "first name")]
    [InlineData("workshop", "workshop")]
    public void Abbreviations_are_spelled_out(string word, string words) =>
        string.Join(' ', Abbreviations.SpellOut(word)).ShouldBe(words);

    [Theory]
    [InlineData("people", "person")]
    [InlineData("entries", "entry")]
    [InlineData("boxes", "box")]
    [InlineData("statuses", "status")]
    [InlineData("buses", "bus")]
    [InlineData("lenses", "lens")]
    [InlineData("address", "address")]
    [InlineData("series", "series")]
    [InlineData("ties", "tie")]
    [InlineData("gas", "gas")]
    [InlineData("shelves", "shelf")]
    [InlineData("minutes", "minute")]
    [InlineData("quizzes", "quiz")]
    [InlineData("matrices", "matrix")]
    [InlineData("canvas", "canvas")]
    [InlineData("atlases", "atlas")]
    [InlineData("craftsmen", "craftsman")]
    [InlineData("species", "species")]
    [InlineData("opera", "opera")]
    [InlineData("whatsits", "whatsit")]
    public void The_singular_of_a_noun(string several, string one) => Inflection.Singular(several).ShouldBe(one);

    [Fact]
    public void The_plural_of_a_noun_leads_back_to_it()
    {
        string[] nouns =
        [
            "visit",
            "entry",
            "day",
            "box",
            "dish",
            "church",
            "person",
            "shelf",
            "lens",
            "analysis",
            "radio",
            "status",
            "repair café",
            "broadcast slot",
        ];
        foreach (var noun in nouns)
        {
            var plural = Inflection.Plural(noun);
            Inflection.Plural(plural).ShouldBe(plural);
            Inflection.Singular(plural[(plural.LastIndexOf(' ') + 1)..]).ShouldBe(noun[(noun.LastIndexOf(' ') + 1)..]);
        }
    }

    [Theory]
    [InlineData("is paid by", "pays")]
    [InlineData("brings in", "is brought in by")]
    [InlineData("mentors", "is mentored by")]
    [InlineData("uses", "is used in")]
    [InlineData("carries", "is carried by")]
    [InlineData("plans", "planned by")]
    [InlineData("presents", "presenting")]
    [InlineData("takes", "is taken by")]
    [InlineData("makes", "made")]
    [InlineData("gives", "given")]
    [InlineData("gives", "was given to")]
    [InlineData("chooses", "is chosen by")]
    [InlineData("leads", "is led by")]
    [InlineData("rides", "ridden by")]
    [InlineData("teaches", "is taught by")]
    [InlineData("flies", "is flown by")]
    [InlineData("hires", "hired by")]
    [InlineData("stores", "is stored in")]
    [InlineData("passes", "is passed on by")]
    [InlineData("podcasts", "podcasted by")]
    public void A_verb_and_its_passive_have_one_stem(string a, string b) => VerbForm.Of(a).Key.ShouldBe(VerbForm.Of(b).Key);

    [Theory]
    [InlineData("pays", "plays")]
    [InlineData("founded", "presents")]
    [InlineData("founds", "is found in")]
    [InlineData("leads", "leaves")]
    [InlineData("lends", "lands")]
    public void Different_verbs_have_different_stems(string a, string b) => VerbForm.Of(a).Key.ShouldNotBe(VerbForm.Of(b).Key);

    [Fact]
    public void The_distance_of_two_words_is_the_one_of_the_definition() =>
        Gen.Select(Gen.String[Gen.Char["abc"], 0, 7], Gen.String[Gen.Char["abc"], 0, 7])
            .Sample(
                (a, b) =>
                {
                    var exact = Distance(a, b);
                    EditDistance.Of(a, b, 7).ShouldBe(exact);
                    EditDistance.Of(a, b, 2).ShouldBe(Math.Min(exact, 3));
                    EditDistance.Of(b, a, 2).ShouldBe(Math.Min(exact, 3));
                },
                iter: 3000
            );

    [Fact]
    public void Words_of_any_length_have_a_distance() =>
        EditDistance.Of(new string('a', 500), new string('a', 501), 2).ShouldBe(3);

    [Theory]
    [InlineData(1, Count.Many, "item", "1 or more items")]
    [InlineData(0, 1, "visit", "0 or 1 visit")]
    [InlineData(1, 1, "entry", "exactly 1 entry")]
    [InlineData(3, 10, "entry", "3 to 10 entries")]
    [InlineData(null, null, "part", "an unsaid number of parts")]
    [InlineData(null, 1, "part", "one part")]
    [InlineData(null, Count.Many, "part", "several parts")]
    [InlineData(2, null, "part", "at least 2 parts")]
    [InlineData(null, 5, "part", "at most 5 parts")]
    public void Counts_in_words(int? min, int? max, string name, string words) =>
        Phrasing.Counted(new Count(min, max), name).ShouldBe(words);

    [Theory]
    [InlineData("Item", "an item")]
    [InlineData("Unit", "a unit")]
    [InlineData("Use", "a use")]
    [InlineData("ObservationRun", "an observation run")]
    [InlineData("People", "people")]
    [InlineData("", "a thing without a name")]
    public void One_of_a_name(string name, string words) => Phrasing.One(name).ShouldBe(words);

    [Fact]
    public void Lists_end_in_and()
    {
        Phrasing.List([]).ShouldBe("");
        Phrasing.List(["a"]).ShouldBe("a");
        Phrasing.List(["a", "b"]).ShouldBe("a and b");
        Phrasing.List(["a", "b", "c"]).ShouldBe("a, b and c");
    }

    // Optimal string alignment by its recursive definition.
    private static int Distance(string a, string b)
    {
        if (a.Length == 0 || b.Length == 0)
        {
            return a.Length + b.Length;
        }

        var best = Math.Min(
            Math.Min(Distance(a[..^1], b), Distance(a, b[..^1])) + 1,
            Distance(a[..^1], b[..^1]) + (a[^1] == b[^1] ? 0 : 1)
        );
        return a.Length > 1 && b.Length > 1 && a[^1] == b[^2] && a[^2] == b[^1]
            ? Math.Min(best, Distance(a[..^2], b[..^2]) + 1)
            : best;
    }
}
