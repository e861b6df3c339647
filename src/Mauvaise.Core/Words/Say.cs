using System.Globalization;

namespace Mauvaise.Core.Words;

/// <summary>
/// The one place where a sentence comes from. A sentence is a code of the message files (<c>languages/</c>) with named figures; it is told in the
/// language of whoever asked, <see cref="CultureInfo.CurrentUICulture"/>, which the app sets for each request, letter and feed.
/// </summary>
public static class Say
{
    /// <summary>A sentence by its code: <c>Say.Of("ways.inThreeWeeks", ("share", "7 %"))</c>.</summary>
    /// <param name="code">Room and name, as in the message files.</param>
    /// <param name="figures">What its holes are filled with. One of the name "n" or "count" also chooses between one and many.</param>
    /// <exception cref="ArgumentException">No such message, or a hole that nothing was given for: the message files and the code are held against each
    /// other by a test.</exception>
    public static string Of(string code, params ReadOnlySpan<(string Name, object? Value)> figures) => MessageBook.Current.Render(code, figures);

    /// <summary>A figure or a day in the language's own way of writing: "0,5", "16. Juli".</summary>
    /// <param name="format">A format of .NET. Those of days are looked up in the message files, where a language may order them anew.</param>
    public static string In(IFormattable? value, string format)
    {
        var book = MessageBook.Current;
        return value?.ToString(value is DateOnly or DateTime or DateTimeOffset ? book.DayFormat(format) : format, book.Culture) ?? "";
    }

    /// <summary>Several things in a row: "hands, water and soap".</summary>
    public static string All(IEnumerable<string> things)
    {
        var all = things.ToList();
        return all.Count < 2 ? string.Concat(all) : Of("words.listed", ("first", string.Join(", ", all[..^1])), ("last", all[^1]));
    }

    /// <summary>Whole sentences, one after another; what is empty is left out.</summary>
    public static string Sentences(params ReadOnlySpan<string?> sentences)
    {
        var all = new List<string>();
        foreach (var sentence in sentences)
        {
            if (!string.IsNullOrEmpty(sentence))
            {
                all.Add(sentence);
            }
        }

        return string.Join(' ', all);
    }

    /// <summary>What is said, and what is remarked of it: "neem 0.5 %, at 18 °C, as planned". What is empty is left out.</summary>
    public static string Remarked(string said, params ReadOnlySpan<string?> remarks)
    {
        foreach (var remark in remarks)
        {
            said = string.IsNullOrEmpty(remark) ? said : Of("words.remarked", ("said", said), ("remark", remark));
        }

        return said;
    }

    /// <summary>A saying as a sentence, with its full stop.</summary>
    public static string Sentence(string said) => Of("words.sentence", ("said", said));

    /// <summary>A day before today: "today", "yesterday", "3 days ago".</summary>
    public static string Ago(int days) =>
        days switch
        {
            0 => Of("words.today"),
            1 => Of("words.yesterday"),
            _ => Of("words.daysAgo", ("n", days)),
        };

    /// <summary>What one of a few possibilities is called within a sentence: "holding", "slight".</summary>
    public static string Word(Enum one) => Of($"word.{one.GetType().Name}.{one}");

    /// <summary>How sentences come out now: what holds sentences and is kept is kept by it.</summary>
    public static Voice Voice => new(Language.Code, Words.Language.IsMonthFirst(CultureInfo.CurrentUICulture) ? DayOrder.MonthFirst : DayOrder.DayFirst);

    /// <summary>The language that is spoken now.</summary>
    public static Language Language => MessageBook.Current.Language;
}
