using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Tests.Markups;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>At every fact, other values may be accepted: then what is drawn so is no difference and earns all.</summary>
public sealed class ToleranceTests
{
    private const string Numbered = """
        Item: PK item no, fault
        Repair: PPK repair no, outcome
        Item 11 = is tried in / tries 0m Repair
        """;

    private const string People = """
        Person: _person no_
        Visitor: first visit
        Fixer: since
        (d) Person => Visitor, Fixer
        """;

    private const string Rides = """
        Tram: fleetNo
        Ride: - at: Time
        Tram [1 whole] makes [1..*] Ride
        """;

    public static TheoryData<string, string, string, string, string[]> Accepted =>
        new()
        {
            {
                "entity:b1",
                "another name",
                Numbered,
                Numbered.Replace("Item", "Thingummy", StringComparison.Ordinal),
                ["thingummy"]
            },
            {
                "attribute:t2",
                "another name",
                Numbered,
                Numbered.Replace("fault", "complaint", StringComparison.Ordinal),
                ["complaint"]
            },
            { "key:b1", "another key", "Visit: PK visit no, date, hour", "Visit: visit no, PK date, PK hour", ["date + hour"] },
            {
                "key:b1",
                "a number of its own",
                "Visit: PK visit no, date, hour",
                "Visit: PK register, visit no, date, hour",
                ["own number"]
            },
            { "min:r1/to", "another minimum", Numbered, Numbered.Replace("0m", "1m", StringComparison.Ordinal), ["1"] },
            { "max:r1/to", "another maximum", Numbered, Numbered.Replace("0m", "01", StringComparison.Ordinal), ["1"] },
            { "disjoint:b7", "overlapping", People, People.Replace("(d)", "(o)", StringComparison.Ordinal), ["overlapping"] },
            { "total:b7", "partial", People, People.Replace("=>", ">", StringComparison.Ordinal), ["partial"] },
            {
                "link-kind:r1",
                "another kind of link",
                Rides,
                Rides.Replace("1 whole", "1 shared", StringComparison.Ordinal),
                ["aggregation"]
            },
            { "type:t2", "another type", Rides, Rides.Replace("Time", "Text", StringComparison.Ordinal), ["Text"] },
            { "visibility:t2", "another visibility", Rides, Rides.Replace("- at", "+ at", StringComparison.Ordinal), ["+"] },
            { "stereotype:b1", "another stereotype", "<<boundary>> Gate: name", "<<control>> Gate: name", ["control"] },
        };

    [Theory]
    [MemberData(nameof(Accepted))]
    public void What_is_accepted_besides_is_no_difference_and_earns_all(
        string fact,
        string what,
        string model,
        string answer,
        string[] values
    )
    {
        var notation =
            model == People ? NotationNames.Chen
            : model == Rides || model.StartsWith('<') ? NotationNames.Uml
            : NotationNames.CrowsFoot;
        var options = notation == NotationNames.Uml ? new UmlOptions { Formal = true } : Notation.Of(notation).Usual;
        var (wanted, drawn) = (Markup.Parse(model, notation).Drawing, Markup.Parse(answer, notation).Drawing);
        var strict = Exercise.Of(wanted, options);
        strict.Facts.Select(candidate => candidate.Id).ShouldContain(fact);
        if (!what.EndsWith("name", StringComparison.Ordinal))
        {
            strict.Assess(drawn, []).Findings.ShouldNotBeEmpty(what);
        }

        var lenient = Exercise.Of(wanted, options, new Tolerance(fact, [.. values], false, false)).Assess(drawn, []);
        lenient.Findings.Select(finding => finding.Headline).ShouldBeEmpty(what);
        lenient.Sheet.Total.ShouldBe(lenient.Sheet.Maximum, what);
    }

    [Fact]
    public void A_strong_entity_may_be_accepted_where_a_weak_one_is_wanted()
    {
        var answer = Markup
            .Parse(
                """
                Item: PK item no, fault
                Repair: PK repair no, outcome
                Item 11 is tried in / tries 0m Repair
                """
            )
            .Drawing;
        Tolerance[] tolerances =
        [
            new("kind:b2", ["strong"], false, false),
            new("partial-key:t3", [], true, false),
            new("identifying:r1", ["not identifying"], false, false),
        ];
        Exercise
            .Of(Markup.Parse(Numbered).Drawing, Level.Conceptual, tolerances)
            .Assess(answer, [])
            .Findings.Select(finding => finding.Headline)
            .ShouldBeEmpty();
    }
}
