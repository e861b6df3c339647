using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Gardens;

/// <summary>From the snapshot to what the screen reads.</summary>
public static class GardenAnswers
{
    /// <summary>Weather older than this is called old on screen.</summary>
    private static readonly TimeSpan FreshFor = TimeSpan.FromHours(6);

    public static GardenAnswer Of(GardenSnapshot s, DeedRow? last) =>
        new(
            s.Garden.Id,
            s.Garden.Name,
            s.Now,
            s.Garden.Zone.Local(s.Now),
            s.Garden.TimeZoneId,
            s.Garden.Latitude,
            s.Garden.Longitude,
            s.Garden.Climate,
            s.Garden.Stance,
            s.Garden.DiseaseApproach,
            s.Garden.Kitchen,
            s.Garden.OnlyLabelled,
            s.Garden.Water,
            [.. s.Members.Select(m => new MemberAnswer(m.Id, m.Name, m.Role))],
            [.. s.Places.Select(p => Place(s, p))],
            [.. s.Sprayers.Select(x => new SprayerAnswer(x.Id, x.Name, x.CapacityLitres, Figure.Volume(x.CapacityLitres)))],
            s.Garden.Units,
            Language.Nearest(s.Garden.Language),
            ScalesAnswer.Of(s.Garden.Units, s.Garden.Kitchen),
            [.. Enumerable.Range(0, 7).Select((s.Garden.Free ?? FreeHours.Always).Day)],
            Weather(s),
            last is null ? null : new LastDeed(last.Id, last.Words, last.At, last.MemberId, s.Members.FirstOrDefault(m => m.Id == last.MemberId)?.Name),
            Core.Gardens.Place.BesideM
        );

    public static PlaceAnswer Place(GardenSnapshot s, Place p) =>
        new(
            p.Id,
            p.Name,
            p.Kind,
            p.AreaM2,
            p.SunHours,
            p.Watering,
            p.PondDistanceM,
            p.SunFrom,
            p.SunTo,
            s.StanceAt(p),
            p.Stance is not null,
            [.. s.Growing.Where(x => x.PlaceId == p.Id).Select(x => Planting(s, x))],
            p.ReservoirLitres,
            p.Spot is { } spot ? new SpotAnswer(spot.AcrossM, spot.DownM) : null,
            p.Lamps?.From,
            p.Lamps?.To
        );

    public static PlantingAnswer Planting(GardenSnapshot s, Planting p)
    {
        var crop = s.Catalogue.Crop(p.Crop);
        return new(
            p.Id,
            p.Crop,
            crop.Like ?? crop.Id,
            crop.Name,
            crop.AlsoCalled,
            p.Variety,
            crop.Leaf,
            p.Stage,
            p.InFlower,
            p.From,
            p.Count,
            s.LatestObservation(p.Id)?.At,
            [.. s.Picks.Where(x => x.PlantingId == p.Id && x.On >= s.Today).Select(x => new PickAnswer(x.Id, x.On))],
            s.Choices.FirstOrDefault(c => c.Word == PlanWord.LeaveAlone && c.PlantingId == p.Id)?.Id,
            p.IsApart(s.Today) ? p.ApartUntil : null
        );
    }

    public static WeatherNotice Weather(GardenSnapshot s)
    {
        var state = s.WeatherState;
        if (state.FetchedAt is not { } at)
        {
            return new(null, true, Say.Of("gardens.hoursAndCoverWait", ("trouble", state.Trouble ?? Say.Of("gardens.noWeatherYet"))));
        }

        var age = s.Now - at;
        var old = age.Duration() > FreshFor || state.Trouble is not null;
        var local = s.Garden.Zone.Local(at);
        var since = Figure.Moment(local);
        return new(
            at,
            old,
            old
                ? Say.Of("gardens.whatIsShownIsFrom", ("trouble", state.Trouble ?? Say.Of("gardens.theWeatherIsOld")), ("since", since))
                : Say.Of("gardens.weatherFrom", ("since", since))
        );
    }
}
