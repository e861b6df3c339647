using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Mauvaise.Web.Hosting;

/// <summary>
/// How a record of ours is read and written is looked up when the first one comes. Every endpoint asks at the start for what its body is made of;
/// told then, all hundred of them take half a second of it.
/// </summary>
/// <param name="inner">The same options without this.</param>
public sealed class LateRecords(JsonSerializerOptions inner) : JsonConverterFactory
{
    private static readonly HashSet<Assembly> Ours = [typeof(Program).Assembly, typeof(Store.GardenDb).Assembly, typeof(Core.Gardens.Garden).Assembly];

    public override bool CanConvert(Type typeToConvert)
    {
        ArgumentNullException.ThrowIfNull(typeToConvert);
        // A list of them waits as a whole, or a fault in it would not say in which of them it is.
        return IsOurs(typeToConvert) || (!typeToConvert.IsValueType && typeToConvert.GetGenericArguments().Any(IsOurs));
    }

    private static bool IsOurs(Type type) => type.IsClass && Ours.Contains(type.Assembly);

    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(Late<>).MakeGenericType(typeToConvert), inner)!;

    private sealed class Late<T>(JsonSerializerOptions inner) : JsonConverter<T>
        where T : class
    {
        public override T? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            JsonSerializer.Deserialize<T>(ref reader, inner);

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => JsonSerializer.Serialize(writer, value, inner);
    }
}
