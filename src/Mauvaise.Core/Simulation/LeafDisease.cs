using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Simulation;

/// <summary>How a leaf disease spreads.</summary>
/// <param name="Spread">New diseased area a day from an infectious one, in full favour.</param>
/// <param name="LatentDegreeDays">Infection to spores, above 5 C.</param>
/// <param name="BySplash">Spreads on rain days alone.</param>
/// <param name="Surface">Sits on the leaf, where a contact spray reaches it.</param>
public sealed record LeafDiseaseTraits(double Spread, double LatentDegreeDays, bool BySplash, bool Surface)
{
    public const double LowerC = 5;

    /// <summary>An infectious spot lives this long, days.</summary>
    public const double InfectiousDays = 17;

    /// <summary>Days in which surface mildew doubles in full favour, and other spots (middle of what is told).</summary>
    private const double MildewDoublesDays = 4;
    private const double SpotsDoubleDays = 6.5;
    private const double CatalogueC = 20;

    /// <summary>The traits of a target; null when it is no leaf disease that spreads.</summary>
    public static LeafDiseaseTraits? Of(Target target)
    {
        if (target.NoSpray || !KnownIds.TargetGroups.LeafDiseases.Contains(target.Group))
        {
            return null;
        }

        // What stands for its whole group, and what has no figures of its own, goes the way of the group.
        var surface = target.Disease is { } own ? own.WetHoursAtOptimum is null : target.Group == KnownIds.TargetGroups.SurfaceMildew;
        var bySplash = target.Disease is { } spreads ? spreads.SpreadsBy == "splash" : target.Group == KnownIds.TargetGroups.LeafSpots;
        var latent = surface ? 70 : 90;
        var growth = Math.Log(2) / (surface ? MildewDoublesDays : SpotsDoubleDays);
        // Euler and Lotka's equation again: what an infectious spot gives, through the latent chain, must carry the growth.
        var spread = (growth + 1 / InfectiousDays) / StageChain.Passing(growth, latent / (CatalogueC - LowerC));
        return new LeafDiseaseTraits(spread, latent, bySplash, surface);
    }
}

/// <summary>A disease on the leaves of a planting, as shares of their area: healthy, latent, infectious, dead.</summary>
public sealed class LeafDisease(LeafDiseaseTraits traits, double spores)
{
    private readonly StageChain latent = new();
    private double infectious;
    private double dead;

    /// <summary>Share of the infectious area that gives spores, 0 to 1: less for some days after a spray that kills them.</summary>
    private double sporing = 1;

    /// <summary>Days in which spots that were cleaned make most of their spores anew (assumed).</summary>
    private const double SporesBackDays = 3;

    /// <summary>Share of leaf area that shows it, 0 to 1.</summary>
    public double Severity => Math.Min(1, infectious + dead);

    /// <summary>Share of leaf area with spots that spread, 0 to 1.</summary>
    public double Living => Math.Min(1, infectious);

    /// <summary>A disease that shows on a share of the area, with as much again under way.</summary>
    public static LeafDisease Showing(LeafDiseaseTraits traits, double severity, double spores)
    {
        var disease = new LeafDisease(traits, spores) { infectious = severity };
        disease.latent.Advance(severity, 0);
        return disease;
    }

    /// <summary>A day.</summary>
    /// <param name="favour">How far the weather suits it, 0 to 1.</param>
    /// <param name="held">Share of infections that cover holds back, 0 to 1.</param>
    /// <param name="leafGrowth">New leaf area a day as a share of what is there.</param>
    public void Advance(double meanC, double rainMm, double favour, double held, double leafGrowth)
    {
        var fits = traits.BySplash && rainMm < 1 ? 0 : favour;
        var healthy = Math.Max(0, 1 - latent.Total - infectious - dead);
        var infected = Math.Min(healthy, traits.Spread * fits * (infectious * sporing + spores) * healthy * (1 - held));
        var ripe = latent.Advance(infected, Math.Max(0, meanC - LeafDiseaseTraits.LowerC) / traits.LatentDegreeDays);
        var dying = infectious * (1 - Math.Exp(-1 / LeafDiseaseTraits.InfectiousDays));
        sporing = 1 - (1 - sporing) * Math.Exp(-1 / SporesBackDays);
        infectious += ripe - dying;
        dead += dying;
        // New leaves make every share of the old ones smaller.
        var old = 1 / (1 + leafGrowth);
        latent.Keep(old);
        infectious *= old;
        dead *= old;
    }

    /// <summary>What sits on the leaf is killed. A spot inside it stays, and gives fewer spores until it has made them anew.</summary>
    public void Spray(Effect effect, double wetted)
    {
        if (traits.Surface)
        {
            infectious *= 1 - effect.Young * wetted;
        }
        else
        {
            sporing *= 1 - effect.Young * wetted;
        }
    }

    /// <summary>The worst leaves come off: more of what shows than of what is still inside, and the rest counts against fewer leaves.</summary>
    /// <param name="share">Of the leaves, 0 to under 1.</param>
    /// <param name="gone">Share of what shows that goes with them, 0 to 1.</param>
    public void Prune(double share, double gone)
    {
        var left = 1 - Measures.Bounds.Within(share, 0, 0.9);
        infectious *= (1 - gone) / left;
        dead *= (1 - gone) / left;
    }
}
