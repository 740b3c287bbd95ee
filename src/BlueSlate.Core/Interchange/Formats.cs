using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using BlueSlate.Core.Marking;

namespace BlueSlate.Core.Interchange;

/// <summary>A value that a document of this project cannot have, in a sentence for whoever wrote it.</summary>
public sealed class UnfitValueException(string message) : JsonException(message);

/// <summary>How the open formats other than drawings are spelled: camel case, words with hyphens, rationals as text.</summary>
public static class Formats
{
    /// <summary>Serializer options for documents of this project.</summary>
    public static JsonSerializerOptions Json { get; } = Create(indented: true);

    /// <summary>The same without blanks, for what is written by the thousand.</summary>
    public static JsonSerializerOptions Compact { get; } = Create(indented: false);

    /// <summary>Adds the converters of the formats to other options, such as a web server's.</summary>
    public static void Configure(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower));
        options.Converters.Add(new RationalConverter());
        options.Converters.Add(new WorkOptionsConverter());
    }

    private static JsonSerializerOptions Create(bool indented)
    {
        var options = new JsonSerializerOptions { WriteIndented = indented, MaxDepth = 32 };
        Configure(options);
        return options;
    }

    private sealed class RationalConverter : JsonConverter<Rational>
    {
        public override Rational Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var text =
                reader.TokenType == JsonTokenType.Number
                    ? System.Text.Encoding.UTF8.GetString(reader.ValueSpan)
                    : reader.GetString();
            return text is not null && Rational.TryParse(text, out var value)
                ? value
                : throw new UnfitValueException("A number such as 2, 1/2 or 2.5 is wanted.");
        }

        public override void Write(Utf8JsonWriter writer, Rational value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.ToString());
    }
}
