using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking.Findings;

/// <summary>
/// Every symbol that says something else than it should, or nothing: found where it stands, and nothing but the notation is
/// charged.
/// </summary>
public sealed class SymbolFindingTests : FindingTest
{
    private const string Visits = """
        Visit: _visit no_, date
        Item: _item no_, fault
        <brings in> Visit =1, Item =N
        """;

    private const string Lockers = """
        Shed: _shed code_
        [[Locker]]: -locker no-, size
        <<stands in>> Shed 1, Locker =N
        """;

    private const string Kinds = """
        Person: _person no_
        Visitor: first visit
        Fixer: since
        (d) Person > Visitor, Fixer
        """;

    private const string Classes = """
        Visit: visitNo; date
        Item: itemNo; fault
        Visit [1] brings in [1..*] Item
        """;

    private const string Persons = """
        Person: name
        Visitor: firstVisit
        Fixer: since
        Visitor [] {complete, disjoint} [general] Person
        Fixer [] [general] Person
        """;

    private const string Handover = """
        Visit: visitNo; date
        Item: itemNo; fault
        Handover: time
        Visit [1] brings in [1..*] Item
        Handover [] ~ [] #r1
        """;

    public static TheoryData<string, string, string> InChen =>
        new()
        {
            {
                "notation-box-for-diamond",
                Visits,
                "Visit: _visit no_, date\nItem: _item no_, fault\n«brings in»\nVisit [1] = [] brings in\nItem [N] = [] brings in"
            },
            {
                "notation-no-diamond",
                Visits,
                "Visit: _visit no_, date\nItem: _item no_, fault\nVisit [1] = «brings in» [N] Item"
            },
            {
                "notation-diamond-to-diamond",
                Visits + "\nFixer: _badge no_\n<looks at> Fixer 1, Item N",
                Visits + "\nFixer: _badge no_\n<looks at> Fixer 1, Item N\nbrings in [] «» [] looks at"
            },
            { "notation-lone-diamond", Visits, Visits + "\n<«pays»> Visit 1" },
            { "notation-lone-circle", Visits, Visits + "\n(«d») Visit" },
            { "notation-loose-attribute", Visits, Visits + "\n() «colour»" },
            {
                "notation-shared-attribute",
                Visits,
                "Visit: _visit no_, «date»\nItem: _item no_, fault\n<brings in> Visit =1, Item =N\nItem [] [] date"
            },
            {
                "notation-other-count-style",
                Visits,
                "Visit: _visit no_, date\nItem: _item no_, fault\n<brings in> «Visit =(1,n)», «Item =(1,1)»"
            },
            {
                "notation-no-cup",
                Kinds,
                "Person: _person no_\nVisitor: first visit\nFixer: since\n(«d») Person - Visitor, Fixer"
            },
            {
                "notation-single-diamond-at-weak",
                Lockers,
                "Shed: _shed code_\n[[Locker]]: -locker no-, size\n<«stands in»> Shed 1, Locker =N"
            },
            {
                "notation-solid-underline-at-weak",
                Lockers,
                "Shed: _shed code_\n[[Locker]]: «_locker no_», size\n<<stands in>> Shed 1, Locker =N"
            },
        };

    public static TheoryData<string, string, string> InUml =>
        new()
        {
            {
                "notation-solid-triangle",
                Persons,
                Persons.Replace("disjoint} [general]", "disjoint} «[filled]»", StringComparison.Ordinal)
            },
            { "notation-open-triangle", Persons, Persons.Replace("[general]", "«[to]»", StringComparison.Ordinal) },
            {
                "notation-count-on-generalisation",
                Persons,
                Persons.Replace("disjoint} [general]", "disjoint} «[1 general]»", StringComparison.Ordinal)
            },
            {
                "notation-diamond-at-both-ends",
                Classes,
                Classes.Replace(
                    "Visit [1] brings in [1..*]",
                    "Visit [1 shared] «brings in» [1..* shared]",
                    StringComparison.Ordinal
                )
            },
            {
                "notation-solid-tie-of-class",
                Handover,
                Handover.Replace("Handover [] ~ []", "Handover [] «» []", StringComparison.Ordinal)
            },
            { "notation-unreadable-member", Classes, Classes.Replace("date", "«date [9..3]»", StringComparison.Ordinal) },
        };

