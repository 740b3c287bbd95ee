using System.Collections.Immutable;
using BlueSlate.Core.Language;

namespace BlueSlate.Core.Subjects.Dependencies.Drawn;

/// <summary>An attribute as it is drawn.</summary>
/// <param name="Id">The box or the line of text that names it first; empty where it stands in tables only.</param>
/// <param name="Name">Its name.</param>
/// <param name="IsInKey">Whether it is underlined, or marked as part of the key.</param>
/// <param name="Elements">Everything that names it.</param>
internal sealed record DrawnAttribute(string Id, Name Name, bool IsInKey, ImmutableArray<string> Elements)
{
    /// <summary>Whether its box is dashed: it is worked out from others, and need not be kept.</summary>
    public bool IsCalculated { get; init; }

    /// <summary>Its name as it stands in running text.</summary>
    public string Text => Phrasing.InText(Name.Text);
}

/// <summary>An arrow: its determinant determines one attribute.</summary>
/// <param name="Id">The line whose head stands at what is determined.</param>
/// <param name="From">The determinant, by the numbers of its attributes.</param>
/// <param name="To">What is determined.</param>
/// <param name="IsMultivalued">Whether it determines a set of values, and not one.</param>
/// <param name="Elements">The line, and with several attributes in the determinant what gathers them.</param>
internal sealed record DrawnDependency(string Id, AttributeSet From, int To, bool IsMultivalued, ImmutableArray<string> Elements)
{
    /// <summary>What is written at it.</summary>
    public DependencyLetter Letter { get; init; }

    /// <summary>The lines that draw the same once more, in tables of stages.</summary>
    public ImmutableArray<string> Again { get; init; } = [];

    /// <summary>Whether another arrow says the same, wherever it is drawn.</summary>
    public bool SaysTheSame(DrawnDependency other) =>
        From == other.From && To == other.To && IsMultivalued == other.IsMultivalued;

    /// <summary>As a dependency.</summary>
    public Dependency Dependency => new(From, AttributeSet.Of(To));

    /// <summary>What its determinant does: <c>determines</c>.</summary>
    public string Verb => $"{(IsMultivalued ? "multidetermine" : "determine")}{(From.Count == 1 ? "s" : "")}";
}

/// <summary>Something that cannot be read.</summary>
internal enum DependencyRemarkKind
{
    /// <summary>A line between attributes that points nowhere.</summary>
    NoHead,

    /// <summary>A line of which an end is at nothing that is an attribute.</summary>
    LooseEnd,

    /// <summary>Arrows that come from a gather to which nothing is led.</summary>
    EmptyGather,
}

/// <summary>A remark at an element, and the attributes between which it stands.</summary>
internal sealed record DependencyRemark(DependencyRemarkKind Kind, string ElementId, AttributeSet Between = default);

/// <summary>What a dependency diagram says, with the stages that follow it.</summary>
/// <param name="Attributes">Those that are laid out, then those that stand in tables only.</param>
/// <param name="Laid">How many are laid out.</param>
/// <param name="Dependencies">Its arrows.</param>
/// <param name="Remarks">What cannot be read.</param>
/// <param name="Stages">The sheets with tables.</param>
internal sealed record DependencyReading(
    ImmutableArray<DrawnAttribute> Attributes,
    int Laid,
    ImmutableArray<DrawnDependency> Dependencies,
    ImmutableArray<DependencyRemark> Remarks,
    ImmutableArray<Stage> Stages
)
{
    private DependencySet? stored;

    /// <summary>What notes list beside it.</summary>
    public Listing Listed { get; init; } = Listing.None;

    /// <summary>The attributes that are laid out.</summary>
    public IEnumerable<DrawnAttribute> LaidOut => Attributes.Take(Laid);

    /// <summary>The attributes of the key that is marked; empty for none.</summary>
    public AttributeSet Key { get; } = AttributeSet.Of(Enumerable.Range(0, Attributes.Length).Where(i => Attributes[i].IsInKey));

    /// <summary>The attributes that are shown as calculated; empty for none.</summary>
    public AttributeSet Calculated { get; } = AttributeSet.Of(Enumerable.Range(0, Laid).Where(i => Attributes[i].IsCalculated));

    /// <summary>The dependencies among what has to be kept: without what is calculated.</summary>
    public DependencySet Stored => stored ??= Set.Without(Calculated);

    /// <summary>Its dependencies as they are computed with, among the attributes that are laid out.</summary>
    public DependencySet Set { get; } =
        new(
            [.. Attributes.Take(Laid).Select(attribute => attribute.Name.Text)],
            [.. Dependencies.Where(arrow => !arrow.IsMultivalued).Select(arrow => arrow.Dependency)],
            [.. Dependencies.Where(arrow => arrow.IsMultivalued).Select(arrow => arrow.Dependency)]
        );

    /// <summary>Attributes that are listed together, by their names.</summary>
    public ImmutableArray<string> NamesIn(ListedSet listed) =>
        [.. listed.Attributes.Select(i => Attributes[i].Name.Text), .. listed.Strange];

    /// <summary>A set of attributes in running text: <c>visit no and item no</c>.</summary>
    public string Say(AttributeSet set) => Phrasing.List([.. set.Select(attribute => Attributes[attribute].Text)]);
}
