using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>A derived attribute of a class, drawn as an operation without parameters that returns it.</summary>
internal sealed class DerivedByOperation : Restatement
{
    public override string Code => "derived-by-operation";

    public override string Title => "A derived attribute, as an operation that returns it";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var (owner, counterpart) in leftovers.Pairs)
        {
            var asked = owner.Entity.Operations.Select(operation => Name.Of(operation.Name)).ToList();
            var free = counterpart
                .Entity.Operations.Where(operation =>
                    operation.Parameters.IsEmpty
                    && operation.Returns.Length > 0
                    && !asked.Exists(name => NameSimilarity.Of(name, Name.Of(operation.Name)).Value >= AttributeMatcher.Sureness)
                )
                .ToList();
            foreach (
                var attribute in owner.Attributes.Where(attribute =>
                    attribute.Attribute.Derived && leftovers.Attributes.IsFree(attribute)
                )
            )
            {
                var best = free.Where(operation => Returns(operation, attribute))
                    .OrderByDescending(operation => NameSimilarity.Of(Name.Of(operation.Name), attribute.Bare).Value)
                    .FirstOrDefault();
                if (best is not null)
                {
                    free.Remove(best);
                    yield return new RestatedMatch(
                        Code,
                        $"{Phrasing.Capital(Phrasing.InText(attribute.Attribute.Name))} is drawn as the operation {best.Name}: same "
                            + "meaning.",
                        [attribute.Attribute.Id],
                        ImmutableDictionary<string, RestatedCount>.Empty,
                        [best.Id]
                    );
                }
            }
        }
    }

    /// <summary>Whether an operation without parameters gives what an attribute holds.</summary>
    internal static bool Returns(Operation operation, NamedAttribute attribute)
    {
        var name = Name.Of(operation.Name);
        return (attribute.Attribute.Type.Length == 0 || TypeFamily.Same(operation.Returns, attribute.Attribute.Type))
            && (
                NameSimilarity.Of(name, attribute.Bare).Value >= 0.5
                || (name.Sort != ValueSort.Unsaid && name.Sort == attribute.Sort)
            );
    }
}
