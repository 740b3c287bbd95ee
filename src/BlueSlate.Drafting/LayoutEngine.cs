using System.Collections.Concurrent;
using System.IO.Compression;
using System.Text.Json.Nodes;
using Microsoft.ClearScript;
using Microsoft.ClearScript.V8;

namespace BlueSlate.Drafting;

/// <summary>
/// The one layout engine: ELK's layered method (Sugiyama, Tagawa and Toda 1981, as the Eclipse Layout Kernel does it), run
/// inside this process. A fresh engine for every drawing, so that the same drawing always gives the same places; its compiled
/// script is kept for the next.
/// </summary>
internal sealed class LayoutEngine : IDisposable
{
    // The script runs its work in timers; here they stand in a list and are run one after the other.
    private const string Glue = """
        var self = globalThis, window = undefined, timers = [], laidOut = null, failure = null;
        function setTimeout(run) { timers.push(run); return timers.length; }
        function clearTimeout() {}
        var console = { log() {}, error() {}, warn() {} };
        """;

    private static readonly DocumentInfo ScriptName = new("elk.bundled.js");
    private static readonly Lazy<string> Script = new(() =>
    {
        using var packed = new GZipStream(
            typeof(LayoutEngine).Assembly.GetManifestResourceStream("elk.bundled.js.gz")!,
            CompressionMode.Decompress
        );
        using var reader = new StreamReader(packed);
        return reader.ReadToEnd();
    });

    // Each machine keeps the compiled script between drawings; nothing else passes from one drawing to the next.
    private static readonly ConcurrentBag<(V8Runtime Runtime, V8Script Script)> Idle = [];

    private readonly (V8Runtime Runtime, V8Script Script) _machine;
    private readonly V8ScriptEngine _engine;

    /// <summary>An engine that has laid out nothing yet.</summary>
    public LayoutEngine()
    {
        _machine = Idle.TryTake(out var idle) ? idle : Compiled();
        _engine = _machine.Runtime.CreateScriptEngine();
        _engine.Execute(Glue);
        _engine.Execute(_machine.Script);
        _engine.Execute("const elk = new ELK();");
    }

    private static (V8Runtime Runtime, V8Script Script) Compiled()
    {
        var runtime = new V8Runtime();
        return (runtime, runtime.Compile(ScriptName, Script.Value));
    }

    /// <summary>The graph with places and routes, in ELK's JSON.</summary>
    public JsonNode LayOut(JsonNode graph)
    {
        _engine.Script.graphText = graph.ToJsonString();
        _engine.Execute(
            "laidOut = null; elk.layout(JSON.parse(graphText)).then(result => { laidOut = JSON.stringify(result); }, "
                + "error => { failure = String(error); });"
        );
        for (
            var turns = 0;
            turns < 10_000 && _engine.Script.laidOut is not string && _engine.Script.failure is not string;
            turns++
        )
        {
            _engine.Execute("{ const due = timers.splice(0); for (const run of due) run(); }");
        }

        return _engine.Script.laidOut is string text
            ? JsonNode.Parse(text)!
            : throw new InvalidOperationException($"The layout did not end: {_engine.Script.failure}");
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _engine.Dispose();
        if (Idle.Count < Environment.ProcessorCount)
        {
            Idle.Add(_machine);
            return;
        }

        _machine.Script.Dispose();
        _machine.Runtime.Dispose();
    }
}
