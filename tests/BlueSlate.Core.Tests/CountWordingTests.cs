using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Concepts.Wording;
using Shouldly;

namespace BlueSlate.Core.Tests;

/// <summary>What words decide of numbers, on things of which no exercise that ships with the product knows.</summary>
public sealed class CountWordingTests
{
    // A choir has singers, who hold scores; a choir belongs to one hall.
    private static readonly ConceptModel Model = new(
        [Thing("c", "Choir"), Thing("s", "Singer"), Thing("h", "Hall"), Thing("m", "Music score")],
        [
            Tie("t1", "c", "s", "is made up of", "sings in"),
            Tie("t2", "c", "h", "rehearses in", "hosts"),
            Tie("t3", "s", "m", "holds", "is held by"),
            Tie("t4", "s", "s", "coaches", "is coached by"),
        ]
    );

    [Theory]
    [InlineData("A choir is made up of one or more singers.", "t1/s", "1", "*")]
    [InlineData("Every choir has at least four singers.", "t1/s", "4", "*")]
    [InlineData("A choir has between two and nine singers.", "t1/s", "2", "9")]
    [InlineData("A singer sings in exactly one choir.", "t1/c", "1", "1")]
    [InlineData("A singer sings in at most one choir.", "t1/c", "0", "1")]
    [InlineData("A singer may sing in one choir only.", "t1/c", "0", "1")]
    [InlineData("A singer sings in up to three choirs.", "t1/c", "?", "3")]
    [InlineData("A singer may sing in several choirs.", "t1/c", "0", "*")]
    [InlineData("Any number of singers, or none, sing in a choir.", "t1/s", "0", "*")]
    [InlineData("A singer sings in exactly one choir or in none.", "t1/c", "0", "1")]
    [InlineData("A choir rehearses in one or more halls, or at none for a while.", "t2/h", "0", "*")]
    [InlineData("Exactly one singer coaches each singer.", "t1/c", "?", "?")]
    [InlineData("A choir rehearses in a hall. Some choirs have none.", "t2/h", "0", "?")]
    [InlineData("A choir rehearses in exactly one hall; a hall hosts any number of choirs, or stands empty.", "t2/c", "0", "*")]
    [InlineData("Each hall hosts several choirs.", "t2/c", "1", "*")]
    [InlineData("In each hall at least one choir rehearses.", "t2/c", "1", "*")]
    [InlineData("Singers hold scores, each of them at most six.", "t3/m", "?", "6")]
    [InlineData("New singers hold no score yet.", "t3/m", "0", "?")]
    [InlineData("A score may be held by one singer, or is not held at all.", "t3/s", "0", "?")]
    [InlineData("Not every singer holds a score.", "t3/m", "0", "?")]
    [InlineData("A singer may be coached by one other singer.", "t4/1", "0", "?")]
    public void Words_decide_numbers(string text, string role, string min, string max)
    {
        var said = Read(text)[role].ToList();

        Surely(said.Select(evidence => evidence.Min)).ShouldBe(min);
        Surely(said.Select(evidence => evidence.Max)).ShouldBe(max);
    }

    [Fact]
    public void Things_that_stand_on_some_others_are_not_on_all_of_them()
    {
        var said = Read("Choirs rehearse in some halls.")["t2/c"].ToList();
        said.Select(evidence => evidence.Min).ShouldContain(new Bound(0, Decides.Commonly));
        Surely(said.Select(evidence => evidence.Min)).ShouldBe("?");
    }

    [Fact]
    public void Who_is_spoken_of_by_a_role_is_spoken_of_in_its_relationship()
    {
        var ends = Model.Relationships[^1].Roles;
        var tie = Model.Relationships[^1] with
        {
            Roles = [ends[0] with { Role = "mentor", Verb = "is the mentor of" }, ends[1] with { Verb = "has" }],
        };
        var model = Model with { Relationships = [.. Model.Relationships.SkipLast(1), tie] };
        var said = CountWording.Of(
            model,
            new ThingNames(model, []),
            ScenarioProse.OfParagraphs("A new singer may have one experienced singer as mentor, who may look after several.")
        );
        Surely(said["t4/2"].Select(evidence => evidence.Max)).ShouldBe("*");
        said["t4/1"].ShouldHaveSingleItem().Max.ShouldBe(new Bound(1, Decides.Commonly));
    }

