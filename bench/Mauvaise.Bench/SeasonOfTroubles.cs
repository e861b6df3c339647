using Mauvaise.Core.Simulation;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

internal static class SeasonOfTroubles
{
    private const int Places = 40;
    private const int Days = 180;

    public static IEnumerable<Benchmark> All()
    {
        var catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
        string[] insects = ["peach-aphid", "spider-mite", "whitefly"];
        string[] diseases = ["powdery-mildew", "septoria", "downy-mildew"];
        ColonyTraits[] colonies = [.. insects.Select(i => ColonyTraits.Of(catalogue.Target(i))!)];
        LeafDiseaseTraits[] spots = [.. diseases.Select(d => LeafDiseaseTraits.Of(catalogue.Target(d))!)];
        var site = new ColonySite(true, false, 0.001);
        yield return new("troubles", $"{Days} days of three pests and three diseases in {Places} places", () =>
        {
            var chance = new Chance(52675);
            for (var place = 0; place < Places; place++)
            {
                var pests = colonies.Select(t => Colony.Settled(t, 0.02, 0.02)).ToList();
                var ills = spots.Select(t => LeafDisease.Showing(t, 0.001, 0.0001)).ToList();
                for (var day = 0; day < Days; day++)
                {
                    var (meanC, rain) = (chance.Between(12, 26), chance.Next() < 0.3 ? chance.Between(1, 12) : 0);
                    pests.ForEach(p => p.Advance(meanC, rain, 0, site, chance));
                    ills.ForEach(d => d.Advance(meanC, rain, 0.6, 0, 0.01));
                }
            }
        });
    }
}
