using System.Collections.Immutable;
using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// Lets a model answer's concept go by an accepted other name: where the answer uses one of them and not the concept's
/// own name, the concept is matched under that name.
/// </summary>
internal static class AcceptedNames
{
    public static ConceptModel Adopt(
        ConceptModel model,
        ConceptModel answer,
        IReadOnlyDictionary<string, ImmutableArray<string>> otherNames
    )
    {
        if (otherNames.Count == 0)
        {
            return model;
        }

        var entityNames = answer.Entities.Select(entity => Name.Of(entity.Name).Key).ToHashSet(StringComparer.Ordinal);
        var attributeNames = answer
            .Entities.SelectMany(entity => entity.Attributes)
            .Select(attribute => Name.Of(attribute.Name).Key)
            .ToHashSet(StringComparer.Ordinal);
        if (
            otherNames
                .Values.SelectMany(names => names)
                .Select(name => Name.Of(name).Key)
                .All(key => !entityNames.Contains(key) && !attributeNames.Contains(key))
        )
        {
            return model;
        }

        return model.Renamed(
            (id, name) => Choose(id, name, entityNames, otherNames),
            (id, name) => Choose(id, name, attributeNames, otherNames)
        );
    }

    /// <summary>
    /// What all subtypes of a supertype are called by their main word, where nothing is called so: <c>Printed book</c> and
    /// <c>Talking book</c> are books, and so a box <c>Book</c> is what they are both kinds of.
    /// </summary>
    public static IEnumerable<(string SupertypeId, string Name)> CommonHeads(ConceptModel model)
    {
        var known = model.Entities.Select(entity => Name.Of(entity.Name).Key).ToHashSet(StringComparer.Ordinal);
        foreach (var set in model.Specialisations.Where(set => set.Subtypes.Length > 1))
        {
            var names = set.Subtypes.Select(link => Name.Of(model.Entity(link.EntityId).Name).Words).ToList();
            if (
                names.TrueForAll(words => words.Length > 1 && words[^1] == names[0][^1])
                && !known.Contains(Name.Of(names[0][^1]).Key)
            )
            {
                yield return (set.SupertypeId, names[0][^1]);
            }
        }
    }

    private static string Choose(
        string id,
        string own,
        HashSet<string> drawn,
        IReadOnlyDictionary<string, ImmutableArray<string>> otherNames
    ) =>
        otherNames.TryGetValue(id, out var others) && !drawn.Contains(Name.Of(own).Key)
            ? others.FirstOrDefault(other => drawn.Contains(Name.Of(other).Key)) ?? own
            : own;
}
