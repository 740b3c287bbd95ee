using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Checking.Findings.NotationFaults;

namespace BlueSlate.Core.Subjects.Concepts.Checking;

/// <summary>
/// A kind of finding about concepts. One class a kind, found by its type, and one entry a fault of notation; no other code
/// knows which kinds there are.
/// </summary>
public abstract class ConceptFindingKind : FindingKind
{
    /// <summary>All kinds about concepts, in the order of their codes.</summary>
    internal static IReadOnlyList<ConceptFindingKind> OfConcepts { get; } =
    [
        .. typeof(ConceptFindingKind)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(ConceptFindingKind)) && !type.IsAbstract && type != typeof(NotationFault))
            .Select(type => (ConceptFindingKind)Activator.CreateInstance(type, nonPublic: true)!)
            .Concat(NotationFault.OfCatalogue)
            .OrderBy(kind => kind.Code, StringComparer.Ordinal),
    ];

    /// <summary>The findings that this kind proposes.</summary>
    public abstract IEnumerable<Finding> Find(Evidence evidence);
}
