using System.Globalization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Planning;

/// <summary>What became of the plan since the gardener last looked at it.</summary>
internal static class RotaChanges
{
    public static IReadOnlyList<PlanChange> Since(GardenSnapshot garden, IReadOnlyList<PlannedRound> rounds)
    {
        if (garden.SeenPlan.Count == 0)
        {
            return [];
        }

        var seen = garden.SeenPlan.ToDictionary(s => s.Key);
        var now = rounds.ToDictionary(r => r.Key);
        return
        [
            .. rounds.Where(r => !seen.ContainsKey(r.Key)).Select(r => new PlanChange(ChangeKind.New, r.Planting, $"New: {Words(garden, r)} on {Date(r.On)}. {(r.Why.Count > 0 ? r.Why[0] : r.WhyThen)}")),
            .. rounds.Where(r => seen.TryGetValue(r.Key, out var s) && s.On != r.On)
                .Select(r => new PlanChange(ChangeKind.Moved, r.Planting, $"{Words(garden, r)}: moved from {Date(seen[r.Key].On)} to {Date(r.On)}. {MovedWhy(garden, r, seen[r.Key])}")),
            .. rounds.Where(r => seen.TryGetValue(r.Key, out var s) && s.On == r.On && s.Recipe != r.Recipe.Id)
                .Select(r => new PlanChange(ChangeKind.OtherMix, r.Planting, $"{garden.Where(r.Planting)}: {r.Recipe.Name.InSentence()} instead of {garden.Catalogue.FindRecipe(seen[r.Key].Recipe)?.Name.InSentence() ?? "what was planned"}, {Date(r.On)}.")),
            .. garden.SeenPlan.Where(s => !now.ContainsKey(s.Key)).Select(s => Dropped(garden, s)).OfType<PlanChange>(),
        ];
    }

    private static string MovedWhy(GardenSnapshot garden, PlannedRound round, SeenRound seen) => round switch
    {
        { Pinned: true } => "You pinned it.",
        _ when seen.On < garden.Today => "Its day went by.",
        _ when garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == round.Planting.Id && c.Target == round.Target.Id) => "You skipped it.",
        _ => round.WhyThen,
    };

    /// <summary>Null for a round that was done: that is no news.</summary>
    private static PlanChange? Dropped(GardenSnapshot garden, SeenRound seen)
    {
        if (RoundKey.Read(seen.Key) is not { PlantingId: var id } key || garden.FindPlanting(id) is not { } planting || garden.Catalogue.FindTarget(key.Target) is not { } target)
        {
            return null;
        }

        if (garden.SpraysOn(id).Any(a => !a.PatchTest && a.Target == target.Id && garden.Garden.DateOf(a.At) >= seen.On.AddDays(-3)))
        {
            return null;
        }

        var why = !planting.GrowsOn(garden.Today) ? "the planting has ended"
            : garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == id && c.Target == target.Id) ? "you skipped it"
            : seen.On > garden.Today.AddDays(RotaPlanner.FirmDays - 1) ? "it lies beyond the fortnight now"
            : "it is not wanted any more, or can not be done";
        return new PlanChange(ChangeKind.Dropped, planting, $"{garden.Where(planting)}: nothing against {target.Name.InSentence()} on {Date(seen.On)}; {why}.");
    }

    private static string Words(GardenSnapshot garden, PlannedRound r) => $"{garden.Where(r.Planting)}, {r.Recipe.Name.InSentence()} against {r.Target.Name.InSentence()}";

    private static string Date(DateOnly date) => date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
}
