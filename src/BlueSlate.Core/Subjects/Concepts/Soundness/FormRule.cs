using System.Collections.Immutable;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Notations;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Subjects.Concepts.Soundness;

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
    public static ImmutableArray<FormRemark> Check(Reading reading, NotationOptions options) =>
        [.. All.SelectMany(rule => rule.Remarks(reading, options))];

    /// <summary>What this rule has to say of a drawing.</summary>
    public abstract IEnumerable<FormRemark> Remarks(Reading reading, NotationOptions options);

    /// <summary>A remark of this rule.</summary>
    protected FormRemark Say(string text, params ImmutableArray<string> elements) => new(Code, text, elements);

    /// <summary>A name as people would say it, also where there is none yet.</summary>
    protected static string NameOf(EntityType entity) => entity.Name.Length == 0 ? "a box without a name" : entity.Name;
}
