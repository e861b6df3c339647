using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Lessons;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Tests;

/// <summary>Gardens in which one of two materials is truly better by 20 points, whatever the catalogue says.</summary>
internal static class LearningSimulation
{
    private const string Soap = "castile-soap",
        Neem = "neem-oil",
        Aphid = "cabbage-aphid",
        Crop = "kale";
    private const int CoursesASeason = 8,
        RoundsACourse = 2;
    private static readonly Place Bed = GardenSamples.Bed("Winding Hole");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, Crop);
    private static readonly GardenSnapshot Garden = GardenSamples.Tried(GardenSamples.Garden([Bed], [Kale]));

    /// <summary>Share of gardens whose plan takes the truly better one after so many seasons.</summary>
    public static double Right(int gardens, int seasons)
    {
        var target = GardenSamples.Target(Aphid);
        var usual =
            (Learning.UsualMean(Garden.Catalogue.Material(Soap), target)!.Value + Learning.UsualMean(Garden.Catalogue.Material(Neem), target)!.Value) / 2;
        return Enumerable
                .Range(0, gardens)
                .Count(g =>
                {
                    var chance = new Chance((ulong)g + 5);
                    var soapIsBetter = g % 2 == 0;
                    var judged = new List<JudgedSpray>();
                    // Courses over the beds, the group changing from one to the next as it must.
                    for (var course = 0; course < seasons * CoursesASeason; course++)
                    {
                        var material = course % 2 == 0 ? Soap : Neem;
                        var truth = Math.Clamp(usual + (material == Soap == soapIsBetter ? 0.1 : -0.1), 0.02, 0.98);
                        judged.AddRange(Enumerable.Range(0, RoundsACourse).Select(round => Round(chance, material, truth, course * 20 + round * 5)));
                    }

                    var options = MaterialChoice.Options(Learning.In(Garden with { Judged = judged }), Kale, target);
                    return options.First(o => o.Material.Id is Soap or Neem).Material.Id == Soap == soapIsBetter;
                }) / (double)gardens;
    }

    /// <summary>A round with its true effect, uneven wetting, growth that nobody knows, and twenty leaves counted before and after.</summary>
    private static JudgedSpray Round(Chance chance, string material, double truth, int daysAgo)
    {
        var before = chance.Between(0.15, 0.6);
        var survives = 1 - truth * chance.Between(0.88, 1.12);
        var density = Colony.DensityAt(before) * Math.Exp(chance.Between(0, 0.25) * 2) * Math.Max(0.02, survives);
        int Seen(double share) => Enumerable.Range(0, 20).Count(_ => chance.Next() < share);
        var at = GardenSamples.Now.AddDays(-daysAgo - 3);
        return new(
            Guid.NewGuid(),
            Guid.NewGuid(),
            Kale.Id,
            Crop,
            material,
            Aphid,
            at,
            at.AddDays(2),
            new(20, Math.Max(1, Seen(before))),
            new(20, Seen(Colony.IncidenceAt(density))),
            Outcome.Holding,
            Injury.None,
            null
        );
    }
}
