using System.Collections.Concurrent;
using System.Text.Json;
using BlueSlate.Core.Drawings;
using Microsoft.ClearScript.V8;

namespace BlueSlate.Drafting;

/// <summary>
/// Routes and places of texts as the slate gives them, by the slate's own code (Geometry/README.md): a drawing of which only the shapes
/// have places can be painted after it.
/// </summary>
public static class SlateGeometry
{
    // The script's functions are pure, so that an engine may serve any number of drawings, and gets faster with each.
    private static readonly ConcurrentBag<V8ScriptEngine> Idle = [];
    private static readonly Lazy<string> Script = new(Source);

    /// <summary>
    /// The drawing with a route for every line and a place for every text of it. One whose lines all have routes is given back as it is.
    /// </summary>
    /// <param name="drawing">A drawing whose shapes have places.</param>
    public static Drawing Settle(Drawing drawing)
    {
        if (drawing.Sheets.All(sheet => sheet.Lines.All(line => line.Route.Length > 1)))
        {
            return drawing;
        }

        return
            Invoke("settle", DrawingWriter.WriteText(drawing)) is string text && DrawingReader.Read(text).Drawing is { } settled
            ? settled
            : throw new InvalidOperationException("The slate's geometry gave back no drawing.");
    }

    /// <summary>
    /// Where the upper left corners of shapes come, in pixels by id, on a sheet whose arrows run in lanes: its boxes stand in rows, and
    /// what gathers stands on a lane. Null for a sheet of another kind.
    /// </summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="fresh">The shapes that are meant; all others stay where they are.</param>
    public static IReadOnlyDictionary<string, (double X, double Y)>? InLanes(Sheet sheet, IEnumerable<string> fresh)
    {
        if (!MayHaveLanes(sheet))
        {
            return null;
        }

        var places = (string)Invoke("inLanes", DrawingWriter.WriteText(new Drawing([sheet])), JsonSerializer.Serialize(fresh));
        return JsonSerializer
            .Deserialize<Dictionary<string, Corner>>(places, JsonSerializerOptions.Web)
            ?.ToDictionary(pair => pair.Key, pair => (pair.Value.X, pair.Value.Y), StringComparer.Ordinal);
    }

    // Most sheets have none, and need not be asked about.
    private static bool MayHaveLanes(Sheet sheet) =>
        sheet.Shapes.Any(shape => shape.Form is Form.Junction or Form.Strip)
        || sheet.Lines.Any(line => line.From.Marks.Contains("arrow") || line.To.Marks.Contains("arrow"));

    private readonly record struct Corner(double X, double Y);

    private static object Invoke(string function, params object[] arguments)
    {
        var engine = Idle.TryTake(out var idle) ? idle : Started();
        try
        {
            return engine.Invoke(function, arguments);
        }
        finally
        {
            Idle.Add(engine);
        }
    }

    private static V8ScriptEngine Started()
    {
        var engine = new V8ScriptEngine();
        engine.Execute("geometry.js", Script.Value);
        engine.Execute("var { settle, inLanes } = geometry;");
        return engine;
    }

    private static string Source()
    {
        using var reader = new StreamReader(typeof(SlateGeometry).Assembly.GetManifestResourceStream("geometry.js")!);
        return reader.ReadToEnd();
    }
}
