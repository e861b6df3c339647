using System.Collections.Frozen;
using System.Globalization;
using System.Text;

namespace Mauvaise.Core.Words;

/// <summary>
/// One message in the form of the client's library: text with holes, <c>{place}</c>; what stands in quotes, <c>{'@'}</c>, is text; one and many
/// apart by a bar, <c>{n} leaf | {n} leaves</c>, or none, one and many. Links to other messages are not used and are refused.
/// </summary>
public sealed class Message
{
    private readonly IReadOnlyList<IReadOnlyList<Part>> choices;

    private Message(IReadOnlyList<IReadOnlyList<Part>> choices) => this.choices = choices;

    public IReadOnlySet<string> Holes => choices.SelectMany(c => c).Where(p => p.IsHole).Select(p => p.Text).ToFrozenSet();

    /// <exception cref="FormatException">It is not in the form.</exception>
    public static Message Parse(string code, string text)
    {
        var choices = new List<IReadOnlyList<Part>>();
        var parts = new List<Part>();
        var plain = new StringBuilder();
        for (var i = 0; i < text.Length; i++)
        {
            switch (text[i])
            {
                case '{'
                    when text.IndexOf('}', i) is > 0 and var end
                        && text[i + 1] == '\''
                        && text.IndexOf("'}", i + 2, StringComparison.Ordinal) is > 0 and var quote:
                    plain.Append(text, i + 2, quote - i - 2);
                    i = quote + 1;
                    break;
                case '{' when text.IndexOf('}', i) is > 0 and var end:
                    Cut();
                    parts.Add(new Part(text[(i + 1)..end].Trim(), true));
                    i = end;
                    break;
                case '|':
                    Cut();
                    choices.Add([.. parts]);
                    parts.Clear();
                    break;
                case '{' or '}' or '@':
                    throw new FormatException($"'{code}': '{text[i]}' stands alone; as text it is written {{'{text[i]}'}}");
                default:
                    plain.Append(text[i]);
                    break;
            }
        }

        Cut();
        choices.Add([.. parts]);
        // Around a bar blanks are the form's, not the sentence's.
        return new Message(choices.Count == 1 ? choices : [.. choices.Select(Trimmed)]);

        void Cut()
        {
            if (plain.Length > 0)
            {
                parts.Add(new Part(plain.ToString(), false));
                plain.Clear();
            }
        }
    }

    public string Render() => Render(CultureInfo.InvariantCulture, []);

    public string Render(CultureInfo culture, ReadOnlySpan<(string Name, object? Value)> figures)
    {
        var parts = choices[choices.Count == 1 ? 0 : Chosen(figures)];
        if (parts is [{ IsHole: false } alone])
        {
            return alone.Text;
        }

        var told = new StringBuilder();
        foreach (var part in parts)
        {
            told.Append(part.IsHole ? Told(Given(part.Text, figures), culture) : part.Text);
        }

        return told.ToString();
    }

    /// <summary>As the client's library chooses: of two, one and many; of three, none, one and many.</summary>
    private int Chosen(ReadOnlySpan<(string Name, object? Value)> figures)
    {
        var count = 1L;
        foreach (var (name, value) in figures)
        {
            if (name is "n" or "count")
            {
                count = Convert.ToInt64(value, CultureInfo.InvariantCulture);
            }
        }

        return choices.Count == 2 ? (count == 1 ? 0 : 1) : (int)Math.Clamp(count, 0, choices.Count - 1);
    }

    private static object? Given(string hole, ReadOnlySpan<(string Name, object? Value)> figures)
    {
        foreach (var (name, value) in figures)
        {
            if (name == hole)
            {
                return value;
            }
        }

        throw new ArgumentException($"nothing was given for {{{hole}}}", nameof(figures));
    }

    private static string? Told(object? value, CultureInfo culture) => value is IFormattable f ? f.ToString(null, culture) : value?.ToString();

    private static IReadOnlyList<Part> Trimmed(IReadOnlyList<Part> parts) =>
        [
            .. parts.Select(
                (p, i) =>
                    p.IsHole
                        ? p
                        : p with
                        {
                            Text = (i == 0, i == parts.Count - 1) switch
                            {
                                (true, true) => p.Text.Trim(),
                                (true, _) => p.Text.TrimStart(),
                                (_, true) => p.Text.TrimEnd(),
                                _ => p.Text,
                            },
                        }
            ),
        ];

    private sealed record Part(string Text, bool IsHole);
}
