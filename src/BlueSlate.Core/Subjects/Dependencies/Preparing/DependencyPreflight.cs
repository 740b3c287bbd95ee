using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Preparing;
using BlueSlate.Core.Subjects.Dependencies.Drawn;

namespace BlueSlate.Core.Subjects.Dependencies.Preparing;

/// <summary>Looks over an exercise whose model answer is a dependency diagram.</summary>
internal sealed class DependencyPreflight
{
    private static readonly ImmutableArray<DependencyPreflightKind> Kinds = PreflightKind.Of<DependencyPreflightKind>();

    private DependencyPreflight(PreflightCase one) => (Case, Reading) = (one, DependencyReader.Read((Drawing)one.Model));

    /// <summary>The exercise.</summary>
    public PreflightCase Case { get; }

    /// <summary>What the model answer says.</summary>
    public DependencyReading Reading { get; }

    /// <summary>Everything that may be amiss.</summary>
    public static IEnumerable<PreflightItem> Of(PreflightCase one)
    {
        var preflight = new DependencyPreflight(one);
        return Kinds.SelectMany(kind => kind.Find(preflight));
    }

    /// <summary>What the rows of the scenario speak against.</summary>
    public static IEnumerable<PreflightItem> AgainstRows(PreflightCase one)
    {
        if (one.Prose.Tables.IsEmpty)
        {
            return [];
        }

        var preflight = new DependencyPreflight(one);
        return Kinds.Where(kind => kind.IsOfRows).SelectMany(kind => kind.Find(preflight));
    }
}

/// <summary>A kind of thing that may be amiss with an exercise about dependencies.</summary>
internal abstract class DependencyPreflightKind : PreflightKind
{
    /// <summary>Whether rows of the scenario speak against what is drawn.</summary>
    public virtual bool IsOfRows => false;

    /// <summary>What is amiss.</summary>
    public abstract IEnumerable<PreflightItem> Find(DependencyPreflight one);
}
