using System.Text;

namespace BlueSlate.Core.Tests.Drawings;

/// <summary>A document that cannot be read, and what the reader is to say of it.</summary>
public sealed record HostileFile(string Family, byte[] Bytes, string Key, string Path);

/// <summary>Makes malformed, truncated, oversized and hostile documents of many families, the same ones every time.</summary>
public static class HostileFiles
{
    private const int PerFamily = 63;

    public static IReadOnlyList<HostileFile> All { get; } = [.. Make()];

    private static IEnumerable<HostileFile> Make()
    {
        for (var i = 0; i < PerFamily; i++)
        {
            yield return Of("truncated", Document(Shape(i))[..(40 + i)], "not-json", null);
            yield return Of(
                "rubbish within",
                Document(Shape(i)).Replace("\"form\"", "}form" + i, StringComparison.Ordinal),
                "not-json",
                null
            );
            yield return Of(
                "wrong format",
                Document(Shape(i)).Replace("blue-slate-drawing", "drawing" + i, StringComparison.Ordinal),
                "not-a-drawing",
                "$.format"
            );
            yield return Of(
                "unknown version",
                Document(Shape(i)).Replace("\"version\":1", $"\"version\":{i + 2}", StringComparison.Ordinal),
                "unknown-version",
                "$.version"
            );
            yield return Of(
                "unknown word",
                Document($$"""{"id":"b","form":"blob{{i}}"}"""),
                "unknown-word",
                "$.sheets[0].shapes[0].form"
            );
            yield return Of(
                "wrong type",
                Document($$"""{"id":"b","form":"rectangle","text":{{i}}}"""),
                "wrong-type",
                "$.sheets[0].shapes[0].text"
            );
            yield return Of(
                "duplicate id",
                Document(string.Join(',', Enumerable.Range(0, i + 1).Select(Shape).Append(Shape(0)))),
                "duplicate-id",
                $"$.sheets[0].shapes[{i + 1}].id"
            );
            yield return Of(
                "bad id",
                Document($$"""{"id":"a/{{i}}","form":"rectangle"}"""),
                "bad-id",
                "$.sheets[0].shapes[0].id"
            );
            yield return Of(
                "dangling reference",
                WithLine("{\"id\":\"r\",\"from\":{\"shape\":\"nobody" + i + "\"},\"to\":{}}"),
                "unknown-id",
                "$.sheets[0].lines[0].from.shape"
            );
            yield return Of(
                "reference of another kind",
                WithLine("{\"id\":\"r" + i + "\",\"from\":{},\"to\":{\"line\":\"b0\"}}"),
                "unknown-id",
                "$.sheets[0].lines[0].to.line"
            );
            yield return Of(
                "text too long",
                Document($$"""{"id":"b","form":"note","text":"{{new string('x', 201 + i)}}"}"""),
                "too-long",
                "$.sheets[0].shapes[0].text"
            );
            yield return Of(
                "control character",
                Document($$"""{"id":"b","form":"note","text":"a\u00{{i % 9:00}}b"}"""),
                "control-character",
                "$.sheets[0].shapes[0].text"
            );
            yield return Of(
                "number out of range",
                Document($$"""{"id":"b","form":"rectangle","place":[0,0,1,{{400_001 + i}}]}"""),
                "out-of-range",
                "$.sheets[0].shapes[0].place[3]"
            );
            yield return Of(
                "negative size",
                Document($$"""{"id":"b","form":"rectangle","place":[0,0,-{{i + 1}},5]}"""),
                "out-of-range",
                "$.sheets[0].shapes[0].place"
            );
            yield return Of("missing property", Document($$"""{"id":"b{{i}}"}"""), "missing", "$.sheets[0].shapes[0].form");
            yield return Of(
                "duplicate property",
                Document($$"""{"id":"b{{i}}","form":"note","form":"note"}"""),
                "duplicate-property",
                "$.sheets[0].shapes[0].form"
            );
            yield return Of(
                "too many properties",
                Document(
                    $$"""{"id":"b","form":"note",{{string.Join(',', Enumerable.Range(0, 199 + i).Select(n => $"\"later{n}\":{n}"))}}}"""
                ),
                "too-many",
                "$.sheets[0].shapes[0].later198"
            );
            yield return Of(
                "too deep",
                Document($$"""{"id":"b","form":"note","later{{i}}":{{new string('[', 40 + i)}}{{new string(']', 40 + i)}}}"""),
                "too-deep",
                null
            );
            yield return Of(
                "too many rows",
                Document($$"""{"id":"b{{i}}","form":"rectangle","compartments":[[{{Rows(51 + i)}}]]}"""),
                "too-many",
                "$.sheets[0].shapes[0].compartments[0][50]"
            );
            yield return Of(
                "lone surrogate",
                Document($$"""{"id":"b","form":"note","text":"\ud8{{i % 10}}0"}"""),
                "not-unicode",
                "$.sheets[0].shapes[0].text"
            );
        }

        yield return Of("empty", "", "not-json", "$");
        yield return new HostileFile(
            "invalid UTF-8",
            [.. Encoding.UTF8.GetBytes("{\"format\":\""), 0xFF, 0xFE, .. Encoding.UTF8.GetBytes("\"}")],
            "not-unicode",
            "$.format"
        );
        yield return Of("oversized", new string(' ', 600_000), "too-large", "$");
        yield return Of(
            "too many shapes",
            Document(string.Join(',', Enumerable.Range(0, 501).Select(Shape))),
            "too-many",
            "$.sheets[0].shapes[500]"
        );
        yield return Of("a list", "[]", "wrong-type", "$");
        yield return Of("null", "null", "wrong-type", "$");
        yield return Of("no sheets", """{"format":"blue-slate-drawing","version":1,"sheets":[]}""", "missing", "$.sheets");
        yield return Of("something after the end", Document(Shape(1)) + "{}", "not-json", null);
    }

    private static string Shape(int i) => $$"""{"id":"b{{i}}","form":"rectangle","text":"Box {{i}}"}""";

    private static string Rows(int count) => string.Join(',', Enumerable.Range(0, count).Select(n => $$"""{"id":"t{{n}}"}"""));

    private static string Document(string shapes) =>
        $$"""{"format":"blue-slate-drawing","version":1,"sheets":[{"id":"s","shapes":[{{shapes}}]}]}""";

    private static string WithLine(string line) =>
        $$"""{"format":"blue-slate-drawing","version":1,"sheets":[{"id":"s","shapes":[{{Shape(0)}}],"lines":[{{line}}]}]}""";

    private static HostileFile Of(string family, string text, string key, string? path) =>
        new(family, Encoding.UTF8.GetBytes(text), key, path ?? "");
}
