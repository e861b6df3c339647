using System.Text.Json;
using System.Text.Json.Serialization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Web.Hosting;

/// <summary>Puts the figures of every text that goes out into the units of the household it is about, or of the country that a script asked for.</summary>
public sealed class ToldStrings(IHttpContextAccessor http) : JsonConverter<string>
{
    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => reader.GetString();

    public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        writer.WriteStringValue(Figure.In(value) ? Told(value) : value);
    }

    public override string ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => reader.GetString()!;

    public override void WriteAsPropertyName(Utf8JsonWriter writer, string value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        writer.WritePropertyName(value);
    }

    private string Told(string text) =>
        http.HttpContext?.Features.Get<Garden>() is { } garden ? garden.Told(text)
        : http.HttpContext?.Features.Get<Country>() is { } country ? text.Told(country.Units, country.Kitchen)
        : text.Told();
}
