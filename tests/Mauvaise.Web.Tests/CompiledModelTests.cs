using System.Text.RegularExpressions;
using Mauvaise.Store;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Design.Internal;

namespace Mauvaise.Web.Tests;

/// <summary>What the rows look like is written down by the compiler, so that no start has to find it out: it says what the rows say.</summary>
public sealed partial class CompiledModelTests : OnDataFile
{
    private const string Namespace = "Mauvaise.Store.Migrations.Model";
    private static readonly string Kept = Repository.Path("src", "Mauvaise.Store", "Migrations", "Model");

    [Fact]
    public void It_is_what_the_rows_would_be_compiled_to()
    {
        var written = Environment.GetEnvironmentVariable("MAUVAISE_WRITE_SCHEMAS") == "1";
        var fresh = written ? Kept : Path.Combine(Folder, "model");
        if (written && Directory.Exists(fresh))
        {
            Directory.Delete(fresh, true);
        }

        Compile(fresh);

        Assert.Equal(Texts(fresh), Texts(Kept));
    }

    [Fact]
    public async Task Every_start_reads_it()
    {
        await using var db = Open();
        Assert.Equal($"{Namespace}.{nameof(GardenDb)}Model", db.Model.GetType().FullName);
    }

    /// <summary>As the tool's command does: <c>dotnet ef dbcontext optimize</c>.</summary>
    private static void Compile(string folder)
    {
#pragma warning disable EF1001 // The command is the only other way to it.
        var operations = new DbContextOperations(
            new OperationReporter(new OperationReportHandler()),
            typeof(GardenDb).Assembly,
            typeof(CompiledModelTests).Assembly,
            Repository.Path("src", "Mauvaise.Store", "Mauvaise.Store.csproj"),
            Repository.Path("src", "Mauvaise.Store"),
            "Mauvaise.Store",
            "C#",
            nullable: true,
            args: []
        );
        operations.Optimize(folder, Namespace, nameof(GardenDb), null, scaffoldModel: true, precompileQueries: false, nativeAot: false);
#pragma warning restore EF1001
    }

    /// <summary>By file, without the name that each making gives itself.</summary>
    private static List<string> Texts(string folder) =>
        [
            .. Directory
                .EnumerateFiles(folder, "*.cs")
                .Order(StringComparer.Ordinal)
                .Select(f => $"{Path.GetFileName(f)}\n{ModelId().Replace(File.ReadAllText(f), "modelId")}"),
        ];

    [GeneratedRegex("""modelId: new Guid\("[^"]+"\)""")]
    private static partial Regex ModelId();

    /// <summary>The tool looks for it by its interface.</summary>
    private sealed class ForTheTool : IDesignTimeDbContextFactory<GardenDb>
    {
        public GardenDb CreateDbContext(string[] args) =>
            new(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString("never-opened.db")).Options);
    }
}
