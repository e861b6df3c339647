using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Time;
using Mauvaise.Core.Trials;
using Mauvaise.Store;
using Mauvaise.Store.Facts;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Mailing;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Demo;

/// <summary>Puts the made-up garden into an empty data file.</summary>
public sealed class DemoGarden(GardenDb db, GardenCatalogue catalogue, Settings settings)
{
    private static string File => Path.Combine(AppContext.BaseDirectory, "demo", "tansy-lock.yaml");

    /// <summary>The demo garden's id: ids are made from names, so that they stay the same in every demo.</summary>
    public static Guid GardenId { get; } = IdOf("garden");

    /// <summary>Id of a planting as the file names it, "Chapel/courgette".</summary>
    public static Guid PlantingId(string name) => IdOf("planting/" + name);

    /// <summary>Reads the file and writes all of it in one transaction, unless the garden is there already.</summary>
    public async Task PutAsync(CancellationToken stop)
    {
        await PutMailAsync(stop);
        if (await db.Gardens.AnyAsync(g => g.Id == GardenId, stop))
        {
            return;
        }

        var demo = JsonSerializer.Deserialize<DemoFile>(CatalogueFiles.ToJson(await System.IO.File.ReadAllTextAsync(File, stop)), CatalogueFiles.Json)
            ?? throw new InvalidDataException("The demo garden's file is empty.");
        var zone = GardenZone.Of(demo.TimeZone);
        db.Gardens.Add(
            new GardenRow
            {
                Id = GardenId,
                Name = demo.Name,
                Latitude = demo.Latitude,
                Longitude = demo.Longitude,
                ElevationM = demo.ElevationM,
                TimeZoneId = demo.TimeZone,
                Climate = demo.Climate,
                Kitchen = demo.Kitchen,
                Currency = demo.Currency,
                Stance = demo.Stance,
                DiseaseApproach = demo.DiseaseApproach,
                CreatedAt = DemoClock.Beginning,
            }
        );
        db.Members.AddRange(
            demo.Members.Select(m => new MemberRow
            {
                Id = IdOf("member/" + m.Name),
                GardenId = GardenId,
                Name = m.Name,
                Role = m.Role,
            })
        );
        db.Sprayers.AddRange(
            demo.Sprayers.Select(x => new SprayerRow
            {
                Id = IdOf("sprayer/" + x.Name),
                GardenId = GardenId,
                Name = x.Name,
                CapacityLitres = x.CapacityLitres,
            })
        );
        AddShelf(demo);
        AddPlaces(demo);
        db.Observations.AddRange(demo.Notes.Select((n, i) => Note(IdOf($"note/{i}"), n.At, Instant(n.On, zone), n)));
        // Asked for once: each time that it is, all that was added is looked through for changes.
        var notes = db.Observations.Local;
        AddWalks(notes);
        foreach (var (spray, i) in demo.Sprays.Select((x, i) => (x, i)))
        {
            AddSpray(spray, i, zone, notes);
        }

        db.Courses.AddRange(
            demo.Courses.Select(c => new CourseRow
            {
                Id = IdOf($"course/{c.At}/{c.From}"),
                GardenId = GardenId,
                PlantingId = PlantingId(c.At),
                Target = c.Target,
                Recipe = c.Recipe,
                OpenedAt = Instant(c.From, zone),
                Step = c.Step,
                SpacingDays = c.SpacingDays,
                Rounds = c.Rounds,
                DegreeDaysPerDay = c.DegreeDaysPerDay,
            })
        );
        foreach (var trial in demo.Trials)
        {
            AddTrial(trial, zone);
        }

        await db.SaveChangesAsync(stop);
    }

    /// <summary>The stand-in's post box, where one runs: its letters are read in a browser.</summary>
    private async Task PutMailAsync(CancellationToken stop)
    {
        // Its port is another at every start.
        await db.MailServers.ExecuteDeleteAsync(stop);
        if (settings.DemoMail is { } box)
        {
            db.MailServers.Add(
                new MailServerRow
                {
                    Id = MailEndpoints.ServerId,
                    Host = box.Host,
                    Port = box.Port,
                    Security = MailSecurity.None,
                    From = "garden@example.org",
                }
            );
            await db.SaveChangesAsync(stop);
        }
    }

