using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Text.Json;

namespace BlueSlate.Core.Drawings;

/// <summary>
/// The symbols of which drawings are made, each a file of data that this core, the painters and the slate read alike. A symbol
/// says how it is drawn and which notations use it, never what it means.
/// </summary>
public static class Symbols
{
    /// <summary>The figures that a shape may have.</summary>
    public static SymbolTable Forms { get; } = SymbolTable.Load("forms");

    /// <summary>What may stand at the end of a line, one after the other from the box outward.</summary>
    public static SymbolTable Ends { get; } = SymbolTable.Load("ends");

    /// <summary>What may stand on a line between its ends.</summary>
    public static SymbolTable Along { get; } = SymbolTable.Load("along");
}

/// <summary>All symbols of one kind, by name.</summary>
public sealed class SymbolTable
{
    private readonly FrozenDictionary<string, Symbol> byName;

    private SymbolTable(ImmutableArray<Symbol> symbols)
    {
        All = symbols;
        byName = symbols.ToFrozenDictionary(symbol => symbol.Name, StringComparer.Ordinal);
    }

    /// <summary>Every symbol, in the order of the names.</summary>
    public ImmutableArray<Symbol> All { get; }

    /// <summary>The symbol with this name; throws when there is none.</summary>
    public Symbol this[string name] => byName[name];

    /// <summary>The one text for a known name, so that equal names are the same object; false for an unknown one.</summary>
    public bool TryRead(string name, out string known)
    {
        var found = byName.TryGetValue(name, out var symbol);
        known = symbol?.Name ?? "";
        return found;
    }

    internal static SymbolTable Load(string folder)
    {
        var assembly = typeof(SymbolTable).Assembly;
        var prefix = $"symbols/{folder}/";
        return new SymbolTable([
            .. assembly
                .GetManifestResourceNames()
                .Where(name => name.StartsWith(prefix, StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)
                .Select(name =>
                {
                    using var stream = assembly.GetManifestResourceStream(name)!;
                    return JsonSerializer.Deserialize<Symbol>(stream, JsonSerializerOptions.Web)!;
                }),
        ]);
    }
}

/// <summary>
/// A symbol's data. Paths hold absolute <c>M L H V C Z</c>. Those of forms count in parts of the shape's width and height, each
/// with a number of pixels after a tilde where wanted (<c>1~-12</c>); all others in pixels, along the line and across it.
/// </summary>
public sealed record Symbol
{
    /// <summary>Its name in the document format.</summary>
    public required string Name { get; init; }

    /// <summary>Its name for people, with an article.</summary>
    public required string Says { get; init; }

    /// <summary>The notations that use it.</summary>
    public ImmutableArray<string> Notations { get; init; } = [];

    /// <summary>Strokes without filling.</summary>
    public ImmutableArray<string> Paths { get; init; } = [];

    /// <summary>Outlines filled with the stroke's colour.</summary>
    public ImmutableArray<string> Filled { get; init; } = [];

    /// <summary>Outlines filled with the ground's colour.</summary>
    public ImmutableArray<string> Hollow { get; init; } = [];

    /// <summary>Circles on the line, filled with the ground's colour.</summary>
    public ImmutableArray<SymbolCircle> Circles { get; init; } = [];

    /// <summary>How far an end's symbol reaches along its line.</summary>
    public double Depth { get; init; }

    /// <summary>A form's closed outline.</summary>
    public ImmutableArray<string> Edge { get; init; } = [];

    /// <summary>Further strokes of a form.</summary>
    public ImmutableArray<string> Details { get; init; } = [];

    /// <summary>What a double outline adds, where it is not the outline once more, smaller by <see cref="Inset"/>.</summary>
    public ImmutableArray<string> Double { get; init; } = [];

    /// <summary>How much smaller, across and down, the inner of two outlines is at each side.</summary>
    public ImmutableArray<double> Inset { get; init; } = [4, 4];

    /// <summary>Where a form's text stands: <c>rows</c>, <c>cells</c>, <c>middle</c>, <c>lines</c> or <c>below</c>.</summary>
    public string Layout { get; init; } = "middle";

    /// <summary>Where straight lines end: at a <c>box</c>, <c>ellipse</c>, <c>diamond</c> or <c>dome</c>.</summary>
    public string Rim { get; init; } = "box";

    /// <summary>A form's least width and height.</summary>
    public ImmutableArray<double> Least { get; init; } = [90, 40];

    /// <summary>How much wider than its text a form is, in pixels, after <see cref="Widen"/>.</summary>
    public double Pad { get; init; }

    /// <summary>How many times as wide as its text a form is.</summary>
    public double Widen { get; init; } = 1;

    /// <summary>How far beneath the middle a form's text stands.</summary>
    public double Drop { get; init; }

    /// <summary>Whether a form is filled with the stroke's colour.</summary>
    public bool Solid { get; init; }
}

/// <summary>A circle on a line: how far from the end its middle is, and its radius.</summary>
public sealed record SymbolCircle(double X, double R);

/// <summary>Names of forms that readers know.</summary>
public static class Form
{
    /// <summary>A box.</summary>
    public const string Rectangle = "rectangle";

    /// <summary>A box with rounded corners.</summary>
    public const string Rounded = "rounded";

    /// <summary>A row of cells, with a name before it.</summary>
    public const string Strip = "strip";

    /// <summary>An oval.</summary>
    public const string Oval = "oval";

    /// <summary>A diamond.</summary>
    public const string Diamond = "diamond";

    /// <summary>A diamond in a box.</summary>
    public const string DiamondInRectangle = "diamond-in-rectangle";

    /// <summary>A circle with a text in it.</summary>
    public const string Circle = "circle";

    /// <summary>A half circle, round above and flat beneath.</summary>
    public const string HalfCircle = "half-circle";

    /// <summary>A small circle with its text beneath.</summary>
    public const string Ball = "ball";

    /// <summary>A note.</summary>
    public const string Note = "note";

    /// <summary>A point where lines meet.</summary>
    public const string Junction = "junction";
}

/// <summary>Names of symbols at line ends that readers know.</summary>
public static class EndMark
{
    /// <summary>A bar across the line.</summary>
    public const string Bar = "bar";

    /// <summary>A ring.</summary>
    public const string Ring = "ring";

    /// <summary>A foot with its toes on the box.</summary>
    public const string Foot = "foot";

    /// <summary>A foot with its toes turned away.</summary>
    public const string FootOutward = "foot-outward";

    /// <summary>A filled arrowhead.</summary>
    public const string Arrow = "arrow";

    /// <summary>An open arrowhead.</summary>
    public const string OpenArrow = "open-arrow";

    /// <summary>A hollow triangle.</summary>
    public const string Triangle = "triangle";

    /// <summary>A solid triangle.</summary>
    public const string SolidTriangle = "solid-triangle";

    /// <summary>A hollow diamond.</summary>
    public const string Diamond = "diamond";

    /// <summary>A solid diamond.</summary>
    public const string SolidDiamond = "solid-diamond";

    /// <summary>A cross.</summary>
    public const string Cross = "cross";

    /// <summary>A socket.</summary>
    public const string Socket = "socket";
}

/// <summary>Names of symbols on lines that readers know.</summary>
public static class AlongMark
{
    /// <summary>A cup, open to one end.</summary>
    public const string Cup = "cup";
}
