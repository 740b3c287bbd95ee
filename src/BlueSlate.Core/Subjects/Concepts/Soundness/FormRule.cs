using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

/// <summary>Something about a drawing that is wrong or unfinished whatever the scenario asks.</summary>
/// <param name="Code">The stable code of its rule.</param>
/// <param name="Text">One sentence, in the drawing's own names.</param>
/// <param name="Elements">The elements of the drawing that it is about.</param>
public sealed record FormRemark(string Code, string Text, ImmutableArray<string> Elements);

/// <summary>
/// A rule of good form, which needs no model answer. One class a rule, found by its type; no other code knows which there are.
/// </summary>
public abstract class FormRule
{
    /// <summary>All rules, in the order of their codes.</summary>
    public static IReadOnlyList<FormRule> All { get; } =
    [
        .. typeof(FormRule)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(FormRule)) && !type.IsAbstract)
            .Select(type => (FormRule)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(rule => rule.Code, StringComparer.Ordinal),
    ];

    /// <summary>Its stable code.</summary>
    public abstract string Code { get; }

    /// <summary>All remarks on a drawing, rule by rule, each in the drawing's order.</summary>
    public static ImmutableArray<FormRemark> Check(Drawing drawing, WorkOptions options) =>
        options is NotationOptions learned ? Check(Notation.Read(drawing, learned), learned) : [];

    /// <inheritdoc cref="Check(Drawing, WorkOptions)" />
    public static ImmutableArray<FormRemark> Check(Reading reading, NotationOptions options) =>
        [.. All.SelectMany(rule => rule.Remarks(reading, options))];

    /// <summary>What this rule has to say of a drawing.</summary>
    public abstract IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options);

    /// <summary>A remark of this rule.</summary>
    protected FormRemark Say(string text, params ImmutableArray<string> elements) => new(Code, text, elements);

    /// <summary>A name as people would say it, also where there is none yet.</summary>
    protected static string NameOf(EntityType entity) => entity.Name.Length == 0 ? "a box without a name" : entity.Name;
}
