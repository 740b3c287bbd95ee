using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>Kinds of things: missing, not wanted, the wrong way round, elsewhere, and what is said of them together.</summary>
public sealed class SpecialisationFindingTests : FindingTest
{
    private const string Tapes = """
        Recording: PK tape no, title
        Talk: language
        Concert: ensemble
        Interview: guest
        (d) Recording > Talk, Concert
        (o) Talk > Interview
        """;

    private const string People = """
        Person: name
        Visitor: firstVisit
        Fixer: since
        Tool: label
        Visitor [] [general] Person
        Fixer [] [general] Person
        Fixer [*] uses [*] Tool
        """;

    private const string Sorted = """
        Person: _person no_
        Visitor: first visit
        Fixer: since
        (d) Person => Visitor, Fixer
        """;

    [Fact]
    public void A_kind_of_something_that_is_not_shown_as_one() =>
        Says(
            Only(
                "specialisation-missing",
                Tapes,
                """
                Recording: PK tape no, title
                Talk: language
                Concert: ensemble
                «Interview»: guest
                (d) Recording > Talk, Concert
                """
            ),
            "Interview is not shown as a kind of talk.",
            "Nothing ties interview to talk.",
            "A specialisation of Talk.",
            "As drawn, an interview would have nothing of what every talk has."
        );

    [Fact]
    public void Something_that_is_no_kind_of_anything() =>
        Says(
            Only("specialisation-extra", People, People + "\nTool [] «» [general] Person", Uml),
            "Nothing says that a tool is a kind of person.",
            "Tool is drawn beneath Person.",
            "No specialisation of Person to Tool.",
            "As drawn, a tool would have all that a person has."
        );

    [Fact]
    public void A_triangle_at_the_wrong_end() =>
        Says(
            Only(
                "specialisation-reversed",
                People,
                """
                Person: name
                Visitor: firstVisit
                Fixer: since
                Tool: label
                Visitor [general] «» [] Person
                Fixer [] [general] Person
                Fixer [*] uses [*] Tool
                """,
                Uml
            ),
            "A visitor is a person, not the other way round.",
            "Drawn so that every person is a visitor.",
            "The general end at Person.",
            "As drawn, a person that is no visitor could not be kept."
        );

    [Fact]
    public void Beneath_something_else_than_what_it_is() =>
        Says(
            Only(
                "specialisation-wrong-supertype",
                Tapes,
                """
                Recording: PK tape no, title
                Talk: language
                Concert: ensemble
                Interview: guest
                (d) Recording > Talk, Concert
                (o) Concert > «Interview»
                """
            ),
            "An interview is a talk, not a concert.",
            "Drawn beneath Concert: Interview.",
            "Interview beneath Talk.",
            "As drawn, an interview would have all that a concert has, and nothing of what every talk has."
        );

    [Fact]
    public void Directly_beneath_the_most_general() =>
        Says(
            Only(
                "specialisation-level",
                Tapes,
                """
                Recording: PK tape no, title
                Talk: language
                Concert: ensemble
                Interview: guest
                (d) Recording > Talk, Concert, «Interview»
                """
            ),
            "An interview hangs directly beneath talk, not beneath recording.",
            "Drawn beneath Recording: Interview.",
            "Interview beneath Talk.",
            "Whoever builds this would not know of an interview exactly what is known of a talk."
        );

    [Fact]
    public void A_whole_level_left_out_is_said_once() =>
        Only(
            "specialisation-level",
            """
            Recording: PK tape no, title
            Talk: language
            Interview: guest
            Lecture: hall
            (o) Recording > Talk
            (d) Talk > Interview, Lecture
            """,
            """
            Recording: PK tape no, title
            Talk: language
            Interview: guest
            Lecture: hall
            (o) Recording > Talk, «Interview», «Lecture»
            """
        )
            .Headline.ShouldBe("Interviews and lectures hang directly beneath talk, not beneath recording.");

    [Fact]
    public void Beneath_two_where_it_is_only_the_one() =>
        Says(
            Only("specialisation-several", People, People + "\nFixer [] «» [general] Tool", Uml),
            "A fixer is a person, but not a tool as well.",
            "Fixer is drawn beneath Person and beneath Tool.",
            "Fixer beneath Person alone.",
            "As drawn, each fixer would be a person and a tool at once."
        );

    [Fact]
    public void Subtypes_that_exclude_each_other() =>
        Says(
            Only(
                "specialisation-disjointness",
                Sorted,
                """
                Person: _person no_
                Visitor: first visit
                Fixer: since
                («o») Person => Visitor, Fixer
                """,
                Chen
            ),
            "There could be a person that is both visitor and fixer.",
            "Visitor and fixer are drawn as overlapping.",
            "Disjoint beneath Person.",
            "As drawn, a person could be kept as both visitor and fixer at once."
        );

    [Fact]
    public void Subtypes_that_are_all_there_is() =>
        Says(
            Only(
                "specialisation-totality",
                Sorted,
                """
                Person: _person no_
                Visitor: first visit
                Fixer: since
                («d») Person > Visitor, Fixer
                """,
                Chen
            ),
            "There could be a person that is neither visitor nor fixer.",
            "The division of person into visitor and fixer is drawn as partial.",
            "A total division of person.",
            "As drawn, a person that is neither visitor nor fixer could be kept."
        );

    [Fact]
    public void A_subset_of_two_together() =>
        Says(
            Only(
                "union-missing",
                """
                Person: _person no_
                Club: _club no_
                Owner: since
                (u) Person, Club > Owner
                """,
                """
                Person: _person no_
                Club: _club no_
                «Owner»: since
                """,
                Chen
            ),
            "An owner is not shown as a person or a club.",
            "Nothing says so of Owner.",
            "A circle with u from Person and Club to Owner.",
            "As drawn, nobody knows who an owner is."
        );

    [Fact]
    public void A_union_turned_into_subtypes_is_said_once() =>
        Only(
            "union-missing",
            """
            Person: _person no_
            Club: _club no_
            Owner: since
            (u) Person, Club > Owner
            """,
            """
            Person: _person no_
            Club: _club no_
            Owner: since
            (d) Owner > «Person», «Club»
            """,
            Chen
        )
            .There.ShouldBe("Drawn as if all of them were owners.");
}
