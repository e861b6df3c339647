using System.Collections;
using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;

namespace Mauvaise.Store.Archive;

/// <summary>What is wrong with one value of an archive.</summary>
/// <param name="Kind">"plantings", as in garden.json.</param>
/// <param name="Row">From 1.</param>
public sealed record ArchiveFault(string Kind, int Row, string Field, string Sentence)
{
    public override string ToString() => Say.Of("store.row", ("kind", Kind), ("name", Row), ("field", Field), ("sentence", Sentence));
}

/// <summary>Holds every row of an archive to what a request would be held to, before anything is written.</summary>
internal static class ArchiveCheck
{
    private const int MostText = 4000,
        MostYear = 2200,
        LeastYear = 1900;
    private const double MostNumber = 1e9;

    /// <summary>A list of this many is enough to see what is wrong.</summary>
    private const int MostTold = 20;

    /// <exception cref="ArchiveRefusedException">With the first faults, by kind, row and field.</exception>
    public static void Hold(GardenArchive archive)
    {
        var faults = Faults(archive).Take(MostTold + 1).ToList();
        if (faults.Count > 0)
        {
            throw new ArchiveRefusedException(
                "archive-rows",
                $"Nothing was taken in. {string.Join(" ", faults.Take(MostTold).Select(f => f + "."))}{(faults.Count > MostTold ? " And more." : "")}"
            );
        }
    }

    /// <summary>What is wrong, in the order of the file.</summary>
    public static IEnumerable<ArchiveFault> Faults(GardenArchive a)
    {
        foreach (var (words, rows) in GardenArchive.Kinds)
        {
            foreach (var (row, i) in rows(a).Select((r, i) => (r, i + 1)))
            {
                foreach (var (field, sentence) in Values(row, ""))
                {
                    yield return new ArchiveFault(words, i, field, sentence);
                }
            }
        }

        foreach (var fault in Facts(a))
        {
            yield return fault;
        }
    }

    /// <summary>Numbers, texts and times that no request may carry, in a row and in its lists.</summary>
    private static IEnumerable<(string Field, string Sentence)> Values(object row, string path)
    {
        foreach (var property in row.GetType().GetProperties().Where(p => p.GetIndexParameters().Length == 0))
        {
            var name = path + char.ToLowerInvariant(property.Name[0]) + property.Name[1..];
            var fault = property.GetValue(row) switch
            {
                double d when !double.IsFinite(d) || Math.Abs(d) > MostNumber => Say.Of("store.thisIsNoNumberThatCan"),
                int n when Math.Abs((long)n) > (long)MostNumber && property.Name != nameof(TrialRow.Seed) => Say.Of("store.thisIsNoNumberThatCan"),
                string { Length: > MostText } => Say.Of("store.aTextHasUpToLetters", ("mostText", MostText)),
                string text when text.Any(c => char.IsControl(c) && c is not ('\n' or '\r' or '\t')) => Say.Of("store.thereAreLetters"),
                DateTimeOffset t when t.Year is < LeastYear or > MostYear => Say.Of("store.theYearCanNot"),
                DateOnly t when t.Year is < LeastYear or > MostYear => Say.Of("store.theYearCanNot"),
                Guid id when id == Guid.Empty => Say.Of("store.theIdIsEmpty"),
                null when property.PropertyType == typeof(string) && IsRequired(property) => Say.Of("store.itIsMissing"),
                _ => null,
            };
            if (fault is not null)
            {
                yield return (name, fault);
            }

            if (property.GetValue(row) is IEnumerable list and not string and not byte[])
            {
                var at = 0;
                foreach (var item in list)
                {
                    at++;
                    foreach (
                        var (field, sentence) in item is null ? [("", Say.Of("store.thereIsAHole"))]
                        : item.GetType().Namespace == typeof(GardenRow).Namespace ? Values(item, "")
                        : []
                    )
                    {
                        yield return ($"{name}[{at}]{(field.Length > 0 ? "." + field : "")}", sentence);
                    }
                }
            }
        }
    }

    private static bool IsRequired(System.Reflection.PropertyInfo property) =>
        property.CustomAttributes.Any(x => x.AttributeType.Name == "RequiredMemberAttribute");

