using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// A notation: how a drawing is read, and how concepts are drawn. One class a notation, found by its type; no other code
/// knows which there are.
/// </summary>
public abstract class Notation
{
    /// <summary>All notations, in the order of their names.</summary>
    public static IReadOnlyList<Notation> All { get; } =
    [
        .. typeof(Notation)
            .Assembly.GetTypes()
            .Where(type => type.IsSubclassOf(typeof(Notation)) && !type.IsAbstract)
            .Select(type => (Notation)Activator.CreateInstance(type, nonPublic: true)!)
            .OrderBy(notation => notation.Name, StringComparer.Ordinal),
    ];

    /// <summary>Its name in documents.</summary>
    public abstract string Name { get; }

    /// <summary>Its name for people: <c>crow's foot</c>.</summary>
    public abstract string Title { get; }

    /// <summary>The options of a class that has learned what is common, at conceptual level.</summary>
    public abstract NotationOptions Usual { get; }

    /// <summary>What it calls a kind of thing.</summary>
    public virtual string ThingWord => "entity";

    /// <summary>Whether it shows the parts of composite attributes as such.</summary>
    public virtual bool ShowsComposites => false;

    /// <summary>Whether it tells kinds of links apart: associations, aggregations, compositions, dependencies.</summary>
    public virtual bool ShowsLinkKinds => false;

    /// <summary>Whether it shows which relationships identify one of their sides.</summary>
    public virtual bool ShowsIdentifying => true;

    /// <summary>Whether it shows by which attributes an entity is identified.</summary>
    public virtual bool ShowsKeys => true;

    /// <summary>
    /// What somebody means who types a count of which only one side is said, where the notation has nothing to say that side alone with;
    /// the count itself where it has.
    /// </summary>
    public virtual Count AsDrawn(Count typed) => typed;

    /// <summary>Whether columns can be marked as foreign keys.</summary>
    public virtual bool ShowsForeignKeys => false;

    /// <summary>
    /// Whether a relationship's name, and that it identifies, stand at a diamond of its own rather than at its line.
    /// </summary>
    public virtual bool HasDiamonds => false;

    /// <summary>Whether it shows what a member is besides its name: type, visibility, operations.</summary>
    public virtual bool ShowsMembers => false;

    /// <summary>The sign that says something of an attribute, as words that go before its name.</summary>
    public virtual string SignOf(AttributeForm form) =>
        form switch
        {
            AttributeForm.Several => "Curly brackets around",
            AttributeForm.Derived => "Square brackets around",
            _ => "The ring before",
        };

    /// <summary>The notation with this name; throws when there is none.</summary>
    public static Notation Of(string name) =>
        All.FirstOrDefault(notation => notation.Name == name)
        ?? throw new ArgumentException($"There is no notation “{name}”.", nameof(name));

    /// <summary>What a drawing says to a class that has learned the notation with these options.</summary>
    public static Reading Read(Drawing drawing, NotationOptions options)
    {
        var reading = ReadSheets(drawing, options);
        return reading with
        {
            Model = reading.Model with { Notes = Noted.In(drawing) },
            SaysKeys = Of(options.Notation).ShowsKeys,
        };
    }

    private static Reading ReadSheets(Drawing drawing, NotationOptions options)
    {
        if (!options.OneNameIsOneElement || drawing.Sheets.Length < 2)
        {
            return Of(options.Notation).ReadDrawing(drawing, options);
        }

        var (one, besides) = OneNameOneElement.Of(drawing);
        return OneNameOneElement.Traced(Of(options.Notation).ReadDrawing(one, options), besides);
    }

    /// <summary>
    /// Reads a drawing. It is total: any drawing gives a reading, and what cannot be read or is drawn wrong gives a remark. No
    /// recursion follows what was drawn.
    /// </summary>
    public abstract Reading ReadDrawing(Drawing drawing, NotationOptions options);

    /// <summary>
    /// The element at which the notation draws a count: how few, or how many, of a role's entity go with what is at the other
    /// roles.
    /// </summary>
    public abstract string WhereCountStands(
        RelationshipType relationship,
        RelationshipRole role,
        bool minimum,
        NotationOptions options
    );

    /// <summary>Draws concepts, without places.</summary>
    public abstract Redrawing Write(ConceptModel model, NotationOptions options);
}

/// <summary>A notation with options of its own.</summary>
public abstract class Notation<TOptions> : Notation
    where TOptions : NotationOptions, new()
{
    /// <inheritdoc />
    public sealed override string Name => Usual.Notation;

    /// <inheritdoc />
    public sealed override NotationOptions Usual { get; } = new TOptions();

    /// <inheritdoc />
    public sealed override Reading ReadDrawing(Drawing drawing, NotationOptions options) => ReadDrawing(drawing, Own(options));

    /// <inheritdoc cref="Notation.ReadDrawing(Drawing, NotationOptions)" />
    protected abstract Reading ReadDrawing(Drawing drawing, TOptions options);

    /// <inheritdoc />
    public sealed override Redrawing Write(ConceptModel model, NotationOptions options) => Write(model, Own(options));

    /// <inheritdoc cref="Notation.Write(ConceptModel, NotationOptions)" />
    protected abstract Redrawing Write(ConceptModel model, TOptions options);

    /// <inheritdoc />
    public sealed override string WhereCountStands(
        RelationshipType relationship,
        RelationshipRole role,
        bool minimum,
        NotationOptions options
    ) => WhereCountStands(relationship, role, minimum, Own(options));

    /// <inheritdoc cref="Notation.WhereCountStands(RelationshipType, RelationshipRole, bool, NotationOptions)" />
    protected virtual string WhereCountStands(
        RelationshipType relationship,
        RelationshipRole role,
        bool minimum,
        TOptions options
    ) => role.Id;

    private TOptions Own(NotationOptions options) =>
        options as TOptions
        ?? throw new ArgumentException($"These are options of {options.Notation}, not of {Name}.", nameof(options));
}

/// <summary>What may be said of an attribute: that it has several values, is worked out, may be absent.</summary>
public enum AttributeForm
{
    Several,
    Derived,
    Optional,
}

/// <summary>
/// Concepts drawn in a notation, and what the notation cannot say, in sentences; each stands in a note of the drawing too.
/// </summary>
public sealed record Redrawing(Drawing Drawing, ImmutableArray<string> Unsaid);
