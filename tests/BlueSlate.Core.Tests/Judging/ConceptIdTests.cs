using BlueSlate.Core.Judging;
using Shouldly;

namespace BlueSlate.Core.Tests.Judging;

/// <summary>Ids of concepts as they are written, and taken apart again.</summary>
public sealed class ConceptIdTests
{
    [Theory]
    [InlineData("b1", null)]
    [InlineData("r1/from", "one")]
    [InlineData("t7", "2")]
    public void What_is_written_is_read_again(string element, string? facet)
    {
        var id = new ConceptId(element, facet);
        ConceptId.Of(id.ToString()).ShouldBe(id);
        id.AsElement().ShouldBe(facet is null ? element : $"{element}.{facet}");
    }

    [Fact]
    public void The_first_of_several_has_the_elements_own_id()
    {
        Enumerable.Range(0, 3).Select(place => ConceptId.At("c1", place)).ShouldBeUnique();
        ConceptId.At("c1", 0).ShouldBe("c1");
        ConceptId.Of(ConceptId.At("c1", 2)).Element.ShouldBe("c1");
    }
}
