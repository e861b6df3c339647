using System.Text.Json;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Trials;

namespace Mauvaise.Web.Tests;

/// <summary>A record that is looked up when the first one comes is read and written as if it had been looked up before.</summary>
public sealed class LateRecordsTests
{
    private const string Sides = """[{ "recipe": "neem-with-soap", "step": "gentle" }, { "recipe": null, "step": "gentle", "byHand": "wiped" }]""";

    private static readonly JsonSerializerOptions AtOnce = new(JsonSerializerDefaults.Web)
    {
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        Converters = { new StrictEnums() },
    };

    private static readonly JsonSerializerOptions Late = new(AtOnce) { Converters = { new LateRecords(AtOnce) } };

    [Theory]
    [InlineData(Sides)]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("""[{ "recipe": null, "step": "gentle" }, null]""")]
    [InlineData("""[{ "recipe": "neem-with-soap" }]""")]
    [InlineData("""[{ "recipe": 5, "step": "gentle" }]""")]
    [InlineData("""[{ "recipe": null, "step": "gentle" }, { "recipe": null, "step": "mild" }]""")]
    [InlineData("""[{ "recipe": null, "step": "gentle", "soap": { "much": [1, 2] } }]""")]
    [InlineData("""{ "step": "gentle" }""")]
    public void What_is_sent_comes_to_the_same(string sent) => Assert.Equal(Read<List<NewTrialSide>>(sent, AtOnce), Read<List<NewTrialSide>>(sent, Late));

    [Theory]
    [InlineData("""{ "recipe": null, "step": "gentle" }""")]
    [InlineData("""{ "recipe": null, "step": ["gentle"] }""")]
    [InlineData("null")]
    [InlineData("7")]
    public void A_body_that_is_one_record_comes_to_the_same(string sent) => Assert.Equal(Read<NewTrialSide>(sent, AtOnce), Read<NewTrialSide>(sent, Late));

    [Fact]
    public void What_breaks_off_is_refused() =>
        Assert.Throws<JsonException>(() => JsonSerializer.Deserialize<List<NewTrialSide>>("""[{ "recipe": null, "step": "gentle" """, Late));

    [Theory]
    [InlineData(typeof(NewTrialSide), true)]
    [InlineData(typeof(IReadOnlyList<NewTrialSide>), true)]
    [InlineData(typeof(Dictionary<string, NewTrialSide>), true)]
    [InlineData(typeof(KeyValuePair<string, NewTrialSide>), false)]
    [InlineData(typeof(IReadOnlyList<string>), false)]
    [InlineData(typeof(Core.Catalogue.DoseStep), false)]
    [InlineData(typeof(string), false)]
    public void Records_of_ours_wait_and_nothing_else_does(Type type, bool waits) => Assert.Equal(waits, new LateRecords(AtOnce).CanConvert(type));

    /// <summary>What came of it: written again, or where it went wrong and how.</summary>
    private static string Read<T>(string sent, JsonSerializerOptions options)
    {
        try
        {
            return JsonSerializer.Serialize(JsonSerializer.Deserialize<T>(sent, options), options);
        }
        catch (JsonException e)
        {
            return $"{e.Path}: {e.Message}";
        }
    }
}
