using BlueSlate.Core.Preparing;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>What the model answer marks as the key is no candidate key by its own arrows.</summary>
internal sealed class KeyAgainstArrows : DependencyPreflightKind
{
    public override string Name => "chosen-key-wrong";

    public override int Order => 3;

    public override string Title => "The key against the arrows";

    public override IEnumerable<PreflightItem> Find(DependencyPreflight one)
    {
        var (reading, all) = (one.Reading, one.Reading.Set.All);
        if (reading.Key.IsEmpty)
        {
            return [];
        }

        var implied = reading.Set.Implied;
        var (key, does) = (reading.Say(reading.Key), reading.Key.Count == 1 ? "does" : "do");
        var left = all - implied.ClosureOf(reading.Key);
        var spare = reading.Key.FirstOrDefault(i => implied.ClosureOf(reading.Key - AttributeSet.Of(i)) == all, -1);
        var said =
            !left.IsEmpty ? $"By the arrows, {key} {does} not determine {reading.Say(left)}, and so cannot be the key."
            : spare >= 0 ? $"The key needs no {reading.Attributes[spare].Text}: the rest of it determines everything."
            : null;
        return said is null
            ? []
            :
            [
                Item(reading.Attributes[reading.Key.First()].Id, said) with
                {
                    Elements = [.. reading.Key.Select(i => reading.Attributes[i].Id)],
                },
            ];
    }
}
