using System.Collections.Immutable;
using BlueSlate.Core.Drawings;
using BlueSlate.Core.Judging;
using BlueSlate.Core.Subjects.Concepts.Model;

namespace BlueSlate.Core.Notations;

/// <summary>
/// Gathers shapes and lines of a drawing that is written from concepts. A shape or line keeps its concept's id where that is
/// free, so that what is known of the concept stays known of its new symbol.
/// </summary>
internal sealed class DrawingBuilder(ConceptModel model)
{
    private readonly List<Shape> shapes = [];
    private readonly List<Line> lines = [];
    private readonly List<string> unsaid = [];
    private readonly HashSet<string> used = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> names = model.Entities.ToDictionary(
        entity => entity.Id,
        entity => entity.Name,
        StringComparer.Ordinal
    );
    private int fresh;

    /// <summary>The name of an entity.</summary>
    public string NameOf(string entityId) => names[entityId];

    /// <summary>The concept's id, or a new one where that cannot stand in a drawing or is taken.</summary>
    public string IdFor(string? conceptId, string prefix)
    {
        // A concept that shares its element's id with others goes by a name of its own, so that the same concepts always have
        // the same ids.
        var wanted = conceptId is null ? null : ConceptId.Of(conceptId).AsElement().Replace('/', '.');
        if (wanted is { Length: > 0 and <= DrawingLimits.Id } && used.Add(wanted))
        {
            return wanted;
        }

        string id;
        do
        {
            id = $"{prefix}{++fresh}";
        } while (!used.Add(id));
        return id;
    }

    /// <summary>Adds a shape and gives its id.</summary>
    public string Add(
        string? conceptId,
        string form,
        string text,
        Outline outline = Outline.Single,
        params ImmutableArray<ImmutableArray<TextLine>> compartments
    )
    {
        var id = IdFor(conceptId, "b");
        shapes.Add(new Shape(id, form, outline, text, compartments, null));
        return id;
    }

    /// <summary>Changes the shape that was added last.</summary>
    public void Restyle(Func<Shape, Shape> change) => shapes[^1] = change(shapes[^1]);

    /// <summary>Adds a line and gives its id.</summary>
    public string Add(
        string? conceptId,
        LineEnd from,
        LineEnd to,
        Stroke stroke = Stroke.Solid,
        string text = "",
        params ImmutableArray<Along> along
    )
    {
        var id = IdFor(conceptId, "r");
        lines.Add(new Line(id, stroke, text, from, to, []) { Along = along });
        return id;
    }

    /// <summary>Says that the notation cannot say something, and puts it into a note tied to a shape or line.</summary>
    public void CannotSay(string sentence, Attachment at)
    {
        unsaid.Add(sentence);
        var text = sentence.Length > DrawingLimits.Text ? sentence[..DrawingLimits.Text] : sentence;
        var note = Add(null, Form.Note, text);
        Add(null, new LineEnd(Attachment.ToShape(note), []), new LineEnd(at, []), Stroke.Dashed);
    }

    /// <summary>Draws a note of the author's, unless what it says was noted already.</summary>
    public void Note(NoteText note, ImmutableArray<string> about)
    {
        if (shapes.Any(shape => shape.Form == Form.Note && shape.Text == note.Text))
        {
            return;
        }

        var drawn = Add(note.Id, Form.Note, note.Text);
        foreach (var shape in about)
        {
            Add(null, new LineEnd(Attachment.ToShape(drawn), []), new LineEnd(Attachment.ToShape(shape), []), Stroke.Dashed);
        }
    }

    public Redrawing ToRedrawing() => new(new Drawing([new Sheet("sheet1", "", [.. shapes], [.. lines])]), [.. unsaid]);
}
