using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

internal sealed class SubtypeCycle : FormRule
{
    public override string Code => "subtype-cycle";

    public override IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options)
    {
        var model = reading.Model;
        var supers = model
            .Specialisations.SelectMany(set => set.Subtypes.Select(link => (Sub: link.EntityId, Super: set.SupertypeId)))
            .ToLookup(pair => pair.Sub, pair => pair.Super, StringComparer.Ordinal);
        return model
            .Entities.Where(entity => Above(supers, entity.Id).Contains(entity.Id))
            .Select(entity => Say($"{NameOf(entity)} is a kind of itself, by way of others.", entity.Id));
    }

    private static HashSet<string> Above(ILookup<string, string> supers, string id)
    {
        var found = new HashSet<string>(StringComparer.Ordinal);
        var open = new Stack<string>(supers[id]);
        while (open.TryPop(out var next))
        {
            if (found.Add(next))
            {
                foreach (var further in supers[next])
                {
                    open.Push(further);
                }
            }
        }

        return found;
    }
}
