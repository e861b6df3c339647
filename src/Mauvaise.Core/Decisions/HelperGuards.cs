using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Decisions;

/// <summary>Helpers that are let out: what they must not meet, and what must not meet them.</summary>
public static class HelperGuards
{
    /// <summary>From this harm on a material is kept off helpers (assumed): soaps, oils, neem, dusts, sulfur; not bicarbonates, milk or Bt.</summary>
    public const double Harmful = 0.2;

    /// <summary>What harms helpers has to be off the leaves for so many days before they come.</summary>
    public const int ClearDays = 7;

    /// <summary>"200 predatory mites"; a kind that this catalogue does not know by its id.</summary>
    public static string Told(GardenCatalogue catalogue, string helper, int number)
    {
        var kind = catalogue.Helpers.FirstOrDefault(h => h.Id == helper);
        return string.Create(CultureInfo.InvariantCulture, $"{number} {(number == 1 ? kind?.Name.InSentence() : kind?.Ordered?.Many) ?? helper}");
    }

    /// <summary>Kinds that can be ordered for a target, with the usual number for a place.</summary>
    public static IEnumerable<(Beneficial Kind, int Number)> For(GardenCatalogue catalogue, Place place, string target) =>
        from h in catalogue.Helpers
        where h.Ordered?.For.Contains(catalogue.FindTarget(target)?.Like ?? target) == true
        select (h, Math.Max(1, (int)Math.Round(h.Ordered!.PerM2 * place.AreaM2)));

    /// <summary>Why they can not be let out now; empty when they can.</summary>
    /// <param name="kind">One that can be ordered.</param>
    public static IReadOnlyList<UseReason> AgainstRelease(GardenSnapshot garden, Planting planting, Beneficial kind, int number)
    {
        var ordered = kind.Ordered!;
        var place = garden.PlaceOf(planting);
        var against = new List<UseReason>();
        var most = Math.Max(1, (int)Math.Floor(ordered.MostPerM2 * place.AreaM2));
        if (number > most)
        {
            against.Add(
                new(
                    "too-many",
                    Said.Of("decisions.feedsAtTheMost", ("place", Fact.Thing(place.Name)), ("most", Fact.Count(most)), ("many", Fact.Thing(ordered.Many)))
                )
            );
        }

        var since = garden.Now.AddDays(-ClearDays);
        if (garden.AppliedAt(place, garden.Now).LastOrDefault(a => a.At > since && garden.MaterialsOf(a).Any(m => m.HarmToHelpers >= Harmful)) is { } spray)
        {
            var material = garden.MaterialsOf(spray).First(m => m.HarmToHelpers >= Harmful);
            var on = garden.Garden.DateOf(spray.At);
            against.Add(
                new(
                    "still-on-leaves",
                    Said.Of(
                        "decisions.wentOnHereOnAndWould",
                        ("material", Fact.Thing(material.Name.InSentence())),
                        ("on", Fact.Day(on)),
                        ("until", Fact.Day(on.AddDays(ClearDays)))
                    )
                )
            );
        }

        var sky = garden.SkyOf(place).Shelter;
        var now = sky.IndexOf(garden.Now);
        var coming = Enumerable.Range(now, 24).Select(i => sky.Hour(i).TemperatureC).OfType<double>().DefaultIfEmpty(double.NaN).Max();
        if (coming < ordered.WarmC)
        {
            against.Add(
                new(
                    "too-cold",
                    Said.Of(
                        "decisions.theComingDayReachesAndWork",
                        ("temperature", Fact.Temperature(coming)),
                        ("many", Fact.Thing(ordered.Many)),
                        ("temperature2", Fact.Temperature(ordered.WarmC))
                    )
                )
            );
        }

        return against;
    }

    /// <summary>The helpers at a place that are spared at an instant, the one that is spared longest; null when there are none.</summary>
    public static (GardenTask Release, DateOnly Until)? SparedAt(GardenSnapshot garden, Place place, DateTimeOffset at)
    {
        var day = garden.Garden.DateOf(at);
        return (
            from t in garden.Tasks
            where
                t is { Step: KnownIds.Measures.ReleaseHelpers, State: TaskState.Done, DoneAt: not null, Helper: not null }
                && t.DoneAt <= at
                && garden.FindPlanting(t.PlantingId)?.PlaceId == place.Id
            let days = garden.Catalogue.Helpers.FirstOrDefault(h => h.Id == t.Helper)?.Ordered?.SpareDays ?? UsualSpareDays
            let until = garden.Garden.DateOf(t.DoneAt!.Value).AddDays(days)
            where day < until
            orderby until descending
            select ((GardenTask, DateOnly)?)(t, until)
        ).FirstOrDefault();
    }

    /// <summary>Where nothing better is known of a kind.</summary>
    private const int UsualSpareDays = 14;
}
