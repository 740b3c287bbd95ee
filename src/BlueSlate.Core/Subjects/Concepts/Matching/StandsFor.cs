using System.Collections.Immutable;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// What a person said stands for what. A concept of the model answer goes by the name of the one that is said to stand for it,
/// so that everything else finds the two alike; entities are besides held together by <see cref="EntityMatcher"/>.
/// </summary>
internal static class StandsFor
{
    public static ConceptModel Adopt(ConceptModel model, ConceptModel answer, ImmutableDictionary<string, string> stands)
    {
        if (stands.IsEmpty)
        {
            return model;
        }

        var names = answer
            .Entities.SelectMany(entity =>
                entity.Attributes.Select(attribute => (attribute.Id, attribute.Name)).Prepend((entity.Id, entity.Name))
            )
            .Concat(
                answer
                    .Relationships.SelectMany(relationship => relationship.Attributes)
                    .Select(attribute => (attribute.Id, attribute.Name))
            )
            .ToDictionary(pair => pair.Id, pair => pair.Name, StringComparer.Ordinal);
        string NameOf(string id, string own) => stands.TryGetValue(id, out var other) ? names.GetValueOrDefault(other, own) : own;
        return model.Renamed(NameOf, NameOf);
    }

    public static IReadOnlyList<(int Model, int Answer)> Pairs(
        Side model,
        Side answer,
        ImmutableDictionary<string, string> stands
    ) =>
        [
            .. model
                .Entities.Select(
                    (entity, i) =>
                        (
                            Model: i,
                            Answer: stands.TryGetValue(entity.Entity.Id, out var other)
                                ? Array.FindIndex([.. answer.Entities], candidate => candidate.Entity.Id == other)
                                : -1
                        )
                )
                .Where(pair => pair.Answer >= 0),
        ];
}
