using System.Collections.Concurrent;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Simulation;

/// <summary>How a sap feeder or mite lives. Degree-days are above <paramref name="LowerC"/>.</summary>
/// <param name="EggDegreeDays">Laying to hatch; 0 for live-bearers.</param>
/// <param name="YoungDegreeDays">Hatching or birth to adult.</param>
/// <param name="Births">Young or eggs of one adult a degree-day.</param>
/// <param name="Exposed">Sits where rain can knock it off.</param>
public sealed record ColonyTraits(double LowerC, double EggDegreeDays, double YoungDegreeDays, double Births, bool Exposed)
{
    /// <summary>Life of an adult, degree-days (assumed, within 120 to 150).</summary>
    public const double LifeDegreeDays = 135;

    /// <summary>Share of the young that live to be adults.</summary>
    public const double Survival = 0.9;

    private const double CatalogueC = 20;

    /// <summary>
    /// The traits of a target; null when it does not grow as a colony. Births are those with which an undisturbed colony grows as the
    /// catalogue says at 20 C: b = (g + 1/life) / (survival x passing(egg) x passing(young)), g the growth a degree-day (Euler and Lotka's
    /// equation for chains of Erlang distributed stages).
    /// </summary>
    public static ColonyTraits? Of(Target target)
    {
        if (target.Insect is not { GrowthPerDayAt20C: > 0 } insect)
        {
            return null;
        }

        var growth = insect.GrowthPerDayAt20C / (CatalogueC - insect.LowerC);
        var young = insect.ToAdultDegreeDays - insect.EggDegreeDays;
        var births = (growth + 1 / LifeDegreeDays) / (Survival * StageChain.Passing(growth, insect.EggDegreeDays) * StageChain.Passing(growth, young));
        return new ColonyTraits(insect.LowerC, insect.EggDegreeDays, young, births, target.Group == KnownIds.TargetGroups.SapFeeders);
    }
}

/// <summary>Where a colony lives.</summary>
/// <param name="Outdoors">Rain reaches it, and wild helpers come.</param>
/// <param name="Ants">Ants keep helpers to a third of their work.</param>
/// <param name="Arrivals">Adults that come to a leaf each day.</param>
public sealed record ColonySite(bool Outdoors, bool Ants, double Arrivals);

/// <summary>A colony of insects or mites with its enemies, as densities a leaf. One step is a day in four parts.</summary>
public sealed class Colony(ColonyTraits traits)
{
    public const int PartsOfDay = 4;

    /// <summary>Clumping of insects on leaves: the negative binomial's k.</summary>
    private const double Clumping = 0.5;

    /// <summary>Young and adults a leaf can hold (assumed).</summary>
    private const double MostPerLeaf = 40;

    private const double HottestC = 32;

    /// <summary>Prey that a helper eats a day when there is plenty, and at which it eats half of that.</summary>
    private const double MostEaten = 15;
    private const double HalfEatenAt = 6;
    private const double WildHelpers = 0.02;

    /// <summary>Colonies that have grown undisturbed, by their traits: only read.</summary>
    private static readonly ConcurrentDictionary<ColonyTraits, Colony> Grown = new();
    private const int SettlingDays = 60;

    private readonly StageChain eggs = new();
    private readonly StageChain young = new();
    private double adults;

    /// <summary>Young and adults a leaf.</summary>
    public double Density => young.Total + adults;

    public double Helpers { get; private set; }

    /// <summary>Share of leaves with at least one: 1 - (1 + N/c)^-c, the zero term of the negative binomial.</summary>
    public double Incidence => IncidenceAt(Density);

    /// <summary>Share of leaves with one or more at a density: the inverse of <see cref="DensityAt"/>.</summary>
    /// <param name="density">Insects a leaf, 0 or more.</param>
    public static double IncidenceAt(double density) => 1 - Math.Pow(1 + Bounds.NotNegative(density) / Clumping, -Clumping);

