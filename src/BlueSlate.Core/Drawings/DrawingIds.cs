namespace BlueSlate.Core.Drawings;

/// <summary>
/// Collects the ids of a document while it is read, and checks that each is one of a kind and each reference finds its target.
/// </summary>
internal sealed class DrawingIds
{
    private readonly Dictionary<string, AttachmentKind> declared = new(StringComparer.Ordinal);
    private readonly List<(string Id, AttachmentKind Kind, string Path, int Offset)> references = [];
    private int shapes;
    private int lines;

    public string Declare(ref JsonCursor cursor) => Declare(ref cursor, AttachmentKind.Nothing);

    public string DeclareShape(ref JsonCursor cursor) => Declare(ref cursor, AttachmentKind.Shape);

    public string DeclareRow(ref JsonCursor cursor) => Declare(ref cursor, AttachmentKind.Row);

    public string DeclareLine(ref JsonCursor cursor) => Declare(ref cursor, AttachmentKind.Line);

    public string Refer(ref JsonCursor cursor, AttachmentKind kind)
    {
        var id = ReadId(ref cursor);
        references.Add((id, kind, cursor.Path(), cursor.Offset));
        return id;
    }

    public string ReferToEnd(ref JsonCursor cursor)
    {
        var id = cursor.Text(DrawingLimits.Id + EndSuffix.From.Length);
        var suffix = id.EndsWith(EndSuffix.From, StringComparison.Ordinal) ? EndSuffix.From : EndSuffix.To;
        if (!id.EndsWith(suffix, StringComparison.Ordinal))
        {
            throw cursor.Refuse("bad-id", $"An end is named by its line's id and {EndSuffix.From} or {EndSuffix.To}.");
        }

        references.Add((id[..^suffix.Length], AttachmentKind.Line, cursor.Path(), cursor.Offset));
        return id;
    }

    public void CountShape(in JsonCursor cursor)
    {
        if (++shapes > DrawingLimits.Shapes)
        {
            throw cursor.Refuse("too-many", $"A drawing has at most {DrawingLimits.Shapes} shapes.");
        }
    }

    public void CountLine(in JsonCursor cursor)
    {
        if (++lines > DrawingLimits.Lines)
        {
            throw cursor.Refuse("too-many", $"A drawing has at most {DrawingLimits.Lines} lines.");
        }
    }

    public void CheckReferences(in JsonCursor cursor)
    {
        foreach (var (id, kind, path, offset) in references)
        {
            if (!declared.TryGetValue(id, out var found) || found != kind)
            {
                throw cursor.RefuseAt(
                    path,
                    offset,
                    "unknown-id",
                    $"There is no {kind.ToString().ToLowerInvariant()} with the id \"{id}\"."
                );
            }
        }
    }

    private string Declare(ref JsonCursor cursor, AttachmentKind kind)
    {
        var id = ReadId(ref cursor);
        return declared.TryAdd(id, kind) ? id : throw cursor.Refuse("duplicate-id", $"The id \"{id}\" stands twice.");
    }

    private static string ReadId(ref JsonCursor cursor)
    {
        var id = cursor.Text(DrawingLimits.Id);
        return id.Length > 0 && id.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_' or '.')
            ? id
            : throw cursor.Refuse("bad-id", "An id has letters, digits, hyphens, underscores and full stops only.");
    }
}
