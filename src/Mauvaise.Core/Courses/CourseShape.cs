using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Courses;

/// <summary>How many rounds a course takes and how far apart, with the reason.</summary>
/// <param name="DegreeDaysPerDay">Warmth expected over the coming two weeks; null where it does not matter.</param>
/// <param name="Because">Clause that says why, as "eggs hatch within 4 days".</param>
public sealed record CourseShape(int SpacingDays, int Rounds, double? DegreeDaysPerDay, Said Because)
{
    /// <summary>"3 rounds, 5 days apart: eggs hatch within 4 days."</summary>
    public Said Reason => Said.Of("courses.roundsApart", ("rounds", Fact.Count(Rounds)), ("days", Fact.Span(SpacingDays)), ("because", Fact.Clause(Because)));

    /// <summary>Most rounds against one generation, before the group changes.</summary>
    public const int MostRounds = 4;

    /// <summary>Under this warmth nothing breeds, degree-days a day.</summary>
    private const double Cold = 0.5;

    /// <summary>A material that kills this share of the eggs counts as killing eggs.</summary>
    private const double KillsEggs = 0.6;

    private const double CatalogueC = 20;
    private const int AheadDays = 10;
    private const int HoursOfADay = 24;

    /// <summary>
    /// Shape of a course against a target from its life cycle and the warmth to come. Egg layers and live-bearers by
    /// <see cref="RespraySpacing"/>; diseases by the material's cadence. A garden that keeps ahead takes one round more as margin.
    /// </summary>
    public static CourseShape For(GardenSnapshot garden, Planting planting, Target target, Material material)
    {
        var place = garden.PlaceOf(planting);
        var (min, max) = (material.Cadence.CurativeMinDays, material.Cadence.CurativeMaxDays);
        var most = MostOf(material);
        if (target.Insect is not { } insect)
        {
            var rounds = Math.Min(most, Math.Max(2, material.Cadence.Rounds));
            return new CourseShape(max, rounds, null, Said.Of("courses.whatItTakesToHold"));
        }

        var margin = garden.StanceAt(place) == Stance.KeepAhead ? 1 : 0;
        var warmth = WarmthAhead(garden, place, insect);
        var told = Fact.Clause(Said.Of("courses.aDayAhead", ("degreeDays", Fact.Warmth(warmth, 1))));
        if (warmth < Cold)
        {
            return new CourseShape(max, 2, warmth, Said.Of("courses.itIsTooColdToBreed", ("told", told)));
        }

        var effect = material.EffectOn(target) ?? new Effect(target.Id, 0, 0, 0, 0);
        if (insect.EggDegreeDays > 0)
        {
            var spacing = RespraySpacing.ForEggLayer(insect.EggDegreeDays, insect.ToAdultDegreeDays, warmth, effect.Eggs >= KillsEggs, min, max);
            return Sized(
                spacing.SpacingDays,
                spacing.Rounds,
                effect.Eggs >= KillsEggs
                    ? Said.Of("courses.itKillsEggsTooSoTwo", ("told", told))
                    : Said.Of(
                        "courses.eggsHatchWithinDays",
                        ("eggDegreeDays", Fact.Days(insect.EggDegreeDays / warmth)),
                        ("toAdultDegreeDays", Fact.Days((insect.ToAdultDegreeDays - insect.EggDegreeDays) / warmth)),
                        ("told", told)
                    )
            );
        }

        var growth = insect.GrowthPerDayAt20C * warmth / (CatalogueC - insect.LowerC);
        var kill = 0.6 * effect.Young + 0.4 * effect.Adult;
        var best = Enumerable
            .Range(min, max - min + 1)
            .Select(days => (Days: days, Rounds: RespraySpacing.RoundsForLiveBearer(kill, CoverCurve.UsualShareWetted, growth, days)))
            .Where(x => x.Rounds is not null)
            .OrderBy(x => x.Rounds)
            .ThenByDescending(x => x.Days)
            .Select(x => ((int Days, int Rounds)?)(x.Days, x.Rounds!.Value))
            .FirstOrDefault();
        return best is { } found
            ? Sized(found.Days, Math.Max(2, found.Rounds), Said.Of("courses.itBearsLiveYoungAndGrows", ("growth", Fact.Percent(growth * 100)), ("told", told)))
            : new CourseShape(min, most, warmth, Said.Of("courses.itGrowsFasterThanThisKills", ("told", told)));

        CourseShape Sized(int days, int rounds, Said because)
        {
            var sized = Math.Min(most, rounds + margin);
            var spare = margin > 0 && sized > rounds;
            return new CourseShape(days, sized, warmth, spare ? Said.Of("courses.oneIsMarginSinceYouKeep", ("because", Fact.Clause(because))) : because);
        }
    }

    /// <summary>Mean degree-days a day from today on: the forecast, or the climate's mean where there is none.</summary>
    public static double WarmthAhead(GardenSnapshot garden, Place place, InsectBiology insect)
    {
        var sky = garden.SkyOf(place).Shelter;
        var (sum, known) = (0.0, 0);
        int first = sky.IndexOf(garden.Garden.StartOf(garden.Today)),
            end = sky.IndexOf(garden.Garden.StartOf(garden.Today.AddDays(AheadDays)));
        for (var i = first; i < end; i++)
        {
            if (sky.Hour(i).TemperatureC is { } temperature)
            {
                sum += DegreeDays.OfHour(temperature, insect.LowerC, insect.UpperC);
                known++;
            }
        }

        return known >= HoursOfADay ? sum / known * HoursOfADay : Math.Clamp(garden.UsualMeanC(garden.Today), insect.LowerC, insect.UpperC) - insect.LowerC;
    }

    /// <summary>Rounds of a material that a course has at the most.</summary>
    public static int MostOf(Material material) => Math.Min(MostRounds, material.InARowLimit ?? MostRounds);

    internal static string Days(int days) => Say.Of("words.days", ("n", days));
}
