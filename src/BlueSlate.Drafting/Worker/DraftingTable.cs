using BlueSlate.Core.Drawings;
using BlueSlate.Drafting.Painting;
using BlueSlate.Drafting.Sheets;

namespace BlueSlate.Drafting.Worker;

/// <summary>Does what a request asks for, in this process.</summary>
public static class DraftingTable
{
    /// <summary>
    /// The replies, of which there are several only where sheets are written. What cannot be done is said in them; nothing is thrown
    /// for a drawing, whatever is drawn.
    /// </summary>
    public static IEnumerable<DraftReply> Do(DraftRequest request) =>
        request.Kind == DraftKind.Write ? Write(request) : [Draft(request)];

    // A document for each sheet with its reply; or a reply for each sheet and then one with the document of all.
    private static IEnumerable<DraftReply> Write(DraftRequest request)
    {
        var writer = new SheetWriter();
        if (request.Together is { } title)
        {
            return writer.Write(title, request.Sheets).Select(Written);
        }

        return request.Sheets.Select(
            (sheet, at) => Written(writer.Write(sheet.Title, [sheet]).Last()) with { MoreFollow = at + 1 < request.Sheets.Length }
        );
    }

    private static DraftReply Written(byte[]? document) => new() { Picture = document, MoreFollow = document is null };

    private static DraftReply Draft(DraftRequest request)
    {
        if (DrawingReader.Read(request.Drawing).Drawing is not { } drawing)
        {
            return new DraftReply { Failure = "The drawing cannot be read." };
        }

        try
        {
            return request.Kind switch
            {
                DraftKind.Place => Placed(drawing, Placer.Place(drawing, request.Simple), request),
                DraftKind.PlaceNew => Placed(drawing, Placer.PlaceNew(drawing, request.Simple), request),
                DraftKind.Tidy => Tidied(drawing, request),
                _ => Painted(drawing, request),
            };
        }
        catch (Exception error) when (error is InvalidOperationException or Microsoft.ClearScript.ScriptEngineException)
        {
            return new DraftReply { Failure = error.Message };
        }
    }

    private static DraftReply Placed(Drawing before, Drawing after, DraftRequest request) =>
        new()
        {
            Drawing = DrawingWriter.WriteText(after),
            Simpler =
                !ReferenceEquals(before, after) && before.Shapes.All(shape => shape.Place is null) && IsSimpler(before, request),
        };

    private static DraftReply Tidied(Drawing drawing, DraftRequest request) =>
        new()
        {
            Places =
            [
                .. Tidier
                    .Tidy(drawing, request.Only, request.Simple)
                    .Select(place => new DraftedPlace(place.Key, place.Value.X, place.Value.Y)),
            ],
            Simpler = IsSimpler(drawing, request),
        };

    private static DraftReply Painted(Drawing drawing, DraftRequest request)
    {
        var placed = SlateGeometry.Settle(Placer.PlaceNew(drawing, request.Simple));
        return new DraftReply
        {
            Picture = request.Counts is { } counts
                ? Picture.Paint(placed, request.Format, counts, request.Scale)
                : Picture.Paint(placed, request.Format, request.Only, request.Scale, request.Sheet),
        };
    }

    private static bool IsSimpler(Drawing drawing, DraftRequest request) =>
        request.Simple || drawing.Sheets.Any(LayoutSize.IsBeyond);
}