    private static IEnumerable<ArchiveFault> Facts(GardenArchive a)
    {
        var places = a.Places.Select(p => p.Id).ToHashSet();
        var plantings = a.Plantings.Select(p => p.Id).ToHashSet();
        var batches = a.Batches.Select(b => b.Id).ToHashSet();
        var sprays = a.Applications.Select(x => x.Id).ToHashSet();
        var tasks = a.Tasks.Select(x => x.Id).ToHashSet();
        return
        [
            .. Wrong(
                "garden",
                [a.Garden],
                ("latitude", g => g.Latitude is >= -90 and <= 90, Say.Of("store.latitudeLiesBetween90And90")),
                ("longitude", g => g.Longitude is >= -180 and <= 180, Say.Of("store.longitudeLiesBetween180And180")),
                ("timeZoneId", g => GardenZone.Find(g.TimeZoneId) is not null, Say.Of("store.thereIsNoSuchTimeZone")),
                ("freeHours", g => g.FreeHours is null || FreeHoursOf(g.FreeHours) is not null, Say.Of("store.freeHoursAreSevenMasksMonday")),
                ("currency", g => HouseholdUnits.IsCurrency(g.Currency), Say.Of("gardens.currencyIsThreeLetters")),
                ("dropsInSpoon", g => HouseholdUnits.IsDropper(g.DropsInSpoon), HouseholdUnits.DropperRange())
            ),
            .. Wrong(
                "places",
                a.Places,
                ("areaM2", p => p.AreaM2 is > 0 and <= 10_000, Say.Of("store.theAreaIsOver0")),
                ("sunHours", p => p.SunHours is >= 0 and <= 24, Say.Of("store.hoursOfSunLieBetween0")),
                ("pondDistanceM", p => p.PondDistanceM is null or >= 0, Say.Of("store.aDistanceIsNoLessThan")),
                ("lampsFrom", p => Place.AreLamps(p.LampsFrom, p.LampsTo), Say.Of("gardens.lampsHaveBothTimes")),
                ("reservoirLitres", p => Place.IsReservoir(p.ReservoirLitres), Place.ReservoirRange()),
                (
                    "spotAcrossM",
                    p => p is { SpotAcrossM: null, SpotDownM: null } or { SpotAcrossM: >= 0 and <= Spot.Most, SpotDownM: >= 0 and <= Spot.Most },
                    Say.Of("store.aSpotLiesOnThePlan")
                )
            ),
            .. Wrong(
                "plantings",
                a.Plantings,
                ("placeId", p => places.Contains(p.PlaceId), Say.Of("store.thereIsNoSuchPlace")),
                ("until", p => p.Until is null || p.Until >= p.From, Say.Of("store.itEndsBeforeItBegins")),
                ("count", p => p.Count is null or > 0, Say.Of("store.plantsAreCountedFrom1")),
                ("earlierPlaces", p => Stays.Read(p.EarlierPlaces)?.All(x => places.Contains(x.PlaceId)) == true, Say.Of("store.thereIsNoSuchPlace"))
            ),
            .. Wrong(
                "products",
                a.Products,
                ("daysBetween", p => ProductLabel.AreDays(p.DaysBetween), Say.Of("bench.daysBetweenTwoLieBetween1")),
                ("runHours", p => ProductLabel.IsRun(p.RunHours), Say.Of("bench.aPumpRuns1To72")),
                ("freshWaterDays", p => ProductLabel.AreDays(p.FreshWaterDays), Say.Of("bench.freshWaterAfter1To60"))
            ),
            .. Wrong("ownRecipes", a.OwnRecipes, ("steepHours", r => OwnRecipe.IsSteep(r.SteepHours), OwnRecipe.SteepRange())),
            .. Wrong("sprayers", a.Sprayers, ("capacityLitres", x => x.CapacityLitres > 0, Say.Of("store.aSprayerHoldsMoreThanNothing"))),
            .. Wrong("stocks", a.Stocks, ("left", x => x.Left >= 0 && x.Amount >= 0, Say.Of("store.thereCanNotBeLessThan"))),
            .. Wrong(
                "observations",
                a.Observations,
                ("plantingId", o => plantings.Contains(o.PlantingId), Say.Of("store.thereIsNoSuchPlanting")),
                (
                    "leavesAffected",
                    o => o.LeavesLooked >= 0 && o.LeavesAffected >= 0 && (o.LeavesLooked == 0 || o.LeavesAffected <= o.LeavesLooked),
                    Say.Of("store.noMoreLeavesCanBeAffected")
                ),
                ("helpers", o => o.Helpers >= 0 && o.Mummies >= 0, Say.Of("store.thereCanNotBeLessThan2")),
                ("severityPercent", o => o.SeverityPercent is null or (>= 0 and <= 100), Say.Of("store.perCentLieBetween0")),
                ("plants", o => o.Plants is null || SinglePlants.Read(o.Plants) is not null, Say.Of("store.plantsAreNumbers"))
            ),
            .. Wrong(
                "batches",
                a.Batches,
                ("litres", b => b.Litres >= 0, Say.Of("store.thereCanNotBeLessThan")),
                ("ingredients", b => b.Ingredients.Exists(i => i.Role == "active"), Say.Of("store.nothingInItIsTheActive")),
                ("plantings", b => b.Plantings.TrueForAll(p => plantings.Contains(p.PlantingId)), Say.Of("store.thereIsNoSuchPlanting"))
            ),
            .. Wrong(
                "applications",
                a.Applications,
                ("treated", x => x.Treated.TrueForAll(t => plantings.Contains(t.PlantingId)), Say.Of("store.thereIsNoSuchPlanting")),
                (
                    "treated.plants",
                    x => x.Treated.TrueForAll(t => t.Plants is null || SinglePlants.Read(t.Plants) is not null),
                    Say.Of("store.plantsAreNumbers")
                ),
                ("treated.shareWetted", x => x.Treated.TrueForAll(t => t.ShareWetted is >= 0 and <= 1), Say.Of("store.aShareLiesBetween0")),
                ("litres", x => x.Litres >= 0, Say.Of("store.thereCanNotBeLessThan")),
                ("batchId", x => x.BatchId is not { } b || batches.Contains(b), Say.Of("store.thereIsNoSuchBottle")),
                ("parts", x => AreWords<WettedPart>(x.Parts), Say.Of("store.thereIsAWord"))
            ),
            .. Wrong(
                "harvests",
                a.Harvests,
                ("plantingId", h => plantings.Contains(h.PlantingId), Say.Of("store.thereIsNoSuchPlanting")),
                ("grams", h => h.Grams is null or (> 0 and <= 1e6), Say.Of("store.whatWasPickedWeighsMoreThan")),
                ("pieces", h => h.Pieces is null or > 0, Say.Of("store.piecesAreCountedFrom1"))
            ),
            .. Wrong(
                "readings",
                a.Readings,
                ("placeId", r => places.Contains(r.PlaceId), Say.Of("store.thereIsNoSuchPlace")),
                ("value", r => double.IsFinite(r.Value), Say.Of("store.aReadingIsANumber"))
            ),
            .. Wrong("tasks", a.Tasks, ("plantingId", t => plantings.Contains(t.PlantingId), Say.Of("store.thereIsNoSuchPlanting"))),
            .. Wrong(
                "checkBacks",
                a.CheckBacks,
                ("plantingId", c => plantings.Contains(c.PlantingId), Say.Of("store.thereIsNoSuchPlanting")),
                ("applicationId", c => c.ApplicationId is not { } s || sprays.Contains(s), Say.Of("store.thereIsNoSuchSpray")),
                ("taskId", c => c.TaskId is not { } t || tasks.Contains(t), Say.Of("store.thereIsNoSuchTask")),
                ("injurySigns", c => AreWords<InjurySign>(c.InjurySigns), Say.Of("store.thereIsAWord2"))
            ),
            .. Wrong(
                "courses",
                a.Courses,
                ("plantingId", c => plantings.Contains(c.PlantingId), Say.Of("store.thereIsNoSuchPlanting")),
                ("spacingDays", c => c.SpacingDays is >= 1 and <= 400 && c.Rounds is >= 1 and <= 100, Say.Of("store.roundsAre1To100")),
                (
                    "thenRounds",
                    c =>
                        c is { ThenRecipe: null, ThenSpacingDays: null, ThenRounds: null }
                        || c is { ThenRecipe: not null, ThenSpacingDays: >= 1 and <= 400, ThenRounds: >= 1 and <= 100 },
                    Say.Of("store.roundsAre1To100")
                ),
                (
                    "ownDays",
                    c =>
                        (c.OwnDays ?? "")
                            .Split(',', StringSplitOptions.RemoveEmptyEntries)
                            .All(d => DateOnly.TryParseExact(d, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out _)),
                    Say.Of("store.daysAreWrittenAs202607")
                )
            ),
        ];
    }

    /// <summary>Masks of hours, as the row keeps them; null when they are none.</summary>
    private static int[]? FreeHoursOf(string masks)
    {
        var read = masks
            .Split(',')
            .Select(m => int.TryParse(m, CultureInfo.InvariantCulture, out var mask) && mask is >= 0 and < 1 << 24 ? mask : -1)
            .ToArray();
        return read.Length == 7 && read.All(m => m >= 0) ? read : null;
    }

    private static bool AreWords<T>(string? list)
        where T : struct, Enum =>
        (list ?? "")
            .Split(',', StringSplitOptions.RemoveEmptyEntries)
            .All(w => Enum.TryParse<T>(w, out var word) && Enum.IsDefined(word) && !char.IsDigit(w[0]));

    private static IEnumerable<ArchiveFault> Wrong<T>(
        string kind,
        IReadOnlyList<T> rows,
        params (string Field, Func<T, bool> Holds, string Sentence)[] rules
    ) =>
        from row in rows.Select((r, i) => (Row: r, At: i + 1))
        from rule in rules
        where !rule.Holds(row.Row)
        select new ArchiveFault(kind, row.At, rule.Field, rule.Sentence);
}
