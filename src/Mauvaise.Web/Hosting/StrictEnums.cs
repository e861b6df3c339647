using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Mauvaise.Web.Hosting;

/// <summary>Enums in JSON are one word of their own each: no numbers, no digits as text, no lists of words.</summary>
public sealed class StrictEnums : JsonConverterFactory
{
    public override bool CanConvert(Type typeToConvert) => typeToConvert.IsEnum;

    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(Words<>).MakeGenericType(typeToConvert))!;

    /// <summary>
    /// The document lists words alone. That there may be none is said where a word is used: listed here too, the first use that may be empty
    /// would let every use be.
    /// </summary>
    public static Task TellWordsAlone(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken stop)
    {
        schema.Enum = schema.Enum?.Where(word => word is not null && !word.IsJsonNullSentinel()).ToList();
        return Task.CompletedTask;
    }

    private sealed class Words<T> : JsonConverter<T>
        where T : struct, Enum
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.String && EnumWords.TryRead(reader.GetString(), out T value)
                ? value
                : throw new JsonException($"It is one of {string.Join(", ", Enum.GetValues<T>().Select(EnumWords.Of))}.");

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(EnumWords.Of(value));
    }
}
