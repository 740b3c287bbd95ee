using System.Collections.Frozen;
using System.Text.Json;
using System.Text.Json.Serialization;
using BlueSlate.Core.Judging;

namespace BlueSlate.Core.Interchange;

/// <summary>
/// Reads and writes what a class has learned: an object whose property <c>notation</c> says of which way of writing or drawing
/// the others are. Which there are is asked of the subjects.
/// </summary>
internal sealed class WorkOptionsConverter : JsonConverter<WorkOptions>
{
    private const string Discriminator = "notation";

    private static readonly FrozenDictionary<string, Type> Types = Subject
        .All.SelectMany(subject => subject.OptionTypes)
        .ToFrozenDictionary(pair => pair.Key, pair => pair.Value, StringComparer.Ordinal);

    public override WorkOptions Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var ahead = reader;
        if (NotationIn(ref ahead) is not { } name || !Types.TryGetValue(name, out var type))
        {
            throw new UnfitValueException(
                $"A part's notation is one of {string.Join(", ", Types.Keys.Order(StringComparer.Ordinal))}."
            );
        }

        try
        {
            return (WorkOptions)JsonSerializer.Deserialize(ref reader, type, options)!;
        }
        catch (JsonException error)
        {
            // Its path begins here, and the reader outside adds its own only to errors that have none.
            throw new UnfitValueException($"In what the class has learned, {error.Path ?? "$"} cannot be read.");
        }
    }

    public override void Write(Utf8JsonWriter writer, WorkOptions value, JsonSerializerOptions options) =>
        JsonSerializer.Serialize(writer, value, value.GetType(), options);

    private static string? NotationIn(ref Utf8JsonReader reader)
    {
        if (reader.TokenType != JsonTokenType.StartObject)
        {
            throw new UnfitValueException("What the class has learned is an object.");
        }

        while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
        {
            var sought = reader.ValueTextEquals(Discriminator);
            reader.Read();
            if (sought)
            {
                return reader.TokenType == JsonTokenType.String ? reader.GetString() : null;
            }

            reader.Skip();
        }

        return null;
    }
}
