using Mauvaise.Core.Catalogue;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

public class CatalogueTests
{
    internal static readonly string Root = FindRoot();

    [Fact]
    public void The_shipped_catalogue_is_sound_and_large_enough()
    {
        var c = Shipped.Catalogue;
        Assert.True(c.Materials.Count >= 28 && c.Targets.Count >= 8 && c.Signs.Count >= 20 && c.Crops.Count >= 30);
        Assert.Empty(CatalogueRules.Faults(c));
    }

    [Fact]
    public void Every_schema_is_the_one_made_from_its_record()
    {
        foreach (var kind in CatalogueFiles.Kinds.Keys)
        {
            var file = Path.Combine(Root, "catalogue", "schema", kind + ".schema.json");
            if (Environment.GetEnvironmentVariable("MAUVAISE_WRITE_SCHEMAS") == "1")
            {
                File.WriteAllText(file, CatalogueFiles.Schema(kind));
            }

            Assert.Equal(CatalogueFiles.Schema(kind), File.ReadAllText(file));
        }
    }

    [Theory]
    [InlineData("targets", "hosts: [legumes, beets]", "hosts: [unicorns]", "unicorns")]
    [InlineData("targets", "black-insects: 0.93", "black-insects: 1.5", "0.01 to 0.99")]
    [InlineData("materials", "gentle: 4, usual: 6", "gentle: 7, usual: 6", "doses must rise")]
    [InlineData("materials", "group: azadirachtin", "group: magic", "magic")]
    [InlineData("recipes", "amount: 1.5", "amount: 99", "ceiling")]
    [InlineData("pairs", "[pantry], b: [anything]", "[pantry], b: [oil]", "nothing says whether")]
    [InlineData("materials", "{ material: hot-chilli, amount: 60 }", "{ material: garlic-chilli-stock, amount: 60 }", "made of itself")]
    [InlineData("materials", "{ material: garlic-cloves, amount: 100 }", "{ material: moon-dust, amount: 100 }", "moon-dust")]
    [InlineData("crops", "leaf: lobed", "leef: lobed", "leef")]
    [InlineData("signs", "id: rings", "id: white-dust", "more than once")]
    [InlineData("measures", "id: take-out", "id: takeout", "measures.yaml, line")]
    [InlineData("measures", "id: take-out", "id: takeout", "measure 'takeout': the program relies on 'take-out'")]
    [InlineData("measures", "[look-alikes, animals, sooty-mould,", "[look-alikes, animals,", "put-right is not for it")]
    [InlineData("signs", "id: tips-first", "id: tips", "'tips-first'")]
    [InlineData("targets", "hosts: [legumes, beets]", "hosts: [legums, beets]", "the nearest is 'legumes'")]
    [InlineData("targets", "hosts: [legumes, beets]", "hosts: [legums, beets]", "targets.yaml, line")]
    [InlineData(
        "materials",
        "assumed: [cover, worksOn, harmToHelpers]",
        "assumed: [cover, worsOn, harmToHelpers]",
        "'worsOn' is nothing that is assumed; the nearest is 'worksOn'"
    )]
    [InlineData("helpers", "perM2: 50,", "perM2: 500,", "0 < perM2 <= mostPerM2")]
    [InlineData("helpers", "[spider-mite, any-mite, thrips]", "[spider-mites, any-mite, thrips]", "the nearest is 'spider-mite'")]
    public void A_fault_in_a_file_is_named(string kind, string sound, string broken, string told)
    {
        var folder = Directory.CreateTempSubdirectory("catalogue");
        try
        {
            foreach (var file in Directory.GetFiles(CatalogueFiles.DefaultFolder, "*.yaml"))
            {
                File.Copy(file, Path.Combine(folder.FullName, Path.GetFileName(file)));
            }

            var changed = Path.Combine(folder.FullName, kind + ".yaml");
            var text = File.ReadAllText(changed);
            var at = text.IndexOf(sound, StringComparison.Ordinal);
            Assert.True(at >= 0);
            File.WriteAllText(changed, text[..at] + broken + text[(at + sound.Length)..]);
            var e = Assert.Throws<CatalogueException>(() => CatalogueFiles.Read(folder.FullName));
            Assert.Contains(told, e.Message, StringComparison.Ordinal);
        }
        finally
        {
            folder.Delete(true);
        }
    }

    private static GardenCatalogue WithOwn(string kind, string yaml, string? language = null)
    {
        var own = Directory.CreateTempSubdirectory("own-facts");
        try
        {
            File.WriteAllText(Path.Combine(own.FullName, kind + ".yaml"), yaml);
            return CatalogueFiles.Read(CatalogueFiles.DefaultFolder, language is null ? null : CatalogueWords.Of(language), own.FullName);
        }
        finally
        {
            own.Delete(true);
        }
    }

