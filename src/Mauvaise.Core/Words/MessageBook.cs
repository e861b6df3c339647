using System.Collections.Frozen;
using System.Globalization;
using System.Text.Json;

namespace Mauvaise.Core.Words;

/// <summary>All messages of one language, from the files that the client reads too.</summary>
public sealed class MessageBook
{
    private readonly FrozenDictionary<string, Message> messages;

    private MessageBook(string code, IEnumerable<KeyValuePair<string, string>> texts)
    {
        messages = texts.ToFrozenDictionary(t => t.Key, t => Message.Parse(t.Key, t.Value), StringComparer.Ordinal);
        var lowers = messages["words.lowersNames"].Render();
        Language = new Language(
            code,
            messages["words.language"].Render(),
            lowers == "yes" || (lowers == "no" ? false : throw new InvalidDataException($"words.lowersNames of {code} is yes or no, not {lowers}."))
        );
        // English figures are written as everywhere in the world of records; another language has its own sign for decimals and names of days.
        Culture = code == Language.Default ? CultureInfo.InvariantCulture : CultureInfo.GetCultureInfo(code);
    }

    /// <summary>The books by code of language. They lie in the assembly, so that the core reads no files.</summary>
    public static IReadOnlyDictionary<string, MessageBook> All { get; } = Read();

    /// <summary>The book of the language that is spoken now.</summary>
    public static MessageBook Current => All.TryGetValue(CultureInfo.CurrentUICulture.TwoLetterISOLanguageName, out var book) ? book : All[Language.Default];

    public Language Language { get; }

    /// <summary>How this language writes figures and days.</summary>
    public CultureInfo Culture { get; }

    /// <summary>The codes of all messages.</summary>
    public IEnumerable<string> Codes => messages.Keys;

    /// <summary>The names of the holes of a message.</summary>
    public IReadOnlySet<string> Holes(string code) => messages[code].Holes;

    internal string Render(string code, ReadOnlySpan<(string Name, object? Value)> figures) =>
        messages.TryGetValue(code, out var message) ? message.Render(Culture, figures) : throw new ArgumentException($"no message '{code}'", nameof(code));

    /// <summary>A format of days in this language's order, or with the month before the day where the household has it so and the language can.</summary>
    internal string DayFormat(string format)
    {
        if (Language.IsMonthFirst(CultureInfo.CurrentUICulture) && messages.TryGetValue($"daysMonthFirst.{format}", out var turned))
        {
            return turned.Render();
        }

        return messages.TryGetValue($"days.{format}", out var own) ? own.Render() : format;
    }

    private static FrozenDictionary<string, MessageBook> Read()
    {
        var assembly = typeof(MessageBook).Assembly;
        return assembly
            .GetManifestResourceNames()
            .Where(n => n.EndsWith("/server.json", StringComparison.Ordinal))
            .Select(name =>
            {
                using var file = assembly.GetManifestResourceStream(name)!;
                using var json = JsonDocument.Parse(file);
                return new MessageBook(name.Split('/')[^2], [.. Texts(json.RootElement, "")]);
            })
            .ToFrozenDictionary(b => b.Language.Code);
    }

    private static IEnumerable<KeyValuePair<string, string>> Texts(JsonElement element, string path) =>
        element.ValueKind == JsonValueKind.String
            ? [new(path, element.GetString()!)]
            : element.EnumerateObject().SelectMany(p => Texts(p.Value, path.Length == 0 ? p.Name : $"{path}.{p.Name}"));
}