    [Theory]
    [InlineData("A singer may look after several singers as mentor; a singer has at most one mentor.")]
    [InlineData("As mentor a singer may look after several singers. A singer has at most one mentor.")]
    public void A_role_behind_several_is_of_the_one_who_does_it(string text)
    {
        var ends = Model.Relationships[^1].Roles;
        var tie = Model.Relationships[^1] with
        {
            Roles =
            [
                ends[0] with
                {
                    Role = "mentor",
                    Verb = "looks after",
                },
                ends[1] with
                {
                    Role = "newcomer",
                    Verb = "is looked after by",
                },
            ],
        };
        var model = Model with { Relationships = [.. Model.Relationships.SkipLast(1), tie] };
        var said = CountWording.Of(model, new ThingNames(model, []), ScenarioProse.OfParagraphs(text));
        Surely(said["t4/2"].Select(evidence => evidence.Max)).ShouldBe("*");
        Surely(said["t4/1"].Select(evidence => evidence.Max)).ShouldBe("1");
    }

    [Theory]
    [InlineData("A singer may hold several scores; the date of each holding is kept.")]
    [InlineData("A singer may hold several scores; each holding is dated.")]
    public void What_is_said_of_a_deed_says_nothing_of_how_many(string text)
    {
        var said = Read(text)["t3/m"].ToList();

        Surely(said.Select(evidence => evidence.Min)).ShouldBe("0");
        Surely(said.Select(evidence => evidence.Max)).ShouldBe("*");
    }

    [Theory]
    [InlineData("A choir usually rehearses in one hall.", "t2/h")]
    [InlineData("As a rule a choir rehearses in one hall.", "t2/h")]
    public void What_is_usual_decides_nothing(string text, string role)
    {
        var said = Read(text)[role].ToList();

        said.ShouldHaveSingleItem().IsHabit.ShouldBeTrue();
        said[0].Min.How.ShouldBe(Decides.No);
        said[0].Max.How.ShouldBe(Decides.No);
    }

    [Fact]
    public void What_follows_without_a_name_is_said_of_what_was_named()
    {
        var said = Read("A choir has a name and rehearses in exactly one hall. It is made up of at least eight singers.");

        Surely(said["t2/h"].Select(evidence => evidence.Max)).ShouldBe("1");
        Surely(said["t1/s"].Select(evidence => evidence.Min)).ShouldBe("8");
    }

    [Fact]
    public void The_words_are_where_they_are_said_to_be()
    {
        const string text = "Choirs meet on Fridays. A singer sings in exactly one choir; a choir has at most forty.";

        foreach (var evidence in Read(text).SelectMany(said => said))
        {
            text.Substring(evidence.Place.Start, evidence.Place.Quote.Length).ShouldBe(evidence.Place.Quote);
        }
    }

    [Fact]
    public void Any_text_can_be_read()
    {
        foreach (
            var text in new[] { "", ".", "of", "each", "a a a", "no no choir no", "one or", "; : – ( )", "choir choir choir" }
        )
        {
            Should.NotThrow(() => Read(text).Count);
        }
    }

    private static ILookup<string, CountEvidence> Read(string text) =>
        CountWording.Of(Model, new ThingNames(Model, []), ScenarioProse.OfParagraphs(text));

    private static string Surely(IEnumerable<Bound> bounds)
    {
        List<int> sure = [.. bounds.Where(bound => bound.How == Decides.Surely).Select(bound => bound.Value).Distinct()];
        return sure.Count == 0 ? "?" : Count.Spell(sure.ShouldHaveSingleItem());
    }

    private static EntityType Thing(string id, string name) => new(id, name, EntityKind.Strong, [], []);

    private static RelationshipType Tie(string id, string one, string other, string verb, string back) =>
        new(
            id,
            "",
            [
                new RelationshipRole(
                    one == other ? $"{id}/1" : $"{id}/{one}",
                    one,
                    "",
                    verb,
                    new Count(null, null),
                    Count.Unsaid
                ),
                new RelationshipRole(
                    one == other ? $"{id}/2" : $"{id}/{other}",
                    other,
                    "",
                    back,
                    new Count(null, null),
                    Count.Unsaid
                ),
            ],
            false,
            null
        );
}
