using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How an entity stands among the others, whatever it is called: for each of its ends what is said there and at the far side,
/// its place in trees of subtypes, its kind and how many attributes it has.
/// </summary>
internal sealed record EntityShape(string[] Ends, int Above, int Below, EntityKind Kind, bool Abstract, int Attributes)
{
    public static EntityShape Of(NamedEntity entity, int index, Side side)
    {
        var ends = new List<string>();
        foreach (var link in side.Links)
        {
            var (from, to) = (link.Relationship.Roles[0].CoOccurrence, link.Relationship.Roles[1].CoOccurrence);
            if (link.From == index)
            {
                ends.Add($"{from} {to} {link.Relationship.Kind} {link.To == index}");
            }

            if (link.To == index)
            {
                ends.Add($"{to} {from} {link.Relationship.Kind} {link.From == index}");
            }
        }

        ends.Sort(StringComparer.Ordinal);
        return new EntityShape(
            [.. ends],
            side.Trees.Count(tree => tree.Sub == index),
            side.Trees.Count(tree => tree.Super == index),
            entity.Entity.Kind,
            entity.Entity.Abstract,
            entity.Attributes.Length
        );
    }

    /// <summary>From 0 to 1.</summary>
    public double Likeness(EntityShape other)
    {
        int i = 0,
            j = 0,
            same = 0;
        while (i < Ends.Length && j < other.Ends.Length)
        {
            var order = string.CompareOrdinal(Ends[i], other.Ends[j]);
            (i, j, same) =
                order == 0 ? (i + 1, j + 1, same + 1)
                : order < 0 ? (i + 1, j, same)
                : (i, j + 1, same);
        }

        var most = Math.Max(Ends.Length, other.Ends.Length) + Math.Max(Above, other.Above) + Math.Max(Below, other.Below) + 2.0;
        var kept =
            same
            + Math.Min(Above, other.Above)
            + Math.Min(Below, other.Below)
            + (Kind == other.Kind && Abstract == other.Abstract ? 1 : 0)
            + (1.0 / (1 + Math.Abs(Attributes - other.Attributes)));
        return kept / most;
    }
}
