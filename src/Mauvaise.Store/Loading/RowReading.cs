using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Rows;

namespace Mauvaise.Store.Loading;

/// <summary>Rows of the file as records of the core. What this version can not read of a row is left out.</summary>
public static class RowReading
{
    public static Garden ToGarden(GardenRow g) =>
        new(
            g.Id,
            g.Name,
            g.Latitude,
            g.Longitude,
            g.ElevationM,
            g.TimeZoneId,
            g.Climate,
            g.Kitchen,
            g.Stance,
            g.DiseaseApproach,
            g.OnlyLabelled,
            ToFreeHours(g.FreeHours),
            g.Water,
            new HouseholdUnits(g.TemperatureUnit, g.LengthUnit, g.RainUnit, g.WindUnit, g.Hours, g.WeekStart, g.Days, g.Currency, g.DropsInSpoon),
            g.Language
        );

    /// <summary>Null for always, and for what this version can not read.</summary>
    private static FreeHours? ToFreeHours(string? masks)
    {
        var read = (masks ?? "").Split(',').Select(m => int.TryParse(m, CultureInfo.InvariantCulture, out var mask) ? mask : -1).ToList();
        return read.Count == 7 && read.TrueForAll(m => m >= 0) ? new FreeHours([.. read]) : null;
    }

    public static OwnProduct ToProduct(ProductRow p) =>
        new(
            p.Id,
            p.Name,
            p.Like,
            p.WorksOn.Split(',', StringSplitOptions.RemoveEmptyEntries),
            p.Unit,
            p.DoseLow,
            p.DoseHigh,
            p.AddTo,
            p.MaxTimes,
            p.DaysBetween,
            p.DaysToWait,
            p.Retired,
            p.Form,
            p.Per,
            p.RunHours,
            p.FreshWaterDays,
            p.Crops?.Split(',', StringSplitOptions.RemoveEmptyEntries)
        );

    public static OwnKind ToOwnKind(OwnKindRow k) => new(k.Id, k.Of, k.Name, k.Like, k.Retired);

    public static OwnRecipe ToOwnRecipe(OwnRecipeRow r) => new(r.Id, r.Name, r.Text, r.HeardFrom, r.Warning, r.Retired, ToParts(r.Parts), r.SteepHours);

    public static OwnStock ToOwnStock(OwnStockRow r) =>
        new(
            r.Id,
            r.Name,
            [.. ToParts(r.Parts).Select(p => new StockPart(p.Material, p.PerLitre))],
            r.WaterParts,
            r.ByWeight,
            r.Making,
            r.SteepHours,
            r.Retired
        );

    /// <summary>How the parts of a recipe stand in their row.</summary>
    public static string PartsText(IEnumerable<OwnPart> parts) =>
        string.Join(';', parts.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Material}:{p.PerLitre:R}")));

    /// <summary>A part that this version can not read is left out.</summary>
    private static IReadOnlyList<OwnPart> ToParts(string parts) =>
        [
            .. from part in parts.Split(';', StringSplitOptions.RemoveEmptyEntries)
            let at = part.LastIndexOf(':')
            where
                at > 0
                && double.TryParse(part.AsSpan(at + 1), NumberStyles.Float, CultureInfo.InvariantCulture, out var amount)
                && amount > 0
                && double.IsFinite(amount)
            select new OwnPart(part[..at], double.Parse(part.AsSpan(at + 1), CultureInfo.InvariantCulture)),
        ];

    public static Planting ToPlanting(PlantingRow p) =>
        new(p.Id, p.PlaceId, p.Crop, p.Variety, p.From, p.Until, p.Count, p.Stage, p.InFlower, p.ApartUntil) { Earlier = Stays.Read(p.EarlierPlaces) ?? [] };

    public static Place ToPlace(PlaceRow p) =>
        new(
            p.Id,
            p.Name,
            p.Kind,
            p.AreaM2,
            p.SunHours,
            p.Watering,
            p.SunFrom,
            p.SunTo,
            p.Stance,
            p.PondDistanceM,
            p.Order,
            p.ReservoirLitres,
            p is { SpotAcrossM: { } x, SpotDownM: { } y } ? new Spot(x, y) : null,
            p is { LampsFrom: { } on, LampsTo: { } off } ? new LampHours(on, off) : null
        );

