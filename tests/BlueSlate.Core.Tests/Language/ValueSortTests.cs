using BlueSlate.Core.Language;
using Shouldly;

namespace BlueSlate.Core.Tests.Language;

/// <summary>What a name tells of the values that it stands for, and of the thing that bears it.</summary>
public sealed class ValueSortTests
{
    [Theory]
    [InlineData("mended_on", nameof(ValueSort.Moment))]
    [InlineData("installed", nameof(ValueSort.Moment))]
    [InlineData("broughtBack", nameof(ValueSort.Moment))]
    [InlineData("back wheel", nameof(ValueSort.Unsaid))]
    [InlineData("seed", nameof(ValueSort.Unsaid))]
    [InlineData("last day", nameof(ValueSort.Moment))]
    [InlineData("yearOfGlazing", nameof(ValueSort.Moment))]
    [InlineData("noOfOars", nameof(ValueSort.Count))]
    [InlineData("how many bells", nameof(ValueSort.Count))]
    [InlineData("badge no", nameof(ValueSort.Mark))]
    [InlineData("kilos", nameof(ValueSort.Weight))]
    [InlineData("metresAboveSea", nameof(ValueSort.Extent))]
    [InlineData("agreed sum", nameof(ValueSort.Money))]
    [InlineData("running time", nameof(ValueSort.Span))]
    [InlineData("span in days", nameof(ValueSort.Span))]
    [InlineData("phone number", nameof(ValueSort.Phone))]
    [InlineData("mail address", nameof(ValueSort.Mail))]
    [InlineData("address", nameof(ValueSort.Place))]
    [InlineData("hamlet", nameof(ValueSort.Place))]
    [InlineData("isGlazed", nameof(ValueSort.YesNo))]
    [InlineData("sort of clay", nameof(ValueSort.Kind))]
    [InlineData("nickname", nameof(ValueSort.Called))]
    [InlineData("", nameof(ValueSort.Unsaid))]
    [InlineData("hull colour", nameof(ValueSort.Colour))]
    [InlineData("sure", nameof(ValueSort.Unsaid))]
    [InlineData("lent", nameof(ValueSort.Moment))]
    [InlineData("xyzzy", nameof(ValueSort.Unsaid))]
    public void A_name_tells_its_sort_of_values(string name, string sort) =>
        ValueSorts.Of(Name.Of(name)).ToString().ShouldBe(sort);

    [Theory]
    [InlineData("Ferryman", nameof(ThingSort.Somebody))]
    [InlineData("Bell ringer", nameof(ThingSort.Somebody))]
    [InlineData("Route", nameof(ThingSort.Something))]
    [InlineData("Tower", nameof(ThingSort.Something))]
    [InlineData("Grzmot", nameof(ThingSort.Unsaid))]
    [InlineData("", nameof(ThingSort.Unsaid))]
    public void People_are_told_from_all_else(string name, string sort) => ThingSorts.Of(Name.Of(name)).ToString().ShouldBe(sort);
}