    private void AddTrial(DemoTrial trial, GardenZone zone)
    {
        var id = IdOf("trial/" + trial.Name);
        var units = Lot.Deal([.. Enumerable.Repeat(PlantingId(trial.At), trial.UnitsASide * trial.Sides.Count)], trial.Sides.Count, trial.Seed);
        db.Trials.Add(
            new TrialRow
            {
                Id = id,
                GardenId = GardenId,
                Name = trial.Name,
                Target = trial.Target,
                Unit = TrialUnitKind.Leaf,
                LeavesPerUnit = 1,
                Seed = trial.Seed,
                OpenedAt = Instant(trial.Opened, zone),
                TreatedAt = Instant(trial.Treated, zone),
                ClosedAt = Instant(trial.Closed, zone),
                Sides =
                [
                    .. trial.Sides.Select(
                        (x, i) =>
                            new TrialSideRow
                            {
                                TrialId = id,
                                Number = i + 1,
                                Recipe = x.Recipe,
                                Step = DoseStep.Usual,
                            }
                    ),
                ],
                Units =
                [
                    .. units.Select(u => new TrialUnitRow
                    {
                        TrialId = id,
                        Number = u.Number,
                        PlantingId = u.PlantingId,
                        Side = u.Side,
                    }),
                ],
            }
        );
        foreach (var (side, i) in trial.Sides.Select((x, i) => (x, i)))
        {
            foreach (var (unit, k) in units.Where(u => u.Side == i + 1).Select((u, k) => (u, k)))
            {
                foreach (var (at, affected) in new[] { (trial.Opened, side.Before), (trial.Counted, side.After) })
                {
                    db.TrialCounts.Add(
                        new TrialCountRow
                        {
                            Id = IdOf($"trial/{trial.Name}/{unit.Number}/{at}"),
                            GardenId = GardenId,
                            TrialId = id,
                            Unit = unit.Number,
                            At = Instant(at, zone),
                            LeavesLooked = 1,
                            LeavesAffected = k < affected ? 1 : 0,
                        }
                    );
                }
            }
        }
    }

    private void AddShelf(DemoFile demo)
    {
        var products = demo
            .Products.Select(x => new ProductRow
            {
                Id = IdOf("product/" + x.Name),
                GardenId = GardenId,
                Name = x.Name,
                Like = x.Like,
                WorksOn = "",
                Unit = x.Unit,
                DoseLow = x.DoseLow,
                DoseHigh = x.DoseHigh,
                MaxTimes = x.MaxTimes,
                DaysBetween = x.DaysBetween,
                DaysToWait = x.DaysToWait,
            })
            .ToList();
        db.Products.AddRange(products);
        db.Stocks.AddRange(
            demo.Stocks.Select(x => new StockRow
            {
                Id = IdOf("stock/" + x.Name),
                GardenId = GardenId,
                Material = products.FirstOrDefault(p => p.Name == x.Material) is { } own ? RowReading.ToProduct(own).MaterialId : x.Material,
                Name = x.Name,
                Amount = x.Amount,
                Left = x.Left,
                Unit = x.Unit,
                OpenedOn = x.OpenedOn,
                BestBefore = x.BestBefore,
                StrengthPercent = x.StrengthPercent,
                Cost = x.Cost,
            })
        );
    }

    private void AddPlaces(DemoFile demo)
    {
        foreach (var (place, order) in demo.Places.Select((p, i) => (p, i)))
        {
            db.Places.Add(
                new PlaceRow
                {
                    Id = IdOf("place/" + place.Name),
                    GardenId = GardenId,
                    Name = place.Name,
                    Kind = place.Kind,
                    AreaM2 = place.AreaM2,
                    SunHours = place.SunHours,
                    Watering = place.Watering,
                    SunFrom = place.SunFrom,
                    SunTo = place.SunTo,
                    Stance = place.Stance,
                    PondDistanceM = place.PondDistanceM,
                    Order = order,
                }
            );
            db.Plantings.AddRange(
                place.Plantings.Select(p => new PlantingRow
                {
                    Id = PlantingId(Name(place.Name, p)),
                    PlaceId = IdOf("place/" + place.Name),
                    Crop = p.Crop,
                    Variety = p.Variety,
                    From = p.From,
                    Until = p.Until,
                    Count = p.Count,
                    Stage = p.Stage,
                    InFlower = p.InFlower,
                })
            );
        }
    }

