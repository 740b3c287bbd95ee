using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Matching;

namespace BlueSlate.Core.Subjects.Concepts.Restatements;

/// <summary>An operation without parameters, drawn as a derived attribute that holds what it returns.</summary>
internal sealed class OperationByDerived : Restatement
{
    public override string Code => "operation-by-derived";

    public override string Title => "An operation that returns a value, as a derived attribute";

    public override string? OnlyIn => "uml";

    public override IEnumerable<RestatedMatch> Recognise(Leftovers leftovers)
    {
        foreach (var (owner, counterpart) in leftovers.Pairs)
        {
            var drawn = counterpart.Entity.Operations.Select(operation => Name.Of(operation.Name)).ToList();
            var free = counterpart
                .Attributes.Where(attribute => attribute.Attribute.Derived && leftovers.Attributes.IsFreeAnswer(attribute))
                .ToList();
            foreach (
                var operation in owner.Entity.Operations.Where(operation =>
                    operation.Parameters.IsEmpty
                    && operation.Returns.Length > 0
                    && !drawn.Exists(name => NameSimilarity.Of(name, Name.Of(operation.Name)).Value >= AttributeMatcher.Sureness)
                )
            )
            {
                var best = free.Where(attribute => DerivedByOperation.Returns(operation, attribute))
                    .OrderByDescending(attribute => NameSimilarity.Of(Name.Of(operation.Name), attribute.Bare).Value)
                    .FirstOrDefault();
                if (best is not null)
                {
                    free.Remove(best);
                    yield return new RestatedMatch(
                        Code,
                        $"The operation {operation.Name} is drawn as {Phrasing.InText(best.Attribute.Name)}, which is worked out: "
                            + "same meaning.",
                        [operation.Id],
                        ImmutableDictionary<string, RestatedCount>.Empty,
                        [best.Attribute.Id]
                    );
                }
            }
        }
    }
}
