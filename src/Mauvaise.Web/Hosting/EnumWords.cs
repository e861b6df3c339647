using System.Text.Json;

namespace Mauvaise.Web.Hosting;

/// <summary>Words of an enum as addresses carry them: its own names alone, never numbers or lists of them.</summary>
public static class EnumWords
{
    /// <summary>Reads a word, whatever its letters' case.</summary>
    public static bool TryRead<T>(string? word, out T value)
        where T : struct, Enum
    {
        foreach (var known in Enum.GetValues<T>())
        {
            if (string.Equals(known.ToString(), word, StringComparison.OrdinalIgnoreCase))
            {
                value = known;
                return true;
            }
        }

        value = default;
        return false;
    }

    /// <summary>The word of a value as JSON has it.</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
