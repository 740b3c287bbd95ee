using System.Text.Json;
using System.Text.Json.Serialization;

namespace BlueSlate.Bench.Accuracy;

/// <summary>
/// An exercise with answers, each with what a careful examiner finds in it. The form is described beside the cases.
/// </summary>
internal sealed record CaseFile(
    string Id,
    string Notation,
    string Level,
    string Scenario,
    CaseModel Model,
    CaseAcceptance[] Accept,
    CaseLine[] Scheme,
    CaseAnswer[] Answers
)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web);

    /// <summary>The cases of a folder, in the order of their file names.</summary>
    public static List<CaseFile> ReadFolder(string folder) =>
        [.. Directory.EnumerateFiles(folder, "*.json").Order(StringComparer.Ordinal).Select(file => Read<CaseFile>(file))];

    /// <summary>Any file of the form.</summary>
    public static T Read<T>(string file)
    {
        using var stream = File.OpenRead(file);
        return JsonSerializer.Deserialize<T>(stream, Options) ?? throw new InvalidDataException($"{file} holds nothing.");
    }
}

internal sealed record CaseModel(CaseEntity[] Entities, CaseRelationship[] Relationships, CaseSpecialisation[]? Specialisations)
{
    public CaseUnion[] Unions { get; init; } = [];

    public CaseExclusion[] Exclusions { get; init; } = [];
}

internal sealed record CaseEntity(
    string Name,
    string Kind,
    string? Stereotype,
    CaseAttribute[] Attributes,
    CaseOperation[]? Operations
);

internal sealed record CaseAttribute(
    string Name,
    string? Key,
    string? Type,
    string? Visibility,
    bool Multivalued,
    bool Derived,
    bool Optional,
    [property: JsonConverter(typeof(CasePartsConverter))] string[]? Parts
)
{
    public bool IsKey(string mark) => Key?.Split('+').Contains(mark) == true;
}

/// <summary>The parts of a composite, each as text or as an attribute of its own.</summary>
internal sealed class CasePartsConverter : JsonConverter<string[]>
{
    public override string[]? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        JsonSerializer
            .Deserialize<JsonElement[]>(ref reader, options)
            ?.Select(part => part.ValueKind == JsonValueKind.String ? part : part.GetProperty("name"))
            .Select(name => name.GetString() ?? throw new JsonException("A part has no name."))
            .ToArray();

    public override void Write(Utf8JsonWriter writer, string[] value, JsonSerializerOptions options) =>
        JsonSerializer.Serialize(writer, value, options);
}

internal sealed record CaseOperation(
    string Name,
    string[][]? Params,
    string? Returns,
    string? Visibility,
    bool Static,
    bool Abstract
);

internal sealed record CaseRelationship(string Id, string? Name, string Kind, CaseEnd[] Ends, CaseAttribute[]? Attributes);

internal sealed record CaseEnd(string Entity, string? Role, JsonElement? Min, JsonElement? Max, bool Whole)
{
    public string? Qualifier { get; init; }

    public string? Least => Said(Min);

    public string? Most => Said(Max);

    private static string? Said(JsonElement? value) =>
        value is { ValueKind: JsonValueKind.Number or JsonValueKind.String } said ? said.ToString() : null;
}

internal sealed record CaseSpecialisation(string Super, string[] Subs, bool? Disjoint, bool? Total, string? Discriminator);

internal sealed record CaseUnion(string Category, string[] Supers, bool Total);

internal sealed record CaseExclusion(string[] Relationships);

internal sealed record CaseAcceptance(string At, string[] Values);

internal sealed record CaseLine(string Id, decimal Marks, CaseGrant[] Grants);

internal sealed record CaseGrant(decimal Marks, string[] Facts, decimal? Off);

internal sealed record CaseAnswer(
    string Id,
    CaseModel Drawing,
    CaseSymbolFault[] SymbolFaults,
    CaseFinding[] Expected,
    CaseFinding[] Disputed
);

internal sealed record CaseSymbolFault(string At, string Draw);

internal sealed record CaseFinding(string Code, string At)
{
    [JsonIgnore]
    public bool IsEquivalent => Code == "accepted-equivalent";
}
