using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>Names within sentences.</summary>
public static class Wording
{
    /// <summary>Words that keep their capital wherever they stand.</summary>
    private static readonly HashSet<string> Proper = ["Bt", "Brussels", "Cercospora", "Colorado", "Septoria"];

    /// <summary>A name of the catalogue as it stands within a sentence: "neem oil", but "Bt kurstaki".</summary>
    public static string InSentence(this string name) =>
        !Say.Language.LowersNames || name.Length < 2 || !(char.IsLower(name[1]) || name[1] == ' ') || Proper.Contains(name.Split(' ', 2)[0])
            ? name
            : char.ToLowerInvariant(name[0]) + name[1..];

    /// <summary>The first letter as it begins a sentence.</summary>
    public static string AsSentenceStart(this string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];
}