    [Theory]
    [MemberData(nameof(InChen))]
    public void A_wrong_symbol_among_ovals_and_diamonds(string code, string model, string answer) =>
        IsOfNotation(Only(code, model, answer, Chen));

    [Theory]
    [MemberData(nameof(InUml))]
    public void A_wrong_symbol_among_classes(string code, string model, string answer) =>
        IsOfNotation(Only(code, model, answer, Uml));

    [Fact]
    public void A_pair_and_a_double_line_say_the_same_twice() =>
        IsOfNotation(
            Only(
                "notation-pair-with-double-line",
                "Visit: _visit no_\nItem: _item no_\n<brings in> Visit (0,n), Item (1,1)",
                "Visit: _visit no_\nItem: _item no_\n<brings in> «Visit =(0,n)», Item (1,1)",
                Chen with
                {
                    Counts = CountStyle.Pairs,
                }
            )
        );

    [Fact]
    public void A_spelling_of_a_multiplicity_that_the_class_has_not_learned() =>
        IsOfNotation(
            Only(
                "notation-strange-spelling",
                Classes,
                Classes.Replace("[1..*]", "«[1..n]»", StringComparison.Ordinal),
                Uml with
                {
                    StrictCounts = true,
                }
            )
        );

    [Fact]
    public void A_stereotype_of_somebody_elses() =>
        IsOfNotation(
            Only(
                "notation-foreign-stereotype",
                Classes,
                Classes.Replace("Item:", "«<<screen>> Item»:", StringComparison.Ordinal),
                Uml with
                {
                    Stereotypes = ["boundary", "control"],
                }
            )
        );

    [Fact]
    public void A_box_without_a_name_is_taken_for_what_stands_in_it()
    {
        var model = Markup
            .Parse("Visit: PK visit no, date\nItem: PK item no, fault\nVisit 11 brings in / comes in on 1m Item")
            .Drawing;
        var sheet = model.Sheets[0];
        var answer = model with { Sheets = [sheet with { Shapes = [sheet.Shapes[0], sheet.Shapes[1] with { Text = "" }] }] };
        var finding = Exercise.Of(model).Assess(answer, []).Findings.Single();
        finding.Code.ShouldBe("notation-unnamed-box");
        finding.AnswerElements.ShouldBe([sheet.Shapes[1].Id]);
    }

    [Fact]
    public void Attributes_listed_in_a_box_where_ovals_are_wanted()
    {
        var model = Markup.Parse(Visits, NotationNames.Chen).Drawing;
        var answer = new Sketch()
            .Box("Visit")
            .Oval("Visit", "visit no", Underline.Solid)
            .Oval("Visit", "date")
            .Box("Item", "fault")
            .Oval("Item", "item no", Underline.Solid)
            .Diamond("brings in", Outline.Single, ("Visit", "1", true), ("Item", "N", true))
            .ToDrawing();
        var finding = Exercise.Of(model, Chen).Assess(answer, []).Findings.Single();
        finding.Code.ShouldBe("notation-listed-attributes");
        finding.AnswerElements.ShouldBe([answer.Sheets[0].Shapes.First(shape => shape.Text == "Item").Id]);
        IsOfNotation(finding);
    }

    [Fact]
    public void A_diamond_among_lines_with_feet()
    {
        var model = Markup
            .Parse("Visit: PK visit no, date\nItem: PK item no, fault\nVisit 11 brings in / comes in on 1m Item")
            .Drawing;
        var sheet = model.Sheets[0];
        var answer = model with
        {
            Sheets = [sheet with { Shapes = sheet.Shapes.Add(new Shape("b9", Form.Diamond, Outline.Single, "", [], null)) }],
        };
        var finding = Exercise.Of(model).Assess(answer, []).Findings.Single();
        finding.Code.ShouldBe("notation-joined-by-diamond");
        finding.AnswerElements.ShouldBe(["b9"]);
        IsOfNotation(finding);
    }

    private static void IsOfNotation(Finding finding)
    {
        finding.Tag.ShouldBe(Tag.Notation);
        finding.Headline.ShouldEndWith(".");
    }
}
