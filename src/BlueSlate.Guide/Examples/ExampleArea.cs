namespace BlueSlate.Guide.Examples;

/// <summary>The examples of one area of findings. One class an area, found by its type.</summary>
public abstract class ExampleArea
{
    private static readonly Dictionary<string, FindingExample> All = typeof(ExampleArea)
        .Assembly.GetTypes()
        .Where(type => type.IsSubclassOf(typeof(ExampleArea)))
        .SelectMany(type => ((ExampleArea)Activator.CreateInstance(type, nonPublic: true)!).ByCode)
        .ToDictionary(StringComparer.Ordinal);

    /// <summary>For the code of each kind a model answer and an answer in which this kind, and no other, is found.</summary>
    public abstract IReadOnlyDictionary<string, FindingExample> ByCode { get; }

    /// <summary>The codes that have an example.</summary>
    public static IEnumerable<string> Codes => All.Keys;

    /// <summary>The example of a kind of finding; throws when there is none.</summary>
    public static FindingExample Of(string code) =>
        All.TryGetValue(code, out var example) ? example : throw new KeyNotFoundException($"There is no example of {code}.");
}
