using System.IO.Compression;
using System.Text.Json.Nodes;
using Microsoft.ClearScript.V8;

namespace BlueSlate.Drafting;

/// <summary>
/// The one layout engine: ELK's layered method (Sugiyama, Tagawa and Toda 1981, as the Eclipse Layout Kernel does it), run inside
/// this process. A fresh engine from compiled script for every layout, so that the same graph always gives the same places.
/// </summary>
internal static class LayoutEngine
{
    // The script runs its work in timers; here they stand in a list and are run one after the other.
    private const string Glue = """
        var self = globalThis, window = undefined, timers = [], laidOut = null, failure = null;
        function setTimeout(run) { timers.push(run); return timers.length; }
        function clearTimeout() {}
        var console = { log() {}, error() {}, warn() {} };
        """;

    private static readonly Lazy<string> Script = new(() =>
    {
        using var packed = new GZipStream(typeof(LayoutEngine).Assembly.GetManifestResourceStream("elk.bundled.js.gz")!, CompressionMode.Decompress);
        using var reader = new StreamReader(packed);
        return reader.ReadToEnd();
    });

    /// <summary>The graph with places and routes, in ELK's JSON.</summary>
    public static JsonNode LayOut(JsonNode graph)
    {
        using var engine = new V8ScriptEngine();
        engine.Execute(Glue);
        engine.Execute(Script.Value);
        engine.Script.graphText = graph.ToJsonString();
        engine.Execute("new ELK().layout(JSON.parse(graphText)).then(result => { laidOut = JSON.stringify(result); }, error => { failure = String(error); });");
        for (var turns = 0; turns < 10_000 && engine.Script.laidOut is not string && engine.Script.failure is not string; turns++)
        {
            engine.Execute("{ const due = timers.splice(0); for (const run of due) run(); }");
        }

        return engine.Script.laidOut is string text
            ? JsonNode.Parse(text)!
            : throw new InvalidOperationException($"The layout did not end: {engine.Script.failure}");
    }
}