    /// <summary>"Place/crop", with the year for plantings of earlier years.</summary>
    private static string Name(string place, DemoPlanting p) =>
        p.From.Year == DemoClock.Beginning.Year ? $"{place}/{p.Crop}" : $"{place}/{p.Crop}/{p.From.Year}";

    /// <summary>All notes of one day make a round.</summary>
    private void AddWalks(IEnumerable<ObservationRow> notes)
    {
        foreach (var day in notes.GroupBy(n => n.At.UtcDateTime.Date))
        {
            var walk = new WalkRow
            {
                Id = IdOf($"walk/{day.Key:yyyy-MM-dd}"),
                GardenId = GardenId,
                StartedAt = day.Min(n => n.At),
                EndedAt = day.Max(n => n.At).AddMinutes(5),
            };
            db.Walks.Add(walk);
            foreach (var note in day)
            {
                note.WalkId = walk.Id;
            }
        }
    }

    /// <param name="notes">All that were added so far; grows as more are.</param>
    private void AddSpray(DemoSpray spray, int index, GardenZone zone, IEnumerable<ObservationRow> notes)
    {
        var material = catalogue.Material(spray.Material);
        var at = Instant(spray.On, zone);
        var id = IdOf($"spray/{index}");
        db.Applications.Add(
            new ApplicationRow
            {
                Id = id,
                GardenId = GardenId,
                At = at,
                Material = spray.Material,
                PerLitre = spray.PerLitre,
                Litres = spray.Litres,
                Target = spray.Target,
                PatchTest = spray.PatchTest,
                Note = spray.Note,
                Treated =
                [
                    .. spray.At.Select(p => new TreatedRow
                    {
                        ApplicationId = id,
                        PlantingId = PlantingId(p),
                        ShareWetted = 0.9,
                    }),
                ],
            }
        );
        foreach (var planting in spray.At)
        {
            var treated = PlantingId(planting);
            Guid? observation = null;
            if (spray.CheckedOn is not null && spray.Looked > 0)
            {
                observation = IdOf($"check/{index}/{planting}");
                db.Observations.Add(
                    Note(
                        observation.Value,
                        planting,
                        Instant(spray.CheckedOn, zone),
                        new DemoNote(spray.CheckedOn, planting, spray.Looked, spray.Affected, Named: spray.Target)
                    )
                );
            }

            var before = notes
                .Where(o => o.PlantingId == treated && o.At <= at && o.LeavesLooked > 0)
                .OrderByDescending(o => o.At)
                .ThenByDescending(o => o.Named == spray.Target)
                .FirstOrDefault();
            db.CheckBacks.Add(
                new CheckBackRow
                {
                    BeforeId = observation is null ? null : before?.Id,
                    Id = IdOf($"visit/{index}/{planting}"),
                    GardenId = GardenId,
                    ApplicationId = id,
                    PlantingId = PlantingId(planting),
                    DueOn = zone.DateOf(at).AddDays(CheckBackDay.DaysAfter(material, spray.Target is null ? null : catalogue.FindTarget(spray.Target))),
                    DoneAt = spray.CheckedOn is null ? null : Instant(spray.CheckedOn, zone),
                    ObservationId = observation,
                    Outcome = spray.Outcome,
                    Injury = spray.Injury,
                }
            );
        }
    }

    private static ObservationRow Note(Guid id, string planting, DateTimeOffset at, DemoNote n) =>
        new()
        {
            Id = id,
            GardenId = GardenId,
            LookId = id,
            PlantingId = PlantingId(planting),
            At = at,
            LeavesLooked = n.Looked,
            LeavesAffected = n.Affected,
            Ants = n.Ants,
            Helpers = n.Helpers,
            Mummies = n.Mummies,
            Named = n.Named,
            Note = n.Note,
            Signs =
            [
                .. (n.Signs ?? []).Select(x => new ObservedSignRow
                {
                    ObservationId = id,
                    Sign = x,
                    Present = true,
                }),
            ],
        };

    private static DateTimeOffset Instant(string local, GardenZone zone) =>
        zone.At(DateTime.ParseExact(local, "yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture));

    private static Guid IdOf(string name) => new(SHA256.HashData(Encoding.UTF8.GetBytes("tansy-lock/" + name)).AsSpan(0, 16));
}
