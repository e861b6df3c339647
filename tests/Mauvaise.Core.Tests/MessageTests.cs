using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

/// <summary>The message files against the code that speaks them, and against each other.</summary>
public partial class MessageTests
{
    private static readonly MessageBook English = MessageBook.All[Language.Default];

    /// <summary>Rooms whose codes are put together from an id of the code: units, possibilities, formats of days.</summary>
    private static readonly string[] ById =
    [
        "units.",
        "word.",
        "days.",
        "daysMonthFirst.",
        "countries.",
        "targetGroups.",
        "trust.",
        "words.language",
        "words.lowersNames",
        "words.listed",
    ];

    public static TheoryData<string> Others => [.. MessageBook.All.Keys.Where(k => k != Language.Default)];

    [GeneratedRegex("\"([a-z][a-zA-Z]*\\.[a-z0-9][a-zA-Z0-9]*)\"")]
    private static partial Regex Code();

    [GeneratedRegex("Sa(?:y|id)\\.Of\\(\\s*\"(?<code>[a-zA-Z.0-9]+)\"(?<holes>(, \\(\"[a-zA-Z0-9]+\", )?)")]
    private static partial Regex Spoken();

    private static readonly HashSet<string> Used = HouseTests.Sources.SelectMany(s => Code().Matches(s.Text).Select(m => m.Groups[1].Value)).ToHashSet();

    [Fact]
    public void Each_message_that_is_spoken_stands_in_the_files_and_each_that_stands_there_is_spoken()
    {
        var spoken = HouseTests.Sources.SelectMany(s => Spoken().Matches(s.Text).Select(m => (s.File, Code: m.Groups["code"].Value))).ToList();
        Assert.True(spoken.Count > 1000, "The sentences were found.");
        Assert.DoesNotContain(spoken, x => !English.Codes.Contains(x.Code));
        Assert.DoesNotContain(English.Codes, c => !Used.Contains(c) && !ById.Any(r => c.StartsWith(r, StringComparison.Ordinal)));
    }

    [Fact]
    public void Each_hole_is_filled_where_its_message_is_spoken()
    {
        var calls = HouseTests
            .Sources.SelectMany(s => Spoken().Matches(s.Text).Select(m => (s.File, Code: m.Groups["code"].Value, Given: Given(s.Text, m.Index))))
            .ToList();
        Assert.True(calls.Count > 1000, "The sentences were found.");
        Assert.All(calls, c =>
            Assert.True(English.Holes(c.Code).IsSubsetOf(c.Given), $"{c.File}: {c.Code} wants {string.Join(", ", English.Holes(c.Code).Except(c.Given))}")
        );
    }

    /// <summary>The names that a call gives figures for, up to its closing bracket.</summary>
    private static HashSet<string> Given(string text, int start)
    {
        var (depth, quoted, end) = (0, false, text.IndexOf('(', start));
        do
        {
            switch (text[end])
            {
                case '\\' when quoted:
                    end++;
                    break;
                case '"':
                    quoted = !quoted;
                    break;
                case '(' when !quoted:
                    depth++;
                    break;
                case ')' when !quoted:
                    depth--;
                    break;
            }

            end++;
        } while (depth > 0);
        return [.. Figure().Matches(text[start..end]).Select(m => m.Groups[1].Value)];
    }

    [GeneratedRegex(@"\(\s*""(\w+)"",")]
    private static partial Regex Figure();

    /// <summary>How a language orders a day is its own: where it has nothing to say, the format stands as it is.</summary>
    private static bool IsOrderOfDays(string code) =>
        code.StartsWith("days.", StringComparison.Ordinal) || code.StartsWith("daysMonthFirst.", StringComparison.Ordinal);

    [Theory]
    [MemberData(nameof(Others))]
    public void A_language_says_all_and_fills_the_same_holes(string code)
    {
        var other = MessageBook.All[code];
        Assert.Equal(English.Codes.Where(c => !IsOrderOfDays(c)).Order(), other.Codes.Where(c => !IsOrderOfDays(c)).Order());
        Assert.Empty(
            other
                .Codes.Where(c => English.Codes.Contains(c) && !other.Holes(c).SetEquals(English.Holes(c)))
                .Select(c => $"{c}: {string.Join(", ", other.Holes(c))} for {string.Join(", ", English.Holes(c))}")
        );
    }

