namespace BlueSlate.Guide.Examples;

/// <summary>The examples of one area of findings. One class an area, found by its type.</summary>
public abstract class ExampleArea
{
    private static readonly Dictionary<string, (ExampleArea Area, FindingExample Example)> All = typeof(ExampleArea)
        .Assembly.GetTypes()
        .Where(type => type.IsSubclassOf(typeof(ExampleArea)))
        .Select(type => (ExampleArea)Activator.CreateInstance(type, nonPublic: true)!)
        .SelectMany(area => area.ByCode.Select(pair => (pair.Key, (area, pair.Value))))
        .ToDictionary(StringComparer.Ordinal);

    /// <summary>What these kinds of findings are about, in a few words.</summary>
    public abstract string Title { get; }

    /// <summary>For the code of each kind a model answer and an answer in which this kind, and no other, is found.</summary>
    public abstract IReadOnlyDictionary<string, FindingExample> ByCode { get; }

    /// <summary>The codes that have an example.</summary>
    public static IEnumerable<string> Codes => All.Keys;

    /// <summary>The example of a kind of finding; throws when there is none.</summary>
    public static FindingExample Of(string code) =>
        All.TryGetValue(code, out var found) ? found.Example : throw new KeyNotFoundException($"There is no example of {code}.");

    /// <summary>What a kind of finding is about: the title of its area.</summary>
    public static string TitleOf(string code) => All[code].Area.Title;
}
