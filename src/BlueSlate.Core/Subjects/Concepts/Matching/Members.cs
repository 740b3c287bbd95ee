using BlueSlate.Core.Language;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>How many of their operations and literals two classes have in common, as far as can be told of the classes alone.</summary>
internal static class Members
{
    private const double BySignature = 0.5;

    /// <summary>The number of members that are alike: by name in full, of one signature alone, or in number, by half.</summary>
    public static double Alike(NamedEntity model, NamedEntity answer)
    {
        var (mine, theirs) = (Literals(model), Literals(answer));
        return model.Entity.Operations.IsEmpty && mine.Count == 0
            ? 0
            : Matched(model.Entity.Operations, answer.Entity.Operations, operation => operation.Name, SameSignature)
                + Matched(mine, theirs, literal => literal, (_, _) => true);
    }

    // Without the mark of an enumeration its words stand where a class has its attributes.
    private static IReadOnlyList<string> Literals(NamedEntity entity) =>
        entity.Entity.Kind == EntityKind.Enumeration ? [.. entity.Entity.Literals.Select(literal => literal.Name)]
        : entity.Nature == EntityKind.Enumeration ? [.. entity.Attributes.Select(attribute => attribute.Attribute.Name)]
        : [];

    /// <summary>Whether two operations take and give the same sorts of things, as far as types are not things of the drawings.</summary>
    public static bool SameSignature(Operation one, Operation other) =>
        one.ClassScope == other.ClassScope
        && one.Parameters.Length == other.Parameters.Length
        && SameType(one.Returns, other.Returns)
        && one.Parameters.Zip(other.Parameters).All(pair => SameType(pair.First.Type, pair.Second.Type));

    private static bool SameType(string one, string other) =>
        TypeFamily.Same(one, other) || (!TypeFamily.IsCommon(one) && !TypeFamily.IsCommon(other));

    private static double Matched<T>(
        IReadOnlyList<T> mine,
        IReadOnlyList<T> theirs,
        Func<T, string> nameOf,
        Func<T, T, bool> sameForm
    )
    {
        var left = theirs.ToList();
        var (total, strange) = (0.0, new List<T>());
        foreach (var one in mine)
        {
            var name = Name.Of(nameOf(one));
            var at = left.FindIndex(other => NameSimilarity.Of(name, Name.Of(nameOf(other))).Value >= AttributeMatcher.Sureness);
            if (at >= 0)
            {
                left.RemoveAt(at);
                total++;
            }
            else
            {
                strange.Add(one);
            }
        }

        foreach (var at in strange.Select(one => left.FindIndex(other => sameForm(one, other))).Where(at => at >= 0))
        {
            left.RemoveAt(at);
            total += BySignature;
        }

        return total;
    }
}
