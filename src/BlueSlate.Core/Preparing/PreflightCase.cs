using System.Collections.Frozen;
using System.Collections.Immutable;
using BlueSlate.Core.Interchange;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Language.Scenarios;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Preparing;

/// <summary>One part of an exercise as it is being written.</summary>
/// <param name="Model">Its model answer.</param>
/// <param name="Options">What the class has learned.</param>
/// <param name="Prose">The scenario.</param>
public sealed record PreflightCase(IDocument Model, WorkOptions Options, ScenarioProse Prose)
{
    /// <summary>A part as its documents have it.</summary>
    public static PreflightCase Of(PartDocument part, IDocument model, AssessmentDocument assessment, ScenarioProse prose) =>
        new(model, part.Learned, prose)
        {
            Terms = assessment.ToTerms(part.Learned),
            Tolerances = new Tolerances(assessment.ToTolerances()),
            Scheme = assessment.Scheme?.ToScheme(),
            Marks = part.Marks,
            Minutes = part.Minutes,
        };

    /// <summary>What the document is called where something is said of it.</summary>
    public string Drawn { get; init; } = "the model answer";

    /// <summary>The exercise's own words.</summary>
    public ExerciseTerms Terms { get; init; } = ExerciseTerms.Usual;

    /// <summary>What is accepted besides the model answer.</summary>
    public Tolerances Tolerances { get; init; } = Tolerances.None;

    /// <summary>What earns marks; null until a scheme has been derived.</summary>
    public MarkingScheme? Scheme { get; init; }

    /// <summary>The marks that are to be had; null where none are said.</summary>
    public Rational? Marks { get; init; }

    /// <summary>The time allowed, in minutes; null for no limit.</summary>
    public int? Minutes { get; init; }

    /// <summary>
    /// How long earlier students needed for each thing that this part's model answer states, in seconds; null where nobody has
    /// worked on it.
    /// </summary>
    public double? SecondsPerFact { get; init; }

    /// <summary>What the model answer states.</summary>
    public ImmutableArray<Fact> Facts { get; } = Subject.Of(Options).Facts(Model, Options);

    /// <summary>Whether more than the model answer is accepted at a fact, or nothing of it is marked.</summary>
    public bool IsTolerated(string factId) =>
        Tolerances.At(factId) is { } said && (said.Optional || said.NotAssessed || said.Accepted.Length > 0);
}

/// <summary>A kind of thing that may be amiss with an exercise. One class a kind, found by its type.</summary>
public abstract class PreflightKind
{
    /// <summary>Its stable name, lower case with hyphens.</summary>
    public abstract string Name { get; }

    /// <summary>Its place in the list: what decides most comes first.</summary>
    public abstract int Order { get; }

    /// <summary>What it is called over several items, for people.</summary>
    public abstract string Title { get; }

    /// <summary>All of a sort, in their order.</summary>
    public static ImmutableArray<TKind> Of<TKind>()
        where TKind : PreflightKind =>
        [
            .. typeof(PreflightKind)
                .Assembly.GetTypes()
                .Where(type => type.IsSubclassOf(typeof(TKind)) && !type.IsAbstract)
                .Select(type => (TKind)Activator.CreateInstance(type, nonPublic: true)!)
                .OrderBy(kind => kind.Order)
                .ThenBy(kind => kind.Name, StringComparer.Ordinal),
        ];

    /// <summary>An item of this kind about an element, a fact or words.</summary>
    protected PreflightItem Item(string about, string said) => new(Name, $"{Name}:{about}", said);
}

/// <summary>A kind that needs to know nothing of what the work is about.</summary>
public abstract class GeneralPreflightKind : PreflightKind
{
    /// <summary>What is amiss.</summary>
    public abstract IEnumerable<PreflightItem> Find(PreflightCase one);
}

/// <summary>Looks an exercise over before anybody sees it.</summary>
public static class Preflight
{
    private static readonly ImmutableArray<GeneralPreflightKind> General = PreflightKind.Of<GeneralPreflightKind>();

    private static readonly FrozenDictionary<string, PreflightKind> ByName = PreflightKind
        .Of<PreflightKind>()
        .ToFrozenDictionary(kind => kind.Name, StringComparer.Ordinal);

    /// <summary>Everything that may be amiss, what decides most first. The same exercise gives the same items.</summary>
    public static ImmutableArray<PreflightItem> Of(PreflightCase one) =>
        [
            .. Subject
                .Of(one.Options)
                .Preflight(one)
                .Concat(General.SelectMany(kind => kind.Find(one)))
                .DistinctBy(item => item.Key)
                .OrderBy(item => ByName[item.Kind].Order),
        ];

    /// <summary>What a kind is called over several items.</summary>
    public static string TitleOf(string kind) => ByName[kind].Title;
}
