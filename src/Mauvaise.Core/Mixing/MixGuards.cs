using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Mixing;

/// <summary>How much of a material is in a litre of a mix, in its dose unit.</summary>
public sealed record MixShare(Material Material, double PerLitre);

/// <summary>What the guards say of a mix.</summary>
/// <param name="AllowedStep">The highest dose step of the active that the conditions allow.</param>
public sealed record MixJudgement(double OilPercent, double SoapPercent, DoseStep AllowedStep, MixVerdict Verdict, IReadOnlyList<MixReason> Reasons);

/// <summary>Refuses or weakens a mix, whichever way it came about.</summary>
public static class MixGuards
{
    private const double MostLoadPercent = 2;
    private const double MostWarmOilPercent = 1;
    private const double WarmC = 27;
    private const double HotC = 32;

    /// <summary>Judges shares of a made-up litre.</summary>
    /// <param name="active">The material whose dose step is lowered by heat, tender crops and seedlings.</param>
    public static MixJudgement Judge(GardenCatalogue catalogue, IReadOnlyList<MixShare> shares, Material active, MixConditions conditions)
    {
        var oil = Load(shares, LoadKind.Oil);
        var soap = Load(shares, LoadKind.Soap);
        var down = StepDowns(conditions, active);
        var allowed = (DoseStep)Math.Max(0, (int)DoseStep.Strong - down.Count);
        var dose = shares.FirstOrDefault(s => s.Material.Id == active.Id)?.PerLitre ?? 0;
        var tooStrong = down.Count > 0 && active.Doses is { } doses && dose > doses.At(allowed) + 1e-9;
        MixReason[] reasons =
        [
            .. Refusals(catalogue, shares, oil, soap, conditions),
            .. tooStrong ? down : down.Select(r => r with { Verdict = MixVerdict.Ok }),
        ];
        return new MixJudgement(oil, soap, allowed, reasons.Select(r => r.Verdict).DefaultIfEmpty(MixVerdict.Ok).Max(), reasons);
    }

    private static double Load(IEnumerable<MixShare> shares, LoadKind kind) =>
        shares.Where(p => p.Material.Load == kind).Sum(p => p.PerLitre / 10);

    private static List<MixReason> StepDowns(MixConditions conditions, Material active)
    {
        var down = new List<MixReason>();
        if (conditions.WarmestNext6hC is > WarmC and <= HotC and var warm)
        {
            down.Add(new("heat", MixVerdict.StepDown, FormattableString.Invariant($"{warm:0} °C after spraying. Over {WarmC:0} °C the dose steps down.")));
        }

        if (conditions.TenderCrops.Count > 0)
        {
            down.Add(new("tender", MixVerdict.StepDown, $"{string.Join(", ", conditions.TenderCrops)} scorches easily from {active.Name.ToLowerInvariant()}: one step down, two leaves first."));
        }

        if (conditions.Seedlings)
        {
            down.Add(new("seedlings", MixVerdict.StepDown, "Seedlings: one step down."));
        }

        return down;
    }

    private static IEnumerable<MixReason> Refusals(GardenCatalogue catalogue, IReadOnlyList<MixShare> shares, double oil, double soap, MixConditions conditions)
    {
        foreach (var p in shares.Where(p => p.Material.Doses is { } d && p.PerLitre > d.Ceiling))
        {
            yield return new("ceiling", MixVerdict.Refused, FormattableString.Invariant(
                $"{p.PerLitre:0.#} {p.Material.Doses!.Unit} of {p.Material.Name.ToLowerInvariant()} a litre is over its ceiling; {p.Material.Doses!.Ceiling:0.#} {p.Material.Doses!.Unit} is the most."));
        }

        if (conditions.WarmestNext6hC is > HotC and var hot)
        {
            yield return new("too-hot", MixVerdict.Refused, FormattableString.Invariant($"{hot:0} °C after spraying. Over {HotC:0} °C nothing goes on: wait for a cooler evening."));
        }

        var mostOil = conditions.WarmestNext6hC > WarmC ? MostWarmOilPercent : MostLoadPercent;
        if (oil > mostOil + 1e-9)
        {
            yield return new("oil-load", MixVerdict.Refused, FormattableString.Invariant($"Oils together make {oil:0.##} %; {mostOil:0} % is the most{(mostOil < MostLoadPercent ? " above 27 °C" : "")}."));
        }

        if (soap > MostLoadPercent + 1e-9)
        {
            yield return new("soap-load", MixVerdict.Refused, FormattableString.Invariant($"Soaps together make {soap:0.##} %; {MostLoadPercent:0} % is the most."));
        }

        foreach (var (a, b) in shares.SelectMany((x, i) => shares.Skip(i + 1).Select(y => (x.Material, y.Material))))
        {
            if (Pairs.Between(catalogue, a, b) is { InOneTank: "never" } pair)
            {
                yield return new("never-together", MixVerdict.Refused, $"{a.Name} and {b.Name.ToLowerInvariant()} may not meet in one tank: {pair.Why}.");
            }
        }
    }
}
