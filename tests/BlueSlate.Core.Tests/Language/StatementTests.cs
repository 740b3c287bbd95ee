using System.Text.Json;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language;
using BlueSlate.Core.Language.Statements;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Notations.CrowsFoot;
using BlueSlate.Core.Notations.Uml;
using BlueSlate.Core.Subjects.Concepts.Model;
using BlueSlate.Core.Subjects.Dependencies;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>What is typed as sentences: in whatever words a person uses, and asked about where it is not understood.</summary>
public sealed class StatementTests
{
    private static readonly string[] Known = ["Booth", "Power socket", "Sound desk"];

    [Theory]
    [InlineData("A booth stands in exactly one room", "booth", "stands in", 1, 1, "room")]
    [InlineData("Each power socket feeds at least one booth.", "power socket", "feeds", 1, null, "booth")]
    [InlineData("Power sockets feed one or more booths", "Power sockets", "feed", 1, Count.Many, "booths")]
    [InlineData("lamp holder carries between 2 and 5 lamps", "lamp holder", "carries", 2, 5, "lamps")]
    [InlineData("Lamp Holder is hung over any number of booth", "Lamp Holder", "is hung over", 0, Count.Many, "booth")]
    [InlineData("sound desk mixes up to three channel", "sound desk", "mixes", null, 3, "channel")]
    [InlineData("Every booth has 0 or 1 door", "booth", "has", 0, 1, "door")]
    [InlineData("The gallery lends several prints", "gallery", "lends", null, Count.Many, "prints")]
    [InlineData("A booth may carry several lamps", "booth", "carries", 0, Count.Many, "lamps")]
    [InlineData("A lamp may be hung in at most one booth", "lamp", "is hung in", 0, 1, "booth")]
    [InlineData("Sound desk must have at most two channels", "Sound desk", "has", 1, 2, "channels")]
    [InlineData("A booth can open at least one door", "booth", "opens", 1, null, "door")]
    public void Amounts_articles_and_names_of_several_words(
        string line,
        string subject,
        string verb,
        int? least,
        int? most,
        string target
    )
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        problems.ShouldBeEmpty();
        var relationship = statement.ShouldBeOfType<RelationshipStatement>();
        relationship.Ends[0].Entity.ShouldBe(subject);
        relationship.Ends[0].Verb.ShouldBe(verb);
        relationship.Ends[1].Entity.ShouldBe(target);
        relationship.Ends[1].Count.ShouldBe(new Count(least, most));
    }

    [Theory]
    [InlineData("A person is either a visitor or a fixer", "person", "visitor|fixer")]
    [InlineData("Boat is either Punt, Skiff, or Ketch", "Boat", "Punt|Skiff|Ketch")]
    public void Kinds_of_which_each_is_one_are_said_with_either(string line, string supertype, string subtypes)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        problems.ShouldBeEmpty();
        var kinds = statement.ShouldBeOfType<SpecialisationStatement>();
        kinds.Supertype.ShouldBe(supertype);
        string.Join('|', kinds.Subtypes).ShouldBe(subtypes);
        (kinds.Disjoint, kinds.Total).ShouldBe((true, true));
    }

    [Theory]
    [InlineData("A booth stands in one room", "one")]
    [InlineData("A booth may be mentor of a few booths; a booth has at most 1 booth as mentor", "a")]
    [InlineData("Booth stands beside booths; a booth has at most 1 booth as neighbour", "Booth stands beside booths")]
    [InlineData("prints hang everywhere and were lent", "were")]
    [InlineData("the ferry moors at night", "moors")]
    [InlineData("Booth is cosy", "cosy")]
    [InlineData("The mast has: height, colour", "has")]
    [InlineData("Booth holds 1 or more Lamp (mandatory)", "(mandatory)")]
    [InlineData("Booth can open given key (often)", "often")]
    [InlineData("Kiosk and Tent are kinds of Booth (exclusive, total)", "exclusive")]
    public void What_is_not_understood_is_asked_about_at_its_word(string line, string word)
    {
        var (_, problems) = new StatementParser(Known).Parse(line);
        var problem = problems.ShouldHaveSingleItem();
        line.Substring(problem.Start, problem.Length).ShouldBe(word);
    }

    [Theory]
    [InlineData("Plot is rented by at least one Gardener; Gardener rents at most one Plot", "1..*", "?..1")]
    [InlineData("Plot has many Gardener; Gardener may rent several Plot", "?..*", "0..*")]
    public void In_crows_feet_a_least_by_itself_leaves_the_most_open(string line, string gardeners, string plots) =>
        CountsOf(line, new CrowsFootOptions()).ShouldBe((gardeners, plots));

    [Theory]
    [InlineData("Plot is rented by at least one Gardener; Gardener rents at most one Plot", "1..*", "0..1")]
    [InlineData("Plot has many Gardener; Gardener rents some Plot", "0..*", "?..?")]
    public void A_multiplicity_says_both_or_is_not_there(string line, string gardeners, string plots) =>
        CountsOf(line, new UmlOptions()).ShouldBe((gardeners, plots));

    [Fact]
    public void In_a_diagram_of_Chen_the_least_is_said_by_itself() =>
        CountsOf("Plot is rented by at least one Gardener; Gardener rents some Plot", new ChenOptions())
            .ShouldBe(("1..?", "0..?"));

    private static (string Gardeners, string Plots) CountsOf(string line, NotationOptions options)
    {
        var drawn = Amender.Amend(Drawing.Empty, [line], options).Drawing;
        var model = Notation.Read(drawn, options).Model;
        var roles = model.Relationships.ShouldHaveSingleItem().Roles;
        string Of(string name) => roles.Single(role => model.Entity(role.EntityId).Name == name).CoOccurrence.ToString();
        return (Of("Gardener"), Of("Plot"));
    }

    [Fact]
    public void A_line_speaks_of_what_another_line_says_there_is()
    {
        string[] lines =
        [
            "Part used belongs to exactly 1 Job; Job has 0 or more Part used",
            "Job: job no (key)",
            "Part used: quantity",
        ];
        var amended = Amender.Amend(Drawing.Empty, lines, new CrowsFootOptions());
        amended.Problems.ShouldBeEmpty();
        SentenceWriter
            .Write(Notation.Read(amended.Drawing, new CrowsFootOptions()))
            .Select(said => said.Text)
            .ShouldBe(lines, ignoreOrder: true);
    }

    [Fact]
    public void A_role_may_be_said_behind_those_who_have_it()
    {
        var (statement, problems) = new StatementParser(["Gardener"]).Parse(
            "A gardener may be the mentor of several gardeners; a gardener has at most one gardener as mentor"
        );
        problems.ShouldBeEmpty();
        var ends = statement.ShouldBeOfType<RelationshipStatement>().Ends;
        ends.ShouldBe([
            new EndText("gardener", "mentor", "is the mentor of", new Count(null, 1)),
            new EndText("gardeners", "", "has", new Count(0, Count.Many)),
        ]);
    }

    [Fact]
    public void What_a_crows_foot_has_no_symbol_for_is_said_in_words()
    {
        var amended = Amender.Amend(
            Drawing.Empty,
            ["Allotment has at most 2 Shed; Shed stands on exactly 1 Allotment"],
            new CrowsFootOptions()
        );
        amended.Unsaid.ShouldBe(["At most 2 sheds for an allotment."]);
    }

    [Theory]
    [InlineData("A booth stands in one room")]
    [InlineData("the ferry moors at night")]
    [InlineData("Booth is cosy")]
    public void What_is_not_understood_is_never_drawn(string line)
    {
        var drawing = new Sketch().Box("Booth", "PK booth no").ToDrawing();
        var lines = SentenceWriter
            .Write(Notation.Read(drawing, new CrowsFootOptions()))
            .Select(sentence => sentence.Text)
            .Append(line);
        var amended = Amender.Amend(drawing, [.. lines], new CrowsFootOptions());
        amended.Problems.ShouldHaveSingleItem().Line.ShouldBe(1);
        amended.Drawing.Shapes.ShouldHaveSingleItem();
    }

    [Theory]
    [InlineData("Goods Received Note")]
    [InlineData("Power sockets")]
    [InlineData("Point of sale")]
    [InlineData("Tide table: port (key), year (key)")]
    [InlineData("hired hall: hall no (key)")]
    [InlineData("Bookable is an interface")]
    [InlineData("Tide is an enumeration")]
    public void A_name_alone_is_a_thing(string line)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        statement.ShouldBeOfType<EntityStatement>();
        problems.ShouldBeEmpty();
    }

    [Theory]
    [InlineData(
        "A lantern is identified by lantern no and has a glow and a wick length.",
        "lantern",
        "lantern no*|glow|wick length"
    )]
    [InlineData(
        "Each heat is identified by its regatta code, and its year, and has a start.",
        "heat",
        "regatta code*|year*|start"
    )]
    [InlineData(
        "Lanterns are known by a code; they have owner (given, family) and colour (optional)",
        "Lanterns",
        "code*|owner|colour"
    )]
    [InlineData("Lantern is uniquely identified by serial and maker", "Lantern", "serial*|maker*")]
    [InlineData("The lantern is recognised by the tag (key) and it is described by height", "lantern", "tag*|height")]
    public void What_something_is_identified_by_and_has_is_read_as_its_attributes(string line, string name, string attributes)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        problems.ShouldBeEmpty();
        var entity = statement.ShouldBeOfType<EntityStatement>();
        entity.Name.ShouldBe(name);
        string.Join('|', entity.Attributes.Select(one => one.Name + (one.Markers.Contains("key") ? "*" : "")))
            .ShouldBe(attributes);
    }

    [Fact]
    public void What_belongs_to_an_attribute_in_prose_stays_with_it()
    {
        var (statement, _) = new StatementParser(Known).Parse(
            "Lantern is known by code and has owner (given and family, nick) and age"
        );
        var entity = statement.ShouldBeOfType<EntityStatement>();
        entity.Attributes.Select(one => one.Name).ShouldBe(["code", "owner", "age"]);
        entity.Attributes[1].Parts.Length.ShouldBe(2);
    }

    [Fact]
    public void Nothing_is_identified_by_another_thing_without_a_tie()
    {
        const string Line = "A shelf is identified by shelf no and the booth";
        var (statement, problems) = new StatementParser(Known).Parse(Line);
        statement.ShouldBeNull();
        var problem = problems.ShouldHaveSingleItem();
        Line.Substring(problem.Start, problem.Length).ShouldBe("booth");
        problem.Message.ShouldContain("say what ties the two");
    }

    [Theory]
    [InlineData("A lantern has a glow and a wick length", "“Lantern: glow, wick length”", "“Lantern has exactly 1 Glow”")]
    [InlineData("Lanterns have colour", "“Lanterns: colour”", "“Lanterns have exactly 1 Colour”")]
    [InlineData("Lantern has lantern no (key), glow", "“Lantern: lantern no (key), glow”", "“Lantern has exactly 1 Glow”")]
    public void What_only_has_something_is_shown_both_ways_to_say_it_in_its_own_words(string line, string facts, string thing)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        statement.ShouldBeNull();
        var said = problems.ShouldHaveSingleItem().Message;
        said.ShouldContain(facts);
        said.ShouldContain(thing);
    }

    [Theory]
    [InlineData("A Teammate: badge no", "Teammate")]
    [InlineData("A Team: colour", "A Team")]
    [InlineData("Each A Team: colour", "A Team")]
    public void An_article_is_left_away_unless_it_begins_the_whole_words_of_a_name(string line, string name)
    {
        var (statement, problems) = new StatementParser(["A Team"]).Parse(line);
        statement.ShouldBeOfType<EntityStatement>().Name.ShouldBe(name);
        problems.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Visit takes many Item; Item is taken on exactly 1 Visit, with date, hours", "date|hours", "")]
    [InlineData("Visit takes many Item, noting hours; Item is taken on 0 or 1 Visit", "hours", "")]
    [InlineData("Visit takes many Item, as Taking", "", "Taking")]
    public void What_a_tie_keeps_or_is_may_follow_a_half_after_a_comma(string line, string noting, string embodied)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        var tie = statement.ShouldBeOfType<RelationshipStatement>();
        string.Join('|', tie.Noting.Select(noted => noted.Name)).ShouldBe(noting);
        tie.Embodied.ShouldBe(embodied);
        tie.Ends.Select(end => end.Entity).ShouldBe(["Visit", "Item"]);
        problems.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Visit takes many Item; Item is taken on exactly 1 Visit (identifying)")]
    [InlineData("Visit takes many Item; Item is taken on exactly 1 Visit; identifying.")]
    public void What_a_tie_is_stands_in_brackets_or_in_a_clause_of_its_own(string line)
    {
        var (statement, problems) = new StatementParser(Known).Parse(line);
        var tie = statement.ShouldBeOfType<RelationshipStatement>();
        tie.Markers.ShouldBe(["identifying"]);
        tie.Ends.Select(end => end.Entity).ShouldBe(["Visit", "Item"]);
        problems.ShouldBeEmpty();
    }

    [Fact]
    public void A_bracket_that_was_never_opened_is_told() =>
        new StatementParser(Known)
            .Parse("Visit takes many Item; Item is taken on exactly 1 Visit; qualified by place at Visit)")
            .Problems.ShouldNotBeEmpty();

    [Fact]
    public void What_a_tie_with_a_name_does_not_understand_is_told_at_its_place()
    {
        const string Line = "Booking joins many Person and exactly 1 Hall; in the evening; noting fee";
        var (statement, problems) = new StatementParser(Known).Parse(Line);
        statement.ShouldBeOfType<RelationshipStatement>().Noting.Select(noted => noted.Name).ShouldBe(["fee"]);
        var problem = problems.ShouldHaveSingleItem();
        Line.Substring(problem.Start, problem.Length).ShouldBe("in the evening");
    }

    [Fact]
    public void A_role_of_several_words_is_said_and_understood()
    {
        var drawing = new Sketch()
            .Box("Fixer", "PK badge no")
            .Line(
                new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrOne], "looks after", "lead mentor"),
                new LineEnd(Attachment.ToShape("b1"), [.. Ends.ZeroOrMore], "is looked after by", "new hand")
            )
            .ToDrawing();
        var said = SentenceWriter.Write(Notation.Read(drawing, new CrowsFootOptions()))[1].Text;
        var (statement, problems) = new StatementParser(["Fixer"]).Parse(said);
        problems.ShouldBeEmpty();
        statement.ShouldBeOfType<RelationshipStatement>().Ends.Select(end => end.Role).ShouldBe(["lead mentor", "new hand"]);
    }

    [Theory]
    [InlineData("Only one can be: Visit pays Hall, or Visit brings in Item", "Visit pays Hall")]
    [InlineData("Only one can be: Visit brings in Item", "Visit brings in Item")]
    public void Only_ties_that_are_said_exclude_each_other(string line, string place)
    {
        var amended = Amender.Amend(
            new Sketch().ToDrawing(),
            ["Visit brings in 1 or more Item; Item comes in on exactly 1 Visit", line],
            new UmlOptions()
        );
        var problem = amended.Problems.ShouldHaveSingleItem();
        problem.Line.ShouldBe(1);
        line.Substring(problem.Problem.Start, problem.Problem.Length).ShouldContain(place);
    }

    /// <summary>Every model answer of the demo course.</summary>
    public static TheoryData<string> ModelAnswers() => [.. DemoExercises.Folders];

    [Theory]
    [MemberData(nameof(ModelAnswers))]
    public void Whatever_a_model_answer_says_can_be_typed_line_by_line(string folder)
    {
        var options = DemoExercises.OptionsOf(folder);
        var subject = Subject.Of(options);
        var said = subject
            .Sentences(DemoExercises.Load($"{folder}/model.json"), options)
            .Select(sentence => sentence.Text)
            .ToList();
        IDocument drawing = new Sketch().ToDrawing();
        for (var lines = 1; lines <= said.Count; lines++)
        {
            var typed = subject.Retype(drawing, said[..lines], options)!;
            typed.Problems.ShouldBeEmpty();
            typed.Unsaid.ShouldBeEmpty();
            drawing = typed.Document;
        }

        subject
            .Sentences(drawing, options)
            .Select(sentence => sentence.Text)
            .Order(StringComparer.Ordinal)
            .ShouldBe(said.Order(StringComparer.Ordinal));
    }

    /// <summary>Each form that is shown where one types, by notation.</summary>
    public static TheoryData<string, string, string[]> Forms()
    {
        using var file = typeof(StatementTests).Assembly.GetManifestResourceStream("sentences/forms.json")!;
        using var forms = JsonDocument.Parse(file);
        var data = new TheoryData<string, string, string[]>();
        foreach (var form in forms.RootElement.EnumerateArray())
        {
            var notations = form.GetProperty("notations").EnumerateArray().Select(one => one.GetString()!);
            foreach (var notation in notations)
            {
                var after = form.TryGetProperty("after", out var lines)
                    ? lines.EnumerateArray().Select(one => one.GetString()!)
                    : [];
                data.Add(notation, form.GetProperty("form").GetString()!, [.. after]);
            }
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Forms))]
    public void Every_form_that_is_shown_can_be_typed(string notation, string form, string[] after)
    {
        WorkOptions options = notation switch
        {
            "chen" => new ChenOptions(),
            "uml" => new UmlOptions { Formal = true },
            "dependency" => new DependencyOptions(),
            _ => new CrowsFootOptions(),
        };
        var subject = Subject.Of(options);
        var typed = subject.Retype(new Sketch().ToDrawing(), [.. after, form], options)!;
        typed.Problems.ShouldBeEmpty();
        typed.Unsaid.ShouldBeEmpty();
        typed.Document.IsBlank.ShouldBeFalse();
        subject.Sentences(typed.Document, options).Select(sentence => sentence.Text).ShouldContain(form);
    }
}
