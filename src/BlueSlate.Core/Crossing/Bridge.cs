using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Crossing;

/// <summary>
/// A way from the documents of one subject to those of another, for whoever goes on there: what the one says, as far as the other can
/// say it. One class a pair of subjects, found by its type.
/// </summary>
internal abstract class Bridge
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<Bridge> All { get; } =
    [
        .. typeof(Bridge)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(Bridge)) && !type.IsAbstract)
            .Select(type => (Bridge)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(bridge => bridge.GetType().Name, StringComparer.Ordinal),
    ];

    /// <summary>Whether it leads from work under the one options to work under the other.</summary>
    public abstract bool Leads(WorkOptions from, WorkOptions to);

    /// <summary>The document on the other side, without places; null where there is nothing to take across.</summary>
    /// <param name="document">The document.</param>
    /// <param name="from">Its options.</param>
    /// <param name="to">The options under which the other is read.</param>
    /// <param name="piece">What of it is meant.</param>
    public abstract IDocument? Cross(IDocument document, WorkOptions from, WorkOptions to, Piece piece);
}