    public static Observation ToObservation(ObservationRow o) =>
        new(
            o.Id,
            o.LookId,
            o.WalkId,
            o.PlantingId,
            o.At,
            o.LeavesLooked,
            o.LeavesAffected,
            o.SeverityPercent,
            o.Ants,
            o.Helpers,
            o.Mummies,
            o.Part,
            o.Side,
            o.Roots,
            [.. o.Signs.OrderBy(s => s.Sign, StringComparer.Ordinal).Select(s => new SeenSign(s.Sign, s.Present))],
            o.Named,
            o.NameIsGroup,
            o.Note,
            o.OwnName,
            SinglePlants.Read(o.Plants),
            o.On
        );

    public static Batch ToBatch(BatchRow b) =>
        new(
            b.Id,
            b.MadeAt,
            b.Recipe,
            b.Step,
            b.Litres,
            b.UseBy,
            b.Target,
            [.. b.Plantings.Select(p => p.PlantingId)],
            [
                .. b
                    .Ingredients.OrderBy(i => i.Role == "active" ? "" : i.Role, StringComparer.Ordinal)
                    .ThenBy(i => i.Material, StringComparer.Ordinal)
                    .Select(i => new Measured(i.Material, i.Role, i.Amount, i.Unit, i.BottlePercent)),
            ],
            b.PatchTest,
            b.EmptiedAt,
            b.MemberId,
            b.SprayerId,
            b.ReadyAt,
            Also(b.AlsoTarget, b.AlsoMaterial)
        );

    private static AlsoAgainst? Also(string? target, string? material) => target is null || material is null ? null : new AlsoAgainst(target, material);

    public static Course ToCourse(CourseRow c) =>
        new(
            c.Id,
            c.PlantingId,
            c.Target,
            c.Recipe,
            c.OpenedAt,
            c.Step,
            c.SpacingDays,
            c.Rounds,
            c.DegreeDaysPerDay,
            [
                .. (c.OwnDays ?? "")
                    .Split(',', StringSplitOptions.RemoveEmptyEntries)
                    .Select(d =>
                        DateOnly.TryParseExact(d, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : (DateOnly?)null
                    )
                    .OfType<DateOnly>(),
            ],
            c.StoppedAt,
            c is { ThenRecipe: { } then, ThenSpacingDays: { } apart, ThenRounds: { } rounds } ? new CourseRounds(then, apart, rounds) : null
        );

    public static SprayApplication ToApplication(ApplicationRow a) =>
        new(
            a.Id,
            a.BatchId,
            a.At,
            a.Material,
            a.PerLitre,
            a.Litres,
            a.Target,
            [.. a.Treated.Select(t => new Treated(t.PlantingId, t.ShareWetted, SinglePlants.Read(t.Plants)))],
            a.PatchTest,
            a.Note,
            a.MemberId,
            a.Why,
            Listed<WettedPart>(a.Parts),
            a.ExpectedLitres,
            a.TemperatureC is null && a.RelativeHumidityPercent is null && a.WindMetresPerSecond is null
                ? null
                : new SprayAir(a.TemperatureC, a.RelativeHumidityPercent, a.WindMetresPerSecond),
            Also(a.AlsoTarget, a.AlsoMaterial)
        );

    public static CheckBack ToCheckBack(CheckBackRow c) =>
        new(
            c.Id,
            c.ApplicationId,
            c.PlantingId,
            c.DueOn,
            c.DoneAt,
            c.ObservationId,
            c.Outcome,
            c.Injury,
            c.TaskId,
            c.BeforeId,
            Listed<InjurySign>(c.InjurySigns),
            c.Alive,
            c.Dead,
            c.DiscountedFor,
            c.MemberId,
            c.OnlyDead,
            c.AlsoTarget
        );

    /// <summary>
    /// Names with commas between, as rows keep short lists; words that this version does not know are left out. The inverse is <see cref="Joined"/>.
    /// </summary>
    private static T[] Listed<T>(string? names)
        where T : struct, Enum =>
        [.. (names ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).Select(w => Enum.TryParse<T>(w, out var word) ? word : (T?)null).OfType<T>()];

    /// <summary>Null for an empty list.</summary>
    public static string? Joined<T>(IEnumerable<T>? values)
        where T : struct, Enum => string.Join(',', (values ?? []).Distinct().Order()) is { Length: > 0 } names ? names : null;
}
