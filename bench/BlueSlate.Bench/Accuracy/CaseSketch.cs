using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Language;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// Draws a case's model or answer with the symbols of its notation, under fresh ids and in any order, and remembers which
/// element says what. Nothing else of the case is in the drawing.
/// </summary>
internal abstract class CaseSketch
{
    private const string OfSpecialisation = "specialisation of ";

    private readonly Random random;
    private readonly List<Shape> shapes = [];
    private readonly List<Line> lines = [];
    private readonly HashSet<string> ids = new(StringComparer.Ordinal);

    protected CaseSketch(CaseModel model, CaseSymbolFault[] faults, int seed)
    {
        (Model, Faults) = (model, faults);
        random = new Random(seed);
    }

    protected CaseModel Model { get; }

    protected CaseSymbolFault[] Faults { get; }

    /// <summary>Element id → path in the case's own words; the line of a generalisation goes by its specialisation.</summary>
    public Dictionary<string, string> PathOf { get; } = new(StringComparer.Ordinal);

    /// <summary>Path → ids of the elements that say it.</summary>
    public ILookup<string, string> ElementsAt => PathOf.ToLookup(pair => pair.Value, pair => pair.Key, StringComparer.Ordinal);

    /// <summary>The sketch of a model answer, or of an answer whose faults may be placed by the model answer's names.</summary>
    public static CaseSketch Of(CaseFile file, CaseModel model, CaseSymbolFault[] faults, int seed)
    {
        CaseSymbolFault[] placed = [.. faults.Select(fault => fault with { At = Resolve(fault.At, model, file.Model) })];
        return file.Notation switch
        {
            "chen" => new ChenSketch(model, placed, seed, ChenSketch.UsesLetters(file.Model)),
            "crowsfoot" => new CrowsFootSketch(model, placed, seed),
            "uml" => new UmlSketch(model, placed, seed),
            _ => throw new InvalidDataException($"There is no notation {file.Notation}."),
        };
    }

    // A fault at “r3” of the model answer is at the answer's relationship between the entities named most alike.
    private static string Resolve(string at, CaseModel drawn, CaseModel wanted)
    {
        if (at.StartsWith(OfSpecialisation, StringComparison.Ordinal))
        {
            return OfSpecialisation + MostAlike(at[OfSpecialisation.Length..], drawn.Specialisations ?? []);
        }

        var id = at.Split(" / ")[0];
        if (
            drawn.Relationships.Any(relationship => relationship.Id == id)
            || wanted.Relationships.FirstOrDefault(relationship => relationship.Id == id) is not { } meant
        )
        {
            return at;
        }

        return drawn
            .Relationships.Where(relationship => relationship.Ends.Length == meant.Ends.Length)
            .OrderByDescending(relationship =>
                Math.Max(Likeness(relationship.Ends, meant.Ends), Likeness([.. relationship.Ends.Reverse()], meant.Ends))
                + (Alike(relationship.Name ?? "", meant.Name ?? "") / 2)
            )
            .First()
            .Id;
    }

    // The supertype of those drawn that is named most like one of the model answer's.
    private static string MostAlike(string super, CaseSpecialisation[] drawn) =>
        drawn
            .Select(specialisation => specialisation.Super)
            .OrderByDescending(other => Alike(super, other))
            .FirstOrDefault(super);

    private static double Likeness(CaseEnd[] ends, CaseEnd[] meant) =>
        ends.Zip(meant).Sum(pair => Alike(pair.First.Entity, pair.Second.Entity));

    private static double Alike(string a, string b) => NameSimilarity.Of(Name.Of(a), Name.Of(b)).Value;

    public Drawing Draw()
    {
        foreach (var entity in Shuffled(Model.Entities))
        {
            DrawEntity(entity);
        }

        foreach (var relationship in Shuffled(Model.Relationships))
        {
            DrawRelationship(relationship);
        }

        foreach (var specialisation in Shuffled(Model.Specialisations ?? []))
        {
            DrawSpecialisation(specialisation, OfSpecialisation + specialisation.Super);
        }

        foreach (var union in Shuffled(Model.Unions))
        {
            DrawUnion(union);
        }

        foreach (var exclusion in Shuffled(Model.Exclusions))
        {
            DrawExclusion(exclusion);
        }

        return new Drawing([new Sheet("sheet1", "", [.. Shuffled(shapes)], [.. Shuffled(lines)])]);
    }

    protected abstract void DrawEntity(CaseEntity entity);

    protected abstract void DrawRelationship(CaseRelationship relationship);

    protected abstract void DrawSpecialisation(CaseSpecialisation specialisation, string path);

    protected virtual void DrawUnion(CaseUnion union) =>
        throw new InvalidDataException("This notation has no symbol for a union.");

    protected virtual void DrawExclusion(CaseExclusion exclusion) =>
        throw new InvalidDataException("This notation has no symbol for relationships that exclude each other.");

    /// <summary>How an end is named in paths: by its entity, or by its role where both ends are at one entity.</summary>
    protected static string EndPath(CaseRelationship relationship, CaseEnd end)
    {
        var recursive = relationship.Ends.All(other => other.Entity == end.Entity);
        return $"{relationship.Id} / {(recursive && end.Role is { Length: > 0 } role ? role : end.Entity)} end";
    }

    protected bool Is(string draw, params string[] at) => Faults.Any(fault => fault.Draw == draw && at.Contains(fault.At));

    protected string NewId(string path)
    {
        string id;
        do
        {
            id = $"{(char)('a' + random.Next(26))}{random.Next(36 * 36 * 36):x}";
        } while (!ids.Add(id));
        if (path.Length > 0)
        {
            PathOf[id] = path;
        }

        return id;
    }

    protected string Add(string path, string form, string text, Func<Shape, Shape>? with = null)
    {
        var shape = new Shape(NewId(path), form, Outline.Single, text, [], null);
        shapes.Add(with is null ? shape : with(shape));
        return shape.Id;
    }

    protected string Add(
        string path,
        LineEnd from,
        LineEnd to,
        Stroke stroke = Stroke.Solid,
        string text = "",
        ImmutableArray<Along>? along = null
    )
    {
        var line = new Line(NewId(path), stroke, text, from, to, []) { Along = along ?? [] };
        lines.Add(line);
        return line.Id;
    }

    protected static LineEnd At(string shape, params ImmutableArray<string> marks) => new(Attachment.ToShape(shape), marks);

    /// <summary>The shape that was drawn for an entity.</summary>
    protected string ShapeOf(string entity) => PathOf.First(pair => pair.Value == entity).Key;

    protected IReadOnlyList<T> Shuffled<T>(IEnumerable<T> items)
    {
        var array = items.ToArray();
        random.Shuffle(array);
        return array;
    }
}
