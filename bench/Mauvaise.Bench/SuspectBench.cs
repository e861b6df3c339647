using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

internal static class SuspectBench
{
    public static IEnumerable<Benchmark> All()
    {
        var catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
        var where = new Circumstances(catalogue.Crop("tomato"), Shelter.Open, 7);
        SeenSign[] seen = [new("small-dark-spots", true), new("old-leaves-first", true), new("rings", false)];
        yield return new("suspects", "one ranking with reasons and the best next question", () => SuspectRanker.Rank(catalogue, where, seen));
    }
}
