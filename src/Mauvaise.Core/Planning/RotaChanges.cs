using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

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
            .. rounds
                .Where(r => !seen.ContainsKey(r.Key))
                .Select(r => new PlanChange(
                    ChangeKind.New,
                    r.Planting,
                    Say.Of("planning.newOn", ("words", Words(garden, r)), ("date", Date(r.On)), ("why", (r.Why.Count > 0 ? r.Why[0] : r.WhyThen)))
                )),
            .. rounds
                .Where(r => seen.TryGetValue(r.Key, out var s) && s.On != r.On)
                .Select(r => new PlanChange(
                    ChangeKind.Moved,
                    r.Planting,
                    Say.Of(
                        "planning.movedFrom",
                        ("words", Words(garden, r)),
                        ("date", Date(seen[r.Key].On)),
                        ("date2", Date(r.On)),
                        ("movedWhy", MovedWhy(garden, r, seen[r.Key]))
                    )
                )),
            .. rounds
                .Where(r => seen.TryGetValue(r.Key, out var s) && s.On == r.On && s.Recipe != r.Recipe.Id)
                .Select(r => new PlanChange(
                    ChangeKind.OtherMix,
                    r.Planting,
                    Say.Of(
                        "planning.insteadOf",
                        ("garden", garden.Where(r.Planting)),
                        ("recipe", r.Recipe.Name.InSentence()),
                        ("findRecipe", garden.Catalogue.FindRecipe(seen[r.Key].Recipe)?.Name.InSentence() ?? Say.Of("planning.whatWasPlanned")),
                        ("date", Date(r.On))
                    )
                )),
            .. garden.SeenPlan.Where(s => !now.ContainsKey(s.Key)).Select(s => Dropped(garden, s)).OfType<PlanChange>(),
        ];
    }

    private static string MovedWhy(GardenSnapshot garden, PlannedRound round, SeenRound seen) =>
        round switch
        {
            { Pinned: true } => Say.Of("planning.youPinned"),
            _ when seen.On < garden.Today => Say.Of("planning.itsDayWent"),
            _ when garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == round.Planting.Id && c.Target == round.Target.Id) => Say.Of(
                "planning.youSkipped"
            ),
            _ => round.WhyThen,
        };

    /// <summary>Null for a round that was done: that is no news.</summary>
    private static PlanChange? Dropped(GardenSnapshot garden, SeenRound seen)
    {
        if (
            RoundKey.Read(seen.Key) is not { PlantingId: var id } key
            || garden.FindPlanting(id) is not { } planting
            || garden.Catalogue.FindTarget(key.Target) is not { } target
        )
        {
            return null;
        }

        if (garden.SpraysOn(id).Any(a => !a.PatchTest && a.IsAgainst(target.Id) && garden.Garden.DateOf(a.At) >= seen.On.AddDays(-3)))
        {
            return null;
        }

        var why =
            !planting.GrowsOn(garden.Today) ? Say.Of("planning.thePlantingHasEnded")
            : garden.Choices.Any(c => c.Word == PlanWord.Skip && c.PlantingId == id && c.Target == target.Id) ? Say.Of("planning.youSkipped2")
            : seen.On > garden.Today.AddDays(RotaPlanner.FirmDays - 1) ? Say.Of("planning.itLiesBeyondTheFortnightNow")
            : Say.Of("planning.itIsNotWantedAnyMore");
        return new PlanChange(
            ChangeKind.Dropped,
            planting,
            Say.Of("planning.nothingAgainst", ("garden", garden.Where(planting)), ("target", target.Name.InSentence()), ("date", Date(seen.On)), ("why", why))
        );
    }

    private static string Words(GardenSnapshot garden, PlannedRound r) =>
        Say.Of("planning.against", ("garden", garden.Where(r.Planting)), ("recipe", r.Recipe.Name.InSentence()), ("target", r.Target.Name.InSentence()));

    private static string Date(DateOnly date) => Say.In(date, "ddd d MMM");
}
