using System.Collections.Frozen;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace Mauvaise.Core.ByEar;

/// <summary>
/// Recipes in other languages: their words, from <c>languages/*/heard.json</c>, stand for the English ones that the reader knows. Which language a
/// recipe is in is told from its words and not from who reads it, so that what one of a household kept is the same for the other.
/// </summary>
internal sealed partial class HeardLanguage
{
    private static readonly IReadOnlyList<HeardLanguage> All = Read();

    private readonly FrozenDictionary<string, string> english;
    private readonly Regex words,
        plain;

    /// <param name="heard">By English word, what it is called in this language.</param>
    private HeardLanguage(IReadOnlyDictionary<string, string[]> heard)
    {
        english = heard.SelectMany(w => w.Value.Select(own => (own, w.Key))).ToFrozenDictionary(w => w.own, w => w.Key, StringComparer.OrdinalIgnoreCase);
        words = AnyOf(english.Keys);
        plain = AnyOf(english.Values.Distinct());
    }

    /// <summary>Any of these words, the longest first. A number may stand before one without a blank, a letter may not.</summary>
    private static Regex AnyOf(IEnumerable<string> words)
    {
        var longestFirst = words.OrderByDescending(w => w.Length).Select(w => Regex.Escape(w).Replace("\\ ", @"\s+", StringComparison.Ordinal));
        return new Regex($@"(?<!\p{{L}})(?:{string.Join('|', longestFirst)})(?!\p{{L}})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant);
    }

    /// <summary>A recipe in the reader's words, and how to tell a stretch of it in its own again. English comes back as it is.</summary>
    public static (string Plain, Func<string, string> InItsOwn) Understood(string text)
    {
        var (language, lead) = All.Select(l => (l, Lead: l.words.Count(text) - l.plain.Count(text))).OrderByDescending(x => x.Lead).FirstOrDefault();
        return lead > 0 ? language.Translated(text) : (text, stretch => stretch);
    }

    private (string, Func<string, string>) Translated(string text)
    {
        var own = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        var told = words.Replace(text, m =>
        {
            var word = english[Blanks().Replace(m.Value, " ")];
            own.TryAdd(word, m.Value);
            return word;
        });
        var back = AnyOf(own.Keys);
        return (told, stretch => back.Replace(stretch, m => own[Blanks().Replace(m.Value, " ")]));
    }

    private static List<HeardLanguage> Read()
    {
        var assembly = typeof(HeardLanguage).Assembly;
        return
        [
            .. assembly
                .GetManifestResourceNames()
                .Where(n => n.EndsWith("/heard.json", StringComparison.Ordinal))
                .Select(name =>
                {
                    using var file = assembly.GetManifestResourceStream(name)!;
                    return new HeardLanguage(JsonSerializer.Deserialize<Dictionary<string, string[]>>(file)!);
                }),
        ];
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Blanks();
}
