using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Populations.Examples;

/// <summary>
/// A kind of example: what to set up so that two models judge it differently. One class a kind, found by its type. A source
/// only proposes; nothing is taken on its word.
/// </summary>
internal abstract class ExampleSource
{
    /// <summary>All sources, in the order of their names.</summary>
    public static IReadOnlyList<ExampleSource> All { get; } =
    [
        .. typeof(ExampleSource)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(ExampleSource)))
            .OrderBy(type => type.Name, StringComparer.Ordinal)
            .Select(type => (ExampleSource)Activator.CreateInstance(type)!),
    ];

    /// <summary>What it proposes for a dispute, the plainest first.</summary>
    public abstract IEnumerable<Proposal> Propose(Dispute dispute);
}

/// <summary>A few things set up on purpose, to be grown into a population and judged.</summary>
/// <param name="Kind">Who is to allow it.</param>
/// <param name="Seed">What is set up, in the model by which it is to grow.</param>
/// <param name="AsDrawn">The model answer with what is drawn in the place of the facts in dispute.</param>
/// <param name="About">Ids of the facts that the example turns on; all that is accepted at them is considered.</param>
/// <param name="Show">The table of a population.</param>
internal sealed record Proposal(
    ExampleKind Kind,
    Growth Seed,
    ConceptModel AsDrawn,
    IReadOnlyCollection<string> About,
    Func<Population, ExampleTable> Show
)
{
    /// <summary>
    /// What has to hold of the population instead, where the drawing cannot be put into the model answer's terms.
    /// </summary>
    public Func<Population, bool>? Holds { get; init; }
}
