using BlueSlate.Core.Language;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>Names: what is one name, what is alike, what is not.</summary>
public sealed class NameTests
{
    [Theory]
    [InlineData("VisitNo", "visit_no")]
    [InlineData("Visit number", "visit nr")]
    [InlineData("Visits", "visit")]
    [InlineData("ITEM#", "item no")]
    [InlineData("dob", "birth date")]
    [InlineData("Entries", "entry")]
    [InlineData("telephone", "phones")]
    [InlineData("year of casting", "casting year")]
    [InlineData("bellfile", "bell file")]
    [InlineData("telefone", "phone")]
    [InlineData("lenght", "length")]
    [InlineData("home adress", "home address")]
    [InlineData("hieght of mast", "mast height")]
    public void Spellings_of_one_name(string a, string b) => Name.Of(a).Key.ShouldBe(Name.Of(b).Key);

    [Theory]
    [InlineData("translator", "translation")]
    [InlineData("booking", "book")]
    [InlineData("start date", "end date")]
    [InlineData("Visit", "Item")]
    public void Different_things_are_not_alike(string a, string b) =>
        NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value.ShouldBeLessThan(0.7);

    [Theory]
    [InlineData("date", "rate")]
    [InlineData("price", "prize")]
    [InlineData("from", "form")]
    [InlineData("container", "contained")]
    [InlineData("plate", "place")]
    [InlineData("coach", "couch")]
    [InlineData("hire date", "hire rate")]
    public void A_known_word_is_no_slip_of_another(string a, string b)
    {
        NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value.ShouldBeLessThan(0.6);
        var owner = Name.Of("Booking");
        NameSimilarity.OfAttributes(Name.Of(a), owner, Name.Of(b), owner).Value.ShouldBeLessThan(0.6);
    }

    [Theory]
    [InlineData("seats", "number of seats", true)]
    [InlineData("duration in minutes", "minutes", true)]
    [InlineData("oars", "number of oars", false)]
    [InlineData("badge", "badge number", false)]
    [InlineData("number of seats", "number of rows", false)]
    [InlineData("total", "amount", false)]
    public void A_measure_is_the_same_with_and_without_saying_that_it_measures(string one, string other, bool same)
    {
        NameSimilarity.MeasureTheSame(Name.Of(one), Name.Of(other)).ShouldBe(same);
        NameSimilarity.MeasureTheSame(Name.Of(other), Name.Of(one)).ShouldBe(same);
    }

    [Theory]
    [InlineData("wether")]
    [InlineData("lengthy")]
    [InlineData("glaze")]
    [InlineData("quay")]
    public void What_is_a_word_or_no_slip_of_one_is_left_as_it_is(string word) => Slips.Mend(word).ShouldBe(word);

    [Theory]
    [InlineData("tower number", "bell number")]
    [InlineData("pilot name", "kiln name")]
    [InlineData("glaze type", "clay type")]
    [InlineData("firing date", "sale date")]
    [InlineData("number", "pilot number")]
    public void What_names_of_data_of_all_sorts_end_in_is_no_likeness(string a, string b) =>
        NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value.ShouldBeLessThan(0.6);

    [Theory]
    [InlineData("start day", "beginning date")]
    [InlineData("fee", "price")]
    [InlineData("kind", "type")]
    [InlineData("given name", "first name")]
    [InlineData("site", "location")]
    public void Words_that_say_the_same_in_names_of_data_are_alike(string a, string b) =>
        NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value.ShouldBeGreaterThanOrEqualTo(0.6);

    [Theory]
    [InlineData("case number", "Travelling Case", "number")]
    [InlineData("kiln no", "Kiln", "number")]
    [InlineData("case", "Travelling Case", "case")]
    [InlineData("number", "Case", "number")]
    public void The_owners_main_word_in_front_goes_as_well(string name, string owner, string left) =>
        Name.Of(name).Without(Name.Of(owner)).Key.ShouldBe(left);

    [Theory]
    [InlineData("leaderNo", "leads", true)]
    [InlineData("teach_no", "teacher", true)]
    [InlineData("kilnNo", "teacher", false)]
    [InlineData("no", "number", false)]
    [InlineData("kilnNo", "", false)]
    public void A_column_hints_at_a_verb_or_role_in_another_form(string column, string other, bool hints) =>
        NameSimilarity.Hints(Name.Of(column), Name.Of(other)).ShouldBe(hints);

    [Fact]
    public void The_owners_name_in_front_makes_no_difference()
    {
        var fixer = Name.Of("Fixer");
        NameSimilarity.OfAttributes(Name.Of("name"), fixer, Name.Of("fixer_name"), fixer).Value.ShouldBeGreaterThan(0.95);
    }

    [Theory]
    [InlineData("description", "desciption")]
    [InlineData("catalogue", "catalgoue")]
    public void A_slip_of_the_pen_is_forgiven(string a, string b) =>
        NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value.ShouldBeGreaterThan(0.85);

    [Theory]
    [InlineData("visit", "visits")]
    [InlineData("entry", "entries")]
    [InlineData("box", "boxes")]
    [InlineData("person", "people")]
    [InlineData("day", "days")]
    [InlineData("skills", "skills")]
    [InlineData("repair status", "repair statuses")]
    public void Plurals(string one, string several) => Inflection.Plural(one).ShouldBe(several);

    [Fact]
    public void Likeness_is_the_same_from_both_sides()
    {
        string[] names = ["visit no", "VisitDate", "item", "Items", "description", "part code", "code", ""];
        foreach (var a in names.Select(Name.Of))
        {
            foreach (var b in names.Select(Name.Of))
            {
                NameSimilarity.Of(a, b).Value.ShouldBe(NameSimilarity.Of(b, a).Value, 1e-9);
            }
        }
    }
}
