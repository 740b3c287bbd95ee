using System.Collections.Immutable;
using System.Text.Json;

namespace BlueSlate.Core.Subjects.Concepts.Matching;

/// <summary>
/// How much each sign counts by which things of two drawings are held for one. The numbers are data, in
/// <c>weights.json</c> beside this file, found from marked answers as docs/weights.md says; an entity of the model answer that
/// is missing costs 1, so that all read as parts of it.
/// </summary>
public sealed class Weights
{
    private static readonly Lazy<Weights> Own = new(Load);

    private Weights(ImmutableSortedDictionary<string, double> values) => Values = values;

    /// <summary>Those that are shipped.</summary>
    public static Weights Shipped => Own.Value;

    /// <summary>All of them by name.</summary>
    public ImmutableSortedDictionary<string, double> Values { get; }

    /// <summary>The same with some of them changed.</summary>
    /// <exception cref="KeyNotFoundException">There is none of that name.</exception>
    public Weights With(IEnumerable<KeyValuePair<string, double>> changes)
    {
        var changed = Values;
        foreach (var (name, value) in changes)
        {
            changed = changed.ContainsKey(name)
                ? changed.SetItem(name, value)
                : throw new KeyNotFoundException($"There is no weight “{name}”.");
        }

        return changed == Values ? this : new Weights(changed);
    }

    internal double this[string name] => Values[name];

    private static Weights Load()
    {
        using var stream = typeof(Weights).Assembly.GetManifestResourceStream("matching/weights.json")
            ?? throw new InvalidOperationException("The weights are not in the assembly.");
        return new Weights(
            JsonSerializer.Deserialize<Dictionary<string, double>>(stream)!.ToImmutableSortedDictionary(StringComparer.Ordinal)
        );
    }
}