    [Fact]
    public void A_household_changes_single_facts_and_adds_its_own()
    {
        var changed = WithOwn("materials", "- { id: milk, name: Goat's milk, keepsOpenedMonths: 1 }");
        Assert.Equal("Goat's milk", changed.Material("milk").Name);
        Assert.Equal(Shipped.Catalogue.Material("milk").Doses, changed.Material("milk").Doses);
        Assert.Equal(Shipped.Catalogue.Materials.Count, changed.Materials.Count);
        Assert.Equal("Goat's milk", WithOwn("materials", "- { id: milk, name: Goat's milk }", "de").Material("milk").Name);

        var heard = WithOwn("heard", "- { words: [aunt's tonic], nature: feed }");
        Assert.Equal(Shipped.Catalogue.Heard.Count + 1, heard.Heard.Count);
    }

    [Theory]
    [InlineData("materials", "- { id: milk, nmae: Goat's milk }", "materials.yaml: ")]
    [InlineData("materials", "milk: none", "a list of entries is wanted")]
    [InlineData("materials", "- [milk]", "a list of entries is wanted")]
    [InlineData("materials", "- { id: milk, name: [", "materials.yaml: ")]
    [InlineData("materials", "# nothing yet\n- { id: neem-oil, group: nem }", "materials.yaml, line 2: ")]
    public void A_fault_in_a_households_own_facts_is_named_with_its_file(string kind, string yaml, string told)
    {
        var fault = Assert.Throws<CatalogueException>(() => WithOwn(kind, yaml)).Message;
        Assert.Contains(told, fault, StringComparison.Ordinal);
        Assert.Contains("own-facts", fault, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_pair_of_materials_has_a_decided_answer()
    {
        var c = Shipped.Catalogue;
        foreach (var (a, b) in from a in c.Materials from b in c.Materials where a.Id != b.Id select (a, b))
        {
            var pair = Pairs.Between(c, a, b);
            Assert.Equal(pair, Pairs.Between(c, b, a));
            Assert.True(pair.InOneTank is "never" or "allowed" && pair.Why.Length > 0);
        }
    }

    [Theory]
    [InlineData("peroxide", "neem-oil", "never", 1)]
    [InlineData("peroxide", "diatomaceous-earth", "never", 1)]
    [InlineData("bt-kurstaki", "neem-oil", "never", 2)]
    [InlineData("bt-kurstaki", "bicarbonate", "never", 2)]
    [InlineData("bt-kurstaki", "rosemary-oil", "never", 2)]
    [InlineData("sulfur", "neem-oil", "never", 21)]
    [InlineData("sulfur", "kitchen-oil", "never", 21)]
    [InlineData("sulfur", "castile-soap", "never", 3)]
    [InlineData("bicarbonate", "vinegar", "never", 1)]
    [InlineData("bicarbonate", "enzyme-concentrate", "never", 1)]
    [InlineData("diatomaceous-earth", "insecticidal-soap", "never", 1)]
    [InlineData("bicarbonate", "neem-oil", "allowed", 0)]
    [InlineData("peppermint-oil", "neem-oil", "allowed", 0)]
    [InlineData("borax", "sugar", "allowed", 0)]
    public void What_may_not_meet_is_as_written(string a, string b, string inOneTank, double daysApart)
    {
        var c = Shipped.Catalogue;
        var pair = Pairs.Between(c, c.Material(a), c.Material(b));
        Assert.Equal((inOneTank, daysApart), (pair.InOneTank, pair.DaysApart));
    }

    private static string FindRoot()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "Mauvaise.slnx")))
        {
            at = at.Parent ?? throw new DirectoryNotFoundException("Mauvaise.slnx");
        }

        return at.FullName;
    }

    /// <summary>A name from another country leads to one thing alone, and never away from what bears it as its own.</summary>
    [Fact]
    public void A_name_by_country_is_that_of_one_thing()
    {
        foreach (
            var things in new IEnumerable<(string Name, IReadOnlyList<string> Also)>[]
            {
                Shipped.Catalogue.Crops.Select(c => (c.Name, c.AlsoCalled)),
                Shipped.Catalogue.Targets.Select(t => (t.Name, t.AlsoCalled)),
                Shipped.Catalogue.Materials.Select(m => (m.Name, m.AlsoCalled)),
            }
        )
        {
            var names = things.SelectMany(t => t.Also.Append(t.Name)).Select(n => n.ToUpperInvariant()).ToList();
            Assert.Equal(names.Distinct(), names);
        }

        Assert.Contains(Shipped.Catalogue.Crop("aubergine").AlsoCalled, n => n == "eggplant");
    }
}
