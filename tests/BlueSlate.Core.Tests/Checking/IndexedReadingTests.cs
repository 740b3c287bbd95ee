using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Notations.Chen;
using BlueSlate.Core.Subjects.Concepts.Checking;
using BlueSlate.Core.Subjects.Concepts.Model;
using CsCheck;
using Shouldly;

namespace BlueSlate.Core.Tests.Checking;

/// <summary>The look-ups of a reading: all that it says is found, under its own id and nowhere else.</summary>
public sealed class IndexedReadingTests
{
    [Theory]
    [InlineData(NotationNames.Chen)]
    [InlineData(NotationNames.CrowsFoot)]
    [InlineData(NotationNames.Uml)]
    public void All_that_a_reading_says_is_found_with_its_owner(string notation) =>
        RandomConcepts
            .For(notation)
            .Sample(model =>
            {
                var index = new IndexedReading(new Reading(model, [], ImmutableDictionary<string, ImmutableArray<string>>.Empty));
                foreach (var entity in model.Entities)
                {
                    index.Entities[entity.Id].ShouldBe(entity);
                    index.Names[entity.Id].ShouldBe(entity.Name);
                    entity
                        .Attributes.Select(attribute => index.Attribute(attribute.Id))
                        .ShouldBe(entity.Attributes.Select(attribute => (entity, attribute)));
                    entity
                        .Operations.Select(operation => index.Operations[operation.Id])
                        .ShouldBe(entity.Operations.Select(operation => (entity, operation)));
                }

                foreach (var relationship in model.Relationships)
                {
                    index.FindRelationship(relationship.Id).ShouldBe(relationship);
                    relationship.Roles.ShouldAllBe(role =>
                        index.FindRelationship(role.Id) == relationship && index.Roles[role.Id].Role == role
                    );
                }
            });

    [Fact]
    public void An_attribute_of_a_relationship_has_the_relationship_for_owner_and_is_none_of_an_entity()
    {
        var options = new ChenOptions();
        var reading = Notation.Read(
            new Sketch()
                .Box("Fixer")
                .Box("Item")
                .Diamond("looks at", Outline.Single, ("Fixer", "N", false), ("Item", "M", false))
                .Oval("looks at", "minutes")
                .ToDrawing(),
            options
        );
        var index = new IndexedReading(reading);
        var relationship = reading.Model.Relationships.ShouldHaveSingleItem();
        var attribute = relationship.Attributes.ShouldHaveSingleItem();

        index.Attribute(attribute.Id).Owner.Id.ShouldBe(relationship.Id);
        index.Attribute(attribute.Id).Owner.Name.ShouldBe("looks at");
        index.AttributesOfEntities.ShouldNotContainKey(attribute.Id);
    }

    [Fact]
    public void What_is_not_there_is_not_found()
    {
        var index = new IndexedReading(Exercise.Read(new Sketch().Box("Visit", "PK visit no").ToDrawing()));

        index.FindAttribute("nowhere").ShouldBeNull();
        index.FindRelationship("nowhere").ShouldBeNull();
        Should.Throw<KeyNotFoundException>(() => index.Attribute("nowhere")).Message.ShouldContain("nowhere");
    }
}