    /// <summary>Density at which a share of leaves is affected.</summary>
    /// <param name="incidence">0 or more, under 1.</param>
    public static double DensityAt(double incidence) => Clumping * (Math.Pow(1 - Bounds.Within(incidence, 0, 0.995), -1 / Clumping) - 1);

    /// <summary>A colony with the ages of one that has grown undisturbed for two months, at a density and with helpers a leaf.</summary>
    public static Colony Settled(ColonyTraits traits, double density, double helpers)
    {
        var grown = Grown.GetOrAdd(traits, Grow);
        var scale = density / grown.Density;
        var colony = new Colony(traits) { adults = grown.adults * scale, Helpers = helpers };
        colony.eggs.Take(grown.eggs, scale);
        colony.young.Take(grown.young, scale);
        return colony;
    }

    private static Colony Grow(ColonyTraits traits)
    {
        var colony = new Colony(traits) { adults = 1e-6 };
        for (var day = 0; day < SettlingDays; day++)
        {
            colony.Live(20, held: 0, new ColonySite(false, false, 0));
        }

        return colony;
    }

    /// <summary>A day with its rain and its luck.</summary>
    /// <param name="held">Share of births and arrivals that a film or repellent holds back, 0 to 1.</param>
    public void Advance(double meanC, double rainMm, double held, ColonySite site, Chance chance)
    {
        Live(meanC, held, site);
        if (site.Outdoors && traits.Exposed && rainMm > 5)
        {
            var kept = 1 - chance.Between(0.1, 0.25);
            young.Keep(kept);
            adults *= kept;
        }
    }

    /// <summary>A day without rain.</summary>
    /// <param name="parts">Parts of the day that are worked out one after the other.</param>
    public void Live(double meanC, double held, ColonySite site, int parts = PartsOfDay)
    {
        var degreeDays = Math.Max(0, Math.Min(meanC, HottestC) - traits.LowerC) / parts;
        var living = Math.Exp(-degreeDays / (2 * ColonyTraits.LifeDegreeDays));
        var (hatching, growing) = (StageChain.Moving(Share(degreeDays, traits.EggDegreeDays)), StageChain.Moving(Share(degreeDays, traits.YoungDegreeDays)));
        for (var part = 0; part < parts; part++)
        {
            Eat(site, 1.0 / parts);
            adults *= living;
            var born = (1 - held) * traits.Births * degreeDays * adults * Math.Max(0, 1 - Density / MostPerLeaf);
            var hatched = eggs.Move(born, hatching);
            var grown = young.Move(hatched, growing);
            adults = (adults + ColonyTraits.Survival * grown) * living + (1 - held) * site.Arrivals / parts;
        }

        Helpers = Math.Max(site.Outdoors ? WildHelpers : 0, Helpers * 0.95 + 0.0012 * Math.Min(Density, 20));
    }

    /// <summary>A spray: what is killed of each stage times the share of leaves that it wets.</summary>
    public void Spray(Effect effect, double wetted, double harmToHelpers)
    {
        eggs.Keep(1 - effect.Eggs * wetted);
        young.Keep(1 - effect.Young * wetted);
        adults *= 1 - effect.Adult * wetted;
        Helpers *= 1 - harmToHelpers * wetted;
    }

    /// <summary>Helpers are let out.</summary>
    /// <param name="helpers">A leaf, 0 or more.</param>
    public void Release(double helpers) => Helpers += Bounds.NotNegative(helpers);

    private static double Share(double degreeDays, double whole) => whole > 0 ? degreeDays / whole : double.PositiveInfinity;

    /// <summary>Helpers' type II response (Holling 1959), never more than half of what is there in a day.</summary>
    private void Eat(ColonySite site, double day)
    {
        var density = Density;
        if (density <= 0 || Helpers <= 0)
        {
            return;
        }

        var work = site.Ants ? MostEaten / 3 : MostEaten;
        var eaten = Math.Min(0.5 * density, Helpers * work * density / (HalfEatenAt + density)) * day;
        young.Keep(1 - eaten / density);
        adults *= 1 - eaten / density;
    }
}
