using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>A drench through a rack: how long the pump carries it round, and when the water is changed.</summary>
/// <param name="RunHours">As the label says, else the usual.</param>
/// <param name="FreshWaterDays">Days from the drench to fresh water.</param>
public sealed record SystemRun(Place Rack, int RunHours, int FreshWaterDays)
{
    /// <summary>Where no label says otherwise (assumed).</summary>
    public const int UsualRunHours = 2,
        UsualFreshWaterDays = 7;

    /// <summary>The racks among the places that a mix of this form goes through; none for what is no drench.</summary>
    public static IReadOnlyList<SystemRun> Of(GardenSnapshot garden, Form form, Material active, IEnumerable<Planting> plantings) =>
        form == Form.Drench
            ?
            [
                .. plantings
                    .Select(garden.PlaceOf)
                    .Distinct()
                    .Where(p => p.ReservoirLitres is not null)
                    .Select(p => new SystemRun(p, active.Label?.RunHours ?? UsualRunHours, active.Label?.FreshWaterDays ?? UsualFreshWaterDays)),
            ]
            : [];

    /// <summary>What to do with pump and water, as sentences.</summary>
    public string Told(KitchenSystem kitchen) =>
        Say.Of(
            "mixing.intoTheReservoir",
            ("place", Rack.Name),
            ("litres", TankVolume.Text(Rack.ReservoirLitres!.Value, kitchen)),
            ("hours", RunHours),
            ("days", Say.Of("words.days", ("n", FreshWaterDays)))
        );
}
