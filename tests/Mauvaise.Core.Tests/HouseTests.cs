using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Tests;

/// <summary>What the house promises of its own code, read from the code.</summary>
public partial class HouseTests
{
    internal static readonly IReadOnlyList<(string File, string Text)> Sources =
    [
        .. new[] { "Mauvaise.Core", "Mauvaise.Store", "Mauvaise.Web", "Mauvaise.StandIns" }
            .SelectMany(p => Directory.EnumerateFiles(Path.Combine(CatalogueTests.Root, "src", p), "*.cs", SearchOption.AllDirectories))
            .Where(f => !f.Split(Path.DirectorySeparatorChar).Any(part => part is "obj" or "bin" or "Migrations"))
            .Select(f =>
                (
                    Path.GetRelativePath(CatalogueTests.Root, f),
                    string.Join('\n', File.ReadAllLines(f).Where(l => !l.TrimStart().StartsWith("//", StringComparison.Ordinal)))
                )
            ),
    ];

    private static readonly string[] Rooms = ["src", "bench", "tests", "client", "docs", "catalogue"];

    /// <summary>Words that are ids and something else as well, with where they are something else.</summary>
    private static readonly (string File, string Word)[] AlsoWords =
    [
        ("LedgerColumns.cs", "ants"),
        ("LedgerCsvReader.cs", "ants"),
        ("LedgerCsvWriter.cs", "ants"),
        ("EmulsionEndpoints.cs", "oil"),
        ("EmulsionEndpoints.cs", "soap"),
        ("BenchOrder.cs", "soap"),
        ("Shelf.cs", "oil"),
    ];

    [GeneratedRegex("\"([a-z][a-z0-9]*(?:-[a-z0-9]+)*)\"")]
    private static partial Regex Word();

    /// <summary>The name of a hole of a message, beside what fills it.</summary>
    [GeneratedRegex(@",\s*\(""[a-zA-Z0-9]+"",\s")]
    private static partial Regex HoleName();

    [Fact]
    public void Ids_of_the_catalogue_stand_in_one_place_of_the_code()
    {
        var c = Shipped.Catalogue;
        var ids = c
            .Measures.Select(m => m.Id)
            .Concat(c.Materials.Select(m => m.Id))
            .Concat(c.Groups.Select(g => g.Id))
            .Concat(c.Signs.Select(s => s.Id))
            .Concat(c.Targets.SelectMany(t => new[] { t.Id, t.Group }))
            .Concat(c.Crops.Select(x => x.Id))
            .Concat(c.Recipes.Select(r => r.Id))
            .Concat(c.Climates.Select(x => x.Id))
            .ToHashSet();
        var found =
            from source in Sources
            where Path.GetFileName(source.File) != "KnownIds.cs"
            from Match m in Word().Matches(HoleName().Replace(source.Text, ", ("))
            where ids.Contains(m.Groups[1].Value) && !AlsoWords.Contains((Path.GetFileName(source.File), m.Groups[1].Value))
            select $"{source.File}: {m.Value}";
        Assert.Empty(found.Distinct());
        Assert.True(Sources.Count > 200, "The sources were found.");
    }

    [Fact]
    public void No_line_of_code_is_wider_than_a_screen()
    {
        const int most = 160;
        var lines = LinesOfCode(".cs", ".ts", ".vue", ".mjs").ToList();
        Assert.True(lines.Count > 50_000, "The code was found.");
        Assert.Empty(lines.Where(l => l.Text.Length > most).Select(l => l.Where));
    }

    [Fact]
    public void A_namespace_holds_its_whole_file()
    {
        var namespaces = LinesOfCode(".cs").Where(l => l.Text.StartsWith("namespace ", StringComparison.Ordinal)).ToList();
        Assert.True(namespaces.Count > 500, "The code was found.");
        Assert.Empty(namespaces.Where(l => !l.Text.EndsWith(';')).Select(l => l.Where));
    }

    private static IEnumerable<(string Where, string Text)> LinesOfCode(params string[] kinds)
    {
        HashSet<string> notOurs = ["obj", "bin", "Migrations", "node_modules", "wwwroot", "schema.d.ts", "test-results"];
        return from room in Rooms
            from file in Directory.EnumerateFiles(Path.Combine(CatalogueTests.Root, room), "*", SearchOption.AllDirectories)
            where kinds.Contains(Path.GetExtension(file)) && !file.Split(Path.DirectorySeparatorChar).Any(notOurs.Contains)
            from line in File.ReadLines(file).Select((text, i) => (Text: text, Number: i + 1))
            select ($"{Path.GetRelativePath(CatalogueTests.Root, file)}, line {line.Number}", line.Text);
    }

    [Fact]
    public void Every_fact_of_the_catalogue_is_read_by_somebody()
    {
        var code = string.Join('\n', Sources.Select(s => s.Text));
        Type[] facts =
        [
            typeof(Measure),
            typeof(Material),
            typeof(Target),
            typeof(Crop),
            typeof(Sign),
            typeof(Recipe),
            typeof(Climate),
            typeof(ModeOfAction),
            typeof(Beneficial),
            typeof(InsectBiology),
            typeof(DiseaseBiology),
            typeof(Cadence),
            typeof(SeasonLimit),
        ];
        var unread =
            from type in facts
            from property in type.GetProperties()
            where property.Name != "EqualityContract" && !Regex.IsMatch(code, $@"[.({{ ,]{property.Name}\b(?! {{ get)")
            select $"{type.Name}.{property.Name}";
        Assert.Empty(unread);
    }

    [Fact]
    public void Rows_of_records_are_made_in_the_store_and_where_a_table_or_the_demo_is_read()
    {
        // Deeds go through the store's one writer; a table of the ledger and the demo's file are read into rows as they stand.
        string[] may = ["LedgerCsvReader.cs", "DemoGarden.cs", "TrialEndpoints.cs"];
        var makers =
            from source in Sources
            where source.File.Contains("Mauvaise.Web", StringComparison.Ordinal) && !may.Contains(Path.GetFileName(source.File))
            where Regex.IsMatch(source.Text, @"new (Observation|Application|Batch|CheckBack|Task|Course)Row\b")
            select source.File;
        Assert.Empty(makers);
    }
}