    [Theory]
    [MemberData(nameof(Others))]
    public void A_language_has_words_for_the_whole_catalogue_and_for_nothing_else(string code)
    {
        var words = CatalogueWords.Of(code);
        Assert.NotNull(words);
        foreach (var kind in CatalogueFiles.Kinds.Keys)
        {
            var texts = CatalogueWords.All(kind, CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(CatalogueFiles.DefaultFolder, kind + ".yaml"))));
            Assert.Equal(texts.Order(StringComparer.Ordinal), words.Told(kind).Order(StringComparer.Ordinal));
            Assert.All(texts, t => Assert.Equal(FiguresOf(t), FiguresOf(words.For(kind, t)!)));
        }
    }

    [Theory]
    [MemberData(nameof(Others))]
    public void Facts_are_the_same_in_every_language(string code)
    {
        var other = CatalogueFiles.Read(CatalogueFiles.DefaultFolder, CatalogueWords.Of(code));
        Assert.Equal(
            Shipped.Catalogue.Materials.Select(m => (m.Id, m.Doses?.Usual, m.DaysToWait)),
            other.Materials.Select(m => (m.Id, m.Doses?.Usual, m.DaysToWait))
        );
        Assert.Equal(
            Shipped.Catalogue.Targets.Select(t => (t.Id, string.Join(' ', t.Signs.Select(s => $"{s.Key}{s.Value}")))),
            other.Targets.Select(t => (t.Id, string.Join(' ', t.Signs.Select(s => $"{s.Key}{s.Value}"))))
        );
        Assert.DoesNotContain(other.Crops, c => c.Name == "Potato");
    }

    private static IEnumerable<string> FiguresOf(string text) => Figures().Matches(text).Select(m => m.Value).Order(StringComparer.Ordinal);

    /// <summary>Figures of a text, which every language tells.</summary>
    [GeneratedRegex(@"\{[a-z]+ [0-9.]+\}")]
    private static partial Regex Figures();

    [Fact]
    public void Sentences_stand_in_the_message_files_and_nowhere_else()
    {
        // Left in the code: faults of the catalogue's files, what a shell is told, logs, exceptions, and the English that recipes are read in.
        string[] aside =
        [
            "CatalogueRules.cs",
            "GardenCatalogue.cs",
            "CatalogueFiles.cs",
            "Commands.cs",
            "Startup.cs",
            "HomeHosting.cs",
            "DemoGarden.cs",
            "TrustPage.cs",
            "LinkEndpoints.cs",
            "Bounds.cs",
            "ErrorAnswers.cs",
        ];
        var told =
            from source in HouseTests.Sources
            where !source.File.Contains("StandIns", StringComparison.Ordinal) && !aside.Contains(Path.GetFileName(source.File))
            from Match m in Prose().Matches(NotTold().Replace(source.Text, ""))
            select $"{source.File}: {m.Value}";
        Assert.Empty(told);
    }

    /// <summary>What is thrown, logged or searched by.</summary>
    [GeneratedRegex(@"\bthrow\b[^;]*?;|LoggerMessage\([^)]*\)|\bnew \w*Exception\([^;]*?;|GeneratedRegex\([^\n]*")]
    private static partial Regex NotTold();

    /// <summary>A text within quotes that begins with a capital and goes on in small words.</summary>
    [GeneratedRegex(@"""[A-Z][a-z']+ (?:[a-z]+ )+[^""]*""")]
    private static partial Regex Prose();

    /// <summary>What the client's library makes of every message, with the same figures.</summary>
    [Fact]
    public async Task Every_message_reads_the_same_on_both_sides()
    {
        using var client = Process.Start(
            new ProcessStartInfo("node", "client/tests/told.mjs")
            {
                WorkingDirectory = CatalogueTests.Root,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var faults = client.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        var theirs = JsonSerializer.Deserialize<Dictionary<string, string>>(await client.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken))!;
        Assert.Equal("", await faults);
        var apart = 0;
        foreach (var (key, told) in theirs)
        {
            var (language, file, code, n) = (
                key.Split(' ')[0],
                key.Split(' ')[1],
                key.Split(' ')[2..^1],
                int.Parse(key.Split(' ')[^1], CultureInfo.InvariantCulture)
            );
            var text = Texts(language, file)[string.Join(' ', code)];
            var message = Message.Parse(key, text);
            var ours = message.Render(CultureInfo.InvariantCulture, [.. message.Holes.Where(h => h != "n").Select(h => (h, (object?)$"<{h}>")), ("n", n)]);
            Assert.True(ours == told, $"{key}: “{ours}” here, “{told}” there");
            apart++;
        }

        Assert.True(apart > 10_000, $"{apart} were told");
    }

    private static readonly string[] Books = ["server", "app"];

    private static readonly Dictionary<string, Dictionary<string, string>> Files = [];

    [Theory]
    [MemberData(nameof(Others))]
    public void Server_and_screen_write_names_within_sentences_alike(string language) =>
        Assert.Equal(Texts(language, "app")["language.lowersNames"], Texts(language, "server")["words.lowersNames"]);

    [Theory]
    [InlineData("en")]
    [MemberData(nameof(Others))]
    public void Server_and_screen_tell_a_count_alike(string language)
    {
        var told = Texts(language, "server").Where(t => t.Key.StartsWith("scouting.counted", StringComparison.Ordinal)).ToList();
        Assert.Equal(Enum.GetValues<CountedOn>().Length + 1, told.Count);
        Assert.All(told, t => Assert.Equal(t.Value, Texts(language, "app")[t.Key.Replace("scouting.", "garden.", StringComparison.Ordinal)]));
    }

    private static Dictionary<string, string> Texts(string language, string file)
    {
        var name = Path.Combine(CatalogueTests.Root, "languages", language, file + ".json");
        if (!Files.TryGetValue(name, out var texts))
        {
            using var json = JsonDocument.Parse(File.ReadAllText(name));
            Files[name] = texts = Flat(json.RootElement, "").ToDictionary();
        }

        return texts;

        static IEnumerable<KeyValuePair<string, string>> Flat(JsonElement e, string path) =>
            e.ValueKind == JsonValueKind.String
                ? [new(path, e.GetString()!)]
                : e.EnumerateObject().SelectMany(p => Flat(p.Value, path.Length == 0 ? p.Name : $"{path}.{p.Name}"));
    }

    [Fact]
    public void Codes_that_are_put_together_have_their_messages()
    {
        Assert.Empty(
            Shipped.Catalogue.Targets.Select(t => t.Group).Except(English.Codes.Select(c => c.Replace("targetGroups.", "", StringComparison.Ordinal)))
        );
        Assert.Empty(Units.All.Select(u => $"units.{u.Code}").Except(English.Codes));
        Enum[] told = [.. Enum.GetValues<Outcome>(), .. Enum.GetValues<Injury>(), .. Enum.GetValues<InjurySign>(), .. Enum.GetValues<DoseStep>()];
        Assert.All(told, one => Assert.NotEmpty(Say.Word(one)));
    }

    [Theory]
    [InlineData("{n} leaf | {n} leaves", 1, "1 leaf")]
    [InlineData("{n} leaf | {n} leaves", 0, "0 leaves")]
    [InlineData("{n} leaf | {n} leaves", 7, "7 leaves")]
    [InlineData("none | one | {n}", 0, "none")]
    [InlineData("none | one | {n}", 5, "5")]
    public void One_and_many_are_told_apart(string text, int n, string told) =>
        Assert.Equal(told, Message.Parse("x", text).Render(CultureInfo.InvariantCulture, [("n", n)]));

    [Theory]
    [InlineData("a {'@'} b", "a @ b")]
    [InlineData("{'{'}{x}{'}'}", "{3}")]
    public void What_stands_in_quotes_is_text(string text, string told) =>
        Assert.Equal(told, Message.Parse("x", text).Render(CultureInfo.InvariantCulture, [("x", 3)]));

    [Theory]
    [InlineData("a @ b")]
    [InlineData("a } b")]
    [InlineData("a { b")]
    public void What_is_not_in_the_form_is_refused(string text) => Assert.Throws<FormatException>(() => Message.Parse("x", text));

    [Fact]
    public void A_hole_without_a_figure_and_a_code_without_a_message_are_faults()
    {
        Assert.Throws<ArgumentException>(() => Message.Parse("x", "{a}").Render(CultureInfo.InvariantCulture, [("b", 1)]));
        Assert.Throws<ArgumentException>(() => Say.Of("words.noSuchMessage"));
    }

    /// <summary>Whole sentences and whole phrases: what is joined is joined by <see cref="Say"/> and not by blanks and commas in the files.</summary>
    [Fact]
    public void No_message_is_a_part_of_a_sentence() =>
        Assert.Empty(
            from book in Books
            from message in Texts("en", book)
            from form in message.Value.Split(" | ")
            where form.Length == 0 || " ,;:.)".Contains(form[0], StringComparison.Ordinal) || " ,;(".Contains(form[^1], StringComparison.Ordinal)
            select $"{book} {message.Key}: \"{form}\""
        );

    [Theory]
    [InlineData("de-AT", "de")]
    [InlineData("DE", "de")]
    [InlineData("den", "en")]
    [InlineData("fr", "en")]
    [InlineData(null, "en")]
    public void The_nearest_language_is_spoken(string? wanted, string spoken) => Assert.Equal(spoken, Language.Nearest(wanted));
}
