using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Store.Loading;

/// <summary>
/// Records may name what this catalogue does not know: they came from a newer Mauvaise, or from another catalogue. A crop then stands as
/// another crop with its name, a trouble under a name of its own; what can not advise without being known is left to the ledger.
/// Nothing of this is written: with a catalogue that knows them, all of it is there again.
/// </summary>
internal static class KnownRecords
{
    public static GardenSnapshot Of(GardenSnapshot s)
    {
        var c = s.Catalogue;
        bool Material(string id) => c.FindMaterial(id) is not null;
        bool Target(string? id) => id is null || c.FindTarget(id) is not null;
        bool Known(AlsoAgainst? also) => also is null || (Target(also.Target) && Material(also.Material));
        bool Recipe(string id) => c.FindRecipe(id) is not null;
        List<Batch> batches =
        [
            .. s
                .Batches.Where(b => Recipe(b.Recipe) && b.Ingredients.All(i => Material(i.Material)) && b.Ingredients.Any(i => i.Role == "active"))
                .Select(b => Target(b.Target) ? b : b with { Target = null })
                .Select(b => Known(b.Also) ? b : b with { Also = null }),
        ];
        List<SprayApplication> applications =
        [
            .. s
                .Applications.Where(a => Material(a.Material))
                .Select(a => Target(a.Target) ? a : a with { Target = null })
                .Select(a => Known(a.Also) ? a : a with { Also = null }),
        ];
        var sprays = applications.Select(a => a.Id).ToHashSet();
        return s with
        {
            Garden = c.FindClimate(s.Garden.Climate) is null ? s.Garden with { Climate = c.Climates[0].Id } : s.Garden,
            Plantings =
            [
                .. s.Plantings.Select(p =>
                    c.FindCrop(p.Crop) is null
                        ? p with
                        {
                            Crop = KnownIds.Crops.AnotherCrop,
                            Variety = p.Variety is null ? Unknown(p.Crop) : $"{Unknown(p.Crop)}, {p.Variety}",
                        }
                        : p
                ),
            ],
            Observations = [.. s.Observations.Select(o => Seen(c, o))],
            Batches = batches,
            Applications = applications,
            CheckBacks = [.. s.CheckBacks.Where(v => v.ApplicationId is not { } spray || sprays.Contains(spray))],
            Tasks = [.. s.Tasks.Select(t => Target(t.Target) ? t : t with { Target = null })],
            Courses = [.. s.Courses.Where(x => Target(x.Target) && Recipe(x.Recipe))],
            Choices = [.. s.Choices.Where(x => Target(x.Target) && (x.Material is null || Material(x.Material)))],
            Stocks = [.. s.Stocks.Where(x => Material(x.Material))],
            Judged = [.. s.Judged.Where(j => Material(j.Material) && Target(j.Target) && c.FindCrop(j.Crop) is not null)],
            Trials = [.. s.Trials.Where(t => Target(t.Target) && t.Sides.All(x => x.Recipe is null || Recipe(x.Recipe)))],
        };
    }

    private static Observation Seen(GardenCatalogue c, Observation o)
    {
        var known = o.Signs.All(x => c.FindSign(x.Sign) is not null) ? o : o with { Signs = [.. o.Signs.Where(x => c.FindSign(x.Sign) is not null)] };
        return o.Named is { } named && c.FindTarget(named) is null
            ? known with
            {
                Named = null,
                NameIsGroup = false,
                OwnName = o.OwnName ?? Unknown(named),
            }
            : known;
    }

    private static string Unknown(string id) => Say.Of("store.notInThisCatalogue", ("id", id));
}
