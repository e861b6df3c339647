using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

internal static class MixBench
{
    private const int Mixes = 1000;

    public static IEnumerable<Benchmark> All()
    {
        var catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
        Recipe[] recipes = [.. catalogue.Recipes.Where(r => catalogue.Material(r.Active.Material).Doses is not null)];
        var conditions = new MixConditions(28, ["Basil"], false, ["Courgette"], false);
        yield return new("mixes", $"{Mixes} mixes of every recipe in turn: scaled, taken apart, judged, in kitchen measures", () =>
        {
            for (var i = 0; i < Mixes; i++)
            {
                Mix.Make(catalogue, new MixOrder(recipes[i % recipes.Length], (DoseStep)(i % 3), 0.5 + i % 11, (KitchenSystem)(i % 4)), conditions);
            }
        });
    }
}
