using System.Collections.Concurrent;
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

        var engine = Idle.TryTake(out var idle) ? idle : Started();
        try
        {
            return
                engine.Invoke("settle", DrawingWriter.WriteText(drawing)) is string text
                && DrawingReader.Read(text).Drawing is { } settled
                ? settled
                : throw new InvalidOperationException("The slate's geometry gave back no drawing.");
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
        engine.Execute("var settle = geometry.settle;");
        return engine;
    }

    private static string Source()
    {
        using var reader = new StreamReader(typeof(SlateGeometry).Assembly.GetManifestResourceStream("geometry.js")!);
        return reader.ReadToEnd();
    }
}
