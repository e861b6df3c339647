using CsCheck;
using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using static Mauvaise.Core.Tests.WeatherSamples;

namespace Mauvaise.Core.Tests;

public class SeasonTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly DateOnly Today = new(2026, 7, 16);

    private static DateOnly Day(string iso) => DateOnly.Parse(iso, System.Globalization.CultureInfo.InvariantCulture);

    private static SkyDays Days(double temperatureC, DateOnly from, DateOnly to)
    {
        var garden = GardenSamples.Garden([Bed], [], _ => Mild with { TemperatureC = temperatureC });
        return SkyDays.Of(garden.SkyOf(Bed).Shelter, garden.Garden, from, to);
    }

    [Fact]
    public void Eggs_hatch_and_adults_breed_when_the_warmth_is_together()
    {
        // Cabbage white: 55 to hatch and 340 to adult over 10 C; at 22 C that is 12 a day: days 5 and 29, counted from the find.
        var insect = GardenSamples.Target("cabbage-white").Insect!;
        var events = StageTimeline.From(insect, Days(22, Today.AddDays(-10), Today.AddDays(4)), Today.AddDays(40));
        Assert.Equal(new StageEvent(Today.AddDays(-10 + 4), StageEventKind.Hatch, 1, true, "Eggs of what was found hatch Fri 10 Jul."), events[0]);
        Assert.Equal((Today.AddDays(-10 + 28), StageEventKind.Adults, false), (events[1].Day, events[1].Kind, events[1].Certain));
        Assert.Equal((Today.AddDays(-10 + 32), StageEventKind.Hatch, 2), (events[2].Day, events[2].Kind, events[2].Generation));
        Assert.Contains("about", events[2].Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Live_bearers_have_young_and_no_eggs()
    {
        var insect = GardenSamples.Target("black-bean-aphid").Insect!;
        var events = StageTimeline.From(insect, Days(20, Today.AddDays(-3), Today.AddDays(4)), Today.AddDays(30));
        Assert.DoesNotContain(events, e => e.Kind == StageEventKind.Hatch);
        Assert.Equal([StageEventKind.Adults, StageEventKind.Young], events.Take(2).Select(e => e.Kind));
    }

    [Fact]
    public void In_the_cold_nothing_turns() =>
        Assert.Empty(StageTimeline.From(GardenSamples.Target("cabbage-white").Insect!, Days(5, Today.AddDays(-3), Today), Today.AddDays(60)));

    [Fact]
    public void Degree_days_stop_at_the_first_unknown_day()
    {
        var insect = GardenSamples.Target("cabbage-white").Insect!;
        Assert.Equal(12 * 4, StageTimeline.DegreeDaysUntil(insect, Days(22, Today.AddDays(-3), Today), Today)!.Value, 1e-6);
        Assert.Null(StageTimeline.DegreeDaysUntil(insect, Days(22, Today.AddDays(-60), Today), Today));
    }

    [Theory]
    [InlineData(47.5, "2026-07-16", "2026-01-01")]
    [InlineData(-33.9, "2026-07-16", "2026-07-01")]
    [InlineData(-33.9, "2026-06-30", "2025-07-01")]
    [InlineData(-33.9, "2027-01-10", "2026-07-01")]
    public void A_season_begins_in_the_middle_of_winter(double latitude, string date, string start) =>
        Assert.Equal(Day(start), FirstDates.SeasonStart(latitude, Day(date)));

    [Fact]
    public void The_first_of_each_season_is_its_first_date()
    {
        var firsts = FirstDates.Of([new(2025, 6, 20), new(2024, 6, 12), new(2025, 6, 2), new(2024, 8, 1)], 47.5, (_, day) => day.DayOfYear);
        Assert.Equal([new(2024, new(2024, 6, 12), 164), new(2025, new(2025, 6, 2), 153)], firsts);
    }

    private static SeasonOutlook Outlook(Garden garden, Stance stance, DateOnly today, params DateOnly[] named) =>
        FirstDates.Outlook(
            GardenSamples.Target("powdery-mildew"),
            FirstDates.Of(named, garden.Latitude, (_, _) => null),
            Shipped.Catalogue,
            garden,
            stance,
            today
        );

    [Fact]
    public void Own_first_dates_outrank_the_climate_and_this_season_does_not_count()
    {
        var own = Outlook(GardenSamples.Home, Stance.KeepAhead, Today, new(2024, 6, 10), new(2025, 6, 20), new(2026, 5, 1));
        Assert.True(own.Own);
        Assert.InRange(own.Expected!.Value.DayNumber, new DateOnly(2026, 6, 14).DayNumber, new DateOnly(2026, 6, 16).DayNumber);
        Assert.Equal(own.Expected.Value.AddDays(-21), own.ProtectFrom);
        Assert.Equal(
            Outlook(GardenSamples.Home, Stance.WatchAndTreat, Today).Expected!.Value.AddDays(-14),
            Outlook(GardenSamples.Home, Stance.WatchAndTreat, Today).ProtectFrom
        );
        Assert.Null(Outlook(GardenSamples.Home, Stance.LastResort, Today).ProtectFrom);
    }

    [Fact]
    public void A_warmer_climate_is_earlier_and_the_south_half_a_year_on()
    {
        var continental = Outlook(GardenSamples.Home, Stance.KeepAhead, Today).Expected!.Value;
        var mediterranean = Outlook(GardenSamples.Home with { Climate = "mediterranean" }, Stance.KeepAhead, Today).Expected!.Value;
        Assert.True(mediterranean < continental);
        var karee = GardenSamples.Home with { Latitude = -33.9, Longitude = 18.9, TimeZoneId = "Africa/Johannesburg", Climate = "mediterranean" };
        var south = Outlook(karee, Stance.KeepAhead, new DateOnly(2026, 9, 1)).Expected!.Value;
        Assert.InRange(south.DayNumber - mediterranean.DayNumber, 175, 190);
    }

    [Fact]
    public void What_comes_all_year_has_no_date_before_it_was_seen()
    {
        var mould = FirstDates.Outlook(GardenSamples.Target("grey-mould"), [], Shipped.Catalogue, GardenSamples.Home, Stance.KeepAhead, Today);
        Assert.Null(mould.Expected);
        Assert.Null(mould.ProtectFrom);
    }

    [Fact]
    public void A_place_tells_what_was_found_and_what_is_likely()
    {
        var beans = GardenSamples.Grown(Bed, "broad-bean");
        var garden = GardenSamples.Garden([Bed], [beans]) with { Observations = [GardenSamples.Seen(beans, 5, 20, 6, "black-bean-aphid")] };
        var troubles = PlaceOutlook.Of(garden, Bed);
        var found = troubles.Single(t => t.Target.Id == "black-bean-aphid");
        Assert.Equal(garden.Today.AddDays(-5), found.FoundOn);
        Assert.NotEmpty(found.Stages);
        Assert.InRange(found.Generations!.Value, 0.3, 1);
        Assert.True(troubles.Count >= 3);
        var line = PlaceOutlook.Line(garden, Bed);
        Assert.Equal(line.Count, line.Select(p => p.Day).Distinct().Count());
        Assert.Contains(line, p => p.Day == garden.Today && p.Said.Words.StartsWith("Black bean aphid", StringComparison.Ordinal));
    }

    [Fact]
    public void Infection_nights_are_those_wet_long_enough()
    {
        var tomato = GardenSamples.Grown(Bed, "tomato");
        var garden = GardenSamples.Garden([Bed], [tomato], at => new WeatherHour(
            22,
            at.Hour is >= 20 or < 5 && at.AddHours(6).Day == 14 ? 95 : 60,
            2,
            3,
            0,
            20
        ));
        var septoria = PlaceOutlook
            .Of(garden with { Observations = [GardenSamples.Seen(tomato, 1, 20, 2, "septoria")] }, Bed)
            .Single(t => t.Target.Id == "septoria");
        var night = Assert.Single(septoria.Nights);
        Assert.Equal((new DateOnly(2026, 7, 14), 9), (night.Day, night.WetHours));
        Assert.InRange(night.NeededHours, 8, 9);
    }

    [Theory]
    [InlineData("6-8, 18-21", "6-8, 18-21", 19, true)]
    [InlineData("6-8, 18-21", "6-8, 18-21", 21, false)]
    [InlineData("18:00-21:00", "18-21", 18, true)]
    [InlineData("always", "always", 3, true)]
    [InlineData("", "never", 12, false)]
    public void Free_hours_are_read_as_they_are_written(string written, string told, int hour, bool free)
    {
        var week = FreeHours.Read([.. Enumerable.Repeat(written, 7)], out var wrong)!;
        Assert.Equal((-1, told), (wrong, week.Day(3)));
        Assert.Equal(free, week.Holds(new DateTimeOffset(2026, 7, 16, hour, 30, 0, TimeSpan.FromHours(2))));
        var again = FreeHours.Read([.. Enumerable.Repeat(told, 7)], out _)!;
        Assert.Equal((week, week.GetHashCode()), (again, again.GetHashCode()));
        Assert.NotEqual(week, FreeHours.Read([.. Enumerable.Repeat(told, 6), "12-13"], out _));
    }

    [Theory]
    [InlineData("8-6")]
    [InlineData("evenings")]
    [InlineData("18-25")]
    public void Free_hours_that_do_not_read_name_their_day(string written)
    {
        Assert.Null(FreeHours.Read(["always", "always", written, "always", "always", "always", "always"], out var wrong));
        Assert.Equal(2, wrong);
    }

    [Fact]
    public void Under_lamps_hours_are_judged_to_the_last_that_is_known()
    {
        var place = Exposure() with { Lamps = new LampHours(new TimeOnly(6, 0), new TimeOnly(16, 0)) };
        var sky = SkyOver(Hours(72, _ => Mild), place);
        var judged = SprayHours.Judge(sky, Start.AddHours(48), Start.AddHours(72), Material("neem-oil"));
        var lamps = judged.Select(h => h.Rules.Single(r => r.Rule == SprayRule.Lamps).Verdict).ToList();
        Assert.Equal(24, lamps.Count);
        Assert.Equal(10, lamps.Count(v => v == Verdict.Never));
    }

    [Theory]
    [InlineData("06:00", "18:00", Verdict.Good)]
    [InlineData("06:00", "22:00", Verdict.Never)]
    [InlineData("20:00", "04:00", Verdict.Poor)]
    [InlineData("22:00", "12:00", Verdict.Good)]
    [InlineData("12:00", "06:00", Verdict.Never)]
    [InlineData("18:20", "18:40", Verdict.Never)]
    [InlineData("20:15", "20:30", Verdict.Poor)]
    [InlineData("23:30", "18:00", Verdict.Good)]
    public void Nothing_is_sprayed_under_lamps_and_leaves_are_dry_before_they_come_on(string from, string to, Verdict verdict)
    {
        var place = Exposure() with
        {
            Lamps = new LampHours(
                TimeOnly.Parse(from, System.Globalization.CultureInfo.InvariantCulture),
                TimeOnly.Parse(to, System.Globalization.CultureInfo.InvariantCulture)
            ),
        };
        var at = Start.AddHours(16);
        var sky = SkyOver(Hours(72, _ => Mild), place);
        Assert.Equal(18, sky.Shelter.LocalStart(sky.IndexOf(at)).Hour);
        var lamps = SprayHours.Judge(sky, at, at.AddHours(1), Material("neem-oil")).Single().Rules.Single(r => r.Rule == SprayRule.Lamps);
        Assert.Equal(verdict, lamps.Verdict);
    }

    [Fact]
    public void Ponds_and_busy_hours_are_rules_of_their_own()
    {
        RuleVerdict Rule(SprayRule rule, PlaceExposure place, string material = "neem-oil") =>
            SprayHours
                .Judge(SkyOver(Hours(72, _ => Mild), place), Start.AddHours(18), Start.AddHours(19), Material(material))
                .Single()
                .Rules.Single(r => r.Rule == rule);
        Assert.Equal(Verdict.Never, Rule(SprayRule.Pond, Exposure() with { PondDistanceM = 6 }).Verdict);
        Assert.Equal("The pond is 6 m away; neem oil keeps 10 m from water.", Rule(SprayRule.Pond, Exposure() with { PondDistanceM = 6 }).Sentence.Told());
        Assert.Equal(Verdict.Good, Rule(SprayRule.Pond, Exposure() with { PondDistanceM = 12 }).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Pond, Exposure() with { PondDistanceM = 6 }, "bt-kurstaki").Verdict);
        var evenings = FreeHours.Read([.. Enumerable.Repeat("18-20", 7)], out _);
        Assert.Equal(Verdict.Never, Rule(SprayRule.Free, Exposure() with { Free = evenings }).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Free, Exposure() with { Free = FreeHours.Read([.. Enumerable.Repeat("18-21", 7)], out _) }).Verdict);
    }

    private static readonly Gen<WeatherHour[]> AnyWeather = Gen.Select(Gen.Double[-5, 38], Gen.Double[20, 100], Gen.Double[0, 9], Gen.Double[0, 3])
        .Select(x => new WeatherHour(x.Item1, x.Item2, x.Item3, x.Item3 * 1.5, x.Item4 < 2.5 ? 0 : x.Item4, 30))
        .Array[96];

    [Fact]
    public void Cover_never_rises_and_more_rain_never_gives_more_of_it() =>
        Gen.Select(AnyWeather, Gen.Double[0, 10], Gen.Int[0, 95])
            .Sample(
                (hours, more, at) =>
                {
                    double[] Cover(Func<int, WeatherHour> weather) =>
                        CoverCurve.Of(Material("neem-oil"), Start, 0.9, SkyOver(Hours(96, weather), Exposure()), OpenBed, GrowthStage.Fruiting);
                    var cover = Cover(i => hours[i]);
                    var wetter = Cover(i => i == at ? hours[i] with { RainMm = hours[i].RainMm + more } : hours[i]);
                    return cover.Zip(cover.Skip(1)).All(p => p.Second <= p.First + 1e-12) && cover.Zip(wetter).All(p => p.Second <= p.First + 1e-12);
                },
                seed: "0000KqZ5LZB3",
                iter: 200
            );

    [Fact]
    public void Quick_verdicts_are_those_that_come_with_reasons() =>
        AnyWeather.Sample(
            hours =>
            {
                var sky = SkyOver(Hours(96, i => hours[i]), Exposure(inFlower: true, dry: true));
                var judged = SprayHours.Judge(sky, Start, Start.AddHours(96), Material("neem-oil"));
                return SprayHours.Verdicts(sky, Start, Start.AddHours(96), Material("neem-oil")).SequenceEqual(judged.Select(h => h.Verdict));
            },
            seed: "0000KqZ5LZB3",
            iter: 60
        );
}
