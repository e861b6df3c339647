using ArchUnitNET.Loader;
using Mauvaise.Core.Catalogue;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace Mauvaise.Core.Tests;

public class LayeringTests
{
    /// <summary>The core's folders in working order: each may use those before it.</summary>
    private static readonly string[] Order =
    [
        "Words",
        "Time",
        "Measures",
        "Catalogue",
        "Sky",
        "Gardens",
        "Biology",
        "Scouting",
        "Identification",
        "Decisions",
        "Mixing",
        "ByEar",
        "Cover",
        "Courses",
        "Simulation",
        "Ways",
        "Preventing",
        "Actions",
        "Outcomes",
        "Trials",
        "Lessons",
        "Planning",
        "Ledger",
        "Deeds",
    ];

    private static readonly ArchUnitNET.Domain.Architecture Core = new ArchLoader().LoadAssemblies(typeof(GardenCatalogue).Assembly).Build();

    [Fact]
    public void The_order_names_every_folder_of_the_core()
    {
        var folders = typeof(GardenCatalogue)
            .Assembly.GetTypes()
            .Select(t => t.Namespace)
            .Where(n => n?.StartsWith("Mauvaise.Core.", StringComparison.Ordinal) == true)
            .Select(n => n!.Split('.')[2])
            .Distinct()
            .Order();
        Assert.Equal(Order.Order(), folders);
    }

    [Fact]
    public void No_folder_uses_a_later_one()
    {
        foreach (var (earlier, i) in Order.Select((f, i) => (f, i)))
        {
            foreach (var later in Order.Skip(i + 1))
            {
                var rule = Types()
                    .That()
                    .ResideInNamespaceMatching($@"^Mauvaise\.Core\.{earlier}$")
                    .Should()
                    .NotDependOnAny(Types().That().ResideInNamespaceMatching($@"^Mauvaise\.Core\.{later}$"));
                Assert.True(
                    rule.HasNoViolations(Core),
                    $"{earlier} uses {later}: {string.Join("; ", rule.Evaluate(Core).Where(r => !r.Passed).Select(r => r.Description))}"
                );
            }
        }
    }

    [Fact]
    public void The_core_knows_no_web_no_database_and_no_file()
    {
        var used = typeof(GardenCatalogue).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.NotEmpty(used);
        Assert.DoesNotContain(used, n =>
            n.StartsWith("Microsoft.", StringComparison.Ordinal) || n.Contains("Sqlite", StringComparison.Ordinal) || n == "System.IO.FileSystem"
        );
    }
}
